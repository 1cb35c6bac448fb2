// Signs: arrows and marks.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

// Arrows. The shaft bends to an arc; heads stay straight and go on in its direction.

constexpr StarterNumber arrowNumbers[] = {
    share("head", 0.1, 1.5, 0.72, "length of the head, in heights of the arrow"),
    share("shaft", 0.05, 1, 0.42, "thickness of the shaft, in heights of the arrow"),
    share("tail", 0, 0.8, 0, "how deep the tail is notched, in thicknesses of the shaft"),
    angle("bend", -180, 180, 0, "how far it is bent")};
constexpr StarterNumber doubleArrowNumbers[] = {arrowNumbers[0], arrowNumbers[1], arrowNumbers[3]};

struct ArrowShape {
  double head, shaft, tail, bend;
  bool both;
};

/// The limits of what a bend of the shaft can be: its inside needs room.
double bendOf(const ArrowShape& a, double shaftLength, double breadth) {
  const double most = shaftLength / (0.56 * breadth);
  return std::clamp(radians(a.bend), -most, most);
}

Outline arrowShape(StarterSize s, const ArrowShape& a) {
  const double length = s.width, breadth = s.height, half = breadth / 2, thick = a.shaft * half;
  const double head = std::min(a.head * breadth, (a.both ? 0.45 : 0.9) * length);
  const double shaft = length - (a.both ? 2 : 1) * head, bend = bendOf(a, shaft, breadth);
  const bool isBent = std::abs(bend) > 1e-6;
  const double radius = isBent ? shaft / bend : 0;
  // The shaft begins at the origin, to the right. Points beside its ends, and its edges.
  const Affine end = isBent
                         ? Affine::move({radius * std::sin(bend), radius * (1 - std::cos(bend))}) * Affine::turn(bend)
                         : Affine::move({shaft, 0});
  const auto edge = [&](ContourMaker& out, double aside, bool forth) {
    if (isBent)
      out.arc({0, radius}, radius - aside, radius - aside, forth ? 0 : bend, forth ? bend : 0);
    else
      out.line(forth ? end(Point{0, aside}) : Point{0, aside});
  };
  ContourMaker out({0, -thick});
  edge(out, -thick, true);
  out.line(end(Point{0, -half})).line(end(Point{head, 0})).line(end(Point{0, half})).line(end(Point{0, thick}));
  edge(out, thick, false);
  if (a.both) {
    out.line({0, half}).line({-head, 0}).line({0, -half});
  } else if (a.tail > 0) {
    const double in = std::min(a.tail * 2 * thick, 0.8 * shaft);
    out.line(isBent ? Point{radius * std::sin(in / radius), radius * (1 - std::cos(in / radius))} : Point{in, 0});
  }
  return transformed({{out.closed()}}, Affine::turn(-bend / 2));
}
int arrowNodesOf(StarterSize s, const ArrowShape& a) {
  const double head = std::min(a.head * s.height, (a.both ? 0.45 : 0.9) * s.width);
  const double bend = bendOf(a, s.width - (a.both ? 2 : 1) * head, s.height);
  const int arcs = std::abs(bend) > 1e-6 ? 2 * (arcSteps(bend) - 1) : 0;
  return (a.both ? 10 : 7 + (a.tail > 0 ? 1 : 0)) + arcs - (a.shaft == 1 ? (a.both ? 4 : 2) : 0);
}

ArrowShape oneHead(Values v) { return {v[0], v[1], v[2], v[3], false}; }
ArrowShape twoHeads(Values v) { return {v[0], v[1], 0, v[2], true}; }
Outline arrow(StarterSize s, Values v) { return arrowShape(s, oneHead(v)); }
int arrowNodes(StarterSize s, Values v) { return arrowNodesOf(s, oneHead(v)); }
Outline doubleArrow(StarterSize s, Values v) { return arrowShape(s, twoHeads(v)); }
int doubleArrowNodes(StarterSize s, Values v) { return arrowNodesOf(s, twoHeads(v)); }
/// The n-th node after the upper edge of the shaft.
Point afterEdge(const Outline& o, std::size_t n) {
  const auto& steps = o.contours[0].segments;
  std::size_t at = 0;
  while (at + 1 < steps.size() && steps[at].kind == SegmentKind::Cubic) ++at;
  return nodeOf(o, 0, (at == 0 ? 1 : at) + n);
}
/// In the head, a little behind the tip.
Point behindTip(const Outline& o) { return mix(afterEdge(o, 2), mix(afterEdge(o, 1), afterEdge(o, 3), 0.5), 0.3); }
constexpr NumberHandle arrowHandles[] = {
    {0, 1, [](const Outline& o, Values) { return afterEdge(o, 0); }},
    {3, -1, [](const Outline& o, Values) { return behindTip(o); }},
};
constexpr NumberHandle doubleArrowHandles[] = {
    {0, 1, [](const Outline& o, Values) { return afterEdge(o, 0); }},
    {2, -1, [](const Outline& o, Values) { return behindTip(o); }},
};

