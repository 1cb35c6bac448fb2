// Commands of laying shapes down, and of what they are made from.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/shelf.h"
#include "project/forms/starter_form.h"

namespace widecut::commands {

inline bool aStarter(const Desk& desk) { return desk.onlyItem() && starterOf(*desk.onlyItem()); }

inline constexpr Command drawCommands[] = {
    {.id = Do::FindShape,
     .menu = Menu::Draw,
     .lineBefore = true,
     .name = "findShapeByName",
     .words = QT_TRANSLATE_NOOP("Commands", "Find a shape"),
     .keys = "Ctrl+F",
     .run = [](const Site& s) { s.desk.findShape(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "By its name, with its size and numbers: box 50 x 75, star 7 depth 25")},
    {.id = Do::StarterNumbers,
     .menu = Menu::Draw,
     .byPointer = true,
     .name = "starterNumbers",
     .words = QT_TRANSLATE_NOOP("Commands", "Change its numbers"),
     .keys = "N",
     .run = [](const Site& s) { s.desk.toggleNumbers(); },
     .applies = [](const Desk& d) { return aStarter(d) && d.openCutout(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "The numbers of a starter within a recipe, on the bench"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Its numbers")},
    {.id = Do::KeepOnShelf,
     .menu = Menu::Draw,
     .byPointer = true,
     .name = "keepOnShelf",
     .words = QT_TRANSLATE_NOOP("Commands", "Keep on the shelf"),
     .keys = "Ctrl+K",
     .run = [](const Site& s) { keepOnShelf(s.desk); },
     .applies = some,
     .hint = QT_TRANSLATE_NOOP("Commands", "For all projects: it is found among the shapes to lay down")},
    {.id = Do::MeasureLine,
     .menu = Menu::Draw,
     .lineBefore = true,
     .name = "measureLine",
     .words = QT_TRANSLATE_NOOP("Commands", "Measuring line"),
     .keys = "W",
     .run = tool<ToolKind::Measure>,
     .hint = QT_TRANSLATE_NOOP("Commands", "Says how long it is and at what angle; it is not delivered")},
};

}  // namespace widecut::commands
