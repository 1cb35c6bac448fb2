// Commands of files and deliveries.
#pragma once

#include <QWidget>

#include "app/commands/command_rules.h"
#include "app/window/errands.h"

namespace widecut::commands {

inline constexpr Command projectCommands[] = {
    {.id = Do::New,
     .menu = Menu::Project,
     .name = "new",
     .words = QT_TRANSLATE_NOOP("Commands", "New"),
     .keys = "Ctrl+N",
     .run = [](const Site& s) { s.errands.startNew(); }},
    {.id = Do::Open,
     .menu = Menu::Project,
     .name = "open",
     .words = QT_TRANSLATE_NOOP("Commands", "Open…"),
     .keys = "Ctrl+O",
     .run = [](const Site& s) { s.errands.askForProject(); }},
    {.id = Do::Save,
     .menu = Menu::Project,
     .name = "save",
     .words = QT_TRANSLATE_NOOP("Commands", "Save"),
     .keys = "Ctrl+S",
     .run = [](const Site& s) { s.errands.save(); }},
    {.id = Do::SaveAs,
     .menu = Menu::Project,
     .name = "saveAs",
     .words = QT_TRANSLATE_NOOP("Commands", "Save as…"),
     .keys = "Ctrl+Shift+S",
     .run = [](const Site& s) { s.errands.saveAs(); }},
    {.id = Do::Deliver,
     .menu = Menu::Project,
     .lineBefore = true,
     .name = "deliver",
     .words = QT_TRANSLATE_NOOP("Commands", "Deliver…"),
     .keys = "Ctrl+E",
     .run = [](const Site& s) { s.errands.deliverSomething(); }},
    {.id = Do::DeliverAgain,
     .menu = Menu::Project,
     .name = "deliverAgain",
     .words = QT_TRANSLATE_NOOP("Commands", "Deliver like last time"),
     .keys = "Ctrl+Shift+E",
     .run = [](const Site& s) { s.errands.deliverAgain(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "The selected item, or the sheet, into the same folder")},
    {.id = Do::Preferences,
     .menu = Menu::Project,
     .lineBefore = true,
     .name = "preferencesPage",
     .words = QT_TRANSLATE_NOOP("Commands", "Preferences…"),
     .keys = "Ctrl+,",
     .run = [](const Site& s) { emit s.errands.preferencesWanted(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Units, how sums are written, the look, recovery, what opens at the start")},
    {.id = Do::Quit,
     .menu = Menu::Project,
     .lineBefore = true,
     .name = "quit",
     .words = QT_TRANSLATE_NOOP("Commands", "Quit"),
     .keys = "Ctrl+Q",
     .run = [](const Site& s) { s.window.close(); }},
};

}  // namespace widecut::commands
