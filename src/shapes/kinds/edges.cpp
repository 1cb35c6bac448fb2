// Panels with edges of their own.
#include <functional>

#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

/// Top, right, bottom and left, in the order in which an outline runs.
using Sides = std::array<bool, 4>;
constexpr StarterNumber sideNumber(std::string_view name, bool usual) {
  return onOff(name, usual, "whether this side has the edge");
}

/// An edge along a side of the panel: from (0, y) to (length, y), where y is how far in it lies, from 0 on.
using Run = std::function<Contour(double length, int side)>;

/// A box some of whose sides are runs. At corners between two of them each leaves the other one its depth.
Contour panel(StarterSize s, Sides has, std::array<double, 4> depth, const Run& run, bool toCorners = false) {
  std::optional<ContourMaker> out;
  const auto go = [&](Point to) {
    if (out)
      out->line(to);
    else
      out.emplace(to);
  };
  for (int i = 0; i < 4; ++i) {
    const std::size_t now = static_cast<std::size_t>(i), before = (now + 3) % 4, after = (now + 1) % 4;
    const double whole = i % 2 == 0 ? s.width : s.height, across = i % 2 == 0 ? s.height : s.width;
    // From a space that runs along the side, x along it and y inwards, to the frame.
    const Affine toFrame = quarterTurns(i) * Affine::move({-whole / 2, -across / 2});
    if (has[now]) {
      const double from = has[before] ? depth[before] : 0, to = whole - (has[after] ? depth[after] : 0);
      if (toCorners && has[before]) go(toFrame(Point{0, 0}));
      Outline along{{run(to - from, i)}};
      along = transformed(along, toFrame * Affine::move({from, 0}));
      go(along.contours[0].start);
      out->run(along.contours[0]);
    } else if (!has[after]) {
      go(toFrame(Point{whole, 0}));
    }
  }
  return out->closed();
}

/// How many of something a side has, when the width has `n` of it.
int countOn(int side, double n, StarterSize s) {
  return std::max(1, static_cast<int>(std::lround(side % 2 == 0 ? n : n * s.height / s.width)));
}
double lengthOn(int side, StarterSize s) { return side % 2 == 0 ? s.width : s.height; }
/// Edges that lie opposite share the room.
double roomFor(int side, StarterSize s) { return 0.45 * (side % 2 == 0 ? s.height : s.width); }

Symmetry sidesSymmetry(Sides has) { return {has[1] == has[3], has[0] == has[2]}; }

// Waves.

constexpr StarterNumber waveNumbers[] = {
    count("crests", 1, 60, 5, "how many crests the width has"),
    share("depth", 0, 1, 0.3, "how deep the wave is, in lengths from crest to crest"),
    share("shift", 0, 1, 0, "where the first crest lies, in lengths from crest to crest"),
    sideNumber("top", false),
    sideNumber("right", false),
    sideNumber("bottom", true),
    sideNumber("left", false)};
Sides sidesFrom(Values v, std::size_t first) {
  return {v[first] > 0, v[first + 1] > 0, v[first + 2] > 0, v[first + 3] > 0};
}

/// Where the x of a half wave, from 0 to 1, is this.
double waveParameter(double x) {
  double low = 0, high = 1;
  for (int i = 0; i < 60; ++i) {
    const double t = (low + high) / 2, u = 1 - t;
    (3 * u * u * t * waveHandle + 3 * u * t * t * (1 - waveHandle) + t * t * t < x ? low : high) = t;
  }
  return (low + high) / 2;
}

}  // namespace

Contour waveRun(double length, int crests, double depth, double shift) {
  const double half = length / crests / 2;
  // Half waves from extreme to extreme: crests, at depth 0, at even ones.
  const double first = 2 * shift;
  const auto y = [&](long k) { return k % 2 == 0 ? 0 : depth; };
  const auto segment = [&](long k) {
    const double x0 = (static_cast<double>(k) + first) * half;
    return std::pair{Point{x0, y(k)}, Segment::cubic({x0 + waveHandle * half, y(k)},
                                                     {x0 + (1 - waveHandle) * half, y(k + 1)}, {x0 + half, y(k + 1)})};
  };
  const long begin = static_cast<long>(std::floor(-first + 1e-12));
  std::optional<ContourMaker> out;
  for (long k = begin; (static_cast<double>(k) + first) * half < length - 1e-9 * length; ++k) {
    const auto [start, whole] = segment(k);
    const double from = std::max(0.0, -start.x / half), to = std::min(1.0, (length - start.x) / half);
    if (to - from < 1e-9) continue;
    const bool isWhole = from < 1e-9 && to > 1 - 1e-9;
    Segment s = isWhole
                    ? whole
                    : part(start, whole, from < 1e-9 ? 0 : waveParameter(from), to > 1 - 1e-9 ? 1 : waveParameter(to));
    if (!out) {
      out.emplace(from < 1e-9 ? start : pointAt(start, whole, waveParameter(from)));
    }
    out->curve(s.handle1, s.handle2, s.end);
  }
  Contour run = out->open();
  run.start.x = 0;
  run.segments.back().end.x = length;
  run.closed = false;
  return run;
}

