// Shapes of many corners.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

constexpr int mostCorners = 400;

constexpr StarterNumber polygonNumbers[] = {count("corners", 3, mostCorners, 6, "how many corners it has"),
                                            angle("turn", -180, 180, 0, "how far it is turned in its frame"),
                                            share("soft corners", 0, 1, 0, "from sharp corners to soft ones")};
Outline polygonShape(StarterSize, Values v) {
  const auto [corners, turn, soft] = take<3>(v);
  std::vector<Point> points(static_cast<std::size_t>(corners));
  for (std::size_t i = 0; i < points.size(); ++i)
    points[i] = around(2 * pi * static_cast<double>(i) / corners + radians(turn));
  return soft > 0 ? Outline{{softened(points, std::vector<double>(points.size(), soft))}} : polygon(points);
}
int polygonNodes(StarterSize, Values v) { return static_cast<int>(v[0]) * (v[2] > 0 && v[2] < 1 ? 2 : 1); }
Symmetry polygonSymmetry(Values v) { return {v[1] == 0, v[1] == 0 && std::fmod(v[0], 2) == 0}; }
constexpr NumberHandle polygonHandles[] = {
    {1, -1, [](const Outline& o, Values v) {
       // Towards the first corner.
       const Box box = bounds(o);
       const Point up = around(radians(v[1])), mid = box.centre();
       constexpr double in = 0.3;  // parts of the frame
       return Point{mid.x + up.x * box.width() * in, mid.y + up.y * box.height() * in};
     }}};

/// A contour through tips and valleys in turn, from a tip on.
Outline spiky(const std::vector<Point>& points, double softTips, double softValleys) {
  if (softTips == 0 && softValleys == 0) return polygon(points);
  std::vector<double> shares(points.size());
  for (std::size_t i = 0; i < points.size(); ++i) shares[i] = i % 2 == 0 ? softTips : softValleys;
  return {{softened(points, shares)}};
}
int spikyNodes(double tips, double softTips, double softValleys) {
  const int each = (softTips > 0 ? 2 : 1) + (softValleys > 0 ? 2 : 1) - (softTips == 1 && softValleys == 1 ? 2 : 0);
  return static_cast<int>(tips) * each;
}
/// The corner of the valley after the first tip, whatever of it is softened away.
Point firstValley(const Outline& o, double softTips, double softValleys) {
  // From the end of the tip's curve a straight edge, or none, leads to the valley's curve, whose corner lies ahead.
  const Contour& c = o.contours[0];
  const std::size_t first = softTips > 0 && softTips + softValleys >= 2 ? 0 : 1;
  if (softValleys == 0) return c.segments[0].end;
  const Segment& curve = c.segments[std::min(first, c.segments.size() - 1)];
  return mix(curve.handle1, curve.handle2, 0.5);
}

constexpr StarterNumber starNumbers[] = {count("corners", 3, mostCorners, 5, "how many tips it has"),
                                         share("depth", 0, 0.99, 0.5, "how far the valleys reach in"),
                                         share("twist", -1, 1, 0, "how far the valleys are turned against the tips"),
                                         share("soft tips", 0, 1, 0, "from sharp tips to soft ones"),
                                         share("soft valleys", 0, 1, 0, "from sharp valleys to soft ones")};
Outline star(StarterSize, Values v) {
  const auto [corners, depth, twist, softTips, softValleys] = take<5>(v);
  const double step = pi / corners;
  std::vector<Point> points;
  for (int i = 0; i < corners; ++i) {
    points.push_back(around(2 * i * step));
    points.push_back(around((2 * i + 1 + 0.9 * twist) * step) * (1 - depth));
  }
  return spiky(points, softTips, softValleys);
}
int starNodes(StarterSize, Values v) { return spikyNodes(v[0], v[3], v[4]); }
Symmetry starSymmetry(Values v) { return {v[2] == 0, v[2] == 0 && std::fmod(v[0], 2) == 0}; }
constexpr NumberHandle starHandles[] = {{1, 2, [](const Outline& o, Values v) { return firstValley(o, v[3], v[4]); }}};

constexpr StarterNumber burstNumbers[] = {count("spikes", 5, 120, 18, "how many spikes it has"),
                                          share("depth", 0.02, 0.9, 0.28, "how far the valleys reach in"),
                                          share("ragged", 0, 1, 0.35, "how irregular the spikes are"),
                                          share("soft tips", 0, 1, 0, "from sharp tips to soft ones"),
                                          share("soft valleys", 0, 1, 0, "from sharp valleys to soft ones"),
                                          seed()};
Outline burst(StarterSize, Values v) {
  const auto [spikes, depth, ragged, softTips, softValleys, seed] = take<6>(v);
  const double step = pi / spikes;
  std::vector<Point> points;
  for (unsigned i = 0; i < 2 * spikes; ++i) {
    const double aside = ragged * 0.7 * (chance(seed, 2 * i) - 0.5);
    const double in = ragged * chance(seed, 2 * i + 1) * (i % 2 == 0 ? 0.4 : 0.3);
    points.push_back(around((i + aside) * step) * ((i % 2 == 0 ? 1 : 1 - depth) * (1 - in)));
  }
  return spiky(points, softTips, softValleys);
}
int burstNodes(StarterSize, Values v) { return spikyNodes(v[0], v[3], v[4]); }
Symmetry burstSymmetry(Values v) { return {v[2] == 0, v[2] == 0 && std::fmod(v[0], 2) == 0}; }
constexpr NumberHandle burstHandles[] = {
    {1, -1, [](const Outline& o, Values v) { return firstValley(o, v[3], v[4]); }}};

