#include "cutting/knife.h"

#include "cutting/faces.h"
#include "cutting/offset.h"
#include "cutting/planar_map.h"

namespace widecut {
namespace {

Outline rectangleOf(const Box& box) {
  return polygon({box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}});
}

/// A contour that goes along the stroke and the same way back: it bounds nothing.
Contour thereAndBack(const Contour& stroke) {
  Contour out = stroke;
  out.closed = true;
  if (stroke.closed || stroke.segments.empty()) return out;
  for (std::size_t i = stroke.segments.size(); i > 0; --i) {
    const Segment& s = stroke.segments[i - 1];
    const Point to = i > 1 ? stroke.segments[i - 2].end : stroke.start;
    out.segments.push_back(s.kind == SegmentKind::Line        ? Segment::line(to)
                           : s.kind == SegmentKind::Quadratic ? Segment::quadratic(s.handle1, to)
                                                              : Segment::cubic(s.handle2, s.handle1, to));
  }
  return out;
}

std::vector<Outline> outlinesOf(std::vector<Face> faces) {
  std::vector<Outline> out;
  out.reserve(faces.size());
  for (Face& face : faces) out.push_back(std::move(face.outline));
  return out;
}

}  // namespace

Result<std::vector<Outline>> regionsOf(const Operand& shape) {
  const auto map = PlanarMap::of({&shape, 1});
  if (!map) return tl::unexpected(map.error());
  return outlinesOf(map->divide());
}

Result<std::vector<Outline>> knifed(const Operand& shape, const Outline& stroke, double gap) {
  if (!(gap >= 0) || gap > 1e6) return problem("the gap must be a length from 0 to 1000000 points");
  if (gap == 0) {
    if (!isFinite(shape.outline) || !isFinite(stroke))
      return problem("the outline or the stroke has a coordinate that is not a finite number");
    Operand wall;
    for (const Contour& c : stroke.contours) wall.outline.contours.push_back(thereAndBack(c));
    const Operand* const operands[] = {&shape, &wall};
    Arrangement map;
    map.build(operands);
    const FillRule rules[] = {shape.rule, FillRule::Nonzero};
    return outlinesOf(facesOf(map, rules, 1));
  }
  const auto band = knifeBand(stroke, gap);
  if (!band) return tl::unexpected(band.error());
  const Operand operands[] = {shape, {*band}};
  const auto rest = cut(operands, Formula::chain(2, Role::Subtract));
  if (!rest) return tl::unexpected(rest.error());
  return regionsOf({*rest});
}

Result<Outline> knifeBand(const Outline& stroke, double gap) {
  LineShape blade;
  blade.width = gap;
  return lineOutline({stroke}, blade);
}

Result<Outline> simplified(const Operand& shape) { return cut({&shape, 1}, Formula::part(0)); }

Result<Outline> trimmed(const Operand& shape, const Box& box) {
  if (box.isEmpty()) return Outline{};
  const Operand operands[] = {shape, {rectangleOf(box)}};
  return cut(operands, Formula::chain(2, Role::Intersect));
}

}  // namespace widecut
