// Words on the bench and in their windows: numbers, named styles, the whole story, fonts, what they keep clear of.
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTextBlock>

#include "app/desk/preferences.h"
#include "everyday.h"
#include "project/edits/text_styles.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

struct WordsBench : Everyday {
  const Words& words(Id id) { return *wordsOf(*item(id)); }
  Id frame(const char* text, Point from, Point to) {
    w.desk().setTextStyleForNew({{"Cabin", 400}, 12, 15, Align::Left});
    w.key(Qt::Key_8);
    w.drag(from, to);
    w.typeOnMat(text);
    w.key(Qt::Key_Escape);
    return w.desk().selection().front();
  }
  Id story() { return frame(prose, w.mm(40, 30), w.mm(140, 110)); }
  void pressShown(const char* name) {
    for (auto* one : w.window.findChildren<QWidget*>(name))
      if (one->isVisible()) {
        ++w.actions;
        QTest::mouseClick(one, Qt::LeftButton);
        w.settle();
        return;
      }
    FAIL() << "there is no " << name << " that shows";
  }
  /// Chooses in a list by its words, as a person does by its first letters.
  void choose(const char* name, const char* text) {
    auto* box = w.window.findChild<QComboBox*>(name);
    ASSERT_TRUE(box && box->isVisible()) << name;
    const int index = box->findText(text);
    ASSERT_GE(index, 0) << text;
    w.actions += 2;
    box->setFocus();
    box->setCurrentIndex(index);
    emit box->activated(index);
    w.settle();
  }
  void typeInto(const char* name, const char* text) {
    for (auto* one : w.window.findChildren<QLineEdit*>())
      if (one->isVisible() && (one->objectName() == name || one->accessibleName() == name)) {
        QTest::mouseClick(one, Qt::LeftButton);
        one->selectAll();
        QTest::keyClicks(one, text);
        QTest::keyClick(one, Qt::Key_Return);
        w.settle();
        return;
      }
    FAIL() << "there is no " << name << " that shows";
  }
  void run(const char* name) {
    auto* action = w.window.findChild<QAction*>(name);
    ASSERT_TRUE(action) << name;
    ASSERT_TRUE(action->isEnabled()) << name;
    action->trigger();
    w.settle();
  }
  static constexpr const char* prose =
      "The line climbs from the lake to the ridge in nineteen minutes, and the last carriage leaves the upper station "
      "when the lamps on the viaduct are lit. Nobody has ever counted the teeth of the rack, but the driver says there "
      "are as many as there are days in a long life. In winter the first train carries bread, and letters, and snow.";
};

TEST_F(WordsBench, NumbersOfTheFrameAndOfParagraphsReachTheWords) {
  const Id id = story();
  pressShown("groupFrame");
  typeInto("columns", "2");
  typeInto("gutter", "5 mm");
  typeInto("inset", "3 mm");
  const TextFrame frame = *words(id).content().frame;
  EXPECT_EQ(frame.columns, 2);
  EXPECT_NEAR(frame.gutter, 5 * pointsPerMillimetre, 1e-6);
  EXPECT_NEAR(frame.inset, 3 * pointsPerMillimetre, 1e-6);
  const double left = words(id).set().lines.front().start.x, last = words(id).set().lines.back().start.x;
  EXPECT_NEAR(left, frame.inset, 1e-6);
  EXPECT_GT(last, frame.width / 2) << "in the second column";
  pressShown("groupLines");
  typeInto("first line", "4 mm");
  EXPECT_NEAR(words(id).set().lines.front().start.x - left, 4 * pointsPerMillimetre, 1e-6);
  // One step each.
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NEAR(words(id).set().lines.front().start.x, left, 1e-6);
}

