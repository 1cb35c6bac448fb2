// Typing on the mat, and how words look, in the real window.
#include <QClipboard>
#include <QComboBox>
#include <QFile>
#include <QLabel>
#include <QTemporaryDir>

#include "everyday.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"

namespace widecut {
namespace {

struct WordsWindow : Everyday {
  void type(const char* text) { w.typeOnMat(text); }
  void begin(Point at) {
    w.key(Qt::Key_8);
    w.click(at);
  }
  /// A line of large letters, done with.
  Id line(const char* text, Point at) {
    w.desk().setTextStyleForNew({{"League Spartan", 700}, 60, 66, Align::Left});
    begin(at);
    type(text);
    w.key(Qt::Key_Escape);
    return w.desk().selection().front();
  }
  const Words& words(Id id) { return *wordsOf(*item(id)); }
  std::string text(Id id) { return words(id).content().text; }
  Id only() { return w.sheet().items.front()->id; }
};

TEST_F(WordsWindow, AClickAndTypingMakeALine) {
  begin(w.mm(60, 60));
  type("Skarrow Peak");
  w.key(Qt::Key_Escape);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(text(only()), "Skarrow Peak");
  EXPECT_EQ(item(only())->name, "Skarrow Peak");
  EXPECT_NEAR(distance(item(only())->position, w.mm(60, 60)), 0, 1) << "the base line begins where was clicked";
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_EQ(w.desk().selection(), Ids{only()});
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(text(only()), "Skarrow ") << "a step for each word";
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(w.sheet().items.empty());
}

TEST_F(WordsWindow, KeysOfCommandsAndToolsAreLettersWhileTyping) {
  box();
  w.desk().select({});
  begin(w.mm(60, 150));
  type("usixdgbrmkh 0148 ?[]");
  w.key(Qt::Key_Escape);
  ASSERT_EQ(w.sheet().items.size(), 2U);
  EXPECT_EQ(text(w.desk().selection().front()), "usixdgbrmkh 0148 ?[]");
}

TEST_F(WordsWindow, TheCaretGoesByLettersWordsAndLines) {
  begin(w.mm(60, 60));
  type("slow line");
  w.key(Qt::Key_Return);
  type("above");
  w.key(Qt::Key_Home);
  type("far ");
  w.key(Qt::Key_Up);
  w.key(Qt::Key_End);
  w.key(Qt::Key_Left, Qt::ControlModifier);
  type("red ");
  w.key(Qt::Key_Home, Qt::ControlModifier);
  w.key(Qt::Key_Right, Qt::ControlModifier | Qt::ShiftModifier);
  type("a ");
  EXPECT_EQ(text(only()), "a red line\nfar above");
  w.key(Qt::Key_End, Qt::ControlModifier);
  w.key(Qt::Key_Backspace);
  w.key(Qt::Key_Backspace, Qt::ControlModifier);
  w.key(Qt::Key_Left);
  w.key(Qt::Key_Delete);
  EXPECT_EQ(text(only()), "a red line\nfar");
}

TEST_F(WordsWindow, TextGoesToTheClipboardAndBack) {
  begin(w.mm(60, 60));
  type("peak");
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_C, Qt::ControlModifier);
  EXPECT_EQ(QApplication::clipboard()->text(), "peak");
  w.key(Qt::Key_End);
  QApplication::clipboard()->setText("\tof\r\nsnow");
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(text(only()), "peak\tof\nsnow") << "as text that can be set";
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_X, Qt::ControlModifier);
  EXPECT_EQ(QApplication::clipboard()->text(), "peak\tof\nsnow");
  type("x");
  EXPECT_EQ(text(only()), "x");
}

TEST_F(WordsWindow, WhatIsLeftEmptyIsNotThere) {
  begin(w.mm(60, 60));
  w.key(Qt::Key_Escape);
  EXPECT_TRUE(w.sheet().items.empty());
  EXPECT_FALSE(w.desk().history().canUndo()) << "nothing was done";
  const Id id = line("peak", w.mm(60, 60));
  w.key(Qt::Key_Return);
  w.key(Qt::Key_A, Qt::ControlModifier);
  w.key(Qt::Key_Delete);
  w.key(Qt::Key_Escape);
  EXPECT_FALSE(item(id)) << "words without text go";
  w.key(Qt::Key_Z, Qt::ControlModifier);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(text(id), "peak");
}

