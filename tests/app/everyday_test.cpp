// Groups, the stack, selecting, drawing and the fields of a place, in the real window.
#include "everyday.h"
#include "output/deliver.h"

#include <QPushButton>

#include "app/mat/selection_frame.h"
#include "app/widgets/drag_caption.h"
#include "project/forms/form.h"
#include "scene/scene.h"

namespace widecut {
namespace {

TEST_F(Everyday, AGroupIsOneUntilItIsOpened) {
  const Id a = box(), b = disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_G);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Id group = w.desk().selection().front();
  const Point before = frameToSheet(w.desk().project(), b)(Point{});
  w.drag(w.mm(70, 70), w.mm(80, 75));
  EXPECT_NEAR(frameToSheet(w.desk().project(), b)(Point{}).x - before.x, 10 * pointsPerMillimetre, 1.5);
  // A double click goes in, a drag moves one member, Escape comes out.
  QTest::mouseDClick(&w.mat(), Qt::LeftButton, {}, w.onMat(w.mm(80, 75)));
  QTest::mouseRelease(&w.mat(), Qt::LeftButton, {}, w.onMat(w.mm(80, 75)));
  w.settle();
  EXPECT_EQ(w.desk().selection(), Ids{a});
  const Point still = frameToSheet(w.desk().project(), b)(Point{});
  w.drag(w.mm(80, 75), w.mm(80, 120));
  EXPECT_EQ(frameToSheet(w.desk().project(), b)(Point{}), still);
  w.click(w.mm(180, 75));
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "the group stays open for its other members";
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().selection(), Ids{group});
  w.key(Qt::Key_Return);
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "Enter goes in, to the front one";
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_G, Qt::ShiftModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.desk().selection().size(), 2U);
}

TEST_F(Everyday, AGroupIsAPartAndIsKnifedThroughItsMembers) {
  const Id a = box(), b = disc();
  w.desk().select({a, b});
  w.key(Qt::Key_G);
  const Id group = w.desk().selection().front();
  w.key(Qt::Key_0);
  w.drag(w.mm(30, 70), w.mm(220, 70), Qt::ShiftModifier);
  ASSERT_TRUE(item(group));
  EXPECT_EQ(childrenOf(*item(group)).size(), 4U) << "two halves of each";
  EXPECT_EQ(w.desk().settled().pieces.front()->sheets.front()->items.size(), 1U);
  w.key(Qt::Key_1);
  draw(Qt::Key_4, w.mm(40, 60), w.mm(220, 80));
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_I);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.size(), 2U) << "the group is one part";
}

TEST_F(Everyday, TheStackRenamesReordersAndMovesIntoRecipes) {
  const Id a = box(), b = disc(60);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_S);
  const Id cutout = w.desk().selection().front();
  const Id c = disc(70);
  w.desk().select({cutout});
  w.settle();
  // Between the parts, and after them: it takes the role of what stands there.
  const QRect last = stack->visualRect(row(b));
  dropOn(stack, dragged(stack, row(c)).get(), QPoint(last.center().x(), last.bottom()));
  ASSERT_EQ(w.sheet().items.size(), 1U);
  ASSERT_EQ(item(cutout)->recipe()->parts.size(), 3U);
  EXPECT_EQ(item(cutout)->recipe()->formula.operators(), (std::vector<Role>{Role::Subtract, Role::Subtract}));
  // And out again, to the back of the sheet.
  dropOn(stack, dragged(stack, row(c)).get(), QPoint(30, stack->viewport()->height() - 3));
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(w.sheet().items[0]->id, c);
  w.desk().select({a});
  w.key(Qt::Key_F2);
  auto* name = stack->findChild<QLineEdit*>();
  ASSERT_TRUE(name);
  QTest::keyClick(name, Qt::Key_A, Qt::ControlModifier);
  QTest::keyClicks(name, "window");
  QTest::keyClick(name, Qt::Key_Return);
  w.settle();
  EXPECT_EQ(item(a)->name, "window");
}

