#include "app/desk/repeating.h"

#include "app/desk/cuts.h"
#include "app/mat/selection_frame.h"
#include "project/edits/repeats.h"
#include "project/resolve.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

/// What copies would go along, as one line on the sheet; nothing when there is none.
struct Way {
  Id item = 0;
  Contour line;
};
std::optional<Way> wayAmong(const Desk& desk) {
  const auto& selection = desk.selection();
  if (selection.size() < 2) return std::nullopt;
  const ItemPtr open = openLineAmong(desk);
  const ItemPtr line = open ? open : findItem(desk.settled(), selection.back());
  if (!line || repeatOf(*line)) return std::nullopt;
  const Outline onSheet = transformed(resolved(*line)->outline, frameToSheet(desk.settled(), line->id));
  if (onSheet.isEmpty()) return std::nullopt;
  return Way{line->id, onSheet.contours.front()};
}

/// The pivot, measured from the middle of the items' box; nothing when none is set.
std::optional<Point> pivotFromMiddle(const Desk& desk, const Box& box) {
  const auto frame = SelectionFrame::of(desk.settled(), desk.selection());
  if (!frame || !desk.pivot().isSet()) return std::nullopt;
  const Affine back = parentToSheet(desk.settled(), desk.selection().front()).inverse().value_or(Affine{});
  return back(pivotPoint(*frame, desk.pivot())) - box.centre();
}

}  // namespace

ItemPtr selectedRepeat(const Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  return item && repeatOf(*item) ? item : nullptr;
}

void repeatSelection(Desk& desk, std::size_t kind) {
  Box box;
  for (const Id id : desk.selection())
    if (const ItemPtr item = findItem(desk.settled(), id)) box.add(boxInParent(*item));
  if (box.isEmpty()) return;
  const auto pivot = pivotFromMiddle(desk, box);
  const Point half{box.width() / 2, box.height() / 2};
  const Pattern pattern = usualPattern(kind, {-half, half}, pivot ? &*pivot : nullptr);
  Id made = 0;
  Project changed = repeated(desk.settled(), desk.selection(), pattern, made);
  if (made == 0) {
    emit desk.told(Desk::tr("Select items on the sheet to repeat them together: a part of a cutout is repeated alone"));
    return;
  }
  const std::string_view name = patternKinds()[kind].name;
  const QString step = Desk::tr("Repeat as a %1").arg(QString::fromUtf8(name.data(), static_cast<int>(name.size())));
  if (desk.commit(step, std::move(changed))) desk.select({made});
}

bool canRepeatAlong(const Desk& desk) { return desk.selection().size() > 1; }

void repeatAlongLine(Desk& desk) {
  const auto way = wayAmong(desk);
  std::vector<Id> items = desk.selection();
  if (way) std::erase(items, way->item);
  Id made = 0;
  Project changed = way ? repeatedAlong(desk.settled(), items, way->line, made) : desk.settled();
  if (made == 0) {
    emit desk.told(Desk::tr("Select what is to be repeated, and the line that it goes along last"));
    return;
  }
  if (desk.commit(Desk::tr("Repeat along a line"), std::move(changed))) desk.select({made});
}

void leaveOut(Desk& desk, Id repeat, int copy, bool isOut) {
  desk.commit(isOut ? Desk::tr("Leave a copy out") : Desk::tr("Show a copy again"),
              withLeftOut(desk.settled(), repeat, copy, isOut));
}

}  // namespace widecut
