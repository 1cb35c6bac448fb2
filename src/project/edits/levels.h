// Fills that reach a share of their item: rows of them from lists of numbers, and labels that say it.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <vector>

#include "project/model.h"

namespace widecut {

struct LevelEntry {
  std::string label;  ///< Empty where the list has numbers alone.
  double share = 0;   ///< 0…1
  bool operator==(const LevelEntry&) const = default;
};
/// A list of numbers, or lines of a label and a number, a line of headings before them or none, with commas,
/// semicolons, tabs or line ends between them: in per cent, or, where none is above 1 and some are no whole ones, in
/// shares. Nothing for other text, for fewer than two numbers and for more than 200, and for any below 0 or above 100
/// %.
std::optional<std::vector<LevelEntry>> levelsFrom(const std::string& text);

/// A fill in front that reaches half of the item's area, in a tone that can be seen on what it lies on; nothing changes
/// where there is a level.
void addLevel(Style& style);
/// Another share for the frontmost level that shows; nothing changes where there is none.
void setLevel(Style& style, double share);

/// The line of a level in the space of the item, whose box that is; nothing where it has none.
std::optional<Contour> lineOf(const FillLevel& level, const Box& box);
/// The items' frontmost colours that show, or gradients or photos, rise along a line of the sheet, from its start: to
/// the share that they had, or a half. Each keeps a copy of the line, which goes with its box. Items without a fill
/// stay.
Project withLevelAlong(const Project& project, std::span<const Id> items, const Contour& onSheet);

/// “25 %”, with a digit after the point where it has one.
std::string percentText(double share);

/// The item at the first level, and copies of it at the others in a row to its right, each with a label below that
/// follows its level. `made` are all of them, then their labels. Nothing changes for an item without a level, and for
/// one that is inside of another.
Project withLevelRow(const Project& project, Id item, std::span<const LevelEntry> entries, std::vector<Id>& made);

/// Labels say what their items' levels are now.
Project withLabelsFollowing(const Project& project);

}  // namespace widecut
