// Gestures: every modifier, in every tool, at once and also while the mouse is still; keys in the middle of a drag.
#include <gtest/gtest.h>

#include "app/tools/tool_table.h"
#include "text_of.h"
#include "walked.h"

namespace widecut {
namespace {

struct GestureTest : testing::Test {
  Walker walk;
  WindowDriver& w = walk.w;

  /// What shows on the sheet in the middle of a gesture.
  std::string seen() {
    w.settle();
    return textOf(w.desk().project());
  }
  struct Drag {
    std::string name;
    std::function<void()> begin;  ///< From an empty sheet; what is dragged lies there then, and the tool is in hand.
    Point from, to;
  };
  std::vector<Drag> drags() {
    const Point from = w.mm(70, 60), to = w.mm(112, 97);
    std::vector<Drag> all;
    all.push_back({"moving", [&] { walk.box(); }, w.mm(100, 80), w.mm(143, 97)});
    all.push_back({"resizing", [&] { walk.box(); }, w.mm(140, 110), w.mm(163, 117)});
    all.push_back({"turning", [&] { walk.box(); }, {}, w.mm(163, 97)});
    all.push_back({"a marquee",
                   [&] {
                     walk.box();
                     w.key(Qt::Key_Escape);
                   },
                   w.mm(40, 40), w.mm(100, 80)});
    for (const int tool : {Qt::Key_4, Qt::Key_5, Qt::Key_6, Qt::Key_7})
      all.push_back(
          {"drawing with " + std::string(1, static_cast<char>(tool)), [this, tool] { w.key(tool); }, from, to});
    all.push_back({"a handle of the pen",
                   [&] {
                     w.key(Qt::Key_3);
                     w.click(w.mm(40, 40));
                   },
                   from, to});
    all.push_back({"a node",
                   [&] {
                     walk.plain();
                     w.key(Qt::Key_2);
                   },
                   w.mm(60, 50), w.mm(78, 57)});
    all.push_back({"the knife",
                   [&] {
                     walk.box();
                     w.key(Qt::Key_0);
                   },
                   w.mm(50, 70), w.mm(160, 85)});
    all.push_back({"reframing",
                   [&] {
                     walk.photo();
                     w.key(Qt::Key_R);
                   },
                   w.mm(100, 80), w.mm(115, 84)});
    return all;
  }
  void begin(const Drag& drag, Point& from) {
    walk.bringUp({drag.name, drag.begin});
    from = drag.from;
    // A little outside a corner.
    if (drag.name == "turning") from = w.mat().toSheet(w.mat().toMat(w.mm(140, 50)) + QPointF(14, -14));
    QTest::mouseMove(&w.mat(), w.onMat(from));
  }
  void held(QEvent::Type type, int key, Qt::KeyboardModifiers modifiers) {
    QKeyEvent event(type, key, modifiers, key < 0x80 ? QString(QChar(key).toLower()) : QString());
    QApplication::sendEvent(&w.mat(), &event);
    if (type == QEvent::KeyRelease && key < 0x80) waitForItToStayUp();
  }
  /// Until a letter that was let go is sure not to go down again, however long other events take.
  static void waitForItToStayUp() {
    QTest::qWait(60);
    QApplication::processEvents();
  }
  /// What shows at the end of a way when all of it was made with these modifiers.
  std::string draggedWith(const Drag& drag, Qt::KeyboardModifiers modifiers) {
    Point from;
    begin(drag, from);
    w.press(from);
    for (int i = 1; i <= 4; ++i) w.dragTo(mix(from, drag.to, i / 4.0), i < 4 ? Qt::NoModifier : modifiers);
    w.dragTo(drag.to, modifiers);
    const std::string all = seen();
    held(QEvent::KeyPress, Qt::Key_Escape, {});
    w.release(drag.to);
    return all;
  }
};

/// A test for each drag: there are many, and each has the window do much.
constexpr std::size_t dragCount = 12;
struct InEveryTool : GestureTest, testing::WithParamInterface<std::size_t> {
  const std::vector<Drag> all = drags();
  const Drag& drag = all.at(GetParam());
};
INSTANTIATE_TEST_SUITE_P(Drags, InEveryTool, testing::Range<std::size_t>(0, dragCount));

TEST_F(GestureTest, EveryDragHasItsTests) { EXPECT_EQ(drags().size(), dragCount); }

TEST_F(GestureTest, ALetterThatRepeatsItselfIsHeldAllTheTime) {
  // Displays say of a held key that it goes up and down again, again and again.
  walk.box();
  w.key(Qt::Key_5);
  const auto send = [&](QEvent::Type type) {
    QKeyEvent event(type, Qt::Key_S, Qt::NoModifier, "s");
    QApplication::sendEvent(&w.mat(), &event);
  };
  w.press(w.mm(120, 90));
  w.dragTo(w.mm(170, 130));
  send(QEvent::KeyPress);
  ASSERT_EQ(w.desk().joinForNew(), Role::Subtract);
  for (int i = 0; i < 5; ++i) {
    send(QEvent::KeyRelease);
    EXPECT_EQ(w.desk().joinForNew(), Role::Subtract);
    send(QEvent::KeyPress);
    EXPECT_EQ(w.desk().joinForNew(), Role::Subtract);
    QTest::qWait(40);
    EXPECT_EQ(w.desk().joinForNew(), Role::Subtract);
  }
  send(QEvent::KeyRelease);
  waitForItToStayUp();
  EXPECT_FALSE(w.desk().joinForNew());
  held(QEvent::KeyPress, Qt::Key_Escape, {});
  w.release(w.mm(170, 130));
}

TEST_P(InEveryTool, EveryModifierShowsAtOnce) {
  struct Held {
    Qt::KeyboardModifier modifier;
    std::vector<int> keys;
  };
  for (const Held& one :
       {Held{Qt::ShiftModifier, {Qt::Key_Shift}}, Held{Qt::ControlModifier, {Qt::Key_Control}},
        Held{Qt::AltModifier, {Qt::Key_Alt, Qt::Key_C, Qt::Key_M, Qt::Key_B, Qt::Key_O, Qt::Key_T, Qt::Key_H}}}) {
    const std::string wanted = draggedWith(drag, one.modifier);
    Point from;
    begin(drag, from);
    const ProjectPtr before = w.desk().history().current();
    w.press(from);
    for (int i = 1; i <= 4; ++i) w.dragTo(mix(from, drag.to, i / 4.0));
    w.dragTo(drag.to);
    // The mouse is still from here on: one key after another.
    for (const int key : one.keys) {
      const std::string where = drag.name + ", " + QKeySequence(key).toString().toStdString();
      held(QEvent::KeyPress, key, {});
      EXPECT_EQ(seen(), wanted) << where;
      EXPECT_EQ(w.desk().history().current(), before) << where << ": a key made a step";
      held(QEvent::KeyRelease, key, key > 0x80 ? one.modifier : Qt::NoModifier);
    }
    held(QEvent::KeyPress, Qt::Key_Escape, {});
    EXPECT_EQ(w.desk().history().current(), before) << drag.name;
    EXPECT_FALSE(w.desk().isTrying()) << drag.name << ": Escape ends the drag";
    w.release(drag.to);
    EXPECT_EQ(w.desk().history().current(), before) << drag.name << ": what was ended is not made by letting go";
  }
}

TEST_P(InEveryTool, ALetterHeldBeforeTheDragIsThatOfTheDrag) {
  Point from;
  const auto draggedNow = [&](Qt::KeyboardModifiers modifiers) {
    w.press(from, modifiers);
    for (int i = 1; i <= 4; ++i) w.dragTo(mix(from, drag.to, i / 4.0), modifiers);
    w.dragTo(drag.to, modifiers);
    const std::string all = seen();
    held(QEvent::KeyPress, Qt::Key_Escape, {});
    w.release(drag.to);
    return all;
  };
  begin(drag, from);
  const std::string wanted = draggedNow(Qt::AltModifier);
  for (const int key : {Qt::Key_C, Qt::Key_M, Qt::Key_B, Qt::Key_O, Qt::Key_T, Qt::Key_H}) {
    const std::string where = drag.name + ", " + QKeySequence(key).toString().toStdString();
    begin(drag, from);
    const ProjectPtr before = w.desk().history().current();
    QTest::keyPress(&w.mat(), static_cast<Qt::Key>(key));
    EXPECT_EQ(w.desk().history().current(), before) << where << ": it is no command before it is let go";
    EXPECT_EQ(draggedNow({}), wanted) << where;
    held(QEvent::KeyRelease, key, {});
    EXPECT_EQ(w.desk().history().current(), before) << where << ": nor after the drag";
  }
}

TEST_P(InEveryTool, KeysInADragMakeNoStepsAndMoveNothing) {
  Point from;
  begin(drag, from);
  const ProjectPtr before = w.desk().history().current();
  const auto selected = w.desk().selection();
  const ToolKind tool = w.desk().tool();
  w.press(from);
  for (int i = 1; i <= 4; ++i) w.dragTo(mix(from, drag.to, i / 4.0));
  const std::string shown = seen();
  for (const int key : {Qt::Key_Right, Qt::Key_Delete, Qt::Key_D, Qt::Key_G, Qt::Key_K, Qt::Key_Q, Qt::Key_A})
    QTest::keyClick(&w.mat(), static_cast<Qt::Key>(key));
  for (const int key : {Qt::Key_Right, Qt::Key_Right})
    QTest::keyClick(&w.mat(), static_cast<Qt::Key>(key), Qt::ShiftModifier);
  QTest::keyClick(&w.mat(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().current(), before) << drag.name;
  EXPECT_EQ(w.desk().selection(), selected) << drag.name;
  EXPECT_EQ(w.desk().tool(), tool) << drag.name;
  w.dragTo(drag.to);
  EXPECT_EQ(seen(), shown) << drag.name << ": the drag went on as if nothing had been pressed";
  held(QEvent::KeyPress, Qt::Key_Escape, {});
  w.release(drag.to);
  EXPECT_EQ(w.desk().selection(), selected) << drag.name << ": Escape ends the drag alone";
  EXPECT_EQ(w.desk().tool(), tool) << drag.name;
}

TEST_F(GestureTest, ALetterThatIsHeldPastTheDragIsNoCommand) {
  walk.box();
  w.press(w.mm(100, 80));
  w.dragTo(w.mm(120, 80));
  held(QEvent::KeyPress, Qt::Key_C, {});
  w.dragTo(w.mm(150, 80));
  w.release(w.mm(150, 80));
  EXPECT_EQ(w.sheet().items.size(), 2U) << "C copies";
  // The keyboard repeats it.
  QTest::keyPress(&w.mat(), Qt::Key_C);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  for (const ItemPtr& item : w.sheet().items) EXPECT_TRUE(starterOf(*item)) << "no row of copies was made";
  QTest::keyRelease(&w.mat(), Qt::Key_C);
  w.key(Qt::Key_C);
  EXPECT_TRUE(repeatOf(*w.desk().onlyItem())) << "and then it is a command again";
  // Typed on before the first key is up, both are done in their order.
  QTest::keyPress(&w.mat(), Qt::Key_M);
  QTest::keyPress(&w.mat(), Qt::Key_K);
  QTest::keyRelease(&w.mat(), Qt::Key_M);
  QTest::keyRelease(&w.mat(), Qt::Key_K);
  EXPECT_EQ(w.desk().history().undoName(), "Lock");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().undoName(), "Flip left–right");
}

TEST_F(GestureTest, WhatIsSmallIsMovedByItsBody) {
  // 40 by 10 pixels of words, and a star of 30.
  w.mat().showBox({{0, 0}, {700, 500}});
  w.key(Qt::Key_5);
  const double pixel = 1 / w.mat().zoom();
  const Point at = w.mm(100, 100);
  w.drag(at, at + Point{40 * pixel, 12 * pixel}, Qt::ControlModifier);
  w.key(Qt::Key_1);
  const Id id = w.desk().selection().front();
  const Box before = boxOnSheet(w.desk().project(), id);
  w.drag(before.centre(), before.centre() + Point{90 * pixel, 50 * pixel}, Qt::ControlModifier);
  const Box after = boxOnSheet(w.desk().project(), id);
  EXPECT_NEAR(after.width(), before.width(), 1e-6) << "moved, and not stretched";
  EXPECT_NEAR(after.low.x - before.low.x, 90 * pixel, pixel);
  // Its grips stand outside, and resize it.
  const Point corner = after.high + Point{11 * pixel, 11 * pixel};
  w.drag(corner, corner + Point{50 * pixel, 30 * pixel}, Qt::ControlModifier);
  EXPECT_GT(boxOnSheet(w.desk().project(), id).width(), after.width() + 30 * pixel);
}

TEST_F(GestureTest, WhatIsSelectedIsMovedAlsoUnderOthers) {
  const Id below = walk.box();
  const Id above = walk.disc(90);
  w.click(w.mm(64, 54));
  ASSERT_EQ(w.desk().selection(), std::vector<Id>{below});
  const Box before = boxOnSheet(w.desk().project(), below);
  w.drag(w.mm(110, 90), w.mm(120, 120), Qt::ControlModifier);
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{below});
  EXPECT_NEAR(boxOnSheet(w.desk().project(), below).low.x - before.low.x, 10 * pointsPerMillimetre, 2);
  w.click(w.mm(115, 100));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{above}) << "a click picks what lies on top";
}

