// Work on the rows of a picture, shared among threads.
#pragma once

#include <functional>

namespace widecut {

/// Works through rows in bands, on other threads of the pool too where there are so many pixels that it pays, and some
/// are free. Returns when all is done.
void inBands(int rows, int width, const std::function<void(int begin, int end)>& work);

}  // namespace widecut
