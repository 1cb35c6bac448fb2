// The jobs of exact arranging, by mouse and keys in the real window; how many actions they take is printed.
#include <gtest/gtest.h>

#include <QTemporaryDir>
#include <set>

#include "job_photos.h"
#include "place_hands.h"
#include "project/forms/recipe.h"
#include "project/forms/repeat.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

TEST(ArrangeJobs, J15ALeafFromTwoCirclesBecomesATileCutOutOfASquare) {
  PlaceHands w;
  const double pixel = 1 / w.mat().zoom();
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 40), w.mm(100, 80), Qt::ShiftModifier);
  // A copy, corner to corner: its upper end on the right end of the first, which brings its left end to the lower one.
  const Box first = w.boxOf(w.only()->id);
  const Point by{first.width() / 2, first.height() / 2};
  w.drag(first.centre(), first.centre() + by + Point{2 * pixel, -2 * pixel}, Qt::AltModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  const Id leaf = w.only()->id;
  EXPECT_NEAR(w.boxOf(leaf).width(), by.x, 1e-6) << "from tip to tip";
  EXPECT_NEAR(w.boxOf(leaf).height(), by.y, 1e-6);
  // Its tip becomes the pivot; it turns about it, and three copies go on.
  auto* pivot = w.window.findChild<QWidget*>("pivotGrid");
  ++w.actions;
  QTest::mouseClick(pivot, Qt::LeftButton, {}, pivot->rect().center());
  w.settle();
  const Point tip{w.boxOf(leaf).high.x, w.boxOf(leaf).low.y};
  w.drag(w.boxOf(leaf).centre(), tip + Point{2 * pixel, pixel});
  ASSERT_TRUE(w.desk().pivot().free);
  EXPECT_LE(distance(*w.desk().pivot().free, tip), 1e-9);
  w.type("turn", "90");
  for (int i = 0; i < 3; ++i) w.key(Qt::Key_A, Qt::ShiftModifier);
  ASSERT_EQ(w.items().size(), 4U);
  // A black square behind them, and all of them out of it.
  w.key(Qt::Key_4);
  w.drag(w.mm(75, 35), w.mm(125, 85), Qt::ShiftModifier);
  w.press("fillColour");
  w.press("tone #000000");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  w.key(Qt::Key_BracketLeft, Qt::ControlModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  w.report("J15");
  EXPECT_LE(w.actions, 20);

  ASSERT_EQ(w.items().size(), 1U);
  ASSERT_TRUE(w.only()->recipe());
  EXPECT_EQ(w.only()->recipe()->parts.size(), 5U);
  w.desk().select({});
  // In the middle of each leaf there is a hole; between them it is black.
  const double r = by.x;
  for (const Point way : {Point{-1, 1}, Point{1, 1}, Point{1, -1}, Point{-1, -1}})
    EXPECT_EQ(w.seen(tip + way * (r / 2)), QColor(Qt::white));
  for (const Point way : {Point{-1, 0}, Point{0, 1}, Point{1, 0}, Point{0, -1}})
    EXPECT_EQ(w.seen(tip + way * (r * 0.6)), QColor(Qt::black));
}

TEST(ArrangeJobs, J6ALeafInARingAboutItsFootWithAStemBehind) {
  PlaceHands w;
  w.key(Qt::Key_3);
  w.click(w.mm(148, 100));               // the foot
  w.drag(w.mm(136, 80), w.mm(137, 70));  // bulging to the left
  w.press(w.mm(148, 50));                // the tip: out to one side, in from another
  w.dragTo(w.mm(150, 46));
  w.dragTo(w.mm(154, 58), Qt::AltModifier);
  w.release(w.mm(154, 58), Qt::AltModifier);
  ++w.actions;
  w.click(w.mm(160, 80));  // a kink
  w.click(w.mm(148, 100));
  w.key(Qt::Key_2);
  w.doubleClick(w.mm(160, 80));
  w.key(Qt::Key_Return);
  const Id leaf = w.only()->id;
  const Colour green = *colourOf(*w.only()->style);
  w.key(Qt::Key_X, Qt::ShiftModifier);
  EXPECT_FALSE(colourOf(*w.only()->style));
  w.key(Qt::Key_X, Qt::ShiftModifier);
  w.key(Qt::Key_Q);
  w.key(Qt::Key_4);
  w.drag(w.mm(145, 95), w.mm(151, 180), Qt::ControlModifier);
  w.key(Qt::Key_BracketLeft);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.report("J6");
  EXPECT_LE(w.actions, 22);
  ASSERT_EQ(w.items().size(), 1U);
  ASSERT_TRUE(w.only()->recipe());
  const auto chain = chainTo(w.desk().project(), leaf);
  ASSERT_EQ(chain.size(), 3U) << "the leaf in its ring in the cutout";
  EXPECT_EQ(std::get<Ring>(repeatOf(*chain[1])->pattern).count, 8);
  const NodePath path = nodesOf(*chain[2])->front();
  ASSERT_EQ(path.nodes.size(), 4U);
  EXPECT_EQ(kindOf(path, 2), NodeKind::Corner) << "broken";
  EXPECT_NE(kindOf(path, 3), NodeKind::Corner) << "smoothed";
  w.desk().select({});
  // The lower one keeps its look, and that is the stem.
  const Colour kept = *colourOf(*w.sheet().items[0]->style);
  const QColor paint(kept.red, kept.green, kept.blue);
  EXPECT_TRUE(kept == green || kept == quietTone(1));
  EXPECT_EQ(w.seen(w.mm(148, 175)), paint) << "the stem";
  // Leaves all round the foot.
  for (int i = 0; i < 8; ++i) {
    const Point up = w.mm(0, -30), at = w.mm(148, 100) + Affine::turn(i * pi / 4).vector(up);
    EXPECT_EQ(w.seen(at), paint) << i;
  }
}

TEST(ArrangeJobs, J8ATriangleInBandsOfOnePhoto) {
  const QTemporaryDir folder;
  for (const bool live : {false, true}) {
    PlaceHands w;
    w.key(Qt::Key_6);
    w.drag(w.mm(60, 30), w.mm(200, 170));
    const Id triangle = w.only()->id;
    if (live) {
      // One bar, drawn as a part of it, in a row.
      w.key(Qt::Key_4);
      w.dragHolding(Qt::Key_S, w.mm(70, 25), w.mm(75, 175));
      w.desk().select({childrenOf(*w.only())[1]->id});  // the bar's ghost, clicked below
      w.settle();
      ++w.actions;
      w.key(Qt::Key_C);
      w.typeEntry("18 mm");
    } else {
      w.key(Qt::Key_F, Qt::ControlModifier);
      QTest::keyClicks(&w.shown<QLineEdit>("findShape"), "bars 150 x 150 gap 12 mm");
      QTest::keyClick(&w.shown<QLineEdit>("findShape"), Qt::Key_Return);
      ++w.actions;
      w.settle();
      w.key(Qt::Key_A, Qt::ControlModifier);
      w.key(Qt::Key_I);
    }
    if (live) w.key(Qt::Key_Escape);
    w.drop(twoTonePhoto(folder), w.mm(140, 150));
    // Its proportions changed afterwards: what is inside goes along.
    const Box before = w.boxOf(w.items()[0]->id);
    w.drag({before.high.x, before.centre().y}, {before.high.x + w.mm(30, 0).x, before.centre().y}, Qt::ControlModifier);
    w.report(live ? "J8 (a live row)" : "J8");
    EXPECT_LE(w.actions, live ? 10 : 9);
    ASSERT_EQ(w.items().size(), 1U);
    ASSERT_TRUE(w.items()[0]->recipe());
    EXPECT_TRUE(findItem(w.desk().project(), triangle)) << "live still";
    EXPECT_GT(counts(resolved(*w.items()[0])->outline).contours, 3) << "bands";
    EXPECT_TRUE(showsPicture(*w.items()[0]));
    EXPECT_TRUE(w.items()[0]->style->lines.empty());
    EXPECT_GT(w.boxOf(w.items()[0]->id).width(), before.width() + w.mm(25, 0).x);
  }
}

TEST(ArrangeJobs, J9ACloudOutOfEllipses) {
  PlaceHands w;
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 70), w.mm(120, 110));
  w.drag(w.mm(90, 90), w.mm(125, 80), Qt::AltModifier);
  w.drag(w.mm(130, 80), w.mm(165, 92), Qt::AltModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  // Its edges show as ghosts of the parts; whole, it is recoloured and scaled as one.
  w.press("fillColour");
  w.press("tone #2f7d4f");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  const Box before = w.boxOf(w.only()->id);
  w.drag(before.high, before.low + (before.high - before.low) * 1.3, Qt::ShiftModifier | Qt::ControlModifier);
  w.report("J9");
  EXPECT_LE(w.actions, 9);
  ASSERT_EQ(w.items().size(), 1U);
  ASSERT_TRUE(w.only()->recipe());
  EXPECT_EQ(w.only()->recipe()->parts.size(), 3U);
  EXPECT_NEAR(w.boxOf(w.only()->id).width() / before.width(), 1.3, 0.02);
  EXPECT_EQ(counts(resolved(*w.only())->outline).contours, 1);
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(90, 90)), QColor(0x2F, 0x7D, 0x4F));
}

