#include "project/forms/repeat.h"

#include <algorithm>

#include "project/forms/children.h"
#include "project/forms/group.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The item with this id; null when there is none.
ItemPtr childWith(const ItemList& items, Id id) {
  const auto found = std::find_if(items.begin(), items.end(), [&](const ItemPtr& item) { return item->id == id; });
  return found == items.end() ? nullptr : *found;
}

bool isEachWithin(const Each& each, int count) {
  const double grown = std::pow(1 + each.growth, count);
  return isTurn(each.turn) && isTurn(each.turn * count) && each.growth > -1 && grown > 0 && grown < limits::mostLength;
}

bool isWithin(const Row& row) {
  return row.count >= 1 && isPlace(row.step) && isPlace(row.step * row.count) && isEachWithin(row.each, row.count);
}
bool isWithin(const Grid& grid) {
  return grid.columns >= 1 && grid.rows >= 1 && std::abs(grid.shift) <= limits::mostShift &&
         isPlace(grid.across * (grid.columns + std::abs(grid.shift))) && isPlace(grid.down * grid.rows) &&
         isPlace(grid.across) && isPlace(grid.down);
}
bool isWithin(const Ring& ring) {
  return ring.count >= 1 && isPlace(ring.centre) && isTurn(ring.sweep) && isEachWithin(ring.each, ring.count);
}
bool isWithin(const Trail& trail) {
  const Outline line{{trail.line}};
  if (!isFinite(line) || trail.count < 1 || !(trail.pitch >= 0 && trail.pitch <= limits::mostLength)) return false;
  const Box box = bounds(line);
  return isPlace(box.low) && isPlace(box.high) && isEachWithin(trail.each, trail.count);
}
bool isWithin(const Mirrored& mirrored) {
  return mirrored.axes >= 1 && isPlace(mirrored.centre) && isTurn(mirrored.angle);
}

/// Whether the map turns outlines round.
bool mirrors(const Affine& map) { return map.determinant() < 0; }

Contour reversed(const Contour& contour) {
  Contour out{contour.segments.empty() ? contour.start : contour.segments.back().end, {}, contour.closed};
  for (std::size_t i = contour.segments.size(); i-- > 0;) {
    Segment segment = contour.segments[i];
    segment.end = i == 0 ? contour.start : contour.segments[i - 1].end;
    if (segment.kind == SegmentKind::Cubic) std::swap(segment.handle1, segment.handle2);
    out.segments.push_back(segment);
  }
  return out;
}

}  // namespace

std::optional<Form> withChildren(const Repeat& repeat, ItemList items) {
  Repeat changed = repeat;
  // Looks go where their items go.
  std::erase_if(changed.looks, [&](OwnLook& look) {
    for (std::size_t i = 0; i < repeat.items.size(); ++i)
      if (repeat.items[i]->id == look.item && i < items.size() && items[i]) {
        look.item = items[i]->id;
        return false;
      }
    return true;
  });
  changed.items = items.withoutGaps();
  if (changed.items.empty()) return std::nullopt;
  return std::make_shared<const Repeat>(std::move(changed));
}

Form withChildReplaced(const Repeat& repeat, std::size_t item, const ItemList& items, const Formula&) {
  Repeat changed = repeat;
  changed.items = replacedIn(repeat.items, item, items);
  std::erase_if(changed.looks, [&](const OwnLook& look) { return !childWith(changed.items, look.item); });
  return std::make_shared<const Repeat>(std::move(changed));
}

Box firstBox(const Repeat& repeat) {
  Box box, hidden;
  for (const ItemPtr& item : repeat.items) (item->hidden ? hidden : box).add(boxInParent(*item));
  return box.isEmpty() ? hidden : box;
}

std::vector<Affine> allPlacesOf(const Repeat& repeat) {
  const Box box = firstBox(repeat);
  return placesOf(repeat.pattern, box.isEmpty() ? Point{} : box.centre());
}

std::vector<Copy> copiesOf(const Repeat& repeat) {
  const auto all = allPlacesOf(repeat);
  std::vector<Copy> shown;
  shown.reserve(all.size());
  for (std::size_t i = 0; i < all.size(); ++i)
    if (const int number = static_cast<int>(i);
        !std::binary_search(repeat.leftOut.begin(), repeat.leftOut.end(), number))
      shown.push_back({number, all[i]});
  return shown;
}

ItemList shownIn(const Repeat& repeat, int copy) {
  ItemList shown = repeat.items;
  for (const OwnLook& look : repeat.looks) {
    if (look.copy != copy) continue;
    for (std::size_t i = 0; i < shown.size(); ++i) {
      if (shown[i]->id != look.item) continue;
      Item own = *shown[i];
      own.style = look.style;
      shown.set(i, std::make_shared<const Item>(std::move(own)));
    }
  }
  return shown;
}

std::vector<StylePtr> ownLooks(const Repeat& repeat) {
  std::vector<StylePtr> styles;
  styles.reserve(repeat.looks.size());
  for (const OwnLook& look : repeat.looks) styles.push_back(look.style);
  return styles;
}

Form mapped(const Repeat& repeat, const Affine& linear) {
  Repeat changed = repeat;
  changed.pattern = mapped(repeat.pattern, linear);
  changed.items = allMapped(repeat.items, linear);
  // Pictures of their own are mapped as those of their items are.
  for (OwnLook& look : changed.looks)
    if (const ItemPtr item = childWith(shownIn(repeat, look.copy), look.item)) look.style = mapped(*item, linear).style;
  return std::make_shared<const Repeat>(std::move(changed));
}

std::string whatIsBeyond(const Repeat& repeat) {
  if (!std::visit([](const auto& pattern) { return isWithin(pattern); }, repeat.pattern)) return "would reach too far";
  return countOf(repeat.pattern) <= limits::mostCopies ? "" : "would have more than 10000 copies";
}

bool isSameRule(const Repeat& a, const Repeat& b) {
  return a.pattern == b.pattern && a.leftOut == b.leftOut && a.extra == b.extra &&
         std::equal(a.looks.begin(), a.looks.end(), b.looks.begin(), b.looks.end(),
                    [](const OwnLook& x, const OwnLook& y) {
                      return x.copy == y.copy && x.item == y.item && (x.style == y.style || *x.style == *y.style);
                    });
}

std::optional<Formula> flatten(const Repeat& repeat, const Affine& frame, Flat& flat) {
  Flat inside;
  const auto all = flattenAll(repeat.items, {}, inside);
  const auto map = all ? PlanarMap::of(inside.operands) : tl::unexpected(Problem{});
  if (!map) return std::nullopt;
  // The map's outlines run clockwise and their holes the other way, so that copies that overlap only cover more.
  const Outline one = map->where(*all);
  Outline together;
  for (const Copy& copy : copiesOf(repeat)) {
    Outline placed = transformed(one, frame * copy.place);
    const bool turnsRound = mirrors(copy.place);
    for (Contour& contour : placed.contours)
      together.contours.push_back(turnsRound ? reversed(contour) : std::move(contour));
  }
  if (together.isEmpty()) return std::nullopt;
  return flat.add(std::move(together));
}

}  // namespace widecut
