// What winds: spirals as bands and as a line, waves and zigzags.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

/// A curve round the origin: its radius and how fast that grows, at an angle.
struct Winding {
  double radius, growth;
};
/// The band between two curves round the origin, from angle 0 to `to`, with straight ends. Each is cut at quarter
/// turns, with handles as an arc of a circle has.
template <class Outer, class Inner>
Outline windingBand(double to, const Outer& outer, const Inner& inner) {
  const int steps = arcSteps(to);
  const auto end = [&](int i) { return i == steps ? to : i * pi / 2; };
  const auto place = [](const Winding& w, double a) { return around(a) * w.radius; };
  const auto speed = [](const Winding& w, double a) { return around(a) * w.growth + aroundStep(a) * w.radius; };
  const auto follow = [&](ContourMaker& out, const auto& curve, bool forth) {
    for (int i = 0; i < steps; ++i) {
      const double a = end(forth ? i : steps - i), b = end(forth ? i + 1 : steps - i - 1), way = arcHandle(b - a);
      const Winding p = curve(a), q = curve(b);
      out.curve(place(p, a) + speed(p, a) * way, place(q, b) - speed(q, b) * way, place(q, b));
    }
  };
  ContourMaker out(place(outer(0), 0));
  follow(out, outer, true);
  out.line(place(inner(to), to));
  follow(out, inner, false);
  return {{out.closed()}};
}
int windingNodes(double turns) { return 2 * (arcSteps(2 * pi * turns) + 1); }
Point middleEnd(const Outline& o) {
  const auto& steps = o.contours[0].segments;
  return nodeOf(o, 0, steps.size() / 2);
}

constexpr StarterNumber evenNumbers[] = {
    times("turns", 0.25, 20, 3, "how often it winds round"),
    share("thickness", 0.05, 0.95, 0.4, "thickness of the band, in distances of the turns"),
    share("hole", 0, 0.9, 0.08, "width of the middle")};
Outline evenSpiral(StarterSize, Values v) {
  const auto [turns, thickness, hole] = take<3>(v);
  const double pitch = (1 - hole) / turns, growth = pitch / (2 * pi);
  return windingBand(
      2 * pi * turns,
      [=, h = hole, t = thickness](double a) {
        return Winding{h + growth * a + t * pitch, growth};
      },
      [=, h = hole](double a) {
        return Winding{h + growth * a, growth};
      });
}
int spiralNodes(StarterSize, Values v) { return windingNodes(v[0]); }
constexpr NumberHandle spiralHandles[] = {{1, -1, [](const Outline& o, Values) { return middleEnd(o); }}};

constexpr StarterNumber growingNumbers[] = {
    times("turns", 0.25, 8, 2.5, "how often it winds round"),
    times("growth", 1.2, 6, 2.2, "how many times as wide each turn is"),
    share("thickness", 0.05, 0.95, 0.45, "thickness of the band, in distances of the turns")};
Outline growingSpiral(StarterSize, Values v) {
  const auto [turns, growth, thickness] = take<3>(v);
  const double rate = std::log(growth) / (2 * pi), whole = 2 * pi * turns;
  // The band reaches from the curve towards the turn within it.
  const double inside = 1 - thickness * (1 - 1 / growth);
  return windingBand(
      whole,
      [=](double a) {
        const double r = std::exp(rate * (a - whole));
        return Winding{r, rate * r};
      },
      [=](double a) {
        const double r = inside * std::exp(rate * (a - whole));
        return Winding{r, rate * r};
      });
}

// The inner side of its outer end.
constexpr NumberHandle growingHandles[] = {
    {2, -1, [](const Outline& o, Values v) { return nodeOf(o, 0, static_cast<std::size_t>(windingNodes(v[0])) / 2); }}};

constexpr StarterNumber spiralLineNumbers[] = {
    times("turns", 0.5, 20, 3, "how often it winds round"),
    times("growth", 1, 6, 1, "how many times as far from the next each turn is"),
    choice("direction", "clockwise|anticlockwise", 0, "which way it winds outwards"),
    share("squareness", 0, 1, 0, "from round turns to corners")};
