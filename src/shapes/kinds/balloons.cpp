// Balloons, clouds and pieces that fit: shapes whose body stays while something stands out of it.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

// Clouds: single curves over the edges of a polygon in an ellipse. The handles stand square on their edge, so that
// lobes stay in strips that do not meet.

struct Lobes {
  double count, depth, uneven, seed, from, to;
};
Contour lobed(const Lobes& l, double rx, double ry) {
  std::vector<double> ends{0};
  for (unsigned i = 0; i < l.count; ++i) ends.push_back(ends.back() + 1 + l.uneven * 1.2 * (chance(l.seed, i) - 0.5));
  const auto place = [&](double end) {
    const Point p = around(l.from + (l.to - l.from) * end / ends.back());
    return Point{rx * p.x, ry * p.y};
  };
  ContourMaker out(place(0));
  for (std::size_t i = 1; i < ends.size(); ++i) {
    const Point a = out.at(), b = place(ends[i]), chord = b - a;
    const Point outwards = Point{chord.y, -chord.x} * (0.9 * l.depth);
    out.curve(a + outwards, b + outwards, b);
  }
  return out.closed();
}

constexpr StarterNumber cloudNumbers[] = {count("lobes", 4, 24, 7, "how many lobes it has"),
                                          share("depth", 0.1, 1, 0.62, "how far the lobes swell"),
                                          share("uneven", 0, 1, 0.6, "how different the lobes are"),
                                          onOff("flat base", true, "whether it lies on a straight edge"), seed()};
Outline cloud(StarterSize, Values v) {
  const auto [lobes, depth, uneven, flat, seed] = take<5>(v);
  const double half = radians(flat > 0 ? 118 : 180);
  return {{lobed({lobes, depth, uneven, seed, -half, half}, 1, 0.68)}};
}
int cloudNodes(StarterSize, Values v) { return static_cast<int>(v[0]) + (v[3] > 0 ? 1 : 0); }
Symmetry cloudSymmetry(Values v) { return {v[2] == 0, false}; }

constexpr NumberHandle cloudHandles[] = {{0, -1, node<0, 1>}};

// Balloons: a body in its frame, and a tail that reaches out of it on one side. They are drawn with the tail below and
// turned by quarters.

constexpr std::string_view tailSides = "below|left|above|right";
constexpr double mostReach = 4;  // in heights of the body

/// The frame of a balloon seen with its tail below.
struct Tailed {
  double width, height;  ///< Of the whole.
  double reach;          ///< Of the tail below the body.
  Box body;
  double tip;  ///< x of the tail's end.
};
/// Tips beyond the body's sides widen the frame.
double widening(double tip) { return std::abs(tip) <= 1 ? 1 : (1 + std::abs(tip)) / 2; }
bool isBeside(double side) { return side == 1 || side == 3; }
/// So that a positive tip is to the right or further down on all sides.
double signOn(double side) { return side >= 2 ? -1 : 1; }

Tailed tailed(StarterSize s, double side, double reach, double tip) {
  Tailed out{s.width, s.height, 0, {}, 0};
  if (isBeside(side)) std::swap(out.width, out.height);
  const double along = signOn(side) * tip;
  out.reach = std::min(reach, out.height * mostReach / (1 + mostReach));
  const double wide = out.width / widening(along), middle = along > 1    ? -out.width / 2 + wide / 2
                                                            : along < -1 ? out.width / 2 - wide / 2
                                                                         : 0;
  out.body = {{middle - wide / 2, -out.height / 2}, {middle + wide / 2, out.height / 2 - out.reach}};
  out.tip = middle + along * wide / 2;
  return out;
}
/// From there to the frame as it is.
Affine turned(double side) { return quarterTurns(static_cast<int>(side)); }
/// The frame in which the body is what it was.
Box frameAround(Box frame, double sideBefore, double reachBefore, double tipBefore, double side, double reach,
                double tip) {
  const Tailed was = tailed({frame.width(), frame.height()}, sideBefore, reachBefore, tipBefore);
  const Box body = turned(sideBefore)(was.body);
  double wide = body.width(), high = body.height();
  if (isBeside(side)) std::swap(wide, high);
  StarterSize size{wide * widening(tip), high + std::min(reach, mostReach * high)};
  if (isBeside(side)) std::swap(size.width, size.height);
  const Point middle = frame.centre() + body.centre() - turned(side)(tailed(size, side, reach, tip).body).centre();
  const Point half{size.width / 2, size.height / 2};
  return {middle - half, middle + half};
}
/// The side, reach and tip that bring a tail's end to a point of the frame, while the body stays.
void reachFor(StarterSize s, Point point, double& side, double& reach, double& tip) {
  const Box body = turned(side)(tailed(s, side, reach, tip).body);
  const Point off = point - body.centre();
  const double x = off.x / (body.width() / 2), y = off.y / (body.height() / 2);
  side = std::abs(y) >= std::abs(x) ? (y >= 0 ? 0 : 2) : (x >= 0 ? 3 : 1);
  reach = std::max(0.0, isBeside(side) ? std::abs(off.x) - body.width() / 2 : std::abs(off.y) - body.height() / 2);
  tip = isBeside(side) ? y : x;
}

