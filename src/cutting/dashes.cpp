#include "cutting/dashes.h"

#include "geometry/curve.h"

namespace widecut {
namespace {

constexpr double mostDashes = 20000;

}  // namespace

std::optional<Problem> refusedDashes(std::span<const double> dashes) {
  double sum = 0;
  for (const double d : dashes) {
    if (!(d >= 0) || !std::isfinite(d)) return Problem{"dashes must be lengths of 0 or more"};
    sum += d;
  }
  if (!dashes.empty() && !(sum > 0)) return Problem{"dashes must not all be 0"};
  return std::nullopt;
}

double lengthOf(Point from, const Segment& s) {
  return s.kind == SegmentKind::Line ? distance(from, s.end) : arcLength(asCubic(from, s));
}

std::vector<Contour> dashed(const Contour& contour, std::span<const double> dashes, double start) {
  if (dashes.empty()) return {contour};
  std::vector<Segment> segments = contour.segments;
  if (contour.closed && !segments.empty() && segments.back().end != contour.start)
    segments.push_back(Segment::line(contour.start));
  // An odd pattern is said twice, so that drawn and left out take turns.
  std::vector<double> pattern(dashes.begin(), dashes.end());
  if (pattern.size() % 2 == 1) pattern.insert(pattern.end(), dashes.begin(), dashes.end());
  double sum = 0, whole = 0;
  for (const double d : pattern) sum += d;
  Point at = contour.start;
  for (const Segment& s : segments) {
    whole += lengthOf(at, s);
    at = s.end;
  }
  if (whole / sum * static_cast<double>(pattern.size()) > mostDashes) return {contour};

  std::size_t index = 0;
  double left = std::fmod(start, sum);
  if (left < 0) left += sum;
  while (left >= pattern[index]) {
    left -= pattern[index];
    index = (index + 1) % pattern.size();
  }
  left = pattern[index] - left;
  std::vector<Contour> out;
  Contour dash{contour.start, {}, false};
  at = contour.start;
  const auto turnOver = [&](Point where) {
    if (index % 2 == 0) out.push_back(dash);
    index = (index + 1) % pattern.size();
    left = pattern[index];
    dash = {where, {}, false};
  };
  for (const Segment& s : segments) {
    const Bezier c = asCubic(at, s);
    const double size = lengthOf(at, s);
    double done = 0, t0 = 0;
    while (size - done > left) {
      done += left;
      const double t1 = s.kind == SegmentKind::Line ? done / size : parameterAtLength(c, done);
      const Bezier piece = pieceOf(c, t0, t1);
      if (left > 0)
        dash.segments.push_back(s.kind == SegmentKind::Line ? Segment::line(piece[3])
                                                            : Segment::cubic(piece[1], piece[2], piece[3]));
      turnOver(piece[3]);
      t0 = t1;
    }
    left -= size - done;
    const Bezier rest = pieceOf(c, t0, 1);
    dash.segments.push_back(s.kind == SegmentKind::Line ? Segment::line(s.end)
                                                        : Segment::cubic(rest[1], rest[2], s.end));
    at = s.end;
  }
  if (index % 2 == 0 && !dash.segments.empty()) out.push_back(dash);
  return out;
}

double lengthOf(const Outline& outline) {
  double sum = 0;
  for (const Contour& contour : outline.contours) {
    Point at = contour.start;
    for (const Segment& segment : contour.segments) {
      sum += lengthOf(at, segment);
      at = segment.end;
    }
    if (contour.closed) sum += distance(at, contour.start);
  }
  return sum;
}

}  // namespace widecut
