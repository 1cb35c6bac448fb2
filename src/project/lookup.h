// Finding items, sheets and places by their ids.
#pragma once

#include <algorithm>
#include <span>
#include <unordered_map>
#include <unordered_set>

#include "project/model.h"

namespace widecut {

/// Ids to look up in.
using IdSet = std::unordered_set<Id>;

/// The way from a sheet's list of items to one of them: its number there, then its number in that item, and so on.
using Path = std::vector<std::uint32_t>;

/// Where the items of a sheet are. It holds no items, so it holds for every sheet that has the same ids in the same
/// order: moving and colouring items leave it as it is.
class SheetIndex {
 public:
  /// The index of a sheet, from the memo or, where only the items' own contents changed, that of the sheet before.
  static std::shared_ptr<const SheetIndex> of(const SheetPtr& sheet);

  /// The way to an item; null when it is not on the sheet.
  const Path* find(Id item) const;
  /// From the sheet's item inwards to the item itself.
  static std::vector<ItemPtr> along(const Sheet& sheet, const Path& path);

 private:
  static std::size_t bytesIn(const SheetIndex& index);
  void add(const ItemList& items, Path& path);
  std::unordered_map<Id, Path> paths_;
};

/// True when the id is among these.
inline bool contains(std::span<const Id> ids, Id id) { return std::find(ids.begin(), ids.end(), id) != ids.end(); }

/// All sheets in order, over all pieces.
std::vector<SheetPtr> sheetsOf(const Project& project);
/// The sheet with this id; null when there is none.
SheetPtr findSheet(const Project& project, Id sheet);
/// The item with this id, those inside others included; null when there is none.
ItemPtr findItem(const Project& project, Id item);
/// From the sheet's items inwards to the item itself; empty when there is none.
std::vector<ItemPtr> chainTo(const Project& project, Id item);
/// The sheet an item is on; null when there is none.
SheetPtr sheetOf(const Project& project, Id item);
/// Those of the items that are not inside others of them, in the same order: what a change of all of them acts on.
std::vector<Id> outermost(const Project& project, std::span<const Id> items);
/// From the parent of the item to the sheet. Inside a repeat, that of the first copy.
Affine parentToSheet(const Project& project, Id item);
/// From the frame of the item to the sheet.
Affine frameToSheet(const Project& project, Id item);

}  // namespace widecut
