// Commands of pieces and sheets.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/sheets.h"
#include "app/window/errands.h"
#include "project/edits/sheets.h"

namespace widecut::commands {

inline constexpr Command sheetsCommands[] = {
    {.id = Do::NewSheet,
     .menu = Menu::Sheets,
     .name = "newSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "New sheet"),
     .keys = "Ctrl+Shift+N",
     .run = [](const Site& s) { newSheet(s.desk); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Behind this one, and like it")},
    {.id = Do::DuplicateSheet,
     .menu = Menu::Sheets,
     .name = "duplicateSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Duplicate sheet"),
     .keys = "Ctrl+Shift+D",
     .run = [](const Site& s) { duplicateSheet(s.desk); }},
    {.id = Do::RenameSheet,
     .menu = Menu::Sheets,
     .name = "renameSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Rename sheet"),
     .keys = "",
     .run = [](const Site& s) { emit s.desk.renameSheetWanted(s.desk.sheet()->id); }},
    {.id = Do::DeleteSheet,
     .menu = Menu::Sheets,
     .name = "deleteSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Delete sheet"),
     .keys = "",
     .run = [](const Site& s) { deleteSheet(s.desk); },
     .applies = [](const Desk& d) { return sheetsOf(d.settled()).size() > 1; }},
    {.id = Do::NewPiece,
     .menu = Menu::Sheets,
     .lineBefore = true,
     .name = "newPiece",
     .words = QT_TRANSLATE_NOOP("Commands", "Another piece…"),
     .keys = "",
     .run = [](const Site& s) { s.errands.addPiece(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "A brochure, an ad or slides beside those that the project has")},
    {.id = Do::RenamePiece,
     .menu = Menu::Sheets,
     .name = "renamePiece",
     .words = QT_TRANSLATE_NOOP("Commands", "Rename piece"),
     .keys = "",
     .run = [](const Site& s) { emit s.desk.renameSheetWanted(pieceOf(s.desk.settled(), s.desk.sheet()->id)->id); }},
    {.id = Do::DeletePiece,
     .menu = Menu::Sheets,
     .name = "deletePiece",
     .words = QT_TRANSLATE_NOOP("Commands", "Delete piece"),
     .keys = "",
     .run = [](const Site& s) { deletePiece(s.desk); },
     .applies = [](const Desk& d) { return d.settled().pieces.size() > 1; }},
    {.id = Do::NextSheet,
     .menu = Menu::Sheets,
     .lineBefore = true,
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
