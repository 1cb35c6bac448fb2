#include "project/edits/repeats.h"

#include <gtest/gtest.h>

#include <numbers>
#include <random>

#include "geometry/along.h"
#include "project/edits/cutouts.h"
#include "project/edits/order.h"
#include "project/forms/repeat.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"
#include "scene/scene.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

struct Repeats : testing::Test, Sample {
  Id made = 0;
  std::mt19937 random{7};
  double number(double low, double high) { return std::uniform_real_distribution<>(low, high)(random); }

  Contour anyLine() {
    Contour line{{number(0, 100), number(0, 100)}, {}, number(0, 1) < 0.4};
    for (int i = 0; i < 3; ++i) {
      const auto place = [&] { return Point{number(0, 200), number(0, 150)}; };
      line.segments.push_back(number(0, 1) < 0.5 ? Segment::line(place()) : Segment::cubic(place(), place(), place()));
    }
    return line;
  }
  Pattern anyPattern() {
    const Each each{number(-0.5, 0.5), number(-0.1, 0.15)};
    const Point step{number(-60, 60), number(-60, 60)}, other{number(-60, 60), number(-60, 60)};
    const int count = static_cast<int>(number(2, 7));
    switch (random() % 4) {
      case 0:
        return Row{count, step, each};
      case 1:
        return Grid{count, 2, step, other, number(-0.5, 0.5)};
      case 2:
        return Ring{count, step, number(-6, 6), number(0, 1) < 0.5, each};
      default:
        return Mirrored{count / 2, step, number(-3, 3)};
    }
  }
  /// Some copies left out, one coloured otherwise.
  Project changedHere(Project p, Id repeat) {
    const auto count = static_cast<int>(countOfCopies(findItem(p, repeat)->form));
    for (int copy = 0; copy < count; ++copy)
      if (number(0, 1) < 0.25) p = withLeftOut(p, repeat, copy, true);
    Style style;
    setColour(style, Colour{9, 200, 77});
    const ItemPtr inside = childrenOf(*findItem(p, repeat))[0];
    return withOwnLook(p, repeat, count / 2, inside->id, style);
  }
  Repeat repeatIn(const Project& p, Id id) { return *repeatOf(*findItem(p, id)); }
  double area(const Project& p, Id id) { return std::abs(signedArea(resolved(*findItem(p, id))->outline)); }
};

/// What is painted, mark by mark, on the sheet.
struct Painted {
  Box box;
  Colour colour;
  double area = 0;
};
void gather(const Layer& layer, const Affine& parent, std::vector<Painted>& all) {
  const Affine place = parent * layer.place;
  for (const Mark& mark : layer.content->under) {
    const auto& fill = std::get<FillOutline>(mark);
    const Outline outline = transformed(*fill.outline, place);
    all.push_back({bounds(outline), std::get<Colour>(fill.brush), std::abs(signedArea(outline))});
  }
  for (const Layer& inner : layer.content->inside) gather(inner, place, all);
}
std::vector<Painted> painted(const Sheet& sheet) {
  std::vector<Painted> all;
  for (const Layer& layer : sceneOf(sheet, 1e4).layers) gather(layer, {}, all);
  return all;
}

TEST_F(Repeats, AreTheirReleasedItemsInTheSceneAndInRecipes) {
  const Id bar = add("bar", fitted(rectangleOutline(1, 1), {{-50, 30}, {300, 75}}), {1, 2, 3});
  int along = 0;
  for (int round = 0; round < 120; ++round) {
    const std::vector<Id> items = round % 3 == 0 ? std::vector<Id>{disc, box} : std::vector<Id>{disc};
    Project p =
        round % 5 == 0 ? repeatedAlong(project, items, anyLine(), made) : repeated(project, items, anyPattern(), made);
    along += round % 5 == 0;
    const Id repeat = made;
    p = changedHere(p, repeat);
    p = withMapped(p, std::vector<Id>{repeat}, Affine::turn(number(-1, 1)) * Affine::scale(1.25, 1.25));
    if (copiesOf(repeatIn(p, repeat)).empty()) continue;
    std::vector<Id> freed;
    const Project released = withCopiesFreed(p, repeat, freed);
    ASSERT_EQ(freed.size(), copiesOf(repeatIn(p, repeat)).size() * items.size());
    const auto a = painted(sheetOf(p)), b = painted(sheetOf(released));
    ASSERT_EQ(a.size(), b.size()) << round;
    for (std::size_t i = 0; i < a.size(); ++i) {
      EXPECT_LT(distance(a[i].box.low, b[i].box.low) + distance(a[i].box.high, b[i].box.high), 1e-7) << round;
      EXPECT_EQ(a[i].colour, b[i].colour) << round;
      EXPECT_NEAR(a[i].area, b[i].area, 1e-7 * (1 + a[i].area)) << round;
    }
    // As a part of a recipe it is what they cover together.
    Id cut = 0, all = 0, want = 0;
    const Project one = combined(p, std::vector<Id>{repeat, bar}, Outcome::SubtractFront, {bar, 0}, cut);
    Project other = combined(released, freed, Outcome::Union, {freed[0], 0}, all);
    if (freed.size() == 1) all = freed[0];
    other = combined(other, std::vector<Id>{all, bar}, Outcome::SubtractFront, {bar, 0}, want);
    EXPECT_NEAR(area(one, cut), area(other, want), 1e-5) << round;
  }
  EXPECT_GT(along, 20);
}

