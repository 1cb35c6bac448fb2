#include "project/edits/arranging.h"

#include <gtest/gtest.h>

#include "project/edits/guides.h"
#include "project/edits/sheets.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"
#include "scene/gaps.h"
#include "scene/snapping.h"

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

TEST_F(Arranging, LinesAndColumnsCount) {
  const Id a = box(10, 20, 30, 12), b = box(60, 40, 20, 20);
  Project p = withEach(sample.project, std::vector<Id>{b}, [](const Item& item) {
    Item out = item;
    setLine(changeable(out), plainLine(Colour{0, 0, 0}, 4));
    return out;
  });
  const std::vector<Id> ids{a, b};
  EXPECT_EQ(arrangedBox(p, b, BoxOf::WithLines).low.x, 58);
  const Project left = withAligned(p, ids, InLine::Left, AlignTo::First, BoxOf::WithLines);
  EXPECT_NEAR(boxOnSheet(left, b).low.x, 12, 1e-12) << "its line begins where the other one does";
  EXPECT_NEAR(*commonGap(withEqualGaps(p, ids, true, 5, BoxOf::WithLines), ids, true), 7, 1e-9);
  Piece piece = *p.pieces.front();
  piece.setting = {.left = 10, .right = 10, .columns = 3, .gutter = 15};
  p.pieces = {std::make_shared<const Piece>(piece)};
  // Columns of 50: at 10, 75 and 140.
  const Project columns = withAligned(p, ids, InLine::Left, AlignTo::Column);
  EXPECT_EQ(boxOnSheet(columns, a).low.x, 10);
  EXPECT_EQ(boxOnSheet(columns, b).low.x, 75);
}

TEST_F(Arranging, WordsStandOnOneLineWithOthers) {
  Words::Content content;
  content.text = "Skarrow";
  content.style.size = 24;
  Item item;
  item.name = "words";
  item.position = {20, 60};
  item.form = wordsForm(content);
  sample.project = withItemsOnTop(sample.project, sample.sheet, {item});
  const Id words = sample.project.nextId - 1, a = box(90, 20, 10, 50);
  const std::vector<Id> ids{words, a};
  const Project p = withAligned(sample.project, ids, InLine::Baseline, AlignTo::Selection);
  const ItemPtr now = findItem(p, words);
  const double line = now->toParent()(wordsOf(*now)->set().lines.front().start).y;
  EXPECT_NEAR(line, boxOnSheet(p, a).high.y, 1e-9);
  EXPECT_GT(boxOnSheet(sample.project, words).high.y, boxOnSheet(sample.project, words).low.y);
}

TEST_F(Arranging, ARoughArrangementIsMadeNeat) {
  // Three by two, each off by a little.
  std::vector<Id> ids;
  for (int y = 0; y < 2; ++y)
    for (int x = 0; x < 3; ++x)
      ids.push_back(box(20 + 50 * x + (x * 7 + y * 3) % 4, 20 + 60 * y + (x * 5 + y) % 3, 30, 40));
  const Project neat = neatened(sample.project, ids);
  for (std::size_t i = 0; i < 6; ++i) {
    EXPECT_EQ(boxOnSheet(neat, ids[i]).low.y, boxOnSheet(neat, ids[i / 3 * 3]).low.y) << i;
    EXPECT_EQ(boxOnSheet(neat, ids[i]).low.x, boxOnSheet(neat, ids[i % 3]).low.x) << i;
    EXPECT_LT(distance(boxOnSheet(neat, ids[i]).low, boxOnSheet(sample.project, ids[i]).low), 6);
  }
  EXPECT_TRUE(commonGap(neat, std::vector<Id>{ids[0], ids[1], ids[2]}, true));
  EXPECT_TRUE(isSame(neatened(neat, ids), neat)) << "what is neat stays";
  // A row of different sizes stands on one line, or hangs from one, with gaps alike.
  const std::vector<Id> row{box(10, 101, 20, 20), box(45, 99, 30, 22), box(90, 100.5, 10, 20.5)};
  const Project even = neatened(sample.project, row);
  EXPECT_TRUE(commonGap(even, row, true));
}

TEST_F(Arranging, ItemsAtMarginsGoAlong) {
  Piece piece = *sample.project.pieces.front();
  piece.setting = {.left = 10, .top = 10, .right = 10, .bottom = 10};
  sample.project.pieces = {std::make_shared<const Piece>(piece)};
  const Id left = box(10, 30, 20, 20), wide = box(10, 60, 180, 20), inside = box(50, 90, 20, 20);
  PieceForm form = formOf(piece);
  form.setting.left = 25;
  form.setting.right = 20;
  const Project moved =
      withItemsAtMargins(withPieceForm(sample.project, 1, form, Kept::WhereTheyAre), 1, piece.setting);
  EXPECT_NEAR(boxOnSheet(moved, left).low.x, 25, 1e-12);
  EXPECT_NEAR(boxOnSheet(moved, left).width(), 20, 1e-12);
  EXPECT_NEAR(boxOnSheet(moved, wide).low.x, 25, 1e-12);
  EXPECT_NEAR(boxOnSheet(moved, wide).high.x, 180, 1e-12);
  EXPECT_EQ(boxOnSheet(moved, inside), boxOnSheet(sample.project, inside));
}

