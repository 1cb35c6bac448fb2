#include "app/run.h"

#include <QApplication>
#include <QTimer>
#include <iostream>

#include "app/main_window.h"
#include "app/theme.h"

namespace widecut {
namespace {

/// Saves a picture of the window once its photos are decoded and it has settled.
void shootAndQuit(MainWindow& window, const QString& file) {
  auto* settled = new QTimer(&window);
  settled->setSingleShot(true);
  settled->setInterval(600);
  QObject::connect(&window.desk(), &Desk::photosReady, settled, qOverload<>(&QTimer::start));
  QObject::connect(settled, &QTimer::timeout, &window, [&window, file] {
    if (window.grab().save(file, "PNG")) {
      QApplication::exit(0);
      return;
    }
    std::cerr << "widecut: cannot write " << file.toStdString() << '\n';
    QApplication::exit(2);
  });
  settled->start();
}

}  // namespace

int runWindow(int count, char** words) {
  QApplication app(count, words);
  QApplication::setOrganizationName("widecut");
  QApplication::setApplicationName("Wide Cut");
  QApplication::setApplicationVersion("0.1.0");
  theme::apply(app);
  QString file, shot;
  const QStringList arguments = QApplication::arguments();
  for (int i = 1; i < arguments.size(); ++i) {
    if (arguments[i] == "--shot" && i + 1 < arguments.size())
      shot = arguments[++i];
    else if (arguments[i].startsWith("-") || !file.isEmpty()) {
      std::cerr << "widecut: unknown word '" << arguments[i].toStdString() << "' (see widecut --help)\n";
      return 2;
    } else
      file = arguments[i];
  }
  MainWindow window;
  if (!shot.isEmpty()) {
    if (!file.isEmpty())
      if (const auto opened = window.desk().open(file); !opened) {
        std::cerr << "widecut: " << opened.error().message << '\n';
        return 2;
      }
    window.show();
    shootAndQuit(window, shot);
    return QApplication::exec();
  }
  window.show();
  if (!file.isEmpty()) window.openFile(file);
  return QApplication::exec();
}

}  // namespace widecut
