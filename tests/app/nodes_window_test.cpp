// The node tool, its bench, and the arcs in corners, by mouse and keys.
#include <gtest/gtest.h>

#include "node_hands.h"
#include "project/edits/places.h"

namespace widecut {
namespace {

constexpr double pixel = 1.2;  // points that a pixel of the mat is at most here

TEST(NodesWindow, AClickOnAnEdgeAddsANodeThatMovesNothing) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  const Outline before = resolved(*w.only())->outline;
  w.moveTo(w.mm(110, 41));  // not quite on it
  EXPECT_NE(w.seen(w.mm(110, 40)), QColor(Qt::white)) << "the node that would appear";
  EXPECT_EQ(w.paths()[0].nodes.size(), 4U);
  w.click(w.mm(110, 41));
  ASSERT_EQ(w.paths()[0].nodes.size(), 5U);
  EXPECT_NEAR(w.nodeAt(1).y, w.nodeAt(0).y, 1e-9);
  EXPECT_NEAR(signedArea(resolved(*w.only())->outline), signedArea(before), 1e-6);
  EXPECT_EQ(countOf(w.desk().chosenNodes()), 1U);
  w.key(Qt::Key_Delete);
  EXPECT_EQ(w.paths()[0].nodes.size(), 4U);
  w.desk().undo();
  w.desk().undo();
  EXPECT_EQ(resolved(*w.only())->outline, before);
}

TEST(NodesWindow, AnEdgeBendsWhereItIsTaken) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.drag(w.mm(140, 40), w.mm(140, 20));
  ASSERT_EQ(w.paths()[0].nodes.size(), 4U);
  const Nearest near = nearestOn(edgeOf(w.paths()[0], 0), w.only()->toParent().inverse()->operator()(w.mm(140, 20)));
  EXPECT_LT(near.distance, pixel);
  EXPECT_NEAR(near.t, 0.8, 0.02);
  EXPECT_EQ(w.kind(0), NodeKind::Corner);
}

TEST(NodesWindow, HandlesKeepInLineUntilAltBreaksThem) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.doubleClick(w.nodeAt(1));
  ASSERT_EQ(w.kind(1), NodeKind::Smooth);
  const Point out = w.toSheet(w.node(1).out);
  w.drag(out, out + w.mm(20, 10));
  EXPECT_EQ(w.kind(1), NodeKind::Smooth);
  const Point now = w.toSheet(w.node(1).out), in = w.node(1).in;
  w.drag(now, now + w.mm(-30, 5), Qt::AltModifier);
  EXPECT_EQ(w.kind(1), NodeKind::Corner);
  EXPECT_EQ(w.node(1).in, in);
  w.pressShown("nodeEven");
  EXPECT_EQ(w.kind(1), NodeKind::Even);
  w.doubleClick(w.nodeAt(1));
  EXPECT_EQ(w.kind(1), NodeKind::Corner);
  EXPECT_FALSE(w.node(1).hasIn());
  // Out of a corner Alt pulls both.
  w.drag(w.nodeAt(1), w.nodeAt(1) + w.mm(10, 10), Qt::AltModifier);
  EXPECT_EQ(w.kind(1), NodeKind::Even);
  // And onto the node a handle is gone.
  w.drag(w.toSheet(w.node(1).out), w.nodeAt(1), Qt::AltModifier);
  EXPECT_FALSE(w.node(1).hasOut());
  EXPECT_TRUE(w.node(1).hasIn());
}