TEST_F(WordsBench, AStyleIsMadeChangedAndTakenAway) {
  const Id first = story();
  const Id second = frame("Nineteen minutes", w.mm(40, 130), w.mm(140, 160));
  w.desk().select({first});
  pressShown("groupStyles");
  pressShown("styleMakeParagraphs");
  typeInto("styleNameParagraphs", "Body");
  ASSERT_EQ(w.desk().settled().textStyles.size(), 1U);
  EXPECT_EQ(w.desk().settled().textStyles.front()->name, "Body");
  // Another text gets it, and looks like it.
  w.desk().select({second});
  w.desk().commit("size",
                  withTextStyle(w.desk().settled(), std::vector<Id>{second}, [](TextStyle& s) { s.size = 30; }));
  choose("styleParagraphs", "Body");
  const auto sizeOf = [&](Id id) {
    const Words::Content& c = words(id).content();
    return paragraphStyle(c.looks, c.style, 0).size;
  };
  EXPECT_EQ(sizeOf(second), 12);
  // One of them looks otherwise; the style takes it on, and both do.
  w.desk().commit("size", withLookBetween(w.desk().settled(), second, 0, 3, {{TextAspect::Align, 1.0}}));
  pressShown("styleTakeParagraphs");
  const Words::Content& c = words(first).content();
  EXPECT_EQ(paragraphStyle(c.looks, c.style, 0).align, Align::Centre);
  // A second style on the base of the first.
  pressShown("styleMakeParagraphs");
  typeInto("styleNameParagraphs", "Lead");
  choose("styleBaseParagraphs", "Body");
  ASSERT_EQ(w.desk().settled().textStyles.size(), 2U);
  EXPECT_EQ(w.desk().settled().textStyles.back()->basedOn, w.desk().settled().textStyles.front());
  auto* bases = w.window.findChild<QComboBox*>("styleBaseParagraphs");
  w.desk().select({first});
  EXPECT_EQ(bases->findText("Lead"), -1) << "what is based on it cannot be its base";
  pressShown("styleRemoveParagraphs");
  EXPECT_EQ(w.desk().settled().textStyles.size(), 1U);
  EXPECT_EQ(paragraphStyle(words(first).content().looks, words(first).content().style, 0).align, Align::Centre);
}

TEST_F(WordsBench, MakingAStyleChangesNothingThatShows) {
  const Id id = frame(prose, w.mm(40, 30), w.mm(140, 110));
  w.desk().commit("head", withLookBetween(withLookBetween(withText(w.desk().settled(), id, "Head\nBody one\nBody two"),
                                                          id, 0, 3, {{TextAspect::Size, 30.0}}),
                                          id, 5, 6, {{TextAspect::Align, 2.0}, {TextAspect::DropLines, 2.0}}));
  const SetWords before = words(id).set();
  w.desk().select({id});
  pressShown("groupStyles");
  pressShown("styleMakeParagraphs");
  ASSERT_EQ(w.desk().settled().textStyles.size(), 1U);
  const Words::Content& c = words(id).content();
  EXPECT_NE(textStyleAt(c, 0, true), nullptr);
  EXPECT_EQ(textStyleAt(c, 6, true), nullptr) << "it looks otherwise";
  EXPECT_NE(textStyleAt(c, 15, true), nullptr);
  ASSERT_EQ(words(id).set().lines.size(), before.lines.size());
  for (std::size_t i = 0; i < before.lines.size(); ++i)
    EXPECT_EQ(words(id).set().lines[i].start, before.lines[i].start);
}

TEST_F(WordsBench, SelectedLettersGetAStyleOfTheirOwn) {
  const Id id = frame("The slow line", w.mm(40, 30), w.mm(140, 60));
  w.key(Qt::Key_Return);
  w.key(Qt::Key_Home, Qt::ControlModifier);
  w.key(Qt::Key_Right, Qt::ControlModifier | Qt::ShiftModifier);
  w.key(Qt::Key_B, Qt::ControlModifier);
  pressShown("groupStyles");
  pressShown("styleMakeLetters");
  ASSERT_EQ(w.desk().settled().textStyles.size(), 1U);
  const NamedLookPtr style = w.desk().settled().textStyles.front();
  EXPECT_FALSE(style->isOfParagraphs);
  EXPECT_EQ(style->look, (Look{{TextAspect::Weight, 700.0}}));
  EXPECT_EQ(textStyleAt(words(id).content(), 1, false), style);
  EXPECT_EQ(textStyleAt(words(id).content(), 6, false), nullptr);
}

TEST_F(WordsBench, WordsKeepClearOfAnItemAndFollowIt) {
  const Id text = story();
  const Id over = draw(Qt::Key_5, w.mm(70, 40), w.mm(95, 65));
  const auto linesIn = [&](Point at) {
    const SetWords& set = words(text).set();
    const Point place = at - item(text)->position;
    int count = 0;
    for (std::size_t i = 0; i < set.shown; ++i) {
      const SetLine& line = set.lines[i];
      if (std::abs(line.start.y - place.y) < 15 && line.start.x < place.x && line.start.x + line.width > place.x)
        ++count;
    }
    return count;
  };
  const Point middle = w.mm(82, 53);
  EXPECT_GT(linesIn(middle), 0);
  choose("keepClear", "keep off, on both sides");
  EXPECT_EQ(linesIn(middle), 0);
  EXPECT_GT(linesIn(w.mm(50, 53)), 0);
  EXPECT_GT(linesIn(w.mm(120, 53)), 0);
  typeInto("margin of words", "8 mm");
  EXPECT_NEAR(item(over)->clear->margin, 8 * pointsPerMillimetre, 1e-6);
  // It is dragged away, and the lines close behind it while it moves.
  w.press(middle);
  for (int i = 1; i <= 4; ++i) w.dragTo(middle + Point{i * 20.0, 20});
  EXPECT_GT(linesIn(middle), 0) << "before it is let go";
  w.release(middle + Point{80, 20});
  EXPECT_GT(linesIn(middle), 0);
  choose("keepClear", "run over it");
  EXPECT_FALSE(item(over)->clear);
  EXPECT_TRUE(words(text).content().frame->clear.empty());
}

