#include "project/edits/order.h"

#include <gtest/gtest.h>

#include "project/edits/cutouts.h"
#include "project/edits/groups.h"
#include "project/names.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct OrderTest : testing::Test, Sample {
  Id third = add("third", fitted(rectangleOutline(1, 1), {{10, 10}, {30, 30}}), {1, 2, 3});
  std::optional<Role> role;

  std::vector<Id> order(const Project& p, Id inside = 0) {
    std::vector<Id> ids;
    for (const ItemPtr& item : inside == 0 ? sheetOf(p).items : childrenOf(*findItem(p, inside)))
      ids.push_back(item->id);
    return ids;
  }
  Project moved(const Project& p, std::vector<Id> ids, Id inside, std::size_t place) {
    role.reset();
    return withItemsMoved(p, ids, {sheet, inside, place}, role);
  }
  Point onSheet(const Project& p, Id id) { return frameToSheet(p, id)(Point{}); }
};

TEST_F(OrderTest, StepsGoOneFurtherAndTheirOwnOrderStays) {
  EXPECT_EQ(order(broughtForward(project, std::vector<Id>{box})), (std::vector<Id>{disc, box, third}));
  EXPECT_EQ(order(broughtForward(project, std::vector<Id>{box, disc})), (std::vector<Id>{third, box, disc}));
  EXPECT_EQ(order(broughtForward(project, std::vector<Id>{disc, third})), (std::vector<Id>{box, disc, third}));
  EXPECT_EQ(order(sentBackward(project, std::vector<Id>{third})), (std::vector<Id>{box, third, disc}));
}

TEST_F(OrderTest, StepsWithinAGroupStayWithinIt) {
  Id group = 0;
  const Project p = grouped(project, std::vector<Id>{box, disc}, group);
  EXPECT_EQ(order(broughtForward(p, std::vector<Id>{box}), group), (std::vector<Id>{disc, box}));
  EXPECT_EQ(order(broughtForward(p, std::vector<Id>{disc})), order(p));
}

TEST_F(OrderTest, ItemsMoveWithinTheSheetBeforeTheOneAtThePlace) {
  EXPECT_EQ(order(moved(project, {box}, 0, 2)), (std::vector<Id>{disc, box, third}));
  EXPECT_EQ(order(moved(project, {third}, 0, 0)), (std::vector<Id>{third, box, disc}));
  EXPECT_EQ(order(moved(project, {third, box}, 0, 2)), (std::vector<Id>{disc, box, third}));
}

TEST_F(OrderTest, MovedIntoATurnedGroupAndOutItemsStayWhereTheyAre) {
  Id group = 0;
  Project p = grouped(project, std::vector<Id>{box, disc}, group);
  p = withMapped(p, std::vector<Id>{group}, Affine::turn(0.7));
  const Point before = onSheet(p, third);
  const Project in = moved(p, {third}, group, 1);
  EXPECT_EQ(order(in, group), (std::vector<Id>{box, third, disc}));
  EXPECT_LT(length(onSheet(in, third) - before), 1e-9);
  const Project out = moved(in, {third}, 0, 5);
  EXPECT_EQ(order(out), (std::vector<Id>{group, third}));
  EXPECT_LT(length(onSheet(out, third) - before), 1e-9);
}

TEST_F(OrderTest, APartThatJoinsARecipeTakesTheRoleOfItsNeighbours) {
  Id cutout = 0;
  const Project p = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {}, cutout);
  const Project joined = moved(p, {third}, cutout, 2);
  ASSERT_TRUE(role);
  EXPECT_EQ(*role, Role::Subtract);
  EXPECT_EQ(formulaText(*findItem(joined, cutout)->recipe()), "box - disc - third");
  const double area = std::abs(signedArea(resolved(*findItem(joined, cutout))->outline));
  EXPECT_NEAR(std::abs(signedArea(resolved(*findItem(p, cutout))->outline)) - area, 400, 1e-6);
  EXPECT_EQ(formulaText(*findItem(moved(p, {third}, cutout, 0), cutout)->recipe()), "third + box - disc");
}

