#include "shapes/starter.h"

#include <gtest/gtest.h>

#include <random>

#include "cutting/planar_map.h"
#include "shapes/contour_maker.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

constexpr StarterSize sizes[] = {{120, 120}, {340, 85}, {70, 400}, {9, 12}, {1190, 842}};

std::string told(const StarterKind& kind, StarterSize size, Values values) {
  std::string text(kind.name);
  text += " in " + std::to_string(size.width) + " x " + std::to_string(size.height);
  for (std::size_t i = 0; i < values.size(); ++i)
    text += " " + keyOf(kind.numbers[i]) + "=" + std::to_string(values[i]);
  return text;
}

/// Anywhere in the ranges.
std::vector<double> thrown(const StarterKind& kind, std::mt19937& random) {
  std::vector<double> values;
  for (const StarterNumber& n : kind.numbers) {
    // Counts and lengths span orders of magnitude: small ones as often as large ones.
    const double part = std::uniform_real_distribution<double>(0, 1)(random);
    const bool wide = n.kind == NumberKind::Count || n.kind == NumberKind::Length;
    const double from = std::max(n.least, 0.01);
    values.push_back(within(n, wide ? from * std::pow(n.most / from, part) : n.least + part * (n.most - n.least)));
  }
  return values;
}

/// With every number at one end of its range.
std::vector<double> atEnds(const StarterKind& kind, std::mt19937& random) {
  std::vector<double> values;
  for (const StarterNumber& n : kind.numbers) values.push_back(random() % 2 == 0 ? n.least : n.most);
  return values;
}

/// By the areas of the map of the outline with itself: the parts that count twice, or backwards, would differ.
double filledArea(const Outline& outline) {
  const auto map = PlanarMap::of(std::vector<Operand>{{outline}});
  return signedArea(map->where(Formula::part(0)));
}

std::vector<Point> nodesOf(const Outline& outline) {
  std::vector<Point> nodes;
  for (const Contour& c : outline.contours) {
    nodes.push_back(c.start);
    for (const Segment& s : c.segments)
      if (s.end != c.start) nodes.push_back(s.end);
  }
  return nodes;
}

bool isMirrored(const Outline& outline, double sx, double sy, double reach) {
  auto nodes = nodesOf(outline);
  const auto before = [](Point a, Point b) { return a.x != b.x ? a.x < b.x : a.y < b.y; };
  std::sort(nodes.begin(), nodes.end(), before);
  for (const Point p : nodes) {
    const Point image{sx * p.x, sy * p.y};
    auto at = std::lower_bound(nodes.begin(), nodes.end(), Point{image.x - reach, -1e9}, before);
    bool found = false;
    for (; at != nodes.end() && at->x <= image.x + reach && !found; ++at) found = distance(*at, image) <= reach;
    if (!found) return false;
  }
  return true;
}

void expectSound(const StarterKind& kind, StarterSize size, Values values, bool isInside) {
  const Outline outline = starterOutline(kind, size, values);
  SCOPED_TRACE(told(kind, size, values));
  const double scale = std::max(size.width, size.height), area = size.width * size.height;
  ASSERT_TRUE(isFinite(outline));
  for (const Contour& c : outline.contours) EXPECT_EQ(c.closed, !kind.isOpen);
  const Box box = bounds(outline);
  EXPECT_NEAR(box.low.x, -size.width / 2, 1e-7 * scale);
  EXPECT_NEAR(box.high.x, size.width / 2, 1e-7 * scale);
  EXPECT_NEAR(box.low.y, -size.height / 2, 1e-7 * scale);
  EXPECT_NEAR(box.high.y, size.height / 2, 1e-7 * scale);
  if (!kind.isOpen) {
    EXPECT_GT(signedArea(outline), 0) << "it runs clockwise";
    EXPECT_NEAR(filledArea(outline), signedArea(outline), 1e-6 * area) << "it crosses itself";
  }
  const int nodes = static_cast<int>(nodesOf(outline).size()), declared = kind.nodes(size, values);
  if (isInside)
    EXPECT_EQ(nodes, declared);
  else
    EXPECT_LE(nodes, declared);
  const Symmetry symmetry = kind.symmetry(values);
  EXPECT_TRUE(!symmetry.upright || isMirrored(outline, -1, 1, 1e-6 * scale)) << "left and right differ";
  EXPECT_TRUE(!symmetry.across || isMirrored(outline, 1, -1, 1e-6 * scale)) << "top and bottom differ";
}

