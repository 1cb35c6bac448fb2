// Details, colours, bench and the deliver dialog.
#include <gtest/gtest.h>

#include <QComboBox>
#include <QLabel>
#include <QMenuBar>
#include <QPushButton>
#include <QSlider>
#include <QTreeView>

#include "app/look/theme.h"
#include "app/tools/tool_table.h"
#include "app/widgets/cards.h"
#include "app/window/deliver_dialog.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {
namespace {

struct PanelsTest : testing::Test {
  WindowDriver w;
  Id draw(int tool, Point from, Point to) {
    w.key(tool);
    w.drag(from, to);
    return w.desk().selection().front();
  }
  Id box() { return draw(Qt::Key_4, w.mm(50, 50), w.mm(110, 110)); }
  Id disc() { return draw(Qt::Key_5, w.mm(80, 80), w.mm(140, 140)); }
  const Style& styleOf(Id id) { return *findItem(w.desk().project(), id)->style; }
  QString hint() { return w.window.findChild<QLabel*>("hint")->text(); }
};

TEST_F(PanelsTest, ATonePreviewsAtOnceAndIsOneStepWhenThePanelCloses) {
  const Id id = box();
  w.press("fillColour");
  w.press("tone #2f7d4f");
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_EQ(colourOf(styleOf(id)), (Colour{0x2F, 0x7D, 0x4F}));
  w.press("tone #6c3baa");
  auto* popover = w.window.findChild<QWidget*>("colourPopover");
  ASSERT_TRUE(popover);
  popover->close();
  w.settle();
  EXPECT_EQ(colourOf(styleOf(id)), (Colour{0x6C, 0x3B, 0xAA}));
  EXPECT_EQ(w.desk().history().undoName(), "Fill colour");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().undoName(), "Draw rectangle") << "one step for both tries";
}

TEST_F(PanelsTest, EscapeEndsTheColourPanelAndKeepsTheColour) {
  const Id id = box();
  const auto before = colourOf(styleOf(id));
  w.press("fillColour");
  w.press("tone #6c3baa");
  QTest::keyClick(w.window.findChild<QWidget*>("colourPopover"), Qt::Key_Escape);
  w.settle();
  EXPECT_EQ(colourOf(styleOf(id)), (Colour{0x6C, 0x3B, 0xAA}));
  EXPECT_FALSE(w.desk().isTrying());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(colourOf(styleOf(id)), before);
}

TEST_F(PanelsTest, NoFillAndNoOutline) {
  const Id id = box();
  w.type("outline width", "2");
  w.press("lineColour");
  w.press("noPaint");
  EXPECT_FALSE(lineOf(styleOf(id)));
  w.press("fillColour");
  w.press("noPaint");
  EXPECT_FALSE(colourOf(styleOf(id)));
}

TEST_F(PanelsTest, SeveralItemsAreChangedTogether) {
  const Id a = box(), b = disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.type("opacity", "30");
  EXPECT_NEAR(styleOf(a).opacity, 0.3, 1e-9);
  EXPECT_NEAR(styleOf(b).opacity, 0.3, 1e-9);
  w.type("width", "*2");
  Box both;
  for (const Id id : {a, b}) both.add(boxInParent(*findItem(w.desk().project(), id)));
  EXPECT_NEAR(both.width(), 2 * w.mm(90, 0).x, 3);
}

TEST_F(PanelsTest, TheOpacitySliderIsLiveAndOneStep) {
  const Id id = box();
  QSlider* slider = nullptr;
  for (QSlider* s : w.window.findChildren<QSlider*>())
    if (s->accessibleName() == "Opacity") slider = s;
  ASSERT_TRUE(slider);
  const QPoint from(slider->width() - 6, slider->height() / 2), to(slider->width() / 2, slider->height() / 2);
  QTest::mousePress(slider, Qt::LeftButton, {}, from);
  QMouseEvent move(QEvent::MouseMove, to, slider->mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton, {});
  QApplication::sendEvent(slider, &move);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_NEAR(styleOf(id).opacity, 0.5, 0.1);
  QTest::mouseRelease(slider, Qt::LeftButton, {}, to);
  w.settle();
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_EQ(w.desk().history().undoName(), "Opacity");
}

