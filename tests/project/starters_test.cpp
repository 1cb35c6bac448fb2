#include "project/edits/starters.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/order.h"
#include "project/edits/pieces.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct WithStarters : testing::Test {
  Sample sample;
  Project project = sample.project;
  Id add(std::string_view kind, Box box, std::vector<double> numbers = {}) {
    const Id id = project.nextId;
    project = withItemsOnTop(project, sample.sheet,
                             {starterItem(id, std::string(kind), *starterKind(kind), numbers, box, {})});
    return id;
  }
  Item item(Id id) const { return *findItem(project, id); }
  const Starter::Content& content(Id id) const { return starterOf(*findItem(project, id))->content(); }
  void map(Id id, const Affine& m) { project = withMapped(project, std::vector<Id>{id}, m); }
  void resize(Id id, const Affine& m) { project = withResized(project, std::vector<Id>{id}, m); }
};

TEST_F(WithStarters, NumbersSurviveTurningScalingAndFlipping) {
  const Id star = add("star", {{10, 20}, {110, 80}}, {7, 0.3, 0.4});
  const Outline before = transformed(resolved(item(star))->outline, item(star).toParent());
  const Affine all = Affine::turn(0.7) * Affine::scale(-1.5, 0.5).about({30, 40}) * Affine::turn(-0.2);
  map(star, all);
  EXPECT_EQ(content(star).numbers, within(*starterKind("star"), std::vector<double>{7, 0.3, 0.4}));
  const Outline after = transformed(resolved(item(star))->outline, item(star).toParent());
  const Outline wanted = transformed(before, all);
  ASSERT_EQ(after.contours.size(), 1U);
  for (std::size_t i = 0; i < after.contours[0].segments.size(); ++i)
    EXPECT_LT(distance(after.contours[0].segments[i].end, wanted.contours[0].segments[i].end), 1e-9)
        << "kinds that are stretched go through any map exactly";
  map(star, *all.inverse());
  EXPECT_EQ(content(star).stretch, Affine{}) << "there and back there is no slant left";
  EXPECT_NEAR(content(star).size.width, 100, 1e-9);
}

TEST_F(WithStarters, WhatAKindKeepsStaysWhenItsFrameIsResized) {
  const Id frame = add("frame", {{0, 0}, {100, 80}}, {9, 0});
  resize(frame, Affine::scale(3, 1.5).about({0, 0}));
  EXPECT_EQ(content(frame).numbers[0], 9);
  EXPECT_NEAR(boxInParent(item(frame)).width(), 300, 1e-9);
  EXPECT_NEAR(boxInParent(item(frame)).low.x, 0, 1e-9);
  // Scaled with everything else its border grows along.
  map(frame, Affine::scale(2, 2));
  EXPECT_NEAR(content(frame).numbers[0], 18, 1e-9);
  // Flipped, it is flipped.
  const Id arrow = add("arrow", {{0, 0}, {100, 40}});
  resize(arrow, Affine::scale(-2, 1));
  const Outline outline = transformed(resolved(item(arrow))->outline, item(arrow).toParent());
  EXPECT_TRUE(isInside(outline, FillRule::Nonzero, {-190, 20})) << "its head is on the left now";
  EXPECT_FALSE(isInside(outline, FillRule::Nonzero, {-10, 5}));
}

TEST_F(WithStarters, APartOfARecipeKeepsItsNumbers) {
  const Id burst = add("burst", {{20, 20}, {120, 120}});
  Id made = 0;
  project = combined(project, std::vector<Id>{sample.box, burst}, Outcome::SubtractFront, {}, made);
  const double before = signedArea(resolved(item(made))->outline);
  auto numbers = content(burst).numbers;
  numbers[1] = 0.8;  // deeper valleys take less away
  project = withNumbers(project, burst, numbers);
  EXPECT_GT(signedArea(resolved(item(made))->outline), before + 100);
  const Id copied = [&] {
    std::vector<Id> copies;
    project = withCopies(project, std::vector<Id>{made}, {5, 5}, copies);
    return copies.front();
  }();
  EXPECT_EQ(starterOf(*item(copied).recipe()->parts[1])->content().numbers, numbers);
}