class EveryStarter : public ::testing::TestWithParam<const StarterKind*> {};

TEST_P(EveryStarter, IsSoundAsItComes) {
  const StarterKind& kind = *GetParam();
  const auto values = usualValues(kind);
  expectSound(kind, usualSize(kind, values), values, true);
  for (const StarterSize size : sizes) expectSound(kind, size, values, false);
}

TEST_P(EveryStarter, IsSoundAllOverItsRanges) {
  const StarterKind& kind = *GetParam();
  std::mt19937 random(11);
  for (int i = 0; i < 60; ++i) expectSound(kind, sizes[random() % std::size(sizes)], thrown(kind, random), false);
}

TEST_P(EveryStarter, IsSoundAtTheEndsOfItsRanges) {
  const StarterKind& kind = *GetParam();
  std::mt19937 random(12);
  for (int i = 0; i < 40; ++i) expectSound(kind, sizes[random() % std::size(sizes)], atEnds(kind, random), false);
}

/// Follows the largest change of the area to an interval that is next to nothing; what is left of it.
double leapIn(const StarterKind& kind, StarterSize size, std::vector<double> values, std::size_t number) {
  const StarterNumber& n = kind.numbers[number];
  const auto area = [&](double value) {
    values[number] = value;
    return signedArea(starterOutline(kind, size, values));
  };
  double low = n.least, high = n.most;
  for (int round = 0; round < 9; ++round) {
    constexpr int parts = 12;
    double most = -1, at = low;
    double before = area(low);
    for (int i = 1; i <= parts; ++i) {
      const double now = area(low + (high - low) * i / parts);
      if (std::abs(now - before) > most) {
        most = std::abs(now - before);
        at = low + (high - low) * (i - 1) / parts;
      }
      before = now;
    }
    const double step = (high - low) / parts;
    low = at;
    high = at + step;
  }
  return std::abs(area(high) - area(low)) / (size.width * size.height);
}

TEST_P(EveryStarter, ItsAreaChangesWithoutLeaps) {
  const StarterKind& kind = *GetParam();
  if (kind.isOpen) return;  // it has no area
  std::mt19937 random(13);
  for (std::size_t number = 0; number < kind.numbers.size(); ++number) {
    if (!kind.numbers[number].isMeasure() || kind.numbers[number].leaps) continue;
    for (int i = 0; i < 4; ++i) {
      const StarterSize size = sizes[random() % std::size(sizes)];
      const auto values = thrown(kind, random);
      EXPECT_LT(leapIn(kind, size, values, number), 1e-4)
          << kind.numbers[number].name << " of " << told(kind, size, values);
    }
  }
}

TEST_P(EveryStarter, ItsHandlesGoWhereTheyAreDragged) {
  const StarterKind& kind = *GetParam();
  std::mt19937 random(14);
  for (const NumberHandle& handle : kind.handles)
    for (int i = 0; i < 5; ++i) {
      const StarterSize size{200, 150};
      const auto values = i == 0 ? usualValues(kind) : thrown(kind, random);
      const Point at = handle.at(starterOutline(kind, size, values), values);
      const auto same = dragged(kind, size, values, handle, at);
      SCOPED_TRACE(std::string(kind.numbers[static_cast<std::size_t>(handle.number)].name) + " of " +
                   told(kind, size, values));
      const Box frame{{-100, -75}, {100, 75}};
      const auto placed = [&](Values now) {
        const Box after = kind.frameAfter ? kind.frameAfter(frame, values, now) : frame;
        return after.centre() + handle.at(starterOutline(kind, {after.width(), after.height()}, now), now);
      };
      EXPECT_LT(distance(placed(same), at), 1) << "where it is already";
      // Where other values of its numbers put it.
      auto other = values;
      for (const int number : {handle.number, handle.second})
        if (number >= 0) {
          const StarterNumber& n = kind.numbers[static_cast<std::size_t>(number)];
          other[static_cast<std::size_t>(number)] =
              n.kind == NumberKind::Length ? 12 : n.least + 0.6 * (n.most - n.least);
        }
      const Point goal = placed(other);
      EXPECT_LT(distance(placed(dragged(kind, size, values, handle, goal)), goal), 1.5);
    }
}

