#include <gtest/gtest.h>

#include <QApplication>
#include <QStandardPaths>

#include "app/look/theme.h"

int main(int count, char** words) {
  if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(count, words);
  QStandardPaths::setTestModeEnabled(true);
  widecut::theme::apply(app);
  testing::InitGoogleTest(&count, words);
  return RUN_ALL_TESTS();
}