TEST_F(WordsBench, TheWholeStoryIsReadAndTypedOnInOnePiece) {
  const Id first = frame(prose, w.mm(40, 30), w.mm(100, 60));
  w.key(Qt::Key_8);
  w.drag(w.mm(120, 30), w.mm(180, 60));
  w.typeOnMat("x");
  w.key(Qt::Key_Escape);
  const Id second = w.desk().selection().front();
  w.desk().select({first, second});
  run("flowOn");
  w.desk().select({second});
  w.key(Qt::Key_W, Qt::ControlModifier | Qt::ShiftModifier);
  auto* edit = w.window.findChild<QPlainTextEdit*>("story");
  ASSERT_TRUE(edit);
  EXPECT_EQ(edit->toPlainText().toStdString(), words(first).content().text);
  auto* said = w.window.findChild<QLabel*>("storySaid");
  EXPECT_TRUE(said->text().contains("in 2 frames"));
  // Typed there, it is on the sheets at once.
  const auto before = words(first).content().text;
  edit->moveCursor(QTextCursor::Start);
  QTest::keyClicks(edit, "Slowly: ");
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), first))->content().text, "Slowly: " + before);
  QTest::keyClick(edit, Qt::Key_Z, Qt::ControlModifier);
  w.settle();
  EXPECT_EQ(words(first).content().text, before);
  EXPECT_EQ(edit->toPlainText().toStdString(), before);
  // Asked for again, from another of its frames, it is the same window.
  w.desk().select({first});
  run("wholeStory");
  EXPECT_EQ(w.window.findChildren<QPlainTextEdit*>("story").size(), 1);
  // Its frame is shown from there.
  w.desk().select({});
  edit->moveCursor(QTextCursor::End);
  auto* show = w.window.findChild<QPushButton*>("showFrame");
  QTest::mouseClick(show, Qt::LeftButton);
  EXPECT_EQ(w.desk().selection(), (Ids{second}));
  // It goes with its words.
  w.desk().commit("gone", withoutItems(w.desk().settled(), std::vector<Id>{first, second}));
  w.settle();
  EXPECT_FALSE(w.window.findChild<QPlainTextEdit*>("story") && edit->isVisible());
}

TEST_F(WordsBench, AMissingFontIsListedAndReplaced) {
  const Id id = frame("The slow line", w.mm(40, 30), w.mm(140, 60));
  w.desk().commit("font", withTextStyle(w.desk().settled(), std::vector<Id>{id},
                                        [](TextStyle& s) { s.face.family = "No Such Family"; }));
  run("projectFonts");
  auto* table = w.window.findChild<QTableWidget*>("fontUses");
  ASSERT_TRUE(table);
  ASSERT_EQ(table->rowCount(), 1);
  EXPECT_TRUE(table->item(0, 2)->text().contains("missing"));
  auto* instead = w.window.findChild<QComboBox*>("fontInstead");
  instead->setCurrentText("EB Garamond");
  QTest::mouseClick(w.window.findChild<QPushButton*>("fontReplace"), Qt::LeftButton);
  w.settle();
  EXPECT_EQ(words(id).content().style.face.family, "EB Garamond");
  EXPECT_TRUE(table->item(0, 2)->text().contains("comes with"));
}

TEST_F(WordsBench, AFrameIsFilledAndATabIsTyped) {
  const Id id = frame("Until then", w.mm(40, 30), w.mm(100, 80));
  run("fillWithWords");
  EXPECT_TRUE(words(id).set().fits());
  EXPECT_GT(words(id).set().lines.size(), 5U);
  w.key(Qt::Key_Return);
  w.key(Qt::Key_Home, Qt::ControlModifier);
  w.key(Qt::Key_Tab);
  w.key(Qt::Key_Escape);
  EXPECT_EQ(words(id).content().text.substr(0, 11), "\tUntil then");
}