TEST_F(WordsWindow, UndoTakesBackAWordAndTypingGoesOn) {
  const Id id = line("peak", w.mm(60, 60));
  w.key(Qt::Key_Return);
  type("s of snow");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(text(id), "peaks of ");
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(text(id), "peaks ");
  type("!");
  EXPECT_EQ(text(id), "peaks !");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.desk().history().undoName(), "Type");
}

TEST_F(WordsWindow, WhatIsTypedIsKeptWhateverIsDoneNext) {
  begin(w.mm(60, 60));
  type("peak");
  w.press("align-right");
  EXPECT_EQ(text(only()), "peak");
  type("s");
  auto* field = w.window.findChild<QLineEdit*>("letter size");
  QTest::mouseClick(field, Qt::LeftButton);
  EXPECT_EQ(wordsOf(*findItem(w.desk().settled(), only()))->content().text, "peaks")
      << "settled when the keys go elsewhere";
  w.type("letter size", "48");
  EXPECT_EQ(text(only()), "peaks");
  EXPECT_EQ(words(only()).content().style.size, 48);
}

TEST_F(WordsWindow, AFrameBreaksLinesAndIsSizedWithoutItsLetters) {
  w.desk().setTextStyleForNew({{"Cabin", 400}, 20, 24, Align::Left});
  w.key(Qt::Key_8);
  w.drag(w.mm(60, 60), w.mm(120, 90));
  type("the slow line above the clouds");
  w.key(Qt::Key_Escape);
  const Id id = only();
  ASSERT_TRUE(words(id).content().frame);
  EXPECT_NEAR(words(id).content().frame->width, 60 * pointsPerMillimetre, 1.5);
  const std::size_t lines = words(id).set().lines.size();
  EXPECT_GT(lines, 1U);
  // Half as wide by the handle on the right: more lines, and too many for it.
  w.drag(w.mm(120, 75), w.mm(85, 75));
  EXPECT_GT(words(id).set().lines.size(), lines);
  EXPECT_EQ(words(id).content().style.size, 20);
  EXPECT_FALSE(words(id).set().fits());
  auto* fit = w.window.findChild<QLabel*>("fit");
  EXPECT_TRUE(fit->text().contains("not fit")) << fit->text().toStdString();
  w.press("lettersToFrame");
  EXPECT_TRUE(words(id).set().fits());
  EXPECT_LT(words(id).content().style.size, 20);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  w.press("frameToWords");
  EXPECT_TRUE(words(id).set().fits());
  EXPECT_EQ(words(id).content().style.size, 20);
  EXPECT_TRUE(fit->text().contains("all of it fits"));
  // With Shift the letters grow along.
  const Box before = boxInParent(*item(id));
  w.drag(before.high, before.high + (before.high - before.low), Qt::ShiftModifier);
  EXPECT_NEAR(words(id).content().style.size, 40, 2);
}

TEST_F(WordsWindow, ADoubleClickPutsTheCaretWhereItIs) {
  const Id id = line("peak", w.mm(60, 60));
  const SetWords& set = words(id).set();
  const Point between = item(id)->position + caretAt(set, 2) - Point{1, set.ascent / 3};
  QTest::mouseDClick(&w.mat(), Qt::LeftButton, {}, w.onMat(between));
  QTest::mouseRelease(&w.mat(), Qt::LeftButton, {}, w.onMat(between));
  w.settle();
  EXPECT_EQ(w.desk().typedOn(), id);
  type("-");
  EXPECT_EQ(text(id), "pe-ak");
  // Again on a word selects it.
  QTest::mouseDClick(&w.mat(), Qt::LeftButton, {}, w.onMat(between));
  QTest::mouseRelease(&w.mat(), Qt::LeftButton, {}, w.onMat(between));
  type("x");
  EXPECT_EQ(text(id), "x-ak");
  // A drag selects; a click beside is the end.
  w.drag(item(id)->position - Point{3, 10}, item(id)->position + Point{300, -10});
  type("snow");
  EXPECT_EQ(text(id), "snow");
  w.click(w.mm(200, 180));
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
  EXPECT_EQ(w.sheet().items.size(), 1U);
}

