#include "scene/snapping.h"

#include <gtest/gtest.h>

#include <random>

#include "project/edits/cutouts.h"
#include "project/edits/places.h"
#include "project/edits/sheets.h"
#include "project/edits/tree.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

/// A sheet of 400 × 300 with what a test lays on it.
class Snapping : public testing::Test {
 protected:
  Snapping() {
    const auto& sheet = *findSheet(project, sample.sheet);
    Sheet larger = sheet;
    larger.width = 400;
    larger.height = 300;
    larger.items = {};
    Piece piece = *project.pieces.front();
    piece.sheets = {std::make_shared<const Sheet>(larger)};
    project.pieces = {std::make_shared<const Piece>(piece)};
  }
  Id box(double x, double y, double w, double h) {
    const Id id = project.nextId;
    project = withItemsOnTop(project, sample.sheet,
                             {plainItem(id, "box", fitted(rectangleOutline(1, 1), {{x, y}, {x + w, y + h}}), {})});
    return id;
  }
  Id disc(double x, double y, double size) {
    const Id id = project.nextId;
    project =
        withItemsOnTop(project, sample.sheet,
                       {plainItem(id, "disc", transformed(ellipseOutline(size, size), Affine::move({x, y})), {})});
    return id;
  }
  SnapField field(std::vector<Id> without = {}, SnapKinds kinds = allSnapKinds()) {
    return {project, *findSheet(project, sample.sheet), without, kinds};
  }
  static SnapKinds only(std::initializer_list<SnapKind> kinds) {
    SnapKinds set;
    for (const SnapKind kind : kinds) set.set(static_cast<std::size_t>(kind));
    return set;
  }
  Box boxOf(Id id) { return boxThrough(*findItem(project, id), {}); }
  Sample sample;
  Project project = sample.project;
};

TEST_F(Snapping, EdgesAndMiddlesOfOthersAndTheSheet) {
  box(50, 60, 40, 30);
  const auto snaps = field().at(SnapProbe::ofBox({{93, 100}, {113, 120}}, {}), 5);
  ASSERT_FALSE(snaps.empty());
  EXPECT_EQ(snaps[0].by, (Point{-3, 0})) << "its left edge to the other's right one";
  EXPECT_EQ(snaps[0].reasons[0].kind, SnapKind::Edge);
  EXPECT_EQ(snaps[0].reasons[0].length, 10) << "so far below";
  const auto middle = field().at(SnapProbe::ofBox({{192, 144}, {212, 160}}, {}), 5);
  EXPECT_EQ(middle[0].by, (Point{-2, -2})) << "the sheet's middle, both ways";
  EXPECT_EQ(middle[0].reasons[0].kind, SnapKind::Sheet);
  EXPECT_TRUE(field().at(SnapProbe::ofBox({{300, 222}, {313, 233}}, {}), 5).empty());
  EXPECT_TRUE(field({}, {}).at(SnapProbe::ofBox({{93, 100}, {113, 120}}, {}), 5).empty()) << "all switched off";
}

TEST_F(Snapping, WhatIsDraggedIsNoPlaceToRest) {
  const Id other = box(50, 60, 40, 30);
  EXPECT_TRUE(field({other}).at(SnapProbe::ofBox({{93, 100}, {113, 120}}, {}), 5).empty());
}

TEST_F(Snapping, MarginsColumnsFoldsAndBleed) {
  Sheet sheet = *findSheet(project, sample.sheet);
  sheet.folds = {130};
  sheet.bleed = 9;
  Piece piece = *project.pieces.front();
  piece.sheets = {std::make_shared<const Sheet>(sheet)};
  piece.setting.left = piece.setting.right = 20;
  piece.setting.columns = 3;
  piece.setting.gutter = 12;
  project.pieces = {std::make_shared<const Piece>(piece)};
  const auto nearest = [&](double x) {
    const auto snaps = field().at({{{x, 200}, {x, 210}}, {x}, {}, {}, false, {}, {}}, 3);
    return snaps.empty() ? std::pair(x, SnapKind::count) : std::pair(x + snaps[0].by.x, snaps[0].reasons[0].kind);
  };
  EXPECT_EQ(nearest(21), std::pair(20.0, SnapKind::Margin));
  EXPECT_EQ(nearest(131), std::pair(130.0, SnapKind::Fold));
  EXPECT_EQ(nearest(-8), std::pair(-9.0, SnapKind::Bleed));
  EXPECT_EQ(nearest(132.8), std::pair(132.0, SnapKind::Column)) << "(400 − 40 − 24) / 3 = 112 wide";
  EXPECT_EQ(nearest(143), std::pair(144.0, SnapKind::Column));
}

