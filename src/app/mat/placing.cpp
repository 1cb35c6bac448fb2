#include "app/mat/placing.h"

#include "project/edits/places.h"
#include "project/edits/words.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {

Placing placingOf(const Project& project, const std::vector<Id>& ids) {
  Placing p;
  for (const Id id : ids)
    if (const ItemPtr item = findItem(project, id)) {
      const Affine parent = parentToSheet(project, id);
      p.onSheet.add(boxThrough(*item, parent));
      p.turnDeg = std::remainder(degrees((parent * item->toParent()).turnAngle()), 360.0);
    }
  p.width = p.onSheet.width();
  p.height = p.onSheet.height();
  if (ids.size() != 1) {
    p.turnDeg.reset();
  } else if (const ItemPtr item = findItem(project, ids.front())) {
    p.width = boxInFrame(*item).width();
    p.height = boxInFrame(*item).height();
  }
  return p;
}

Point measuredPoint(const Placing& placing, const Pivot& pivot) {
  if (pivot.free) return *pivot.free;
  return placeIn(placing.onSheet, pivot.place.value_or(PivotPlace{-1, -1}));
}

Project withFrameMap(const Project& project, const std::vector<Id>& ids, const Pivot& pivot, PivotPlace usual,
                     Together together, const std::function<Affine(const SelectionFrame&)>& map, Frames frames) {
  if (together == Together::No) {
    Project next = project;
    for (const Id id : outermost(project, ids))
      next = withFrameMap(next, {id}, {pivot.place, {}}, usual, Together::Yes, map, frames);
    return next;
  }
  const auto frame = SelectionFrame::of(project, ids);
  const auto back = frame ? frame->toSheet.inverse() : std::nullopt;
  if (!back) return project;
  const Point about = pivot.free ? (*back)(*pivot.free) : placeIn(frame->box, pivot.place.value_or(usual));
  const Affine onSheet = frame->toSheet * map(*frame).about(about) * *back;
  return frames == Frames::Resized ? withResized(project, ids, onSheet) : withMapped(project, ids, onSheet);
}

}  // namespace widecut