TEST_F(Everyday, LockedItemsLetTheMouseThroughAndStay) {
  const Id below = box(), above = box();
  w.desk().select({above});
  w.key(Qt::Key_K);
  EXPECT_TRUE(item(above)->locked);
  w.key(Qt::Key_Escape);
  w.click(w.mm(70, 70));
  EXPECT_EQ(w.desk().selection(), Ids{below});
  w.desk().select({above});
  const Point at = item(above)->position;
  w.key(Qt::Key_Right);
  w.key(Qt::Key_Delete);
  ASSERT_TRUE(item(above));
  EXPECT_EQ(item(above)->position, at);
  w.key(Qt::Key_K, Qt::ShiftModifier);
  EXPECT_FALSE(item(above)->locked);
  EXPECT_EQ(w.desk().selection(), Ids{above});
}

TEST_F(Everyday, ATemplateIsPaleAlikeEverywhereAndNotDelivered) {
  const Id a = box();
  const QColor before = w.seen(w.mm(70, 70));
  w.window.findChild<QAction*>("dim")->trigger();
  w.desk().select({});
  w.settle();
  EXPECT_GT(w.seen(w.mm(70, 70)).lightness(), before.lightness() + 20);
  EXPECT_NEAR(item(a)->paleBy, 0.7, 1e-12);
  EXPECT_NEAR(sceneOf(w.sheet()).layers.front().opacity, 0.3, 1e-12) << "thumbnails and paper show it alike";
  Delivery delivery{w.sheet().id};
  EXPECT_TRUE(sceneFor(w.desk().settled(), delivery).layers.empty());
  delivery.withTemplates = true;
  EXPECT_EQ(sceneFor(w.desk().settled(), delivery).layers.size(), 1U);
  // How pale it is is a number of its own, which is said to be what it is.
  w.desk().select({a});
  w.settle();
  EXPECT_TRUE(w.window.findChild<QLineEdit*>("pale by")->isVisible());
  w.type("pale by", "40");
  EXPECT_NEAR(item(a)->paleBy, 0.4, 1e-12);
  w.type("pale by", "0");
  EXPECT_FALSE(item(a)->isTemplate());
}

TEST_F(Everyday, SelectingByKeysBelowAndAlike) {
  const Id a = box(50), b = box(60), c = disc(150);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{a});
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{b});
  w.key(Qt::Key_Backtab, Qt::ShiftModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a});
  w.click(w.mm(80, 70));
  EXPECT_EQ(w.desk().selection(), Ids{b});
  w.click(w.mm(80, 70), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a}) << "the one below";
  w.click(w.mm(80, 70), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{b}) << "and round again";
  w.key(Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(w.desk().selection(), (Ids{a, c}));
  w.desk().select({a});
  w.window.findChild<QAction*>("sameSize")->trigger();
  EXPECT_EQ(w.desk().selection(), (Ids{a, b, c}));
  w.key(Qt::Key_Escape);
  w.drag(w.mm(40, 60), w.mm(55, 95));
  EXPECT_TRUE(w.desk().selection().empty()) << "wholly inside";
  w.drag(w.mm(40, 60), w.mm(55, 95), Qt::AltModifier);
  EXPECT_EQ(w.desk().selection(), Ids{a}) << "with Alt, what is touched";
}

TEST_F(Everyday, ADragWithAltLeavesACopy) {
  const Id a = box();
  const Point before = item(a)->position;
  w.drag(w.mm(70, 70), w.mm(120, 73), Qt::AltModifier | Qt::ShiftModifier);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(item(a)->position, before);
  const ItemPtr copy = w.sheet().items[1];
  EXPECT_EQ(w.desk().selection(), Ids{copy->id});
  EXPECT_EQ(copy->position.y, before.y) << "Shift keeps to one direction";
  EXPECT_EQ(copy->name, "box 2");
}

