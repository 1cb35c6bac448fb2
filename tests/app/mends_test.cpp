// What once lost work, stopped the window, or did something else than was shown: by mouse and keys.
#include <gtest/gtest.h>

#include <QLabel>
#include <QProcess>
#include <QPushButton>
#include <QSignalSpy>
#include <QSlider>
#include <QTemporaryDir>
#include <QTreeView>

#include "app/desk/trial.h"
#include "app/widgets/cards.h"
#include "app/window/deliver_dialog.h"
#include "app/window/recovery_strip.h"
#include "geometry/measure.h"
#include "media/files.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "project/limits.h"
#include "project/resolve.h"
#include "shapes/primitives.h"
#include "storage/project_file.h"
#include "storage/recovery.h"
#include "test_photos.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct Mends : testing::Test {
  WindowDriver w;

  Id box() {
    w.key(Qt::Key_4);
    w.drag(w.mm(50, 50), w.mm(110, 110));
    return w.desk().selection().front();
  }
  void boxAndDisc() {
    box();
    w.key(Qt::Key_5);
    w.drag(w.mm(80, 80), w.mm(140, 140));
    w.key(Qt::Key_A, Qt::ControlModifier);
  }
  double left(Id id) { return boxInParent(*findItem(w.desk().project(), id)).low.x / pointsPerMillimetre; }
  QString hint() { return w.window.findChild<QLabel*>("hint")->text(); }
  std::string undoName() { return w.desk().history().undoName(); }
  QLineEdit& field(const char* name) { return *w.window.findChild<QLineEdit*>(name); }
  void typeInto(const char* name, const char* text) {
    QTest::mouseClick(&field(name), Qt::LeftButton);
    field(name).selectAll();
    QTest::keyClicks(&field(name), text);
  }
  QString photo(const QTemporaryDir& folder, const char* name, int width = 120) {
    const QString path = folder.filePath(name);
    EXPECT_TRUE(tones(width, 80).save(path));
    return path;
  }
};

TEST_F(Mends, AMiddleButtonDuringADragLeavesTheMoveWhole) {
  const Id id = box();
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(90, 70));
  QTest::mousePress(&w.mat(), Qt::MiddleButton, {}, w.onMat(w.mm(90, 70)));
  QTest::mouseRelease(&w.mat(), Qt::MiddleButton, {}, w.onMat(w.mm(90, 70)));
  w.release(w.mm(90, 70));
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_EQ(undoName(), "Move");
  EXPECT_NEAR(left(id), 70, 0.6);
}

TEST_F(Mends, AClickFollowedQuicklyByADragMoves) {
  const Id id = box();
  const QPoint at = w.onMat(w.mm(70, 70));
  QTest::mouseClick(&w.mat(), Qt::LeftButton, {}, at);
  // What the system sends for a second press that comes soon.
  QMouseEvent second(QEvent::MouseButtonDblClick, at, w.mat().mapToGlobal(QPointF(at)), Qt::LeftButton, Qt::LeftButton,
                     Qt::NoModifier);
  QApplication::sendEvent(&w.mat(), &second);
  w.dragTo(w.mm(80, 70));
  w.dragTo(w.mm(90, 70));
  w.release(w.mm(90, 70));
  EXPECT_NEAR(left(id), 70, 0.6);
}

TEST_F(Mends, ACutoutAndItsPartSelectedTogetherMoveAlike) {
  boxAndDisc();
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection()[0], part = findItem(w.desk().settled(), cutout)->recipe()->parts[1]->id;
  const double before = frameToSheet(w.desk().settled(), part)(Point{}).x;
  w.desk().select({part, cutout});
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_NEAR(frameToSheet(w.desk().settled(), part)(Point{}).x - before, 10 * pointsPerMillimetre, 1e-9);
}

TEST_F(Mends, WhatIsBeingTypedIsThereWhenItIsSaved) {
  const Id id = box();
  const QTemporaryDir folder;
  const QString path = folder.filePath("typed.widecut");
  ASSERT_TRUE(w.desk().save(path));
  typeInto("x", "80");
  EXPECT_TRUE(w.desk().isTrying());
  QTest::keyClick(&field("x"), Qt::Key_S, Qt::ControlModifier);
  w.settle();
  const auto saved = openProject(path.toStdString());
  ASSERT_TRUE(saved);
  EXPECT_NEAR(boxInParent(*findItem(*saved, id)).low.x, 80 * pointsPerMillimetre, 1e-6);
  EXPECT_TRUE(w.desk().isSaved());
}