TEST_F(Snapping, NodesGoBeforeLinesAndCornersMeetInOneDrag) {
  const Id a = disc(100, 100, 60);
  const Id b = disc(200, 90, 60);
  std::vector<Point> nodes;
  for (const Segment& s : resolved(*findItem(project, b))->outline.contours[0].segments)
    nodes.push_back(frameToSheet(project, b)(s.end) + Point{-42, 12});
  const Box moved{boxOf(b).low + Point{-42, 12}, boxOf(b).high + Point{-42, 12}};
  const auto snaps = field({b}).at(SnapProbe::ofBox(moved, nodes), 6);
  ASSERT_FALSE(snaps.empty());
  ASSERT_TRUE(snaps[0].point) << "the left end of one on the right end of the other";
  EXPECT_EQ(snaps[0].point->second, frameToSheet(project, a)(Point{30, 0}));
  EXPECT_NEAR(distance(snaps[0].by, {2, -2}), 0, 1e-12);
  EXPECT_EQ(snaps[0].reasons[0].kind, SnapKind::Node);
}

TEST_F(Snapping, CrossingsAreFoundWhereOutlinesCross) {
  box(50, 60, 60, 60);
  box(90, 100, 60, 60);
  const auto snaps = field().at(SnapProbe::ofPoint({111, 99}), 4);
  ASSERT_FALSE(snaps.empty());
  EXPECT_EQ(snaps[0].reasons[0].kind, SnapKind::Crossing);
  EXPECT_NEAR(distance(Point{111, 99} + snaps[0].by, {110, 100}), 0, 1e-10);
}

TEST_F(Snapping, LinesTouchCurvesAndPlacesRestOnOutlines) {
  disc(200, 150, 100);
  SnapProbe probe = SnapProbe::ofPoint({178, 101});
  probe.from = Point{50, 150};
  const auto snaps = field({}, only({SnapKind::Tangent, SnapKind::Outline})).at(probe, 9);
  ASSERT_FALSE(snaps.empty());
  EXPECT_EQ(snaps[0].reasons[0].kind, SnapKind::Tangent);
  // From 150 left of the middle of a circle of 50: it is touched at cos = 1/3.
  const Point at = Point{178, 101} + snaps[0].by;
  EXPECT_NEAR(at.x, 200 - 50.0 / 3, 0.02);
  EXPECT_NEAR(at.y, 150 - 50 * std::sqrt(8.0) / 3, 0.02);
  const auto on = field({}, only({SnapKind::Outline})).at(SnapProbe::ofPoint({201 + 40, 151 + 30}), 4);
  ASSERT_FALSE(on.empty());
  EXPECT_NEAR(distance(Point{241, 181} + on[0].by, {200, 150}), 50, 0.02);
}

TEST_F(Snapping, EqualGapsAmongThree) {
  box(20, 50, 30, 30);
  box(70, 55, 30, 30);
  const auto gap = [&](double x) {
    const auto snaps = field({}, only({SnapKind::Gap})).at(SnapProbe::ofBox({{x, 52}, {x + 40, 82}}, {}), 4);
    return snaps.empty() ? std::pair(x, 0.0) : std::pair(x + snaps[0].by.x, snaps[0].reasons[0].length);
  };
  EXPECT_EQ(gap(118), std::pair(120.0, 20.0)) << "as far as the two are apart";
  box(200, 50, 30, 30);
  EXPECT_EQ(gap(131), std::pair(130.0, 30.0)) << "between two";
  EXPECT_EQ(gap(150), std::pair(150.0, 0.0));
}

TEST_F(Snapping, EqualSizesWhileASideIsDragged) {
  box(20, 50, 73, 30);
  SnapProbe probe{{{200, 200}, {271, 230}}, {271}, {}, {}, false, Point{200, 200}, {}};
  const auto snaps = field({}, only({SnapKind::Size})).at(probe, 4);
  ASSERT_EQ(snaps.size(), 1U);
  EXPECT_EQ(snaps[0].by, (Point{2, 0}));
  EXPECT_EQ(snaps[0].x->at, 273);
  EXPECT_EQ(snaps[0].reasons[0].length, 73);
}

TEST_F(Snapping, TurnsLikeThoseOfOthers) {
  const Id a = box(20, 50, 73, 30);
  project = withMapped(project, std::vector<Id>{a}, Affine::turn(0.4).about({50, 60}));
  EXPECT_NEAR(*field().angleLike(0.41, 0.03), 0.4, 1e-12);
  EXPECT_NEAR(*field().angleLike(0.41 + pi / 2, 0.03), 0.4 + pi / 2, 1e-12) << "a quarter further, its edges run alike";
  EXPECT_FALSE(field().angleLike(0.2, 0.03));
}

