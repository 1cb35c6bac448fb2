// Commands of the order of items and groups.
#pragma once

#include "app/commands/command_rules.h"
#include "project/edits/tree.h"

namespace widecut::commands {

inline constexpr Command arrangeCommands[] = {
    {.id = Do::ToFront,
     .menu = Menu::Arrange,
     .lineBefore = true,
     .byPointer = true,
     .name = "toFront",
     .words = QT_TRANSLATE_NOOP("Commands", "Bring to front"),
     .keys = "Ctrl+]",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Bring to front"), broughtToFront(s.desk.settled(), s.desk.selection()));
         },
     .applies = some},
    {.id = Do::ToBack,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "toBack",
     .words = QT_TRANSLATE_NOOP("Commands", "Send to back"),
     .keys = "Ctrl+[",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Send to back"), sentToBack(s.desk.settled(), s.desk.selection()));
         },
     .applies = some},
};

}  // namespace widecut::commands