constexpr StarterNumber speechNumbers[] = {
    choice("body", "box|ellipse", 0, "what holds the words"),
    lengthOf("rounding", 0, 4, "radius of a box's corners"),
    choice("side", tailSides, 0, "where the tail is"),
    lengthOf("reach", 0.5, 9, "how far the tail reaches out"),
    share("tip", -2, 2, -0.5, "where the tail ends, from the middle of its side"),
    share("root", -1, 1, -0.25, "where the tail grows, from the middle of its side"),
    lengthOf("thickness", 0.5, 7, "width of the tail where it grows")};
Outline speech(StarterSize s, Values v) {
  const auto [body, rounding, side, reach, tip, root, width] = take<7>(v);
  const Tailed f = tailed(s, side, reach, tip);
  const Box b = f.body;
  const Point end{f.tip, f.height / 2}, middle = b.centre();
  const double rootAt = signOn(side) * root;
  Outline out;
  if (body == 0) {
    const double r = std::min({rounding, 0.45 * b.width(), b.height() / 2}), straight = b.width() - 2 * r;
    const double wide = std::min(width, straight), at = middle.x + rootAt * (straight - wide) / 2;
    ContourMaker c({b.low.x + r, b.low.y});
    c.arc({b.high.x - r, b.low.y + r}, r, r, 0, pi / 2).arc({b.high.x - r, b.high.y - r}, r, r, pi / 2, pi);
    c.line({at + wide / 2, b.high.y}).line(end).line({at - wide / 2, b.high.y});
    c.arc({b.low.x + r, b.high.y - r}, r, r, pi, 1.5 * pi).arc({b.low.x + r, b.low.y + r}, r, r, 1.5 * pi, 2 * pi);
    out = {{c.closed()}};
  } else {
    // In circles: the tail grows where it can be seen from its end.
    const double rx = b.width() / 2, ry = b.height() / 2;
    const Point seen{(end.x - middle.x) / rx, (end.y - middle.y) / ry};
    const double reached = std::acos(std::min(1.0, 1 / length(seen))),
                 half = std::min(width / (rx + ry), 0.9 * reached);
    const double at = std::atan2(seen.x, -seen.y) - rootAt * 0.95 * (reached - half);
    ContourMaker c(end);
    out = {{c.arc(middle, rx, ry, at + half, at - half + 2 * pi).closed()}};
  }
  return transformed(out, turned(side));
}
int speechNodes(StarterSize s, Values v) {
  if (v[0] == 0) {
    const Tailed f = tailed(s, v[2], v[3], v[4]);
    const double r = std::min({v[1], 0.45 * f.body.width(), f.body.height() / 2});
    const bool end = std::abs(v[5]) == 1 || v[6] >= f.body.width() - 2 * r;
    return 3 + (r == 0 ? 4 : r == f.body.height() / 2 ? 6 : 8) - (end ? (v[6] >= f.body.width() - 2 * r ? 2 : 1) : 0);
  }
  const Tailed f = tailed(s, v[2], v[3], v[4]);
  const double rx = f.body.width() / 2, ry = f.body.height() / 2;
  const Point seen{(f.tip - f.body.centre().x) / rx, (f.height / 2 - f.body.centre().y) / ry};
  const double half = std::min(v[6] / (rx + ry), 0.9 * std::acos(std::min(1.0, 1 / length(seen))));
  return 2 + arcSteps(2 * pi - 2 * half);
}
Symmetry tailSymmetry(bool straight, double side) { return {straight && !isBeside(side), straight && isBeside(side)}; }
Box speechFrame(Box frame, Values a, Values b) { return frameAround(frame, a[2], a[3], a[4], b[2], b[3], b[4]); }
/// The end of a balloon's tail: the only node at the far side of the frame, where a side is a tail's alone.
Point tailEnd(const Outline& o, double side, double reach, double tip) {
  const Box box = bounds(o);
  const Tailed f = tailed({box.width(), box.height()}, side, reach, tip);
  return box.centre() + turned(side)(Point{f.tip, f.height / 2});
}
constexpr NumberHandle speechHandles[] = {
    {3, 4, [](const Outline& o, Values v) { return tailEnd(o, v[2], v[3], v[4]); },
     [](StarterSize s, Point p, std::span<double> v) { reachFor(s, p, v[2], v[3], v[4]); }}};

