// Finding items, sheets and places by their ids.
#include <algorithm>
#include <unordered_map>

#include "project/forms/form.h"
#include "project/model.h"
#include "project/node_memo.h"

namespace widecut {
namespace {

/// Where each item of a sheet is, those inside others included.
struct SheetIndex {
  struct Entry {
    ItemPtr item;
    Id parent = 0;  ///< 0 for items that lie on the sheet itself.
  };
  std::unordered_map<Id, Entry> entries;

  void add(const std::vector<ItemPtr>& items, Id parent) {
    for (const ItemPtr& item : items) {
      entries.try_emplace(item->id, Entry{item, parent});
      add(childrenOf(*item), item->id);
    }
  }
};

std::shared_ptr<const SheetIndex> indexOf(const SheetPtr& sheet) {
  static NodeMemo<SheetIndex> memo;
  if (auto known = memo.find({sheet})) return known;
  auto index = std::make_shared<SheetIndex>();
  index->add(sheet->items, 0);
  memo.keep({sheet}, index);
  return index;
}

/// The sheet with the item, and its index.
std::pair<SheetPtr, std::shared_ptr<const SheetIndex>> placeOf(const Project& project, Id item) {
  for (const PiecePtr& piece : project.pieces)
    for (const SheetPtr& sheet : piece->sheets)
      if (auto index = indexOf(sheet); index->entries.contains(item)) return {sheet, std::move(index)};
  return {};
}

void gatherOutermost(const std::vector<ItemPtr>& items, const IdSet& wanted, IdSet& found) {
  for (const ItemPtr& item : items) {
    if (wanted.contains(item->id))
      found.insert(item->id);
    else
      gatherOutermost(childrenOf(*item), wanted, found);
  }
}

}  // namespace

std::vector<SheetPtr> sheetsOf(const Project& project) {
  std::vector<SheetPtr> sheets;
  for (const PiecePtr& piece : project.pieces) sheets.insert(sheets.end(), piece->sheets.begin(), piece->sheets.end());
  return sheets;
}

SheetPtr findSheet(const Project& project, Id id) {
  for (const PiecePtr& piece : project.pieces)
    for (const SheetPtr& sheet : piece->sheets)
      if (sheet->id == id) return sheet;
  return nullptr;
}

std::vector<ItemPtr> chainTo(const Project& project, Id item) {
  std::vector<ItemPtr> chain;
  const auto index = placeOf(project, item).second;
  for (Id id = index ? item : 0; id != 0;) {
    const SheetIndex::Entry& entry = index->entries.at(id);
    chain.push_back(entry.item);
    id = entry.parent;
  }
  std::reverse(chain.begin(), chain.end());
  return chain;
}

ItemPtr findItem(const Project& project, Id item) {
  const auto index = placeOf(project, item).second;
  return index ? index->entries.at(item).item : nullptr;
}

SheetPtr sheetOf(const Project& project, Id item) { return placeOf(project, item).first; }

std::vector<Id> outermost(const Project& project, std::span<const Id> items) {
  const IdSet wanted(items.begin(), items.end());
  IdSet found;
  for (const SheetPtr& sheet : sheetsOf(project)) gatherOutermost(sheet->items, wanted, found);
  std::vector<Id> out;
  for (const Id id : items)
    if (found.contains(id)) out.push_back(id);
  return out;
}

Affine parentToSheet(const Project& project, Id item) {
  Affine map;
  auto chain = chainTo(project, item);
  for (std::size_t i = 0; i + 1 < chain.size(); ++i) map = map * chain[i]->toParent();
  return map;
}

Affine frameToSheet(const Project& project, Id item) {
  Affine map;
  for (const ItemPtr& link : chainTo(project, item)) map = map * link->toParent();
  return map;
}

}  // namespace widecut