TEST(NodesWindow, NodesOfSeveralItemsMoveScaleAndTurnAsOne) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(40, 40), w.mm(90, 90));
  const Id a = w.only()->id;
  w.key(Qt::Key_4);
  w.drag(w.mm(110, 40), w.mm(160, 90));
  const Id b = w.only()->id;
  w.desk().select({a, b});
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.drag(w.mm(80, 30), w.mm(120, 100));
  ASSERT_EQ(countOf(w.desk().chosenNodes()), 4U);
  w.drag(w.mm(90, 40), w.mm(90, 60));
  const auto at = [&](Id id, std::size_t i) { return placeOnSheet(w.desk().project(), id, {0, i}); };
  EXPECT_NEAR(at(a, 1).y, w.mm(0, 60).y, pixel);
  EXPECT_NEAR(at(b, 0).y, w.mm(0, 60).y, pixel);
  EXPECT_NEAR(at(b, 3).y, w.mm(0, 110).y, pixel);
  EXPECT_NEAR(at(a, 0).y, w.mm(0, 40).y, pixel);
  const double before = at(b, 0).x - at(a, 1).x;
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(at(a, 1).x, w.mm(100, 0).x, pixel);
  // By the grips round them.
  const Box box = boxOf(w.desk().project(), w.desk().chosenNodes()).grown(14 / w.mat().zoom());
  w.drag({box.high.x, box.centre().y}, {box.high.x + box.width(), box.centre().y});
  EXPECT_NEAR(at(b, 0).x - at(a, 1).x, before * 2, 4);
  w.pressShown("nodesInRow");
  EXPECT_EQ(at(a, 1).y, at(b, 0).y);
  EXPECT_EQ(at(a, 2).y, at(b, 0).y);
  w.key(Qt::Key_A, Qt::ControlModifier);
  EXPECT_EQ(countOf(w.desk().chosenNodes()), 8U);
  w.key(Qt::Key_Tab);
  EXPECT_EQ(countOf(w.desk().chosenNodes()), 1U);
}

TEST(NodesWindow, ANodeOfEveryStarterIsDraggedAtOnceAndItsNumbersComeBackByUndo) {
  NodeHands w;
  for (const int tool : {Qt::Key_4, Qt::Key_5, Qt::Key_6}) {
    w.desk().startNew();
    w.mat().fitSheet();
    w.key(tool);
    w.drag(w.mm(60, 40), w.mm(140, 120));
    w.key(Qt::Key_2);
    const Point node = w.nodeAt(0);
    QString told;
    const auto told_ = QObject::connect(&w.desk(), &Desk::told, [&](const QString& text) { told = text; });
    w.drag(node, node + w.mm(0, -10));
    EXPECT_FALSE(starterOf(*w.only()));
    EXPECT_NEAR(w.nodeAt(0).y, node.y - w.mm(0, 10).y, pixel);
    EXPECT_TRUE(told.contains("Ctrl+Z")) << told.toStdString();
    QObject::disconnect(told_);
    w.desk().undo();
    EXPECT_TRUE(starterOf(*w.only()));
  }
}

TEST(NodesWindow, EdgesOfAStarterAreClickedAndDoubleClickedAtOnce) {
  NodeHands w;
  w.key(Qt::Key_6);
  w.drag(w.mm(60, 40), w.mm(140, 120));
  w.key(Qt::Key_2);
  const std::size_t before = w.paths()[0].nodes.size();
  w.click(w.edgeAt(0, 0.4));
  EXPECT_EQ(w.paths()[0].nodes.size(), before + 1);
  w.desk().undo();
  ASSERT_TRUE(starterOf(*w.only()));
  w.doubleClick(w.nodeAt(0));
  EXPECT_NE(w.kind(0), NodeKind::Corner);
}

TEST(NodesWindow, PartsAreReshapedInsideTheirCutout) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_4);
  w.drag(w.mm(100, 20), w.mm(120, 80));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  ASSERT_TRUE(w.only()->recipe());
  const Id cutout = w.only()->id;
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.drag(w.mm(120, 80), w.mm(140, 100));
  ASSERT_TRUE(findItem(w.desk().project(), cutout)->recipe());
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(130, 88)), QColor(Qt::white)) << "the hole has grown";
}

TEST(NodesWindow, MirrorEditingEditsBothSides) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_M, Qt::ControlModifier);
  w.drag(w.mm(160, 40), w.mm(180, 30));
  EXPECT_NEAR(w.nodeAt(0).x, w.mm(40, 0).x, pixel);
  EXPECT_NEAR(w.nodeAt(0).y, w.mm(0, 30).y, pixel);
  w.click(w.mm(55, 96));
  EXPECT_EQ(w.paths()[0].nodes.size(), 6U);
  w.key(Qt::Key_Left, Qt::ShiftModifier);
  const MirrorAxis axis = *axisOf(*w.only());
  EXPECT_TRUE(isSymmetric(w.paths(), axis, 1e-9));
  // The axis turns with the item, and is off again.
  w.key(Qt::Key_1);
  w.type("turn", "30");
  w.key(Qt::Key_2);
  EXPECT_EQ(axisOf(*w.only())->along, axis.along);
  EXPECT_EQ(w.shown<QLineEdit>("angle of the axis").text().toStdString(), "30°");
  w.typeShown("angle of the axis", "120");
  EXPECT_NEAR(std::abs(dot(axisOf(*w.only())->along, axis.along)), 0, 1e-9) << "across the first one";
  w.key(Qt::Key_M, Qt::ControlModifier);
  EXPECT_FALSE(axisOf(*w.only()));
}