TEST_F(Snapping, PartsOfACutoutRestAtItsOtherParts) {
  const Id a = box(50, 60, 60, 60), b = box(90, 100, 60, 60);
  Id cutout = 0;
  project = combined(project, std::vector<Id>{a, b}, Outcome::SubtractFront, {}, cutout);
  const auto snaps = field({b}, only({SnapKind::Edge})).at(SnapProbe::ofBox({{92, 121}, {152, 181}}, {}), 4);
  ASSERT_FALSE(snaps.empty());
  EXPECT_EQ(snaps[0].by, (Point{0, -1})) << "its upper edge on the other part's lower one";
}

TEST_F(Snapping, OfWordsTheBoxCountsAndNotTheirLetters) {
  Words::Content content;
  content.text = "mill";
  Item words = plainItem(project.nextId, "mill", {}, {});
  words.form = std::make_shared<const Words>(content);
  words.position = {100, 100};
  const Id id = words.id;
  project = withItemsOnTop(project, sample.sheet, {words});
  const Box box = boxOf(id);
  ASSERT_GT(box.width(), 10);
  const Point inside = box.centre() + Point{1.5, 1};
  for (const Snap& snap :
       field({}, only({SnapKind::Node, SnapKind::Outline, SnapKind::Crossing})).at(SnapProbe::ofPoint(inside), 5))
    ADD_FAILURE() << static_cast<int>(snap.reasons[0].kind);
  const auto edge = field({}, only({SnapKind::Edge})).at(SnapProbe::ofPoint({box.low.x + 1, 200}), 3);
  ASSERT_FALSE(edge.empty());
  EXPECT_EQ(edge[0].x->at, box.low.x);
}

TEST_F(Snapping, NextBestWaysFollow) {
  box(50, 60, 40, 30);
  box(53, 200, 40, 30);
  const auto snaps = field({}, only({SnapKind::Edge})).at(SnapProbe::ofBox({{91, 130}, {121, 150}}, {}), 5);
  ASSERT_GE(snaps.size(), 2U);
  EXPECT_EQ(snaps[0].by.x, -1);
  EXPECT_EQ(snaps[1].by.x, 2);
}

TEST(Exactly, FindsTheNumberThatLandsOnTheBit) {
  std::uint64_t seed = 5;
  const auto random = [&] {
    seed = seed * 6364136223846793005ULL + 1442695040888963407ULL;
    return static_cast<double>(seed >> 11) / 9007199254740992.0;
  };
  int landed = 0, missed = 0;
  for (int i = 0; i < 2000; ++i) {
    const double position = random() * 800, edge = -random() * 90, wanted = (random() * 500) + random() * 90;
    const auto valueAt = [&](double by) { return (position + by) + edge; };
    const double by = exactly(wanted - valueAt(0) + 1e-12, wanted, valueAt);
    landed += valueAt(by) == wanted;
    bool canBe = valueAt(by) == wanted;
    for (int k = -4000; k <= 4000 && !canBe; ++k) canBe = valueAt(wanted + k * 3e-15 - position - edge) == wanted;
    missed += canBe && valueAt(by) != wanted;
    ASSERT_NEAR(valueAt(by), wanted, 1e-9);
  }
  EXPECT_GE(landed, 1000);
  EXPECT_LE(missed, 20) << "of what any number reaches";
}

TEST(BoxGridTest, FindsWhatTouchesAsLookingAtAllDoes) {
  std::mt19937 random(5);
  const auto number = [&](double low, double high) { return std::uniform_real_distribution<>(low, high)(random); };
  for (const int count : {0, 1, 7, 400}) {
    std::vector<Box> boxes;
    for (int i = 0; i < count; ++i) {
      const Point low{number(-500, 500), number(-200, 200)};
      boxes.push_back(i % 40 == 9 ? Box{} : Box{low, low + Point{number(0, 60), number(0, 9)}});
    }
    const BoxGrid grid(boxes);
    for (int i = 0; i < 300; ++i) {
      const Point low{number(-700, 700), number(-300, 300)};
      Box asked{low, low + Point{number(0, 200), number(0, 200)}};
      if (i % 3 == 0) asked.low.x = -INFINITY, asked.high.x = INFINITY;
      std::vector<std::size_t> want;
      for (std::size_t k = 0; k < boxes.size(); ++k)
        if (boxes[k].touches(asked)) want.push_back(k);
      EXPECT_EQ(grid.touching(asked), want);
    }
  }
}

}  // namespace
}  // namespace widecut