constexpr StarterNumber thoughtNumbers[] = {
    count("lobes", 5, 24, 11, "how many lobes the cloud has"),
    share("depth", 0.1, 1, 0.5, "how far the lobes swell"),
    choice("side", tailSides, 0, "where the discs are"),
    lengthOf("reach", 0.5, 11, "how far the discs reach out"),
    share("tip", -1, 1, -0.55, "where the last disc is, from the middle of its side"),
    count("discs", 1, 6, 3, "how many discs lead away")};
Outline thought(StarterSize s, Values v) {
  const auto [lobes, depth, side, reach, tip, discs] = take<6>(v);
  const Tailed f = tailed(s, side, reach, tip);
  // From disc to disc 0.68 times as wide, with a quarter of a disc before each.
  constexpr double less = 0.68, gap = 0.25;
  double sum = 0;
  for (int i = 0; i < discs; ++i) sum += std::pow(less, i) * (1 + gap);
  const double first = std::min(f.reach / sum, 0.4 * f.width);
  const double last = first * std::pow(less, discs - 1) / 2;
  const Contour cloud = lobed({lobes, depth, 0, 0, -pi, pi}, f.body.width() / 2, f.body.height() / 2);
  const Box raw = bounds({{cloud}});
  Outline out = transformed({{cloud}}, Affine::move(f.body.centre()) *
                                           Affine::scale(f.body.width() / raw.width(), f.body.height() / raw.height()) *
                                           Affine::move(-raw.centre()));
  const double endX = std::clamp(f.tip, -f.width / 2 + last, f.width / 2 - last);
  const double spare = (f.reach - first * sum) / discs;
  double y = f.body.high.y;
  for (int i = 0; i < discs; ++i) {
    const double d = first * std::pow(less, i);
    y += gap * d + spare;
    const double way = (y + d / 2 - f.body.high.y) / (f.reach - last);
    out.contours.push_back(ellipseContour({endX * (0.45 + 0.55 * way), y + d / 2}, d / 2, d / 2));
    y += d;
  }
  return transformed(out, turned(side));
}
int thoughtNodes(StarterSize, Values v) { return static_cast<int>(v[0] + 4 * v[5]); }
Box thoughtFrame(Box frame, Values a, Values b) { return frameAround(frame, a[2], a[3], a[4], b[2], b[3], b[4]); }
constexpr NumberHandle thoughtHandles[] = {
    {3, 4, [](const Outline& o, Values v) { return tailEnd(o, v[2], v[3], v[4]); },
     [](StarterSize s, Point p, std::span<double> v) { reachFor(s, p, v[2], v[3], v[4]); }}};

// Puzzle pieces: a box with a knob, a hole of the same curve, or nothing on each side.

constexpr std::string_view sideWords = "straight|tab|hole";
constexpr StarterNumber puzzleNumbers[] = {
    choice("top", sideWords, 0, "what this side has"), choice("right", sideWords, 1, "what this side has"),
    choice("bottom", sideWords, 2, "what this side has"), choice("left", sideWords, 0, "what this side has"),
    lengthOf("tab", 0.5, 7, "how far a tab stands out; pieces of one tab fit one another")};
