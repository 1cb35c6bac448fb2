// Jobs in which shapes are drawn and reshaped by nodes, from start to finish in the real window.
#include <gtest/gtest.h>

#include "job_photos.h"
#include "node_hands.h"
#include "project/forms/group.h"
#include "project/forms/words.h"

namespace widecut {
namespace {

TEST(NodeJobs, J1ASoftenedFrameWithAPhotoAndATiltedOutlineOverIt) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_4);
  w.drag(w.mm(80, 50), w.mm(200, 140));
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.doubleClick(w.nodeAt(0));
  w.doubleClick(w.nodeAt(1));
  w.click(w.edgeAt(2));  // one more node
  w.drag(w.edgeAt(3), w.edgeAt(3) + w.mm(0, 12));
  w.key(Qt::Key_Return);
  w.drop(redPhoto(folder), w.mm(140, 90));
  w.press("lineColour");
  w.press("tone #ffffff");
  w.window.findChild<QWidget*>("colourPopover")->close();
  w.settle();
  w.type("outline width", "6");
  w.key(Qt::Key_D, Qt::ControlModifier);
  w.press("fillColour");
  w.press("noPaint");
  if (auto* popover = w.window.findChild<QWidget*>("colourPopover")) popover->close();
  w.settle();
  w.type("turn", "4");
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_G);
  w.report("J1 shape and copy");
  EXPECT_LE(w.actions, 23);

  ASSERT_EQ(w.sheet().items.size(), 1U);
  const ItemList& members = childrenOf(*w.sheet().items[0]);
  ASSERT_EQ(members.size(), 2U);
  EXPECT_EQ(nodesOf(*members[0])->front().nodes.size(), 5U);
  EXPECT_TRUE(showsPicture(*members[0]));
  EXPECT_FALSE(showsPicture(*members[1]));
  EXPECT_NEAR(degrees(members[1]->turn), 4, 1e-9);
}

TEST(NodeJobs, J2ATriangleWithMovedNodesUnderDiscs) {
  NodeHands w;
  const QTemporaryDir folder;
  layDiscsAndTriangle(w);
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.drag(w.nodeAt(0), w.nodeAt(0) + w.mm(20, 15));
  w.key(Qt::Key_Return);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.drop(redPhoto(folder), w.mm(85, 80));
  w.report("J2 with moved nodes");
  EXPECT_LE(w.actions, 15);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  ASSERT_TRUE(showsPicture(*w.sheet().items[0]));
  w.desk().select({});
  for (const double x : {40.0, 85.0, 130.0}) EXPECT_TRUE(isRed(w.seen(w.mm(x, 78)))) << x;
}

TEST(NodeJobs, J13APhotoInAJaggedOutlineDrawnByHand) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_3);
  w.pressShown("penFreehand");
  std::vector<Point> jagged;
  for (int i = 0; i <= 22; ++i) {
    const double angle = i * pi / 11, radius = i % 2 == 0 ? 52 : 36;
    const Point next = w.mm(140 + radius * std::cos(angle), 100 + radius * std::sin(angle));
    if (!jagged.empty())
      for (int k = 1; k < 6; ++k) jagged.push_back(mix(jagged[static_cast<std::size_t>(i - 1) * 6], next, k / 6.0));
    jagged.push_back(next);
  }
  w.stroke(jagged);
  w.drop(redPhoto(folder), w.mm(140, 100));
  const QString out = folder.filePath("jagged.png");
  w.deliverTo(out);
  w.report("J13 jagged outline");
  EXPECT_LE(w.actions, 7);
  const NodePath path = w.paths()[0];
  EXPECT_TRUE(path.closed);
  std::size_t corners = 0;
  for (std::size_t i = 0; i < path.nodes.size(); ++i) corners += kindOf(path, i) == NodeKind::Corner;
  EXPECT_GE(corners, 20U) << "jagged it stays";
  const QImage picture(out);
  EXPECT_EQ(picture.pixelColor(3, 3).alpha(), 0);
  EXPECT_TRUE(isRed(picture.pixelColor(picture.width() / 2, picture.height() / 2)));
}

TEST(NodeJobs, J13APhotoInASoftBlobByPen) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_3);
  w.pressShown("penThrough");
  for (const Point p : {w.mm(80, 90), w.mm(120, 50), w.mm(180, 70), w.mm(170, 130), w.mm(110, 140)}) w.click(p);
  w.click(w.mm(80, 90));
  w.drop(redPhoto(folder), w.mm(130, 95));
  const QString out = folder.filePath("blob.png");
  w.deliverTo(out);
  w.report("J13 blob by pen");
  EXPECT_LE(w.actions, 12);
  const QImage picture(out);
  EXPECT_EQ(picture.pixelColor(1, 1).alpha(), 0);
  EXPECT_TRUE(isRed(picture.pixelColor(picture.width() / 2, picture.height() / 2)));
  for (std::size_t i = 0; i < 5; ++i) EXPECT_NE(w.kind(i), NodeKind::Corner);
}

TEST(NodeJobs, J16ABlobIsReshapedUnderItsPhoto) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_F, Qt::ControlModifier);
  w.typeShown("findShape", "blob");
  w.actions -= 1;
  w.drag(w.mm(60, 50), w.mm(150, 140));
  w.drop(redPhoto(folder), w.mm(105, 95));
  const Framing before = pictureOf(*w.only()->style)->framing;
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  w.drag(w.nodeAt(0), w.nodeAt(0) + w.mm(8, 6));
  w.drag(w.edgeAt(2), w.edgeAt(2) + w.mm(-6, 4));
  w.report("J16 a reshaped blob");
  EXPECT_LE(w.actions, 8);
  EXPECT_NEAR(pictureOf(*w.only()->style)->framing.pointsPerPixel, before.pointsPerPixel, before.pointsPerPixel * 0.2);
  EXPECT_TRUE(isRed(w.seen(w.mm(105, 95))));
  EXPECT_NE(w.kind(0), NodeKind::Corner) << "as smooth as it was";
}