constexpr StarterNumber cornerArrowNumbers[] = {
    share("head", 0.2, 1, 0.5, "length of the head"),
    share("shaft", 0.1, 0.95, 0.45, "thickness of the shaft, in widths of the head"),
    share("soft corner", 0, 1, 0.5, "from a sharp bend to a round one")};
/// The measures of a corner arrow, as far as there is room for them.
struct CornerArrow {
  double half;  ///< Of the head's breadth.
  double head, thick;
  double outer, inner;  ///< Radii of the bend.
  CornerArrow(StarterSize s, Values v) {
    const double side = std::min(s.width, s.height);
    half = 0.3 * side;
    head = v[0] * 2 * half;
    thick = std::min(v[1] * 2 * half, 0.8 * (s.width - head));
    const double top = half - thick / 2;
    outer = v[2] * 0.95 * std::min(s.width - head, s.height - top);
    inner = std::clamp(outer - thick, 0.0, 0.95 * std::min(s.width - head - thick, s.height - half - thick / 2));
  }
};
Outline cornerArrow(StarterSize s, Values v) {
  const CornerArrow a(s, v);
  const double w = s.width, h = s.height, top = a.half - a.thick / 2, below = a.half + a.thick / 2;
  ContourMaker out({0, h});
  out.arc({a.outer, top + a.outer}, a.outer, a.outer, -pi / 2, 0).line({w - a.head, top}).line({w - a.head, 0});
  out.line({w, a.half}).line({w - a.head, 2 * a.half}).line({w - a.head, below});
  out.arc({a.thick + a.inner, below + a.inner}, a.inner, a.inner, 0, -pi / 2).line({a.thick, h});
  return {{out.closed()}};
}
int cornerArrowNodes(StarterSize s, Values v) {
  const CornerArrow a(s, v);
  return 9 + (a.outer > 0 ? 1 : 0) + (a.inner > 0 ? 1 : 0);
}
constexpr NumberHandle cornerArrowHandles[] = {{0, -1, [](const Outline& o, Values) {
                                                  const Box box = bounds(o);
                                                  for (const Segment& s : o.contours[0].segments)
                                                    if (s.end.y == box.low.y) return s.end;
                                                  return box.low;
                                                }}};

constexpr StarterNumber chevronNumbers[] = {share("depth", 0.02, 1.5, 0.4, "how far its point reaches, in heights")};
Outline chevron(StarterSize s, Values v) {
  const double x = s.width / 2, y = s.height / 2, d = std::min(v[0] * s.height, 0.9 * s.width);
  return polygon({{-x, -y}, {x - d, -y}, {x, 0}, {x - d, y}, {-x, y}, {-x + d, 0}});
}
constexpr NumberHandle chevronHandles[] = {{0, -1, node<0, 1>}};

constexpr StarterNumber boltNumbers[] = {share("kink", 0, 1, 0.45, "how far its two limbs are apart"),
                                         share("lean", 0, 1, 0.4, "how slanted it is")};
Outline bolt(StarterSize, Values v) {
  const auto [kink, lean] = take<2>(v);
  const double step = 0.1 + 0.24 * kink, over = 0.16 * lean;
  return polygon({{0.3 + over, 0},
                  {0.72 + over, 0},
                  {0.6, 0.38},
                  {0.6 + step, 0.38},
                  {0.26 - over, 1},
                  {0.42, 0.55},
                  {0.42 - step, 0.55}});
}
constexpr NumberHandle boltHandles[] = {{0, -1, node<0, 3>}};

constexpr StarterNumber tickNumbers[] = {share("thickness", 0.05, 0.5, 0.22, "how thick its strokes are, in heights"),
                                         share("corner", 0.2, 0.6, 0.36, "where its corner lies, from left to right")};
