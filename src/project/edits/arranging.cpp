#include "project/edits/arranging.h"

#include <algorithm>
#include <cmath>

#include "cutting/offset.h"
#include "geometry/exactly.h"
#include "project/columns.h"
#include "project/edits/places.h"
#include "project/edits/sheets.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
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

/// The item moved along one axis until `valueOf` it is there.
template <class ValueOf>
Project brought(const Project& project, Id id, bool across, double wanted, const ValueOf& valueOf) {
  const Id ids[] = {id};
  const auto moved = [&](double by) {
    return withMapped(project, ids, Affine::move(across ? Point{by, 0} : Point{0, by}));
  };
  const double by = exactly(wanted - valueOf(project), wanted, [&](double v) { return valueOf(moved(v)); });
  return by == 0 ? project : moved(by);
}

/// In the order in which they lie.
std::vector<Id> inRow(const Project& project, std::span<const Id> items, bool across, BoxOf of) {
  std::vector<Id> row = movable(project, items);
  std::stable_sort(row.begin(), row.end(), [&](Id a, Id b) {
    const Box x = arrangedBox(project, a, of), y = arrangedBox(project, b, of);
    return low(x, across) + high(x, across) < low(y, across) + high(y, across);
  });
  return row;
}

double valueAt(const Box& box, bool across, double share) {
  return share == 0 ? low(box, across) : share == 1 ? high(box, across) : (low(box, across) + high(box, across)) / 2;
}

bool isAcross(InLine align) { return align == InLine::Left || align == InLine::Centre || align == InLine::Right; }

double shareOf(InLine align) {
  if (align == InLine::Left || align == InLine::Top) return 0;
  return align == InLine::Centre || align == InLine::Middle ? 0.5 : 1;
}

/// Of the first line of words; nothing for what has none.
std::optional<double> baseline(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const Words* words = item ? wordsOf(*item) : nullptr;
  if (!words || words->set().lines.empty()) return std::nullopt;
  return (frameToSheet(project, id) * words->content().stretch)(words->set().lines.front().start).y;
}

double lineOf(const Project& project, Id id, BoxOf of) {
  const auto base = baseline(project, id);
  return base ? *base : arrangedBox(project, id, of).high.y;
}

/// What they are aligned to, each for itself.
Project withBaselines(const Project& project, std::span<const Id> items, AlignTo to, BoxOf of) {
  const auto ids = movable(project, items);
  if (ids.empty()) return project;
  double wanted = lineOf(project, to == AlignTo::First ? items.front() : ids.front(), of);
  if (to == AlignTo::Selection)
    for (const Id id : ids) wanted = std::max(wanted, lineOf(project, id, of));
  Project out = project;
  for (const Id id : ids) {
    if (to != AlignTo::Selection && to != AlignTo::First) {
      const Box box = alignBox(project, {&id, 1}, to, of);
      if (box.isEmpty()) continue;
      wanted = box.high.y;
    }
    out = brought(out, id, false, wanted, [&](const Project& p) { return lineOf(p, id, of); });
  }
  return out;
}

void addPainted(const Item& item, const Affine& parent, Box& box) {
  if (!item.isShown()) return;
  const Affine frame = parent * item.toParent();
  for (const Line& line : item.style->lines) {
    LineShape drawn = line.shape;
    drawn.width *= frame.meanScale();
    box.add(lineBounds(transformed(resolved(item)->outline, frame), drawn));
  }
  if (!showsChildren(item.form)) return;
  for (const auto& [number, copy] : copiesOf(item.form))
    for (const ItemPtr& child : shownIn(item.form, number)) addPainted(*child, frame * copy, box);
}

}  // namespace

Box arrangedBox(const Project& project, Id id, BoxOf of) {
  Box box = boxOnSheet(project, id);
  if (of == BoxOf::WithLines)
    if (const ItemPtr item = findItem(project, id)) addPainted(*item, parentToSheet(project, id), box);
  return box;
}

Box alignBox(const Project& project, std::span<const Id> items, AlignTo to, BoxOf of) {
  Box box;
  if (items.empty()) return box;
  const SheetPtr sheet = sheetOf(project, items.front());
  if (to == AlignTo::Selection)
    for (const Id id : movable(project, items)) box.add(arrangedBox(project, id, of));
  if (to == AlignTo::First) box = arrangedBox(project, items.front(), of);
  if (!sheet) return box;
  const Setting& setting = pieceOf(project, sheet->id)->setting;
  if (to == AlignTo::Sheet) box = sheet->box();
  if (to == AlignTo::Margins) box = marginBox(*sheet, setting);
  if (to == AlignTo::Column) {
    const double middle = arrangedBox(project, items.front(), of).centre().x;
    for (const Box& column : columnsOf(*sheet, setting))
      if (box.isEmpty() || std::abs(column.centre().x - middle) < std::abs(box.centre().x - middle)) box = column;
  }
  return box;
}

Project withBoxAt(const Project& project, Id id, bool across, double share, double wanted, BoxOf of) {
  return brought(project, id, across, wanted,
                 [&](const Project& p) { return valueAt(arrangedBox(p, id, of), across, share); });
}

Project withAligned(const Project& project, std::span<const Id> items, InLine align, AlignTo to, BoxOf of) {
  if (align == InLine::Baseline) return withBaselines(project, items, to, of);
  const bool isOwn = to == AlignTo::Column;
  const Box all = isOwn ? Box{} : alignBox(project, items, to, of);
  Project out = project;
  for (const Id id : movable(project, items)) {
    const Box box = isOwn ? alignBox(project, {&id, 1}, to, of) : all;
    if (box.isEmpty()) continue;
    out = withBoxAt(out, id, isAcross(align), shareOf(align), valueAt(box, isAcross(align), shareOf(align)), of);
  }
  return out;
}

Project withEqualGaps(const Project& project, std::span<const Id> items, bool across, std::optional<double> gap,
                      BoxOf of) {
  const std::vector<Id> row = inRow(project, items, across, of);
  if (row.size() < (gap ? 2U : 3U)) return project;
  const Box last = arrangedBox(project, row.back(), of);
  double at = low(arrangedBox(project, row.front(), of), across), sizes = 0;
  for (const Id id : row) {
    const Box box = arrangedBox(project, id, of);
    sizes += high(box, across) - low(box, across);
  }
  const double between = gap.value_or((high(last, across) - at - sizes) / static_cast<double>(row.size() - 1));
  Project out = project;
  for (std::size_t i = 0; i < row.size(); ++i) {
    // Where no gap is given the outermost two stay as they are.
    if (i > 0 && (gap || i + 1 < row.size())) out = withBoxAt(out, row[i], across, 0, at, of);
    at = high(arrangedBox(out, row[i], of), across) + between;
  }
  return out;
}

std::optional<double> commonGap(const Project& project, std::span<const Id> items, bool across, BoxOf of) {
  const std::vector<Id> row = inRow(project, items, across, of);
  std::optional<double> found;
  for (std::size_t i = 1; i < row.size(); ++i) {
    const double gap =
        low(arrangedBox(project, row[i], of), across) - high(arrangedBox(project, row[i - 1], of), across);
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
