// The desk and the raster cache, without a window.
#include "app/desk/desk.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <QSignalSpy>

#include "painting/layer_cache.h"
#include "project/resolve.h"
#include "sample.h"

namespace widecut {
namespace {

struct DeskTest : testing::Test {
  Desk desk;
  Trial trial{desk};
  Sample sample;
  void SetUp() override { desk.commit("start", sample.project); }
};

TEST_F(DeskTest, TryingShowsWithoutMaking) {
  const QSignalSpy changed(&desk, &Desk::projectChanged);
  trial.show(withoutItems(desk.settled(), std::vector<Id>{sample.box}));
  EXPECT_EQ(findItem(desk.project(), sample.box), nullptr);
  EXPECT_NE(findItem(desk.settled(), sample.box), nullptr);
  trial.drop();
  EXPECT_NE(findItem(desk.project(), sample.box), nullptr);
  EXPECT_EQ(changed.count(), 2);
  trial.drop();
  EXPECT_EQ(changed.count(), 2) << "nothing to stop, nothing said";
}

TEST_F(DeskTest, SelectionDropsWhatUndoTakesAway) {
  desk.commit("Delete", withoutItems(desk.settled(), std::vector<Id>{sample.disc}));
  desk.undo();
  desk.select({sample.box, sample.disc});
  desk.redo();
  EXPECT_EQ(desk.selection(), std::vector<Id>{sample.box});
}

TEST_F(DeskTest, UndoTellsWhatItTookBack) {
  const QSignalSpy told(&desk, &Desk::told);
  desk.commit("Turn", withMapped(desk.settled(), std::vector<Id>{sample.box}, Affine::turn(1)));
  desk.undo();
  ASSERT_EQ(told.count(), 1);
  EXPECT_EQ(told[0][0].toString(), "Undone: Turn");
}

TEST_F(DeskTest, OutcomesNeedTwoItems) {
  const QSignalSpy told(&desk, &Desk::told);
  desk.select({sample.box});
  desk.makeOutcome(Outcome::Union);
  EXPECT_EQ(told.count(), 1);
  EXPECT_EQ(desk.history().undoName(), "start");
}

TEST_F(DeskTest, AnotherEditEndsTheFlickingThroughOutcomes) {
  desk.select({sample.box, sample.disc});
  desk.makeOutcome(Outcome::Union);
  EXPECT_EQ(desk.outcomeItems().size(), 2U);
  const Id made = desk.selection().front();
  desk.commit("Move", withMapped(desk.settled(), std::vector<Id>{made}, Affine::move({5, 5})));
  EXPECT_EQ(desk.outcomeItems().size(), 1U);
  desk.makeOutcome(Outcome::Intersect);
  EXPECT_EQ(desk.history().undoName(), "Move") << "nothing was replaced";
}

TEST_F(DeskTest, TheOpenCutoutIsTheSelectedOneOrThatOfTheSelectedPart) {
  desk.select({sample.box, sample.disc});
  desk.makeOutcome(Outcome::Union);
  const Id made = desk.selection().front();
  EXPECT_EQ(desk.openCutout()->id, made);
  desk.select({sample.disc});
  EXPECT_EQ(desk.openCutout()->id, made);
  desk.select({});
  EXPECT_EQ(desk.openCutout(), nullptr);
}

TEST_F(DeskTest, StartingNewForgetsHistoryAndSelection) {
  desk.select({sample.box});
  desk.startNew();
  EXPECT_TRUE(desk.isSaved());
  EXPECT_FALSE(desk.history().canUndo());
  EXPECT_TRUE(desk.selection().empty());
}

struct LayerCacheTest : testing::Test {
  PhotoStore store;
  LayerCache cache{store};
  Sample s;
  QImage screen{400, 300, QImage::Format_RGB32};

  int drawn(const Project& project, double scale = 2, QRect visible = {0, 0, 400, 300}) {
    const int before = cache.paintCount();
    screen.fill(Qt::white);
    QPainter painter(&screen);
    cache.drawExactly(painter, s.sheetOf(project), scale, visible);
    return cache.paintCount() - before;
  }
};

TEST_F(LayerCacheTest, PaintsEachItemOnce) {
  EXPECT_EQ(drawn(s.project), 2);
  EXPECT_EQ(drawn(s.project), 0);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(200, 40, 30));
}

TEST_F(LayerCacheTest, PaintsOnlyWhatMoved) {
  drawn(s.project);
  const Project moved = withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({30, 30}));
  EXPECT_EQ(drawn(moved), 0) << "by whole pixels: the raster lies elsewhere";
  EXPECT_EQ(screen.pixelColor(2 * 130, 2 * 80), QColor(20, 90, 160));
  EXPECT_EQ(drawn(withMapped(s.project, std::vector<Id>{s.disc}, Affine::move({0.2, 0}))), 1) << "by parts of one";
  EXPECT_EQ(drawn(s.project), 0) << "flicking back costs nothing";
}

TEST_F(LayerCacheTest, AnotherScalePaintsAnew) {
  drawn(s.project);
  EXPECT_EQ(drawn(s.project, 3), 2);
  EXPECT_EQ(screen.pixelColor(290, 10), QColor(200, 40, 30));
}

TEST_F(LayerCacheTest, SmallPansNeedNoPaintingAndLargeZoomsHoldOnlyWhatShows) {
  drawn(s.project, 40, {0, 0, 400, 300});
  EXPECT_EQ(drawn(s.project, 40, {100, 80, 400, 300}), 0);
  EXPECT_GE(drawn(s.project, 40, {1500, 1200, 400, 300}), 1);
  EXPECT_EQ(drawn(s.project, 1e5, {0, 0, 400, 300}), 1) << "the box is there at any zoom, the disc far off";
}

TEST_F(LayerCacheTest, HiddenItemsAreLeftOut) {
  const Project hidden = withItem(s.project, s.box, [](const Item& before) {
    Item after = before;
    after.hidden = true;
    return after;
  });
  EXPECT_EQ(drawn(hidden), 1);
  EXPECT_EQ(screen.pixelColor(40, 40), QColor(Qt::white));
}

}  // namespace
}  // namespace widecut
