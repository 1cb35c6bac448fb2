// Plain shapes: what a sheet is laid out with.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

// 4/3·tan(90°/4): handles of a quarter of an ellipse.
const double quarter = arcHandle(pi / 2);

constexpr StarterNumber boxNumbers[] = {lengthOf("rounding", 0, 0, "radius of the corners")};
Outline box(StarterSize s, Values v) { return {{roundedBox(frameOf(s), v[0])}}; }
int boxNodes(StarterSize s, Values v) {
  const double r = std::min({v[0], s.width / 2, s.height / 2});
  return r == 0 ? 4 : 8 - (2 * r == s.width ? 2 : 0) - (2 * r == s.height ? 2 : 0);
}
// Handles keep clear of the corners and middles of the frame, which resize it.
constexpr NumberHandle boxHandles[] = {{0, -1, [](const Outline& o, Values v) {
                                          const Box box = bounds(o);
                                          const double side = std::min(box.width(), box.height());
                                          return box.low + Point{std::min(v[0], side / 2) + 0.12 * side, 0};
                                        }}};

Outline ellipse(StarterSize s, Values) { return {{ellipseContour({}, s.width / 2, s.height / 2)}}; }

constexpr StarterNumber triangleNumbers[] = {share("tip", -1, 1, 0, "where the tip stands, from left to right")};
Outline triangle(StarterSize, Values v) { return polygon({{v[0], -1}, {1, 1}, {-1, 1}}); }
constexpr NumberHandle triangleHandles[] = {
    {0, -1, [](const Outline& o, Values) { return mix(nodeOf(o, 0, 0), nodeOf(o, 0, 1), 0.25); }}};

constexpr StarterNumber archNumbers[] = {
    share("rise", 0.1, 2, 1, "height of the bow in halves of the width: 100 % is a half circle"),
    share("pointed", 0, 1, 0, "from a round top to a pointed one")};
Outline arch(StarterSize s, Values v) {
  const auto [rise, pointed] = take<2>(v);
  const double x = s.width / 2, y = s.height / 2, r = std::min(rise * x, s.height), spring = -y + r;
  const double tipX = quarter * x * (1 - pointed), tipY = -y + 0.45 * r * pointed;
  ContourMaker out({-x, spring});
  out.curve({-x, spring - quarter * r}, {-tipX, tipY}, {0, -y})
      .curve({tipX, tipY}, {x, spring - quarter * r}, {x, spring});
  return {{out.line({x, y}).line({-x, y}).closed()}};
}
int archNodes(StarterSize s, Values v) { return v[0] * s.width / 2 >= s.height ? 3 : 5; }
constexpr NumberHandle archHandles[] = {{0, -1, node<0, 0>}};

Outline halfDisc(StarterSize, Values) {
  ContourMaker out({-1, 0});
  return {{out.arc({}, 1, 1, -pi / 2, pi / 2).closed()}};
}

constexpr StarterNumber sliceNumbers[] = {angle("sweep", 5, 355, 70, "how much of the disc it is"),
                                          angle("aim", -180, 180, 0, "where it points; 0° is up"),
                                          share("hole", 0, 0.95, 0, "what is cut off its point")};
Outline slice(StarterSize, Values v) {
  const auto [sweep, aim, hole] = take<3>(v);
  const double from = radians(aim - sweep / 2), to = radians(aim + sweep / 2);
  ContourMaker out(around(from));
  out.arc({}, 1, 1, from, to);
  if (hole > 0)
    out.arc({}, hole, hole, to, from);
  else
    out.line({});
  return {{out.closed()}};
}
int sliceNodes(StarterSize, Values v) {
  const int arc = arcSteps(radians(v[0])) + 1;
  return arc + (v[2] > 0 ? arc : 1);
}
Symmetry sliceSymmetry(Values v) { return {std::fmod(v[1], 180) == 0, std::abs(v[1]) == 90}; }
constexpr NumberHandle sliceHandles[] = {{0, 1, node<0, 0>}};

constexpr StarterNumber ringNumbers[] = {share("hole", 0.05, 0.95, 0.6, "width of the hole")};
Outline ring(StarterSize, Values v) { return {{ellipseContour({}, 1, 1), reversed(ellipseContour({}, v[0], v[0]))}}; }
constexpr NumberHandle ringHandles[] = {{0, -1, node<1, 0>}};

Outline capsule(StarterSize s, Values) { return {{roundedBox(frameOf(s), std::min(s.width, s.height) / 2)}}; }
int capsuleNodes(StarterSize s, Values) { return s.width == s.height ? 4 : 6; }

constexpr StarterNumber slantNumbers[] = {share("lean", -0.9, 0.9, 0.25, "how far the top is shifted")};
Outline slant(StarterSize, Values v) {
  const double right = std::max(v[0], 0.0), left = std::max(-v[0], 0.0);
  return polygon({{right, 0}, {1 - left, 0}, {1 - right, 1}, {left, 1}});
}
Symmetry slantSymmetry(Values v) { return {v[0] == 0, v[0] == 0}; }
constexpr NumberHandle slantHandles[] = {
    {0, -1, [](const Outline& o, Values) { return mix(nodeOf(o, 0, 0), nodeOf(o, 0, 3), 0.3); }}};

