// Videos in their frames, by mouse and keys in the real window.
#include <gtest/gtest.h>

#include <QCheckBox>
#include <QFile>
#include <QLabel>
#include <QPushButton>

#include "app/desk/playback.h"
#include "app/widgets/film_strip.h"
#include "job_photos.h"
#include "node_hands.h"
#include "project/edits/videos.h"
#include "project/resolve.h"
#include "test_videos.h"

namespace widecut {
namespace {

struct VideoJobs : testing::Test {
  NodeHands w;
  QTemporaryDir folder;

  /// Two seconds; the grey of the upper half tells the frame, the lower half is red and blue.
  QString video(const TestVideo& how = {}) {
    const QString path = folder.filePath("numbers.webm");
    QFile file(path);
    EXPECT_TRUE(file.open(QIODevice::WriteOnly));
    const std::string bytes = encodedVideo(how);
    file.write(bytes.data(), static_cast<qint64>(bytes.size()));
    return path;
  }
  void framed() {
    w.key(Qt::Key_4);
    w.drag(w.mm(60, 50), w.mm(140, 110));
    w.key(Qt::Key_1);
    w.drop(video(), w.mm(100, 70));
  }
  Playing playing() {
    const auto shown = shownPhoto(*w.only());
    return shown->playing ? *shown->playing : Playing{};
  }
  FilmStrip& strip() { return *w.window.findChild<FilmStrip*>("filmStrip"); }
  QPoint onStrip(double seconds) { return {static_cast<int>(strip().xAt(seconds)), strip().height() / 2}; }
  /// The number of the frame that the person sees in the upper half of the box.
  int frameSeen() {
    const QColor grey = w.seen(w.mm(100, 60));
    QImage pixel(1, 1, QImage::Format_RGB32);
    pixel.fill(grey);
    return numberOf(pixel);
  }
  void tick(const char* name) {
    ++w.actions;
    auto& box = w.shown<QCheckBox>(name);
    QTest::mouseClick(&box, Qt::LeftButton, {}, QPoint(8, box.height() / 2));
    w.settle();
  }
};

TEST_F(VideoJobs, J11AVideoBehindARoundWindowThatStartsByItselfAndRepeats) {
  // A panel over the whole sheet with a round window.
  w.actions = 0;
  w.key(Qt::Key_4);
  w.drag(w.mm(0, 0), w.mm(297, 210));
  w.key(Qt::Key_5);
  w.drag(w.mm(148, 105), w.mm(198, 155), Qt::AltModifier | Qt::ShiftModifier);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  // The video behind it, as it comes larger than the window.
  w.key(Qt::Key_Escape);
  w.drop(video(), w.mm(148, 105));
  w.press("videoLoops");
  w.press("videoStarts");
  w.key(Qt::Key_BracketLeft, Qt::ControlModifier);
  // Reframed in its frame.
  w.key(Qt::Key_R);
  w.wheel(w.mm(148, 105), 3);
  w.drag(w.mm(148, 120), w.mm(168, 120));
  w.key(Qt::Key_Escape);
  // A ring picture on the rim, turned grey with more contrast.
  w.key(Qt::Key_Escape);
  w.drop(redPhoto(folder), w.mm(250, 40));
  w.key(Qt::Key_R, Qt::ShiftModifier);
  w.typeShown("grey", "100");
  w.typeShown("contrast", "40");
  w.report("J11");
  EXPECT_LE(w.actions, 27);
  ASSERT_EQ(w.sheet().items.size(), 3U);
  const ItemPtr behind = w.sheet().items[0], panel = w.sheet().items[1];
  ASSERT_TRUE(shownVideo(*behind));
  EXPECT_TRUE(shownPhoto(*behind)->playing->loops);
  EXPECT_TRUE(shownPhoto(*behind)->playing->startsItself);
  EXPECT_TRUE(panel->recipe());
  // Through the window the video, beside it the panel.
  EXPECT_TRUE(isRed(w.seen(w.mm(125, 120)))) << w.seen(w.mm(125, 120)).name().toStdString();
  EXPECT_FALSE(isRed(w.seen(w.mm(40, 120))));
}

TEST_F(VideoJobs, AVideoFillsAnyOutlineAndItsBenchComesByItself) {
  framed();
  ASSERT_TRUE(shownVideo(*w.only()));
  EXPECT_EQ(w.desk().history().undoName(), "Bring in a video");
  EXPECT_TRUE(strip().isVisible());
  EXPECT_EQ(frameSeen(), 0);
  EXPECT_TRUE(isRed(w.seen(w.mm(80, 100))));
  EXPECT_TRUE(isBlue(w.seen(w.mm(120, 100))));
  EXPECT_FALSE(w.shown<QCheckBox>("videoSound").isEnabled()) << "it has none";
  w.press("videoDone");
  EXPECT_FALSE(strip().isVisible());
  w.key(Qt::Key_V, Qt::ShiftModifier);
  EXPECT_TRUE(strip().isVisible());
}

TEST_F(VideoJobs, TheStripLooksThroughItByMouseAndKeys) {
  framed();
  QTest::mousePress(&strip(), Qt::LeftButton, {}, onStrip(0.5));
  EXPECT_TRUE(w.until([&] { return frameSeen() == 12; })) << frameSeen();
  QMouseEvent move(QEvent::MouseMove, onStrip(1.3), strip().mapToGlobal(onStrip(1.3)), Qt::NoButton, Qt::LeftButton,
                   {});
  QApplication::sendEvent(&strip(), &move);
  QTest::mouseRelease(&strip(), Qt::LeftButton, {}, onStrip(1.3));
  EXPECT_TRUE(w.until([&] { return std::abs(frameSeen() - 32) <= 1; })) << frameSeen();
  const int there = frameSeen();
  strip().setFocus();
  QTest::keyClick(&strip(), Qt::Key_Right);
  EXPECT_TRUE(w.until([&] { return frameSeen() == there + 1; }));
  QTest::keyClick(&strip(), Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_TRUE(w.until([&] { return frameSeen() == there - 9; }));
  QTest::keyClick(&strip(), Qt::Key_Home);
  EXPECT_TRUE(w.until([&] { return frameSeen() == 0; }));
  EXPECT_EQ(w.desk().history().undoName(), "Bring in a video") << "looking is no change";
  QTest::keyClick(&strip(), Qt::Key_Escape);
  EXPECT_FALSE(w.desk().playback().isShowing());
  EXPECT_TRUE(w.mat().hasFocus()) << "and the keys are the mat's again";
}

TEST_F(VideoJobs, ItsPosterIsTheFrameThatIsChosen) {
  framed();
  QTest::mouseClick(&strip(), Qt::LeftButton, {}, onStrip(1.0));
  ASSERT_TRUE(w.until([&] { return std::abs(frameSeen() - 25) <= 1; }));
  const int there = frameSeen();
  w.press("posterHere");
  ASSERT_TRUE(w.until([&] { return w.desk().history().undoName() == "Poster of a video"; }));
  // Escape shows posters again, wherever the keys are.
  w.key(Qt::Key_Escape);
  EXPECT_FALSE(w.desk().playback().isShowing());
  EXPECT_EQ(frameSeen(), there);
  // And so does a delivered picture.
  const QString path = folder.filePath("sheet.png");
  w.key(Qt::Key_Escape);
  w.deliverTo(path);
  const QImage delivered(path);
  ASSERT_FALSE(delivered.isNull());
  EXPECT_EQ(numberOf(delivered.copy(delivered.width() * 100 / 297 - 2, delivered.height() * 55 / 210, 4, 24)), there);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(frameSeen(), 0);
}

TEST_F(VideoJobs, ItPlaysOnTheMatWhileOthersAreDragged) {
  framed();
  tick("videoLoops");
  w.key(Qt::Key_5);
  w.drag(w.mm(200, 60), w.mm(240, 100));
  w.key(Qt::Key_1);
  w.key(Qt::Key_P, Qt::ShiftModifier);
  EXPECT_TRUE(w.desk().playback().isPlaying());
  // Frames go by while a disc is on its way.
  w.press(w.mm(220, 80));
  std::set<int> frames;
  const bool moves = w.until([&] {
    w.dragTo(w.mm(220 + static_cast<double>(frames.size()), 85));
    QTest::qWait(5);
    frames.insert(numberOf([&] {
      QImage pixel(1, 1, QImage::Format_RGB32);
      pixel.fill(w.mat().grab().toImage().pixelColor(w.onMat(w.mm(100, 60))));
      return pixel;
    }()));
    return frames.size() > 10;
  });
  w.release(w.mm(240, 85));
  EXPECT_TRUE(moves) << frames.size();
  w.key(Qt::Key_P, Qt::ShiftModifier);
  EXPECT_FALSE(w.desk().playback().isPlaying());
  EXPECT_TRUE(w.desk().playback().isShowing()) << "it halts where it is";
  w.key(Qt::Key_Escape);
  EXPECT_EQ(frameSeen(), 0);
  // Another sheet plays its own.
  w.desk().playback().toggleSheet();
  w.key(Qt::Key_A);
  w.desk().stepSheet(1);
  w.desk().playback().stop();
}

TEST_F(VideoJobs, ItsPartIsSetByGripsAndByNumbers) {
  framed();
  // The grips lie beside the part that plays.
  const QPoint from(onStrip(0) - QPoint(4, 0)), to(onStrip(2) + QPoint(4, 0));
  const auto drag = [&](QPoint a, QPoint b) {
    QTest::mousePress(&strip(), Qt::LeftButton, {}, a);
    QMouseEvent move(QEvent::MouseMove, b, strip().mapToGlobal(b), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(&strip(), &move);
    QTest::mouseRelease(&strip(), Qt::LeftButton, {}, b);
    w.settle();
  };
  drag(from, onStrip(0.5));
  EXPECT_NEAR(playing().from, 0.5, 0.05);
  drag(to, onStrip(1.5));
  ASSERT_TRUE(playing().to);
  EXPECT_NEAR(*playing().to, 1.5, 0.05);
  w.typeShown("start of the video", "0.25");
  EXPECT_NEAR(playing().from, 0.25, 1e-9);
  w.typeShown("end of the video", "9");
  EXPECT_FALSE(playing().to);
  w.typeShown("speed of the video", "200");
  EXPECT_NEAR(playing().speed, 2, 1e-9);
  w.press("playVideo");
  EXPECT_TRUE(w.until([&] { return !w.desk().playback().isPlaying(); })) << "it ends by itself";
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(playing().speed, 1, 1e-9);
  tick("videoStarts");
  EXPECT_TRUE(playing().startsItself);
}

TEST_F(VideoJobs, WhatPlaysGoesOnWhenItIsSetOtherwise) {
  framed();
  w.press("playVideo");
  tick("videoLoops");
  ASSERT_TRUE(w.until([&] { return w.desk().playback().isPlaying(w.only()->id); }));
  w.typeShown("speed of the video", "50");
  ASSERT_TRUE(w.until([&] { return w.desk().playback().isPlaying(w.only()->id); }));
  w.key(Qt::Key_Delete);
  EXPECT_TRUE(w.until([&] { return !w.desk().playback().isShowing(); })) << "what is gone does not play";
}

TEST_F(VideoJobs, AFileThatIsNoVideoIsRefusedByItsName) {
  const QString path = folder.filePath("broken.webm");
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write("\x1A\x45\xDF\xA3 and then nothing of use");
  file.close();
  QString said;
  w.inDialog([&] { w.drop(path, w.mm(100, 100)); },
             [&](QWidget& dialog) {
               for (const auto* label : dialog.findChildren<QLabel*>()) said += label->text();
               dialog.close();
             });
  EXPECT_TRUE(said.contains("broken.webm")) << said.toStdString();
  EXPECT_TRUE(w.sheet().items.empty());
}

}  // namespace
}  // namespace widecut