TEST_P(EveryStarter, DealingStaysWithinItsRangesAndTellsApart) {
  const StarterKind& kind = *GetParam();
  if (kind.numbers.empty()) return;
  const auto values = usualValues(kind);
  std::vector<std::vector<double>> hands;
  for (unsigned turn = 0; turn < 8; ++turn) {
    hands.push_back(dealt(kind, values, turn));
    EXPECT_EQ(hands.back(), within(kind, hands.back()));
    EXPECT_EQ(hands.back(), dealt(kind, values, turn)) << "the same throw is the same";
  }
  std::sort(hands.begin(), hands.end());
  EXPECT_GE(std::unique(hands.begin(), hands.end()) - hands.begin(), 7);
}

std::string paramName(const ::testing::TestParamInfo<const StarterKind*>& info) {
  std::string name;
  bool up = true;
  for (const char c : info.param->name) {
    if (c != ' ') name += up ? static_cast<char>(std::toupper(c)) : c;
    up = c == ' ';
  }
  return name;
}
INSTANTIATE_TEST_SUITE_P(Starters, EveryStarter, ::testing::ValuesIn(starterKinds().begin(), starterKinds().end()),
                         paramName);

// Areas by their formulas. Kinds that are stretched are drawn with radius 1 before they are fitted.

double drawnArea(std::string_view name, Values values) { return signedArea(starterKind(name)->draw({1, 1}, values)); }

TEST(Starters, HaveTheAreasOfTheirFormulas) {
  for (const int n : {3, 5, 6, 20}) {
    const double polygon[] = {double(n), 20, 0};
    EXPECT_NEAR(drawnArea("polygon", polygon), 0.5 * n * std::sin(2 * pi / n), 1e-12);
    for (const double depth : {0.25, 0.6}) {
      const double star[] = {double(n), depth, 0, 0, 0};
      EXPECT_NEAR(drawnArea("star", star), n * (1 - depth) * std::sin(pi / n), 1e-12);
    }
  }
  // Arcs of cubics are off by 0.03 % of the radius at most, and outwards.
  constexpr double round = 1e-3;
  for (const double sweep : {40.0, 90.0, 275.0})
    for (const double hole : {0.0, 0.4}) {
      const double slice[] = {sweep, 10, hole};
      EXPECT_NEAR(drawnArea("slice", slice), radians(sweep) / 2 * (1 - hole * hole), round);
    }
  const double ring[] = {0.3};
  EXPECT_NEAR(drawnArea("ring", ring), pi * (1 - 0.09), round);
  for (const double turns : {0.7, 3.0, 7.5}) {
    // ∫ (outer² − inner²)/2 with inner = h + g·a and outer = inner + t.
    const double hole = 0.2, share = 0.4, pitch = (1 - hole) / turns, whole = 2 * pi * turns, t = share * pitch;
    const double spiral[] = {turns, share, hole};
    EXPECT_NEAR(drawnArea("even spiral", spiral),
                t * (hole * whole + pitch / (4 * pi) * whole * whole) + t * t * whole / 2, 2 * round);
    // (1 − inside²)·∫ e^(2·rate·(a − whole))/2.
    const double growth = 2.2, rate = std::log(growth) / (2 * pi), inside = 1 - share * (1 - 1 / growth);
    const double growing[] = {turns, growth, share};
    EXPECT_NEAR(drawnArea("growing spiral", growing),
                (1 - inside * inside) * (1 - std::exp(-2 * rate * whole)) / (4 * rate), round);
  }
  // A wave takes half of its depth, a band the thickness along its width.
  const double wave[] = {5, 0.3, 0.37, 0, 0, 1, 0};
  EXPECT_NEAR(signedArea(starterOutline(*starterKind("wave panel"), {300, 200}, wave)), 300 * (200 - 0.3 * 60 / 2),
              300 * 18 * 0.02);
  const double band[] = {4, 9, 0.3};
  EXPECT_NEAR(signedArea(starterOutline(*starterKind("wave"), {300, 80}, band)), 300 * 9, 1e-6);
}

