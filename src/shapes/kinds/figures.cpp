// Figures: small pictures of people, land and railways.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

constexpr StarterNumber personNumbers[] = {share("head", 0.08, 0.3, 0.19, "width of the head, in heights"),
                                           share("shoulders", 0.3, 1, 0.62, "width of the shoulders"),
                                           share("hem", 0.25, 1, 0.42, "width at the feet"),
                                           share("legs", 0, 0.55, 0.38, "how far up the legs part")};
Outline person(StarterSize, Values v) {
  const auto [head, shoulders, hem, legs] = take<4>(v);
  const double top = head + 0.025, s = 0.28 * shoulders, f = 0.28 * hem, r = std::min(0.8 * s, 0.14);
  const double k = r * (1 - arcHandle(pi / 2));
  ContourMaker body({-s, top + r});
  body.curve({-s, top + k}, {-s + k, top}, {-s + r, top})
      .line({s - r, top})
      .curve({s - k, top}, {s, top + k}, {s, top + r});
  body.line({f, 1});
  if (legs > 0) {
    const double gap = 0.12 * f, up = 1 - legs;
    body.line({gap, 1}).line({gap, up + gap}).arc({0, up + gap}, gap, gap, pi / 2, -pi / 2);
    body.line({-gap, 1});
  }
  body.line({-f, 1});
  return {{ellipseContour({0, head / 2}, head / 2, head / 2), body.closed()}};
}
int personNodes(StarterSize, Values v) { return 4 + 6 + (v[3] > 0 ? 5 : 0); }
constexpr NumberHandle personHandles[] = {{3, -1, [](const Outline& o, Values v) {
                                             const Box box = bounds(o);
                                             return Point{box.centre().x, box.high.y - v[3] * box.height()};
                                           }}};

constexpr StarterNumber mountainNumbers[] = {count("peaks", 1, 12, 3, "how many peaks it has"),
                                             share("ragged", 0, 1, 0.6, "how irregular they are"),
                                             share("valleys", 0.05, 0.9, 0.4, "how deep the valleys are"), seed()};
Outline mountain(StarterSize, Values v) {
  const auto [peaks, ragged, valleys, seed] = take<4>(v);
  const int n = static_cast<int>(peaks);
  // Heights fall off from the middle.
  const auto envelope = [](double x) { return 1 - 0.75 * std::abs(2 * x - 1); };
  std::vector<Point> ridge;
  for (int i = 1; i <= 2 * n - 1; ++i) {
    const unsigned key = static_cast<unsigned>(i);
    const double x = (i + ragged * 0.8 * (chance(seed, 2 * key) - 0.5)) / (2 * n);
    const double in = ragged * 0.45 * chance(seed, 2 * key + 1);
    ridge.push_back({x, envelope(x) * (1 - in) * (i % 2 == 1 ? 1 : 1 - valleys)});
  }
  std::vector<Point> points{{0, 1}};
  for (const Point& p : ridge) points.push_back({p.x, 1 - p.y});
  points.push_back({1, 1});
  // One and a half times as wide as high.
  return transformed(polygon(points), Affine::scale(1.5, 1));
}
int mountainNodes(StarterSize, Values v) { return 2 * static_cast<int>(v[0]) + 1; }
Symmetry mountainSymmetry(Values v) { return {v[1] == 0, false}; }

constexpr NumberHandle mountainHandles[] = {{2, -1, node<0, 2>}};

constexpr StarterNumber carriageNumbers[] = {
    count("windows", 1, 14, 5, "how many windows it has"), share("glass", 0.2, 0.85, 0.66, "how wide the windows are"),
    count("wheels", 2, 10, 4, "how many wheels it has"), share("rounding", 0, 1, 0.4, "how round the roof is")};
Outline carriage(StarterSize, Values v) {
  const auto [windows, glass, wheels, rounding] = take<4>(v);
  constexpr double wide = 2.5, floor = 0.76, sill = 0.46, lintel = 0.17, margin = 0.14;
  const double r = rounding * 0.32, k = arcHandle(pi / 2);
  ContourMaker body({r, 0});
  body.line({wide - r, 0});
  if (r > 0) body.curve({wide - r + k * r, 0}, {wide, r - k * r}, {wide, r});
  body.line({wide, floor}).line({0, floor});
  if (r > 0) body.line({0, r}).curve({0, r - k * r}, {r - k * r, 0}, {r, 0});
  Outline out{{body.closed()}};
  const double pitch = (wide - 2 * margin) / windows;
  for (int i = 0; i < windows; ++i) {
    const double mid = margin + (i + 0.5) * pitch, half = glass * pitch / 2;
    const double soft = std::min(0.03, 0.6 * half);
    out.contours.push_back(reversed(roundedBox({{mid - half, lintel}, {mid + half, sill}}, soft)));
  }
  const double step = (wide - 0.3) / wheels, radius = std::min(0.11, 0.42 * step);
  for (int i = 0; i < wheels; ++i)
    out.contours.push_back(ellipseContour({0.15 + (i + 0.5) * step, 1 - radius}, radius, radius));
  return out;
}
int carriageNodes(StarterSize, Values v) {
  return 4 + (v[3] > 0 ? 2 : 0) + 8 * static_cast<int>(v[0]) + 4 * static_cast<int>(v[2]);
}

