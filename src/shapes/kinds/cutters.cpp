// Cutters: rows of shapes to be taken out of others, or to take a photo together.
#include "shapes/kinds/kinds.h"

namespace widecut::kinds {
namespace {

constexpr StarterNumber thickSteps() {
  StarterNumber number = lengthOf("thickness", 0.1, 5, "how thick a bar is, where that is kept");
  number.leaps = true;
  return number;
}
constexpr StarterNumber gapSteps() {
  StarterNumber number = lengthOf("gap", 0, 2, "the gap between two bars");
  number.leaps = true;
  return number;
}
constexpr StarterNumber barsNumbers[] = {
    count("bars", 1, 200, 6, "how many there are, where that is kept"), gapSteps(), thickSteps(),
    choice("keeps", "count|thickness", 0, "what stays when it is resized, besides the gap"),
    choice("way", "flat|upright", 0, "how the bars lie")};
int barCount(StarterSize s, Values v) {
  const double room = v[4] == 0 ? s.height : s.width;
  if (v[3] == 0) return static_cast<int>(v[0]);
  return std::clamp(static_cast<int>(std::lround((room + v[1]) / (v[2] + v[1]))), 1, 2000);
}
Outline bars(StarterSize s, Values v) {
  const bool flat = v[4] == 0;
  const double room = flat ? s.height : s.width, across = flat ? s.width : s.height;
  const int many = barCount(s, v);
  const double gap = many == 1 ? 0 : std::min(v[1], 0.95 * room / (many - 1)), thick = (room - gap * (many - 1)) / many;
  Outline out;
  for (int i = 0; i < many; ++i) {
    const double low = -room / 2 + i * (thick + gap), high = i + 1 == many ? room / 2 : low + thick;
    const Box bar = flat ? Box{{-across / 2, low}, {across / 2, high}} : Box{{low, -across / 2}, {high, across / 2}};
    out.contours.push_back(roundedBox(bar, 0));
  }
  return out;
}
int barsNodes(StarterSize s, Values v) { return 4 * barCount(s, v); }
constexpr NumberHandle barsHandles[] = {
    {1, -1, [](const Outline& o, Values v) {
       // The near edge of the second bar.
       const Box bar = bounds({{o.contours[o.contours.size() > 1 ? 1 : 0]}});
       return v[4] == 0 ? Point{bar.centre().x, bar.low.y} : Point{bar.low.x, bar.centre().y};
     }}};

constexpr StarterNumber raysNumbers[] = {count("rays", 3, 180, 16, "how many there are"),
                                         share("share", 0.05, 0.95, 0.5, "how much of the round they take"),
                                         share("hole", 0, 0.95, 0, "how far from the middle they begin"),
                                         angle("turn", -180, 180, 0, "how far they are turned")};
Outline rays(StarterSize, Values v) {
  const auto [many, taken, hole, turn] = take<4>(v);
  Outline out;
  for (int i = 0; i < many; ++i) {
    const double mid = 2 * pi * i / many + radians(turn), half = taken * pi / many;
    ContourMaker ray(around(mid - half));
    ray.arc({}, 1, 1, mid - half, mid + half);
    if (hole > 0)
      ray.arc({}, hole, hole, mid + half, mid - half);
    else
      ray.line({});
    out.contours.push_back(ray.closed());
  }
  return out;
}
int raysNodes(StarterSize, Values v) {
  const int arc = arcSteps(2 * v[1] * pi / v[0]) + 1;
  return static_cast<int>(v[0]) * (arc + (v[2] > 0 ? arc : 1));
}
Symmetry raysSymmetry(Values v) { return {v[3] == 0, v[3] == 0 && std::fmod(v[0], 2) == 0}; }
constexpr NumberHandle raysHandles[] = {
    {1, -1, [](const Outline& o, Values) { return o.contours[0].segments[0].end; }}};

constexpr StarterNumber ringsNumbers[] = {count("rings", 1, 60, 4, "how many there are"),
                                          share("share", 0.05, 0.95, 0.5, "how thick they are, in their distances"),
                                          share("hole", 0, 0.95, 0, "how far from the middle they begin")};
Outline rings(StarterSize, Values v) {
  const auto [many, taken, hole] = take<3>(v);
  const double pitch = (1 - hole) / many;
  Outline out;
  for (int i = 0; i < many; ++i) {
    const double outer = 1 - i * pitch, inner = outer - taken * pitch;
    out.contours.push_back(ellipseContour({}, outer, outer));
    out.contours.push_back(reversed(ellipseContour({}, inner, inner)));
  }
  return out;
}
int ringsNodes(StarterSize, Values v) { return 8 * static_cast<int>(v[0]); }
constexpr NumberHandle ringsHandles[] = {{1, -1, node<1, 0>}};

constexpr StarterNumber holesNumbers[] = {
    count("columns", 2, 60, 6, "how many stand side by side"), count("rows", 2, 60, 4, "how many rows there are"),
    share("share", 0.05, 0.95, 0.5, "how wide they are, in their distances"),
    onOff("staggered", false, "whether every other row is shifted by half a step")};
Outline holes(StarterSize s, Values v) {
  const auto [columns, rows, taken, staggered] = take<4>(v);
  const double d = taken * std::min(s.width / (columns - 1 + taken), s.height / (rows - 1 + taken));
  const double across = (s.width - d) / (columns - 1), down = (s.height - d) / (rows - 1);
  Outline out;
  for (int row = 0; row < rows; ++row) {
    const bool shifted = staggered > 0 && row % 2 == 1;
    for (int column = 0; column < columns - (shifted ? 1 : 0); ++column)
      out.contours.push_back(ellipseContour(
          {-s.width / 2 + d / 2 + across * (column + (shifted ? 0.5 : 0)), -s.height / 2 + d / 2 + down * row}, d / 2,
          d / 2));
  }
  return out;
}
int holesNodes(StarterSize, Values v) {
  const int columns = static_cast<int>(v[0]), rows = static_cast<int>(v[1]);
  return 4 * (columns * rows - (v[3] > 0 ? rows / 2 : 0));
}
Symmetry holesSymmetry(Values v) { return {true, v[3] == 0 || std::fmod(v[1], 2) == 1}; }
constexpr NumberHandle holesHandles[] = {{2, -1, node<0, 1>}};

constexpr StarterKind table[] = {
    {"bars", "cutters", "the gap, and the count or thickness of the bars", barsNumbers, inMm(48, 40), bars, barsNodes,
     bothWays, barsHandles},
    {"rays", "cutters", "", raysNumbers, usualSide, rays, raysNodes, raysSymmetry, raysHandles},
    {"rings", "cutters", "", ringsNumbers, usualSide, rings, ringsNodes, bothWays, ringsHandles},
    {"holes", "cutters", "round holes", holesNumbers, inMm(48, 32), holes, holesNodes, holesSymmetry, holesHandles},
};

}  // namespace

std::span<const StarterKind> cutters() { return table; }

}  // namespace widecut::kinds
