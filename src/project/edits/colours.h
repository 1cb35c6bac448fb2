// Edits of looks all over the project: swatches, colours and finishes that are found and replaced.
#pragma once

#include <functional>
#include <span>

#include "project/model.h"

namespace widecut {

/// The styles of these items changed.
Project withStyle(const Project& project, std::span<const Id> items, const std::function<void(Style&)>& change);
/// Every style of the project, parts and single copies included, changed; what stays as it is shares its nodes.
Project withEveryStyle(const Project& project, const std::function<void(Style&)>& change);

/// The project with one more swatch; its number is `number`. The same project, and 0, where there are too many.
Project withSwatch(const Project& project, const std::string& name, Colour colour, std::uint16_t& number);
/// The swatch in another colour, and with it all that is painted with it, sheets' papers included.
Project withSwatchColour(const Project& project, std::uint16_t number, Colour colour);
Project withSwatchName(const Project& project, std::uint16_t number, const std::string& name);
/// Without the swatch; what is painted with it keeps its colour.
Project withoutSwatch(const Project& project, std::uint16_t number);
/// The swatch with this number; null for none.
const Swatch* swatchOf(const Project& project, std::uint16_t number);

/// An item that came from elsewhere: colours of swatches that the project does not have in just that colour are its
/// own.
ItemPtr withSwatchesOf(const Project& project, const ItemPtr& item);
/// The swatches that items are painted with, without names.
std::vector<Swatch> swatchesIn(std::span<const ItemPtr> items);

/// A colour, and how many fills, lines, stops and effects of the project have it.
struct UsedColour {
  Colour colour;
  int uses = 0;
};
/// Those that are used, most used ones first. Swatches and colours that look alike are counted apart.
std::vector<UsedColour> usedColours(const Project& project);
/// One colour in place of another one, everywhere; how see-through it is stays.
Project withColourReplaced(const Project& project, Colour from, Colour to);

/// What a finish takes from an item: all of its look but its pictures.
Style finishOf(const Style& style);
/// True when both have the same finish.
bool isSameFinish(const Style& a, const Style& b);
/// The look of an item with this finish: its pictures stay, in front of the finish's fills.
Style withFinish(const Style& style, const Style& finish);
Project withFinishOn(const Project& project, std::span<const Id> items, const Style& finish);
/// Every item with the one finish gets the other.
Project withFinishReplaced(const Project& project, const Style& from, const Style& to);
/// How many items of the project, parts included, have this finish.
int usesOfFinish(const Project& project, const Style& finish);

/// The effect let go: its picture of outlines becomes an item of its own, in front of the item or behind it. Effects on
/// pixels, and items that lie inside others, stay as they are. `made` receives the new item's id.
Project withEffectReleased(const Project& project, Id item, std::size_t effect, Id& made);

}  // namespace widecut
