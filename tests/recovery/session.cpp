// A session at the real window that is killed from outside: draws a box, then moves it again and again, by random steps
// and pauses, and notes each settled state with its time in a log: "MILLISECONDS X".
//   recovery_session HOME LOG SEED
#include <QApplication>
#include <QDateTime>
#include <QtTest>
#include <cstdio>
#include <random>

#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "app/window/main_window.h"
#include "storage/parsing/tasks.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) return widecut::parsing::serveAll(count, words);
  if (count != 4) return 2;
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(count, words);
  widecut::theme::apply(app);
  widecut::MainWindow window;
  window.show();
  (void)QTest::qWaitForWindowExposed(&window);
  QApplication::setActiveWindow(&window);
  window.keepJournals(words[1]);
  auto& mat = *window.findChild<widecut::Mat*>("mat");
  FILE* log = std::fopen(words[2], "w");
  std::mt19937 random(static_cast<unsigned>(std::atoi(words[3])));
  const auto at = [&](double x, double y) { return mat.toMat(widecut::Point{x, y}).toPoint(); };
  QTest::keyClick(&mat, Qt::Key_4);
  QTest::mousePress(&mat, Qt::LeftButton, {}, at(100, 100));
  QTest::mouseRelease(&mat, Qt::LeftButton, {}, at(200, 200));
  if (window.desk().sheet()->items.empty()) return 3;
  while (true) {
    const Qt::Key keys[] = {Qt::Key_Right, Qt::Key_Right, Qt::Key_Left};
    QTest::keyClick(&mat, keys[random() % 3], random() % 2 == 0 ? Qt::NoModifier : Qt::ControlModifier);
    const auto& item = *window.desk().settled().pieces[0]->sheets[0]->items[0];
    std::fprintf(log, "%lld %.6f\n", static_cast<long long>(QDateTime::currentMSecsSinceEpoch()), item.position.x);
    std::fflush(log);
    QTest::qWait(static_cast<int>(random() % 60));
  }
}
