#include "project/edits/words_clear.h"

#include <algorithm>

#include "cutting/offset.h"
#include "project/budgets.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/node_memo.h"
#include "project/resolve.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// The outline of an item with the margin that words keep off it, in its frame space.
std::shared_ptr<const Outline> clearedOutline(const Item& item) {
  static NodeMemo<Outline, 2> memo("outlines with margins", budgets::smallMemoBytes, storedBytes);
  const NodeMemo<Outline, 2>::Nodes nodes{nodeOf(item.form), item.clear};
  if (auto known = memo.find(nodes)) return known;
  // What is too much to be cut is kept clear of as a whole.
  const Outline shape = isCrowd(item) ? fitted(rectangleOutline(1, 1), boxInFrame(item)) : resolved(item)->outline;
  Outline closed, open;
  for (const Contour& contour : shape.contours) (contour.closed ? closed : open).contours.push_back(contour);
  const double margin = item.clear->margin;
  auto made = std::make_shared<Outline>(closed);
  if (margin > 0 && !closed.isEmpty())
    if (auto grown = offset({closed}, margin, Join::Round)) *made = std::move(*grown);
  if (!open.isEmpty()) {
    constexpr double leastLine = 0.1;  // points
    LineShape line;
    line.width = std::max(2 * margin, leastLine);
    line.join = Join::Round;
    line.cap = Cap::Round;
    if (auto drawn = lineOutline({open}, line))
      made->contours.insert(made->contours.end(), drawn->contours.begin(), drawn->contours.end());
  }
  memo.keep(nodes, made);
  return made;
}

std::vector<KeptClear> clearIn(const Project& project, Id frame, std::span<const Id> items) {
  std::vector<KeptClear> out;
  const auto chain = chainTo(project, frame);
  if (chain.empty()) return out;
  const Words::Content& content = wordsOf(*chain.back())->content();
  const auto back = (frameToSheet(project, frame) * content.stretch).inverse();
  if (!back) return out;
  const Box own{{0, 0}, {content.frame->width, content.frame->height}};
  for (const Id id : items) {
    const auto isIn = [&](const ItemPtr& item) { return item->id == id; };
    if (id == content.on || std::any_of(chain.begin(), chain.end(), isIn)) continue;
    const ItemPtr item = findItem(project, id);
    if (!item || !item->clear) continue;
    const Affine place = *back * frameToSheet(project, id);
    const auto outline = clearedOutline(*item);
    if (outline->isEmpty() || !place(bounds(*outline)).touches(own)) continue;
    out.push_back({outline, place, item->clear->side});
  }
  return out;
}

}  // namespace

Project withKeptClear(const Project& project, std::span<const Id> items, const std::optional<KeepClear>& clear) {
  return withEach(project, items, [&](const Item& item) {
    if (clear ? item.clear && *item.clear == *clear : !item.clear) return item;
    Item out = item;
    out.clear = nullptr;
    if (clear) out.clear = std::make_shared<const KeepClear>(*clear);
    return out;
  });
}

Project withFramesKeptClear(const Project& project, std::span<const Id> frames, std::span<const Id> items) {
  std::map<Id, std::vector<KeptClear>> changed;
  std::vector<Id> ids;
  for (const Id id : frames) {
    const ItemPtr item = findItem(project, id);
    const Words* words = item ? wordsOf(*item) : nullptr;
    if (!words || !words->content().frame) continue;
    auto clear = clearIn(project, id, items);
    if (clear == words->content().frame->clear) continue;
    changed[id] = std::move(clear);
    ids.push_back(id);
  }
  if (ids.empty()) return project;
  return withEach(project, ids, [&](const Item& item) {
    Words::Content content = wordsOf(item)->content();
    content.frame->clear = changed.at(item.id);
    return withWords(item, std::move(content));
  });
}

}  // namespace widecut