TEST_F(Repeats, OverlapsOfMirroredCopiesAreNoHoles) {
  // A shape with a hole, mirrored so that the copies lie half over one another.
  Project p = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractBack, {box, 0}, made);
  p = repeated(p, std::vector<Id>{made}, Mirrored{1, {20, 0}}, made);
  std::vector<Id> freed;
  Id all = 0;
  const Project released = withCopiesFreed(p, made, freed);
  const Project one = combined(released, freed, Outcome::Union, {freed[0], 0}, all);
  EXPECT_NEAR(area(p, made), area(one, all), 1e-6);
}

TEST_F(Repeats, StayWhereTheyAreInsideACutout) {
  Project p = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {box, 0}, made);
  const Id cutout = made;
  const double before = area(p, cutout);
  p = repeated(p, std::vector<Id>{disc}, Row{3, {0, 25}}, made);
  ASSERT_TRUE(findItem(p, made));
  EXPECT_EQ(chainTo(p, made).front()->id, cutout) << "in the recipe still";
  EXPECT_LT(area(p, cutout), before) << "and it cuts with all copies";
  const Project wider = withPattern(p, made, Row{1, {0, 25}});
  EXPECT_NEAR(area(wider, cutout), before, 1e-6);
}

TEST_F(Repeats, LookOfOneCopyGoesItsWays) {
  Project p = repeated(project, std::vector<Id>{disc}, Row{3, {40, 0}}, made);
  Style red;
  setColour(red, Colour{255, 0, 0});
  p = withOwnLook(p, made, 1, disc, red);
  EXPECT_EQ(painted(sheetOf(p))[2].colour, (Colour{255, 0, 0}));
  EXPECT_EQ(painted(sheetOf(p))[3].colour, (Colour{20, 90, 160}));
  const Project like = withoutOwnLook(p, made, 1);
  EXPECT_EQ(painted(sheetOf(like))[2].colour, (Colour{20, 90, 160}));
  const Project all = withLookForAll(p, made, 1);
  for (std::size_t i = 1; i < 4; ++i) EXPECT_EQ(painted(sheetOf(all))[i].colour, (Colour{255, 0, 0}));
  EXPECT_TRUE(repeatIn(all, made).looks.empty());
  // It follows its item into a copy of the whole, and goes with copies that go.
  std::vector<Id> copies;
  const Project twice = withCopies(p, std::vector<Id>{made}, {5, 5}, copies);
  const Repeat copy = repeatIn(twice, copies[0]);
  ASSERT_EQ(copy.looks.size(), 1U);
  EXPECT_EQ(copy.looks[0].item, copy.items[0]->id);
  EXPECT_TRUE(repeatIn(withPattern(p, made, Row{1, {40, 0}}), made).looks.empty());
  EXPECT_FALSE(isSame(p, like));
}

