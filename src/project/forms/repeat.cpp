#include "project/forms/repeat.h"

#include <algorithm>

#include "project/forms/children.h"
#include "project/forms/group.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {

std::optional<Form> withChildren(const Repeat& repeat, ItemList items) {
  items = items.withoutGaps();
  if (items.empty()) return std::nullopt;
  Repeat changed = repeat;
  changed.items = std::move(items);
  return std::make_shared<const Repeat>(std::move(changed));
}

Form withChildReplaced(const Repeat& repeat, std::size_t item, const ItemList& items, const Formula&) {
  Repeat changed = repeat;
  changed.items = replacedIn(repeat.items, item, items);
  return std::make_shared<const Repeat>(std::move(changed));
}

std::vector<Affine> copiesOf(const Repeat& repeat) {
  Box box;
  for (const ItemPtr& item : repeat.items) box.add(boxInParent(*item));
  const auto all = placesOf(repeat.pattern, box.isEmpty() ? Point{} : box.centre());
  std::vector<Affine> shown;
  shown.reserve(all.size());
  for (std::size_t i = 0; i < all.size(); ++i)
    if (!std::binary_search(repeat.leftOut.begin(), repeat.leftOut.end(), static_cast<int>(i))) shown.push_back(all[i]);
  return shown;
}

Form mapped(const Repeat& repeat, const Affine& linear) {
  Repeat changed = repeat;
  changed.pattern = mapped(repeat.pattern, linear);
  changed.items = allMapped(repeat.items, linear);
  return std::make_shared<const Repeat>(std::move(changed));
}

std::string whatIsBeyond(const Repeat& repeat) {
  bool within = true;
  if (const auto* row = std::get_if<Row>(&repeat.pattern)) {
    within = row->count >= 1 && isPlace(row->step) && isPlace(row->step * row->count) && isTurn(row->turnEach);
  } else if (const auto* grid = std::get_if<Grid>(&repeat.pattern)) {
    within = grid->columns >= 1 && grid->rows >= 1 && std::abs(grid->shift) <= limits::mostShift &&
             isPlace(grid->across * (grid->columns + std::abs(grid->shift))) && isPlace(grid->down * grid->rows) &&
             isPlace(grid->across) && isPlace(grid->down);
  } else {
    const auto& ring = std::get<Ring>(repeat.pattern);
    within = ring.count >= 1 && isPlace(ring.centre) && isTurn(ring.sweep);
  }
  if (!within) return "would reach too far";
  return countOf(repeat.pattern) <= limits::mostCopies ? "" : "would have more than 10000 copies";
}

bool isSameRule(const Repeat& a, const Repeat& b) {
  return a.pattern == b.pattern && a.leftOut == b.leftOut && a.extra == b.extra;
}

std::optional<Formula> flatten(const Repeat& repeat, const Affine& frame, Flat& flat) {
  return flattenAll(repeat.items, copiesOf(repeat), frame, flat);
}

}  // namespace widecut