TEST_F(WordsBench, WordsAreUndoneOneByOneAndMarkedWhereTheyAreMisspelled) {
  w.desk().setTextStyleForNew({{"Cabin", 400}, 24, 29, Align::Left});
  w.key(Qt::Key_8);
  w.drag(w.mm(40, 30), w.mm(140, 90));
  w.typeOnMat("the carrige leaves ");
  const auto rust = [&] {
    int count = 0;
    const QImage seen = w.mat().grab().toImage();
    for (int y = 0; y < seen.height(); ++y)
      for (int x = 0; x < seen.width(); ++x) {
        const QColor c = seen.pixelColor(x, y);
        if (c.red() > 150 && c.green() < 110 && c.blue() < 90) ++count;
      }
    return count;
  };
  EXPECT_GT(rust(), 10);
  prefer([](Preferences& p) { p.marksSpelling = false; });
  EXPECT_EQ(rust(), 0);
  prefer([](Preferences& p) { p.marksSpelling = true; });
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.sheet().items.size(), 1U);
  EXPECT_EQ(words(w.sheet().items.front()->id).content().text, "the carrige ");
}

TEST_F(WordsBench, NumbersOfLettersAndOfTheDropCapReachTheWords) {
  const Id id = story();
  pressShown("groupLetters");
  typeInto("tracking", "50");
  EXPECT_EQ(words(id).content().style.tracking, 50);
  choose("number letters", "capitals");
  EXPECT_EQ(words(id).content().style.letterCase, LetterCase::Capitals);
  pressShown("groupDrop");
  typeInto("drop cap", "3");
  const Words::Content& c = words(id).content();
  EXPECT_EQ(paragraphStyle(c.looks, c.style, 0).dropLines, 3);
  EXPECT_EQ(c.style.dropLines, 0) << "of the first paragraph alone";
  pressShown("groupParagraph");
  typeInto("words tabs", "20mm, 60mm decimal");
  EXPECT_EQ(words(id).content().style.tabs, "20mm, 60mm decimal");
}

TEST_F(WordsBench, LettersGrowToTheirFrameByAButton) {
  const Id id = frame("snow", w.mm(40, 30), w.mm(140, 90));
  const double before = words(id).content().style.size;
  pressShown("lettersToFrame");
  EXPECT_GT(words(id).content().style.size, 2 * before);
  EXPECT_TRUE(words(id).set().fits());
}

TEST_F(WordsBench, SeveralItemsAreKeptClearOfTogether) {
  const Id text = story();
  const Id first = draw(Qt::Key_4, w.mm(50, 40), w.mm(70, 60)), second = draw(Qt::Key_5, w.mm(90, 60), w.mm(110, 80));
  w.desk().select({first, second});
  choose("keepClear", "stay above and below");
  EXPECT_EQ(item(first)->clear->side, ClearSide::AboveAndBelow);
  EXPECT_EQ(*item(first)->clear, *item(second)->clear);
  EXPECT_EQ(words(text).content().frame->clear.size(), 2U);
  // Where they differ, the list says nothing.
  w.desk().select({second});
  choose("keepClear", "stay left of it");
  w.desk().select({first, second});
  EXPECT_EQ(w.window.findChild<QComboBox*>("keepClear")->currentIndex(), -1);
  w.key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(*item(first)->clear, *item(second)->clear);
  // Without words in a frame besides, nothing is asked.
  w.desk().commit("gone", withoutItems(w.desk().settled(), std::vector<Id>{text}));
  w.desk().select({first});
  EXPECT_FALSE(w.window.findChild<QComboBox*>("keepClear")->isVisible());
}

