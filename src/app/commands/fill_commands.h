// Commands of what fills items.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/arranging.h"
#include "app/window/errands.h"
#include "project/resolve.h"

namespace widecut::commands {

inline constexpr Command fillCommands[] = {
    {.id = Do::BringInPhoto,
     .menu = Menu::Fill,
     .lineBefore = true,
     .byPointer = true,
     .name = "bringInPhoto",
     .words = QT_TRANSLATE_NOOP("Commands", "Bring in a photo…"),
     .keys = "Ctrl+Shift+P",
     .run = [](const Site& s) { s.errands.askForPhoto(); }},
    {.id = Do::Reframe,
     .menu = Menu::Fill,
     .byPointer = true,
     .name = "reframePhoto",
     .words = QT_TRANSLATE_NOOP("Commands", "Reframe the photo"),
     .keys = "R",
     .run = tool<ToolKind::Reframe>,
     .applies = [](const Desk& d) { return d.onlyItem() && shownPhoto(*d.onlyItem()); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Moves and scales the picture in its frame"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Reframe")},
    {.id = Do::SwapPaint,
     .menu = Menu::Fill,
     .lineBefore = true,
     .byPointer = true,
     .name = "swapPaint",
     .words = QT_TRANSLATE_NOOP("Commands", "Swap fill and outline"),
     .keys = "Shift+X",
     .run = [](const Site& s) { swapPaint(s.desk); },
     .applies = some,
     .hint = QT_TRANSLATE_NOOP("Commands", "Their colours change places")},
};

}  // namespace widecut::commands
