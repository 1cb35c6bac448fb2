// Whose the keys are: walked over every field, list and pop-up of every page.
#include <gtest/gtest.h>

#include <QAbstractItemView>
#include <QComboBox>
#include <QCompleter>
#include <QLabel>
#include <set>

#include "app/widgets/measure_field.h"
#include "text_of.h"
#include "walked.h"

namespace widecut {
namespace {

struct KeysHomeTest : testing::Test {
  Walker walk;
  WindowDriver& w = walk.w;

  /// How a drop-down is left.
  enum class Way { Mouse, Keys, Left };

  /// All of a kind that can be worked on now, in the panels and on the bench.
  template <class T>
  std::vector<T*> shown() {
    std::vector<T*> found;
    for (QWidget* panel : {&walk.details(), static_cast<QWidget*>(&walk.bench())})
      for (T* one : panel->findChildren<T*>())
        if (one->isVisible() && one->isEnabled()) found.push_back(one);
    return found;
  }
  std::vector<QLineEdit*> fields() {
    auto found = shown<QLineEdit>();
    std::erase_if(found, [](QLineEdit* field) { return field->isReadOnly(); });
    return found;
  }
  static std::string nameOf(QWidget* widget) {
    const QString name = widget->accessibleName().isEmpty() ? widget->objectName() : widget->accessibleName();
    return (name.isEmpty() && widget->parentWidget() ? widget->parentWidget()->objectName() : name).toStdString();
  }
  void click(QWidget* field) {
    QTest::mouseClick(field, Qt::LeftButton, {}, QPoint(field->width() / 2, field->height() / 2));
  }
  /// Who is told of a key: a list of names on offer, or what has the keys.
  static QWidget* keyed() {
    return QApplication::activePopupWidget() ? QApplication::activePopupWidget() : QApplication::focusWidget();
  }
  void type(const char* text) {
    for (const char* c = text; *c; ++c) {
      const bool isListOpen = QApplication::activePopupWidget() != nullptr;
      if (QWidget* has = keyed()) QTest::keyClick(has, *c);
      if (isListOpen) w.settle();  // when it shuts it gives the keys back
    }
  }
  void press(Qt::Key key, Qt::KeyboardModifiers held = {}) {
    if (QWidget* has = keyed()) QTest::keyClick(has, key, held);
    w.settle();
  }
  /// The ellipse tool comes to hand by its digit, and nothing else happens by it.
  void expectTheMatHasTheKeys(const std::string& where) {
    EXPECT_EQ(QApplication::focusWidget(), &w.mat())
        << where << ": " << (QApplication::focusWidget() ? nameOf(QApplication::focusWidget()) : "none") << " has them";
    const ProjectPtr before = w.desk().history().current();
    press(Qt::Key_5);
    EXPECT_EQ(w.desk().tool(), ToolKind::Ellipse) << where;
    EXPECT_EQ(w.desk().history().current(), before) << where;
  }
  /// What was done since is one step of undo, or none.
  void expectOneStep(const ProjectPtr& before, const std::string& where) {
    if (w.desk().history().current() == before) return;
    const std::string last = w.desk().history().undoName();
    w.desk().undo();
    EXPECT_EQ(w.desk().history().current(), before)
        << where << ": more than one step, " << w.desk().history().undoName() << " and " << last;
    w.desk().redo();
  }
};

constexpr int shares = 18;  // so that each is done in well under a minute
struct EveryPage : KeysHomeTest, testing::WithParamInterface<int> {};
INSTANTIATE_TEST_SUITE_P(Shares, EveryPage, testing::Range(0, shares));

TEST_F(KeysHomeTest, EveryPageOfTheBenchIsWalked) {
  std::set<int> benchPages;
  for (const Walker::Page& page : walk.pages()) {
    walk.bringUp(page);
    benchPages.insert(walk.bench().currentIndex());
  }
  for (int i = 0; i < walk.bench().count(); ++i)
    EXPECT_TRUE(benchPages.contains(i)) << walk.bench().widget(i)->metaObject()->className();
}

TEST_P(EveryPage, ItsFieldsGiveTheKeysBackAfterEnterEscapeAndACommand) {
  int walked = 0;
  for (const Walker::Page& page : walk.pages(GetParam(), shares)) {
    walk.bringUp(page);
    std::vector<QLineEdit*> now = fields();
    const std::size_t count = now.size();
    for (std::size_t i = 0; i < count; ++i) {
      for (const char* end : {"Escape", "Enter", "Ctrl+S"}) {
        // The page is brought up anew where what was done before left another one.
        if (fields() != now || QApplication::focusWidget() != &w.mat()) {
          walk.bringUp(page);
          now = fields();
          ASSERT_EQ(now.size(), count) << page.name;
        }
        QLineEdit* field = now[i];
        const std::string where = page.name + ", " + nameOf(field) + ", " + end;
        const ProjectPtr before = w.desk().history().current();
        const std::string shownBefore = textOf(w.desk().project());
        const ToolKind tool = w.desk().tool();
        if (std::string(end) == "Ctrl+S") {
          ASSERT_TRUE(w.desk().save(walk.folder.filePath("a.widecut"))) << where;
        }
        click(field);
        ASSERT_TRUE(field->hasFocus()) << where;
        EXPECT_EQ(field->selectedText(), field->text()) << where << ": a click selects what is in it";
        const QPointer<QLineEdit> kept(field);
        type("24");
        ASSERT_TRUE(kept && kept->isVisible()) << where << ": the field went away under the caret";
        EXPECT_TRUE(field->hasFocus()) << where;
        EXPECT_TRUE(kept->text().startsWith("24")) << where << ": " << kept->text().toStdString();
        if (std::string(end) == "Enter") {
          press(Qt::Key_Return);
        } else if (std::string(end) == "Escape") {
          press(Qt::Key_Escape);
          EXPECT_EQ(w.desk().history().current(), before) << where << ": Escape made a change";
          walk.comeToRest();
          EXPECT_TRUE(!w.desk().isTrying() || textOf(w.desk().project()) == shownBefore)
              << where << ": nothing is tried any more but what the page itself proposes";
        } else {
          press(Qt::Key_S, Qt::ControlModifier);
          EXPECT_TRUE(w.desk().isSaved()) << where << ": what was typed is made, and saved";
        }
        expectOneStep(before, where);
        // What cannot be taken stays in its field, and the keys with it, until it is mended or left.
        if (kept && kept->property("wrong").toBool()) {
          EXPECT_FALSE(kept->property("problem").toString().isEmpty()) << where;
          press(Qt::Key_Escape);
        }
        expectTheMatHasTheKeys(where);
        w.desk().setTool(tool);
        if (w.desk().history().current() != before) w.desk().undo();
        w.settle();
        ++walked;
      }
      if (HasFatalFailure()) return;
    }
  }
  EXPECT_GT(walked, 17);
}

TEST_P(EveryPage, TheWheelPassesWithoutChangingAnything) {
  int passed = 0;
  for (const Walker::Page& page : walk.pages(GetParam(), shares)) {
    walk.bringUp(page);
    const ProjectPtr before = w.desk().history().current();
    const auto said = [this] {
      std::vector<std::string> texts;
      for (const Walker::Said& one : walk.said()) texts.push_back(one.text.toStdString());
      return texts;
    };
    const auto saidBefore = said();
    const bool isTrying = w.desk().isTrying();
    for (QWidget* one : shown<QWidget>()) {
      if (one->hasFocus()) continue;  // what is worked on is turned by the wheel
      const QPointF middle(one->width() / 2.0, one->height() / 2.0);
      QWheelEvent event(middle, one->mapToGlobal(middle), {}, {0, -120}, Qt::NoButton, Qt::NoModifier,
                        Qt::NoScrollPhase, false);
      QApplication::sendEvent(one, &event);
      passed += qobject_cast<QComboBox*>(one) || qobject_cast<QAbstractSlider*>(one) ? 1 : 0;
    }
    w.settle();
    EXPECT_EQ(w.desk().history().current(), before) << page.name;
    EXPECT_EQ(w.desk().isTrying(), isTrying) << page.name;
    EXPECT_EQ(said(), saidBefore) << page.name;
  }
  EXPECT_GT(passed, 3);
}

TEST_P(EveryPage, ItsListsGiveTheKeysBackAfterAChoice) {
  int walked = 0;
  for (const Walker::Page& page : walk.pages(GetParam(), shares)) {
    walk.bringUp(page);
    const std::size_t count = shown<QComboBox>().size();
    for (std::size_t i = 0; i < count; ++i) {
      bool staysByMouse = false;
      for (const Way way : {Way::Mouse, Way::Keys, Way::Left}) {
        walk.bringUp(page);
        const bool isChosen = way != Way::Left;
        const auto boxes = shown<QComboBox>();
        ASSERT_EQ(boxes.size(), count) << page.name;
        QComboBox* box = boxes[i];
        const std::string where = page.name + ", " + nameOf(box) +
                                  (way == Way::Mouse  ? ", chosen by mouse"
                                   : way == Way::Keys ? ", chosen by keys"
                                                      : ", left");
        const ProjectPtr before = w.desk().history().current();
        box->setFocus(Qt::MouseFocusReason);
        box->showPopup();
        w.settle();
        QAbstractItemView* list = box->view();
        ASSERT_TRUE(list->isVisible()) << where;
        std::string chosen;
        if (isChosen) {
          const QModelIndex other = box->model()->index((box->currentIndex() + 1) % box->count(), 0);
          chosen = other.data().toString().toStdString();
          list->scrollTo(other);
          if (way == Way::Mouse) {
            QTest::mouseMove(list->viewport(), list->visualRect(other).center());
            QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualRect(other).center());
          } else {
            QTest::keyClick(list, Qt::Key_Home);  // the pointer may have chosen another one
            for (int down = 0; down < other.row(); ++down) QTest::keyClick(list, Qt::Key_Down);
            w.settle();
            QTest::keyClick(list, Qt::Key_Return);
          }
        } else {
          QTest::keyClick(list, Qt::Key_Escape);
        }
        // Lists take a moment to shut, in which they blink.
        w.until([&] { return !QApplication::activePopupWidget(); });
        w.settle();
        if (!isChosen) {
          EXPECT_EQ(w.desk().history().current(), before) << where;
        }
        // What was chosen is what it says, by keys as by mouse; a page that has another look then has no such box.
        const auto after = shown<QComboBox>();
        const bool stays = i < after.size() && after[i]->currentText().toStdString() == chosen;
        if (way == Way::Mouse) {
          staysByMouse = stays;
          if (after.size() == count) {
            EXPECT_FALSE(after[i]->currentText().isEmpty()) << where;
          }
        }
        if (way == Way::Keys) {
          EXPECT_EQ(stays, staysByMouse) << where << ": " << chosen;
        }
        expectOneStep(before, where);
        expectTheMatHasTheKeys(where);
        ++walked;
      }
    }
  }
  EXPECT_GT(walked, 2);
}

TEST_P(EveryPage, ItsButtonsLeaveTheKeysToTheMat) {
  // A letter after a click is a command, and not lost: T trims, after a colour was chosen as after anything else.
  int walked = 0;
  for (const Walker::Page& page : walk.pages(GetParam(), shares)) {
    walk.bringUp(page);
    auto buttons = shown<QAbstractButton>();
    const ProjectPtr first = w.desk().history().current();
    for (std::size_t i = 0; i < buttons.size(); ++i) {
      // The page is brought up anew where what was done before left another one.
      if (w.desk().history().current() != first && w.desk().history().canUndo()) {
        w.desk().undo();
        w.settle();
      }
      if (shown<QAbstractButton>() != buttons || QApplication::focusWidget() != &w.mat()) {
        walk.bringUp(page);
        buttons = shown<QAbstractButton>();
        if (i >= buttons.size()) break;
      }
      QAbstractButton* button = buttons[i];
      const std::string where = page.name + ", " + nameOf(button) + " " + button->text().toStdString();
      // What opens a dialog is asked for in one.
      if (button->text().contains(QString::fromUtf8("…")) ||
          button->objectName().contains("photo", Qt::CaseInsensitive) ||
          button->objectName().contains("folder", Qt::CaseInsensitive) || button->objectName() == "wholeStory")
        continue;
      bool isDialog = false;
      QTimer dialogs;
      QObject::connect(&dialogs, &QTimer::timeout, [&] {
        if (QWidget* dialog = QApplication::activeModalWidget()) {
          isDialog = true;
          dialog->close();
        }
      });
      dialogs.start(20);
      QTest::mouseClick(button, Qt::LeftButton);
      w.settle();
      if (QWidget* popup = QApplication::activePopupWidget()) {
        QTest::keyClick(popup->focusWidget() ? popup->focusWidget() : popup, Qt::Key_Escape);
        w.settle();
        EXPECT_FALSE(QApplication::activePopupWidget()) << where;
      }
      dialogs.stop();
      if (isDialog) continue;
      // A field that a button opens to be typed in has the keys.
      if (qobject_cast<QLineEdit*>(QApplication::focusWidget()) ||
          (QApplication::focusWidget() != &w.mat() && w.mat().isAncestorOf(QApplication::focusWidget())))
        continue;
      EXPECT_EQ(QApplication::focusWidget(), &w.mat())
          << where << ": " << (QApplication::focusWidget() ? nameOf(QApplication::focusWidget()) : "none")
          << " has them";
      ++walked;
    }
  }
  EXPECT_GT(walked, 10);
}

TEST_F(KeysHomeTest, WhatCannotBeReadStaysInRedAndSaysWhy) {
  walk.box();
  auto* field = w.window.findChild<QLineEdit*>("x");
  const ProjectPtr before = w.desk().history().current();
  click(field);
  type("0 %50");
  press(Qt::Key_Return);
  EXPECT_EQ(field->text(), "0 %50");
  EXPECT_TRUE(field->property("wrong").toBool());
  EXPECT_EQ(QApplication::focusWidget(), field) << "it is to be mended";
  EXPECT_TRUE(w.window.findChild<QLabel*>("hint")->text().contains("0 %50"));
  click(w.window.findChild<QLineEdit*>("y"));
  w.settle();
  EXPECT_EQ(field->text(), "0 %50") << "nothing reverts silently";
  EXPECT_EQ(w.desk().history().current(), before);
  click(field);
  press(Qt::Key_Escape);
  EXPECT_FALSE(field->property("wrong").toBool());
  EXPECT_NE(field->text(), "0 %50");
}

TEST_F(KeysHomeTest, ASecondClickPlacesTheCaret) {
  walk.box();
  auto* field = w.window.findChild<QLineEdit*>("x");
  click(field);
  EXPECT_EQ(field->selectedText(), field->text());
  click(field);
  EXPECT_TRUE(field->selectedText().isEmpty());
}

TEST_F(KeysHomeTest, ADoubleClickSelectsANumberWhole) {
  walk.box();
  auto* field = w.window.findChild<QLineEdit*>("x");
  w.type("x", "12.5");
  const QPoint at(20, field->height() / 2);
  click(field);
  click(field);  // which places a caret
  QTest::mouseDClick(field, Qt::LeftButton, {}, at);
  QTest::mouseRelease(field, Qt::LeftButton, {}, at);
  EXPECT_EQ(field->text(), "12.5 mm");
  EXPECT_EQ(field->selectedText(), field->text());
}

TEST_F(KeysHomeTest, CommandsAreThoseOfTheProgramAsFarAsAFieldHasNoUseForThem) {
  walk.box();
  auto* field = w.window.findChild<QLineEdit*>("turn");
  const ProjectPtr before = w.desk().history().current();
  click(field);
  type("30");
  QTest::keyClick(field, Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().current(), before);
  EXPECT_EQ(QApplication::focusWidget(), field) << "the first one takes back what was typed";
  press(Qt::Key_Escape);
  click(field);
  type("30");
  press(Qt::Key_Return);
  ASSERT_NE(w.desk().history().current(), before);
  click(field);
  press(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(w.desk().history().current(), before) << "nothing was typed: it is the program's";
  expectTheMatHasTheKeys("after Ctrl+Z");
  click(field = w.window.findChild<QLineEdit*>("turn"));
  press(Qt::Key_A, Qt::ControlModifier);
  EXPECT_EQ(field->selectedText(), field->text()) << "it is the field's, although a click has selected all";
  type("40");
  press(Qt::Key_Return);
  EXPECT_NEAR(degrees(w.desk().onlyItem()->turn), 40, 1e-9);
}

TEST_F(KeysHomeTest, ATypedTurnIsNotTypedOnByTheNextDigit) {
  walk.box();
  w.type("turn", "30");
  press(Qt::Key_7);
  EXPECT_EQ(w.desk().tool(), ToolKind::Line);
  EXPECT_NEAR(degrees(w.desk().onlyItem()->turn), 30, 1e-9);
}

TEST_F(KeysHomeTest, TheFirstOutlineIsTypedToTheLastDigit) {
  walk.box();
  auto* field = w.window.findChild<QLineEdit*>("outline width");
  click(field);
  type("24");
  press(Qt::Key_Return);
  ASSERT_EQ(w.desk().onlyItem()->style->lines.size(), 1U);
  EXPECT_EQ(w.desk().onlyItem()->style->lines.front().shape.width, 24);
  EXPECT_EQ(w.desk().tool(), ToolKind::Select);
}

}  // namespace
}  // namespace widecut
