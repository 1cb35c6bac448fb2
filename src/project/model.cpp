#include "project/model.h"

#include <algorithm>
#include <charconv>
#include <unordered_map>

#include "project/node_memo.h"

namespace widecut {
namespace {

/// Where each item of a sheet is, parts included.
struct SheetIndex {
  struct Entry {
    ItemPtr item;
    Id parent = 0;  ///< 0 for items that lie on the sheet itself.
  };
  std::unordered_map<Id, Entry> entries;

  void add(const std::vector<ItemPtr>& items, Id parent) {
    for (const ItemPtr& item : items) {
      entries.try_emplace(item->id, Entry{item, parent});
      if (const Recipe* recipe = item->recipe()) add(recipe->parts, item->id);
    }
  }
};

std::shared_ptr<const SheetIndex> indexOf(const SheetPtr& sheet) {
  static NodeMemo<SheetIndex> memo;
  if (auto known = memo.find(sheet)) return known;
  auto index = std::make_shared<SheetIndex>();
  index->add(sheet->items, 0);
  memo.keep(sheet, index);
  return index;
}

/// The sheet with the item, and its index.
std::pair<SheetPtr, std::shared_ptr<const SheetIndex>> placeOf(const Project& project, Id item) {
  for (const PiecePtr& piece : project.pieces)
    for (const SheetPtr& sheet : piece->sheets)
      if (auto index = indexOf(sheet); index->entries.contains(item)) return {sheet, std::move(index)};
  return {};
}

template <class Node, class Same>
bool areSame(const std::vector<std::shared_ptr<const Node>>& a, const std::vector<std::shared_ptr<const Node>>& b,
             const Same& same) {
  if (a.size() != b.size()) return false;
  for (std::size_t i = 0; i < a.size(); ++i)
    if (a[i] != b[i] && !same(*a[i], *b[i])) return false;
  return true;
}

bool areSameItems(const std::vector<ItemPtr>& a, const std::vector<ItemPtr>& b) {
  return areSame(a, b, [](const Item& x, const Item& y) { return isSame(x, y); });
}

bool areSameForms(const Item& a, const Item& b) {
  if (a.form == b.form) return true;
  const Recipe *x = a.recipe(), *y = b.recipe();
  if (!x != !y) return false;
  if (x)
    return areSameItems(x->parts, y->parts) && x->formula == y->formula && x->photoFrom == y->photoFrom &&
           x->extra == y->extra;
  return *std::get<std::shared_ptr<const Outline>>(a.form) == *std::get<std::shared_ptr<const Outline>>(b.form);
}

bool areSameSheets(const Sheet& a, const Sheet& b) {
  return a.id == b.id && a.name == b.name && a.width == b.width && a.height == b.height && a.bleed == b.bleed &&
         a.folds == b.folds && a.paper == b.paper && a.extra == b.extra && areSameItems(a.items, b.items);
}

bool areSamePieces(const Piece& a, const Piece& b) {
  return a.id == b.id && a.name == b.name && a.extra == b.extra && areSame(a.sheets, b.sheets, areSameSheets);
}

void gatherMedia(const std::vector<ItemPtr>& items, const Media& all, Media& used) {
  for (const ItemPtr& item : items) {
    if (item->style.photo)
      if (const auto medium = all.find(item->style.photo->medium); medium != all.end()) used.insert(*medium);
    if (const Recipe* recipe = item->recipe()) gatherMedia(recipe->parts, all, used);
  }
}

void gatherOutermost(const std::vector<ItemPtr>& items, const IdSet& wanted, IdSet& found) {
  for (const ItemPtr& item : items) {
    if (wanted.contains(item->id))
      found.insert(item->id);
    else if (const Recipe* recipe = item->recipe())
      gatherOutermost(recipe->parts, wanted, found);
  }
}

}  // namespace

bool isSame(const Item& a, const Item& b) {
  return a.id == b.id && a.name == b.name && a.position == b.position && a.turn == b.turn && a.style == b.style &&
         a.hidden == b.hidden && a.extra == b.extra && areSameForms(a, b);
}

bool isSame(const Project& a, const Project& b) {
  const auto sameFiles = [](const auto& x, const auto& y) {
    return x.first == y.first && (x.second == y.second || *x.second == *y.second);
  };
  return a.name == b.name && a.extra == b.extra && areSame(a.pieces, b.pieces, areSamePieces) &&
         std::equal(a.media.begin(), a.media.end(), b.media.begin(), b.media.end(),
                    [](const auto& x, const auto& y) { return x.first == y.first; }) &&
         std::equal(a.otherFiles.begin(), a.otherFiles.end(), b.otherFiles.begin(), b.otherFiles.end(), sameFiles);
}

Media mediaInUse(const Project& project) {
  Media used;
  for (const SheetPtr& sheet : sheetsOf(project)) gatherMedia(sheet->items, project.media, used);
  return used;
}

std::optional<Colour> parseColour(std::string_view text) {
  if ((text.size() != 7 && text.size() != 9) || text[0] != '#') return std::nullopt;
  std::uint8_t v[4] = {0, 0, 0, 255};
  for (std::size_t i = 0; 2 * i + 2 < text.size(); ++i) {
    const char* from = text.data() + 1 + 2 * i;
    if (std::from_chars(from, from + 2, v[i], 16).ptr != from + 2) return std::nullopt;
  }
  return Colour{v[0], v[1], v[2], v[3]};
}

std::string colourText(Colour c) {
  static constexpr char hex[] = "0123456789abcdef";
  std::string text = "#";
  const auto add = [&](std::uint8_t v) {
    text += hex[v >> 4];
    text += hex[v & 15];
  };
  add(c.red);
  add(c.green);
  add(c.blue);
  if (c.alpha != 255) add(c.alpha);
  return text;
}

Item plainItem(Id id, std::string name, const Outline& outline, Style style) {
  const Box box = bounds(outline);
  Item item;
  item.id = id;
  item.name = std::move(name);
  item.position = box.isEmpty() ? Point{} : box.centre();
  item.form = std::make_shared<const Outline>(transformed(outline, Affine::move(-item.position)));
  item.style = std::move(style);
  return item;
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