Outline tick(StarterSize, Values v) {
  // Two strokes at right angles, turned by 45°: the corner at the bottom.
  const double t = v[0], shorter = 1.6 * v[1], longer = 1.6 * (1 - v[1]);
  const Outline strokes = polygon({{0, -longer - t}, {t, -longer - t}, {t, t}, {-shorter, t}, {-shorter, 0}, {0, 0}});
  return transformed(strokes, Affine::turn(pi / 4));
}
constexpr NumberHandle tickHandles[] = {{0, -1, node<0, 5>}};

constexpr StarterNumber pinNumbers[] = {share("hole", 0, 0.8, 0.4, "width of the hole"),
                                        share("point", 0, 1, 0.7, "from a blunt point to a sharp one")};
Outline pin(StarterSize, Values v) {
  const auto [hole, point] = take<2>(v);
  const double k = arcHandle(pi / 2), tip = 1.75;
  const Point side{1, k + 0.1}, off{0.5 * (1 - point), tip - 1.1 * point};
  ContourMaker out({-1, 0});
  out.arc({}, 1, 1, -pi / 2, pi / 2).curve(side, off, {0, tip}).curve({-off.x, off.y}, {-side.x, side.y}, {-1, 0});
  Outline outline{{out.closed()}};
  if (hole > 0) outline.contours.push_back(reversed(ellipseContour({}, hole, hole)));
  return outline;
}
int pinNodes(StarterSize, Values v) { return 4 + (v[0] > 0 ? 4 : 0); }
constexpr NumberHandle pinHandles[] = {
    {0, -1, [](const Outline& o, Values v) {
       return v[0] > 0 ? nodeOf(o, 1, 0) : Point{bounds(o).centre().x, nodeOf(o, 0, 0).y};
     }}};

constexpr StarterNumber ribbonNumbers[] = {share("notch", 0, 0.9, 0.35, "how deep its ends are notched, in heights"),
                                           choice("ends", "both|right", 0, "which ends are notched")};
Outline ribbon(StarterSize s, Values v) {
  const double x = s.width / 2, y = s.height / 2, d = std::min(v[0] * s.height, 0.45 * s.width);
  ContourMaker out({-x, -y});
  out.line({x, -y});
  if (d > 0) out.line({x - d, 0});
  out.line({x, y}).line({-x, y});
  if (d > 0 && v[1] == 0) out.line({-x + d, 0});
  return {{out.closed()}};
}
int ribbonNodes(StarterSize, Values v) { return v[0] == 0 ? 4 : v[1] == 0 ? 6 : 5; }
Symmetry ribbonSymmetry(Values v) { return {v[1] == 0 || v[0] == 0, true}; }
constexpr NumberHandle ribbonHandles[] = {{0, -1, node<0, 2>}};

constexpr StarterKind table[] = {
    {"arrow", "signs", "the shape of its head", arrowNumbers, inMm(48, 24), arrow, arrowNodes,
     [](Values v) {
       return Symmetry{false, v[3] == 0};
     },
     arrowHandles},
    {"double arrow", "signs", "the shape of its heads", doubleArrowNumbers, inMm(56, 22), doubleArrow, doubleArrowNodes,
     [](Values v) {
       return Symmetry{true, v[2] == 0};
     },
     doubleArrowHandles},
    {"corner arrow", "signs", "the shape of its head", cornerArrowNumbers, usualSide, cornerArrow, cornerArrowNodes,
     none, cornerArrowHandles},
    {"chevron", "signs", "the slope of its point", chevronNumbers, inMm(28, 36), chevron, always<6>, topAndBottom,
     chevronHandles},
    {"ribbon", "signs", "the slope of its notches", ribbonNumbers, inMm(60, 16), ribbon, ribbonNodes, ribbonSymmetry,
     ribbonHandles},
    {"bolt", "signs", "", boltNumbers, usualSide, bolt, always<7>, none, boltHandles},
    {"tick", "signs", "", tickNumbers, usualSide, tick, always<6>, none, tickHandles},
    {"pin", "signs", "", pinNumbers, usualSide, pin, pinNodes, leftAndRight, pinHandles},
};

}  // namespace

std::span<const StarterKind> signs() { return table; }

}  // namespace widecut::kinds
