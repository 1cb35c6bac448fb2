// Edits that bring items into line, to equal gaps and to equal sizes.
#pragma once

#include <optional>
#include <span>

#include "project/model.h"

namespace widecut {

/// What of each item is brought into line.
enum class InLine : unsigned char {
  Left,
  Centre,
  Right,
  Top,
  Middle,
  Bottom,
  Baseline  ///< Of words, that of their first line; of others, their lower edge.
};
inline constexpr InLine allInLine[] = {InLine::Left,   InLine::Centre, InLine::Right,   InLine::Top,
                                       InLine::Middle, InLine::Bottom, InLine::Baseline};
/// With what.
enum class AlignTo : unsigned char {
  Selection,  ///< All of them together.
  First,      ///< The first of them, which stays.
  Sheet,
  Margins,
  Column  ///< For each the one that is nearest to it.
};
inline constexpr AlignTo allAlignTo[] = {AlignTo::Selection, AlignTo::First, AlignTo::Sheet, AlignTo::Margins,
                                         AlignTo::Column};
/// What counts of an item.
enum class BoxOf : unsigned char { Outline, WithLines };
/// Its box on the sheet; with the lines that are drawn round it and what is inside it.
Box arrangedBox(const Project& project, Id item, BoxOf of);

/// The box on the sheet that items are aligned to; empty when there is none.
Box alignBox(const Project& project, std::span<const Id> items, AlignTo to, BoxOf of = BoxOf::Outline);
/// The items, those that are locked or inside others of them left out, each moved along one axis so that its box is in
/// line with the other one, to the last bit where `exactly` (geometry/exactly.h) finds a number for it.
Project withAligned(const Project& project, std::span<const Id> items, InLine align, AlignTo to,
                    BoxOf of = BoxOf::Outline);
/// The items with gaps alike, in the order in which they lie: as wide as given, from the first one on, or else as the
/// room between the outermost two allows, which stay. Nothing happens to fewer than two, or without a gap than three.
/// Overlaps count as gaps below 0.
Project withEqualGaps(const Project& project, std::span<const Id> items, bool across,
                      std::optional<double> gap = std::nullopt, BoxOf of = BoxOf::Outline);
/// The gap that all of them have, to a hundredth of a point; nothing when they differ.
std::optional<double> commonGap(const Project& project, std::span<const Id> items, bool across,
                                BoxOf of = BoxOf::Outline);
/// The items as wide, or as high, on the sheet as the first of them, each about its own middle. Those that are turned
/// are left out.
Project withEqualSize(const Project& project, std::span<const Id> items, bool width);
/// A rough arrangement made exact: what nearly makes rows and columns does, with its edges or middles in line,
/// whichever moves them least, and with gaps alike. The outermost ones keep their places as far as that allows.
Project neatened(const Project& project, std::span<const Id> items);
/// The item moved along one axis until its box's lower edge (share 0), middle (0.5) or upper one (1) is there, to the
/// last bit where some number does that.
Project withBoxAt(const Project& project, Id item, bool across, double share, double wanted, BoxOf of = BoxOf::Outline);

}  // namespace widecut