TEST(Starters, ASpiralLineKeepsItsDistances) {
  const StarterKind& kind = *starterKind("spiral line");
  // Where it crosses the axis upwards from its beginning: each turn is `growth` times as far from the next.
  const auto up = [&](double growth, double square) {
    const std::vector<double> values{4, growth, 0, square};
    const Outline outline = kind.draw({1, 1}, values);
    std::vector<double> found;
    for (const Point p : nodesOf(outline))
      if (std::abs(p.x) < 1e-9 && p.y < -1e-9) found.push_back(-p.y);
    return found;
  };
  for (const double square : {0.0, 0.5, 1.0}) {
    const auto even = up(1, square), growing = up(2, square);
    ASSERT_EQ(even.size(), 4U) << square;
    ASSERT_EQ(growing.size(), 4U) << square;
    for (std::size_t i = 0; i < 4; ++i) EXPECT_NEAR(even[i], 0.25 * double(i + 1), 1e-9);
    for (std::size_t i = 2; i < 4; ++i)
      EXPECT_NEAR((growing[i] - growing[i - 1]) / (growing[i - 1] - (i > 1 ? growing[i - 2] : 0)), 2, 1e-9);
  }
  // Square, it has right angles alone.
  const std::vector<double> values{2.6, 1.5, 1, 1};
  const Outline square = kind.draw({1, 1}, values);
  Point at = square.contours[0].start;
  for (const Segment& s : square.contours[0].segments) {
    EXPECT_EQ(s.kind, SegmentKind::Line);
    EXPECT_TRUE(std::abs(s.end.x - at.x) < 1e-12 || std::abs(s.end.y - at.y) < 1e-12);
    at = s.end;
  }
  const std::vector<double> plain{3, 1, 0, 0}, mirrored{3, 1, 1, 0};
  const Outline one = kind.draw({1, 1}, plain), other = kind.draw({1, 1}, mirrored);
  EXPECT_NEAR(one.contours[0].segments[4].end.x, -other.contours[0].segments[4].end.x, 1e-12);
  EXPECT_NE(one.contours[0].segments[4].end.x, 0);
}

TEST(Starters, NamesThatAreAlikeAreFound) {
  EXPECT_EQ(starterKind("hart"), nullptr);
  EXPECT_EQ(namesLike("hart").front(), "heart");
  EXPECT_EQ(namesLike("balloon").size(), 2U);
  EXPECT_TRUE(namesLike("quux").empty());
  EXPECT_GT(starterKinds().size(), 45U);
  for (const StarterKind* kind : starterKinds()) EXPECT_EQ(starterKind(kind->name), kind) << "two of one name";
}

/// How much two outlines have in common.
double common(const Outline& a, const Outline& b) {
  const auto map = PlanarMap::of(std::vector<Operand>{{a}, {b}});
  return signedArea(map->where(Formula::joined(Formula::part(0), Role::Intersect, Formula::part(1))));
}

