// Pictures behind frames, as properties over many framings.
#include "project/framing.h"

#include <gtest/gtest.h>

#include <random>

#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

constexpr int width = 640, height = 480;

/// The corners of the frame in the picture's pixels all lie within the picture.
bool covers(const Framing& framing, const Box& frame) {
  const Affine back = *pixelsToFrame(framing, width, height).inverse();
  const Box picture = Box{{0, 0}, {double(width), double(height)}}.grown(1e-6);
  for (int i = 0; i < 4; ++i)
    if (!picture.contains(back(frame.corner(i)))) return false;
  return true;
}

struct RandomFramings : testing::Test {
  std::mt19937 random{17};
  double number(double low, double high) { return std::uniform_real_distribution<double>(low, high)(random); }
  Box frame() { return Box::between({number(-200, 200), number(-200, 200)}, {number(-200, 200), number(-200, 200)}); }
  Framing framing() { return {{number(-300, 300), number(-300, 300)}, number(0.01, 2), number(-4, 4)}; }
};

TEST_F(RandomFramings, KeptCoveringCovers) {
  for (int i = 0; i < 500; ++i) {
    const Box f = frame();
    EXPECT_TRUE(covers(keptCovering(framing(), f, width, height), f));
  }
}

TEST_F(RandomFramings, WhatCoversStaysAsItIs) {
  for (int i = 0; i < 500; ++i) {
    const Box f = frame();
    const Framing kept = keptCovering(framing(), f, width, height);
    const Framing again = keptCovering(kept, f, width, height);
    EXPECT_NEAR(distance(again.centre, kept.centre), 0, 1e-9);
    EXPECT_DOUBLE_EQ(again.pointsPerPixel, kept.pointsPerPixel);
  }
}

TEST_F(RandomFramings, RefittingKeepsThePixelInTheMiddleWhenItCan) {
  for (int i = 0; i < 200; ++i) {
    const Box from = frame();
    const Framing before = keptCovering(framing(), from, width, height);
    // The same proportions, elsewhere and in another size: nothing else need change.
    const double by = number(0.2, 4);
    const Point shift{number(-50, 50), number(-50, 50)};
    const Box to{from.low * by + shift, from.high * by + shift};
    const Framing after = refitted(before, from, to, width, height);
    const auto middle = [&](const Framing& f, const Box& box) {
      return (*pixelsToFrame(f, width, height).inverse())(box.centre());
    };
    EXPECT_NEAR(distance(middle(before, from), middle(after, to)), 0, 1e-6);
    EXPECT_NEAR(after.pointsPerPixel / before.pointsPerPixel, by, 1e-9);
  }
}

TEST_F(RandomFramings, TheMapNeverStretchesOrMirrors) {
  for (int i = 0; i < 200; ++i) {
    const Affine m = pixelsToFrame(framing(), width, height);
    EXPECT_NEAR(length(m.vector({1, 0})), length(m.vector({0, 1})), 1e-12);
    EXPECT_NEAR(dot(m.vector({1, 0}), m.vector({0, 1})), 0, 1e-12);
    EXPECT_GT(m.determinant(), 0);
  }
}

TEST(Framing, AnEmptyFrameChangesNothing) {
  const Framing f{{1, 2}, 0.5, 0.3};
  EXPECT_EQ(keptCovering(f, Box{}, width, height), f);
  EXPECT_EQ(refitted(f, Box{}, {{0, 0}, {1, 1}}, width, height), f);
}

TEST(Framing, TheCoveringScaleOfATurnedPictureIsLarger) {
  const Box square{{0, 0}, {100, 100}};
  EXPECT_NEAR(coveringScale(square, 100, 100, 0), 1, 1e-12);
  EXPECT_NEAR(coveringScale(square, 100, 100, pi / 4), std::sqrt(2.0), 1e-12);
  EXPECT_NEAR(coveringScale(square, 100, 100, pi / 2), 1, 1e-12);
}

TEST(ShownPhoto, SaysTheResolutionInItsFrame) {
  Sample s;
  s.addPhoto(400, 300);
  const Project p = withPhotoIn(s.project, s.box, s.photo);  // 300 px over 100 pt
  const auto shown = shownPhoto(*findItem(p, s.box));
  EXPECT_NEAR(72 / shown->pointsPerPixel, 216, 1e-9);
  const Project doubled = withSize(p, s.box, 200, 200);
  EXPECT_NEAR(72 / shownPhoto(*findItem(doubled, s.box))->pointsPerPixel, 108, 1e-9);
}

TEST(ShownPhoto, IsNothingWithoutAMediumAndEachIsKeptOnce) {
  Sample s;
  EXPECT_FALSE(shownPhoto(*findItem(s.project, s.box)));
  s.addPhoto(300, 200);
  const auto twin = std::make_shared<const Medium>(*s.photo);
  const Project p = withPhotoIn(withPhotoIn(s.project, s.box, s.photo), s.disc, twin);
  EXPECT_EQ(shownPhoto(*findItem(p, s.disc))->medium, s.photo);
}

TEST(Resolved, AHiddenPartIsLeftOutAndAllHiddenIsNothing) {
  Sample s;
  Recipe recipe;
  recipe.parts = {findItem(s.project, s.box), findItem(s.project, s.disc)};
  recipe.formula = Formula::chain(2, Role::Subtract);
  Item cutout;
  const auto hide = [&](std::size_t index) {
    Item part = *recipe.parts[index];
    part.hidden = true;
    recipe.parts.set(index, std::make_shared<const Item>(part));
    cutout.form = std::make_shared<const Recipe>(recipe);
  };
  hide(1);
  EXPECT_NEAR(signedArea(resolved(cutout)->outline), 10000, 1e-3);
  hide(0);
  EXPECT_TRUE(resolved(cutout)->outline.isEmpty());
  EXPECT_TRUE(boxInParent(cutout).isEmpty());
}

TEST(Resolved, ABoxInTheParentIsTightWhenTurned) {
  Sample s;
  const Project turned = withMapped(s.project, std::vector<Id>{s.disc}, Affine::turn(0.6).about({100, 50}));
  const Box before = boxInParent(*findItem(s.project, s.disc)), after = boxInParent(*findItem(turned, s.disc));
  EXPECT_NEAR(after.width(), before.width(), 0.05) << "a turned disc is as wide as before";
  const Project square = withMapped(s.project, std::vector<Id>{s.box}, Affine::turn(pi / 4).about({50, 50}));
  EXPECT_NEAR(boxInParent(*findItem(square, s.box)).width(), 100 * std::sqrt(2.0), 1e-6);
}

}  // namespace
}  // namespace widecut
