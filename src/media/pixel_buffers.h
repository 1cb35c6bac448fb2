// Memory of pictures that are painted anew every frame.
#pragma once

#include <QImage>
#include <functional>

namespace widecut {

/// An ARGB32_Premultiplied image whose pixels are not set yet. Memory of large ones goes from one to the next, since
/// getting it from the system costs as much as painting on it: 64 MB at most lie ready. From any thread.
QImage unpaintedImage(QSize size);

/// Works through rows in bands, on other threads of the pool too where there are so many pixels that it pays, and some
/// are free. Returns when all is done.
void inBands(int rows, int width, const std::function<void(int begin, int end)>& work);

}  // namespace widecut
