#include "project/lookup.h"
#include "project/budgets.h"

#include <algorithm>
#include <mutex>

#include "project/forms/form.h"
#include "project/node_memo.h"

namespace widecut {
namespace {

/// True when both lists have the same ids in the same nesting and order.
bool areAlike(const ItemList& a, const ItemList& b) {
  bool alike = a.size() == b.size();
  eachDifference(a, b, [&](std::size_t i) {
    alike =
        alike && a[i]->id == b[i]->id && (a[i]->form == b[i]->form || areAlike(childrenOf(*a[i]), childrenOf(*b[i])));
  });
  return alike;
}

/// The newest index of each sheet, to be taken over by the next state of the sheet.
class NewestIndexes {
 public:
  std::shared_ptr<const SheetIndex> takenOver(const SheetPtr& sheet) {
    const std::lock_guard lock(mutex_);
    const auto found = newest_.find(sheet->id);
    if (found == newest_.end()) return nullptr;
    Newest& newest = found->second;
    for (const std::weak_ptr<const Sheet>& one : {newest.last, newest.first})
      if (const SheetPtr before = one.lock(); before && areAlike(before->items, sheet->items)) {
        newest.last = sheet;
        return newest.index;
      }
    return nullptr;
  }
  void keep(const SheetPtr& sheet, std::shared_ptr<const SheetIndex> index) {
    const std::lock_guard lock(mutex_);
    if (newest_.size() > 2 * limitOfSheets) newest_.clear();
    newest_[sheet->id] = {sheet, sheet, std::move(index)};
  }

 private:
  static constexpr std::size_t limitOfSheets = 10'000;
  struct Newest {
    std::weak_ptr<const Sheet> first,
        last;  ///< What is tried comes and goes; the first one stays as long as undo does.
    std::shared_ptr<const SheetIndex> index;
  };
  std::mutex mutex_;
  std::unordered_map<Id, Newest> newest_;
};

/// The sheet with the item, and the way to it there.
struct Place {
  SheetPtr sheet;
  std::shared_ptr<const SheetIndex> index;
  const Path* path = nullptr;
};
Place placeOf(const Project& project, Id item) {
  // Questions come in runs about one sheet: it is looked at first.
  static thread_local Id lastSheet = 0;
  const auto on = [&](const SheetPtr& sheet) -> Place {
    auto index = SheetIndex::of(sheet);
    const Path* path = index->find(item);
    if (!path) return {};
    lastSheet = sheet->id;
    return {sheet, std::move(index), path};
  };
  const SheetPtr last = findSheet(project, lastSheet);
  if (last)
    if (Place place = on(last); place.path) return place;
  for (const PiecePtr& piece : project.pieces)
    for (const SheetPtr& sheet : piece->sheets)
      if (sheet != last)
        if (Place place = on(sheet); place.path) return place;
  return {};
}

}  // namespace

std::size_t SheetIndex::bytesIn(const SheetIndex& index) {
  constexpr std::size_t forOne = 120;  // an id, the way to it, and what a table takes
  return index.paths_.size() * forOne;
}

std::shared_ptr<const SheetIndex> SheetIndex::of(const SheetPtr& sheet) {
  static NodeMemo<SheetIndex> memo("indexes", budgets::smallMemoBytes, bytesIn);
  static NewestIndexes newest;
  if (auto known = memo.find({sheet})) return known;
  auto index = newest.takenOver(sheet);
  if (!index) {
    auto made = std::make_shared<SheetIndex>();
    Path path;
    made->add(sheet->items, path);
    index = std::move(made);
    newest.keep(sheet, index);
  }
  memo.keep({sheet}, index);
  return index;
}

const Path* SheetIndex::find(Id item) const {
  const auto found = paths_.find(item);
  return found == paths_.end() ? nullptr : &found->second;
}

std::vector<ItemPtr> SheetIndex::along(const Sheet& sheet, const Path& path) {
  std::vector<ItemPtr> chain;
  chain.reserve(path.size());
  const ItemList* items = &sheet.items;
  for (const std::uint32_t place : path) {
    chain.push_back((*items)[place]);
    items = &childrenOf(*chain.back());
  }
  return chain;
}

void SheetIndex::add(const ItemList& items, Path& path) {
  path.push_back(0);
  for (const ItemPtr& item : items) {
    paths_.try_emplace(item->id, path);
    add(childrenOf(*item), path);
    ++path.back();
  }
  path.pop_back();
}

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
  const Place place = placeOf(project, item);
  return place.path ? SheetIndex::along(*place.sheet, *place.path) : std::vector<ItemPtr>{};
}

ItemPtr findItem(const Project& project, Id item) {
  const auto chain = chainTo(project, item);
  return chain.empty() ? nullptr : chain.back();
}

SheetPtr sheetOf(const Project& project, Id item) { return placeOf(project, item).sheet; }

std::vector<Id> outermost(const Project& project, std::span<const Id> items) {
  const IdSet wanted(items.begin(), items.end());
  std::vector<Id> out;
  for (const Id id : items) {
    const Place place = placeOf(project, id);
    if (!place.path) continue;
    const auto chain = place.path->size() > 1 ? SheetIndex::along(*place.sheet, *place.path) : std::vector<ItemPtr>{};
    const bool isInside = !chain.empty() && std::any_of(chain.begin(), chain.end() - 1,
                                                        [&](const ItemPtr& one) { return wanted.contains(one->id); });
    if (!isInside) out.push_back(id);
  }
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
