#include "project/model.h"

#include <charconv>

namespace widecut {
namespace {

bool findIn(const std::vector<ItemPtr>& items, Id id, std::vector<ItemPtr>& chain) {
  for (const ItemPtr& item : items) {
    chain.push_back(item);
    if (item->id == id) return true;
    if (const Recipe* recipe = item->recipe(); recipe && findIn(recipe->parts, id, chain)) return true;
    chain.pop_back();
  }
  return false;
}

}  // namespace

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
  for (const SheetPtr& sheet : sheetsOf(project))
    if (sheet->id == id) return sheet;
  return nullptr;
}

std::vector<ItemPtr> chainTo(const Project& project, Id item) {
  std::vector<ItemPtr> chain;
  for (const SheetPtr& sheet : sheetsOf(project))
    if (findIn(sheet->items, item, chain)) break;
  return chain;
}

ItemPtr findItem(const Project& project, Id item) {
  const auto chain = chainTo(project, item);
  return chain.empty() ? nullptr : chain.back();
}

SheetPtr sheetOf(const Project& project, Id item) {
  std::vector<ItemPtr> chain;
  for (const SheetPtr& sheet : sheetsOf(project))
    if (findIn(sheet->items, item, chain)) return sheet;
  return nullptr;
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
