#include "app/window/run.h"

#include <QScreen>
#include <QStandardPaths>
#include <QTimer>
#include <iostream>
#include <thread>

#include "app/desk/preferences.h"
#include "app/look/theme.h"
#include "app/window/main_window.h"
#include "app/window/watched_application.h"
#include "reading/process.h"

namespace widecut {
namespace {

/// Saves a picture of the window once its photos are decoded and it has settled.
void shootAndQuit(MainWindow& window, const QString& file) {
  auto* settled = new QTimer(&window);
  settled->setSingleShot(true);
  settled->setInterval(600);
  QObject::connect(&window.desk(), &Desk::photosReady, settled, qOverload<>(&QTimer::start));
  QObject::connect(settled, &QTimer::timeout, &window, [&window, settled, file] {
    if (!window.isFinished()) {
      settled->start();
      return;
    }
    if (window.grab().save(file, "PNG")) {
      QApplication::exit(0);
      return;
    }
    std::cerr << "widecut: cannot write " << file.toStdString() << '\n';
    QApplication::exit(2);
  });
  settled->start();
}

struct Asked {
  QString file, shot;
  bool copy = false;
};

Result<Asked> askedFor(int count, char** words) {
  Asked asked;
  for (int i = 1; i < count; ++i) {
    const QString word = QString::fromLocal8Bit(words[i]);
    if (word == "--shot") {
      if (++i >= count) return problem("--shot needs the name of a file");
      asked.shot = QString::fromLocal8Bit(words[i]);
    } else if (word == "--copy") {
      asked.copy = true;
    } else if (word == "-platform" && i + 1 < count) {
      ++i;  // Qt's own
    } else if (word.startsWith("-") || !asked.file.isEmpty()) {
      return problem("unknown word '" + word.toStdString() + "' (see widecut --help)");
    } else {
      asked.file = word;
    }
  }
  const bool display = qEnvironmentVariableIsSet("DISPLAY") || qEnvironmentVariableIsSet("WAYLAND_DISPLAY") ||
                       qEnvironmentVariableIsSet("QT_QPA_PLATFORM");
  if (!display) return problem("there is no display to open the window on");
  return asked;
}

}  // namespace

int runWindow(int count, char** words) {
  // Before Qt starts: a wrong word, or a missing display, is one clear line.
  const auto asked = askedFor(count, words);
  if (!asked) {
    std::cerr << "widecut: " << asked.error().message << '\n';
    return 2;
  }
  WatchedApplication app(count, words);
  // Ready by the time when a photo is to be shown.
  std::thread([] { reading::warmUp(); }).detach();
  QApplication::setOrganizationName("widecut");
  QApplication::setApplicationName("Wide Cut");
  QApplication::setApplicationVersion("0.1.0");
  theme::apply(app);
  MainWindow window;
  if (asked->shot.isEmpty()) {
    window.keepJournals(QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation));
    // A title bar needs room too: where the window would not fit with one, it takes what room there is.
    const bool known = window.restoreSize();
    const QSize room = window.screen()->availableGeometry().size();
    const QSize wanted = window.size() + QSize(8, 40);
    if (known && window.isMaximized())
      window.show();
    else if (room.width() < wanted.width() || room.height() < wanted.height())
      window.showMaximized();
    else
      window.show();
    if (!asked->file.isEmpty())
      window.errands().openFile(asked->file, asked->copy ? Errands::As::Copy : Errands::As::Itself);
    else if (preferences().reopens)
      window.reopenLast();
    return QApplication::exec();
  }
  if (!asked->file.isEmpty()) {
    const auto opened = asked->copy ? window.desk().openCopy(asked->file) : window.desk().open(asked->file);
    if (!opened) {
      std::cerr << "widecut: " << opened.error().message << '\n';
      return 2;
    }
  }
  window.show();
  shootAndQuit(window, asked->shot);
  return QApplication::exec();
}

}  // namespace widecut
