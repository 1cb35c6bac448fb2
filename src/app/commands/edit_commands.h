// Commands of the history, copies and the selection.
#pragma once

#include "app/commands/command_rules.h"
#include "project/edits/tree.h"

namespace widecut::commands {

inline QString withEdit(const QString& verb, const std::string& edit) {
  return edit.empty() ? verb : verb + ": " + QString::fromStdString(edit);
}

inline void selectAll(const Site& s) {
  std::vector<Id> all;
  for (const ItemPtr& item : s.desk.sheet()->items)
    if (!item->hidden) all.push_back(item->id);
  s.desk.select(std::move(all));
}

inline void duplicate(const Site& s) {
  std::vector<Id> copies;
  s.desk.commit(Desk::tr("Duplicate"), withCopies(s.desk.settled(), s.desk.selection(), {12, 12}, copies));
  s.desk.select(copies);
}

inline constexpr Command editCommands[] = {
    {.id = Do::Undo,
     .menu = Menu::Edit,
     .name = "undo",
     .words = QT_TRANSLATE_NOOP("Commands", "Undo"),
     .keys = "Ctrl+Z; Alt+Backspace",
     .run = [](const Site& s) { s.desk.undo(); },
     .applies = [](const Desk& d) { return d.history().canUndo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Undo"), d.history().undoName()); }},
    {.id = Do::Redo,
     .menu = Menu::Edit,
     .name = "redo",
     .words = QT_TRANSLATE_NOOP("Commands", "Redo"),
     .keys = "Ctrl+Shift+Z; Ctrl+Y",
     .run = [](const Site& s) { s.desk.redo(); },
     .applies = [](const Desk& d) { return d.history().canRedo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Redo"), d.history().redoName()); }},
    {.id = Do::Duplicate,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "duplicate",
     .words = QT_TRANSLATE_NOOP("Commands", "Duplicate"),
     .keys = "Ctrl+D",
     .run = duplicate,
     .applies = some},
    {.id = Do::Delete,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "delete",
     .words = QT_TRANSLATE_NOOP("Commands", "Delete"),
     .keys = "Del",
     .run =
         [](const Site& s) { s.desk.commit(Desk::tr("Delete"), withoutItems(s.desk.settled(), s.desk.selection())); },
     .applies = some},
    {.id = Do::SelectAll,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "selectAll",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all"),
     .keys = "Ctrl+A",
     .run = selectAll},
    {.id = Do::SelectNothing,
     .menu = Menu::Edit,
     .name = "selectNothing",
     .words = QT_TRANSLATE_NOOP("Commands", "Select nothing"),
     .keys = "Ctrl+Shift+A",
     .run = [](const Site& s) { s.desk.select({}); },
     .applies = some},
};

}  // namespace widecut::commands