TEST_F(Mends, WhatIsBeingTypedIsNotLostByANewProject) {
  box();
  const QTemporaryDir folder;
  ASSERT_TRUE(w.desk().save(folder.filePath("a.widecut")));
  typeInto("x", "80");
  bool asked = false;
  w.inDialog([&] { QTest::keyClick(&field("x"), Qt::Key_N, Qt::ControlModifier); },
             [&](QWidget& dialog) {
               asked = dialog.objectName() == "unsavedChanges";
               QTest::keyClick(&dialog, Qt::Key_Escape);
             });
  EXPECT_TRUE(asked) << "the typed place counts as a change";
  EXPECT_EQ(undoName(), "Move");
}

TEST_F(Mends, TheWheelOfReframingMakesNothingThatAnotherTries) {
  const QTemporaryDir folder;
  w.drop(photo(folder, "p.png", 400), w.mm(100, 100));
  w.key(Qt::Key_R);
  w.wheel(w.mm(100, 100), 2);
  const std::size_t before = w.desk().history().undoName() == "Reframe";
  // While its timer runs, a colour is tried elsewhere.
  Trial trial(w.desk());
  trial.show(withFill(w.desk().settled(), w.desk().selection(), Colour{1, 2, 3}));
  QTest::qWait(700);
  EXPECT_TRUE(trial.isShown()) << "the timer made nothing of it";
  EXPECT_EQ(before, std::size_t{w.desk().history().undoName() == "Reframe"});
  trial.drop();
}

TEST_F(Mends, UndoAfterTheWheelTakesTheReframingBack) {
  const QTemporaryDir folder;
  w.drop(photo(folder, "p.png", 400), w.mm(100, 100));
  w.key(Qt::Key_R);
  const Style before = *findItem(w.desk().settled(), w.desk().selection()[0])->style;
  w.wheel(w.mm(100, 100), 3);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(*findItem(w.desk().settled(), w.desk().selection()[0])->style, before);
  EXPECT_EQ(undoName(), "Bring in a photo");
}

TEST_F(Mends, WhatChangesNothingIsNoStep) {
  box();
  w.key(Qt::Key_BracketRight, Qt::ControlModifier);
  EXPECT_EQ(undoName(), "Draw rectangle") << "it was in front already";
  w.type("x", "+=0");
  EXPECT_EQ(undoName(), "Draw rectangle");
}

TEST_F(Mends, NumbersBeyondTheLimitsAreRefusedWithAWord) {
  const Id id = box();
  const double before = left(id);
  auto* x = w.window.findChild<QLineEdit*>("x");
  for (const char* text : {"1000000", "-1e9", "99999999"}) {
    w.type("x", text);
    EXPECT_NEAR(left(id), before, 1e-9) << text;
    EXPECT_EQ(x->text(), text) << "it stays to be mended";
    EXPECT_TRUE(x->property("wrong").toBool()) << text;
    EXPECT_TRUE(hint().contains("1000000 points") || hint().contains("out of range")) << hint().toStdString();
  }
  QTest::keyClick(x, Qt::Key_Escape);
  w.settle();
  EXPECT_FALSE(x->property("wrong").toBool());
  EXPECT_NE(x->text(), "99999999");
  auto* width = w.window.findChild<QLineEdit*>("width");
  const double wide = boxInParent(*findItem(w.desk().project(), id)).width();
  for (const char* text : {"0.0000001", "-3"}) {
    w.type("width", text);
    EXPECT_EQ(width->text(), text);
    EXPECT_TRUE(width->property("wrong").toBool()) << text;
    EXPECT_TRUE(hint().contains("the least is")) << hint().toStdString();
    EXPECT_NEAR(boxInParent(*findItem(w.desk().project(), id)).width(), wide, 1e-9);
  }
  w.type("width", "1000000");
  EXPECT_TRUE(hint().contains("1000000 points")) << hint().toStdString();
  EXPECT_EQ(width->text(), "1000000");
  w.type("width", "50 mm");
  EXPECT_FALSE(width->property("wrong").toBool()) << "what can be done is no more in red";
  w.type("outline width", "0.0000001");
  const QTemporaryDir folder;
  ASSERT_TRUE(w.desk().save(folder.filePath("a.widecut")));
  EXPECT_TRUE(openProject(folder.filePath("a.widecut").toStdString()));
}