// Gears: involute teeth of 30°, 0.75 modules high: so low that six teeth are enough without undercutting (at least
// 2·0.75/sin²30°), with a little play. The module is 1.
constexpr double pressure = 30, tooth = 0.75, clearance = 0.2, play = 0.01;
double involute(double angle) { return std::tan(angle) - angle; }
double tipRadius(double teeth) { return teeth / 2 + tooth; }

constexpr StarterNumber gearNumbers[] = {
    count("teeth", 6, 120, 14, "how many teeth it has"), share("bore", 0, 0.7, 0.25, "width of the hole"),
    choice("keeps", "size|pitch", 0, "what stays when the count of teeth changes; gears of one pitch mesh")};
Outline gear(StarterSize, Values v) {
  const auto [teeth, bore, keeps] = take<3>(v);
  const double pitchRadius = teeth / 2, base = pitchRadius * std::cos(radians(pressure));
  const double tip = tipRadius(teeth), root = pitchRadius - tooth - clearance, from = std::max(base, root);
  // Half the angle of a tooth at a radius from the base on.
  const auto half = [&](double r) {
    const double here = std::acos(std::min(1.0, base / r));
    return pi / (4 * pitchRadius) * (1 - 2 * play) + involute(radians(pressure)) - involute(here);
  };
  // The flank by its length of arc: base·(roll² between its ends)/2. Its tangent is turned from the radius by the
  // angle of the involute.
  const auto roll = [&](double r) { return std::sqrt(std::max(0.0, r * r / (base * base) - 1)); };
  const double third = base * (roll(tip) * roll(tip) - roll(from) * roll(from)) / 6;
  // Within 0.02 modules of the involute, whose curvature has no bound at its base.
  const double atRoot = third * (root < base ? 0.65 : 1), atTip = third * (root < base ? 1.1 : 1);
  const auto tangent = [&](double r, double at) {
    const double here = std::acos(std::min(1.0, base / r));
    return around(at) * std::cos(here) + aroundStep(at) * std::sin(here);
  };
  const double step = 2 * pi / teeth;
  ContourMaker out(around(-half(tip)) * tip);
  for (int i = 0; i < teeth; ++i) {
    const double mid = i * step, tipAt = mid + half(tip), rootAt = mid + half(from);
    out.arc({}, tip, tip, mid - half(tip), tipAt);
    // Down the right flank, round the root, up the next tooth's left flank.
    const auto mirrored = [](Point t, double at) { return t - aroundStep(at) * (2 * dot(t, aroundStep(at))); };
    const Point downTip = mirrored(tangent(tip, tipAt), tipAt), downRoot = mirrored(tangent(from, rootAt), rootAt);
    out.curve(around(tipAt) * tip - downTip * atTip, around(rootAt) * from + downRoot * atRoot, around(rootAt) * from);
    const double next = mid + step - half(from), nextTip = mid + step - half(tip);
    out.arc({}, root, root, rootAt, next).line(around(next) * from);
    out.curve(around(next) * from + tangent(from, next) * atRoot, around(nextTip) * tip - tangent(tip, nextTip) * atTip,
              around(nextTip) * tip);
  }
  Outline outline{{out.closed()}};
  if (bore > 0) outline.contours.push_back(reversed(ellipseContour({}, root * bore, root * bore)));
  return outline;
}
int gearNodes(StarterSize, Values v) {
  const bool radial = v[0] / 2 - tooth - clearance < v[0] / 2 * std::cos(radians(pressure)) - 1e-9;
  return static_cast<int>(v[0]) * (radial ? 6 : 4) + (v[1] > 0 ? 4 : 0);
}
Symmetry gearSymmetry(Values v) { return {true, std::fmod(v[0], 2) == 0}; }
Box gearFrame(Box frame, Values before, Values after) {
  if (after[2] == 0 || before[0] == after[0]) return frame;
  const Box was = bounds(gear({}, before)), is = bounds(gear({}, after));
  const Point half{frame.width() / was.width() * is.width() / 2, frame.height() / was.height() * is.height() / 2};
  return {frame.centre() - half, frame.centre() + half};
}
constexpr NumberHandle gearHandles[] = {
    {1, -1, [](const Outline& o, Values v) { return v[1] > 0 ? nodeOf(o, 1, 0) : bounds(o).centre(); }}};

constexpr StarterKind table[] = {
    {"polygon", "corners", "", polygonNumbers, usualSide, polygonShape, polygonNodes, polygonSymmetry, polygonHandles},
    {"star", "corners", "", starNumbers, usualSide, star, starNodes, starSymmetry, starHandles},
    {"burst", "corners", "", burstNumbers, usualSide, burst, burstNodes, burstSymmetry, burstHandles},
    {"gear", "corners", "", gearNumbers, usualSide, gear, gearNodes, gearSymmetry, gearHandles, gearFrame},
};

}  // namespace

std::span<const StarterKind> corners() { return table; }

}  // namespace widecut::kinds
