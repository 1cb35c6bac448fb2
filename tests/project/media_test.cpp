// The photos of the whole project.
#include "project/edits/media.h"

#include <gtest/gtest.h>

#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/edits/subjects.h"
#include "project/resolve.h"
#include "sample.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// A photo of 640 × 480 in a box of 100 × 100 and a disc, and another of 300 × 400 that shows nowhere.
struct ProjectMedia : testing::Test, Sample {
  MediumPtr other;
  void SetUp() override {
    addPhoto(640, 480);
    project = withPhotoIn(withPhotoIn(project, box, photo), disc, photo);
    auto second = std::make_shared<Medium>();
    second->hash = std::string(64, 'b');
    second->name = "other.jpg";
    second->width = 300;
    second->height = 400;
    other = second;
  }
  Affine pixelsOf(Id id) const { return shownPhoto(*findItem(project, id))->pixelsToFrame; }
  void mark(const MediumPtr& on, Point middle, double size) {
    project = withSubject(project, *on, {"head", transformed(ellipseOutline(size, size), Affine::move(middle))});
  }
  void expectCovered(Id id) const {
    const Medium& medium = *shownPhoto(*findItem(project, id))->medium;
    const Box frame = boxInFrame(*findItem(project, id)), pixels{{0, 0}, {double(medium.width), double(medium.height)}};
    for (int i = 0; i < 4; ++i) EXPECT_TRUE(pixels.grown(1e-6).contains((*pixelsOf(id).inverse())(frame.corner(i))));
  }
};

TEST_F(ProjectMedia, UsesAreCountedWithTheirLargestScale) {
  project = withReframing(project, disc, Affine::scale(3, 3));
  const auto uses = mediaUsed(project);
  ASSERT_EQ(uses.size(), 1U);
  EXPECT_EQ(uses[0].medium->hash, photo->hash);
  EXPECT_EQ(uses[0].items, (std::vector<Id>{box, disc}));
  EXPECT_NEAR(uses[0].pointsPerPixel, pixelsOf(disc).meanScale(), 1e-12);
}

TEST_F(ProjectMedia, AnotherTakesItsPlaceEverywhere) {
  const Affine before = pixelsOf(box);
  project = withMediumReplaced(project, *photo, other);
  const auto uses = mediaUsed(project);
  ASSERT_EQ(uses.size(), 1U);
  EXPECT_EQ(uses[0].medium, other);
  EXPECT_EQ(uses[0].items.size(), 2U);
  // Middle on middle, as wide as the one before.
  EXPECT_NEAR(distance(pixelsOf(box)(Point{150, 200}), before(Point{320, 240})), 0, 1e-9);
  EXPECT_NEAR(pixelsOf(box).meanScale() * 300, before.meanScale() * 640, 1e-9);
  for (const Id id : {box, disc}) expectCovered(id);
  EXPECT_TRUE(isSame(withMediumReplaced(project, *photo, other), project));
  EXPECT_TRUE(isSame(withMediumReplaced(project, *other, other), project));
}

TEST_F(ProjectMedia, SubjectsLieWhereThoseBeforeLay) {
  mark(photo, {320, 240}, 200);
  mark(other, {150, 120}, 80);
  const Affine before = pixelsOf(box);
  project = withMediumReplaced(project, *photo, other);
  EXPECT_NEAR(distance(pixelsOf(box)(Point{150, 120}), before(Point{320, 240})), 0, 1e-9);
  EXPECT_NEAR(pixelsOf(box).meanScale() * 80, before.meanScale() * 200, 1e-9);
  expectCovered(box);
}

TEST_F(ProjectMedia, AnotherPutIntoOneFrameKeepsItsSubjectsToo) {
  mark(photo, {320, 240}, 200);
  const Affine before = pixelsOf(box);
  // Without subjects of its own it just covers.
  EXPECT_NEAR(shownPhoto(*findItem(withPhotoIn(project, box, other), box))->pointsPerPixel, 100.0 / 300, 1e-9);
  mark(other, {150, 120}, 80);
  project = withPhotoIn(project, box, other);
  EXPECT_NEAR(distance(pixelsOf(box)(Point{150, 120}), before(Point{320, 240})), 0, 1e-9);
  EXPECT_EQ(shownPhoto(*findItem(project, disc))->medium->hash, photo->hash);
}

TEST_F(ProjectMedia, WhatSubjectsWouldLeaveEmptyIsCovered) {
  mark(photo, {320, 240}, 20);
  mark(other, {20, 20}, 300);
  project = withMediumReplaced(project, *photo, other);
  for (const Id id : {box, disc}) expectCovered(id);
}

TEST_F(ProjectMedia, SharersStayInRegister) {
  project = withSharedPhoto(project, std::vector<Id>{box, disc}, box);
  project = withMediumReplaced(project, *photo, other);
  EXPECT_NE(shareOf(*findItem(project, box)), 0U);
  const auto onSheet = [&](Id id, Point p) { return (frameToSheet(project, id) * pixelsOf(id))(p); };
  for (const Point pixel : {Point{0, 0}, Point{300, 10}})
    EXPECT_NEAR(distance(onSheet(box, pixel), onSheet(disc, pixel)), 0, 1e-9);
}

}  // namespace
}  // namespace widecut
