// Pictures behind frames, as properties over many framings.
#include "project/framing.h"

#include <gtest/gtest.h>

#include <random>

#include "project/edits/cutouts.h"
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

TEST_F(RandomFramings, WhatIsFittedTouchesItsFrameAsMeant) {
  for (int i = 0; i < 300; ++i) {
    const Box f = frame();
    if (f.width() < 1 || f.height() < 1) continue;
    const Framing before = framing();
    const auto boxOf = [&](Fit fit) {
      Box box;
      const Affine map = pixelsToFrame(fitted(before, f, width, height, fit, 300), width, height);
      for (int k = 0; k < 4; ++k) box.add(map(Box{{0, 0}, {double(width), double(height)}}.corner(k)));
      EXPECT_NEAR(distance(box.centre(), f.centre()), 0, 1e-9);
      return box;
    };
    EXPECT_TRUE(covers(fitted(before, f, width, height, Fit::Cover, 300), f));
    EXPECT_NEAR(boxOf(Fit::Width).width(), f.width(), 1e-9);
    EXPECT_NEAR(boxOf(Fit::Height).height(), f.height(), 1e-9);
    const Box whole = boxOf(Fit::Whole);
    EXPECT_TRUE(f.grown(1e-9).contains(whole));
    EXPECT_LT(std::min(f.width() - whole.width(), f.height() - whole.height()), 1e-9);
    EXPECT_DOUBLE_EQ(fitted(before, f, width, height, Fit::TruePixels, 300).pointsPerPixel, 72 / 300.0);
  }
}

TEST_F(RandomFramings, MirroredTwiceIsAsBefore) {
  for (int i = 0; i < 200; ++i) {
    const Box f = frame();
    Framing before = framing();
    before.isMirrored = i % 2 == 0;
    const Framing once = mirroredIn(before, f), twice = mirroredIn(once, f);
    EXPECT_NEAR(distance(twice.centre, before.centre), 0, 1e-9);
    EXPECT_EQ(twice.isMirrored, before.isMirrored);
    // What was seen at a place is seen at the other side of the frame's middle.
    const Point at{number(-100, 100), number(-100, 100)}, across{2 * f.centre().x - at.x, at.y};
    const auto pixelAt = [&](const Framing& framing, Point p) {
      return (*pixelsToFrame(framing, width, height).inverse())(p);
    };
    EXPECT_NEAR(distance(pixelAt(once, across), pixelAt(before, at)), 0, 1e-6);
    // And the map tells the framing.
    const Framing told = framingOf(pixelsToFrame(once, width, height), width, height);
    EXPECT_EQ(told.isMirrored, once.isMirrored);
    EXPECT_NEAR(std::remainder(told.turn - once.turn, 2 * pi), 0, 1e-9);
    EXPECT_NEAR(told.pointsPerPixel, once.pointsPerPixel, 1e-9);
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

struct Habits : testing::Test, Sample {
  void SetUp() override {
    addPhoto(640, 480);
    project = withPhotoIn(project, box, photo);
  }
  void set(bool FramingHabits::*habit) {
    project = withHabits(project, std::vector<Id>{box}, [&](FramingHabits& h) { h.*habit = true; });
  }
  Affine pixelsToSheet() { return frameToSheet(project, box) * shownPhoto(*findItem(project, box))->pixelsToFrame; }
  bool isCovered() {
    const ItemPtr item = findItem(project, box);
    return covers(pictureOf(*item->style)->framing, boxInFrame(*item));
  }
};

TEST_F(Habits, APhotoTurnsWithItsFrameOrStaysUpright) {
  const Affine turned = Affine::turn(0.4).about({50, 50});
  const Project before = project;
  project = withMapped(project, std::vector<Id>{box}, turned);
  EXPECT_NEAR(pixelsToSheet().turnAngle(), 0.4, 1e-9);
  project = before;
  set(&FramingHabits::staysUpright);
  project = withMapped(project, std::vector<Id>{box}, turned);
  EXPECT_NEAR(pixelsToSheet().turnAngle(), 0, 1e-9);
  EXPECT_TRUE(isCovered());
  project = withMapped(project, std::vector<Id>{box}, *turned.inverse());
  EXPECT_NEAR(pixelsToSheet().turnAngle(), 0, 1e-9);
}

TEST_F(Habits, APhotoGrowsWithItsFrameOrKeepsItsScaleAndPlace) {
  const Affine wider = Affine::scale(0.6, 1).about({0, 0});
  set(&FramingHabits::keepsScale);
  const Affine there = pixelsToSheet();
  project = withResized(project, std::vector<Id>{box}, wider);
  const Point pixel{320, 240};
  EXPECT_NEAR(pixelsToSheet().meanScale(), there.meanScale(), 1e-9);
  EXPECT_NEAR(distance(pixelsToSheet()(pixel), there(pixel)), 0, 1e-9);
  EXPECT_TRUE(isCovered());
  // Where it would not cover any more it grows after all.
  project = withResized(project, std::vector<Id>{box}, Affine::scale(5, 1).about({0, 0}));
  EXPECT_TRUE(isCovered());
}

TEST_F(Habits, AFreePhotoMayLeaveItsFrameAndALevelHorizonTurnsItAboutTheMiddle) {
  project = withFit(project, std::vector<Id>{box}, Fit::Whole, 300);
  EXPECT_FALSE(isCovered());
  project = withReframing(project, box, Affine::move({300, 0}));
  EXPECT_NEAR(pixelsToSheet()(Point{320, 240}).x, 350, 1e-9);
  project = withFit(project, std::vector<Id>{box}, Fit::Cover, 300);
  EXPECT_TRUE(isCovered());
  const Point middle = (*pixelsToSheet().inverse())(Point{50, 50});
  project = withPictureTurned(project, box, 0.2);
  EXPECT_NEAR(pixelsToSheet().turnAngle(), 0.2, 1e-9);
  EXPECT_NEAR(distance((*pixelsToSheet().inverse())(Point{50, 50}), middle), 0, 1e-6);
  EXPECT_TRUE(isCovered());
}

TEST_F(Habits, EditsReachThePhotoOfACutoutsPart) {
  Id cutout = 0;
  const Id hole = add("hole", transformed(ellipseOutline(30, 30), Affine::move({50, 50})), {0, 0, 0});
  project = combined(project, std::vector<Id>{box, hole}, Outcome::SubtractFront, {box, box}, cutout);
  const std::vector<Id> ids{cutout};
  ASSERT_TRUE(shownPhoto(*findItem(project, cutout)));
  project = withAdjustments(project, ids, [](Adjustments& a) { a.set(Adjusting::Grey, 1); });
  const auto shown = shownPhoto(*findItem(project, cutout));
  ASSERT_TRUE(shown && shown->adjustments);
  EXPECT_DOUBLE_EQ(shown->adjustments->of(Adjusting::Grey), 1);
  project = withPicturesMirrored(project, ids);
  EXPECT_LT(shownPhoto(*findItem(project, cutout))->pixelsToFrame.determinant(), 0);
  // What changes nothing is no adjustment.
  project = withAdjustments(project, ids, [](Adjustments& a) { a = {}; });
  EXPECT_EQ(shownPhoto(*findItem(project, cutout))->adjustments, nullptr);
}

}  // namespace
}  // namespace widecut