TEST_F(GestureTest, AMarqueeBeginsOnWhatFillsTheSheet) {
  const Box sheet = w.sheet().box();
  w.key(Qt::Key_4);
  w.drag(sheet.low - Point{5, 5}, sheet.high + Point{5, 5}, Qt::ControlModifier);
  w.key(Qt::Key_1);
  const Id ground = w.desk().selection().front();
  const Id small = walk.box();
  w.key(Qt::Key_Escape);
  const Box before = boxOnSheet(w.desk().project(), ground);
  w.drag(w.mm(30, 30), w.mm(160, 130));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{small});
  EXPECT_EQ(boxOnSheet(w.desk().project(), ground).low, before.low);
  w.key(Qt::Key_Escape);
  w.click(w.mm(20, 20));
  EXPECT_EQ(w.desk().selection(), std::vector<Id>{ground}) << "a click selects it";
}

TEST_F(GestureTest, TurningBeginsALittleOutsideACorner) {
  const Id id = walk.box();
  for (const double out : {7.0, 14.0, 18.0}) {
    const double before = findItem(w.desk().project(), id)->turn;
    const Box box = boxOnSheet(w.desk().project(), id);
    const Point corner = w.mat().toSheet(w.mat().toMat(box.corner(1)) + QPointF(out, -out));
    if (before == 0) {
      w.drag(corner, corner + Point{0, 60}, Qt::ControlModifier);
      EXPECT_GT(std::abs(findItem(w.desk().project(), id)->turn), 0.05) << out;
      w.desk().undo();
    }
    EXPECT_EQ(w.desk().selection(), std::vector<Id>{id}) << out;
  }
}

