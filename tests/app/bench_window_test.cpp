// The bench: outcomes in plain words, chips that are dragged and dropped on, items carried off the mat.
#include <QImage>
#include <QLabel>
#include <QTemporaryDir>

#include "app/bench/recipe_chips.h"
#include "app/widgets/cards.h"
#include "everyday.h"

namespace widecut {
namespace {

struct BenchWindow : Everyday {
  /// A drag from one widget to a place in another, with moves between.
  void carry(QWidget& from, QPoint start, QWidget& to, QPoint end, Qt::KeyboardModifiers keys = {}) {
    ++w.actions;
    QTest::mousePress(&from, Qt::LeftButton, keys, start);
    const QPoint last = to.mapToGlobal(end);
    for (int i = 1; i <= 4; ++i) {
      const QPoint at = from.mapToGlobal(start) + (last - from.mapToGlobal(start)) * i / 4;
      QMouseEvent move(QEvent::MouseMove, from.mapFromGlobal(at), at, Qt::NoButton, Qt::LeftButton, keys);
      QApplication::sendEvent(&from, &move);
    }
    QTest::mouseRelease(&from, Qt::LeftButton, keys, from.mapFromGlobal(last));
    w.settle();
  }
  Card& chip(int number) { return *w.window.findChild<Card*>(QString("part%1").arg(number)); }
  std::vector<std::string> partsOf(Id cutout) {
    std::vector<std::string> names;
    for (const ItemPtr& part : item(cutout)->recipe()->parts) names.push_back(part->name);
    return names;
  }
  using Names = std::vector<std::string>;
};

TEST_F(BenchWindow, OutcomesSayInPlainWordsWhatComesOfThem) {
  const QTemporaryDir folder;
  QImage photo(60, 40, QImage::Format_RGB32);
  photo.fill(Qt::red);
  const QString path = folder.filePath("p.png");
  photo.save(path);
  const Id a = box();
  w.drop(path, w.mm(60, 60));
  disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  const auto caption = [&](const char* name) { return w.window.findChild<Card*>(name)->text().toStdString(); };
  EXPECT_EQ(caption("outcome0"), "both as one");
  EXPECT_EQ(caption("outcome1"), "disc out of box");
  EXPECT_EQ(caption("outcome2"), "box out of disc");
  EXPECT_EQ(caption("outcome3"), "photo in disc");
  EXPECT_EQ(caption("outcome4"), "all but the overlap");
  EXPECT_EQ(caption("divide"), "every piece apart");
  disc(200);
  w.key(Qt::Key_A, Qt::ControlModifier);
  EXPECT_EQ(caption("outcome0"), "all as one");
  EXPECT_EQ(caption("outcome3"), "what all share");
  EXPECT_TRUE(item(a));
}

TEST_F(BenchWindow, LooksOfManyItemsAreAStripOfPictures) {
  for (int i = 0; i < 12; ++i) box(20 + 20 * i);
  w.key(Qt::Key_A, Qt::ControlModifier);
  auto* last = w.window.findChild<PictureChip*>("lookOf box 12");
  ASSERT_TRUE(last) << "every one is offered";
  EXPECT_FALSE(last->isChecked());
  last->click();
  w.settle();
  EXPECT_TRUE(w.window.findChild<PictureChip*>("lookOf box 12")->isChecked());
  EXPECT_EQ(w.desk().lookFor(w.desk().selection(), Outcome::Union).look, w.sheet().items[11]->id);
}

TEST_F(BenchWindow, ChipsAreDraggedToAnotherPlaceAndKeepTheirRole) {
  box();
  disc(60);
  const Id third = disc(80);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection().front();
  ASSERT_EQ(partsOf(cutout), (Names{"box", "disc", "disc 2"}));
  w.press("sign2");  // subtract becomes intersect
  ASSERT_EQ(item(cutout)->recipe()->formula.operators(), (std::vector<Role>{Role::Subtract, Role::Intersect}));
  carry(chip(2), {40, 30}, chip(1), {5, 30});
  EXPECT_EQ(partsOf(cutout), (Names{"box", "disc 2", "disc"}));
  EXPECT_EQ(item(cutout)->recipe()->formula.operators(), (std::vector<Role>{Role::Intersect, Role::Subtract}));
  EXPECT_EQ(w.desk().selection(), Ids{cutout});
  // To the front: it is what the others are taken from.
  carry(chip(2), {40, 30}, chip(0), {5, 30});
  EXPECT_EQ(partsOf(cutout), (Names{"disc", "box", "disc 2"}));
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(partsOf(cutout), (Names{"box", "disc 2", "disc"})) << "one step";
  // Out of the recipe, into the stack: an item of the sheet again.
  carry(chip(1), {40, 30}, *stack->viewport(), {30, stack->viewport()->height() - 3});
  EXPECT_EQ(partsOf(cutout), (Names{"box", "disc"}));
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_TRUE(item(third));
}

TEST_F(BenchWindow, ItemsDroppedOnTheRecipeJoinIt) {
  box();
  disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection().front();
  w.key(Qt::Key_Escape);
  const Id other = disc(200);
  // From the stack, while the recipe shows.
  w.desk().select({cutout});
  w.settle();
  auto* row = w.window.findChild<RecipeChips*>("recipeChips");
  const auto data = dragOf({other});
  const QPoint at = chip(1).geometry().center() + QPoint(20, 0);
  QDragEnterEvent enter(at, Qt::MoveAction, data.get(), Qt::LeftButton, {});
  QApplication::sendEvent(row, &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDragMoveEvent move(at, Qt::MoveAction, data.get(), Qt::LeftButton, {});
  QApplication::sendEvent(row, &move);
  QDropEvent drop(at, Qt::MoveAction, data.get(), Qt::LeftButton, {});
  QApplication::sendEvent(row, &drop);
  w.settle();
  ASSERT_EQ(partsOf(cutout).size(), 3U);
  EXPECT_EQ(item(cutout)->recipe()->formula.operators(), (std::vector<Role>{Role::Subtract, Role::Subtract}))
      << "it does what its neighbours do";
  EXPECT_EQ(w.sheet().items.size(), 1U);
}

TEST_F(BenchWindow, TheRecipeStaysWhileAnotherItemIsDraggedToIt) {
  box();
  disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection().front();
  const Id other = draw(Qt::Key_4, w.mm(200, 50), w.mm(230, 80));
  w.desk().select({cutout});
  w.settle();
  // With the buttons that the whole application sees, as a person has them.
  QWindow* window = w.window.windowHandle();
  const auto inWindow = [&](QWidget& widget, QPoint at) { return widget.mapTo(&w.window, at); };
  const QPoint from = inWindow(w.mat(), w.onMat(w.mm(215, 65)));
  auto* row = w.window.findChild<RecipeChips*>("recipeChips");
  const QPoint to = inWindow(*row, chip(1).geometry().center() + QPoint(20, 0));
  QTest::mousePress(window, Qt::LeftButton, {}, from);
  QTest::qWait(60);
  EXPECT_EQ(w.desk().selection(), Ids{other});
  EXPECT_TRUE(row->isVisible()) << "it waits for what is dragged";
  for (int i = 1; i <= 5; ++i) {
    QTest::mouseMove(window, from + (to - from) * i / 5);
    QTest::qWait(5);
  }
  QTest::mouseRelease(window, Qt::LeftButton, {}, to);
  w.settle();
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(partsOf(cutout), (Names{"box", "disc", "box"}));
  EXPECT_EQ(w.desk().selection(), Ids{cutout});
}

TEST_F(BenchWindow, ACutoutInACutoutStandsInBracketsAndIsGoneInto) {
  box();
  disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id inner = w.desk().selection().front();
  w.key(Qt::Key_Escape);
  disc(30);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  const Id outer = w.desk().selection().front();
  const auto brackets = [&] {
    int count = 0;
    for (const QLabel* label : w.window.findChild<RecipeChips*>("recipeChips")->findChildren<QLabel*>())
      count += label->isVisible() && (label->text() == "(" || label->text() == ")");
    return count;
  };
  EXPECT_EQ(brackets(), 2);
  // By keys: Enter on the chip goes in, Escape comes out again.
  chip(0).setFocus();
  QTest::keyClick(&chip(0), Qt::Key_Return);
  w.settle();
  EXPECT_EQ(w.desk().selection(), Ids{inner});
  EXPECT_EQ(brackets(), 0) << "its own recipe";
  QTest::keyClick(w.window.findChild<RecipeChips*>("recipeChips"), Qt::Key_Escape);
  w.settle();
  EXPECT_EQ(w.desk().selection(), Ids{outer});
}

TEST_F(BenchWindow, ItemsAreCarriedOffTheMatOntoASheetAndIntoARecipe) {
  w.key(Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);  // a second sheet
  const Id here = w.desk().sheet()->id;
  const Id other = sheetsOf(w.desk().settled())[w.desk().sheet() == sheetsOf(w.desk().settled())[0] ? 1 : 0]->id;
  const Id a = box();
  const QPoint thumbnail = sheets->visualRect(sheetRow(other)).center();
  carry(w.mat(), w.onMat(w.mm(60, 60)), *sheets->viewport(), thumbnail);
  EXPECT_EQ(sheetOf(w.desk().settled(), a)->id, other);
  EXPECT_TRUE(w.sheet().items.empty());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(sheetOf(w.desk().settled(), a)->id, here);
  // With Ctrl a copy goes there.
  carry(w.mat(), w.onMat(w.mm(60, 60)), *sheets->viewport(), thumbnail, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(findSheet(w.desk().settled(), other)->items.size(), 1U);
}

}  // namespace
}  // namespace widecut
