// Reframing in the window: tool 9, key R and the bench.
#include <gtest/gtest.h>

#include <QPushButton>
#include <QSlider>

#include "media/files.h"
#include "project/framing.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "test_photos.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct ReframeTest : testing::Test {
  WindowDriver w;
  QTemporaryDir folder;
  Id item = 0;

  void SetUp() override {
    w.key(Qt::Key_4);
    w.drag(w.mm(100, 60), w.mm(200, 140));
    item = w.desk().selection().front();
    const QString path = folder.filePath("tones.png");
    ASSERT_TRUE(writeFile(path.toStdString(), encoded(tones(800, 400), "PNG")));
    w.drop(path, w.mm(150, 100));
  }
  Framing framing() { return pictureOf(*findItem(w.desk().project(), item)->style)->framing; }
  double covering() { return coveringScale(resolved(*findItem(w.desk().project(), item))->box, 800, 400, 0); }
};

TEST_F(ReframeTest, APlacedPhotoJustCoversItsFrame) {
  EXPECT_NEAR(framing().pointsPerPixel, covering(), 1e-9);
  EXPECT_NEAR(length(framing().centre), 0, 1e-9);
}

TEST_F(ReframeTest, DraggingSlidesThePhotoAndStopsAtItsEdge) {
  w.key(Qt::Key_R);
  EXPECT_EQ(w.desk().tool(), ToolKind::Reframe);
  w.drag(w.mm(150, 100), w.mm(160, 100));
  EXPECT_NEAR(framing().centre.x, w.mm(10, 0).x, 2);
  EXPECT_EQ(w.desk().history().undoName(), "Reframe");
  w.drag(w.mm(150, 100), w.mm(290, 100));
  // The picture is 160 mm wide behind a frame of 100 mm: 30 mm is as far as it goes.
  EXPECT_NEAR(framing().centre.x, w.mm(30, 0).x, 2);
  EXPECT_NEAR(framing().centre.y, 0, 1e-6);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(framing().centre.x, w.mm(10, 0).x, 2);
}

TEST_F(ReframeTest, TheWheelScalesAndARunOfItIsOneStep) {
  w.key(Qt::Key_9);
  for (int i = 0; i < 3; ++i) w.wheel(w.mm(150, 100), 1);
  EXPECT_NEAR(framing().pointsPerPixel, covering() * 1.06 * 1.06 * 1.06, 1e-6);
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(framing().pointsPerPixel, covering(), 1e-9);
  EXPECT_EQ(w.desk().history().undoName(), "Bring in a photo");
}

TEST_F(ReframeTest, TheWheelNeverUncoversTheFrame) {
  w.key(Qt::Key_R);
  w.wheel(w.mm(120, 80), -9);
  EXPECT_NEAR(framing().pointsPerPixel, covering(), 1e-9);
}

TEST_F(ReframeTest, ACornerScalesAboutTheOppositeOne) {
  w.key(Qt::Key_R);
  // The picture spans 160 × 80 mm about the frame's middle (150, 100).
  w.drag(w.mm(230, 140), w.mm(270, 160));
  EXPECT_NEAR(framing().pointsPerPixel / covering(), 1.25, 0.03);
  const Affine toSheet = frameToSheet(w.desk().project(), item) * pixelsToFrame(framing(), 800, 400);
  EXPECT_NEAR(toSheet(Point{0, 0}).x, w.mm(70, 0).x, 2);
}

TEST_F(ReframeTest, EscapeInADragPutsThePhotoBackAndStaysInTheTool) {
  w.key(Qt::Key_R);
  w.press(w.mm(150, 100));
  w.dragTo(w.mm(170, 100));
  EXPECT_GT(framing().centre.x, 10);
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  EXPECT_NEAR(framing().centre.x, 0, 1e-9);
  EXPECT_EQ(w.desk().tool(), ToolKind::Reframe);
  w.release(w.mm(170, 100));
  EXPECT_EQ(w.desk().history().undoName(), "Bring in a photo");
}

