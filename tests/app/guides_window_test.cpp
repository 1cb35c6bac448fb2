// Guides, the grid, gaps, measuring lines and slanting in the real window.
#include <gtest/gtest.h>

#include <QCheckBox>

#include "app/desk/preferences.h"
#include "app/mat/selection_frame.h"
#include "app/widgets/cards.h"
#include "place_hands.h"
#include "project/edits/arranging.h"
#include "project/edits/guides.h"
#include "project/edits/lines.h"
#include "project/edits/sheets.h"
#include "scene/scene.h"

namespace widecut {
namespace {

struct GuidesWindow : testing::Test {
  PlaceHands w;
  GuidesWindow() {
    prefer([](Preferences& p) { p = {}; });
  }
  ~GuidesWindow() override {
    prefer([](Preferences& p) { p = {}; });
  }

  const std::vector<Guide>& guides() { return w.desk().sheet()->guides; }
  /// A drag given in the mat's pixels.
  void dragPixels(QPoint from, QPoint to, Qt::KeyboardModifiers keys = Qt::ControlModifier) {
    w.drag(w.mat().toSheet(from), w.mat().toSheet(to), keys);
  }
  QPoint inUpperRuler(double mm) { return {w.onMat(w.mm(mm, 0)).x(), 9}; }
  QPoint inLeftRuler(double mm) { return {9, w.onMat(w.mm(0, mm)).y()}; }
  double pixel() { return 1 / w.mat().zoom(); }
};

TEST_F(GuidesWindow, ArePulledOutOfTheRulersMovedTypedNudgedAndThrownAway) {
  dragPixels(inLeftRuler(50), w.onMat(w.mm(80, 60)));
  ASSERT_EQ(guides().size(), 1U);
  EXPECT_TRUE(guides()[0].upright);
  EXPECT_NEAR(guides()[0].at, w.mm(80, 0).x, pixel());
  dragPixels(inUpperRuler(50), w.onMat(w.mm(80, 60)));
  ASSERT_EQ(guides().size(), 2U);
  EXPECT_FALSE(guides()[1].upright);
  EXPECT_NEAR(guides()[1].at, w.mm(60, 0).x, pixel());
  // By its tab: along the ruler, or down on the sheet.
  dragPixels(inUpperRuler(80), w.onMat(w.mm(100, 90)));
  EXPECT_NEAR(guides()[0].at, w.mm(100, 0).x, pixel());
  ASSERT_EQ(guides().size(), 2U);
  // A click chooses it: arrows, digits.
  w.click(w.mat().toSheet(inUpperRuler(100)));
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(guides()[0].at, w.mm(110, 0).x, 2 * pixel());
  w.click(w.mat().toSheet(inUpperRuler(110)));
  QTest::keyClick(&w.mat(), Qt::Key_7);
  QTest::keyClicks(QApplication::focusWidget(), "5 mm");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  EXPECT_NEAR(guides()[0].at, w.mm(75, 0).x, 1e-9);
  // Back into the ruler; off by the key.
  dragPixels(inUpperRuler(75), {9, 200});
  ASSERT_EQ(guides().size(), 1U);
  EXPECT_FALSE(guides()[0].upright);
  w.click(w.mat().toSheet(inLeftRuler(60)));
  w.key(Qt::Key_Delete);
  EXPECT_TRUE(guides().empty());
  w.desk().undo();
  EXPECT_EQ(guides().size(), 1U);
}

TEST_F(GuidesWindow, DragsRestAtThemWhileTheyShow) {
  w.desk().commit("guide", withGuide(w.desk().settled(), w.sheet().id, {true, w.mm(90.3, 0).x}));
  const Id box = w.box(30, 40, 20, 20);
  const auto drag = [&] {
    const Point middle = w.boxOf(box).centre();
    w.drag(middle, middle + Point{w.mm(90.3, 0).x - w.boxOf(box).low.x + 3 * pixel(), w.mm(0, 13).y});
    return w.boxOf(box).low.x;
  };
  EXPECT_EQ(drag(), w.mm(90.3, 0).x) << "to the last bit";
  w.desk().undo();
  w.key(Qt::Key_F);
  EXPECT_FALSE(preferences().showsGuides);
  EXPECT_NE(drag(), w.mm(90.3, 0).x);
}

TEST_F(GuidesWindow, AreOnAllSheetsOfThePieceWithShift) {
  dragPixels(inLeftRuler(50), w.onMat(w.mm(80, 60)), Qt::ShiftModifier | Qt::ControlModifier);
  EXPECT_TRUE(guides().empty());
  EXPECT_EQ(w.desk().project().pieces.front()->guides.size(), 1U);
}

TEST_F(GuidesWindow, TheListNamesLocksAndTypesThem) {
  w.pressShown("addUprightGuide");
  QTest::keyClicks(QApplication::focusWidget(), "42 mm");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  ASSERT_EQ(guides().size(), 1U);
  EXPECT_NEAR(guides()[0].at, w.mm(42, 0).x, 1e-9);
  w.typeShown("guide 1 name", "cover");
  EXPECT_EQ(guides()[0].name, "cover");
  w.pressShown("guide 1 lock");
  EXPECT_TRUE(guides()[0].locked);
  dragPixels(inUpperRuler(42), w.onMat(w.mm(100, 90)));
  EXPECT_NEAR(guides()[0].at, w.mm(42, 0).x, 1e-9) << "locked: a drag there pulls out another one";
  EXPECT_EQ(guides().size(), 2U);
  w.pressShown("guide 1 all");
  EXPECT_EQ(w.desk().project().pieces.front()->guides.size(), 1U);
  w.pressShown("guide 1 gone");
  EXPECT_TRUE(guides().empty());
}

TEST_F(GuidesWindow, TheGridIsOfThePieceAndDragsRestAtIt) {
  w.typeShown("grid", "10 mm");
  EXPECT_NEAR(w.desk().project().pieces.front()->setting.grid, w.mm(10, 0).x, 1e-9);
  w.key(Qt::Key_4);
  w.drag(w.mm(29.6, 40.5), w.mm(60.4, 79.5));
  const Box box = w.boxOf(w.only()->id);
  EXPECT_NEAR(box.low.x, w.mm(30, 0).x, 1e-9);
  EXPECT_NEAR(box.high.y, w.mm(80, 0).x, 1e-9);
  w.key(Qt::Key_F, Qt::ShiftModifier);
  EXPECT_FALSE(preferences().showsGrid);
}

TEST_F(GuidesWindow, ItemsAtTheMarginsGoAlong) {
  w.typeShown("left margin", "20 mm");
  const Id box = w.box(20, 40, 30, 30);
  w.desk().commit("exactly", withBoxAt(w.desk().settled(), box, true, 0, w.mm(20, 0).x));
  w.desk().select({});
  w.settle();
  w.pressShown("marginsTakeAlong");
  w.typeShown("left margin", "33 mm");
  EXPECT_NEAR(w.boxOf(box).low.x, w.mm(33, 0).x, 1e-9);
  w.desk().undo();
  EXPECT_NEAR(w.boxOf(box).low.x, w.mm(20, 0).x, 1e-9) << "one step";
}

TEST_F(GuidesWindow, GapsAreTypedInto) {
  const Id a = w.box(30, 40, 20, 20), b = w.box(80, 40, 20, 20);
  w.key(Qt::Key_V);
  EXPECT_TRUE(preferences().showsGaps);
  const Box left = w.boxOf(a), right = w.boxOf(b);
  w.click({(left.high.x + right.low.x) / 2, right.centre().y});
  QTest::keyClick(&w.mat(), Qt::Key_7);
  QTest::keyClicks(QApplication::focusWidget(), " mm");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
  w.settle();
  EXPECT_NEAR(w.boxOf(b).low.x - left.high.x, w.mm(7, 0).x, 1e-9);
  EXPECT_EQ(w.boxOf(a), left) << "the selection moves, not the neighbour";
  EXPECT_EQ(w.only()->id, b);
}

TEST_F(GuidesWindow, AMeasuringLineIsSeenAndNotDelivered) {
  w.key(Qt::Key_W);
  w.drag(w.mm(40, 50), w.mm(80, 50), Qt::ControlModifier);
  ASSERT_TRUE(w.only());
  EXPECT_TRUE(w.only()->measures);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  const Id line = w.only()->id;
  w.desk().select({});
  EXPECT_NE(w.seen(w.mm(41, 50)), QColor(Qt::white)) << "on the mat";
  EXPECT_TRUE(sceneOf(w.sheet()).layers.empty()) << "in no picture";
  w.desk().toggleView(MatView::Paper);
  EXPECT_EQ(w.seen(w.mm(41, 50)), QColor(Qt::white));
  w.desk().toggleView(MatView::Paper);
  w.desk().select({line});
  w.settle();
  const auto ends = *endsOf(*w.only());
  w.drag(ends.second, ends.second + w.mm(10, 0), Qt::ControlModifier);
  EXPECT_NEAR(distance(endsOf(*w.only())->first, endsOf(*w.only())->second), w.mm(50, 0).x, 1.5);
}

TEST_F(GuidesWindow, GripsBesideTheFrameSlantIt) {
  const Id box = w.box(80, 60, 40, 40);
  const Box before = w.boxOf(box);
  const Point grip{before.centre().x, before.high.y + 26 * pixel()};
  // So far that the lower side goes half its height along: 26.57°.
  w.drag(grip, grip + Point{before.height() / 2, 0}, Qt::ControlModifier);
  const Outline outline = transformed(resolved(*w.only())->outline, frameToSheet(w.desk().project(), box));
  EXPECT_NEAR(bounds(outline).width(), before.width() * 1.5, 2 * pixel());
  EXPECT_NEAR(bounds(outline).low.y, before.low.y, 1e-6) << "the opposite side stays";
  EXPECT_NEAR(std::abs(signedArea(outline)), before.width() * before.height(), 1e-3);
  EXPECT_EQ(w.desk().history().undoName(), "Slant");
  w.desk().undo();
  w.drag(grip, grip + Point{before.height() / 2, 0}, Qt::ShiftModifier);
  EXPECT_NEAR(w.boxOf(box).width(), before.width() + before.height() * std::tan(radians(30)), 1e-6) << "steps of 15°";
}

TEST_F(GuidesWindow, CornersRestWithTheirProportionsKeptAndTurned) {
  w.desk().commit("guide", withGuide(w.desk().settled(), w.sheet().id, {true, w.mm(161, 0).x}));
  const Id box = w.box(80, 60, 60, 30);
  const Box before = w.boxOf(box);
  // Near the guide, and of the height that goes with it.
  const double to = w.mm(161, 0).x + 3 * pixel(), share = (to - before.low.x) / before.width();
  w.drag(before.high, before.low + (before.high - before.low) * share, Qt::ShiftModifier);
  EXPECT_NEAR(w.boxOf(box).high.x, w.mm(161, 0).x, 1e-9);
  EXPECT_NEAR(w.boxOf(box).width() / w.boxOf(box).height(), before.width() / before.height(), 1e-9);
  w.desk().undo();
  w.type("turn", "30");
  const auto frame = *SelectionFrame::of(w.desk().project(), {box});
  const Point corner = frame.toSheet(frame.box.high);
  w.drag(corner, {w.mm(161, 0).x - 3 * pixel(), corner.y + w.mm(0, 11).y});
  const auto after = *SelectionFrame::of(w.desk().project(), {box});
  EXPECT_NEAR(after.toSheet(after.box.high).x, w.mm(161, 0).x, 1e-6) << "the corner of a turned frame";
}

TEST_F(GuidesWindow, NeatenIsTriedBeforeItIsMade) {
  std::vector<Id> ids;
  for (int i = 0; i < 4; ++i) ids.push_back(w.box(30 + 42 * i + (i % 2) * 2, 40 + (i * 5) % 3, 20, 20));
  w.desk().select(ids);
  w.settle();
  w.key(Qt::Key_E);
  auto& card = w.shown<Card>("arrange Neaten");
  QEnterEvent enter(QPointF(5, 5), QPointF(5, 5), card.mapToGlobal(QPointF(5, 5)));
  QApplication::sendEvent(&card, &enter);
  EXPECT_TRUE(w.desk().isTrying());
  const double low = boxOnSheet(w.desk().project(), ids[0]).low.y;
  for (const Id id : ids) EXPECT_EQ(boxOnSheet(w.desk().project(), id).low.y, low);
  EXPECT_NE(boxOnSheet(w.desk().settled(), ids[1]).low.y, boxOnSheet(w.desk().settled(), ids[0]).low.y);
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(&card, &leave);
  EXPECT_FALSE(w.desk().isTrying());
  w.key(Qt::Key_P);
  for (const Id id : ids) EXPECT_EQ(w.boxOf(id).low.y, w.boxOf(ids[0]).low.y);
  EXPECT_EQ(w.desk().history().undoName(), "Neaten");
  w.key(Qt::Key_P);
  EXPECT_EQ(w.desk().history().undoName(), "Neaten") << "neat already: no other step";
}

TEST_F(GuidesWindow, FillAndOutlineAreSwappedByAKey) {
  const Id box = w.box(80, 60, 40, 40);
  const auto fill = colourOf(*findItem(w.desk().project(), box)->style);
  w.key(Qt::Key_X, Qt::ShiftModifier);
  EXPECT_EQ(lineOf(*w.only()->style)->colour, *fill);
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(100, 80)), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
