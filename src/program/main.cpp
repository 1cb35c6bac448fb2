#include <QCoreApplication>

#include "cli/command_line.h"

int main(int count, char** words) {
  if (widecut::isCommand(count, words)) {
    const QCoreApplication app(count, words);
    return widecut::runCommand(count, words);
  }
  return 0;
}
