#include "project/edits/arranging.h"

#include <gtest/gtest.h>

#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

class Arranging : public testing::Test {
 protected:
  Id box(double x, double y, double w, double h) {
    return sample.add("box", fitted(rectangleOutline(1, 1), {{x, y}, {x + w, y + h}}), {});
  }
  Sample sample;
};

TEST_F(Arranging, EdgesAndMiddlesAreEqualToTheLastBit) {
  const Id a = box(10.125, 20.75, 30.25, 12.5), b = box(47.75, 3.25, 8.5, 22.25), c = box(90.5, 60.0625, 25.25, 9.875);
  const std::vector<Id> ids{a, b, c};
  const Project& p = sample.project;
  for (const Id id : ids) {
    const Project left = withAligned(p, ids, InLine::Left, AlignTo::Selection);
    EXPECT_EQ(boxOnSheet(left, id).low.x, 10.125) << "that of the leftmost";
    EXPECT_EQ(boxOnSheet(left, id).low.y, boxOnSheet(p, id).low.y) << "and nothing else";
    EXPECT_EQ(boxOnSheet(withAligned(p, ids, InLine::Right, AlignTo::Selection), id).high.x, 115.75);
    EXPECT_NEAR(boxOnSheet(withAligned(p, ids, InLine::Middle, AlignTo::First), id).centre().y, 20.75 + 12.5 / 2,
                1e-12);
    EXPECT_NEAR(boxOnSheet(withAligned(p, ids, InLine::Centre, AlignTo::Sheet), id).centre().x, 100, 1e-12);
    EXPECT_EQ(boxOnSheet(withAligned(p, ids, InLine::Top, AlignTo::Sheet), id).low.y, 0);
  }
  EXPECT_TRUE(isSame(withAligned(p, std::vector<Id>{}, InLine::Top, AlignTo::Sheet), p));
}

TEST_F(Arranging, MarginsAreThoseOfThePiece) {
  const Id a = box(10, 20, 30, 12);
  Piece piece = *sample.project.pieces.front();
  piece.setting.left = 15;
  piece.setting.bottom = 5;
  sample.project.pieces = {std::make_shared<const Piece>(piece)};
  const std::vector<Id> ids{a};
  EXPECT_EQ(boxOnSheet(withAligned(sample.project, ids, InLine::Left, AlignTo::Margins), a).low.x, 15);
  EXPECT_EQ(boxOnSheet(withAligned(sample.project, ids, InLine::Bottom, AlignTo::Margins), a).high.y, 145);
}

TEST_F(Arranging, GapsAreAlikeByTheOutermostOrByNumber) {
  const Id a = box(0, 0, 10, 10), b = box(60, 5, 20, 10), c = box(31, 9, 10, 10);
  const std::vector<Id> ids{a, b, c};
  const Project even = withEqualGaps(sample.project, ids, true);
  EXPECT_EQ(boxOnSheet(even, a), boxOnSheet(sample.project, a));
  EXPECT_EQ(boxOnSheet(even, b), boxOnSheet(sample.project, b));
  EXPECT_EQ(boxOnSheet(even, c).low.x, 30) << "20 to each side";
  EXPECT_EQ(commonGap(even, ids, true), 20);
  EXPECT_FALSE(commonGap(sample.project, ids, true));
  const Project typed = withEqualGaps(sample.project, ids, true, 3);
  EXPECT_EQ(boxOnSheet(typed, c).low.x, 13);
  EXPECT_EQ(boxOnSheet(typed, b).low.x, 26);
  const Project overlapping = withEqualGaps(sample.project, ids, true, -2);
  EXPECT_EQ(boxOnSheet(overlapping, c).low.x, 8);
  const std::vector<Id> two{a, b};
  EXPECT_TRUE(isSame(withEqualGaps(sample.project, two, true), sample.project)) << "nothing to share between two";
  EXPECT_EQ(boxOnSheet(withEqualGaps(sample.project, two, false, 4), b).low.y, 14);
}

TEST_F(Arranging, SizesLikeTheFirstAndLockedOnesStay) {
  const Id a = box(0, 0, 10, 10), b = box(60, 5, 20, 10), c = box(31, 9, 10, 30);
  const std::vector<Id> ids{b, a, c};
  const Project wide = withEqualSize(sample.project, ids, true);
  EXPECT_NEAR(boxOnSheet(wide, a).width(), 20, 1e-12);
  EXPECT_NEAR(boxOnSheet(wide, a).centre().x, 5, 1e-12);
  EXPECT_EQ(boxOnSheet(wide, c).height(), 30);
  const Project locked = withItem(sample.project, a, [](const Item& item) {
    Item out = item;
    out.locked = true;
    return out;
  });
  EXPECT_EQ(boxOnSheet(withAligned(locked, ids, InLine::Bottom, AlignTo::Sheet), a).high.y, 10);
  EXPECT_EQ(boxOnSheet(withAligned(locked, ids, InLine::Bottom, AlignTo::Sheet), b).high.y, 150);
}

}  // namespace
}  // namespace widecut
