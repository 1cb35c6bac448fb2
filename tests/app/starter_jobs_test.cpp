// Jobs that begin with starters, done from start to finish in the real window.
#include <gtest/gtest.h>

#include <QImage>
#include <QSlider>

#include "app/bench/starter_strip.h"
#include "job_photos.h"
#include "project/edits/lines.h"
#include "project/edits/starters.h"
#include "project/edits/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The hands of somebody who works with starters.
struct StarterHands : WindowDriver {
  ItemPtr only() { return desk().onlyItem(); }
  const std::vector<double>& numbers() { return starterOf(*only())->content().numbers; }
  template <class T>
  T& shown(const QString& name) {
    for (auto* found : window.findChildren<T*>(name))
      if (found->isVisible()) return *found;
    qFatal("no %s shows", qPrintable(name));
  }
  /// Ctrl+F and a run of typing with Enter: two actions.
  void find(const char* text) {
    key(Qt::Key_F, Qt::ControlModifier);
    typeNext(text);
  }
  /// The run of typing alone, while the field has the keys.
  void typeNext(const char* text) {
    ++actions;
    QTest::keyClicks(&shown<QLineEdit>("findShape"), text);
    QTest::keyClick(&shown<QLineEdit>("findShape"), Qt::Key_Return);
    settle();
  }
  /// A drag of a card onto the sheet.
  void dragCard(const char* name, Point to) {
    ++actions;
    auto& row = shown<StarterRow>("starters");
    QPoint at;
    for (int i = 0; i < row.model()->rowCount(); ++i)
      if (const QModelIndex index = row.model()->index(i, 0); index.data().toString() == name) {
        row.scrollTo(index);
        at = row.visualRect(index).center();
        break;
      }
    QWidget& from = *row.viewport();
    QTest::mousePress(&from, Qt::LeftButton, {}, at);
    const QPoint end = from.mapFromGlobal(mat().mapToGlobal(onMat(to)));
    for (const QPoint p : {at + QPoint(0, -30), end}) {
      QMouseEvent move(QEvent::MouseMove, QPointF(p), from.mapToGlobal(QPointF(p)), Qt::NoButton, Qt::LeftButton, {});
      QApplication::sendEvent(&from, &move);
    }
    QTest::mouseRelease(&from, Qt::LeftButton, {}, end);
    settle();
  }
  /// A drag of a slider to a share of its way.
  void slide(const char* name, double share) {
    ++actions;
    auto& slider = shown<QSlider>(QString("slider ") + name);
    const double y = slider.height() / 2.0;
    const double from = 6 + (slider.width() - 12) * static_cast<double>(slider.value()) / slider.maximum();
    const QPointF to(6 + (slider.width() - 12) * share, y);
    QTest::mousePress(&slider, Qt::LeftButton, {}, QPointF(from, y).toPoint());
    QMouseEvent move(QEvent::MouseMove, to, slider.mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(&slider, &move);
    QTest::mouseRelease(&slider, Qt::LeftButton, {}, to.toPoint());
    settle();
  }
  Point handle(std::size_t index) {
    const Starter& s = *starterOf(*only());
    const Point at = s.kind().handles[index].at(s.outline(), s.content().numbers);
    return frameToSheet(desk().project(), only()->id)(at);
  }
  /// A click onto the button of the page that shows.
  void pressShown(const char* name) {
    ++actions;
    QTest::mouseClick(&shown<QWidget>(name), Qt::LeftButton);
    settle();
  }
};

TEST(StarterJobs, J25TheCatalogueWithLiveNumbers) {
  StarterHands w;
  w.dragCard("star", w.mm(120, 90));
  w.wheel(w.handle(0), 1);
  w.wheel(w.handle(0), 1);
  w.actions -= 1;  // one turn of the wheel
  const Point valley = w.handle(0), middle = boxInParent(*w.only()).centre();
  w.drag(valley, mix(valley, middle, 0.4) + w.mm(2, 2));
  w.slide("soft tips", 0.5);
  w.slide("soft valleys", 0.8);
  w.report("J25");
  EXPECT_LE(w.actions, 5);

  EXPECT_EQ(w.numbers()[0], 7);
  EXPECT_GT(w.numbers()[1], 0.6) << "deeper";
  EXPECT_NE(w.numbers()[2], 0) << "and turned";
  EXPECT_NEAR(w.numbers()[3], 0.5, 0.1);
  EXPECT_NEAR(w.numbers()[4], 0.8, 0.1);
  EXPECT_EQ(counts(resolved(*w.only())->outline).curves, 14);
}

TEST(StarterJobs, J18FramesByNumber) {
  StarterHands w;
  w.find("box 50 x 75");
  w.typeNext("polygon 20");
  w.typeNext("polygon 3");
  w.typeNext("star 5 depth 25");
  w.key(Qt::Key_5);
  w.drag(w.mm(60, 60), w.mm(80, 60), Qt::ShiftModifier | Qt::AltModifier);
  w.key(Qt::Key_7);
  w.drag(w.mm(200, 150), w.mm(240, 111), Qt::ShiftModifier);
  w.type("turn", "30");
  const double turned = degrees(w.only()->turn);
  w.press("turnBack");
  w.report("J18");
  EXPECT_LE(w.actions, 12);

  const auto& items = w.sheet().items;
  ASSERT_EQ(items.size(), 6U);
  EXPECT_NEAR(boxInParent(*items[0]).width(), 50 * pointsPerMillimetre, 1e-9);
  EXPECT_NEAR(boxInParent(*items[0]).height(), 75 * pointsPerMillimetre, 1e-9);
  EXPECT_EQ(counts(resolved(*items[1])->outline).nodes, 20);
  EXPECT_EQ(counts(resolved(*items[2])->outline).nodes, 3);
  EXPECT_NEAR(starterOf(*items[3])->content().numbers[1], 0.25, 1e-12);
  const Box disc = boxInParent(*items[4]);
  EXPECT_NEAR(disc.width(), disc.height(), 1e-9);
  EXPECT_LT(distance(disc.centre(), w.mm(60, 60)), 1) << "from its middle";
  const auto line = *endsOf(*items[5]);
  EXPECT_NEAR(turned, 30, 1e-9);
  EXPECT_NEAR(line.second.x - line.first.x, line.first.y - line.second.y, 1e-6) << "at 45° again";
}

TEST(StarterJobs, J19ABoltStampedOutOfADiscAndBitesOutOfASquare) {
  StarterHands w;
  w.key(Qt::Key_5);
  w.drag(w.mm(40, 50), w.mm(110, 120));
  w.find("bolt");
  w.dragHolding(Qt::Key_S, w.mm(55, 58), w.mm(95, 112));
  const Id badge = w.only()->id;
  const Id bolt = w.only()->recipe()->parts[1]->id;
  w.click(w.mm(76, 66));  // the bolt's ghost
  ASSERT_EQ(w.only()->id, bolt);
  w.key(Qt::Key_M);
  w.key(Qt::Key_Escape);
  const int stamped = w.actions;
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  w.drag(w.mm(160, 50), w.mm(240, 130), Qt::ShiftModifier);
  w.find("cloud");
  w.dragHolding(Qt::Key_S, w.mm(180, 38), w.mm(215, 62));
  const Id square = w.only()->id;
  // Copies of the cloud within the recipe, each turned.
  w.click(w.mm(198, 55));
  w.drag(w.mm(198, 55), w.mm(239, 95), Qt::AltModifier);
  w.type("turn", "90");
  w.drag(w.mm(239, 95), w.mm(198, 128), Qt::AltModifier);
  w.type("turn", "180");
  w.report("J19");
  EXPECT_LE(stamped, 9);
  EXPECT_LE(w.actions, 41 / 2 + 2);

  const ItemPtr disc = findItem(w.desk().settled(), badge), bitten = findItem(w.desk().settled(), square);
  ASSERT_TRUE(disc->recipe() && bitten->recipe());
  EXPECT_EQ(disc->recipe()->parts.size(), 2U);
  EXPECT_LT(starterOf(*disc->recipe()->parts[1])->content().stretch.determinant(), 0) << "flipped, with its numbers";
  ASSERT_EQ(bitten->recipe()->parts.size(), 4U);
  EXPECT_NEAR(degrees(bitten->recipe()->parts[3]->turn), 180, 1e-6);
  w.desk().select({});  // its marks colour what lies below
  for (const Point bite : {w.mm(198, 56), w.mm(236, 95), w.mm(198, 126)})
    EXPECT_EQ(w.seen(bite), QColor(Qt::white)) << bite.x / pointsPerMillimetre;
  EXPECT_NE(w.seen(w.mm(190, 90)), QColor(Qt::white));
}

TEST(StarterJobs, J21AWavePanelAndABurstThatIsReopened) {
  StarterHands w;
  w.find("wave panel");
  w.drag(w.mm(40, 40), w.mm(160, 110));
  w.type("crests", "6");
  w.type("shift", "25");
  w.type("depth", "45");
  w.pressShown("number top");
  w.find("burst");
  w.drag(w.mm(170, 40), w.mm(230, 95));
  w.key(Qt::Key_8);
  w.click(w.mm(186, 70));
  w.typeOnMat("19.50");
  w.key(Qt::Key_Escape);
  const int made = w.actions;
  // Yesterday's burst needs fewer spikes today, and later on less depth.
  w.click(w.mm(180, 76));
  w.slide("spikes", 0.2);
  const int once = w.actions - made;
  w.click(w.mm(250, 180));
  const int before = w.actions;
  w.click(w.mm(180, 76));
  w.slide("depth", 0.15);
  const int twice = w.actions - before;
  w.report("J21 without the frame");
  std::printf("actions J21 later change: %d\n", once);
  EXPECT_LE(once, 3);
  EXPECT_LE(twice, 3);
  EXPECT_LE(w.actions, 38);

  const auto& items = w.sheet().items;
  ASSERT_EQ(items.size(), 3U);
  const auto& panel = starterOf(*items[0])->content().numbers;
  EXPECT_EQ(panel[0], 6);
  EXPECT_NEAR(panel[1], 0.45, 1e-12);
  EXPECT_NEAR(panel[2], 0.25, 1e-12);
  EXPECT_EQ(panel[3], 1) << "the top is wavy too";
  const auto& burst = starterOf(*items[1])->content().numbers;
  EXPECT_LT(burst[0], 18);
  EXPECT_LT(burst[1], 0.28);
  EXPECT_EQ(wordsOf(*items[2])->content().text, "19.50");
}

TEST(StarterJobs, J13APhotoInAHeart) {
  StarterHands w;
  const QTemporaryDir folder;
  w.find("heart");
  w.drag(w.mm(80, 50), w.mm(160, 130), Qt::ShiftModifier);
  w.drop(redPhoto(folder), w.mm(120, 90));
  const QString out = folder.filePath("heart.png");
  w.deliverTo(out);
  w.report("J13 heart");
  EXPECT_LE(w.actions, 7);
  const QImage picture(out);
  ASSERT_FALSE(picture.isNull());
  EXPECT_EQ(picture.pixelColor(2, picture.height() - 3).alpha(), 0);
  EXPECT_EQ(picture.pixelColor(picture.width() / 2, 2).alpha(), 0) << "the cleft";
  EXPECT_TRUE(isRed(picture.pixelColor(picture.width() / 2, picture.height() / 2)));
}

TEST(StarterJobs, J16BlobsThatHoldPhotos) {
  StarterHands w;
  const QTemporaryDir folder;
  w.find("blob");
  w.drag(w.mm(40, 50), w.mm(110, 120));
  w.press("another throw");
  w.drop(redPhoto(folder), w.mm(75, 85));
  w.drag(w.mm(75, 85), w.mm(185, 95), Qt::AltModifier);
  w.press("deal");
  w.press("variant3");
  w.report("J16 blobs");

  ASSERT_EQ(w.sheet().items.size(), 2U);
  const auto& first = starterOf(*w.sheet().items[0])->content().numbers;
  const auto& second = starterOf(*w.sheet().items[1])->content().numbers;
  EXPECT_NE(first, second) << "the second one is another throw";
  for (const Point middle : {w.mm(75, 85), w.mm(185, 95)}) EXPECT_TRUE(isRed(w.seen(middle)));
  EXPECT_EQ(w.seen(w.mm(130, 60)), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
