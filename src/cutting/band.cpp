#include "cutting/band.h"

#include <algorithm>

#include "cutting/knife.h"

namespace widecut {
namespace {

/// A quarter turn to growing angles.
Point leftOf(Point v) { return {-v.y, v.x}; }

void reverse(Contour& contour) {
  Contour out{contour.segments.empty() ? contour.start : contour.segments.back().end, {}, contour.closed};
  for (std::size_t i = contour.segments.size(); i > 0; --i) {
    const Segment& s = contour.segments[i - 1];
    const Point to = i > 1 ? contour.segments[i - 2].end : contour.start;
    out.segments.push_back(s.kind == SegmentKind::Line ? Segment::line(to) : Segment::cubic(s.handle2, s.handle1, to));
  }
  contour = std::move(out);
}

}  // namespace

void Band::add(Contour contour, bool regular) {
  if (raw_) {
    out_.contours.push_back(std::move(contour));
    return;
  }
  if (!regular) {
    const auto clean = simplified({{{contour}}});
    if (clean) out_.contours.insert(out_.contours.end(), clean->contours.begin(), clean->contours.end());
    return;
  }
  if (signedArea({{contour}}) < 0) reverse(contour);
  out_.contours.push_back(std::move(contour));
}

void Band::addContour(const Contour& contour) {
  std::vector<Step> steps;
  Point at = contour.start;
  const auto take = [&](const Segment& s) {
    const Step step{asCubic(at, s), s.kind == SegmentKind::Line};
    if (startDirection(step.c) != Point{}) steps.push_back(step);
    at = s.end;
  };
  for (const Segment& s : contour.segments) take(s);
  if (contour.closed && at != contour.start) take(Segment::line(contour.start));
  if (steps.empty()) {
    // A dot: only its caps show.
    addCap(contour.start, {1, 0});
    addCap(contour.start, {-1, 0});
    return;
  }
  for (std::size_t i = 0; i < steps.size(); ++i) {
    addStep(steps[i]);
    const bool last = i + 1 == steps.size();
    if (last && !contour.closed) break;
    addJoin(steps[i].c[3], endDirection(steps[i].c), startDirection(steps[last ? 0 : i + 1].c));
  }
  if (contour.closed) return;
  addCap(steps.front().c[0], -startDirection(steps.front().c));
  addCap(steps.back().c[3], endDirection(steps.back().c));
}

void Band::addStep(const Step& step) {
  if (left_ > 0) addSide(step, left_);
  if (right_ > 0) addSide(step, -right_);
}

void Band::addSide(const Step& step, double distance) {
  const Bezier& c = step.c;
  if (step.line) {
    const Point aside = leftOf(unit(c[3] - c[0])) * distance;
    add({c[0],
         {Segment::line(c[3]), Segment::line(c[3] + aside), Segment::line(c[0] + aside), Segment::line(c[0])},
         true});
    return;
  }
  // Where the curve bends as tightly as the distance, the offset turns back: pieces end there.
  constexpr int samples = 24;
  double from = 0;
  bool forwards = offsetAt(c, 1e-6, distance).stretch > 0;
  for (int i = 1; i <= samples; ++i) {
    const double t = i == samples ? 1 - 1e-6 : static_cast<double>(i) / samples;
    if ((offsetAt(c, t, distance).stretch > 0) == forwards) continue;
    double low = std::max(from, static_cast<double>(i - 1) / samples), high = t;
    for (int k = 0; k < 40; ++k) {
      const double middle = 0.5 * (low + high);
      ((offsetAt(c, middle, distance).stretch > 0) == forwards ? low : high) = middle;
    }
    addCurvePiece(c, from, low, distance, forwards, 0);
    from = low;
    forwards = !forwards;
  }
  addCurvePiece(c, from, 1, distance, forwards, 0);
}

void Band::addCurvePiece(const Bezier& c, double t0, double t1, double distance, bool regular, int depth) {
  const double span = t1 - t0;
  if (!(span > 0)) return;
  const Bezier fit = offsetPiece(c, t0, t1, distance);
  const double allowed = std::max(1e-6, offsetPrecision * std::abs(distance));
  double off = 0;
  for (const double share : {0.25, 0.5, 0.75}) {
    const OffsetPlace place = offsetAt(c, t0 + span * share, distance);
    off = std::max(off, std::abs(dot(pointOn(fit, share) - place.at, place.normal)));
  }
  if (off > allowed && depth < 10) {
    const double middle = 0.5 * (t0 + t1);
    addCurvePiece(c, t0, middle, distance, regular, depth + 1);
    addCurvePiece(c, middle, t1, distance, regular, depth + 1);
    return;
  }
  const Bezier own = t0 == 0 && t1 == 1 ? c : pieceOf(c, t0, t1);
  add({own[0],
       {Segment::cubic(own[1], own[2], own[3]), Segment::line(fit[3]), Segment::cubic(fit[2], fit[1], fit[0]),
        Segment::line(own[0])},
       true},
      regular);
}

/// The sector from one direction to another about a node, `turn` radians wide; arcs by the rule 4/3·tan(θ/4).
void Band::addFan(Point node, Point from, Point to, double turn) {
  const int pieces = std::max(1, static_cast<int>(std::ceil(std::abs(turn) / (pi / 2) - 1e-9)));
  const double each = turn / pieces, reach = 4.0 / 3 * std::tan(each / 4);
  Contour fan{node, {Segment::line(node + from)}, true};
  Point at = from;
  for (int i = 1; i <= pieces; ++i) {
    const Point next = i == pieces ? to : Affine::turn(each * i).vector(from);
    fan.segments.push_back(
        Segment::cubic(node + at + leftOf(at) * reach, node + next - leftOf(next) * reach, node + next));
    at = next;
  }
  fan.segments.push_back(Segment::line(node));
  add(std::move(fan));
}

void Band::addJoin(Point node, Point before, Point after) {
  const double turn = std::atan2(cross(before, after), dot(before, after));
  if (std::abs(turn) < 1e-7) return;
  // The corner opens on the side it turns away from.
  const double distance = turn > 0 ? -right_ : left_;
  if (distance == 0) return;
  const Point from = leftOf(before) * distance, to = leftOf(after) * distance;
  if (shape_.join == Join::Round) {
    addFan(node, from, to, turn);
    return;
  }
  Contour wedge{node, {Segment::line(node + from)}, true};
  const double half = std::cos(turn / 2);
  if (shape_.join == Join::Mitre && half * shape_.mitreLimit >= 1)
    wedge.segments.push_back(Segment::line(node + (from + to) / (2 * half * half)));
  wedge.segments.push_back(Segment::line(node + to));
  wedge.segments.push_back(Segment::line(node));
  add(std::move(wedge));
}

void Band::addCap(Point node, Point outwards) {
  if (shape_.cap == Cap::Butt) return;
  const Point left = leftOf(outwards);
  // Seen from the end, left and right swap at the line's start; caps are for lines, which are as wide on both sides.
  const double half = left_;
  if (shape_.cap == Cap::Round) {
    addFan(node, left * -half, left * half, pi);
    return;
  }
  const Point a = node - left * half, b = node + left * half, reach = outwards * half;
  add({a, {Segment::line(a + reach), Segment::line(b + reach), Segment::line(b), Segment::line(a)}, true});
}

}  // namespace widecut
