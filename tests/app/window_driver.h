// Drives the real window with real mouse and key events, and counts the person's actions.
#pragma once

#include <QFileDialog>
#include <QLineEdit>
#include <QListView>
#include <QMimeData>
#include <QSettings>
#include <QtTest>
#include <cstdio>

#include "app/mat/mat.h"
#include "app/window/main_window.h"
#include "geometry/measure.h"

namespace widecut {

/// A shown window with its parts at hand. A click, a drag, a key stroke or a run of typing is one action.
class WindowDriver {
 public:
  WindowDriver() {
    window.resize(1280, 800);
    window.show();
    (void)QTest::qWaitForWindowExposed(&window);
    window.desk().startNew();
    mat().fitSheet();
    settle();
  }

  Desk& desk() { return window.desk(); }
  Mat& mat() { return *window.findChild<Mat*>("mat"); }
  const Sheet& sheet() { return *desk().sheet(); }

  /// Waits for what was asked for, as a person does who sees it going on. Shortcuts need the window to be the active
  /// one, which it may have lost to a dialog.
  void settle() {
    QTest::qWait(rest);
    while (window.errands().background().isBusy() && !QApplication::activeModalWidget()) QTest::qWait(5);
    for (int i = 0; i < 2000 && (!mat().isFinished() || desk().subjects().isLooking()); ++i) QTest::qWait(5);
    if (!QApplication::activeModalWidget()) QApplication::setActiveWindow(&window);
  }
  /// Waits for what comes by itself; false when it has not come in ten seconds.
  template <class Condition>
  bool until(const Condition& isMet) {
    for (int i = 0; i < 2000; ++i) {
      if (isMet()) return true;
      QTest::qWait(5);
    }
    return false;
  }
  QPoint onMat(Point p) { return mat().toMat(p).toPoint(); }
  /// Millimetres on the sheet, as a person thinks.
  static Point mm(double x, double y) { return {x * pointsPerMillimetre, y * pointsPerMillimetre}; }