constexpr StarterNumber taperNumbers[] = {share("top", 0, 1, 0.6, "width of the top"),
                                          share("shift", -1, 1, 0, "where the top stands, from left to right")};
Outline taper(StarterSize, Values v) {
  const double left = (1 - v[0]) * (1 + v[1]) / 2;
  ContourMaker out({left, 0});
  return {{out.line({left + v[0], 0}).line({1, 1}).line({0, 1}).closed()}};
}
Symmetry taperSymmetry(Values v) { return {v[1] == 0 || v[0] == 1, v[0] == 1}; }
constexpr NumberHandle taperHandles[] = {{0, -1, [](const Outline& o, Values) {
                                            const Box box = bounds(o);
                                            return mix(nodeOf(o, 0, 0), Point{box.low.x, box.high.y}, 0.3);
                                          }}};

constexpr StarterNumber crossNumbers[] = {share("arms", 0.05, 0.95, 0.36, "how thick the arms are"),
                                          share("shift", -1, 1, 0, "height of the arms across")};
Outline cross(StarterSize s, Values v) {
  const double x = s.width / 2, y = s.height / 2, t = v[0] * std::min(x, y), c = v[1] * (y - t);
  // At the ends of the shift one arm is gone, and with it the corners at its root.
  ContourMaker out({-x, c + t});
  out.line({-x, c - t});
  if (c - t > -y) out.line({-t, c - t}).line({-t, -y}).line({t, -y}).line({t, c - t});
  out.line({x, c - t}).line({x, c + t});
  if (c + t < y) out.line({t, c + t}).line({t, y}).line({-t, y}).line({-t, c + t});
  return {{out.closed()}};
}
int crossNodes(StarterSize, Values v) { return std::abs(v[1]) == 1 ? 8 : 12; }
Symmetry crossSymmetry(Values v) { return {true, v[1] == 0}; }
constexpr NumberHandle crossHandles[] = {
    {0, 1, [](const Outline& o, Values v) {
       const Box box = bounds(o);
       const double t = v[0] * std::min(box.width(), box.height()) / 2;
       return Point{box.centre().x + t, box.centre().y + v[1] * (box.height() / 2 - t) - t};
     }}};

constexpr StarterNumber frameNumbers[] = {lengthOf("border", 0.1, 5, "how wide the border is"),
                                          lengthOf("rounding", 0, 0, "radius of the outer corners")};
Outline frame(StarterSize s, Values v) {
  const double border = std::min(v[0], 0.49 * std::min(s.width, s.height));
  const double radius = std::min({v[1], s.width / 2, s.height / 2});
  return {{roundedBox(frameOf(s), radius), reversed(roundedBox(frameOf(s).grown(-border), radius - border))}};
}
int frameNodes(StarterSize s, Values v) {
  const double border = std::min(v[0], 0.49 * std::min(s.width, s.height));
  const double radius = std::min({v[1], s.width / 2, s.height / 2});
  const double inner[] = {radius - border};
  return boxNodes(s, v.subspan(1)) +
         (inner[0] <= 0 ? 4 : boxNodes({s.width - 2 * border, s.height - 2 * border}, inner));
}
constexpr NumberHandle frameHandles[] = {{0, -1, [](const Outline& o, Values) {
                                            const Box inner = bounds({{o.contours[1]}});
                                            return Point{inner.centre().x, inner.low.y};
                                          }}};

constexpr StarterNumber angleNumbers[] = {share("arms", 0.05, 0.95, 0.3, "how thick the arms are")};
Outline angleShape(StarterSize s, Values v) {
  const double x = s.width / 2, y = s.height / 2, t = v[0] * std::min(s.width, s.height);
  return polygon({{-x, -y}, {t - x, -y}, {t - x, y - t}, {x, y - t}, {x, y}, {-x, y}});
}
constexpr NumberHandle angleHandles[] = {{0, -1, node<0, 2>}};

constexpr StarterNumber heartNumbers[] = {share("cleft", 0.05, 0.6, 0.22, "how deep the cleft is"),
                                          share("fullness", 0, 1, 0.5, "from slim to full")};
Outline heart(StarterSize, Values v) {
  const auto [depth, full] = take<2>(v);
  const double cleft = -1 + 2 * depth, top = 0.52, side = -0.4;
  const auto half = [&, fullness = full](double way, ContourMaker& out, bool down) {
    const Point lobe{way * top, -1}, edge{way, side}, tip{0, 1};
    const Point rise{0, cleft - 0.6 * (cleft + 1)}, over{way * (top - 0.3), -1};
    const Point out1{way * (top + (1 - top) * quarter), -1}, out2{way, side - (side + 1) * quarter};
    const Point in1{way, side + (1 - side) * (0.18 + 0.3 * fullness)}, in2{way * (0.12 + 0.42 * fullness), 0.62};
    if (down)
      out.curve(rise, over, lobe).curve(out1, out2, edge).curve(in1, in2, tip);
    else
      out.curve(in2, in1, edge).curve(out2, out1, lobe).curve(over, rise, {0, cleft});
  };
  ContourMaker out({0, cleft});
  half(1, out, true);
  half(-1, out, false);
  return {{out.closed()}};
}
constexpr NumberHandle heartHandles[] = {{0, -1, node<0, 0>}};