TEST_F(Mends, FortyCutsInARowAreSavedAndOpened) {
  box();
  for (int i = 0; i < 40; ++i) {
    w.key(Qt::Key_5);
    w.drag(w.mm(50 + i, 60), w.mm(54 + i, 64));
    w.key(Qt::Key_A, Qt::ControlModifier);
    w.key(Qt::Key_S);
  }
  const QTemporaryDir folder;
  const QString path = folder.filePath("deep.widecut");
  const auto saved = w.desk().save(path);
  ASSERT_TRUE(saved) << saved.error().message;
  w.window.errands().openFile(path);
  w.settle();
}

TEST_F(Mends, AnIntersectionOfNothingCanBeBakedAndReframed) {
  const QTemporaryDir folder;
  w.drop(photo(folder, "p.png"), w.mm(60, 60));
  w.key(Qt::Key_5);
  w.drag(w.mm(240, 180), w.mm(260, 200));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  w.key(Qt::Key_B);
  w.key(Qt::Key_R);
  if (auto* cover = w.window.findChild<QPushButton*>("justCover"); cover && cover->isVisible()) w.press("justCover");
  EXPECT_FALSE(beyondLimits(w.desk().settled(), nullptr));
  EXPECT_TRUE(w.desk().save(folder.filePath("a.widecut")));
}

TEST_F(Mends, AHiddenPartIsNotPicked) {
  boxAndDisc();
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection()[0], disc = findItem(w.desk().settled(), cutout)->recipe()->parts[1]->id;
  w.click(w.mm(125, 125));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{disc}) << "its ghost is there";
  w.desk().commit("hide", withEach(w.desk().settled(), std::vector<Id>{disc}, [](const Item& before) {
                    Item after = before;
                    after.hidden = true;
                    return after;
                  }));
  w.desk().select({cutout});
  w.click(w.mm(125, 125));
  EXPECT_TRUE(w.desk().selection().empty());
}

TEST_F(Mends, AColourChosenForACutoutReplacesThePartsPhoto) {
  const QTemporaryDir folder;
  w.drop(photo(folder, "p.png", 400), w.mm(100, 100));
  w.key(Qt::Key_5);
  w.drag(w.mm(80, 80), w.mm(120, 110));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  const ItemPtr cutout = w.desk().onlyItem();
  ASSERT_TRUE(cutout && cutout->recipe() && picturePartOf(*cutout->style) != 0);
  w.press("fillColour");
  auto* hex = QApplication::activePopupWidget()->findChild<QLineEdit*>("hex");
  hex->selectAll();
  QTest::keyClicks(hex, "#0a8c3c");
  QTest::keyClick(hex, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(colourOf(*w.desk().onlyItem()->style), (Colour{0x0a, 0x8c, 0x3c}));
  w.desk().select({});
  EXPECT_EQ(w.seen(w.mm(100, 95)), QColor(0x0a, 0x8c, 0x3c));
}

TEST_F(Mends, ColourSlidersTakeKeysAndKeepTheAlpha) {
  const Id id = box();
  w.desk().commit("see through", withFill(w.desk().settled(), std::vector<Id>{id}, Colour{200, 40, 30, 128}));
  w.press("fillColour");
  auto* popup = QApplication::activePopupWidget();
  ASSERT_TRUE(popup);
  auto* slider = popup->findChild<QWidget*>("tone slider hue");
  ASSERT_TRUE(slider);
  QTest::keyClick(slider, Qt::Key_Right);
  QTest::keyClick(slider, Qt::Key_Right);
  popup->close();
  w.settle();
  const auto fill = colourOf(*findItem(w.desk().settled(), id)->style);
  ASSERT_TRUE(fill);
  EXPECT_EQ(fill->alpha, 128);
  EXPECT_NE(*fill, (Colour{200, 40, 30, 128}));
}

TEST_F(Mends, TheEyeOfTheStackHitsTheRowUnderThePointer) {
  boxAndDisc();
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection()[0];
  w.key(Qt::Key_4);
  w.drag(w.mm(150, 150), w.mm(160, 160));
  w.key(Qt::Key_BracketLeft, Qt::ControlModifier);
  const Id below = w.desk().selection()[0];
  w.desk().select({cutout});
  auto* stack = w.window.findChild<QTreeView*>("stack");
  ASSERT_TRUE(stack->isExpanded(stack->model()->index(0, 0)));
  const QRect eye = stack->visualRect(stack->model()->index(1, 0));
  QTest::mouseClick(stack->viewport(), Qt::LeftButton, {},
                    QPoint(stack->columnViewportPosition(1) + 12, eye.center().y()));
  EXPECT_TRUE(findItem(w.desk().settled(), below)->hidden);
  EXPECT_FALSE(findItem(w.desk().settled(), cutout)->hidden);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{cutout}) << "the selection is left alone";
}