TEST_F(Everyday, OneStepForwardAndBackward) {
  const Id a = box();
  box();
  box();
  w.desk().select({a});
  w.key(Qt::Key_BracketRight);
  EXPECT_EQ(w.sheet().items[1]->id, a);
  w.key(Qt::Key_BracketLeft);
  EXPECT_EQ(w.sheet().items[0]->id, a);
}

TEST_F(Everyday, AShapeIsCutFromTheSelectedItemWhileItIsDrawn) {
  const Id a = box();
  w.key(Qt::Key_5);
  ASSERT_TRUE(w.window.findChild<QWidget*>("joinChoice")->isVisible());
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(85, 85));
  EXPECT_FALSE(w.desk().isTrying()) << "apart, unless a key says otherwise";
  QTest::keyPress(&w.mat(), Qt::Key_S);
  EXPECT_TRUE(w.desk().isTrying());
  EXPECT_EQ(w.seen(w.mm(77, 77)), QColor(Qt::white)) << "the hole is there while the disc is still being drawn";
  QTest::keyRelease(&w.mat(), Qt::Key_S);
  QTest::qWait(60);  // until it is sure not to go down again
  EXPECT_FALSE(w.desk().isTrying());
  QTest::keyPress(&w.mat(), Qt::Key_X);
  w.release(w.mm(85, 85));
  QTest::keyRelease(&w.mat(), Qt::Key_X);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  const Item& made = *w.sheet().items[0];
  ASSERT_TRUE(made.recipe());
  EXPECT_EQ(made.recipe()->formula.operators(), std::vector<Role>{Role::Exclude});
  EXPECT_EQ(w.desk().history().undoName(), "Draw ellipse") << "one step";
  // The next one joins the same recipe, by a click in the tool row.
  w.key(Qt::Key_4);
  w.press("join subtract");
  w.drag(w.mm(52, 52), w.mm(60, 60));
  EXPECT_EQ(w.sheet().items[0]->recipe()->formula.operators(), (std::vector<Role>{Role::Exclude, Role::Subtract}));
  EXPECT_EQ(w.sheet().items[0]->recipe()->parts.front()->id, a);
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_4);
  EXPECT_FALSE(w.window.findChild<QWidget*>("joinChoice")->isVisible()) << "nothing is selected";
}

TEST_F(Everyday, EnterLaysAShapeInTheMiddleAndEscapeDuringADragLaysNone) {
  w.key(Qt::Key_4);
  w.key(Qt::Key_Return);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(w.sheet().items[0]->position, w.sheet().box().centre());
  w.key(Qt::Key_5);
  w.press(w.mm(70, 70));
  w.dragTo(w.mm(85, 85));
  QTest::keyPress(&w.mat(), Qt::Key_S);
  QTest::keyClick(&w.mat(), Qt::Key_Escape);
  EXPECT_FALSE(w.desk().isTrying());
  w.release(w.mm(85, 85));
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_FALSE(w.sheet().items[0]->recipe());
}