TEST_F(Arranging, FillAndOutlineChangePlaces) {
  const Id a = box(10, 20, 30, 12);
  const std::vector<Id> ids{a};
  const Colour before = *colourOf(*findItem(sample.project, a)->style);
  const Project lined = withPaintSwapped(sample.project, ids, 3);
  EXPECT_FALSE(colourOf(*findItem(lined, a)->style));
  EXPECT_EQ(lineOf(*findItem(lined, a)->style)->colour, before);
  EXPECT_EQ(lineOf(*findItem(lined, a)->style)->shape.width, 3);
  EXPECT_TRUE(isSame(withPaintSwapped(lined, ids, 9), sample.project)) << "and back";
}

TEST_F(Arranging, GapsRoundItemsToTheNextOnes) {
  const Id a = box(100, 110, 20, 20), right = box(150, 100, 20, 40);
  box(180, 110, 5, 5);
  const auto gaps = gapsAround(sample.project, *findSheet(sample.project, sample.sheet), std::vector<Id>{a});
  ASSERT_EQ(gaps.size(), 4U);
  const auto gapAt = [&](bool across, bool before) {
    return *std::find_if(gaps.begin(), gaps.end(),
                         [&](const Gap& g) { return g.across == across && g.before == before; });
  };
  EXPECT_EQ(gapAt(true, false).neighbour, right);
  EXPECT_EQ(gapAt(true, false).length, 30);
  EXPECT_EQ(gapAt(true, true).neighbour, 0U) << "the sheet";
  EXPECT_EQ(gapAt(true, true).length, 100);
  EXPECT_EQ(gapAt(false, false).length, 20);
  EXPECT_EQ(wayTo(gapAt(true, false), 12), (Point{18, 0}));
  EXPECT_EQ(wayTo(gapAt(true, true), 12), (Point{-88, 0}));
}

TEST_F(Arranging, GuidesAreOfASheetOrAPiece) {
  const Id piece = sample.project.pieces.front()->id;
  Project p = withGuide(sample.project, sample.sheet, {true, 40});
  p = withGuide(p, sample.sheet, {true, 40});
  p = withGuide(p, piece, {false, 25, "head"});
  ASSERT_EQ(guidesOn(p, sample.sheet).size(), 2U) << "one in the same place is no other";
  EXPECT_EQ(findGuide(p, {piece, 0})->name, "head");
  p = withGuideOf(p, {sample.sheet, 0}, piece);
  EXPECT_TRUE(guidesOf(p, sample.sheet).empty());
  EXPECT_EQ(guidesOf(p, piece).size(), 2U);
  p = withoutGuide(p, {piece, 0});
  EXPECT_EQ(guidesOf(p, piece).front().at, 40);
  const Id a = box(10, 20, 30, 12);
  EXPECT_EQ(guidesOf(withGuidesAround(sample.project, std::vector<Id>{a}), sample.sheet).size(), 4U);
  EXPECT_TRUE(beyondLimits(withGuide(p, piece, {true, std::nan("")}), nullptr));
}

TEST_F(Arranging, DragsRestAtGuidesAndGrid) {
  Project p = withGuide(sample.project, sample.sheet, {true, 163.25});
  Piece piece = *p.pieces.front();
  piece.setting.grid = 7.5;
  p.pieces = {std::make_shared<const Piece>(piece)};
  const auto at = [&](SnapKind kind, Point place) {
    SnapKinds kinds;
    kinds.set(static_cast<std::size_t>(kind));
    const SnapField field(p, *findSheet(p, sample.sheet), {}, kinds);
    return field.at(SnapProbe::ofPoint(place), 3);
  };
  const auto guide = at(SnapKind::Guide, {162, 50});
  ASSERT_FALSE(guide.empty());
  EXPECT_EQ(guide[0].x->at, 163.25);
  EXPECT_FALSE(guide[0].y);
  const auto grid = at(SnapKind::Grid, {162, 51});
  ASSERT_FALSE(grid.empty());
  EXPECT_NEAR(grid[0].by.y, 1.5, 1e-12);
  EXPECT_NEAR(grid[0].by.x, 3, 1e-12);
}

}  // namespace
}  // namespace widecut