TEST_F(Repeats, CopiesGoAlongALineByCountOrPitch) {
  const Contour line{{20, 120}, {Segment::cubic({60, 20}, {140, 20}, {180, 120})}, false};
  Project p = repeatedAlong(project, std::vector<Id>{box}, line, made);
  const Along along(line);
  const auto middles = [&](const Project& now) {
    std::vector<Point> all;
    const Repeat repeat = repeatIn(now, made);
    for (const Copy& copy : copiesOf(repeat))
      all.push_back(frameToSheet(now, made)(copy.place(firstBox(repeat).centre())));
    return all;
  };
  const auto all = middles(p);
  ASSERT_EQ(all.size(), 8U);
  for (std::size_t i = 0; i < all.size(); ++i)
    EXPECT_LT(distance(all[i], along.at(along.length() * double(i) / 7).at), 1e-9) << i;
  auto trail = std::get<Trail>(repeatIn(p, made).pattern);
  trail.pitch = along.length() / 3.5;
  EXPECT_EQ(middles(withPattern(p, made, trail)).size(), 4U) << "as many as there is room for";
  // Copies that do not turn lie as the original did.
  trail.turning = false;
  const Project upright = withPattern(p, made, trail);
  EXPECT_NEAR(boxInParent(*childrenOf(*findItem(upright, made))[0]).width(), 100, 1e-9);
  // Another line is taken up by the same repeat.
  const Contour level{{10, 10}, {Segment::line({190, 10})}, false};
  const Id before = made;
  p = repeatedAlong(p, std::vector<Id>{made}, level, made);
  EXPECT_EQ(made, before);
  const auto after = middles(p);
  ASSERT_EQ(after.size(), 8U);
  for (std::size_t i = 0; i < after.size(); ++i)
    EXPECT_LT(distance(after[i], {10 + 180 * double(i) / 7, 10}), 1e-9) << i;
}

TEST_F(Repeats, NumbersAreWhatTheySay) {
  const Box first{{-10, -5}, {10, 5}};
  for (std::size_t kind = 0; kind < patternKinds().size(); ++kind) {
    const Contour line{{0, 0}, {Segment::line({100, 0})}, false};
    Pattern pattern = kind == 3 ? Pattern(usualTrail(line)) : usualPattern(kind, first);
    ASSERT_EQ(pattern.index(), kind);
    const auto numbers = kindOf(pattern).numbers;
    for (std::size_t i = 0; i < numbers.size(); ++i) {
      const StarterNumber& declared = numbers[i].number;
      for (int k = 0; k < 20; ++k) {
        const double low = std::max(declared.least, -300.0), high = std::min(declared.most, 300.0);
        double value = within(declared, number(low, high));
        // A gap cannot make copies lie behind where they begin.
        if (declared.name.starts_with("gap")) value = std::abs(value);
        const Pattern set = withNumber(pattern, i, first, value);
        EXPECT_NEAR(numbers[i].value(set, first), value, 1e-6) << declared.name << " of " << kindOf(pattern).name;
      }
    }
    EXPECT_GE(countOf(pattern), 2U);
    for (std::size_t other = 0; other < patternKinds().size(); ++other) {
      if (other == 3) continue;
      EXPECT_EQ(asKind(pattern, other, first).index(), other);
    }
  }
}

TEST_F(Repeats, BeyondTheLimitsAreRefused) {
  const Pattern beyond[] = {Trail{{{0, 0}, {Segment::line({1e5, 0})}, false}, 2, 1},
                            Row{3, {1, 0}, {0, -1.5}},
                            Row{9000, {1, 0}, {0, 0.5}},
                            Mirrored{0, {}},
                            Mirrored{6000, {}},
                            Trail{{{0, 0}, {Segment::line({std::nan(""), 0})}, false}, 2}};
  for (const Pattern& pattern : beyond)
    EXPECT_TRUE(beyondLimits(repeated(project, std::vector<Id>{disc}, pattern, made), nullptr)) << pattern.index();
}

TEST(AlongTest, MeasuresByLength) {
  const Contour square{{0, 0}, {Segment::line({10, 0}), Segment::line({10, 10}), Segment::line({0, 10})}, true};
  const Along along(square);
  EXPECT_NEAR(along.length(), 40, 1e-12);
  EXPECT_LT(distance(along.at(15).at, {10, 5}), 1e-12);
  EXPECT_LT(distance(along.at(15).direction, {0, 1}), 1e-12);
  EXPECT_LT(distance(along.at(-5).at, {0, 5}), 1e-12) << "a closed one goes on round";
  const Along open({{0, 0}, {Segment::line({10, 0})}, false});
  EXPECT_LT(distance(open.at(50).at, {10, 0}), 1e-12);
  const Along nothing({{3, 4}, {}, false});
  EXPECT_EQ(nothing.length(), 0);
  EXPECT_EQ(nothing.at(1).at, (Point{3, 4}));
}

}  // namespace
}  // namespace widecut
