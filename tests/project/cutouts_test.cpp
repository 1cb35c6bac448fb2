#include "project/edits/cutouts.h"

#include <gtest/gtest.h>

#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct CutoutTest : testing::Test, Sample {
  Project make(Outcome outcome) {
    const std::vector<Id> both{box, disc};
    return combined(project, both, outcome, usualLook(project, both, outcome), made);
  }
  /// In two steps: `made` is only known once the cutout is.
  double areaOfOutcome(Outcome outcome) {
    const Project p = make(outcome);
    return areaOf(p, made);
  }
  double areaOf(const Project& p, Id item) const { return signedArea(resolved(*findItem(p, item))->outline); }
  Id made = 0;
  const double half = pi * 900 / 2;  // of the disc's area
};

TEST_F(CutoutTest, EveryOutcomeHasItsArea) {
  EXPECT_NEAR(areaOfOutcome(Outcome::Union), 10000 + half, 3);
  EXPECT_NEAR(areaOfOutcome(Outcome::SubtractFront), 10000 - half, 3);
  EXPECT_NEAR(areaOfOutcome(Outcome::SubtractBack), half, 3);
  EXPECT_NEAR(areaOfOutcome(Outcome::Intersect), half, 3);
  EXPECT_NEAR(areaOfOutcome(Outcome::Exclude), 10000, 6);
}

TEST_F(CutoutTest, NothingIsLostByCombining) {
  const Project p = make(Outcome::SubtractFront);
  EXPECT_EQ(sheetOf(p).items.size(), 1U);
  std::vector<Id> parts;
  const Project lifted = withPartsLifted(p, made, parts);
  EXPECT_EQ(parts, (std::vector<Id>{box, disc}));
  for (const Id id : parts) {
    EXPECT_EQ(boxInParent(*findItem(lifted, id)), boxInParent(*findItem(project, id)));
    EXPECT_EQ(*findItem(lifted, id)->style, *findItem(project, id)->style);
  }
}

TEST_F(CutoutTest, AMovedPartChangesTheResult) {
  const Project p = make(Outcome::SubtractFront);
  const Project moved = withMapped(p, std::vector<Id>{disc}, Affine::move({-50, 0}));
  EXPECT_NEAR(areaOf(moved, made), 10000 - 2 * half, 4);
}