TEST_F(Mends, APhotoThatBecomesReadyLeavesTypingAlone) {
  box();
  w.key(Qt::Key_O);
  field("distance").selectAll();
  QTest::keyClicks(&field("distance"), "7");
  emit w.desk().photosReady();
  QTest::keyClicks(&field("distance"), "5");
  EXPECT_EQ(field("distance").text(), "75");
  QTest::keyClick(&field("distance"), Qt::Key_Escape);
}

TEST_F(Mends, TheResolutionShownIsTheOneDelivered) {
  DeliverDialog dialog(w.desk(), &w.window);
  dialog.show();
  auto* ppi = dialog.findChild<QLineEdit*>("resolution");
  ASSERT_TRUE(ppi);
  QTest::mouseClick(ppi, Qt::LeftButton);
  ppi->selectAll();
  QTest::keyClicks(ppi, "300");
  QTest::keyClick(ppi, Qt::Key_Return);
  EXPECT_EQ(ppi->text(), "300 ppi");
  EXPECT_EQ(dialog.delivery().ppi, 300);
}

TEST_F(Mends, AnApostropheInANameIsNoTrouble) {
  boxAndDisc();
  w.desk().commit("name", withEach(w.desk().settled(), w.desk().selection(), [](const Item& before) {
                    Item after = before;
                    after.name = "Anna's " + before.name;
                    return after;
                  }));
  w.key(Qt::Key_S);
  auto& formula = field("formula");
  EXPECT_EQ(formula.text(), "'Anna''s box' - 'Anna''s disc'");
  typeInto("formula", "'Anna''s disc' - 'Anna''s box'");
  QTest::keyClick(&formula, Qt::Key_Return);
  EXPECT_EQ(undoName(), "Change formula");
}

TEST_F(Mends, TheWindowFitsALowScreen) {
  w.window.resize(1024, 660);
  w.settle();
  EXPECT_EQ(w.window.height(), 660);
  auto* line = w.window.findChild<QWidget*>("hintLine");
  EXPECT_LE(line->mapTo(&w.window, QPoint(0, line->height())).y(), 660);
}

TEST_F(Mends, AnOffsetOfManyNodesIsWorkedOutMeanwhile) {
  w.key(Qt::Key_6);
  w.press("star");
  auto& corners = field("corners");
  QTest::mouseClick(&corners, Qt::LeftButton);
  corners.selectAll();
  QTest::keyClicks(&corners, "300");
  QTest::keyClick(&corners, Qt::Key_Return);
  w.type("depth", "40");
  w.drag(w.mm(50, 50), w.mm(150, 150));
  const double before = std::abs(signedArea(resolved(*w.desk().onlyItem())->outline));
  w.key(Qt::Key_O);
  field("distance").selectAll();
  QTest::keyClicks(&field("distance"), "2");
  QTest::keyClick(&field("distance"), Qt::Key_Return);
  QTRY_COMPARE_WITH_TIMEOUT(w.desk().tool(), ToolKind::Select, 20000);
  EXPECT_EQ(undoName(), "Offset");
  EXPECT_GT(std::abs(signedArea(resolved(*w.desk().onlyItem())->outline)), before);
}

TEST_F(Mends, TheOutcomesOfManyItemsFollow) {
  std::vector<Item> discs;
  for (int i = 0; i < 200; ++i)
    discs.push_back(plainItem(0, "disc", fitted(ellipseOutline(1, 1), Box{{i * 3.0, 20}, {i * 3.0 + 9, 40}}), {}));
  w.desk().commit("discs", withItemsOnTop(w.desk().settled(), w.desk().sheet()->id, discs));
  w.key(Qt::Key_A, Qt::ControlModifier);
  ASSERT_TRUE(w.window.findChild<Card*>("outcome0"));
  w.key(Qt::Key_U);
  EXPECT_EQ(w.sheet().items.size(), 1U) << "a letter need not wait for the pictures";
}

TEST(Closing, WaitsForWhatIsWorkedOutMeanwhile) {
  auto w = std::make_unique<WindowDriver>();
  std::vector<Item> discs;
  for (int i = 0; i < 400; ++i)
    discs.push_back(plainItem(0, "disc", fitted(ellipseOutline(1, 1), Box{{i * 2.0, 20}, {i * 2.0 + 19, 60}}), {}));
  w->desk().commit("discs", withItemsOnTop(w->desk().settled(), w->desk().sheet()->id, discs));
  w->key(Qt::Key_A, Qt::ControlModifier);
  w.reset();  // its outcomes are still being painted, with the desk's photos
  QApplication::processEvents();
}

