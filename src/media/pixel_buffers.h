// Memory of pictures that are painted anew every frame.
#pragma once

#include <QImage>

namespace widecut {

/// An ARGB32_Premultiplied image whose pixels are not set yet. Memory of large ones goes from one to the next, since
/// getting it from the system took a third of the time of a large shadow: 64 MB at most lie ready. From any thread.
QImage unpaintedImage(QSize size);

}  // namespace widecut
