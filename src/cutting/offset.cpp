#include "cutting/offset.h"

#include <span>

#include "cutting/band.h"
#include "cutting/dashes.h"
#include "cutting/knife.h"
#include "cutting/planar_map.h"

namespace widecut {
namespace {

constexpr double mostDistance = 1e6;

Result<Outline> combined(const Outline& a, const Outline& b, Role role) {
  const Operand operands[] = {{a}, {b}};
  return cut(operands, Formula::joined(Formula::part(0), role, Formula::part(1)));
}

std::optional<Problem> refused(const Operand& shape, double length) {
  if (!isFinite(shape.outline)) return Problem{"the outline has a coordinate that is not a finite number"};
  if (!(std::abs(length) <= mostDistance)) return Problem{"the distance must be within 1000000 points"};
  return std::nullopt;
}

/// The union of contours that all turn the same way, of which neighbours in the list are neighbours in the plane.
/// Halves are united on their own first: where strips are much wider than their pieces are long, each piece overlaps
/// very many others, and a map of all of them at once would hold every crossing of any two.
Result<Outline> united(std::span<const Contour> contours) {
  constexpr std::size_t few = 48;
  if (contours.size() <= few) return simplified({{{contours.begin(), contours.end()}}});
  auto first = united(contours.first(contours.size() / 2));
  const auto second = united(contours.subspan(contours.size() / 2));
  if (!first || !second) return first ? second : first;
  first->contours.insert(first->contours.end(), second->contours.begin(), second->contours.end());
  return simplified({*first});
}

/// The strip on one side of an outline without overlaps: inside it, or outside.
Result<Outline> strip(const Outline& clean, double width, bool inside, const LineShape& shape) {
  Band band(inside ? width : 0, inside ? 0 : width, shape);
  for (const Contour& c : clean.contours) band.addContour(c);
  return united(band.contours().contours);
}

/// Without the nodes in straight runs, which come from where strips and corners meet.
Outline withoutStraightNodes(Outline outline) {
  const auto straight = [](Point a, Point b, Point c) {
    const Point p = b - a, q = c - b;
    return dot(p, q) > 0 && std::abs(cross(p, q)) <= 1e-9 * dot(p, q);
  };
  for (Contour& contour : outline.contours) {
    std::vector<Segment> kept;
    Point from = contour.start;  // where the last kept segment starts
    for (const Segment& s : contour.segments) {
      const bool both = s.kind == SegmentKind::Line && !kept.empty() && kept.back().kind == SegmentKind::Line;
      if (both && straight(from, kept.back().end, s.end)) {
        kept.back().end = s.end;
        continue;
      }
      if (!kept.empty()) from = kept.back().end;
      kept.push_back(s);
    }
    if (kept.size() > 2 && kept.front().kind == SegmentKind::Line && kept.back().kind == SegmentKind::Line &&
        straight(from, contour.start, kept.front().end)) {
      contour.start = from;
      kept.pop_back();
    }
    contour.segments = std::move(kept);
  }
  return outline;
}

}  // namespace

Result<Outline> offset(const Operand& shape, double distance, Join join, double mitreLimit) {
  if (const auto why = refused(shape, distance)) return tl::unexpected(*why);
  const auto clean = simplified(shape);
  if (!clean || distance == 0) return clean;
  LineShape line;
  line.join = join;
  line.mitreLimit = std::max(1.0, mitreLimit);
  const bool inside = distance < 0;
  const auto beside = strip(*clean, std::abs(distance), inside, line);
  if (!beside) return beside;
  return combined(*clean, *beside, inside ? Role::Subtract : Role::Add).map(withoutStraightNodes);
}

Box lineBounds(const Outline& outline, const LineShape& line) {
  if (!(line.width > 0) || !isFinite(outline)) return bounds(outline);
  Band band(line.width / 2, line.width / 2, line);
  band.keepRaw();
  for (const Contour& c : outline.contours) band.addContour(c);
  Box box = bounds(outline);
  box.add(bounds(band.contours()));
  return box;
}

Result<Outline> lineOutline(const Operand& shape, const LineShape& line) {
  if (const auto why = refused(shape, line.width)) return tl::unexpected(*why);
  if (!(line.width > 0)) return problem("a line must be wider than 0");
  if (const auto why = refusedDashes(line.dashes)) return tl::unexpected(*why);
  bool allClosed = true;
  for (const Contour& c : shape.outline.contours) allClosed = allClosed && c.closed;
  if (line.alignment == Alignment::Centre || !allClosed || !line.dashes.empty()) {
    const bool doubled = line.alignment != Alignment::Centre && allClosed;
    const double half = doubled ? line.width : line.width / 2;
    Band band(half, half, line);
    for (const Contour& c : shape.outline.contours)
      for (const Contour& dash : dashed(c, line.dashes, line.dashStart)) band.addContour(dash);
    const auto whole = united(band.contours().contours);
    if (!whole || !doubled) return whole.map(withoutStraightNodes);
    const Operand operands[] = {{*whole}, shape};
    return cut(operands, Formula::chain(2, line.alignment == Alignment::Inside ? Role::Intersect : Role::Subtract))
        .map(withoutStraightNodes);
  }
  const auto clean = simplified(shape);
  if (!clean) return clean;
  const bool inside = line.alignment == Alignment::Inside;
  const auto beside = strip(*clean, line.width, inside, line);
  if (!beside) return beside;
  return combined(*beside, *clean, inside ? Role::Intersect : Role::Subtract).map(withoutStraightNodes);
}

}  // namespace widecut