TEST_F(PanelsTest, AFieldPreviewsWhileItIsTypedIn) {
  const Id id = box();
  auto* field = w.window.findChild<QLineEdit*>("width");
  field->setFocus();
  field->selectAll();
  QTest::keyClicks(field, "80");
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_NEAR(boxInParent(*findItem(w.desk().project(), id)).width(), w.mm(80, 0).x, 1e-6);
  QTest::keyClick(field, Qt::Key_Escape);
  EXPECT_FALSE(w.desk().isTrying());
  EXPECT_EQ(w.desk().history().undoName(), "Draw rectangle");
}

TEST_F(PanelsTest, ResultsCountNodesAndArea) {
  box();
  auto* result = w.window.findChild<QLabel*>("result");
  EXPECT_TRUE(result->text().contains("4 nodes, 0 curves, 1 contour")) << result->text().toStdString();
  disc();
  EXPECT_TRUE(result->text().contains("4 nodes, 4 curves")) << result->text().toStdString();
}

TEST_F(PanelsTest, AnEmptyOutcomeSaysSo) {
  draw(Qt::Key_4, w.mm(20, 20), w.mm(40, 40));
  draw(Qt::Key_4, w.mm(100, 100), w.mm(140, 140));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  EXPECT_TRUE(w.window.findChild<QLabel*>("result")->text().contains("Nothing is left"));
  w.key(Qt::Key_U);
  EXPECT_EQ(w.sheet().items.size(), 1U) << "and the next letter still replaces it";
  EXPECT_EQ(resolved(*w.sheet().items[0])->outline.contours.size(), 2U);
}

TEST_F(PanelsTest, ClickingAnOutcomeCardMakesIt) {
  box();
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.press("outcome4");
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.desk().history().undoName(), "Exclude");
  EXPECT_FALSE(w.desk().isTrying());
}

TEST_F(PanelsTest, AChipSelectsItsPartAndTheRecipeStays) {
  box();
  const Id d = disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  w.press("part1");
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{d});
  EXPECT_TRUE(w.window.findChild<Card*>("part0")->isVisible());
  w.type("width", "20");
  EXPECT_NEAR(resolved(*findItem(w.desk().project(), d))->box.width(), w.mm(20, 0).x, 1e-6);
  w.key(Qt::Key_Delete);
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.size(), 1U) << "a deleted part leaves its recipe";
}

TEST_F(PanelsTest, EnterGoesInAndEscapeComesOut) {
  const Id b = box();
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const auto cutout = w.desk().selection();
  w.key(Qt::Key_Return);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{b});
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().selection(), cutout);
  w.key(Qt::Key_Escape);
  EXPECT_TRUE(w.desk().selection().empty());
}

TEST_F(PanelsTest, TheHintFollowsTheToolAndTheSelection) {
  const QString atFirst = hint();
  w.key(Qt::Key_5);
  EXPECT_TRUE(hint().contains("ellipse"));
  EXPECT_NE(hint(), atFirst);
  w.key(Qt::Key_Escape);
  box();
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  EXPECT_TRUE(hint().contains("U S I X"));
}

TEST_F(PanelsTest, AClickWithAShapeToolDrawsTheDefaultSize) {
  w.key(Qt::Key_4);
  w.click(w.mm(100, 100));
  const Box drawn = boxInParent(*w.sheet().items[0]);
  EXPECT_NEAR(drawn.width(), w.mm(40, 0).x, 1e-6);
  EXPECT_NEAR(drawn.centre().x, w.mm(100, 0).x, 1);
}

TEST_F(PanelsTest, TheInterfaceHasItsOwnTypeAndPictures) {
  for (const auto weight : {QFont::Normal, QFont::Medium, QFont::DemiBold, QFont::Bold})
    EXPECT_EQ(QFontInfo(theme::font(13, weight)).family().toStdString(), "Cabin");
  EXPECT_EQ(QFontInfo(w.window.findChild<QLabel*>("hint")->font()).family().toStdString(), "Cabin");
  for (const ToolEntry& tool : toolTable()) {
    if (!tool.isInRow()) continue;
    EXPECT_FALSE(theme::icon(tool.icon).pixmap(20, 20).isNull()) << tool.icon;
  }
}

