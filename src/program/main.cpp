#include <QCoreApplication>

#include "app/window/run.h"
#include "cli/command_line.h"
#include "storage/parsing/tasks.h"

int main(int count, char** words) {
  if (widecut::reading::isReadingProcess(count, words)) return widecut::parsing::serveAll(count, words);
  if (!widecut::isCommand(count, words)) return widecut::runWindow(count, words);
  const QCoreApplication app(count, words);
  return widecut::runCommand(count, words);
}