TEST(NodeJobs, J20APanelCarvedAndOneOfItsCornersRounded) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(200, 140));
  const Id panel = w.only()->id;
  w.key(Qt::Key_F, Qt::ControlModifier);
  w.typeShown("findShape", "slant");
  w.actions -= 1;
  w.dragHolding(Qt::Key_S, w.mm(150, 100), w.mm(220, 160));
  w.key(Qt::Key_2);
  // The arc in the panel's corner, that one alone.
  const double inset = 17 / w.mat().zoom() * std::sqrt(0.5);
  const Point arc = w.mm(60, 40) + Point{inset, inset};
  w.drag(arc, arc + w.mm(5, 5), Qt::AltModifier);
  w.report("J20 panel");
  EXPECT_LE(w.actions, 7);
  const Treated* treated = treatedOf(*findItem(w.desk().project(), panel));
  ASSERT_TRUE(treated);
  EXPECT_EQ(treated->content().own.size(), 1U);
  w.desk().setTool(ToolKind::Select);
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(61, 41)), QColor(Qt::white)) << "round";
  EXPECT_NE(w.seen(w.mm(199, 41)), QColor(Qt::white)) << "sharp";
  EXPECT_EQ(w.seen(w.mm(180, 130)), QColor(Qt::white)) << "carved";
}

TEST(NodeJobs, J21APhotoFrameWithOneCornerTreatedDifferently) {
  NodeHands w;
  const QTemporaryDir folder;
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 40), w.mm(160, 120));
  w.drop(redPhoto(folder), w.mm(110, 80));
  w.key(Qt::Key_2);
  w.pressShown("corner round");
  w.typeShown("size of the corner", "6");
  w.click(w.nodeAt(1));
  w.pressShown("corner notch");
  w.typeShown("size of the corner", "10");
  w.report("J21 frame");
  EXPECT_LE(w.actions, 11);
  ASSERT_TRUE(starterOf(*w.only())) << "a box with its numbers, still";
  w.desk().setTool(ToolKind::Select);
  w.desk().select({});
  EXPECT_TRUE(isRed(w.seen(w.mm(110, 80))));
  EXPECT_EQ(w.seen(w.mm(61, 41)), QColor(Qt::white)) << "round";
  EXPECT_EQ(w.seen(w.mm(154, 46)), QColor(Qt::white)) << "the notch is a square bite";
  EXPECT_TRUE(isRed(w.seen(w.mm(68, 48))));
}

TEST(NodeJobs, J24ALetterWithAHeavierBowlAndMatchedRoundEnds) {
  NodeHands w;
  w.key(Qt::Key_8);
  w.click(w.mm(100, 150));
  w.typeOnMat("S");
  w.key(Qt::Key_Escape);
  w.type("height", "100");
  w.key(Qt::Key_B);
  ASSERT_TRUE(isPlainShape(*w.only()));
  const Box box = boxInParent(*w.only());
  w.key(Qt::Key_2);
  // The lower bowl's right side, moved out as one.
  const Point middle{box.low.x + box.width() * 0.55, box.low.y + box.height() * 0.4};
  w.drag(box.high + w.mm(6, 6), middle);
  ASSERT_GE(countOf(w.desk().chosenNodes()), 2U);
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  w.key(Qt::Key_Escape);
  w.pressShown("corner round");
  w.typeShown("size of the corner", "4");
  w.report("J24 letter");
  EXPECT_LE(w.actions, 16);
  EXPECT_GT(boxInParent(*w.only()).width(), box.width() + w.mm(5, 0).x);
  const Treated* letter = treatedOf(*w.only());
  ASSERT_TRUE(letter);
  ASSERT_GE(letter->corners().size(), 4U) << "its ends";
  for (const CornerPlace& corner : letter->corners())
    EXPECT_NEAR(corner.wanted.size, w.mm(4, 0).x, 1e-9) << "alike at every end";
}

TEST(NodeJobs, J26ACubeFaceOfACopiedSquare) {
  NodeHands w;
  w.key(Qt::Key_4);
  w.drag(w.mm(80, 70), w.mm(140, 130), Qt::ShiftModifier);
  w.drag(w.mm(110, 100), w.mm(170, 100), Qt::AltModifier | Qt::ShiftModifier);
  w.key(Qt::Key_2);
  w.key(Qt::Key_Return);
  // Its right side, both corners as one, back and up.
  w.drag(w.mm(190, 60), w.mm(210, 140));
  ASSERT_EQ(countOf(w.desk().chosenNodes()), 2U);
  w.drag(w.nodeAt(1), w.nodeAt(1) + w.mm(-30, -25));
  w.report("J26 cube face");
  EXPECT_LE(w.actions, 7);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_NEAR(w.nodeAt(1).x - w.nodeAt(0).x, w.mm(30, 0).x, 2);
  EXPECT_NEAR(w.nodeAt(2).y - w.nodeAt(1).y, w.mm(60, 0).x, 2) << "as high as before";
}

}  // namespace
}  // namespace widecut
