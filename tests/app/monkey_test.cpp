// Random events in the real window. Whatever is done, the project stays sound, can be saved and opened equal, and undo
// leads back to where it began.
#include <gtest/gtest.h>

#include <QAbstractButton>
#include <QSlider>
#include <QTemporaryDir>
#include <random>

#include "app/bench/starter_strip.h"
#include "app/desk/shelf.h"
#include "project/forms/form.h"
#include "project/limits.h"
#include "storage/project_file.h"
#include "text_of.h"
#include "window_driver.h"

namespace widecut {
namespace {

class Monkey {
 public:
  explicit Monkey(unsigned seed) : random_(seed) {
    Shelf::instance().setFolder(shelf_.path());
    w.window.errands().openFile(DEMO_PROJECT, Errands::As::Copy);
    w.settle();
    EXPECT_FALSE(w.sheet().items.empty());
    start_ = textOf(w.desk().settled());
  }

  void act() {
    switch (random_() % 20) {
      case 0:
      case 1:
      case 2:
        drag();
        break;
      case 3:
      case 4:
        QTest::mouseClick(&w.mat(), Qt::LeftButton, keys(), place());
        break;
      case 5:
        QTest::mouseDClick(&w.mat(), Qt::LeftButton, keys(), place());
        break;
      case 6: {
        QMouseEvent move(QEvent::MouseMove, place(), w.mat().mapToGlobal(place()), Qt::NoButton, Qt::NoButton, keys());
        QApplication::sendEvent(&w.mat(), &move);
        break;
      }
      case 7: {
        const QPointF at = place();
        QWheelEvent event(at, w.mat().mapToGlobal(at), {}, {0, random_() % 2 ? 120 : -120}, Qt::NoButton, keys(),
                          Qt::NoScrollPhase, false);
        QApplication::sendEvent(&w.mat(), &event);
        break;
      }
      case 8:
      case 9:
      case 10:
        key();
        break;
      case 11:
        button();
        break;
      case 12:
        type();
        break;
      case 13:
        hover();
        break;
      case 15:
        write();
        break;
      case 16:
        starters();
        break;
      case 17:
        slide();
        break;
      case 14:
        QTest::keyClick(&w.mat(), Qt::Key_A, Qt::ControlModifier);
        break;
      default:
        QTest::keyClick(&w.mat(), Qt::Key_Escape);
    }
    QApplication::processEvents();
    if (QWidget* popup = QApplication::activePopupWidget()) popup->close();
    keepCopiesFew();
  }

  void expectSound() {
    const Project& project = w.desk().settled();
    const auto beyond = beyondLimits(project, nullptr);
    EXPECT_FALSE(beyond) << beyond->message;
    const QTemporaryDir folder;
    const std::string path = folder.filePath("m.widecut").toStdString();
    const auto saved = saveProject(project, "", path);
    ASSERT_TRUE(saved) << saved.error().message;
    const auto opened = openProject(path);
    ASSERT_TRUE(opened) << opened.error().message;
    EXPECT_EQ(textOf(*opened), textOf(project));
  }

  void expectWayBack() {
    w.desk().settleAll();
    while (w.desk().history().canUndo()) w.desk().undo();
    const std::size_t forgotten = w.desk().history().forgotten();
    if (forgotten > 0) std::printf("%zu steps were let go of: undo leads back to the one after them\n", forgotten);
    EXPECT_EQ(textOf(w.desk().settled()) == start_, forgotten == 0) << "undo leads back to the first bytes";
  }

  WindowDriver w;

