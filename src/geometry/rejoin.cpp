#include "geometry/rejoin.h"

#include <cmath>
#include <optional>

#include "geometry/curve.h"

namespace widecut {
namespace {

struct Piece {
  Point start;
  Segment segment;
};

/// At which parameter of the whole two pieces meet: handles beside a split are as long as its two sides.
std::optional<double> splitBetween(Point before, Point at, Point after) {
  const double a = distance(before, at), b = distance(at, after);
  return a > 0 && b > 0 ? std::optional(a / (a + b)) : std::nullopt;
}

std::optional<Segment> whole(const Piece& a, const Piece& b, double unseen) {
  const Segment &p = a.segment, &q = b.segment;
  if (p.kind != q.kind) return std::nullopt;
  const auto isNear = [&](Point x, Point y) { return distance(x, y) <= unseen; };
  if (p.kind == SegmentKind::Line) {
    const Point way = q.end - a.start;
    const double size = length(way);
    const bool goesOn = dot(p.end - a.start, way) > 0 && dot(q.end - p.end, way) > 0;
    if (!goesOn || std::abs(cross(p.end - a.start, way)) > unseen * size) return std::nullopt;
    return Segment::line(q.end);
  }
  const bool isCubic = p.kind == SegmentKind::Cubic;
  const auto t = splitBetween(isCubic ? p.handle2 : p.handle1, p.end, q.handle1);
  if (!t) return std::nullopt;
  const Point first = a.start + (p.handle1 - a.start) * (1 / *t);
  if (!isCubic) {
    const bool isOne = isNear(mix(first, q.end, *t), q.handle1) && isNear(mix(p.handle1, q.handle1, *t), p.end);
    return isOne ? std::optional(Segment::quadratic(first, q.end)) : std::nullopt;
  }
  const Point second = q.end + (q.handle2 - q.end) * (1 / (1 - *t));
  const auto [left, right] = splitAt({a.start, first, second, q.end}, *t);
  const bool isOne = isNear(left[2], p.handle2) && isNear(left[3], p.end) && isNear(right[1], q.handle1) &&
                     isNear(right[2], q.handle2);
  return isOne ? std::optional(Segment::cubic(first, second, q.end)) : std::nullopt;
}

Contour rejoined(const Contour& contour, double unseen) {
  std::vector<Piece> out;
  Point at = contour.start;
  const auto add = [&](const Segment& segment) {
    const Piece next{at, segment};
    at = segment.end;
    const auto one = out.empty() ? std::nullopt : whole(out.back(), next, unseen);
    if (one)
      out.back().segment = *one;
    else
      out.push_back(next);
  };
  for (const Segment& segment : contour.segments) add(segment);
  if (contour.closed && !(at == contour.start)) add(Segment::line(contour.start));
  // Where it begins in the midst of a curve.
  if (contour.closed && out.size() > 1)
    if (const auto one = whole(out.back(), out.front(), unseen)) {
      out.front() = {out.back().start, *one};
      out.pop_back();
    }
  Contour made;
  made.closed = contour.closed;
  made.start = out.empty() ? contour.start : out.front().start;
  for (const Piece& piece : out) made.segments.push_back(piece.segment);
  return made;
}

}  // namespace

Outline rejoined(const Outline& outline) {
  constexpr double share = 1e-9;
  const Box box = bounds(outline);
  const double unseen = share * std::max(box.width(), box.height());
  Outline out;
  for (const Contour& contour : outline.contours) out.contours.push_back(rejoined(contour, unseen));
  return out;
}

}  // namespace widecut
