// Edits: functions from a project to the next one. What an edit names but the project lacks is passed over.
#pragma once

#include <functional>
#include <span>

#include "project/model.h"

namespace widecut {

using ItemChange = std::function<Item(const Item&)>;

/// The project with one item (a part included) replaced by change(item).
Project withItem(const Project& project, Id item, const ItemChange& change);
/// The same for several items, in one pass over the project.
Project withEach(const Project& project, std::span<const Id> items, const ItemChange& change);
/// The project with one sheet replaced by change(sheet).
Project withSheet(const Project& project, Id sheet, const std::function<Sheet(const Sheet&)>& change);
/// The items on top of all others of the sheet, in the order given. Ids of 0 are filled in.
Project withItemsOnTop(const Project& project, Id sheet, std::vector<Item> items);
/// Without these items. A part leaves its recipe; a cutout left without parts goes too.
Project withoutItems(const Project& project, std::span<const Id> items);
/// The items in front of, or behind, all others of their sheets; their own order stays.
Project broughtToFront(const Project& project, std::span<const Id> items);
Project sentToBack(const Project& project, std::span<const Id> items);

/// A copy with fresh ids for itself and its parts, taken from `nextId`.
Item freshCopy(const Item& item, Id& nextId);
/// Copies of the items on top of them, shifted. `copies` receives their ids.
Project withCopies(const Project& project, std::span<const Id> items, Point shift, std::vector<Id>& copies);

/// The item after a map of its parent's space. Turns and shifts move the frame; what remains reshapes the
/// outline (or the parts), and pictures are fitted anew without stretching.
Item mapped(const Item& item, const Affine& map, const Media& media);
/// The same for several items of a project, by a map of the sheet. Parts inside cutouts too; those inside another one
/// of the items move with it.
Project withMapped(const Project& project, std::span<const Id> items, const Affine& sheetMap);
/// The item's outline brought to this width and height (frame space, > 0) with its top left corner kept.
Project withSize(const Project& project, Id item, double width, double height);

/// A medium added (or known already), and the photo put into the item: it covers the outline.
Project withMedium(const Project& project, std::shared_ptr<const Medium> medium);
Project withPhotoIn(const Project& project, Id item, const std::string& medium);
/// The fill colour of the items, or none. A photo that shows, of the item's own or of one of its parts, makes way.
Project withFill(const Project& project, std::span<const Id> items, std::optional<Colour> colour);
/// A new photo item: the whole picture as a frame, as large as fits `within` (sheet space), centred.
Project withPhotoItem(const Project& project, Id sheet, const std::string& medium, const Box& within, Id& made);

/// The picture of the item moved by a similarity of the sheet. It goes on covering its frame. When a cutout shows
/// a part's photo, that part moves.
Project withReframing(const Project& project, Id item, const Affine& sheetMap);

}  // namespace widecut