constexpr StarterNumber dropNumbers[] = {share("point", 0, 1, 0.6, "from an egg to a sharp point")};
Outline drop(StarterSize, Values v) {
  constexpr double tip = -1.7;
  const Point off{0.6 * (1 - v[0]), tip + 1.2 * v[0]}, side{1, 0.15};
  ContourMaker out({0, tip});
  out.curve(off, side, {1, 1}).arc({0, 1}, 1, 1, pi / 2, 1.5 * pi).curve({-side.x, side.y}, {-off.x, off.y}, {0, tip});
  return {{out.closed()}};
}

constexpr StarterNumber crescentNumbers[] = {share("thickness", 0.1, 0.95, 0.42, "how full the moon is"),
                                             angle("horns", 180, 320, 248, "how far the horns reach round")};
Outline crescent(StarterSize, Values v) {
  const auto [thickness, horns] = take<2>(v);
  // The inner edge is half an ellipse between the horns.
  const double half = radians(horns) / 2, from = -pi / 2 - half, to = -pi / 2 + half;
  const Point horn = around(to);
  const double reach = (1 + horn.x) * (1 - thickness);
  ContourMaker out(around(from));
  return {{out.arc({}, 1, 1, from, to).arc({horn.x, 0}, reach, std::abs(horn.y), 0, -pi).closed()}};
}
int crescentNodes(StarterSize, Values v) { return arcSteps(radians(v[1])) + 2; }
constexpr NumberHandle crescentHandles[] = {{0, -1, [](const Outline& o, Values) {
                                               const auto& steps = o.contours[0].segments;
                                               return steps[steps.size() - 2].end;
                                             }}};

constexpr StarterNumber lensNumbers[] = {share("fullness", 0, 1, 0.45, "from a pointed leaf to a full one")};
Outline lens(StarterSize, Values v) {
  const Point handle{-1 + 0.9 * (1 - v[0]), -1};
  ContourMaker out({-1, 0});
  out.curve(handle, {-handle.x, handle.y}, {1, 0}).curve(-handle, {handle.x, -handle.y}, {-1, 0});
  return {{out.closed()}};
}

constexpr StarterKind table[] = {
    {"box", "plain", "the radius of its corners", boxNumbers, usualSide, box, boxNodes, bothWays, boxHandles},
    {"ellipse", "plain", "", {}, usualSide, ellipse, always<4>, bothWays},
    {"triangle", "plain", "", triangleNumbers, usualSide, triangle, always<3>,
     [](Values v) {
       return Symmetry{v[0] == 0, false};
     },
     triangleHandles},
    {"arch", "plain", "the roundness of its bow", archNumbers, inMm(30, 40), arch, archNodes, leftAndRight,
     archHandles},
    {"half disc", "plain", "", {}, usualSide, halfDisc, always<3>, leftAndRight},
    {"slice", "plain", "", sliceNumbers, usualSide, slice, sliceNodes, sliceSymmetry, sliceHandles},
    {"ring", "plain", "", ringNumbers, usualSide, ring, always<8>, bothWays, ringHandles},
    {"capsule", "plain", "its round ends", {}, inMm(48, 20), capsule, capsuleNodes, bothWays},
    {"slant", "plain", "", slantNumbers, usualSide, slant, always<4>, slantSymmetry, slantHandles},
    {"taper", "plain", "", taperNumbers, usualSide, taper, [](StarterSize, Values v) { return v[0] == 0 ? 3 : 4; },
     taperSymmetry, taperHandles},
    {"cross", "plain", "arms of one thickness", crossNumbers, usualSide, cross, crossNodes, crossSymmetry,
     crossHandles},
    {"frame", "plain", "its border", frameNumbers, inMm(48, 36), frame, frameNodes, bothWays, frameHandles},
    {"angle", "plain", "arms of one thickness", angleNumbers, usualSide, angleShape, always<6>, none, angleHandles},
    {"heart", "plain", "", heartNumbers, usualSide, heart, always<6>, leftAndRight, heartHandles},
    {"drop", "plain", "", dropNumbers, usualSide, drop, always<4>, leftAndRight},
    {"crescent", "plain", "", crescentNumbers, usualSide, crescent, crescentNodes, topAndBottom, crescentHandles},
    {"lens", "plain", "", lensNumbers, inMm(48, 24), lens, always<2>, bothWays},
};

}  // namespace

std::span<const StarterKind> plain() { return table; }

}  // namespace widecut::kinds
