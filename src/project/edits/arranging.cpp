#include "project/edits/arranging.h"

#include <algorithm>
#include <cmath>

#include "geometry/exactly.h"
#include "project/edits/places.h"
#include "project/edits/sheets.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

std::vector<Id> movable(const Project& project, std::span<const Id> items) {
  std::vector<Id> out = outermost(project, items);
  std::erase_if(out, [&](Id id) {
    const ItemPtr item = findItem(project, id);
    return !item || item->locked || boxOnSheet(project, id).isEmpty();
  });
  return out;
}

double low(const Box& box, bool across) { return across ? box.low.x : box.low.y; }
double high(const Box& box, bool across) { return across ? box.high.x : box.high.y; }

/// The item moved along one axis until `valueOf` its box is there.
template <class ValueOf>
Project brought(const Project& project, Id id, bool across, double wanted, const ValueOf& valueOf) {
  const Id ids[] = {id};
  const auto moved = [&](double by) {
    return withMapped(project, ids, Affine::move(across ? Point{by, 0} : Point{0, by}));
  };
  const double by = exactly(wanted - valueOf(boxOnSheet(project, id)), wanted,
                            [&](double v) { return valueOf(boxOnSheet(moved(v), id)); });
  return by == 0 ? project : moved(by);
}

/// In the order in which they lie.
std::vector<Id> inRow(const Project& project, std::span<const Id> items, bool across) {
  std::vector<Id> row = movable(project, items);
  std::stable_sort(row.begin(), row.end(), [&](Id a, Id b) {
    const Box x = boxOnSheet(project, a), y = boxOnSheet(project, b);
    return low(x, across) + high(x, across) < low(y, across) + high(y, across);
  });
  return row;
}

}  // namespace

Box alignBox(const Project& project, std::span<const Id> items, AlignTo to) {
  Box box;
  if (items.empty()) return box;
  const SheetPtr sheet = sheetOf(project, items.front());
  switch (to) {
    case AlignTo::Selection:
      for (const Id id : movable(project, items)) box.add(boxOnSheet(project, id));
      break;
    case AlignTo::First:
      box = boxOnSheet(project, items.front());
      break;
    case AlignTo::Sheet:
      if (sheet) box = sheet->box();
      break;
    case AlignTo::Margins:
      if (sheet) {
        const Setting& s = pieceOf(project, sheet->id)->setting;
        box = {{s.left, s.top}, {sheet->width - s.right, sheet->height - s.bottom}};
      }
      break;
  }
  return box;
}

Project withAligned(const Project& project, std::span<const Id> items, InLine align, AlignTo to) {
  const Box box = alignBox(project, items, to);
  if (box.isEmpty()) return project;
  const bool across = align == InLine::Left || align == InLine::Centre || align == InLine::Right;
  const auto valueOf = [&](const Box& b) {
    if (align == InLine::Left || align == InLine::Top) return low(b, across);
    if (align == InLine::Right || align == InLine::Bottom) return high(b, across);
    return (low(b, across) + high(b, across)) / 2;
  };
  Project out = project;
  for (const Id id : movable(project, items)) out = brought(out, id, across, valueOf(box), valueOf);
  return out;
}

Project withEqualGaps(const Project& project, std::span<const Id> items, bool across, std::optional<double> gap) {
  const std::vector<Id> row = inRow(project, items, across);
  if (row.size() < (gap ? 2U : 3U)) return project;
  const Box last = boxOnSheet(project, row.back());
  double at = low(boxOnSheet(project, row.front()), across), sizes = 0;
  for (const Id id : row) {
    const Box box = boxOnSheet(project, id);
    sizes += high(box, across) - low(box, across);
  }
  const double between = gap.value_or((high(last, across) - at - sizes) / static_cast<double>(row.size() - 1));
  Project out = project;
  for (std::size_t i = 0; i < row.size(); ++i) {
    // Where no gap is given the outermost two stay as they are.
    if (i > 0 && (gap || i + 1 < row.size()))
      out = brought(out, row[i], across, at, [&](const Box& b) { return low(b, across); });
    at = high(boxOnSheet(out, row[i]), across) + between;
  }
  return out;
}

std::optional<double> commonGap(const Project& project, std::span<const Id> items, bool across) {
  const std::vector<Id> row = inRow(project, items, across);
  std::optional<double> found;
  for (std::size_t i = 1; i < row.size(); ++i) {
    const double gap = low(boxOnSheet(project, row[i]), across) - high(boxOnSheet(project, row[i - 1]), across);
    if (found && std::abs(*found - gap) > 0.01) return std::nullopt;
    if (!found) found = gap;
  }
  return found;
}

Project withEqualSize(const Project& project, std::span<const Id> items, bool width) {
  const std::vector<Id> ids = movable(project, items);
  if (ids.empty()) return project;
  const Box like = boxOnSheet(project, items.front());
  Project out = project;
  for (const Id id : ids) {
    const Box box = boxOnSheet(project, id);
    const bool isUpright = frameToSheet(project, id).linear() == Affine{};
    const double size = width ? box.width() : box.height(), wanted = width ? like.width() : like.height();
    if (id == items.front() || !isUpright || !(size > 0) || size == wanted) continue;
    const Affine scale = width ? Affine::scale(wanted / size, 1) : Affine::scale(1, wanted / size);
    const Id one[] = {id};
    out = withResized(out, one, scale.about(box.centre()));
  }
  return out;
}

}  // namespace widecut
