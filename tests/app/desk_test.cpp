// The desk, without a window.
#include "app/desk/desk.h"
#include "project/edits/sheets.h"

#include <gtest/gtest.h>

#include <QPainter>
#include <QSignalSpy>

#include "app/desk/trial.h"
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

TEST(DeskSheets, WhatWasWorkedOutBeforeTheSheetWasThereIsNotShown) {
  Desk desk;
  const Project before = desk.settled();
  Id made = 0;
  ASSERT_TRUE(desk.commit("New sheet", withSheetAfter(before, desk.sheet()->id, made)));
  desk.goToSheet(made);
  Trial trial(desk);
  Project stale = before;
  stale.name = "stale";
  trial.show(stale);
  EXPECT_FALSE(desk.isTrying());
  ASSERT_TRUE(desk.sheet());
  EXPECT_EQ(desk.sheet()->id, made);
}

}  // namespace
}  // namespace widecut