TEST_F(WordsWindow, WordsInACutoutAreTypedOnAndItFollows) {
  const Id panel = draw(Qt::Key_4, w.mm(40, 30), w.mm(240, 80));
  w.key(Qt::Key_8);
  w.key(Qt::Key_S);
  w.desk().setTextStyleForNew({{"League Spartan", 700}, 90, 99, Align::Left});
  w.click(w.mm(50, 70));
  type("ll");
  ASSERT_EQ(w.sheet().items.size(), 1U) << "shown while it is typed";
  EXPECT_TRUE(w.sheet().items[0]->recipe());
  w.key(Qt::Key_Escape);
  const ItemPtr cutout = w.sheet().items[0];
  ASSERT_TRUE(cutout->recipe());
  const Id word = cutout->recipe()->parts[1]->id;
  ASSERT_TRUE(wordsOf(*item(word)));
  const auto letter = [&](std::size_t from) {
    const SetWords& set = words(word).set();
    return frameToSheet(w.desk().project(), word)(mix(caretAt(set, from), caretAt(set, from + 1), 0.5) - Point{0, 20});
  };
  w.key(Qt::Key_Escape);
  w.key(Qt::Key_Escape);
  EXPECT_EQ(w.seen(letter(0)), QColor(Qt::white)) << "the paper shows through the letter";
  const Point third = letter(1) + (letter(1) - letter(0));
  EXPECT_NE(w.seen(third), QColor(Qt::white));
  // The words tool goes into words wherever they are.
  w.key(Qt::Key_8);
  w.click(letter(1));
  EXPECT_EQ(w.desk().typedOn(), word);
  w.key(Qt::Key_End);
  type("l");
  EXPECT_EQ(w.seen(third), QColor(Qt::white));
  EXPECT_TRUE(item(panel));
}

TEST_F(WordsWindow, AnInputMethodShowsWhatItIsAt) {
  begin(w.mm(60, 60));
  type("a");
  EXPECT_TRUE(w.mat().testAttribute(Qt::WA_InputMethodEnabled));
  QInputMethodEvent composing(QString::fromUtf8("é"), {});
  QApplication::sendEvent(&w.mat(), &composing);
  EXPECT_EQ(text(only()), "aé") << "it shows";
  EXPECT_TRUE(w.desk().isTrying());
  QInputMethodEvent done;
  done.setCommitString(QString::fromUtf8("ê"));
  QApplication::sendEvent(&w.mat(), &done);
  w.key(Qt::Key_Escape);
  EXPECT_EQ(text(only()), "aê");
  EXPECT_FALSE(w.mat().testAttribute(Qt::WA_InputMethodEnabled));
}

TEST_F(WordsWindow, TheStyleIsChosenOnTheRight) {
  const Id id = line("peak", w.mm(60, 60));
  auto* family = w.window.findChild<QComboBox*>("fontFamily");
  ASSERT_TRUE(family->isVisible());
  EXPECT_EQ(family->currentText(), "League Spartan");
  // By typing a part of a name.
  family->lineEdit()->selectAll();
  QTest::keyClicks(family->lineEdit(), "EB Garamond");
  QTest::keyClick(family->lineEdit(), Qt::Key_Return);
  w.settle();
  EXPECT_EQ(words(id).content().style.face.family, "EB Garamond");
  // Other words have their own, and it shows.
  const Id other = line("road", w.mm(60, 180));
  EXPECT_EQ(family->currentText(), "League Spartan");
  w.desk().commit("Delete", withoutItems(w.desk().settled(), Ids{other}));
  w.desk().select({id});
  w.settle();
  EXPECT_EQ(family->currentText(), "EB Garamond");
  w.type("letter size", "30");
  EXPECT_EQ(words(id).content().style.leading, 33) << "leading keeps its share of the size";
  w.type("leading", "50");
  EXPECT_EQ(words(id).content().style.leading, 50);
  w.press("align-right");
  EXPECT_EQ(words(id).content().style.align, Align::Right);
  // The next words look like these.
  w.key(Qt::Key_Escape);
  begin(w.mm(60, 150));
  type("road");
  w.key(Qt::Key_Escape);
  EXPECT_EQ(words(w.desk().selection().front()).content().style, words(id).content().style);
  // What is tried in the list is taken back when it is left.
  emit family->textHighlighted("Cabin");
  EXPECT_EQ(words(w.desk().selection().front()).content().style.face.family, "Cabin");
  family->showPopup();
  family->hidePopup();
  w.settle();
  EXPECT_EQ(words(w.desk().selection().front()).content().style.face.family, "EB Garamond");
}