TEST(NodesWindow, WhatWasNotAlikeOnBothSidesIsSoByTheFirstEdit) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.drag(w.edgeAt(1), w.edgeAt(1) + w.mm(30, 0));
  w.key(Qt::Key_M, Qt::ControlModifier);
  w.drag(w.nodeAt(1), w.nodeAt(1) + w.mm(5, -10));
  EXPECT_TRUE(isSymmetric(w.paths(), *axisOf(*w.only()), 1e-9));
  ASSERT_EQ(countOf(w.desk().chosenNodes()), 1U);
  const auto& [id, places] = *w.desk().chosenNodes().begin();
  EXPECT_NEAR(placeOnSheet(w.desk().project(), id, places[0]).y, w.mm(0, 30).y, pixel) << "the one that was dragged";
}

TEST(NodesWindow, PathsOpenPartJoinAndClose) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.click(w.nodeAt(2));
  w.pressShown("openOrClose");
  ASSERT_FALSE(w.paths()[0].closed);
  EXPECT_EQ(w.paths()[0].nodes.size(), 5U);
  // One end is dragged away, and back onto the other.
  w.key(Qt::Key_Escape);
  w.drag(w.nodeAt(4), w.mm(200, 150));
  EXPECT_GT(distance(w.nodeAt(4), w.nodeAt(0)), 50);
  w.drag(w.nodeAt(4), w.nodeAt(0) + w.mm(1, 0));
  EXPECT_TRUE(w.paths()[0].closed);
  EXPECT_EQ(w.paths()[0].nodes.size(), 4U);
  w.click(w.nodeAt(1));
  w.pressShown("openOrClose");
  w.click(w.nodeAt(2));
  w.pressShown("partAtNode");
  EXPECT_EQ(w.paths().size(), 2U);
  w.click(w.nodeAt(0, 1));
  w.pressShown("dropPath");
  EXPECT_EQ(w.sheet().items.size(), 2U);
}

TEST(NodesWindow, NodesAndHandlesGoByNumber) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.click(w.nodeAt(1));
  w.typeShown("x of the node", "150");
  w.typeShown("y of the node", "30 + 5");
  EXPECT_NEAR(w.nodeAt(1).x, w.mm(150, 0).x, 1e-6);
  EXPECT_NEAR(w.nodeAt(1).y, w.mm(0, 35).y, 1e-6);
  w.typeShown("length of the handle after", "20");
  w.typeShown("angle of the handle after", "-45");
  const Point out = w.node(1).out - w.node(1).at;
  EXPECT_NEAR(length(out), w.mm(20, 0).x, 1e-6);
  EXPECT_NEAR(out.x, out.y, 1e-6) << "downwards";
  w.desk().undo();
  EXPECT_NEAR(w.node(1).out.y, w.node(1).at.y, 1e-6);
}

TEST(NodesWindow, ActionsShowWhatComesOfThem) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  const auto smooth = [&] { return w.kind(0) != NodeKind::Corner; };
  auto& card = w.shown<Card>("do Smooth all");
  QEnterEvent enter(QPointF(5, 5), QPointF(5, 5), QPointF(5, 5));
  QApplication::sendEvent(&card, &enter);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_TRUE(smooth()) << "it shows before it is made";
  QEvent leave(QEvent::Leave);
  QApplication::sendEvent(&card, &leave);
  EXPECT_FALSE(smooth());
  w.pressShown("do Smooth all");
  EXPECT_TRUE(smooth());
  w.pressShown("do Straighten");
  EXPECT_EQ(counts(resolved(*w.only())->outline).curves, 0);
  w.drag(w.edgeAt(0), w.edgeAt(0) + w.mm(20, -25));
  w.pressShown("do Left half twice");
  const NodePaths paths = w.paths();
  EXPECT_TRUE(isSymmetric(paths, axisFor(w.desk(), *w.only(), 0), 1e-6));
}

