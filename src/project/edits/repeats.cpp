#include "project/edits/repeats.h"

#include <algorithm>

#include "geometry/along.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/children.h"
#include "project/forms/repeat.h"
#include "project/framing.h"
#include "project/names.h"
#include "project/resolve.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

using RepeatChange = std::function<void(Repeat& repeat)>;

Project withRepeat(const Project& project, Id id, const RepeatChange& change) {
  return withItem(project, id, [&](const Item& item) {
    Item out = item;
    if (const Repeat* before = repeatOf(item)) {
      Repeat repeat = *before;
      change(repeat);
      out.form = std::make_shared<const Repeat>(std::move(repeat));
    }
    return out;
  });
}

/// The items, and where they are: a single one inside another item stays there.
std::vector<ItemPtr> repeatable(const Project& project, std::span<const Id> ids) {
  auto items = combinable(project, ids);
  if (items.empty() && ids.size() == 1)
    if (ItemPtr inside = findItem(project, ids.front())) items.push_back(std::move(inside));
  return items;
}

Project withWhole(const Project& project, const std::vector<ItemPtr>& items, Item whole, Id& made) {
  if (chainTo(project, items.front()->id).size() == 1) return withOneInstead(project, items, std::move(whole), made);
  std::vector<Id> fresh;
  Project next = withReplaced(project, items.front()->id, {std::move(whole)}, Formula::part(0), fresh);
  made = fresh.empty() ? 0 : fresh.front();
  return next;
}

double startAngle(const Trail& trail) {
  const Point way = Along(trail.line).at(0).direction;
  return std::atan2(way.y, way.x);
}

/// The first copy turned about its middle, and what single copies show along with it.
void turnItems(Repeat& repeat, double angle) {
  if (angle == 0) return;
  const Affine map = Affine::turn(angle).about(firstBox(repeat).centre());
  for (OwnLook& look : repeat.looks)
    for (const ItemPtr& item : shownIn(repeat, look.copy))
      if (item->id == look.item) look.style = mapped(*item, map).style;
  repeat.items = allMapped(repeat.items, map);
}

/// The repeat on this line, which lies in its parent's space.
Item onLine(const Item& whole, const Contour& line) {
  Item out = whole;
  Repeat repeat = *repeatOf(whole);
  const Affine back = *whole.toParent().inverse();
  Trail trail = usualTrail(transformed(Outline{{line}}, back).contours.front());
  double before = 0;
  if (const auto* old = std::get_if<Trail>(&repeat.pattern)) {
    before = old->turning ? startAngle(*old) : 0;
    const Contour taken = std::move(trail.line);
    trail = *old;
    trail.line = taken;
  }
  const Point by = firstBox(repeat).centre() - Along(trail.line).at(0).at;
  out.position = out.position - whole.toParent().vector(by);
  trail.line = transformed(Outline{{trail.line}}, Affine::move(by)).contours.front();
  turnItems(repeat, (trail.turning ? startAngle(trail) : 0) - before);
  repeat.pattern = std::move(trail);
  out.form = std::make_shared<const Repeat>(std::move(repeat));
  return out;
}

Contour inParentOf(const Project& project, Id item, const Contour& onSheet) {
  const Affine back = parentToSheet(project, item).inverse().value_or(Affine{});
  return transformed(Outline{{onSheet}}, back).contours.front();
}

/// The item with what the whole's own style paints behind and over all copies, where it has nothing of its own. `map`
/// leads from its frame to that of the whole.
void takeLook(Item& item, const Item& whole, const Affine& map) {
  Style& style = changeable(item);
  style.opacity *= whole.style->opacity;
  const bool isFilled = std::any_of(style.fills.begin(), style.fills.end(), [](const Fill& f) { return f.shown; });
  if (!isFilled)
    for (Fill fill : whole.style->fills) {
      if (const auto shown = photoIn(whole, fill)) {
        const Affine pixels = *map.inverse() * shown->pixelsToFrame;
        const Medium& m = *shown->medium;
        fill.paint = Picture{shown->medium, framingOf(pixels, m.width, m.height, shown->habits), shown->adjustments, 0,
                             shown->playing};
      }
      style.fills.push_back(std::move(fill));
    }
  if (style.lines.empty()) style.lines = whole.style->lines;
}

}  // namespace

Project repeated(const Project& project, std::span<const Id> ids, const Pattern& pattern, Id& made) {
  const auto items = repeatable(project, ids);
  if (items.empty()) return project;
  Item whole;
  whole.name = kindOf(pattern).name;
  whole.form = std::make_shared<const Repeat>(Repeat{movedInto(whole, items), pattern});
  return withWhole(project, items, std::move(whole), made);
}