constexpr StarterNumber firNumbers[] = {count("tiers", 1, 9, 3, "how many tiers of branches it has"),
                                        share("overhang", 0, 0.9, 0.5, "how far a tier stands out over the next"),
                                        share("trunk", 0.03, 0.5, 0.14, "how thick the trunk is")};
Outline fir(StarterSize, Values v) {
  const auto [tiers, overhang, trunk] = take<3>(v);
  const int n = static_cast<int>(tiers);
  constexpr double foot = 0.86;
  std::vector<Point> right;
  for (int i = 1; i <= n; ++i) {
    const double out = 0.36 * i / n, y = foot * i / n;
    right.push_back({out, y});
    if (i < n) right.push_back({out * (1 - 0.75 * overhang), y});
  }
  right.push_back({0.36 * trunk, foot});
  right.push_back({0.36 * trunk, 1});
  std::vector<Point> points{{0, 0}};
  points.insert(points.end(), right.begin(), right.end());
  for (auto p = right.rbegin(); p != right.rend(); ++p) points.push_back({-p->x, p->y});
  ContourMaker out(points[0]);
  for (const Point& p : points) out.line(p);
  return {{out.closed()}};
}
int firNodes(StarterSize, Values v) {
  const int n = static_cast<int>(v[0]);
  return 4 * n + 3 - (v[1] == 0 ? 2 * (n - 1) : 0);
}
constexpr NumberHandle firHandles[] = {{2, -1, [](const Outline& o, Values v) {
                                          const Box box = bounds(o);
                                          return Point{box.centre().x + v[2] * box.width() / 2, box.high.y};
                                        }}};

constexpr StarterNumber houseNumbers[] = {
    share("roof", 0.15, 0.7, 0.42, "height of the roof"), share("eaves", 0, 0.3, 0.1, "how far the roof stands out"),
    onOff("door", true, "whether it has a door"), onOff("chimney", true, "whether it has a chimney")};
Outline house(StarterSize, Values v) {
  const auto [roof, eaves, door, chimney] = take<4>(v);
  const double wall = 0.5 - eaves / 2;
  const auto slope = [&, high = roof](double x) { return high * x / 0.5; };
  ContourMaker out({0, 0});
  if (chimney > 0) {
    constexpr double near = 0.23, far = 0.34;
    const double top = std::max(0.0, slope(near) - 0.2);
    out.line({near, slope(near)}).line({near, top}).line({far, top}).line({far, slope(far)});
  }
  out.line({0.5, roof}).line({wall, roof}).line({wall, 1});
  if (door > 0) {
    const double high = 1 - 0.62 * (1 - roof);
    out.line({0.1, 1}).line({0.1, high}).line({-0.1, high}).line({-0.1, 1});
  }
  out.line({-wall, 1}).line({-wall, roof}).line({-0.5, roof});
  return {{out.closed()}};
}
int houseNodes(StarterSize, Values v) { return 7 - (v[1] == 0 ? 2 : 0) + (v[2] > 0 ? 4 : 0) + (v[3] > 0 ? 4 : 0); }
Symmetry houseSymmetry(Values v) { return {v[3] == 0, false}; }
constexpr NumberHandle houseHandles[] = {{0, -1, [](const Outline& o, Values v) {
                                            const Box box = bounds(o);
                                            return Point{box.low.x, box.low.y + v[0] * box.height()};
                                          }}};

constexpr StarterKind table[] = {
    {"person", "figures", "", personNumbers, usualSide, person, personNodes, leftAndRight, personHandles},
    {"mountain", "figures", "", mountainNumbers, usualSide, mountain, mountainNodes, mountainSymmetry, mountainHandles},
    {"carriage", "figures", "", carriageNumbers, inMm(60, 60), carriage, carriageNodes, leftAndRight},
    {"fir", "figures", "", firNumbers, usualSide, fir, firNodes, leftAndRight, firHandles},
    {"house", "figures", "", houseNumbers, usualSide, house, houseNodes, houseSymmetry, houseHandles},
};

}  // namespace

std::span<const StarterKind> figures() { return table; }

}  // namespace widecut::kinds
