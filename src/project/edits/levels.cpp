#include "project/edits/levels.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstdio>

#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/names.h"
#include "project/resolve.h"
#include "project/usual_colours.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

std::string_view trimmedText(std::string_view text) {
  const auto isSpace = [](char c) { return c == ' ' || c == '\r' || c == '"'; };
  while (!text.empty() && isSpace(text.front())) text.remove_prefix(1);
  while (!text.empty() && isSpace(text.back())) text.remove_suffix(1);
  return text;
}

std::vector<std::string_view> split(std::string_view text, std::string_view separators) {
  std::vector<std::string_view> out;
  while (true) {
    const auto end = text.find_first_of(separators);
    const std::string_view one = trimmedText(text.substr(0, end));
    if (!one.empty()) out.push_back(one);
    if (end == std::string_view::npos) return out;
    text.remove_prefix(end + 1);
  }
}

/// A number, with or without a per cent sign.
std::optional<double> numberFrom(std::string_view text) {
  if (text.ends_with('%')) text = trimmedText(text.substr(0, text.size() - 1));
  double value = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
  if (error != std::errc() || end != text.data() + text.size() || !std::isfinite(value)) return std::nullopt;
  return value;
}

/// Where the last per cent stands in a text, its sign included; nothing when there is none.
std::optional<std::pair<std::size_t, std::size_t>> lastPercent(const std::string& text) {
  const auto sign = text.rfind('%');
  if (sign == std::string::npos) return std::nullopt;
  std::size_t begin = sign;
  while (begin > 0 && text[begin - 1] == ' ') --begin;
  const auto isOfNumber = [](char c) { return (c >= '0' && c <= '9') || c == '.'; };
  const std::size_t end = begin;
  while (begin > 0 && isOfNumber(text[begin - 1])) --begin;
  if (begin == end) return std::nullopt;
  return std::pair{begin, sign + 1 - begin};
}

Item withShare(const Item& item, double share) {
  Item out = item;
  setLevel(changeable(out), share);
  return out;
}

Words::Content contentOf(const LevelEntry& entry, double size, Id levelOf) {
  Words::Content content;
  content.text = (entry.label.empty() ? "" : entry.label + "\n") + percentText(entry.share);
  content.style.size = size;
  content.style.leading = size * 1.2;
  content.style.align = Align::Centre;
  content.levelOf = levelOf;
  return content;
}

/// The size of letters at which every label has room below its item.
double sizeOfLabels(std::span<const LevelEntry> entries, const Box& box, double room) {
  double size = std::clamp(box.height() * 0.14, 6.0, 72.0);
  for (const LevelEntry& entry : entries) {
    const double width = bounds(*Words(contentOf(entry, size, 0)).outline()).width();
    if (width > room) size *= room / width;
  }
  return std::max(size, limits::leastTextSize);
}

/// Below the item, in its middle.
Item labelBelow(const Item& item, const LevelEntry& entry, double size, Id id, const std::string& name) {
  const Box box = boxInParent(item);
  Style look;
  setColour(look, colourOf(*item.style).value_or(usualInk));
  Item label = plainItem(id, name, {}, std::move(look));
  label.form = wordsForm(contentOf(entry, size, item.id));
  // On one line with its neighbours, whatever letters it has.
  const double top = wordsOf(label)->set().lines.front().start.y - 0.75 * size;
  label.position = Point{box.centre().x, box.high.y + 0.05 * box.height()} - Point{boxInFrame(label).centre().x, top};
  return label;
}

ItemList withLabels(const Project& project, const ItemList& items) {
  ItemList out = items;
  for (std::size_t i = 0; i < items.size(); ++i) {
    const ItemPtr& item = items[i];
    if (const Words* words = wordsOf(*item); words && words->content().levelOf != 0) {
      const ItemPtr of = findItem(project, words->content().levelOf);
      const Fill* fill = of ? levelFillOf(*of->style) : nullptr;
      const auto place = lastPercent(words->content().text);
      if (!fill || !place) continue;
      Words::Content content = words->content();
      content.text.replace(place->first, place->second, percentText(fill->level->share));
      if (content.text == words->content().text) continue;
      const Point middle = boxInFrame(*item).centre();
      Item changed = *item;
      if (item->name == nameOfWords(words->content().text)) changed.name = nameOfWords(content.text);
      changed.form = wordsForm(std::move(content));
      // Its middle stays where it was.
      const Point now = boxInFrame(changed).centre();
      changed.position = changed.toParent()(Point{middle.x - now.x, 0});
      out.set(i, std::make_shared<const Item>(std::move(changed)));
    } else if (!childrenOf(*item).empty()) {
      const ItemList children = withLabels(project, childrenOf(*item));
      if (!(children == childrenOf(*item)))
        if (auto changed = withChildren(*item, children)) out.set(i, std::make_shared<const Item>(std::move(*changed)));
    }
  }
  return out;
}

}  // namespace

void addLevel(Style& style) {
  if (std::any_of(style.fills.begin(), style.fills.end(), [](const Fill& fill) { return fill.level.has_value(); }))
    return;
  Fill fill;
  fill.paint = toneOn(colourOf(style).value_or(usualFill));
  fill.level = FillLevel{};
  style.fills.push_back(std::move(fill));
}