TEST_F(GestureTest, DuplicatingLearnsTheSpacing) {
  const Id first = walk.draw(Qt::Key_4, 40, 40, 20, 20);
  walk.command("duplicate");
  const Id second = w.desk().selection().front();
  const Point at = boxOnSheet(w.desk().project(), second).centre();
  w.drag(at, at + w.mm(30, 10), Qt::ControlModifier);
  const auto place = [&](Id id) { return findItem(w.desk().project(), id)->position; };
  const Point by = place(second) - place(first);
  walk.command("duplicate");
  const Id third = w.desk().selection().front();
  walk.command("duplicate");
  const Id fourth = w.desk().selection().front();
  EXPECT_NEAR(distance(place(third) - place(second), by), 0, 1e-6);
  EXPECT_NEAR(distance(place(fourth) - place(third), by), 0, 1e-6);
}

TEST_F(GestureTest, AgainRepeatsWhatStands) {
  walk.box();
  w.key(Qt::Key_Right);  // 1 mm
  w.key(Qt::Key_Down, Qt::ShiftModifier);
  w.desk().undo();
  const Point before = w.desk().onlyItem()->position;
  w.key(Qt::Key_A);
  const Point after = w.desk().onlyItem()->position;
  EXPECT_NEAR(after.x - before.x, pointsPerMillimetre, 1e-6) << "the nudge to the right stands";
  EXPECT_NEAR(after.y, before.y, 1e-6) << "the one down was undone";
}

TEST_F(GestureTest, UndoOfACombinationBringsItsSelectionBack) {
  const Id a = walk.box(), b = walk.disc();
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_U);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  walk.command("undo");
  EXPECT_EQ(w.desk().selection(), (std::vector<Id>{a, b}));
}

TEST_F(GestureTest, QuarterTurnsAreCommandsAndTurnsAreCleared) {
  const Id id = walk.box();
  walk.command("quarterRight");
  EXPECT_NEAR(degrees(findItem(w.desk().project(), id)->turn), 90, 1e-9);
  walk.command("halfTurn");
  EXPECT_NEAR(std::abs(degrees(findItem(w.desk().project(), id)->turn)), 90, 1e-9);
  w.type("shear", "20");
  w.type("turn", "33");
  walk.command("clearTurn");
  EXPECT_NEAR(findItem(w.desk().project(), id)->turn, 0, 1e-9);
  EXPECT_EQ(starterOf(*findItem(w.desk().project(), id))->content().stretch, Affine{});
}

}  // namespace
}  // namespace widecut
