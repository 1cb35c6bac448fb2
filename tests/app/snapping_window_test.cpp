// Drags that come to rest, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QCheckBox>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/window/preferences_dialog.h"
#include "place_hands.h"
#include "project/edits/lines.h"
#include "project/edits/tree.h"
#include "project/lookup.h"
#include "scene/snapping.h"

namespace widecut {
namespace {

struct RestHands : PlaceHands {
  /// True when some amber is painted within a few pixels of a place of the sheet.
  bool isAmberNear(Point onSheet) {
    const QImage shown = mat().grab().toImage();
    const QPointF at = mat().toMat(onSheet) * mat().devicePixelRatioF();
    for (int y = -8; y <= 8; ++y)
      for (int x = -8; x <= 8; ++x) {
        const QPoint pixel = at.toPoint() + QPoint(x, y);
        if (!shown.valid(pixel)) continue;
        const QColor c = shown.pixelColor(pixel);
        const int off = std::abs(c.red() - theme::amber.red()) + std::abs(c.green() - theme::amber.green()) +
                        std::abs(c.blue() - theme::amber.blue());
        if (off < 60) return true;
      }
    return false;
  }
};

TEST(SnappingWindow, EdgesMeetToTheLastBitAndTheReasonIsDrawn) {
  RestHands w;
  const Id a = w.box(33.3, 41.7, 50, 30), b = w.box(120.1, 95.3, 37.7, 30);
  w.click(w.mm(140, 110));
  // Its left edge nearly over the other's right one.
  const Point from = w.mm(140, 110), to = from + Point{w.boxOf(a).high.x - w.boxOf(b).low.x + 3 / w.mat().zoom(), 9};
  w.WindowDriver::press(from);
  w.dragTo(mix(from, to, 0.5));
  w.dragTo(to);
  EXPECT_TRUE(w.isAmberNear({w.boxOf(a).high.x, w.boxOf(b).low.y + 4}));
  w.release(to);
  EXPECT_EQ(w.boxOf(b).low.x, w.boxOf(a).high.x) << "equal, not nearly";
  EXPECT_FALSE(w.isAmberNear({w.boxOf(a).high.x, w.boxOf(b).low.y + 4}));
  w.desk().undo();
  // With Ctrl it goes where it is dragged.
  w.drag(from, to, Qt::ControlModifier);
  EXPECT_GT(w.boxOf(b).low.x, w.boxOf(a).high.x);
  EXPECT_NEAR(w.boxOf(b).low.x, w.boxOf(a).high.x + 3 / w.mat().zoom(), 1.1 / w.mat().zoom());
}

TEST(SnappingWindow, TwoCirclesCornerToCornerInOneDrag) {
  RestHands w;
  const Id a = w.disc(60, 60, 40), b = w.disc(150, 72, 40);
  w.click(w.mm(170, 92));
  // The left end of one to the upper end of the other.
  const Point top = w.mm(80, 60), left = w.mm(150, 92);
  w.drag(w.mm(170, 92), w.mm(170, 92) + (top - left) + Point{3 / w.mat().zoom(), -2 / w.mat().zoom()});
  const auto nodesOnSheet = [&](Id id) {
    std::vector<Point> nodes;
    const NodePaths paths = w.paths(id);
    for (const Node& n : paths[0].nodes) nodes.push_back(frameToSheet(w.desk().project(), id)(n.at));
    return nodes;
  };
  double nearest = 1e9;
  for (const Point p : nodesOnSheet(a))
    for (const Point q : nodesOnSheet(b)) nearest = std::min(nearest, distance(p, q));
  EXPECT_LE(nearest, 1e-12);
}

TEST(SnappingWindow, DrawnShapesResizedOnesAndPivotsRest) {
  RestHands w;
  const Id a = w.box(40, 40, 50, 30);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  const double off = 3 / w.mat().zoom();
  w.drag(w.mm(120, 40) + Point{0, off}, w.mm(160, 70) + Point{0, -off});
  const Id drawn = w.only()->id;
  EXPECT_EQ(w.boxOf(drawn).low.y, w.boxOf(a).low.y);
  EXPECT_EQ(w.boxOf(drawn).high.y, w.boxOf(a).high.y);
  // As wide as the other one.
  w.drag({w.boxOf(drawn).high.x, w.boxOf(drawn).centre().y},
         {w.boxOf(drawn).low.x + w.boxOf(a).width() + off, w.boxOf(drawn).centre().y});
  EXPECT_NEAR(w.boxOf(drawn).width(), w.boxOf(a).width(), 1e-9);
  // The pivot, on a corner of the other.
  w.desk().setPivot({PivotPlace{0, 0}, {}});
  w.drag(w.boxOf(drawn).centre(), w.boxOf(a).high + Point{off, -off});
  ASSERT_TRUE(w.desk().pivot().free);
  EXPECT_EQ(*w.desk().pivot().free, w.boxOf(a).high);
}

TEST(SnappingWindow, GapsAreMadeEqual) {
  RestHands w;
  const Id a = w.box(40, 40, 20, 30), b = w.box(75, 40, 20, 30), c = w.box(140, 120, 20, 30);
  w.click(w.mm(150, 135));
  const double gap = w.boxOf(b).low.x - w.boxOf(a).high.x;
  const Point by = Point{w.boxOf(b).high.x + gap, w.boxOf(b).low.y} - w.boxOf(c).low;
  const double off = 2 / w.mat().zoom();
  w.drag(w.mm(150, 135), w.mm(150, 135) + by + Point{off, off});
  EXPECT_NEAR(w.boxOf(c).low.x - w.boxOf(b).high.x, gap, 1e-10);
  EXPECT_TRUE(w.boxOf(c).low.y == w.boxOf(b).low.y || w.boxOf(c).high.y == w.boxOf(b).high.y);
}

TEST(SnappingWindow, TabTakesTheNextReason) {
  RestHands w;
  // Two left edges four pixels apart: it comes between them, nearer to the first.
  const double pixel = 1 / w.mat().zoom(), millimetres = pixel / pointsPerMillimetre;
  const Id a = w.box(40, 40, 30, 20), b = w.box(40 + 4 * millimetres, 150, 33, 22), c = w.box(150, 97, 25, 21);
  const Point at = w.boxOf(c).centre(), to = at + Point{w.boxOf(a).low.x + 1.2 * pixel - w.boxOf(c).low.x, 0};
  w.WindowDriver::press(at);
  w.dragTo(mix(at, to, 0.5));
  w.dragTo(to);
  EXPECT_EQ(w.boxOf(c).low.x, w.boxOf(a).low.x);
  QTest::keyClick(&w.mat(), Qt::Key_Tab);
  EXPECT_EQ(w.boxOf(c).low.x, w.boxOf(b).low.x);
  QTest::keyClick(&w.mat(), Qt::Key_Backtab);
  EXPECT_EQ(w.boxOf(c).low.x, w.boxOf(a).low.x);
  w.release(to);
  EXPECT_EQ(w.boxOf(c).low.x, w.boxOf(a).low.x);
}

TEST(SnappingWindow, NodesRestOnOthersAndKindsCanBeSwitchedOff) {
  RestHands w;
  const Id a = w.box(40, 40, 50, 30);
  w.box(120, 90, 50, 40);
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  const double off = 3 / w.mat().zoom();
  const Point corner = w.boxOf(a).high;
  w.drag(w.nodeAt(0), corner + Point{off, off});
  EXPECT_LE(distance(w.nodeAt(0), corner), 1e-10);
  w.desk().undo();
  Preferences p = preferences();
  p.rests = false;
  PreferencesNow::instance().set(p);
  w.drag(w.nodeAt(0), corner + Point{off, off});
  EXPECT_GT(distance(w.nodeAt(0), corner), 1e-3);
  p.rests = true;
  PreferencesNow::instance().set(p);
}

TEST(SnappingWindow, LinesThePenAndTheKnifeRestOnNodes) {
  RestHands w;
  const Id a = w.box(40, 40, 50, 30), b = w.box(130, 100, 40, 40);
  w.key(Qt::Key_Escape);
  const double off = 3 / w.mat().zoom();
  const Point from = w.boxOf(a).high, to = w.boxOf(b).low;
  w.key(Qt::Key_7);
  w.drag(from + Point{off, 0}, to + Point{0, -off});
  const auto ends = endsOf(*w.only());
  ASSERT_TRUE(ends);
  EXPECT_LE(distance(ends->first, from), 1e-9);
  EXPECT_LE(distance(ends->second, to), 1e-9);
  // One end goes on to another corner.
  const Point other{w.boxOf(b).high.x, w.boxOf(b).low.y};
  w.drag(to, other + Point{off, off});
  EXPECT_LE(distance(endsOf(*w.only())->second, other), 1e-9);
  w.desk().select({});
  w.key(Qt::Key_3);
  for (const Point p : {w.boxOf(a).low, from, other}) w.click(p + Point{off, -off});
  w.key(Qt::Key_Return);
  const NodePaths pen = w.paths();
  ASSERT_EQ(pen[0].nodes.size(), 3U);
  const Affine frame = frameToSheet(w.desk().project(), w.only()->id);
  EXPECT_LE(distance(frame(pen[0].nodes[0].at), w.boxOf(a).low), 1e-9);
  EXPECT_LE(distance(frame(pen[0].nodes[2].at), other), 1e-9);
  // A knife from corner to corner parts the box into triangles alike.
  w.desk().knifeGap = 0;
  w.desk().select({b});
  w.key(Qt::Key_0);
  w.drag(w.boxOf(b).low + Point{-off, off}, w.boxOf(b).high + Point{off, -off});
  ASSERT_EQ(w.desk().selection().size(), 2U);
  const auto area = [&](std::size_t i) {
    return std::abs(signedArea(resolved(*findItem(w.desk().project(), w.desk().selection()[i]))->outline));
  };
  EXPECT_NEAR(area(0), area(1), 1e-6);
}

TEST(SnappingWindow, AKindIsSwitchedOffInThePreferencesAndAllByAKey) {
  RestHands w;
  const Preferences usual = preferences();
  const Id a = w.box(40, 40, 50, 30), b = w.box(130, 95, 33, 21);
  const double off = 2 / w.mat().zoom();
  const auto isInLine = [&] {
    const Point at = w.boxOf(b).centre();
    w.drag(at, at + Point{w.boxOf(a).low.x + off - w.boxOf(b).low.x, 0});
    const bool is = w.boxOf(b).low.x == w.boxOf(a).low.x;
    w.desk().undo();
    return is;
  };
  EXPECT_TRUE(isInLine());
  w.key(Qt::Key_Y);
  EXPECT_FALSE(isInLine());
  w.key(Qt::Key_Y);
  EXPECT_TRUE(isInLine());
  PreferencesDialog dialog(nullptr);
  dialog.setAttribute(Qt::WA_DeleteOnClose, false);
  dialog.show();
  auto* edges = dialog.findChild<QCheckBox*>(QString("restsAt%1").arg(static_cast<int>(SnapKind::Edge)));
  QTest::mouseClick(edges, Qt::LeftButton, {}, QPoint(8, edges->height() / 2));
  EXPECT_FALSE(preferences().restsAt[static_cast<std::size_t>(SnapKind::Edge)]);
  EXPECT_FALSE(isInLine());
  PreferencesNow::instance().set(usual);
}

TEST(SnappingWindow, TurnsRestAtTheAngleOfAnother) {
  RestHands w;
  const Id a = w.box(40, 40, 50, 30), b = w.box(130, 90, 50, 40);
  w.desk().commit("turn", withItem(w.desk().settled(), a, [](const Item& item) {
                    Item turned = item;
                    turned.turn = radians(20);
                    return turned;
                  }));
  w.desk().select({b});
  const Point middle = w.boxOf(b).centre();
  const Point grip{middle.x, w.boxOf(b).low.y - 26 / w.mat().zoom()};
  w.drag(grip, middle + Affine::turn(radians(20.8)).vector(grip - middle));
  EXPECT_NEAR(findItem(w.desk().project(), b)->turn, radians(20), 1e-12);
}

}  // namespace
}  // namespace widecut