Project repeatedAlong(const Project& project, std::span<const Id> ids, const Contour& line, Id& made) {
  const auto items = repeatable(project, ids);
  if (items.empty()) return project;
  const Contour inParent = inParentOf(project, items.front()->id, line);
  const Repeat* known = items.size() == 1 ? repeatOf(*items.front()) : nullptr;
  if (known && std::holds_alternative<Trail>(known->pattern)) {
    made = items.front()->id;
    return withItem(project, made, [&](const Item& item) { return onLine(item, inParent); });
  }
  Item whole;
  whole.form = std::make_shared<const Repeat>(Repeat{movedInto(whole, items), Row{}});
  whole = onLine(whole, inParent);
  whole.name = kindOf(repeatOf(whole)->pattern).name;
  return withWhole(project, items, std::move(whole), made);
}

Project withPattern(const Project& project, Id id, const Pattern& pattern) {
  return withRepeat(project, id, [&](Repeat& repeat) {
    const auto* before = std::get_if<Trail>(&repeat.pattern);
    const auto* after = std::get_if<Trail>(&pattern);
    if (before && after && before->turning != after->turning)
      turnItems(repeat, after->turning ? startAngle(*after) : -startAngle(*before));
    repeat.pattern = pattern;
    const auto count = static_cast<int>(std::min<std::size_t>(countOf(pattern), 1'000'000));
    std::erase_if(repeat.leftOut, [&](int copy) { return copy >= count; });
    std::erase_if(repeat.looks, [&](const OwnLook& look) { return look.copy >= count; });
  });
}

Project withLeftOut(const Project& project, Id id, int copy, bool isOut) {
  return withRepeat(project, id, [&](Repeat& repeat) {
    if (copy < 0 || static_cast<std::size_t>(copy) >= countOf(repeat.pattern)) return;
    const auto at = std::lower_bound(repeat.leftOut.begin(), repeat.leftOut.end(), copy);
    const bool was = at != repeat.leftOut.end() && *at == copy;
    if (isOut && !was) repeat.leftOut.insert(at, copy);
    if (!isOut && was) repeat.leftOut.erase(at);
  });
}

Project withOwnLook(const Project& project, Id id, int copy, Id item, const Style& style) {
  return withRepeat(project, id, [&](Repeat& repeat) {
    const bool isThere =
        std::any_of(repeat.items.begin(), repeat.items.end(), [&](const ItemPtr& one) { return one->id == item; });
    if (!isThere || copy < 0 || static_cast<std::size_t>(copy) >= countOf(repeat.pattern)) return;
    std::erase_if(repeat.looks, [&](const OwnLook& look) { return look.copy == copy && look.item == item; });
    const auto after =
        std::find_if(repeat.looks.begin(), repeat.looks.end(), [&](const OwnLook& look) { return look.copy > copy; });
    repeat.looks.insert(after, {copy, item, std::make_shared<const Style>(style)});
  });
}

Project withoutOwnLook(const Project& project, Id id, int copy) {
  return withRepeat(project, id, [&](Repeat& repeat) {
    std::erase_if(repeat.looks, [&](const OwnLook& look) { return look.copy == copy; });
  });
}

Project withLookForAll(const Project& project, Id id, int copy) {
  return withRepeat(project, id, [&](Repeat& repeat) {
    repeat.items = shownIn(repeat, copy);
    repeat.looks.clear();
  });
}

Project withCopiesFreed(const Project& project, Id id, std::vector<Id>& made) {
  const ItemPtr whole = findItem(project, id);
  const Repeat* repeat = whole ? repeatOf(*whole) : nullptr;
  if (!repeat) return project;
  Project next = project;
  std::vector<Item> freed;
  bool isFirst = true;
  UniqueNames names(*sheetOf(project, id));
  for (const ItemPtr& item : repeat->items) names.take(item->name);
  const auto copies = copiesOf(*repeat);
  for (const Copy& copy : copies) {
    for (const ItemPtr& item : shownIn(*repeat, copy.number)) {
      Item one = isFirst ? *item : freshCopy(*item, next.nextId);
      if (!isFirst) one.name = names.take(item->name);
      one = mapped(one, copy.place);
      if (!(*whole->style == *bareStyle())) takeLook(one, *whole, one.toParent());
      one = mapped(one, whole->toParent());
      one.hidden = item->hidden || whole->hidden;
      one.locked = item->locked || whole->locked;
      made.push_back(one.id);
      freed.push_back(std::move(one));
    }
    isFirst = false;
  }
  if (freed.empty()) return project;
  std::vector<Id> none;
  const auto all = Formula::chain(static_cast<int>(freed.size()), Role::Add);
  return withReplaced(next, id, std::move(freed), all, none);
}

}  // namespace widecut