struct OnOneFile : testing::Test {
  QTemporaryDir folder;
  std::string home = folder.filePath("home").toStdString();
  QString path = folder.filePath("shared.widecut");
  Desk desk;
  OnOneFile() {
    desk.setClaims(home);
    desk.commit("box", withItemsOnTop(desk.settled(), desk.sheet()->id,
                                      {plainItem(0, "box", polygon({{0, 0}, {9, 0}, {9, 9}}), {})}));
    EXPECT_TRUE(desk.save(path));
  }
};

TEST_F(OnOneFile, TheSecondWindowIsToldAndOverwritesNothing) {
  Desk second;
  second.setClaims(home);
  const QSignalSpy told(&second, &Desk::told);
  ASSERT_TRUE(second.open(path));
  EXPECT_TRUE(second.isOpenElsewhere());
  ASSERT_EQ(told.count(), 1);
  EXPECT_TRUE(told[0][0].toString().contains("open in another window"));
  const auto refused = second.save(path);
  ASSERT_FALSE(refused);
  EXPECT_NE(refused.error().message.find("another window"), std::string::npos);
  EXPECT_TRUE(second.save(folder.filePath("other.widecut"))) << "under another name it may";
  EXPECT_TRUE(desk.save(path)) << "the first one goes on";
}

TEST_F(OnOneFile, AFileChangedBySomebodyElseIsNotReplacedSilently) {
  const std::string theirs = *bytesOfProject(emptyProject(), "");
  ASSERT_TRUE(writeFile(path.toStdString(), theirs));
  EXPECT_TRUE(desk.isChangedElsewhere());
  EXPECT_FALSE(desk.save(path));
  EXPECT_EQ(*readFile(path.toStdString(), 1 << 20), theirs);
  EXPECT_TRUE(desk.save(path, true));
  EXPECT_FALSE(desk.isChangedElsewhere());
}

TEST(Recovery, AJournalGoesInAnOrderlyEnd) {
  const QTemporaryDir folder;
  const std::string home = folder.path().toStdString();
  {
    auto journal = Journal::begin(home);
    ASSERT_TRUE(journal);
    ASSERT_TRUE((*journal)->keep(emptyProject(), "/some/where.widecut"));
    EXPECT_TRUE(leftBehind(home).empty()) << "its program runs";
  }
  EXPECT_TRUE(QDir(folder.path()).isEmpty());
}

TEST(Recovery, WhatWasLeftBehindIsOfferedAndTakenUp) {
  const QTemporaryDir folder;
  const QString home = folder.path();
  // A session in a program of its own, which is ended without a chance to tidy up.
  QProcess session;
  session.start(RECOVERY_SESSION, {home, home + "/log", "7"});
  ASSERT_TRUE(session.waitForStarted());
  QTRY_VERIFY_WITH_TIMEOUT(QFileInfo(home + "/log").size() > 300, 20000);
  QTest::qWait(1000);
  session.kill();
  session.waitForFinished();
  WindowDriver w;
  w.window.keepJournals(home);
  w.settle();
  auto* strip = w.window.findChild<RecoveryStrip*>();
  ASSERT_TRUE(strip && !strip->isHidden());
  w.press("takeUp0");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->name, "box");
  EXPECT_FALSE(w.desk().isSaved()) << "it still has to be saved";
  EXPECT_TRUE(strip->isHidden());
}

TEST_F(Mends, EscapeEndsAPageThatWasAskedForBeforeTheSelection) {
  const Id id = box();
  using enum Aside;
  for (const Aside page : {Finish, Adjusting, Ground, Playing, Colours, Photos, Stock}) {
    w.desk().show(page);
    w.settle();
    w.key(Qt::Key_Escape);
    if (w.desk().shows(page)) w.key(Qt::Key_Escape);  // the first one left its field
    EXPECT_FALSE(w.desk().shows(page)) << static_cast<int>(page);
    EXPECT_EQ(w.desk().selection(), std::vector<Id>{id}) << static_cast<int>(page);
  }
  w.key(Qt::Key_Escape);
  EXPECT_TRUE(w.desk().selection().empty());
}

}  // namespace
}  // namespace widecut