TEST(Starters, GearsOfOnePitchMesh) {
  // 14 and 25 teeth with a module of 10: their middles are half the sum of teeth apart, and a tooth meets a gap.
  const auto gearOf = [](double teeth, double turned) {
    const double values[] = {teeth, 0.3, 1};
    const Outline drawn = starterKind("gear")->draw({1, 1}, Values(values));
    return transformed(drawn, Affine::scale(10, 10) * Affine::turn(turned));
  };
  for (const double turn : {0.0, 0.1, 0.23}) {
    const double middles = (14 + 25) / 2.0 * 10;
    // The first one's tooth points right; the second one's gap points left, and they turn against one another.
    const Outline a = gearOf(14, pi / 2 + turn);
    const Outline b = transformed(gearOf(25, -pi / 2 + pi / 25 - turn * 14 / 25), Affine::move({middles, 0}));
    EXPECT_LT(common(a, b), 0.3) << "teeth go through one another, of which each has some 150";
    // Nearer by a tenth of a module they would not.
    EXPECT_GT(common(a, transformed(b, Affine::move({-2, 0}))), 1);
  }
  // Another count of teeth at one pitch takes another frame: its teeth stay as they are.
  const StarterKind& gear = *starterKind("gear");
  const double few[] = {14, 0.25, 1}, many[] = {28, 0.25, 1};
  const Box frame{{0, 0}, {100, 100}}, grown = gear.frameAfter(frame, Values(few), Values(many));
  const auto pitch = [](double height, double teeth) { return height / (teeth / 2 + 0.75); };
  EXPECT_NEAR(pitch(grown.height(), 28), pitch(100, 14), 1e-9);
  EXPECT_EQ(grown.centre(), frame.centre());
}

/// The largest distance of a curve's points from a curve that is given by many of its own.
double furthest(Point start, const Segment& curve, const std::vector<Point>& true_) {
  double most = 0;
  for (int i = 0; i <= 64; ++i) {
    double nearest = 1e9;
    for (const Point& p : true_) nearest = std::min(nearest, distance(p, pointAt(start, curve, i / 64.0)));
    most = std::max(most, nearest);
  }
  return most;
}

TEST(Starters, FlanksOfGearsAreInvolutes) {
  for (const double teeth : {6.0, 9.0, 14.0, 15.0, 25.0, 60.0}) {
    // In modules: the left flank of the first tooth ends where the outline begins.
    const double values[] = {teeth, 0, 1};
    const Contour gear = starterKind("gear")->draw({1, 1}, Values(values)).contours[0];
    const Segment& flank = gear.segments.back();
    const Point foot = gear.segments[gear.segments.size() - 2].end;
    // The involute of the base circle through its tip, from r to r by the angle tan a − a with cos a = base/r.
    const double base = teeth / 2 * std::cos(radians(30)), tip = teeth / 2 + 0.75;
    const auto turned = [&](double r) {
      const double a = std::acos(std::min(1.0, base / r));
      return std::tan(a) - a;
    };
    const double tipAngle = std::atan2(gear.start.x, -gear.start.y);
    std::vector<Point> involute;
    for (int i = 0; i <= 2000; ++i) {
      const double r = length(foot) + (tip - length(foot)) * i / 2000;
      involute.push_back(around(tipAngle - turned(tip) + turned(r)) * r);
    }
    EXPECT_LT(furthest(foot, flank, involute), 0.02) << teeth;
  }
}

TEST(Starters, WavesAreNearlySines) {
  const double band[] = {1, 1, 0};
  const Contour wave = starterOutline(*starterKind("wave"), {200, 101}, band).contours[0];
  const Segment& half = wave.segments[0];
  for (int i = 0; i <= 50; ++i) {
    const Point p = pointAt(wave.start, half, i / 50.0);
    EXPECT_NEAR(p.y, -50.5 + 50 * (1 - std::cos(2 * pi * (p.x + 100) / 200)), 0.2);
  }
}

TEST(Starters, PuzzlePiecesFitOneAnother) {
  const StarterKind& puzzle = *starterKind("puzzle piece");
  const double tab = 12;
  const double left[] = {0, 1, 0, 0, tab}, right[] = {0, 0, 0, 2, tab};
  // A body of 80 × 60 with a tab on its right, and a piece with a hole that stands beside it.
  const Outline a = transformed(starterOutline(puzzle, {92, 60}, left), Affine::move({46, 0}));
  const Outline b = transformed(starterOutline(puzzle, {70, 60}, right), Affine::move({80 + 35, 0}));
  EXPECT_NEAR(common(a, b), 0, 1e-9);
  const auto map = PlanarMap::of(std::vector<Operand>{{a}, {b}});
  const Outline both = map->where(Formula::joined(Formula::part(0), Role::Add, Formula::part(1)));
  EXPECT_NEAR(signedArea(both), 150 * 60, 1e-9) << "nothing is left between them";
  EXPECT_EQ(both.contours.size(), 1U);
  // A side that gets a tab leaves the body where it is.
  const double straight[] = {0, 0, 0, 0, tab};
  const Box frame = puzzle.frameAfter({{-40, -30}, {40, 30}}, Values(straight), Values(left));
  EXPECT_EQ(frame, (Box{{-40, -30}, {52, 30}}));
  EXPECT_EQ(puzzle.frameAfter(frame, Values(left), Values(straight)), (Box{{-40, -30}, {40, 30}}));
}