namespace {

Outline wavePanel(StarterSize s, Values v) {
  const auto [crests, depth, shift] = take<3>(v);
  std::array<double, 4> depths{};
  for (int i = 0; i < 4; ++i)
    depths[static_cast<std::size_t>(i)] = std::min(depth * lengthOn(i, s) / countOn(i, crests, s), roomFor(i, s));
  return {{panel(s, sidesFrom(v, 3), depths, [&, n = crests, at = shift](double length, int side) {
    return waveRun(length, countOn(side, n, s), depths[static_cast<std::size_t>(side)], at);
  })}};
}
/// What stands at the corners of a panel, besides the ends of its runs: those that two plain sides meet at.
int plainCorners(Sides has) {
  int count = 0;
  for (std::size_t i = 0; i < 4; ++i) count += !has[i] && !has[(i + 1) % 4];
  return count;
}
int wavePanelNodes(StarterSize s, Values v) {
  const Sides has = sidesFrom(v, 3);
  int nodes = plainCorners(has);
  const double first = 2 * v[2];
  for (int i = 0; i < 4; ++i)
    if (has[static_cast<std::size_t>(i)])
      nodes += 2 * countOn(i, v[0], s) + 1 + (std::abs(first - std::round(first)) > 1e-9 ? 1 : 0);
  return nodes;
}
Symmetry wavePanelSymmetry(Values v) {
  const Symmetry sides = sidesSymmetry(sidesFrom(v, 3));
  const bool even = std::fmod(v[2], 0.5) == 0;
  return {sides.upright && even, sides.across && even};
}
constexpr NumberHandle waveHandles[] = {{1, -1, [](const Outline& o, Values v) {
                                           // The first trough of the first wavy side: the deepest node of its run.
                                           const Sides has = sidesFrom(v, 3);
                                           const Box box = bounds(o);
                                           Point deepest = box.centre();
                                           double most = -1;
                                           const int side = has[2] ? 2 : has[0] ? 0 : has[1] ? 1 : 3;
                                           const auto depth = [&](Point p) {
                                             return side == 0   ? p.y - box.low.y
                                                    : side == 1 ? box.high.x - p.x
                                                    : side == 2 ? box.high.y - p.y
                                                                : p.x - box.low.x;
                                           };
                                           const double room = 0.46 * (side % 2 == 0 ? box.height() : box.width());
                                           for (const Segment& s : o.contours[0].segments)
                                             if (s.kind == SegmentKind::Cubic && depth(s.end) <= room &&
                                                 depth(s.end) > most + 1e-9) {
                                               most = depth(s.end);
                                               deepest = s.end;
                                             }
                                           return deepest;
                                         }}};

// Scallops.

constexpr StarterNumber scallopNumbers[] = {count("lobes", 1, 80, 8, "how many lobes the width has"),
                                            share("depth", 0.05, 1, 0.8, "height of a lobe; 100 % are half circles"),
                                            share("gap", 0, 0.8, 0, "straight edge between two lobes"),
                                            choice("way", "out|in", 0, "whether they swell or bite"),
                                            sideNumber("top", true),
                                            sideNumber("right", true),
                                            sideNumber("bottom", true),
                                            sideNumber("left", true)};
Outline scalloped(StarterSize s, Values v) {
  const auto [lobes, depth, gap, way] = take<4>(v);
  const bool bites = way == 1;
  std::array<double, 4> depths{};
  for (int i = 0; i < 4; ++i)
    depths[static_cast<std::size_t>(i)] =
        std::min(depth * (1 - gap) * lengthOn(i, s) / countOn(i, lobes, s) / 2, roomFor(i, s));
  const auto run = [&, n = lobes, between = gap](double length, int side) {
    const int many = countOn(side, n, s);
    const double pitch = length / many, half = (1 - between) * pitch / 2, d = depths[static_cast<std::size_t>(side)];
    const double base = bites ? 0 : d;
    ContourMaker out({0, base});
    for (int k = 0; k < many; ++k) {
      const double mid = (k + 0.5) * pitch;
      out.line({mid - half, base});
      // An upper half of an ellipse; mirrored for a bite.
      out.arc({mid, base}, half, bites ? -d : d, -pi / 2, pi / 2);
    }
    Contour open = out.line({length, base}).open();
    open.closed = false;
    return open;
  };
  return {{panel(s, sidesFrom(v, 4), depths, run, bites)}};
}
int scallopedNodes(StarterSize s, Values v) {
  const Sides has = sidesFrom(v, 4);
  int nodes = plainCorners(has);
  const bool apart = v[2] > 0;
  for (std::size_t i = 0; i < 4; ++i) {
    const int many = countOn(static_cast<int>(i), v[0], s);
    const bool before = has[(i + 3) % 4];
    if (!has[i]) continue;
    // A run has 2 or 3 nodes a lobe and one more; swelling ones meet at corners.
    nodes += many * (apart ? 3 : 2) + 1 + (apart ? 1 : 0);
    if (before) nodes += v[3] == 1 ? 1 : -1;
  }
  return nodes;
}
Symmetry scallopedSymmetry(Values v) { return sidesSymmetry(sidesFrom(v, 4)); }

constexpr NumberHandle scallopedHandles[] = {{0, -1, node<0, 2>}};

// Torn edges.

constexpr StarterNumber tornNumbers[] = {lengthOf("depth", 0, 4, "how deep the tears are"),
                                         count("tears", 3, 200, 28, "how many the width has"),
                                         share("ragged", 0, 1, 0.6, "how irregular they are"),
                                         sideNumber("top", false),
                                         sideNumber("right", false),
                                         sideNumber("bottom", true),
                                         sideNumber("left", false),
                                         seed()};
Outline torn(StarterSize s, Values v) {
  const auto [depth, tears, ragged, top, right, bottom, left, seed] = take<8>(v);
  std::array<double, 4> depths{};
  for (int i = 0; i < 4; ++i) depths[static_cast<std::size_t>(i)] = std::min(depth, roomFor(i, s));
  const auto run = [&, n = tears, rough = ragged, chosen = seed](double length, int side) {
    const int many = std::max(3, countOn(side, n, s));
    const auto at = [&](int k, unsigned which) {
      return chance(chosen, static_cast<unsigned>(side) * 4096 + static_cast<unsigned>(k) * 2 + which);
    };
    // One point of the run lies on the frame itself.
    int highest = 0;
    const auto in = [&](int k) { return k % 2 == 0 ? rough * 0.8 * at(k, 0) : 1 - rough * 0.8 * at(k, 0); };
    for (int k = 1; k <= many; ++k)
      if (in(k) < in(highest)) highest = k;
    const auto place = [&](int k) {
      const double aside = k == 0 || k == many ? 0 : 0.7 * rough * (at(k, 1) - 0.5);
      return Point{(k + aside) * length / many, (in(k)-in(highest)) * depths[static_cast<std::size_t>(side)]};
    };
    ContourMaker out(place(0));
    for (int k = 1; k <= many; ++k) out.line(place(k));
    Contour open = out.open();
    open.closed = false;
    return open;
  };
  return {{panel(s, sidesFrom(v, 3), depths, run)}};
}
int tornNodes(StarterSize s, Values v) {
  const Sides has = sidesFrom(v, 3);
  int nodes = plainCorners(has);
  for (std::size_t i = 0; i < 4; ++i)
    if (has[i]) nodes += std::max(3, countOn(static_cast<int>(i), v[1], s)) + 1;
  return nodes;
}
constexpr NumberHandle tornHandles[] = {{0, -1, [](const Outline& o, Values v) {
                                           const Sides has = sidesFrom(v, 3);
                                           const Box box = bounds(o);
                                           const Point beside = mix(box.low, box.high, 0.3);
                                           const double d = std::min(v[0], 0.45 * std::min(box.width(), box.height()));
                                           if (has[2]) return Point{beside.x, box.high.y - d};
                                           if (has[0]) return Point{beside.x, box.low.y + d};
                                           if (has[1]) return Point{box.high.x - d, beside.y};
                                           return Point{box.low.x + d, beside.y};
                                         }}};

// Tickets and tabs.

constexpr StarterNumber ticketNumbers[] = {lengthOf("notch", 0.2, 4, "radius of the notches"),
                                           choice("at", "left and right|top and bottom|corners", 0, "where they are"),
                                           count("notches", 1, 30, 1, "how many a side has")};
double notchRadius(StarterSize s, Values v) {
  if (v[1] == 2) return std::min(v[0], 0.45 * std::min(s.width, s.height));
  const double along = v[1] == 0 ? s.height : s.width, across = v[1] == 0 ? s.width : s.height;
  return std::min({v[0], 0.45 * along / v[2], 0.45 * across});
}
Outline ticket(StarterSize s, Values v) {
  const double r = notchRadius(s, v), x = s.width / 2, y = s.height / 2;
  if (v[1] == 2) {
    ContourMaker out({-x + r, -y});
    out.line({x - r, -y}).arc({x, -y}, r, r, 1.5 * pi, pi).line({x, y - r}).arc({x, y}, r, r, 2 * pi, 1.5 * pi);
    out.line({-x + r, y}).arc({-x, y}, r, r, pi / 2, 0).line({-x, -y + r}).arc({-x, -y}, r, r, pi, pi / 2);
    return {{out.closed()}};
  }
  const bool beside = v[1] == 0;
  const auto run = [&](double length, int) {
    const double pitch = length / v[2];
    ContourMaker out({0, 0});
    for (int k = 0; k < v[2]; ++k) {
      const double mid = (k + 0.5) * pitch;
      out.line({mid - r, 0}).arc({mid, 0}, r, -r, -pi / 2, pi / 2);
    }
    Contour open = out.line({length, 0}).open();
    open.closed = false;
    return open;
  };
  return {{panel(s, {!beside, beside, !beside, beside}, {r, r, r, r}, run)}};
}
int ticketNodes(StarterSize, Values v) { return v[1] == 2 ? 8 : 4 + 6 * static_cast<int>(v[2]); }
constexpr NumberHandle ticketHandles[] = {{0, -1, [](const Outline& o, Values v) {
                                             const Box box = bounds(o);
                                             const double r = notchRadius({box.width(), box.height()}, v);
                                             if (v[1] == 2) return Point{box.low.x + r, box.low.y};
                                             const double part = (v[1] == 0 ? box.height() : box.width()) / v[2];
                                             if (v[1] == 0) return Point{box.high.x - r, box.low.y + part / 2};
                                             return Point{box.low.x + part / 2, box.low.y + r};
                                           }}};

constexpr StarterNumber tabNumbers[] = {share("breadth", 0.1, 1, 0.4, "width of the tab"),
                                        share("place", -1, 1, -0.7, "where it stands, from left to right"),
                                        lengthOf("rise", 0.2, 6, "how far it stands out"),
                                        lengthOf("slope", 0, 2, "how slanted its sides are")};
Outline tab(StarterSize s, Values v) {
  const auto [width, place, rise, slope] = take<4>(v);
  const double x = s.width / 2, y = s.height / 2, up = std::min(rise, 0.8 * s.height), wide = width * s.width;
  const double lean = std::min(slope, 0.4 * wide), left = -x + (s.width - wide) * (1 + place) / 2;
  ContourMaker out({left + lean, -y});
  out.line({left + wide - lean, -y}).line({left + wide, up - y}).line({x, up - y}).line({x, y}).line({-x, y});
  return {{out.line({-x, up - y}).line({left, up - y}).closed()}};
}
int tabNodes(StarterSize, Values v) {
  if (v[0] == 1) return v[3] == 0 ? 6 : 6;
  return 8 - (std::abs(v[1]) == 1 ? 1 : 0);
}
Symmetry tabSymmetry(Values v) { return {v[1] == 0 || v[0] == 1, false}; }
constexpr NumberHandle tabHandles[] = {{0, -1, node<0, 1>}, {1, 2, node<0, 0>}};

constexpr StarterKind table[] = {
    {"wave panel", "edges", "the roundness of its crests", waveNumbers, inMm(60, 40), wavePanel, wavePanelNodes,
     wavePanelSymmetry, waveHandles},
    {"scalloped panel", "edges", "the roundness of its lobes", scallopNumbers, inMm(48, 36), scalloped, scallopedNodes,
     scallopedSymmetry, scallopedHandles},
    {"torn panel", "edges", "the depth of its tears", tornNumbers, inMm(60, 40), torn, tornNodes, none, tornHandles},
    {"ticket", "edges", "its notches", ticketNumbers, inMm(60, 28), ticket, ticketNodes, bothWays, ticketHandles},
    {"tab", "edges", "the height and slope of its tab", tabNumbers, inMm(48, 36), tab, tabNodes, tabSymmetry,
     tabHandles},
};

}  // namespace

std::span<const StarterKind> edges() { return table; }

}  // namespace widecut::kinds