std::optional<std::vector<LevelEntry>> levelsFrom(const std::string& text) {
  constexpr std::size_t most = 200, mostBytes = 20000;
  if (text.size() > mostBytes) return std::nullopt;
  std::vector<LevelEntry> out;
  for (const std::string_view line : split(text, "\n")) {
    const auto cells = split(line, ",;\t");
    const bool isLabelled = cells.size() == 2 && !numberFrom(cells[0]);
    for (std::size_t i = isLabelled ? 1 : 0; i < cells.size(); ++i) {
      const auto value = numberFrom(cells[i]);
      const bool isHeader = out.empty() && line.data() == text.data();
      if (!value && isHeader) break;
      if (!value) return std::nullopt;
      out.push_back(
          {isLabelled ? cleanText(std::string(cells[0].substr(0, limits::mostNameBytes))) : std::string(), *value});
    }
  }
  if (out.size() < 2 || out.size() > most) return std::nullopt;
  const auto isShare = [](const LevelEntry& e) { return e.share <= 1; };
  const auto isBroken = [](const LevelEntry& e) { return e.share != std::floor(e.share); };
  const bool areShares = text.find('%') == std::string::npos && std::all_of(out.begin(), out.end(), isShare) &&
                         std::any_of(out.begin(), out.end(), isBroken);
  for (LevelEntry& entry : out) {
    if (!areShares) entry.share /= 100;
    if (!(entry.share >= 0 && entry.share <= 1)) return std::nullopt;
  }
  return out;
}

void setLevel(Style& style, double share) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (fill->level && fill->shown) {
      fill->level->share = share;
      return;
    }
}

std::optional<Contour> lineOf(const FillLevel& level, const Box& box) {
  if (!level.line || level.by != LevelBy::Along || box.isEmpty()) return std::nullopt;
  const Affine map{box.width(), 0, 0, box.height(), box.low.x, box.low.y};
  return transformed(Outline{{*level.line}}, map).contours.front();
}

Project withLevelAlong(const Project& project, std::span<const Id> items, const Contour& onSheet) {
  Project out = project;
  for (const Id id : items) {
    const auto back = frameToSheet(project, id).inverse();
    const ItemPtr before = findItem(project, id);
    if (!back || !before) continue;
    const Box box = resolved(*before)->box;
    if (!(box.width() > 0 && box.height() > 0)) continue;
    const Affine unit =
        Affine::scale(1 / box.width(), 1 / box.height()) * Affine::move({-box.low.x, -box.low.y}) * *back;
    const auto line = std::make_shared<const Contour>(transformed(Outline{{onSheet}}, unit).contours.front());
    out = withItem(out, id, [&](const Item& item) {
      Item changed = item;
      auto& fills = changeable(changed).fills;
      for (auto fill = fills.rbegin(); fill != fills.rend(); ++fill) {
        if (!fill->shown) continue;
        fill->level = FillLevel{LevelBy::Along, fill->level ? fill->level->share : FillLevel{}.share, line};
        break;
      }
      return changed;
    });
  }
  return out;
}

std::string percentText(double share) {
  char text[32];
  const double percent = std::round(share * 1000) / 10;
  std::snprintf(text, sizeof text, percent == std::floor(percent) ? "%.0f %%" : "%.1f %%", percent);
  return text;
}

Project withLevelRow(const Project& project, Id id, std::span<const LevelEntry> entries, std::vector<Id>& made) {
  const ItemPtr item = findItem(project, id);
  const SheetPtr on = sheetOf(project, id);
  const bool isOnSheet =
      on && std::any_of(on->items.begin(), on->items.end(), [&](const ItemPtr& one) { return one->id == id; });
  if (!isOnSheet || !levelFillOf(*item->style) || entries.empty()) return project;
  const Box box = boxInParent(*item);
  const double pitch = box.width() * 1.15;
  Project out = withItem(project, id, [&](const Item& one) { return withShare(one, entries.front().share); });
  made = {id};
  for (std::size_t i = 1; i < entries.size(); ++i) {
    std::vector<Id> copies;
    const ItemPtr copy = std::make_shared<const Item>(withShare(*item, entries[i].share));
    out = withCopiesOnTop(out, on->id, {&copy, 1}, {pitch * static_cast<double>(i), 0}, copies);
    made.insert(made.end(), copies.begin(), copies.end());
  }
  const std::vector<Id> levels = made;
  std::vector<Item> labels;
  UniqueNames names(*findSheet(out, on->id));
  const double size = sizeOfLabels(entries, box, 0.95 * pitch);
  Id next = out.nextId;
  for (std::size_t i = 0; i < levels.size(); ++i) {
    const ItemPtr one = findItem(out, levels[i]);
    labels.push_back(
        labelBelow(*one, entries[i], size, next, names.take(nameOfWords(contentOf(entries[i], size, 0).text))));
    made.push_back(next++);
  }
  return withItemsOnTop(out, on->id, std::move(labels));
}

Project withLabelsFollowing(const Project& project) {
  return withSheets(project, [&](const SheetPtr& sheet) -> SheetPtr {
    ItemList items = withLabels(project, sheet->items);
    if (items == sheet->items) return sheet;
    Sheet out = *sheet;
    out.items = std::move(items);
    return std::make_shared<const Sheet>(std::move(out));
  });
}

}  // namespace widecut