TEST(NodesWindow, SimplifyingSaysHowManyNodesAndHowFarOff) {
  NodeHands w;
  w.key(Qt::Key_3);
  w.pressShown("penFreehand");
  w.typeShown("tolerance", "0.05");
  std::vector<Point> places;
  for (int i = 0; i <= 90; ++i)
    places.push_back(w.mm(120 + (40 + 4 * std::sin(i * 0.9)) * std::cos(i * pi / 45),
                          90 + (40 + 4 * std::sin(i * 0.9)) * std::sin(i * pi / 45)));
  w.stroke(places);
  w.key(Qt::Key_2);
  const std::size_t before = w.paths()[0].nodes.size();
  ASSERT_GT(before, 8U);
  auto& slider = w.shown<QSlider>("simplify");
  const QPointF from(6, slider.height() / 2.0), to(slider.width() - 10, slider.height() / 2.0);
  QTest::mousePress(&slider, Qt::LeftButton, {}, from.toPoint());
  QMouseEvent move(QEvent::MouseMove, to, slider.mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
  QApplication::sendEvent(&slider, &move);
  EXPECT_TRUE(w.shown<QLabel>("simplifySays").text().contains(QString("of %1 nodes").arg(before)));
  QTest::mouseRelease(&slider, Qt::LeftButton, {}, to.toPoint());
  w.settle();
  EXPECT_LT(w.paths()[0].nodes.size(), before / 2);
  w.desk().undo();
  EXPECT_EQ(w.paths()[0].nodes.size(), before);
}

TEST(NodesWindow, ArcsSetTheCornersOfAllOrOfOne) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_2);
  const double inset = 17 / w.mat().zoom() * std::sqrt(0.5);
  const Point arc = w.mm(60, 40) + Point{inset, inset};
  w.drag(arc, arc + w.mm(6, 6));
  ASSERT_TRUE(treatedOf(*w.only()));
  EXPECT_TRUE(starterOf(*w.only())) << "a starter keeps its numbers";
  const double all = treatedOf(*w.only())->content().all.size;
  EXPECT_NEAR(all, w.mm(6, 0).x * std::sqrt(2.0) / (std::sqrt(2.0) - 1), 4);
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(61, 41)), QColor(Qt::white));
  EXPECT_EQ(w.seen(w.mm(159, 119)), QColor(Qt::white));
  w.click(w.mm(110, 80));
  // One alone, further out again.
  const double depth = all * (std::sqrt(2.0) - 1) * std::sqrt(0.5);
  const Point other = w.mm(160, 40) + Point{-depth, depth};
  w.drag(other, other + w.mm(3, -3), Qt::AltModifier);
  ASSERT_EQ(treatedOf(*w.only())->content().own.size(), 1U);
  EXPECT_LT(treatedOf(*w.only())->content().own[0].second.size, all);
  w.click(w.nodeAt(0));
  w.pressShown("corner notch");
  w.typeShown("size of the corner", "12");
  EXPECT_EQ(w.node(0).corner.kind, CornerKind::Notch);
  EXPECT_NEAR(w.node(0).corner.size, w.mm(12, 0).x, 1e-9);
  // What does not fit is limited, and comes back.
  w.typeShown("size of the corner", "90");
  const auto limited = [&] { return treatedOf(*w.only())->corners()[0].isLimited(); };
  EXPECT_TRUE(limited());
  w.key(Qt::Key_1);
  w.type("width", "400");
  w.type("height", "400");
  EXPECT_FALSE(limited());
  // Baked they are nodes.
  w.key(Qt::Key_B);
  EXPECT_FALSE(treatedOf(*w.only()));
  EXPECT_GT(w.paths()[0].nodes.size(), 7U);
}

TEST(NodesWindow, AStarterAmongChosenNodesGoesAlong) {
  NodeHands w;
  w.boxOfNodes(w.mm(40, 40), w.mm(90, 90));
  const Id plain = w.only()->id;
  w.key(Qt::Key_4);
  w.drag(w.mm(120, 40), w.mm(170, 90));
  const Id box = w.only()->id;
  w.desk().select({plain, box});
  w.key(Qt::Key_2);
  w.desk().chooseNodes({{plain, {{0, 0}}}, {box, {{0, 0}}}});
  w.key(Qt::Key_Right);
  EXPECT_FALSE(starterOf(*findItem(w.desk().settled(), box)));
  EXPECT_NEAR(boxOnSheet(w.desk().settled(), box).low.x, w.mm(120, 0).x, 2);
  w.desk().undo();
  EXPECT_TRUE(starterOf(*findItem(w.desk().settled(), box)));
}

