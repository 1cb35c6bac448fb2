// Commands of pieces and sheets.
#pragma once

#include "app/commands/command_rules.h"

namespace widecut::commands {

inline constexpr Command sheetsCommands[] = {
    {.id = Do::NextSheet,
     .menu = Menu::Sheets,
     .name = "nextSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Next sheet"),
     .keys = "PgDown",
     .run = [](const Site& s) { s.desk.stepSheet(1); }},
    {.id = Do::PreviousSheet,
     .menu = Menu::Sheets,
     .name = "previousSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Previous sheet"),
     .keys = "PgUp",
     .run = [](const Site& s) { s.desk.stepSheet(-1); }},
};

}  // namespace widecut::commands
