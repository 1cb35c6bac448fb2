// Photos for jobs, as files, and the shapes that several of them begin with.
#pragma once

#include <QImage>

#include "window_driver.h"

namespace widecut {

/// A photo that is red all over.
inline QString redPhoto(const QTemporaryDir& folder) {
  QImage image(400, 300, QImage::Format_RGB32);
  image.fill(QColor(200, 30, 30));
  const QString path = folder.filePath("red.png");
  image.save(path);
  return path;
}

/// A photo whose left half is red and right half blue.
inline QString twoTonePhoto(const QTemporaryDir& folder) {
  QImage image(400, 200, QImage::Format_RGB32);
  image.fill(QColor(200, 30, 30));
  for (int y = 0; y < 200; ++y)
    for (int x = 200; x < 400; ++x) image.setPixelColor(x, y, QColor(30, 30, 200));
  const QString path = folder.filePath("tones.png");
  image.save(path);
  return path;
}

/// Chooses the file in the dialog that opens next.
inline void chooseInDialog(QObject& owner, const QString& path) {
  auto* timer = new QTimer(&owner);
  QObject::connect(timer, &QTimer::timeout, timer, [timer, path] {
    auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
    if (!dialog) return;
    timer->stop();
    dialog->findChild<QLineEdit*>("fileNameEdit")->setText(path);
    QMetaObject::invokeMethod(dialog, "accept");
  });
  timer->start(50);
}

inline bool isRed(const QColor& c) { return c.red() > 150 && c.blue() < 90; }
inline bool isBlue(const QColor& c) { return c.blue() > 150 && c.red() < 90; }

/// A box with a photo that is red on its left and blue on its right.
inline void layTwoTones(WindowDriver& w, const QTemporaryDir& folder) {
  w.key(Qt::Key_4);
  w.drag(w.mm(60, 50), w.mm(140, 90));
  w.key(Qt::Key_1);
  w.drop(twoTonePhoto(folder), w.mm(100, 70));
}

/// Three discs kept in line, and a triangle that hangs from them, which stays selected.
inline void layDiscsAndTriangle(WindowDriver& w) {
  w.key(Qt::Key_5);
  w.drag(w.mm(30, 60), w.mm(70, 100), Qt::ShiftModifier);
  w.drag(w.mm(50, 80), w.mm(85, 83), Qt::AltModifier | Qt::ShiftModifier);
  w.drag(w.mm(85, 80), w.mm(120, 83), Qt::AltModifier | Qt::ShiftModifier);
  w.key(Qt::Key_6);
  w.drag(w.mm(45, 80), w.mm(125, 150));
  w.type("turn", "180");
}

}  // namespace widecut