TEST(ArrangeJobs, J23FourFramesWithTreatedCornersMirrored) {
  PlaceHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(40, 30), w.mm(140, 90));
  // One corner of the first, by its arc.
  w.key(Qt::Key_2);
  const double inset = 14 / w.mat().zoom();
  const Point arc = w.boxOf(w.only()->id).low + Point{inset, inset};
  w.drag(arc, arc + w.mm(10, 10), Qt::AltModifier);
  w.key(Qt::Key_1);
  w.key(Qt::Key_J, Qt::ShiftModifier);
  w.typeShown("axes", "2");
  w.key(Qt::Key_G, Qt::ShiftModifier);
  w.report("J23 frames");
  EXPECT_LE(w.actions, 12);
  ASSERT_EQ(w.items().size(), 4U);
  std::set<double> lefts, tops;
  for (const ItemPtr& item : w.items()) {
    lefts.insert(std::round(w.boxOf(item->id).low.x * 1e6));
    tops.insert(std::round(w.boxOf(item->id).low.y * 1e6));
    EXPECT_GT(counts(resolved(*item)->outline).curves, 0) << "a treated corner";
  }
  EXPECT_LE(lefts.size(), 2U) << "edges in line";
  EXPECT_LE(tops.size(), 2U);
}

TEST(ArrangeJobs, J26AFaceAPanelAndARowOfTiles) {
  PlaceHands w;
  // A cube's face: the copied square slants.
  w.key(Qt::Key_4);
  w.drag(w.mm(30, 60), w.mm(70, 100), Qt::ShiftModifier);
  w.drag(w.mm(50, 80), w.mm(90, 80), Qt::AltModifier | Qt::ShiftModifier);
  const Box side = w.boxOf(w.only()->id);
  const Point grip{side.high.x + 26 / w.mat().zoom(), side.centre().y};
  w.drag(grip, grip - w.mm(0, 20), Qt::ControlModifier);
  EXPECT_NEAR(w.boxOf(w.only()->id).low.y, side.low.y - w.mm(0, 20).y, 1.5);
  EXPECT_EQ(w.actions, 4);
  // A panel with a disc bitten out of its edge, and a coloured label behind.
  w.key(Qt::Key_4);
  w.drag(w.mm(210, 70), w.mm(260, 90), Qt::ControlModifier);
  w.press("fillColour");
  w.press("tone #2f7d4f");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  w.key(Qt::Key_4);
  w.drag(w.mm(150, 50), w.mm(230, 110), Qt::ControlModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(230, 80), w.mm(245, 80), Qt::ShiftModifier | Qt::AltModifier | Qt::ControlModifier);
  const int before = w.actions;
  // A pierced tile, five times.
  w.key(Qt::Key_4);
  w.drag(w.mm(30, 130), w.mm(55, 155), Qt::ShiftModifier | Qt::ControlModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(42.5, 142.5), w.mm(50, 150), Qt::ShiftModifier | Qt::AltModifier | Qt::ControlModifier);
  w.key(Qt::Key_C);
  w.typeEntry("6 mm");
  EXPECT_EQ(w.actions - before, 6);
  w.report("J26");
  EXPECT_LE(w.actions, 18);
  ASSERT_EQ(w.items().size(), 5U);
  w.desk().select({});
  for (int i = 0; i < 5; ++i) EXPECT_EQ(w.seen(w.mm(42.5 + 31 * i, 142.5)), QColor(Qt::white)) << "pierced " << i;
  EXPECT_EQ(w.seen(w.mm(222, 80)), QColor(0x2F, 0x7D, 0x4F)) << "the label shows through the bite";
}