/// A quarter turn from `a` to `b`, where the line goes the ways `leaving` and `arriving`: straight towards its corner
/// for a share of the way, round it, and straight again. As far as `part` of it.
void addQuarter(ContourMaker& out, const std::array<Point, 2>& ends, const std::array<Point, 2>& ways,
                const std::array<double, 2>& handles, double square, double part) {
  const Point corner = ends[1] - ways[1] * std::abs(dot(ends[1] - ends[0], ways[1]));
  const Point p = ends[0] + ways[0] * (square * distance(corner, ends[0]));
  const Point q = ends[1] - ways[1] * (square * distance(corner, ends[1]));
  const double straight = square / 2, round = 1 - square;
  if (part >= straight && square > 0) out.line(p);
  if (part < straight) {
    out.line(mix(ends[0], p, part / straight));
  } else if (round > 0) {
    const Segment bend = Segment::cubic(p + ways[0] * (round * handles[0]), q - ways[1] * (round * handles[1]), q);
    const double share = std::min(1.0, (part - straight) / round);
    const Segment shown = share < 1 ? widecut::part(p, bend, 0, share) : bend;
    out.curve(shown.handle1, shown.handle2, shown.end);
  }
  if (part > straight + round) out.line(mix(q, ends[1], std::min(1.0, (part - straight - round) / straight)));
}
Outline spiralLine(StarterSize, Values v) {
  const auto [turns, growth, direction, square] = take<4>(v);
  const double rate = std::log(growth) / (2 * pi), whole = 2 * pi * turns;
  const bool isEven = growth - 1 < 1e-6;
  const double last = isEven ? whole : std::expm1(rate * whole);
  const auto winding = [=](double a) {
    return isEven ? Winding{a / last, 1 / last}
                  : Winding{std::expm1(rate * a) / last, rate * std::exp(rate * a) / last};
  };
  ContourMaker out({0, 0});
  const int steps = arcSteps(whole);
  for (int i = 0; i < steps; ++i) {
    std::array<Point, 2> ends, ways;
    std::array<double, 2> handles{};
    for (const std::size_t k : {0U, 1U}) {
      const double a = (i + static_cast<int>(k)) * pi / 2;
      const Winding w = winding(a);
      const Point speed = around(a) * w.growth + aroundStep(a) * w.radius;
      ends[k] = around(a) * w.radius;
      handles[k] = length(speed) * arcHandle(pi / 2);
      // The squarer, the more it goes straight across the axes.
      const Point way = speed * ((1 - square) / length(speed)) + aroundStep(a) * square;
      ways[k] = way * (1 / length(way));
    }
    addQuarter(out, ends, ways, handles, square, std::min(1.0, whole / (pi / 2) - i));
  }
  Outline drawn{{out.open()}};
  drawn.contours.front().closed = false;
  return direction == 0 ? drawn : transformed(drawn, Affine::scale(-1, 1));
}
int spiralLineNodes(StarterSize, Values v) {
  const int steps = arcSteps(2 * pi * v[0]);
  return v[3] > 0 ? 3 * steps + 1 : steps + 1;
}

constexpr StarterNumber waveBandNumbers[] = {
    count("crests", 1, 60, 4, "how many crests it has"),
    lengthOf("thickness", 0.2, 6, "thickness of the band, upright"),
    share("shift", 0, 1, 0, "where the first crest lies, in lengths from crest to crest")};
double bandThickness(StarterSize s, double thickness) { return std::min(thickness, 0.9 * s.height); }
Outline waveBand(StarterSize s, Values v) {
  const auto [crests, thickness, shift] = take<3>(v);
  const double t = bandThickness(s, thickness);
  Contour run = waveRun(s.width, static_cast<int>(crests), s.height - t, shift);
  const Outline upper = transformed({{run}}, Affine::move({-s.width / 2, -s.height / 2}));
  const Outline lower = transformed(upper, Affine::move({0, t}));
  ContourMaker out(upper.contours[0].start);
  out.run(upper.contours[0]).run(reversed(lower.contours[0]));
  return {{out.closed()}};
}
int waveBandNodes(StarterSize, Values v) {
  const double first = 2 * v[2];
  return 2 * (2 * static_cast<int>(v[0]) + 1 + (std::abs(first - std::round(first)) > 1e-9 ? 1 : 0));
}
Symmetry waveBandSymmetry(Values v) { return {std::fmod(v[2], 0.5) == 0, false}; }
constexpr NumberHandle waveBandHandles[] = {{1, -1, [](const Outline& o, Values v) {
                                               const Box box = bounds(o);
                                               const double t = bandThickness({box.width(), box.height()}, v[1]);
                                               return o.contours[0].start + Point{0, t};
                                             }}};

constexpr StarterNumber zigzagNumbers[] = {count("crests", 1, 60, 5, "how many crests it has"),
                                           lengthOf("thickness", 0.2, 6, "thickness of the band, upright")};
Outline zigzag(StarterSize s, Values v) {
  const int crests = static_cast<int>(v[0]);
  const double t = bandThickness(s, v[1]), step = s.width / (2 * crests), x = s.width / 2, y = s.height / 2;
  std::vector<Point> points;
  const auto place = [&](int i, double down) { return Point{i * step - x, (i % 2 == 0 ? y - t : -y) + down}; };
  for (int i = 0; i <= 2 * crests; ++i) points.push_back(place(i, 0));
  for (int i = 2 * crests; i >= 0; --i) points.push_back(place(i, t));
  return polygon(points);
}
int zigzagNodes(StarterSize, Values v) { return 2 * (2 * static_cast<int>(v[0]) + 1); }
constexpr NumberHandle zigzagHandles[] = {{1, -1, node<0, 0>}};

constexpr StarterKind table[] = {
    {"even spiral", "lines", "", evenNumbers, usualSide, evenSpiral, spiralNodes, none, spiralHandles},
    {"growing spiral", "lines", "", growingNumbers, usualSide, growingSpiral, spiralNodes, none, growingHandles},
    {"spiral line", "lines", "", spiralLineNumbers, usualSide, spiralLine, spiralLineNodes, none, {}, nullptr, true},
    {"wave", "lines", "its thickness", waveBandNumbers, inMm(60, 18), waveBand, waveBandNodes, waveBandSymmetry,
     waveBandHandles},
    {"zigzag", "lines", "its thickness", zigzagNumbers, inMm(60, 18), zigzag, zigzagNodes, leftAndRight, zigzagHandles},
};

}  // namespace

std::span<const StarterKind> lines() { return table; }

}  // namespace widecut::kinds
