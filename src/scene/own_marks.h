// What an item's own fills and lines paint.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// Adds the marks of the item's style to a content, which grows by them.
void addOwnMarks(const Item& item, const Around& around, Content& content);

}  // namespace widecut