double knobOf(StarterSize s, Values v) { return std::min(v[4], 0.28 * std::min(s.width, s.height)); }
/// The box without the tabs that stand out.
Box puzzleBody(StarterSize s, Values v) {
  const double t = knobOf(s, v);
  Box body = frameOf(s);
  if (v[0] == 1) body.low.y += t;
  if (v[1] == 1) body.high.x -= t;
  if (v[2] == 1) body.high.y -= t;
  if (v[3] == 1) body.low.x += t;
  return body;
}
Outline puzzle(StarterSize s, Values v) {
  const double t = knobOf(s, v);
  const Box b = puzzleBody(s, v);
  ContourMaker out(b.low);
  for (int i = 0; i < 4; ++i) {
    const Point from = b.corner(i), to = b.corner((i + 1) % 4), along = (to - from) / distance(from, to);
    const double way = v[static_cast<std::size_t>(i)];
    if (way != 0) {
      const Point outwards = Point{along.y, -along.x} * (way == 1 ? 1 : -1), mid = mix(from, to, 0.5);
      const auto at = [&](double x, double y) { return mid + along * (x * t) + outwards * (y * t); };
      out.line(at(-0.34, 0));
      out.curve(at(-0.1, 0.16), at(-0.58, 0.3), at(-0.58, 0.56)).curve(at(-0.58, 0.84), at(-0.3, 1), at(0, 1));
      out.curve(at(0.3, 1), at(0.58, 0.84), at(0.58, 0.56)).curve(at(0.58, 0.3), at(0.1, 0.16), at(0.34, 0));
    }
    out.line(to);
  }
  return {{out.closed()}};
}
int puzzleNodes(StarterSize, Values v) {
  int nodes = 4;
  for (std::size_t i = 0; i < 4; ++i) nodes += v[i] != 0 ? 5 : 0;
  return nodes;
}
Symmetry puzzleSymmetry(Values v) { return {v[1] == v[3], v[0] == v[2]}; }
Box puzzleFrame(Box frame, Values before, Values after) {
  const StarterSize was{frame.width(), frame.height()};
  Box body = puzzleBody(was, before);
  body = {body.low + frame.centre(), body.high + frame.centre()};
  // So far as the tab is not limited it is what it says.
  const double t = knobOf(was, before) < before[4] && before[4] == after[4] ? knobOf(was, before) : after[4];
  if (after[0] == 1) body.low.y -= t;
  if (after[1] == 1) body.high.x += t;
  if (after[2] == 1) body.high.y += t;
  if (after[3] == 1) body.low.x -= t;
  return body;
}
/// The middle of the first knob.
Point firstKnob(const Outline& o, Values) {
  const auto& steps = o.contours[0].segments;
  std::size_t at = 0;
  while (at < steps.size() && steps[at].kind != SegmentKind::Cubic) ++at;
  return at + 1 < steps.size() ? steps[at + 1].end : o.contours[0].start;
}
constexpr NumberHandle puzzleHandles[] = {{4, -1, firstKnob}};

constexpr StarterKind table[] = {
    {"cloud", "signs", "", cloudNumbers, usualSide, cloud, cloudNodes, cloudSymmetry, cloudHandles},
    {"speech balloon", "signs", "its tail and the radius of its corners", speechNumbers, inMm(48, 34), speech,
     speechNodes, [](Values v) { return tailSymmetry(v[4] == 0 && v[5] == 0, v[2]); }, speechHandles, speechFrame},
    {"thought balloon", "signs", "its discs", thoughtNumbers, inMm(50, 42), thought, thoughtNodes,
     [](Values v) { return tailSymmetry(v[4] == 0, v[2]); }, thoughtHandles, thoughtFrame},
    {"puzzle piece", "signs", "its tabs and holes", puzzleNumbers, inMm(47, 40), puzzle, puzzleNodes, puzzleSymmetry,
     puzzleHandles, puzzleFrame},
};

}  // namespace

std::span<const StarterKind> balloons() { return table; }

}  // namespace widecut::kinds