TEST_F(OrderTest, APartJoinsWithinTheBracketsItIsDroppedIn) {
  Id outer = 0;
  Project p = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {}, outer);
  const Id fourth = p.nextId;
  p = withItemsOnTop(p, sheet, {plainItem(fourth, "fourth", ellipseOutline(10, 10), {})});
  p = *withFormula(moved(p, {third}, outer, 2), outer, "box - (disc ^ third)");
  p = moved(p, {fourth}, outer, 3);
  EXPECT_EQ(formulaText(*findItem(p, outer)->recipe()), "box - (disc ^ third ^ fourth)");
}

TEST_F(OrderTest, AGroupThatIsEmptiedOnTheWayLeavesThePlaceRight) {
  Id group = 0;
  const Project p = grouped(project, std::vector<Id>{box}, group);
  ASSERT_EQ(order(p), (std::vector<Id>{group, disc, third}));
  EXPECT_EQ(order(moved(p, {box, disc}, 0, 3)), (std::vector<Id>{third, box, disc}));
  EXPECT_EQ(order(moved(p, {box}, 0, 2)), (std::vector<Id>{disc, box, third}));
}

TEST_F(OrderTest, WhatCannotBeChangesNothing) {
  Id group = 0, around = 0;
  Project p = grouped(project, std::vector<Id>{box}, group);
  p = grouped(p, std::vector<Id>{group, disc}, around);
  EXPECT_TRUE(isSame(moved(p, {around}, group, 0), p)) << "into itself";
  EXPECT_TRUE(isSame(moved(p, {third}, box, 0), p)) << "into a plain item";
  EXPECT_TRUE(isSame(moved(p, {third}, 999, 0), p));
  // A group that is emptied goes.
  EXPECT_FALSE(findItem(moved(p, {box}, 0, 9), group));
}

TEST(UniqueNames, ANumberIsGivenWhereANameIsTaken) {
  UniqueNames names(std::vector<std::string>{"disc", "disc 3", "2"});
  EXPECT_EQ(names.take("disc"), "disc 2");
  EXPECT_EQ(names.take("disc 2"), "disc 4");
  EXPECT_EQ(names.take("box"), "box");
  EXPECT_EQ(names.take("2"), "2 2");
  const std::string longest(1000, 'x');
  EXPECT_EQ(names.take(longest), longest);
  EXPECT_LE(names.take(longest).size(), 1000U);
}

TEST_F(OrderTest, CopiesGetANumber) {
  std::vector<Id> copies;
  const Project p = withCopies(project, std::vector<Id>{box, disc}, {5, 5}, copies);
  EXPECT_EQ(findItem(p, copies[0])->name, "box 2");
  EXPECT_EQ(findItem(p, copies[1])->name, "disc 2");
}

TEST_F(OrderTest, ACopyOfAPartIsAPartWithItsRole) {
  Id made = 0;
  Project p = combined(project, std::vector<Id>{box, disc}, Outcome::SubtractFront, {}, made);
  const double before = signedArea(resolved(*findItem(p, made))->outline);
  const Point cut = frameToSheet(p, disc)(Point{});
  std::vector<Id> copies;
  p = withCopies(p, std::vector<Id>{disc}, {-20, 3}, copies);
  const Item cutout = *findItem(p, made);
  ASSERT_EQ(cutout.recipe()->parts.size(), 3U);
  EXPECT_EQ(cutout.recipe()->parts[2]->id, copies.at(0));
  EXPECT_EQ(rolesOf(*cutout.recipe())[2], Role::Subtract);
  EXPECT_EQ(cutout.recipe()->parts[2]->name, "disc 2");
  EXPECT_LT(signedArea(resolved(cutout)->outline), before - 1);
  EXPECT_LT(distance(frameToSheet(p, copies[0])(Point{}), cut + Point{-20, 3}), 1e-9) << "shifted on the sheet";
  // Of what the recipe begins with, the copy is added.
  p = withCopies(p, std::vector<Id>{box}, {0, 90}, copies);
  EXPECT_EQ(rolesOf(*findItem(p, made)->recipe())[1], Role::Add);
  // In a group it lies beside the original.
  Id group = 0;
  Project q = grouped(project, std::vector<Id>{box, third}, group);
  copies.clear();
  q = withCopies(q, std::vector<Id>{box}, {5, 5}, copies);
  EXPECT_EQ(order(q, group), (std::vector<Id>{box, copies[0], third}));
}

}  // namespace
}  // namespace widecut
