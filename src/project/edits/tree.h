// Edits of the tree of items: functions from a project to the next one. What an edit names but the project lacks is
// passed over.
#pragma once

#include <functional>
#include <span>

#include "cutting/formula.h"
#include "project/lookup.h"

namespace widecut {

using ItemChange = std::function<Item(const Item&)>;

/// The project with one item, wherever it is, replaced by change(item).
Project withItem(const Project& project, Id item, const ItemChange& change);
/// The same for several items, in one pass over the project.
Project withEach(const Project& project, std::span<const Id> items, const ItemChange& change);
/// What becomes of one item, whose parent's space the map leads from to the sheet: itself, another, or nothing.
using Fate = std::function<ItemPtr(const ItemPtr& item, const Affine& parentToSheet)>;
/// Whether an item meets its fate after those inside it that are named too, or in their stead.
enum class Meets : unsigned char { AfterChildren, InsteadOfThem };
/// The project after the items met their fate: along the ways to them, nothing else is looked at.
Project withFate(const Project& project, std::span<const Id> items, Meets order, const Fate& fate);
/// The project with one sheet replaced by change(sheet).
Project withSheet(const Project& project, Id sheet, const std::function<Sheet(const Sheet&)>& change);
/// What becomes of one sheet: itself, or another.
Project withSheets(const Project& project, const std::function<SheetPtr(const SheetPtr&)>& change);
/// The items on top of all others of the sheet, in the order given. Ids of 0 are filled in.
Project withItemsOnTop(const Project& project, Id sheet, std::vector<Item> items);
/// Without these items. A part leaves its recipe; an item left without what is inside it goes too.
Project withoutItems(const Project& project, std::span<const Id> items);
/// The item replaced by others in its place, on the sheet or inside another item; where that has a formula, `joined`,
/// over their numbers, stands in brackets where the item stood. Items without an id get fresh ones, which `made`
/// receives. A cutout that showed the item's photo keeps it as its own.
Project withReplaced(const Project& project, Id item, std::vector<Item> items, const Formula& joined,
                     std::vector<Id>& made);
/// The items on the sheet among these, back to front: those that can become one. They all lie on the sheet of the first
/// one that is found.
std::vector<ItemPtr> combinable(const Project& project, std::span<const Id> items);
/// The items as children of a whole whose frame this puts upright in the middle of them; each stays where it is.
std::vector<ItemPtr> movedInto(Item& whole, const std::vector<ItemPtr>& items);
/// Combinable items replaced by one, in the place of the frontmost. It gets a fresh id, which `made` receives.
Project withOneInstead(const Project& project, const std::vector<ItemPtr>& items, Item whole, Id& made);
/// The items in front of, or behind, all others of their sheets; their own order stays.
Project broughtToFront(const Project& project, std::span<const Id> items);
Project sentToBack(const Project& project, std::span<const Id> items);

/// A copy with fresh ids for itself and all inside it, taken from `nextId`. Words in it that follow something else in
/// it follow its copy, and nothing where that stays behind.
Item freshCopy(const Item& item, Id& nextId);
/// Copies of several items, between which words may follow others.
std::vector<Item> freshCopies(std::span<const ItemPtr> items, Id& nextId);
/// Copies of items (in the space of the sheet), with fresh ids and names, on top of a sheet, shifted. `copies` receives
/// their ids.
Project withCopiesOnTop(const Project& project, Id sheet, std::span<const ItemPtr> items, Point shift,
                        std::vector<Id>& copies);

}  // namespace widecut
