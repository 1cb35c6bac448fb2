#include "shapes/pattern_numbers.h"

#include <algorithm>
#include <cmath>

#include "geometry/along.h"

namespace widecut {
namespace {

constexpr double far = 14400, mostCount = 1000;

StarterNumber aCount(std::string_view name, std::string_view meaning, double usual, double least = 1) {
  return {name, least, mostCount, usual, 1, meaning, {}, NumberKind::Count};
}
StarterNumber aLength(std::string_view name, std::string_view meaning, double least = -far) {
  return {name, least, far, 0, pointsPerMillimetre, meaning, {}, NumberKind::Length};
}
StarterNumber anAngle(std::string_view name, std::string_view meaning, double most = 180) {
  return {name, -most, most, 0, 1, meaning, {}, NumberKind::Angle};
}

/// How far the box reaches along a direction.
double extent(const Box& box, Point way) {
  const double size = length(way);
  return size > 0 ? (std::abs(way.x) * box.width() + std::abs(way.y) * box.height()) / size : box.width();
}

/// The way with another length; to the right where it has none, or downwards.
Point lengthened(Point way, double to, Point otherwise = {1, 0}) {
  const double size = length(way);
  return size > 0 ? way * (to / size) : otherwise * to;
}

// A gap of steps in one direction.
double gapOf(Point step, const Box& first) { return length(step) - extent(first, step); }
Point withGap(Point step, const Box& first, double gap, Point otherwise = {1, 0}) {
  return lengthened(step, std::max(0.0, extent(first, length(step) > 0 ? step : otherwise) + gap), otherwise);
}

template <class Kind>
Kind& of(Pattern& pattern) {
  return std::get<Kind>(pattern);
}
template <class Kind>
const Kind& of(const Pattern& pattern) {
  return std::get<Kind>(pattern);
}

// What several kinds have.

template <class Kind>
PatternNumber countNumber(double usual) {
  return {aCount("count", "How many copies, the ones that are left out included", usual),
          [](const Pattern& p, const Box&) { return static_cast<double>(countOf(p)); },
          [](Pattern& p, const Box&, double v) { of<Kind>(p).count = static_cast<int>(v); }};
}
template <class Kind>
PatternNumber turnNumber() {
  return {anAngle("turn of each", "How much further each copy is turned than the one before"),
          [](const Pattern& p, const Box&) { return degrees(of<Kind>(p).each.turn); },
          [](Pattern& p, const Box&, double v) { of<Kind>(p).each.turn = radians(v); }};
}
template <class Kind>
PatternNumber growthNumber() {
  return {{"growth", -0.5, 1, 0, 0.01, "By how much each copy is larger than the one before", {}, NumberKind::Share},
          [](const Pattern& p, const Box&) { return of<Kind>(p).each.growth; },
          [](Pattern& p, const Box&, double v) { of<Kind>(p).each.growth = v; }};
}
template <class Kind>
PatternNumber turningNumber(std::string_view meaning) {
  return {{"turning", 0, 1, 1, 1, meaning, {}, NumberKind::Switch},
          [](const Pattern& p, const Box&) { return of<Kind>(p).turning ? 1.0 : 0.0; },
          [](Pattern& p, const Box&, double v) { of<Kind>(p).turning = v > 0; }};
}

const PatternNumber rowNumbers[] = {
    countNumber<Row>(5),
    {aLength("gap", "Between one copy and the next"),
     [](const Pattern& p, const Box& b) { return gapOf(of<Row>(p).step, b); },
     [](Pattern& p, const Box& b, double v) { of<Row>(p).step = withGap(of<Row>(p).step, b, v); }},
    {aLength("pitch", "From one copy to the next, their widths included", 0),
     [](const Pattern& p, const Box&) { return length(of<Row>(p).step); },
     [](Pattern& p, const Box&, double v) { of<Row>(p).step = lengthened(of<Row>(p).step, v); }},
    {anAngle("direction", "Where the row leads: 0° to the right, 90° down"),
     [](const Pattern& p, const Box&) {
       const Point step = of<Row>(p).step;
       return length(step) > 0 ? degrees(std::atan2(step.y, step.x)) : 0;
     },
     [](Pattern& p, const Box& b, double v) {
       // The gap stays: what is wide and low lies closer in a column than in a row.
       const double gap = gapOf(of<Row>(p).step, b);
       const Point way{std::abs(std::abs(v) - 90) < 1e-9 ? 0 : std::cos(radians(v)),
                       std::abs(std::abs(v) - 180) < 1e-9 ? 0 : std::sin(radians(v))};
       of<Row>(p).step = way * std::max(1e-6, extent(b, way) + gap);
     }},
    turnNumber<Row>(),
    growthNumber<Row>()};

const PatternNumber gridNumbers[] = {
    {aCount("columns", "How many copies a row", 3),
     [](const Pattern& p, const Box&) { return of<Grid>(p).columns * 1.0; },
     [](Pattern& p, const Box&, double v) { of<Grid>(p).columns = static_cast<int>(v); }},
    {aCount("rows", "How many rows", 3), [](const Pattern& p, const Box&) { return of<Grid>(p).rows * 1.0; },
     [](Pattern& p, const Box&, double v) { of<Grid>(p).rows = static_cast<int>(v); }},
    {{"stagger", -1, 1, 0, 0.01, "How far every other row is shifted, as a share of the pitch", {}, NumberKind::Share},
     [](const Pattern& p, const Box&) { return of<Grid>(p).shift; },
     [](Pattern& p, const Box&, double v) { of<Grid>(p).shift = v; }},
    {aLength("gap across", "Between columns"),
     [](const Pattern& p, const Box& b) { return gapOf(of<Grid>(p).across, b); },
     [](Pattern& p, const Box& b, double v) { of<Grid>(p).across = withGap(of<Grid>(p).across, b, v); }},
    {aLength("gap down", "Between rows"), [](const Pattern& p, const Box& b) { return gapOf(of<Grid>(p).down, b); },
     [](Pattern& p, const Box& b, double v) {
       of<Grid>(p).down = withGap(of<Grid>(p).down, b, v, {0, 1});
     }},
    {aLength("pitch across", "From one column to the next", 0),
     [](const Pattern& p, const Box&) { return length(of<Grid>(p).across); },
     [](Pattern& p, const Box&, double v) { of<Grid>(p).across = lengthened(of<Grid>(p).across, v); }},
    {aLength("pitch down", "From one row to the next", 0),
     [](const Pattern& p, const Box&) { return length(of<Grid>(p).down); },
     [](Pattern& p, const Box&, double v) {
       of<Grid>(p).down = lengthened(of<Grid>(p).down, v, {0, 1});
     }}};

const PatternNumber ringNumbers[] = {
    countNumber<Ring>(8),
    {aLength("radius", "From the middle of the ring to the middle of each copy", 0),
     [](const Pattern& p, const Box& b) { return distance(of<Ring>(p).centre, b.centre()); },
     [](Pattern& p, const Box& b, double v) {
       Point& centre = of<Ring>(p).centre;
       centre = b.centre() + lengthened(centre - b.centre(), v, {0, 1});
     }},
    {anAngle("way round", "How far round the copies are spread: 360° all the way", 360),
     [](const Pattern& p, const Box&) { return degrees(of<Ring>(p).sweep); },
     [](Pattern& p, const Box&, double v) { of<Ring>(p).sweep = radians(v); }},
    {anAngle("step", "The angle from one copy to the next: fewer of them where they would go round twice", 360),
     [](const Pattern& p, const Box&) { return degrees(of<Ring>(p).sweep) / of<Ring>(p).count; },
     [](Pattern& p, const Box&, double v) {
       Ring& ring = of<Ring>(p);
       constexpr double whole = 360, rounding = 1e-9;
       if (v != 0) ring.count = std::clamp(static_cast<int>(whole / std::abs(v) + rounding), 1, ring.count);
       ring.sweep = radians(v) * ring.count;
     }},
    turnNumber<Ring>(),
    growthNumber<Ring>(),
    turningNumber<Ring>("Copies turn with the ring, or stay upright")};

const PatternNumber trailNumbers[] = {
    countNumber<Trail>(8),
    {aLength("pitch", "From one copy to the next along the line: as many as there is room for", 0.1),
     [](const Pattern& p, const Box&) {
       const auto& trail = of<Trail>(p);
       if (trail.pitch > 0) return trail.pitch;
       const Along along(trail.line);
       const int gaps = along.isClosed() ? trail.count : trail.count - 1;
       return gaps > 0 ? along.length() / gaps : along.length();
     },
     [](Pattern& p, const Box&, double v) { of<Trail>(p).pitch = v; }},
    turnNumber<Trail>(),
    growthNumber<Trail>(),
    turningNumber<Trail>("Copies turn with the line, or stay as the first one is")};

const PatternNumber mirrorNumbers[] = {
    {aCount("axes", "How many axes: one makes two copies, two make four", 1),
     [](const Pattern& p, const Box&) { return of<Mirrored>(p).axes * 1.0; },
     [](Pattern& p, const Box&, double v) { of<Mirrored>(p).axes = static_cast<int>(v); }},
    {anAngle("angle", "Of the first axis: 90° is upright"),
     [](const Pattern& p, const Box&) { return degrees(of<Mirrored>(p).angle); },
     [](Pattern& p, const Box&, double v) { of<Mirrored>(p).angle = radians(v); }},
    {aLength("distance", "From the middle of each copy to the middle of them all", 0),
     [](const Pattern& p, const Box& b) { return distance(of<Mirrored>(p).centre, b.centre()); },
     [](Pattern& p, const Box& b, double v) {
       Point& centre = of<Mirrored>(p).centre;
       centre = b.centre() + lengthened(centre - b.centre(), v);
     }}};

const PatternKind kinds[] = {{"row", "Copies side by side", rowNumbers},
                             {"grid", "Rows of copies", gridNumbers},
                             {"ring", "Copies round a middle", ringNumbers},
                             {"path", "Copies along a line", trailNumbers},
                             {"mirror", "Mirror images", mirrorNumbers}};
static_assert(std::size(kinds) == std::variant_size_v<Pattern>);

}  // namespace

std::span<const PatternKind> patternKinds() { return kinds; }

Pattern withNumber(const Pattern& pattern, std::size_t number, const Box& first, double value) {
  Pattern out = pattern;
  const PatternNumber& declared = kindOf(pattern).numbers[number];
  if (auto* trail = std::get_if<Trail>(&out); trail && declared.number.kind == NumberKind::Count) trail->pitch = 0;
  declared.set(out, first, within(declared.number, value));
  return out;
}

Pattern usualPattern(std::size_t kind, const Box& first, const Point* centre) {
  const double width = first.width(), height = first.height(), gap = 0.25 * std::max({width, height, 1.0});
  const Point middle = first.centre();
  if (kind == 0) return Row{5, {width + gap, 0}};
  if (kind == 1) return Grid{3, 3, {width + gap, 0}, {0, height + gap}};
  // About its foot it makes a blossom.
  if (kind == 2) return Ring{8, centre ? *centre : Point{middle.x, first.high.y}};
  return Mirrored{1, centre ? *centre : Point{first.high.x + gap / 2, middle.y}};
}

Pattern asKind(const Pattern& pattern, std::size_t kind, const Box& first) {
  Pattern out = usualPattern(kind, first);
  const auto count = static_cast<int>(std::min<std::size_t>(countOf(pattern), static_cast<std::size_t>(mostCount)));
  if (auto* row = std::get_if<Row>(&out)) {
    row->count = count;
    if (const auto* grid = std::get_if<Grid>(&pattern)) row->step = grid->across;
  }
  if (auto* ring = std::get_if<Ring>(&out)) {
    ring->count = count;
    // So wide that copies stand beside one another.
    const double round = count * 1.2 * std::max({first.width(), first.height(), 1.0});
    ring->centre = first.centre() + Point{0, round / (2 * pi)};
  }
  if (auto* grid = std::get_if<Grid>(&out)) {
    grid->columns = std::max(1, static_cast<int>(std::round(std::sqrt(count))));
    grid->rows = (count + grid->columns - 1) / grid->columns;
    if (const auto* row = std::get_if<Row>(&pattern)) grid->across = row->step;
  }
  if (auto* mirrored = std::get_if<Mirrored>(&out)) mirrored->axes = std::max(1, count / 2);
  return out;
}

Trail usualTrail(Contour line) { return {std::move(line), 8}; }

}  // namespace widecut