TEST_F(Everyday, FieldsSizeTurnShearAndFlipAboutThePivot) {
  const Id a = box(50);
  const auto onSheet = [&] {
    return bounds(transformed(resolved(*item(a))->outline, frameToSheet(w.desk().project(), a)));
  };
  const Box before = onSheet();
  auto* pivot = w.window.findChild<QWidget*>("pivotGrid");
  QTest::mouseClick(pivot, Qt::LeftButton, {}, QPoint(37, 37));
  w.settle();
  w.type("width", "*2");
  EXPECT_NEAR(onSheet().high.x, before.high.x, 1e-6) << "the lower right corner stays";
  EXPECT_NEAR(onSheet().width(), 2 * before.width(), 1e-6);
  w.press("keepProportions");
  w.type("height", "*2");
  EXPECT_NEAR(onSheet().width(), 4 * before.width(), 1e-6);
  EXPECT_NEAR(onSheet().high.y, before.high.y, 1e-6);
  w.type("x", "100mm");
  EXPECT_NEAR(onSheet().high.x, w.mm(100, 0).x, 1e-6) << "x is that of the pivot";
  w.key(Qt::Key_M);
  EXPECT_NEAR(onSheet().low.x, w.mm(100, 0).x, 1e-6) << "flipped about the right edge";
  w.type("turn", "30");
  EXPECT_NEAR(degrees(item(a)->turn), 30, 1e-9);
  w.press("turnBack");
  EXPECT_NEAR(item(a)->turn, 0, 1e-12);
  const double width = onSheet().width(), height = onSheet().height();
  w.type("shear", "45");
  EXPECT_NEAR(onSheet().width(), width + height, 1e-6);
  // The ring on the mat is dragged; what turns, turns about it.
  const auto frame = SelectionFrame::of(w.desk().project(), w.desk().selection());
  const Point ring = pivotPoint(*frame, w.desk().pivot()), to = w.mm(200, 150);
  w.drag(ring, to);
  ASSERT_TRUE(w.desk().pivot().free);
  const Point at = item(a)->position;
  w.type("turn", "+=180");
  EXPECT_LT(length(mix(at, item(a)->position, 0.5) - *w.desk().pivot().free), 1e-6);
}

TEST_F(Everyday, SeveralItemsAreTurnedEachByItself) {
  const Id a = box(50), b = box(150);
  w.desk().select({a, b});
  w.settle();
  const Point before = item(a)->position;
  w.press("eachByItself");
  w.type("turn", "45");
  EXPECT_NEAR(degrees(item(a)->turn), 45, 1e-9);
  EXPECT_LT(length(item(a)->position - before), 1e-9);
  w.type("width", "20mm");
  EXPECT_NEAR(boxInFrame(*item(a)).width(), w.mm(20, 0).x, 1e-6);
  EXPECT_NEAR(boxInFrame(*item(b)).width(), w.mm(20, 0).x, 1e-6);
}

TEST_F(Everyday, ACaptionIsDraggedToChangeItsField) {
  const Id a = box();
  const Point before = item(a)->position;
  QWidget* caption = nullptr;
  for (auto* one : w.window.findChildren<DragCaption*>())
    if (one->text() == "x, y") caption = one;
  ASSERT_TRUE(caption);
  const QPoint from(20, 8);
  QTest::mousePress(caption, Qt::LeftButton, {}, from);
  for (const int by : {6, 12, 20}) {
    const QPoint at = from + QPoint(by, 0);
    QMouseEvent move(QEvent::MouseMove, at, caption->mapToGlobal(QPointF(at)), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(caption, &move);
  }
  EXPECT_TRUE(w.desk().isTrying());
  QTest::mouseRelease(caption, Qt::LeftButton, {}, from + QPoint(20, 0));
  w.settle();
  EXPECT_NEAR(item(a)->position.x - before.x, 10 * pointsPerMillimetre, 1e-6) << "half a millimetre a pixel";
  EXPECT_EQ(item(a)->position.y, before.y);
  EXPECT_EQ(w.desk().history().undoName(), "Move");
}

TEST_F(Everyday, InAGroupTheNextOneIsAnotherMemberFromACutoutToo) {
  const Id a = box(50);
  w.key(Qt::Key_5);
  w.dragHolding(Qt::Key_S, w.mm(80, 80), w.mm(100, 100));
  const Id cutout = w.desk().selection().front(), b = disc(150);
  const Id outside = box(220);
  w.desk().select({cutout, b});
  w.key(Qt::Key_G);
  w.desk().select({cutout});
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{b});
  w.key(Qt::Key_Tab);
  EXPECT_EQ(w.desk().selection(), Ids{cutout}) << "and not what lies outside of the group";
  EXPECT_NE(cutout, a);
  EXPECT_TRUE(item(outside));
}

}  // namespace
}  // namespace widecut