TEST_F(PanelsTest, UndoIsNamedInTheMenu) {
  box();
  auto* undo = w.window.findChild<QAction*>("undo");
  EXPECT_EQ(undo->text(), "Undo: Draw rectangle");
  EXPECT_TRUE(undo->isEnabled());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_FALSE(undo->isEnabled());
  EXPECT_EQ(w.window.findChild<QAction*>("redo")->text(), "Redo: Draw rectangle");
}

TEST_F(PanelsTest, EveryMenuHasCommandsAndNoKeyIsTwice) {
  QSet<QString> keys;
  for (QAction* menu : w.window.menuBar()->actions()) {
    ASSERT_TRUE(menu->menu());
    EXPECT_FALSE(menu->menu()->actions().isEmpty()) << menu->text().toStdString();
    for (QAction* action : menu->menu()->actions())
      for (const QKeySequence& key : action->shortcuts()) {
        EXPECT_FALSE(keys.contains(key.toString())) << key.toString().toStdString();
        keys.insert(key.toString());
      }
  }
}

TEST_F(PanelsTest, TheStackShowsPartsWithTheirSigns) {
  box();
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_X);
  auto* stack = w.window.findChild<QTreeView*>("stack");
  const QAbstractItemModel& rows = *stack->model();
  ASSERT_EQ(rows.rowCount(), 1);
  const QModelIndex cutout = rows.index(0, 0);
  EXPECT_TRUE(stack->isExpanded(cutout));
  ASSERT_EQ(rows.rowCount(cutout), 2);
  const auto second = [&] { return rows.index(1, 0, rows.index(0, 0)).data().toString(); };
  EXPECT_TRUE(second().startsWith("⊕")) << "the role is told by its sign, not by colour alone";
  w.press("sign1");
  EXPECT_TRUE(second().startsWith("+"));
}

TEST_F(PanelsTest, ThreeItemsAreCombinedAtOnce) {
  for (const double x : {30.0, 80.0, 130.0}) draw(Qt::Key_5, w.mm(x, 60), w.mm(x + 70, 130));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S, Qt::ShiftModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Recipe& recipe = *w.sheet().items[0]->recipe();
  EXPECT_EQ(recipe.parts.size(), 3U);
  EXPECT_EQ(recipe.formula.operators(), (std::vector<Role>{Role::Subtract, Role::Subtract}));
  EXPECT_NEAR(boxInParent(*w.sheet().items[0]).high.x, w.mm(200, 0).x, 2) << "the front one is what is left";
}

TEST_F(PanelsTest, DuplicatingACutoutCopiesItsParts) {
  box();
  disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  w.key(Qt::Key_D, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  const Recipe &first = *w.sheet().items[0]->recipe(), &second = *w.sheet().items[1]->recipe();
  EXPECT_NE(first.parts[0]->id, second.parts[0]->id);
  w.desk().select({second.parts[1]->id});
  w.key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_EQ(first.parts[1]->position, w.sheet().items[0]->recipe()->parts[1]->position) << "the original is its own";
}

TEST_F(PanelsTest, TheDeliverDialogKnowsWhatItWillWrite) {
  box();
  DeliverDialog dialog(w.desk(), &w.window);
  auto* what = dialog.findChild<QComboBox*>("what");
  auto* format = dialog.findChild<QComboBox*>("format");
  EXPECT_EQ(what->count(), 2);
  EXPECT_NE(dialog.delivery().item, 0U) << "the selected item is offered first";
  what->setCurrentIndex(0);
  EXPECT_EQ(dialog.delivery().item, 0U);
  format->setCurrentIndex(2);
  EXPECT_EQ(dialog.ending(), "pdf");
  EXPECT_EQ(dialog.delivery().format, DeliveryFormat::Pdf);
}

}  // namespace
}  // namespace widecut