TEST(NodesWindow, CornersWhereAShapeCutsAreRoundedByTheirArcs) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.key(Qt::Key_4);
  w.drag(w.mm(120, 80), w.mm(190, 150));
  w.desk().select({w.desk().sheet()->items[0]->id, w.desk().sheet()->items[1]->id});
  w.press("outcome1");
  ASSERT_TRUE(w.only()->recipe());
  w.key(Qt::Key_2);
  // At (160, 80) the small box cuts the large one's side: no part has a node there.
  const double inset = 17 / w.mat().zoom() * std::sqrt(0.5);
  const Point arc = w.mm(160, 80) - Point{inset, inset};
  w.drag(arc, arc - w.mm(3, 3));
  const Corner corner = w.only()->recipe()->corners;
  EXPECT_EQ(corner.kind, CornerKind::Round);
  EXPECT_NEAR(corner.size, w.mm(3, 0).x * std::sqrt(2.0) / (std::sqrt(2.0) - 1), 4);
  // By number and kind, with nothing of it chosen.
  w.pressShown("corner bevel");
  w.typeShown("size of the corner", "5");
  EXPECT_EQ(w.only()->recipe()->corners.kind, CornerKind::Bevel);
  EXPECT_NEAR(w.only()->recipe()->corners.size, w.mm(5, 0).x, 1e-9);
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(159, 79)), QColor(Qt::white));
  EXPECT_EQ(w.seen(w.mm(61, 41)), QColor(Qt::white)) << "all of them";
}

TEST(NodesWindow, TreatedCornersOfAPlainOutlineAreBaked) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  w.pressShown("corner bevel");
  ASSERT_TRUE(treatedOf(*w.only()));
  w.key(Qt::Key_B);
  EXPECT_FALSE(treatedOf(*w.only()));
  EXPECT_EQ(w.paths()[0].nodes.size(), 8U);
}

TEST(NodesWindow, UndoOfAnySequenceRestoresEveryBit) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(160, 120));
  const Project before = w.desk().settled();
  std::mt19937 random(4);
  const auto below = [&](unsigned n) { return random() % n; };
  for (int i = 0; i < 40; ++i) {
    const std::size_t n = w.paths()[0].nodes.size();
    if (!w.only() || n < 3) break;
    const Point node = w.nodeAt(below(static_cast<unsigned>(n))), way = w.mm(below(20) - 10.0, below(20) - 10.0);
    switch (below(6)) {
      case 0:
        w.drag(node, node + way);
        break;
      case 1:
        w.drag(w.edgeAt(below(static_cast<unsigned>(w.paths()[0].edges()))), node + way);
        break;
      case 2:
        w.click(w.edgeAt(below(static_cast<unsigned>(w.paths()[0].edges())), 0.3));
        break;
      case 3:
        w.doubleClick(node);
        break;
      case 4:
        w.key(Qt::Key_M, Qt::ControlModifier);
        break;
      default:
        w.key(Qt::Key_Tab);
        w.key(n > 5 ? Qt::Key_Delete : Qt::Key_Up);
    }
  }
  while (w.desk().history().canUndo() && !isSame(w.desk().settled(), before)) w.desk().undo();
  EXPECT_TRUE(isSame(w.desk().settled(), before));
}

TEST(NodesWindow, WhatACutLeavesNothingOfHasNoNodes) {
  NodeHands w;
  w.boxOfNodes(w.mm(60, 40), w.mm(90, 60));
  w.key(Qt::Key_5);
  w.drag(w.mm(120, 40), w.mm(150, 70), Qt::ControlModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  w.window.findChild<QAction*>("bake")->trigger();
  w.settle();
  ASSERT_TRUE(resolved(*w.only())->outline.isEmpty());
  // Beside it one whose nodes are many: the pictures of what they could become come a little later.
  w.key(Qt::Key_6);
  w.drag(w.mm(60, 80), w.mm(120, 140), Qt::ControlModifier);
  for (int i = 0; i < 3; ++i) {
    w.key(Qt::Key_D, Qt::ControlModifier);
  }
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_2);
  ASSERT_TRUE(w.until([&] { return w.window.findChild<QWidget*>("do Refit") != nullptr; }));
  w.press("do Refit");
  EXPECT_EQ(w.sheet().items.size(), 5U);
}

}  // namespace
}  // namespace widecut