TEST(Starters, ABalloonsBodyStaysWhileItsTailIsDragged) {
  const StarterKind& balloon = *starterKind("speech balloon");
  const auto values = usualValues(balloon);
  const StarterSize size = usualSize(balloon, values);
  const Box frame{{-size.width / 2, -size.height / 2}, {size.width / 2, size.height / 2}};
  // Down to the right, beyond the body's side; then up.
  for (const Point to : {Point{120, 80}, Point{-30, -150}, Point{160, 10}}) {
    const auto now = dragged(balloon, size, values, balloon.handles[0], to);
    const Box after = balloon.frameAfter(frame, values, now);
    const Outline outline = starterOutline(balloon, {after.width(), after.height()}, now);
    EXPECT_LT(distance(after.centre() + balloon.handles[0].at(outline, now), to), 1e-9);
    // Without its tail it is the same body.
    const auto body = [&](const Box& f, Values v) {
      double low = 1e9, high = -1e9;
      const Outline o = starterOutline(balloon, {f.width(), f.height()}, v);
      for (const Segment& s : o.contours[0].segments)
        if (s.kind == SegmentKind::Cubic) {
          low = std::min(low, f.centre().x + s.end.x);
          high = std::max(high, f.centre().x + s.end.x);
        }
      return std::pair{low, high};
    };
    EXPECT_NEAR(body(after, now).first, body(frame, values).first, 1e-9);
    EXPECT_NEAR(body(after, now).second, body(frame, values).second, 1e-9);
  }
}

TEST(Starters, WhatTheyKeepStaysWhenTheyAreResized) {
  const double bars[] = {6, 7, 20, 0, 0}, barsOfOneThickness[] = {6, 7, 20, 1, 0};
  const auto heights = [](const Outline& o) { return bounds({{o.contours[0]}}).height(); };
  const auto gap = [](const Outline& o) { return bounds({{o.contours[1]}}).low.y - bounds({{o.contours[0]}}).high.y; };
  const StarterKind& kind = *starterKind("bars");
  EXPECT_NEAR(gap(starterOutline(kind, {100, 100}, bars)), 7, 1e-9);
  EXPECT_NEAR(gap(starterOutline(kind, {300, 250}, bars)), 7, 1e-9);
  EXPECT_EQ(starterOutline(kind, {300, 250}, bars).contours.size(), 6U);
  EXPECT_NEAR(gap(starterOutline(kind, {300, 250}, barsOfOneThickness)), 7, 1e-9);
  EXPECT_NEAR(heights(starterOutline(kind, {300, 250}, barsOfOneThickness)), 20, 1.5) << "whole bars fill the frame";
  const double frame[] = {9, 0};
  EXPECT_NEAR(bounds({{starterOutline(*starterKind("frame"), {300, 80}, frame).contours[1]}}).width(), 300 - 18, 1e-9);
  // The crests of a wave are as deep for their length as they were.
  const double wave[] = {5, 0.3, 0, 0, 0, 1, 0};
  for (const double width : {200.0, 400.0}) {
    const Outline panel = starterOutline(*starterKind("wave panel"), {width, 150}, wave);
    const auto& steps = panel.contours[0].segments;
    const auto crest =
        std::find_if(steps.begin(), steps.end(), [](const Segment& s) { return s.kind == SegmentKind::Cubic; });
    EXPECT_NEAR(std::abs(crest[1].end.y - crest[0].end.y), 0.3 * width / 5, 1e-9);
  }
}

}  // namespace
}  // namespace widecut