TEST_F(ReframeTest, AClickOutsideEnds) {
  w.key(Qt::Key_R);
  w.click(w.mm(20, 190));
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_EQ(w.desk().history().undoName(), "Bring in a photo");
}

TEST_F(ReframeTest, ArrowsShift) {
  w.key(Qt::Key_R);
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(framing().centre.x, w.mm(10, 0).x, 1e-6);
}

TEST_F(ReframeTest, TheWholePhotoShowsDimmedRoundTheFrame) {
  const QColor before = w.seen(w.mm(85, 120));
  EXPECT_EQ(before, QColor(Qt::white));
  w.key(Qt::Key_R);
  const QColor dimmed = w.seen(w.mm(85, 120)), inFrame = w.seen(w.mm(120, 120));
  EXPECT_GT(dimmed.red(), dimmed.blue() + 30) << "the red half, dimmed";
  EXPECT_LT(dimmed.red(), inFrame.red() - 40);
}

TEST_F(ReframeTest, TheBenchScalesByFieldAndBack) {
  w.key(Qt::Key_R);
  w.type("photo scale", "200");
  EXPECT_NEAR(framing().pointsPerPixel, 2 * covering(), 1e-9);
  w.press("justCover");
  EXPECT_NEAR(framing().pointsPerPixel, covering(), 1e-9);
  w.type("photo scale", "10");
  EXPECT_NEAR(framing().pointsPerPixel, covering(), 1e-9) << "less than 100 % would leave a gap";
}

TEST_F(ReframeTest, StretchingTheFrameKeepsTheMiddleAndTheProportions) {
  w.key(Qt::Key_R);
  w.drag(w.mm(150, 100), w.mm(160, 100));
  w.key(Qt::Key_Escape);
  const Point before = framing().centre;
  w.drag(w.mm(200, 100), w.mm(240, 100));
  EXPECT_EQ(w.desk().history().undoName(), "Resize");
  const auto shown = shownPhoto(*findItem(w.desk().project(), item));
  EXPECT_NEAR(length(shown->pixelsToFrame.vector({1, 0})), length(shown->pixelsToFrame.vector({0, 1})), 1e-9);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(framing().centre, before);
}

TEST_F(ReframeTest, ToolNineTakesUpAClickedPhoto) {
  w.desk().select({});
  w.key(Qt::Key_9);
  w.click(w.mm(150, 100));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{item});
  EXPECT_EQ(w.desk().tool(), ToolKind::Reframe);
}

TEST_F(ReframeTest, APhotoIntersectedWithAShapeIsReframedByMovingThePart) {
  // A photo as an item, a disc on it, and I: the disc filled with the photo, in register.
  w.desk().select({});
  w.drop(folder.filePath("tones.png"), w.mm(60, 170));
  const Id photo = w.desk().selection().front();
  const QColor left = w.seen(w.mm(52, 170));
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 170), w.mm(75, 170), Qt::ShiftModifier | Qt::AltModifier);
  const Id disc = w.desk().selection().front();
  w.desk().select({photo, disc});
  w.key(Qt::Key_I);
  const Id cutout = w.desk().selection().front();
  EXPECT_EQ(w.seen(w.mm(52, 170)), left) << "in register";
  EXPECT_EQ(w.seen(w.mm(40, 170)), QColor(Qt::white));
  const double area = signedArea(resolved(*findItem(w.desk().project(), cutout))->outline);
  w.key(Qt::Key_R);
  w.drag(w.mm(60, 170), w.mm(90, 170));
  w.key(Qt::Key_Escape);
  EXPECT_NEAR(signedArea(resolved(*findItem(w.desk().project(), cutout))->outline), area, 1) << "the disc stays whole";
  EXPECT_GT(w.seen(w.mm(65, 170)).red(), 150) << "the red half came in from the left";
}

}  // namespace
}  // namespace widecut
