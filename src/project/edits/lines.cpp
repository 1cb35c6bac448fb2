#include "project/edits/lines.h"

#include "project/edits/tree.h"
#include "project/forms/treated.h"

namespace widecut {

Item lineItem(Id id, std::string name, Point from, Point to, Style style) {
  return plainItem(id, std::move(name), {{Contour{from, {Segment::line(to)}, false}}}, std::move(style));
}

std::optional<std::pair<Point, Point>> endsOf(const Item& item) {
  const auto* held = std::get_if<std::shared_ptr<const Outline>>(&baseOf(item.form));
  if (!held || (*held)->contours.size() != 1) return std::nullopt;
  const Contour& c = (*held)->contours.front();
  if (c.closed || c.segments.size() != 1 || c.segments.front().kind != SegmentKind::Line) return std::nullopt;
  const Affine frame = item.toParent();
  return std::pair{frame(c.start), frame(c.segments.front().end)};
}

Project withEnds(const Project& project, Id id, Point from, Point to) {
  const auto back = parentToSheet(project, id).inverse();
  if (!back) return project;
  return withItem(project, id, [&](const Item& item) {
    if (!endsOf(item)) return item;
    const Item line = lineItem(item.id, item.name, (*back)(from), (*back)(to), {});
    Item out = item;
    out.form = line.form;
    out.position = line.position;
    out.turn = 0;
    return out;
  });
}

}  // namespace widecut