 private:
  /// How many nodes the items' outlines have, all copies included.
  static std::size_t nodesIn(const ItemList& items) {
    std::size_t all = 0;
    for (const ItemPtr& item : items)
      all += countOfCopies(item->form) * (countOfNodes(item->form) + nodesIn(childrenOf(*item)));
    return all;
  }
  /// Copies of copies of copies, and what they are divided into, would take their time and teach nothing.
  void keepCopiesFew() {
    const auto isMuch = [this] { return nodesIn(w.sheet().items) > 2500 || w.sheet().items.size() > 60; };
    for (int i = 0; i < 3 && isMuch(); ++i) w.desk().undo();
  }
  QPoint place() {
    return {static_cast<int>(random_() % static_cast<unsigned>(w.mat().width())),
            static_cast<int>(random_() % static_cast<unsigned>(w.mat().height()))};
  }
  Qt::KeyboardModifiers keys() {
    const Qt::KeyboardModifiers some[] = {Qt::NoModifier,    Qt::NoModifier,  Qt::NoModifier,
                                          Qt::ShiftModifier, Qt::AltModifier, Qt::ControlModifier};
    return some[random_() % 6];
  }
  /// A drag, during which other buttons and keys may come.
  void drag() {
    const QPoint from = place();
    const auto held = keys();
    QTest::mousePress(&w.mat(), Qt::LeftButton, held, from);
    for (unsigned i = 0; i < 1 + random_() % 4; ++i) {
      const QPointF to = place();
      QMouseEvent move(QEvent::MouseMove, to, w.mat().mapToGlobal(to), Qt::NoButton, Qt::LeftButton, held);
      QApplication::sendEvent(&w.mat(), &move);
      if (random_() % 12 == 0) QTest::mouseClick(&w.mat(), Qt::MiddleButton, {}, place());
      if (random_() % 12 == 0) QTest::keyClick(&w.mat(), Qt::Key_Escape);
      if (random_() % 20 == 0) key();
    }
    QTest::mouseRelease(&w.mat(), Qt::LeftButton, held, place());
  }
  void key() {
    struct Stroke {
      int key;
      Qt::KeyboardModifiers held = Qt::NoModifier;
    };
    static const Stroke strokes[] = {{Qt::Key_1},
                                     {Qt::Key_2},
                                     {Qt::Key_2},
                                     {Qt::Key_3},
                                     {Qt::Key_M, Qt::ControlModifier},
                                     {Qt::Key_Return},
                                     {Qt::Key_Tab},
                                     {Qt::Key_Backspace},
                                     {Qt::Key_4},
                                     {Qt::Key_5},
                                     {Qt::Key_6},
                                     {Qt::Key_7},
                                     {Qt::Key_N},
                                     {Qt::Key_F, Qt::ControlModifier},
                                     {Qt::Key_K, Qt::ControlModifier},
                                     {Qt::Key_8},
                                     {Qt::Key_9},
                                     {Qt::Key_0},
                                     {Qt::Key_U},
                                     {Qt::Key_S},
                                     {Qt::Key_S, Qt::ShiftModifier},
                                     {Qt::Key_I},
                                     {Qt::Key_X},
                                     {Qt::Key_D},
                                     {Qt::Key_B},
                                     {Qt::Key_R},
                                     {Qt::Key_O},
                                     {Qt::Key_L},
                                     {Qt::Key_T},
                                     {Qt::Key_T, Qt::ShiftModifier},
                                     {Qt::Key_Left},
                                     {Qt::Key_Up, Qt::ShiftModifier},
                                     {Qt::Key_Right, Qt::ControlModifier},
                                     {Qt::Key_Delete},
                                     {Qt::Key_Return},
                                     {Qt::Key_Escape},
                                     {Qt::Key_D, Qt::ControlModifier},
                                     {Qt::Key_Z, Qt::ControlModifier},
                                     {Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier},
                                     {Qt::Key_BracketLeft, Qt::ControlModifier},
                                     {Qt::Key_PageDown},
                                     {Qt::Key_PageUp},
                                     {Qt::Key_A},
                                     {Qt::Key_A, Qt::ShiftModifier},
                                     {Qt::Key_E},
                                     {Qt::Key_Y},
                                     {Qt::Key_G},
                                     {Qt::Key_G, Qt::ShiftModifier},
                                     {Qt::Key_C},
                                     {Qt::Key_C, Qt::ShiftModifier},
                                     {Qt::Key_Q},
                                     {Qt::Key_J},
                                     {Qt::Key_J, Qt::ShiftModifier},
                                     {Qt::Key_P},
                                     {Qt::Key_X, Qt::ShiftModifier},
                                     {Qt::Key_F},
                                     {Qt::Key_F, Qt::ShiftModifier},
                                     {Qt::Key_V},
                                     {Qt::Key_W},
                                     {Qt::Key_K},
                                     {Qt::Key_K, Qt::ShiftModifier},
                                     {Qt::Key_H},
                                     {Qt::Key_H, Qt::ShiftModifier},
                                     {Qt::Key_M},
                                     {Qt::Key_Tab},
                                     {Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier},
                                     {Qt::Key_BracketRight},
                                     {Qt::Key_C, Qt::ControlModifier},
                                     {Qt::Key_X, Qt::ControlModifier},
                                     {Qt::Key_V, Qt::ControlModifier},
                                     {Qt::Key_F6},
                                     {Qt::Key_F7},
                                     {Qt::Key_F8},
                                     {Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier},
                                     {Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier},
                                     {Qt::Key_0, Qt::ControlModifier}};
    const Stroke& s = strokes[random_() % std::size(strokes)];
    // A sheet must not grow without end: copies that are let go are many at once.
    const std::size_t most = s.key == Qt::Key_G && s.held == Qt::ShiftModifier ? 20 : 60;
    if (w.sheet().items.size() > most &&
        (s.key == Qt::Key_G || s.key == Qt::Key_D || s.key == Qt::Key_V || s.key == Qt::Key_A))
      return;
    if (sheetsOf(w.desk().settled()).size() > 8 && s.held == (Qt::ControlModifier | Qt::ShiftModifier)) return;
    QTest::keyClick(&w.mat(), static_cast<Qt::Key>(s.key), s.held);
  }
  /// Any visible button of the bench, the details or the stack that opens no dialog.
  void button() {
    QList<QAbstractButton*> all;
    for (const char* panel : {"bench", "details", "stack", "sheets"})
      if (auto* widget = w.window.findChild<QWidget*>(panel)) all += widget->findChildren<QAbstractButton*>();
    all.removeIf([this](QAbstractButton* b) {
      return !b->isVisible() || !b->isEnabled() || b->objectName().startsWith("bringInPhoto") ||
             b->objectName() == "photoInCutout" || (b->objectName() == "ungroup" && w.sheet().items.size() > 20);
    });
    if (!all.isEmpty())
      QTest::mouseClick(all[static_cast<qsizetype>(random_() % static_cast<unsigned>(all.size()))], Qt::LeftButton);
  }
  /// Letters for whatever has the mat: words, or commands.
  void write() {
    static const char* const texts[] = {"peak of snow", "W", "\u00e9\u05d0", "12", "two\nlines"};
    for (const QChar c : QString::fromUtf8(texts[random_() % std::size(texts)])) {
      if (w.desk().typedOn() == 0 && w.desk().tool() != ToolKind::Words) return;
      QKeyEvent press(QEvent::KeyPress, c == '\n' ? Qt::Key_Return : Qt::Key_unknown, Qt::NoModifier, QString(c));
      QApplication::sendEvent(&w.mat(), &press);
    }
  }
  void type() {
    QList<QLineEdit*> all = w.window.findChildren<QLineEdit*>();
    all.removeIf([](QLineEdit* field) { return !field->isVisible() || !field->isEnabled(); });
    if (all.isEmpty()) return;
    auto* field = all[static_cast<qsizetype>(random_() % static_cast<unsigned>(all.size()))];
    static const char* const texts[] = {"12", "-4 mm", "1e9", "0", "0.0000001",       "1000000",      "1/0", "+=3",
                                        "*2", "box",   "(",   "",  "star 7 depth 30", "blob 30 x 40", "wave"};
    QTest::mouseClick(field, Qt::LeftButton);
    field->selectAll();
    QTest::keyClicks(field, texts[random_() % std::size(texts)]);
    const QPointer<QLineEdit> still = field;
    if (random_() % 3 > 0) QTest::keyClick(field, random_() % 4 ? Qt::Key_Return : Qt::Key_Escape);
    if (still) w.mat().setFocus();
  }
  /// Somewhere in the rows of pictures: a click, a drag onto the mat, or keys.
  void starters() {
    for (StarterRow* row : w.window.findChildren<StarterRow*>()) {
      if (!row->isVisible()) continue;
      QWidget& view = *row->viewport();
      const QPoint at(static_cast<int>(random_() % static_cast<unsigned>(view.width())), view.height() / 2);
      if (random_() % 4 == 0) {
        QTest::keyClick(row, random_() % 2 ? Qt::Key_Right : Qt::Key_Return);
        continue;
      }
      QTest::mousePress(&view, Qt::LeftButton, {}, at);
      const QPointF to = view.mapFromGlobal(QPointF(w.mat().mapToGlobal(place())));
      if (random_() % 2) {
        QMouseEvent move(QEvent::MouseMove, to, view.mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
        QApplication::sendEvent(&view, &move);
        QApplication::sendEvent(&view, &move);
      }
      QTest::mouseRelease(&view, Qt::LeftButton, {}, random_() % 2 ? at : to.toPoint());
    }
    if (random_() % 2) QTest::keyClicks(&w.mat(), "7");  // for the entry, when it is open
  }
  void slide() {
    QList<QSlider*> all = w.window.findChild<QWidget*>("bench")->findChildren<QSlider*>();
    all.removeIf([](QSlider* slider) { return !slider->isVisible(); });
    if (!all.isEmpty())
      all[static_cast<qsizetype>(random_() % static_cast<unsigned>(all.size()))]->setValue(
          static_cast<int>(random_() % 1001));
  }
  /// The pointer comes to a card of the bench, or goes.
  void hover() {
    const auto cards = w.window.findChild<QWidget*>("bench")->findChildren<QAbstractButton*>();
    if (cards.isEmpty()) return;
    auto* card = cards[static_cast<qsizetype>(random_() % static_cast<unsigned>(cards.size()))];
    if (random_() % 2) {
      QEnterEvent enter({5, 5}, {5, 5}, {5, 5});
      QApplication::sendEvent(card, &enter);
    } else {
      QEvent leave(QEvent::Leave);
      QApplication::sendEvent(card, &leave);
    }
  }

  std::mt19937 random_;
  std::string start_;
  QTemporaryDir shelf_;
};

/// How many events one seed makes; MONKEY_EVENTS says otherwise.
int eventsPerSeed() {
  return qEnvironmentVariableIsSet("MONKEY_EVENTS") ? qEnvironmentVariableIntValue("MONKEY_EVENTS") : 1000;
}
unsigned firstSeed() { return static_cast<unsigned>(qEnvironmentVariableIntValue("MONKEY_SEED")); }

class MonkeyTest : public testing::TestWithParam<unsigned> {};

TEST_P(MonkeyTest, LeavesTheProjectSoundAndTheWayBackExact) {
  Monkey monkey(firstSeed() + GetParam());
  for (int i = 1; i <= eventsPerSeed(); ++i) {
    monkey.act();
    if (i % 250 != 0) continue;
    ASSERT_NO_FATAL_FAILURE(monkey.expectSound()) << "after " << i << " events";
  }
  monkey.expectWayBack();
}

INSTANTIATE_TEST_SUITE_P(Seeds, MonkeyTest, testing::Values(1U, 2U, 3U, 4U, 5U));

}  // namespace
}  // namespace widecut
