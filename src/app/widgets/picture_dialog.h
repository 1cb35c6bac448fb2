// Choosing a file by its picture.
#pragma once

#include <QString>

class QWidget;

namespace widecut {

/// Asks for a photo, a video or shapes; beside the names, what is chosen among them shows, with its size. Begins where
/// a file was last chosen. Empty when nothing was chosen.
QString choosePictureFile(QWidget* parent, const QString& title, const QString& filter);

}  // namespace widecut
