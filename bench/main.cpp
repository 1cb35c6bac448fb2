#include <benchmark/benchmark.h>

#include <QApplication>

#include "storage/parsing/tasks.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) return widecut::parsing::serveAll(count, words);
  qputenv("QT_QPA_PLATFORM", "offscreen");
  const QApplication app(count, words);
  benchmark::Initialize(&count, words);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