  void key(int key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    ++actions;
    QTest::keyClick(&mat(), static_cast<Qt::Key>(key), modifiers);
    settle();
  }
  void click(Point at, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    ++actions;
    QTest::mouseMove(&mat(), onMat(at));
    QTest::mouseClick(&mat(), Qt::LeftButton, modifiers, onMat(at));
    settle();
  }
  void press(Point at, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    QTest::mousePress(&mat(), Qt::LeftButton, modifiers, onMat(at));
  }
  /// A move with the button held: QTest sends moves without buttons.
  void dragTo(Point at, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    const QPointF local = onMat(at);
    QMouseEvent move(QEvent::MouseMove, local, mat().mapToGlobal(local), Qt::NoButton, Qt::LeftButton, modifiers);
    QApplication::sendEvent(&mat(), &move);
  }
  void release(Point at, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    QTest::mouseRelease(&mat(), Qt::LeftButton, modifiers, onMat(at));
    settle();
  }
  void drag(Point from, Point to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    ++actions;
    QTest::mouseMove(&mat(), onMat(from));
    press(from, modifiers);
    for (int i = 1; i <= 4; ++i) dragTo(mix(from, to, i / 4.0), modifiers);
    release(to, modifiers);
  }
  /// A drag during which a key is held.
  void dragHolding(int held, Point from, Point to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    ++actions;
    QTest::mouseMove(&mat(), onMat(from));
    press(from, modifiers);
    dragTo(mix(from, to, 0.3), modifiers);
    QTest::keyPress(&mat(), static_cast<Qt::Key>(held));
    dragTo(to, modifiers);
    release(to, modifiers);
    QTest::keyRelease(&mat(), static_cast<Qt::Key>(held));
    settle();
  }
  void wheel(Point at, int notches, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
    ++actions;
    const QPointF local = onMat(at);
    QWheelEvent event(local, mat().mapToGlobal(local), {}, {0, 120 * notches}, Qt::NoButton, modifiers,
                      Qt::NoScrollPhase, false);
    QApplication::sendEvent(&mat(), &event);
    settle();
  }
  /// Clicks a button anywhere in the window by its object name.
  void press(const char* name) {
    ++actions;
    auto* widget = window.findChild<QWidget*>(name);
    ASSERT(widget, name);
    QTest::mouseClick(widget, Qt::LeftButton);
    settle();
  }
  /// Clicks the thumbnail of a sheet, counted from 1.
  void clickSheet(int number) {
    ++actions;
    auto* sheets = window.findChild<QListView*>("sheets");
    ASSERT(sheets, "sheets");
    for (int row = 0; row < sheets->model()->rowCount(); ++row) {
      const QModelIndex index = sheets->model()->index(row, 0);
      if ((index.flags() & Qt::ItemIsSelectable) && --number == 0)
        QTest::mouseClick(sheets->viewport(), Qt::LeftButton, {}, sheets->visualRect(index).center());
    }
    settle();
  }
  /// Clicks into a field, types, and lets go with Enter: two actions.
  void type(const char* name, const char* text) {
    actions += 2;
    auto* field = window.findChild<QLineEdit*>(name);
    ASSERT(field, name);
    QTest::mouseClick(field, Qt::LeftButton);
    field->selectAll();
    QTest::keyClicks(field, text);
    QTest::keyClick(field, Qt::Key_Return);
    settle();
  }
  /// A run of typing on the mat: one action.
  void typeOnMat(const char* text) {
    ++actions;
    QTest::keyClicks(&mat(), text);
    settle();
  }
  void drop(const QString& path, Point at) {
    ++actions;
    QMimeData data;
    data.setUrls({QUrl::fromLocalFile(path)});
    const QPointF local = onMat(at);
    QDragEnterEvent enter(local.toPoint(), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&mat(), &enter);
    QDropEvent event(local, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&mat(), &event);
    settle();
  }
  /// Runs `act` on the next dialog that opens, other than `before`. Fails loudly when none comes in ten seconds.
  template <class Act>
  void onNextDialog(Act act, QWidget* before = nullptr) {
    auto* watch = new QTimer(&window);
    QObject::connect(watch, &QTimer::timeout, &window, [watch, act, before, tries = 0]() mutable {
      QWidget* dialog = QApplication::activeModalWidget();
      if (!dialog || dialog == before || !dialog->isVisible()) {
        if (++tries > 200) qFatal("no dialog opened");
        return;
      }
      watch->stop();
      watch->deleteLater();
      act(*dialog);
    });
    watch->start(50);
  }
  /// Runs `act` while a dialog that `cause` opens is up.
  template <class Cause, class Act>
  void inDialog(Cause cause, Act act) {
    onNextDialog(act);
    cause();
    settle();
  }
  /// In a file dialog: types the name and presses Enter. One action.
  void answerFile(QWidget& dialog, const QString& path) {
    ++actions;
    auto* name = dialog.findChild<QLineEdit*>("fileNameEdit");
    ASSERT(name, "file name field");
    name->setText(path);
    QTest::keyClick(name, Qt::Key_Return);
  }
  /// Ctrl+E, Enter in the dialog, the file's name: three actions.
  void deliverTo(const QString& path) {
    inDialog([&] { key(Qt::Key_E, Qt::ControlModifier); },
             [&](QWidget& dialog) {
               onNextDialog([this, path](QWidget& files) { answerFile(files, path); }, &dialog);
               ++actions;
               QTest::keyClick(&dialog, Qt::Key_Return);
             });
  }
  /// Waits until photos are decoded, then takes the pixel that the person sees at a place of the sheet.
  QColor seen(Point at) {
    // What the mat paints asks for photos; when they are there, it is painted anew.
    (void)mat().grab();
    for (int i = 0; i < 2000 && desk().photos().isDecoding(); ++i) QTest::qWait(5);
    // The desk says so a moment later, for several at once.
    QTest::qWait(mediaOf(desk().project()).empty() ? 5 : 45);
    for (int i = 0; i < 2000 && !mat().isFinished(); ++i) QTest::qWait(5);
    return mat().grab().toImage().pixelColor(onMat(at));
  }
  void report(const char* job) const { std::printf("actions %s: %d\n", job, actions); }

  /// What is kept from start to start belongs to this window alone.
  struct FreshSettings {
    FreshSettings() {
      if (QCoreApplication::organizationName() == "widecut-tests") QSettings().clear();
    }
  } freshSettings;
  MainWindow window;
  int actions = 0;
  int rest = 20;  ///< Milliseconds after each action; less where thousands are walked over.

 private:
  static void ASSERT(const void* found, const char* name) {
    if (!found) qFatal("there is no %s in the window", name);
  }
};

}  // namespace widecut