TEST(ArrangeJobs, J26ATileRepeatedAtTheFirstCopysSpacing) {
  PlaceHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(30, 60), w.mm(55, 85), Qt::ShiftModifier);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(42.5, 72.5), w.mm(50, 80), Qt::ShiftModifier | Qt::AltModifier);
  ASSERT_TRUE(w.only() && w.only()->recipe());
  const Box tile = w.boxOf(w.items()[0]->id);
  w.drag(w.mm(36, 78), w.mm(36, 78) + Point{tile.width() + w.mm(6, 0).x, 0}, Qt::AltModifier | Qt::ShiftModifier);
  for (int i = 0; i < 4; ++i) w.key(Qt::Key_A);
  w.report("J26 tile");
  EXPECT_LE(w.actions, 9);
  ASSERT_EQ(w.items().size(), 6U);
  const double step = w.boxOf(w.items()[1]->id).low.x - tile.low.x;
  EXPECT_GT(step, tile.width());
  w.desk().select({});
  for (std::size_t i = 1; i < 6; ++i) {
    ASSERT_TRUE(w.items()[i]->recipe()) << "pierced, and live";
    EXPECT_NEAR(w.boxOf(w.items()[i]->id).low.x - w.boxOf(w.items()[i - 1]->id).low.x, step, 1e-9);
    EXPECT_EQ(w.seen(w.boxOf(w.items()[i]->id).centre()), QColor(Qt::white));
  }
}

}  // namespace
}  // namespace widecut
