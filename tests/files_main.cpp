#include <gtest/gtest.h>

#include <QCoreApplication>

#include "storage/parsing/tasks.h"
#include "test_reading_tasks.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) {
    return widecut::parsing::serveAll(count, words, widecut::addTestTasks);
  }
  const QCoreApplication app(count, words);
  testing::InitGoogleTest(&count, words);
  return RUN_ALL_TESTS();
}
