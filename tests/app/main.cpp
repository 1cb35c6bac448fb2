#include <gtest/gtest.h>

#include <QApplication>
#include <QDir>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>

#include "app/look/theme.h"
#include "app/window/watched_application.h"
#include "storage/parsing/tasks.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) return widecut::parsing::serveAll(count, words);
  if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  const widecut::WatchedApplication app(count, words);
  QStandardPaths::setTestModeEnabled(true);
  const QTemporaryDir settings;
  QSettings::setDefaultFormat(QSettings::IniFormat);
  QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, settings.path());
  // Where a machine has no bin, the toolkit puts what is thrown away where the program was started.
  QDir::setCurrent(settings.path());
  QApplication::setOrganizationName("widecut-tests");
  widecut::theme::apply(*qApp);
  testing::InitGoogleTest(&count, words);
  return RUN_ALL_TESTS();
}
