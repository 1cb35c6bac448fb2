// Shapes that join an item while they are drawn.
#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/edits/places.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct JoinedTest : testing::Test, Sample {
  Item square(double x, double y, double side) {
    return plainItem(0, "square", fitted(rectangleOutline(1, 1), {{x, y}, {x + side, y + side}}), {});
  }
  double area(const Project& p, Id id) {
    const double scale = frameToSheet(p, id).determinant();
    return std::abs(signedArea(resolved(*findItem(p, id))->outline) * scale);
  }
};

TEST_F(JoinedTest, APlainItemBecomesARecipeOfBothInItsPlaceAndLook) {
  Id made = 0;
  const Project p = withJoined(project, box, square(50, 50, 100), Role::Subtract, made);
  ASSERT_TRUE(findItem(p, made));
  EXPECT_EQ(sheetOf(p).items.size(), 2U);
  EXPECT_EQ(sheetOf(p).items[0]->id, made) << "where the box was, behind the disc";
  EXPECT_NEAR(area(p, made), 10000 - 2500, 1e-6);
  EXPECT_EQ(colourOf(*findItem(p, made)->style), colourOf(*findItem(project, box)->style));
  EXPECT_FALSE(beyondLimits(p, &project));
}

TEST_F(JoinedTest, EveryRoleGivesItsArea) {
  const double both[] = {10000 + 10000 - 2500, 7500, 2500, 15000};
  for (const Role role : {Role::Add, Role::Subtract, Role::Intersect, Role::Exclude}) {
    Id made = 0;
    const Project p = withJoined(project, box, square(50, 50, 100), role, made);
    EXPECT_NEAR(area(p, made), both[static_cast<int>(role)], 1e-6) << nameOf(role);
  }
}

TEST_F(JoinedTest, ACutoutGetsALastPartAndIsNotNested) {
  Id made = 0, again = 0;
  Project p = withJoined(project, box, square(50, 50, 100), Role::Subtract, made);
  p = withJoined(p, made, square(0, 0, 20), Role::Subtract, again);
  EXPECT_EQ(again, made);
  EXPECT_EQ(formulaText(*findItem(p, made)->recipe()), "box - square - 'square 2'");
  EXPECT_NEAR(area(p, made), 7100, 1e-6);
}

TEST_F(JoinedTest, InATurnedGroupTheShapeLiesWhereItWasDrawn) {
  Id group = 0, made = 0;
  Project p = grouped(project, std::vector<Id>{box, disc}, group);
  p = withMapped(p, std::vector<Id>{group}, Affine::turn(0.6));
  const Box whole = bounds(transformed(resolved(*findItem(p, box))->outline, frameToSheet(p, box)));
  p = withJoined(p, box, square(whole.centre().x - 10, whole.centre().y - 10, 20), Role::Subtract, made);
  EXPECT_NEAR(area(p, made), 10000 - 400, 1e-6);
  ASSERT_EQ(childrenOf(*findItem(p, group)).size(), 2U);
  EXPECT_EQ(childrenOf(*findItem(p, group))[0]->id, made);
}

TEST_F(JoinedTest, AddedShapesLetThePhotoGrowAndOthersLeaveIt) {
  addPhoto(400, 300);
  Project p = withPhotoIn(project, box, photo);
  Id added = 0, cut = 0;
  const Project more = withJoined(p, box, square(80, 20, 100), Role::Add, added);
  ASSERT_TRUE(pictureOf(*findItem(more, added)->style)) << "its own, as large as covers";
  const Project less = withJoined(p, box, square(80, 20, 100), Role::Subtract, cut);
  EXPECT_EQ(picturePartOf(*findItem(less, cut)->style), box) << "the part's, in register";
}

TEST_F(JoinedTest, NobodyToJoinChangesNothing) {
  Id made = 0;
  EXPECT_TRUE(isSame(withJoined(project, 999, square(0, 0, 10), Role::Add, made), project));
  EXPECT_EQ(made, 0U);
}

}  // namespace
}  // namespace widecut