TEST_F(WithStarters, ABalloonsBodyStaysOnTheSheetWhileItsTailGrows) {
  const Id balloon = add("speech balloon", {{0, 0}, {150, 100}}, {0, 10, 0, 20, -0.5});
  auto numbers = content(balloon).numbers;
  numbers[3] = 50;
  project = withNumbers(project, balloon, numbers);
  EXPECT_NEAR(boxInParent(item(balloon)).low.y, 0, 1e-9);
  EXPECT_NEAR(boxInParent(item(balloon)).high.y, 130, 1e-9);
  // Turned, the same.
  map(balloon, Affine::turn(1));
  const Point corner = item(balloon).toParent()(Point{-75, -65});
  numbers[2] = 3;  // to the right
  project = withNumbers(project, balloon, numbers);
  const auto& now = content(balloon);
  EXPECT_LT(distance(item(balloon).toParent()(Point{-now.size.width / 2, -now.size.height / 2}), corner), 1e-9);
}

TEST_F(WithStarters, AnotherKindTakesItsPlace) {
  const Id star = add("star", {{10, 10}, {90, 70}}, {9, 0.3});
  sample.addPhoto(400, 300);
  project = withPhotoIn(project, star, sample.photo);
  map(star, Affine::turn(0.4));
  const Item before = item(star);
  project = withKind(project, star, *starterKind("burst"));
  EXPECT_EQ(content(star).kind->name, "burst");
  EXPECT_EQ(content(star).numbers[1], 0.3) << "the depth is one that both have";
  EXPECT_EQ(item(star).position, before.position);
  EXPECT_EQ(item(star).turn, before.turn);
  EXPECT_EQ(item(star).name, "burst");
  EXPECT_TRUE(pictureOf(*item(star).style));
  // A plain outline's photo stays where it is on the sheet.
  project = withPhotoIn(project, sample.box, sample.photo);
  const Item box = item(sample.box);
  const Point seen = box.toParent()(pictureOf(*box.style)->framing.centre);
  project = withKind(project, sample.box, *starterKind("heart"));
  const Item heart = item(sample.box);
  EXPECT_EQ(heart.name, box.name) << "a name of its own stays";
  EXPECT_LT(distance(heart.toParent()(pictureOf(*heart.style)->framing.centre), seen), 1e-9);
  EXPECT_EQ(boxInParent(heart), boxInParent(box));
}

TEST_F(WithStarters, NamesFollowTheKind) {
  const Id polygon = add("polygon", {{0, 0}, {50, 50}}, {6});
  project = withItem(project, polygon, [](const Item& i) {
    Item named = i;
    named.name = "hexagon 2";
    return named;
  });
  project = withNumbers(project, polygon, std::vector<double>{3});
  EXPECT_EQ(item(polygon).name, "triangle 2");
  project = withItem(project, polygon, [](const Item& i) {
    Item named = i;
    named.name = "triangle of mine";
    return named;
  });
  project = withNumbers(project, polygon, std::vector<double>{5});
  EXPECT_EQ(item(polygon).name, "triangle of mine");
}

TEST_F(WithStarters, BakingMakesNodesOfIt) {
  const Id heart = add("heart", {{0, 0}, {50, 50}});
  const Outline before = transformed(resolved(item(heart))->outline, item(heart).toParent());
  project = withBaked(project, heart);
  EXPECT_EQ(kindOf(item(heart).form), "outline");
  EXPECT_NEAR(signedArea(resolved(item(heart))->outline), signedArea(before), 1e-9);
}

TEST_F(WithStarters, WhatIsBeyondTheLimitsIsRefused) {
  const Id star = add("star", {{0, 0}, {50, 50}});
  const auto with = [&](Starter::Content content) {
    return withItem(project, star, [&](const Item& i) {
      Item out = i;
      out.form = starterForm(content);
      return out;
    });
  };
  Starter::Content far = content(star), none = far, wild = far;
  far.size.width = 3e6;
  none.size.height = 0;
  wild.numbers[1] = 7;
  EXPECT_FALSE(beyondLimits(project, nullptr));
  EXPECT_TRUE(beyondLimits(with(far), nullptr));
  EXPECT_TRUE(beyondLimits(with(none), nullptr));
  EXPECT_TRUE(beyondLimits(with(wild), nullptr));
}

}  // namespace
}  // namespace widecut