TEST_F(WordsWindow, BakedWordsHaveNoStyleAnyMore) {
  const Id id = line("peak", w.mm(60, 60));
  EXPECT_TRUE(w.window.findChild<QComboBox*>("fontFamily")->isVisible());
  w.key(Qt::Key_B);
  EXPECT_FALSE(wordsOf(*item(id)));
  EXPECT_FALSE(w.window.findChild<QComboBox*>("fontFamily")->isVisible());
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_TRUE(w.window.findChild<QComboBox*>("fontFamily")->isVisible());
}

TEST_F(WordsWindow, AFontThatIsNotThereIsSaid) {
  const Id id = line("peak", w.mm(60, 60));
  w.desk().commit("Font", withTextStyle(w.desk().settled(), Ids{id},
                                        [](TextStyle& style) { style.face.family = "No Such Family"; }));
  w.settle();
  auto* missing = w.window.findChild<QLabel*>("fontMissing");
  EXPECT_TRUE(missing->isVisible());
  EXPECT_TRUE(missing->text().contains("No Such Family"));
  EXPECT_EQ(w.window.findChild<QComboBox*>("fontFamily")->currentText(), "No Such Family");
}

TEST_F(WordsWindow, NewWordsAreLegibleOnWhatIsBehindThem) {
  draw(Qt::Key_4, w.mm(40, 40), w.mm(200, 120));
  w.desk().commit("Fill", withEach(w.desk().settled(), w.desk().selection(), [](const Item& before) {
                    Item after = before;
                    setColour(changeable(after), Colour{20, 30, 60});
                    return after;
                  }));
  w.key(Qt::Key_Escape);
  const Id onDark = line("peak", w.mm(60, 80));
  EXPECT_EQ(colourOf(*item(onDark)->style), (Colour{255, 255, 255}));
  const Id onPaper = line("peak", w.mm(60, 160));
  EXPECT_EQ(colourOf(*item(onPaper)->style), (Colour{0x23, 0x30, 0x2E}));
}

TEST_F(WordsWindow, TheKnifeLeavesWordsToBeTypedOn) {
  const Id id = line("peak", w.mm(60, 80));
  w.key(Qt::Key_0);
  w.drag(w.mm(40, 75), w.mm(200, 75), Qt::ShiftModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_TRUE(w.sheet().items[0]->recipe());
  const Box before = boxInParent(*w.sheet().items[0]);
  w.desk().typeOn(id);
  type("s");
  w.key(Qt::Key_Escape);
  EXPECT_GT(boxInParent(*w.sheet().items[0]).width(), before.width());
}

TEST_F(WordsWindow, PastedAndDroppedDrawingsBecomeShapes) {
  const char* const svg =
      "<svg xmlns='http://www.w3.org/2000/svg'><rect width='96' height='48' fill='#2f7d4f'/><circle r='9'/></svg>";
  auto* data = new QMimeData;
  data->setData("image/svg+xml", svg);
  QApplication::clipboard()->setMimeData(data);
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  ASSERT_EQ(childrenOf(*w.sheet().items[0]).size(), 2U) << "one group of both";
  EXPECT_NEAR(boxInParent(*w.sheet().items[0]).centre().x, w.sheet().width / 2, 1e-6);
  // As text too, and as a file that is dropped.
  QApplication::clipboard()->setText(svg);
  w.key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 2U);
  const QTemporaryDir folder;
  QFile file(folder.filePath("mark.svg"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(svg);
  file.close();
  w.drop(file.fileName(), w.mm(60, 70));
  ASSERT_EQ(w.sheet().items.size(), 3U);
  EXPECT_EQ(w.sheet().items[2]->name, "mark");
  EXPECT_NEAR(distance(boxInParent(*w.sheet().items[2]).centre(), w.mm(60, 70)), 0, 2);
}

TEST_F(WordsWindow, PastedTextBecomesWords) {
  QApplication::clipboard()->setText("Winter timetable\nfrom 4 December");
  w.key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(text(only()), "Winter timetable\nfrom 4 December");
  EXPECT_NEAR(boxInParent(*item(only())).centre().x, w.sheet().width / 2, 2);
  // Copied words are text for others.
  w.key(Qt::Key_C, Qt::ControlModifier);
  EXPECT_EQ(QApplication::clipboard()->text(), "Winter timetable\nfrom 4 December");
}

}  // namespace
}  // namespace widecut
