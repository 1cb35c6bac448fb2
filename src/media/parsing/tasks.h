// What the reading process does with photos and videos.
#pragma once

#include "reading/serve.h"

namespace widecut::parsing {

/// Photo header, photo, photo check; and of one video at a time: video open, seek, next, image, close, and the same of
/// its sound.
void addMediaTasks(reading::Tasks& tasks);

}  // namespace widecut::parsing