TEST_F(CutoutTest, ARoleCanBeChangedAndAPartLeftOut) {
  const Project p = make(Outcome::SubtractFront);
  EXPECT_NEAR(areaOf(withRole(p, made, 0, Role::Add), made), 10000 + half, 3);
  const Project without = withItem(p, disc, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  EXPECT_NEAR(areaOf(without, made), 10000, 1e-3);
}

TEST_F(CutoutTest, DeletingAPartLeavesTheRestAndTheLastTakesTheCutoutAlong) {
  const Project p = make(Outcome::SubtractFront);
  const Project one = withoutItems(p, std::vector<Id>{disc});
  EXPECT_NEAR(areaOf(one, made), 10000, 1e-3);
  EXPECT_TRUE(sheetOf(withoutItems(one, std::vector<Id>{box})).items.empty());
}

TEST_F(CutoutTest, NestedCutoutsAreOneFormula) {
  Project p = make(Outcome::SubtractFront);
  const Id inner = made;
  project = p;
  const Id tab = add("tab", fitted(rectangleOutline(1, 1), {{-20, 20}, {10, 30}}), {1, 2, 3});
  const std::vector<Id> both{inner, tab};
  p = combined(project, both, Outcome::Union, usualLook(project, both, Outcome::Union), made);
  EXPECT_NEAR(areaOf(p, made), 10000 - half + 200, 3);
  EXPECT_NE(findItem(p, disc), nullptr) << "the parts' parts are still there";
  const Project moved = withMapped(p, std::vector<Id>{disc}, Affine::move({-50, 0}));
  EXPECT_NEAR(areaOf(moved, made), 10000 - 2 * half + 200, 4);
}

TEST_F(CutoutTest, AStretchedCutoutStretchesItsParts) {
  const Project cut = make(Outcome::SubtractFront);
  const Project p = withSize(cut, made, 200, 100);
  EXPECT_NEAR(areaOf(p, made), 2 * (10000 - half), 6);
  EXPECT_NEAR(resolved(*findItem(p, disc))->box.width(), 120, 1e-6);
}

TEST_F(CutoutTest, AShapeIntersectedWithAPhotoShowsThatPhotoInRegister) {
  addPhoto(400, 300);
  Id photoItem = 0;
  project = withPhotoItem(project, sheet, photo, {{0, 0}, {200, 150}}, photoItem);
  const auto before = shownPhoto(*findItem(project, photoItem));
  const Affine placed = frameToSheet(project, photoItem) * before->pixelsToFrame;
  const std::vector<Id> both{disc, photoItem};
  const LookChoice look = usualLook(project, both, Outcome::Intersect);
  EXPECT_EQ(look.photo, photoItem);
  EXPECT_EQ(look.look, disc);
  const Project p = combined(project, both, Outcome::Intersect, look, made);
  const auto after = shownPhoto(*findItem(p, made));
  ASSERT_TRUE(after);
  const Affine now = frameToSheet(p, made) * after->pixelsToFrame;
  for (const Point pixel : {Point{0, 0}, Point{400, 300}}) {
    EXPECT_NEAR(distance(now(pixel), placed(pixel)), 0, 1e-9);
  }
  EXPECT_NEAR(areaOf(p, made), 2 * half, 3);
  // Reframing moves the photo behind the shape, and the shape stays whole.
  const Project r = withReframing(p, made, Affine::scale(1.5, 1.5).about({100, 50}));
  EXPECT_NEAR(areaOf(r, made), 2 * half, 3);
  EXPECT_NEAR(shownPhoto(*findItem(r, made))->pointsPerPixel, 1.5 * before->pointsPerPixel, 1e-9);
}

TEST_F(CutoutTest, APhotoWithinAllTheOthersIsThatPhotoInTheirUnion) {
  addPhoto(400, 300);
  Id photoItem = 0;
  project = withPhotoItem(project, sheet, photo, {{0, 0}, {200, 150}}, photoItem);
  const double before = areaOf(project, photoItem);
  Id whole = 0;
  const Project joined = combined(project, std::vector<Id>{box, disc}, Outcome::Union, {box, 0}, whole);
  const double both = areaOf(joined, whole);
  const std::vector<Id> all{box, disc, photoItem};
  const Project p = withPhotoWithinAll(project, all, made);
  ASSERT_NE(made, 0U);
  EXPECT_GT(before, both);
  EXPECT_NEAR(areaOf(p, made), both, 1);
  EXPECT_TRUE(shownPhoto(*findItem(p, made)));
  Id none = 0;
  EXPECT_TRUE(isSame(withPhotoWithinAll(project, std::vector<Id>{box, photoItem}, none), project));
  EXPECT_EQ(none, 0U);
}

TEST_F(CutoutTest, TheSameRecipeIsWorkedOutOnce) {
  const Project p = make(Outcome::SubtractFront);
  const auto first = resolved(*findItem(p, made));
  const Project moved = withMapped(p, std::vector<Id>{made}, Affine::move({30, 0}));
  EXPECT_EQ(resolved(*findItem(moved, made)), first) << "moving a cutout whole does not cut again";
}

TEST_F(CutoutTest, TwoAreToldApartByTheFirstPartThatDiffers) {
  project = make(Outcome::SubtractFront);
  const std::string first = findItem(project, made)->name;
  const Id box2 = add("box", fitted(rectangleOutline(1, 1), {{0, 0}, {50, 50}}), {1, 2, 3});
  const Id star = add("star", fitted(rectangleOutline(1, 1), {{20, 20}, {90, 30}}), {1, 2, 3});
  const std::vector<Id> both{box2, star};
  project = combined(project, both, Outcome::SubtractFront, usualLook(project, both, Outcome::SubtractFront), made);
  EXPECT_EQ(first, "box cutout");
  EXPECT_EQ(findItem(project, made)->name, "box without star");
  const Id box3 = add("box", fitted(rectangleOutline(1, 1), {{0, 0}, {50, 50}}), {1, 2, 3});
  const Id other = add("star", fitted(rectangleOutline(1, 1), {{20, 20}, {90, 30}}), {1, 2, 3});
  const std::vector<Id> same{box3, other};
  project = combined(project, same, Outcome::SubtractFront, usualLook(project, same, Outcome::SubtractFront), made);
  EXPECT_EQ(findItem(project, made)->name, "box cutout 2");
}

}  // namespace
}  // namespace widecut
