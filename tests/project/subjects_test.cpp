// Zones of photos that are to stay whole.
#include "project/edits/subjects.h"

#include <gtest/gtest.h>

#include "project/edits/fills.h"
#include "project/edits/sharing.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

/// A box of 100 × 100 and a disc that overlaps it; a photo of 640 × 480 in the box.
struct Subjects : testing::Test, Sample {
  void SetUp() override {
    addPhoto(640, 480);
    project = withPhotoIn(project, box, photo);
  }
  void mark(const char* name, Point middle, double width, double height) {
    project = withSubject(project, *photo, {name, transformed(ellipseOutline(width, height), Affine::move(middle))});
  }
  Affine onSheet(Id id) const { return frameToSheet(project, id) * shownPhoto(*findItem(project, id))->pixelsToFrame; }
};

TEST_F(Subjects, AFrameSaysWhatItCutsAndHowMuch) {
  // 640 × 480 in 100 × 100: pixels 80 to 560 across show.
  mark("engine", {320, 240}, 100, 80);
  mark("guard", {80, 240}, 60, 60);
  mark("far away", {20, 240}, 30, 30);
  const auto seen = subjectsSeen(project, box);
  ASSERT_EQ(seen.size(), 2U);
  EXPECT_EQ(seen[0].here, 1);
  EXPECT_FALSE(seen[0].isCut());
  EXPECT_EQ(seen[1].name, "guard");
  EXPECT_NEAR(seen[1].here, 0.5, 1e-9);
  const auto cut = subjectsCut(project, box);
  ASSERT_EQ(cut.size(), 1U);
  EXPECT_EQ(cut[0].index, 1U);
  EXPECT_TRUE(subjectsCut(project, disc).empty());
}

TEST_F(Subjects, FittedTheyAreWholeAndAsLargeAsTheyGo) {
  mark("guard", {80, 240}, 60, 60);
  mark("driver", {200, 240}, 60, 60);
  const auto fitted = withSubjectsFitted(project, box);
  ASSERT_TRUE(fitted) << fitted.error().message;
  project = *fitted;
  for (const SubjectSeen& seen : subjectsSeen(project, box)) EXPECT_NEAR(seen.here, 1, 1e-9);
  // 180 pixels from the left of one to the right of the other in 100 points.
  EXPECT_NEAR(onSheet(box).meanScale(), 100.0 / 180, 1e-3);
  EXPECT_FALSE(beyondLimits(project, nullptr));
}

TEST_F(Subjects, FramesThatShareAPhotoKeepThemTogether) {
  project = withSharedPhoto(project, std::vector<Id>{box, disc}, box);
  mark("engine", {320, 240}, 200, 150);
  const auto fitted = withSubjectsFitted(project, disc);
  ASSERT_TRUE(fitted) << fitted.error().message;
  project = *fitted;
  double together = 0;
  for (const Id id : {box, disc})
    for (const SubjectSeen& seen : subjectsSeen(project, id)) together = std::max(together, seen.together);
  EXPECT_NEAR(together, 1, 1e-9);
  EXPECT_NEAR(distance(onSheet(box)(Point{}), onSheet(disc)(Point{})), 0, 1e-9);
  EXPECT_TRUE(subjectsCut(project, box).empty());
}

TEST_F(Subjects, ATurnedAndMirroredPhotoStaysSo) {
  project = withPicturesMirrored(project, std::vector<Id>{box});
  project = withPictureTurned(project, box, 0.3);
  mark("guard", {200, 240}, 50, 80);
  const Affine before = onSheet(box);
  const auto fitted = withSubjectsFitted(project, box);
  ASSERT_TRUE(fitted) << fitted.error().message;
  project = *fitted;
  EXPECT_NEAR(subjectsSeen(project, box)[0].here, 1, 1e-9);
  const Affine after = onSheet(box);
  EXPECT_LT(after.determinant(), 0);
  EXPECT_NEAR(after.xx / after.meanScale(), before.xx / before.meanScale(), 1e-9);
  EXPECT_NEAR(after.yx / after.meanScale(), before.yx / before.meanScale(), 1e-9);
}

TEST_F(Subjects, WhatHasNoRoomIsNamed) {
  mark("left end", {20, 240}, 30, 30);
  mark("right end", {620, 240}, 30, 30);
  const auto fitted = withSubjectsFitted(project, box);
  ASSERT_FALSE(fitted);
  EXPECT_EQ(fitted.error().message,
            "“left end” and “right end” do not fit whole into this frame while the photo covers it");
  project = withHabits(project, std::vector<Id>{box}, [](FramingHabits& h) { h.isFree = true; });
  EXPECT_TRUE(withSubjectsFitted(project, box));
  EXPECT_FALSE(withSubjectsFitted(project, disc));
}

TEST_F(Subjects, ListsAreChangedAndEmptyOnesGo) {
  mark("nothing", {20, 240}, 0, 30);
  EXPECT_TRUE(project.subjects.empty());
  mark("one", {20, 240}, 30, 30);
  const Project marked = project;
  EXPECT_FALSE(isSame(marked, withSubjects(project, *photo, {})));
  EXPECT_TRUE(withSubjects(project, *photo, {}).subjects.empty());
  EXPECT_TRUE(isSame(marked, withSubjects(project, *photo, subjectsOf(project, *photo))));
  mark("one further away than any photo", {2e6, 240}, 30, 30);
  EXPECT_TRUE(beyondLimits(project, &marked));
}

}  // namespace
}  // namespace widecut