TEST_F(WordsBench, WhatIsTypedIntoTheStoryKeepsTheLooksRoundIt) {
  const Id id = frame("one two three", w.mm(40, 30), w.mm(140, 60));
  w.desk().commit("bold", withLookBetween(w.desk().settled(), id, 4, 7, {{TextAspect::Weight, 700.0}}));
  w.desk().select({id});
  w.key(Qt::Key_W, Qt::ControlModifier | Qt::ShiftModifier);
  auto* edit = w.window.findChild<QPlainTextEdit*>("story");
  ASSERT_TRUE(edit);
  const auto boldOf = [&] {
    const Words::Content& c = wordsOf(*findItem(w.desk().project(), id))->content();
    std::string bold;
    for (std::size_t i = 0; i < c.text.size(); ++i)
      if (styleAt(c.text, c.looks, c.style, i).face.weight == 700) bold += c.text[i];
    return bold;
  };
  edit->moveCursor(QTextCursor::Start);
  QTest::keyClicks(edit, "zero ");
  EXPECT_EQ(boldOf(), "two");
  // In the middle of bold letters what is typed is bold too, and signs of several units are whole.
  QTextCursor cursor = edit->textCursor();
  cursor.setPosition(10);
  edit->setTextCursor(cursor);
  edit->insertPlainText("\xF0\x9F\x9A\x82");
  EXPECT_EQ(boldOf(), "t\xF0\x9F\x9A\x82wo");
  edit->textCursor().deletePreviousChar();
  EXPECT_EQ(boldOf(), "two");
  // What is not text is cleaned, and paragraphs stay.
  edit->moveCursor(QTextCursor::End);
  edit->insertPlainText("\nfour");
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), id))->content().text, "zero one two three\nfour");
  edit->selectAll();
  QTest::keyClick(edit, Qt::Key_Delete);
  EXPECT_EQ(wordsOf(*findItem(w.desk().project(), id))->content().text, "");
  // Shut, all of it is kept as it is.
  auto* window = w.window.findChild<QDialog*>("storyWindow");
  window->accept();
  w.settle();
  EXPECT_EQ(words(id).content().text, "");
}

TEST_F(WordsBench, AStorysStylesStandBesideItsParagraphs) {
  const Id id = frame("Head", w.mm(40, 30), w.mm(140, 60));
  std::uint32_t number = 0;
  Project styled = withText(w.desk().settled(), id, "Head\nbody");
  styled = withTextStyleAdded(styled, {0, "Running words", true, nullptr, {{TextAspect::Size, 9.0}}}, number);
  w.desk().commit("styles", withTextStyleGiven(styled, id, 5, 9, true, findTextStyle(styled, number)));
  w.desk().select({id});
  run("wholeStory");
  auto* edit = w.window.findChild<QPlainTextEdit*>("story");
  const QImage seen = edit->grab().toImage();
  // Something is written in the margin beside both lines, and nothing below them.
  const auto inkAt = [&](int line) {
    const QRect place = edit->cursorRect(QTextCursor(edit->document()->findBlockByNumber(line)));
    int ink = 0;
    for (int y = place.top(); y < place.bottom(); ++y)
      for (int x = 0; x < 100; ++x) ink += seen.pixelColor(x, y).lightness() < 160 ? 1 : 0;
    return ink;
  };
  EXPECT_GT(inkAt(0), 10);
  EXPECT_GT(inkAt(1), 10);
}

TEST_F(WordsBench, MissingFontsAreSaidWhenAProjectIsOpened) {
  const Id id = frame("The slow line", w.mm(40, 30), w.mm(140, 60));
  const QTemporaryDir folder;
  const QString path = folder.filePath("fonts.widecut");
  ASSERT_TRUE(saveProject(
      withTextStyle(w.desk().settled(), std::vector<Id>{id}, [](TextStyle& s) { s.face.family = "No Such Family"; }),
      "", path.toStdString()));
  QStringList told;
  QObject::connect(&w.desk(), &Desk::told, &w.window, [&](const QString& words) { told.append(words); });
  w.window.errands().openFile(path);
  w.settle();
  EXPECT_TRUE(told.join(" ").contains("No Such Family")) << told.join(" ").toStdString();
}

TEST_F(WordsBench, AnSvgIsDeliveredWithWordsAsText) {
  frame("The slow line", w.mm(40, 30), w.mm(140, 60));
  w.desk().select({});
  const QTemporaryDir folder;
  const QString path = folder.filePath("a.svg");
  w.inDialog([&] { w.key(Qt::Key_E, Qt::ControlModifier); },
             [&](QWidget& dialog) {
               auto* letters = dialog.findChild<QCheckBox*>("letters");
               auto* format = dialog.findChild<QComboBox*>("format");
               format->setCurrentIndex(format->findData("pdf"));
               EXPECT_FALSE(letters->isEnabled());
               format->setCurrentIndex(format->findData("svg"));
               EXPECT_TRUE(letters->isEnabled());
               QTest::mouseClick(letters, Qt::LeftButton, {}, QPoint(8, letters->height() / 2));
               w.onNextDialog([&, path](QWidget& files) { w.answerFile(files, path); }, &dialog);
               QTest::keyClick(&dialog, Qt::Key_Return);
             });
  QFile file(path);
  ASSERT_TRUE(file.open(QIODevice::ReadOnly));
  EXPECT_TRUE(file.readAll().contains("<text"));
}

}  // namespace
}  // namespace widecut
