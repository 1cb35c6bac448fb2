// Commands of the history, copies and the selection.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/clipboard.h"
#include "app/desk/grouping.h"
#include "app/desk/selecting.h"
#include "app/window/errands.h"
#include "project/edits/order.h"
#include "project/edits/tree.h"

namespace widecut::commands {

inline QString withEdit(const QString& verb, const std::string& edit) {
  return edit.empty() ? verb : verb + ": " + QString::fromStdString(edit);
}

inline std::string again(const Desk& desk) { return desk.again() ? desk.again()->name.toStdString() : std::string(); }

/// A copy a little beside; a copy that was moved since it was made so is followed by the next one at that spacing.
inline void duplicate(const Site& s) {
  std::vector<Id> copies;
  const Point by = s.desk.spacingOfCopies().value_or(Point{12, 12});
  const std::vector<Id> from = s.desk.selection();
  if (!s.desk.commit(Desk::tr("Duplicate"), withCopies(s.desk.settled(), from, by, copies))) return;
  s.desk.select(copies);
  s.desk.noteDuplicated(from.front(), copies.front());
  s.desk.noteAgain({Desk::tr("Duplicate"), movedBy(by), true});
}

/// Files that were copied are brought in; everything else is pasted.
template <PasteAt At>
void pasteOrBringIn(const Site& s) {
  const QStringList files = filesOnClipboard();
  for (const QString& file : files) s.errands.placePhoto(file, {});
  if (files.isEmpty()) paste(s.desk, At);
}

inline constexpr Command editCommands[] = {
    {.id = Do::Undo,
     .menu = Menu::Edit,
     .repeats = true,
     .name = "undo",
     .words = QT_TRANSLATE_NOOP("Commands", "Undo"),
     .keys = "Ctrl+Z; Alt+Backspace",
     .run = [](const Site& s) { s.desk.undo(); },
     .applies = [](const Desk& d) { return d.history().canUndo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Undo"), d.history().undoName()); }},
    {.id = Do::Redo,
     .menu = Menu::Edit,
     .repeats = true,
     .name = "redo",
     .words = QT_TRANSLATE_NOOP("Commands", "Redo"),
     .keys = "Ctrl+Shift+Z; Ctrl+Y",
     .run = [](const Site& s) { s.desk.redo(); },
     .applies = [](const Desk& d) { return d.history().canRedo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Redo"), d.history().redoName()); }},
    {.id = Do::AgainOnce,
     .menu = Menu::Edit,
     .byPointer = true,
     .repeats = true,
     .name = "again",
     .words = QT_TRANSLATE_NOOP("Commands", "Again"),
     .keys = "A",
     .run = [](const Site& s) { s.desk.doAgain(false); },
     .applies = [](const Desk& d) { return some(d) && d.again(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Makes the last change of items once more, of what is selected now"),
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Again"), again(d)); }},
    {.id = Do::AgainAsCopy,
     .menu = Menu::Edit,
     .name = "againAsCopy",
     .words = QT_TRANSLATE_NOOP("Commands", "Again as copy"),
     .keys = "Shift+A",
     .run = [](const Site& s) { s.desk.doAgain(true); },
     .applies = [](const Desk& d) { return some(d) && d.again(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "The same of a copy, which is selected then"),
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Again as copy"), again(d)); }},
    {.id = Do::CutItems,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "cutItems",
     .words = QT_TRANSLATE_NOOP("Commands", "Cut"),
     .keys = "Ctrl+X",
     .run = [](const Site& s) { cutSelection(s.desk); },
     .applies = some},
    {.id = Do::CopyItems,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "copyItems",
     .words = QT_TRANSLATE_NOOP("Commands", "Copy"),
     .keys = "Ctrl+C",
     .run = [](const Site& s) { copySelection(s.desk); },
     .applies = some},
    {.id = Do::Paste,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "paste",
     .words = QT_TRANSLATE_NOOP("Commands", "Paste"),
     .keys = "Ctrl+V",
     .run = pasteOrBringIn<PasteAt::Beside>},
    {.id = Do::PasteInPlace,
     .menu = Menu::Edit,
     .name = "pasteInPlace",
     .words = QT_TRANSLATE_NOOP("Commands", "Paste in place"),
     .keys = "Ctrl+Shift+V",
     .run = pasteOrBringIn<PasteAt::InPlace>},
    {.id = Do::PasteOnSheets,
     .menu = Menu::Edit,
     .name = "pasteOnSheets",
     .words = QT_TRANSLATE_NOOP("Commands", "Paste on all chosen sheets"),
     .keys = "Ctrl+Alt+V",
     .run = [](const Site& s) { paste(s.desk, PasteAt::EverySheet); },
     .hint = QT_TRANSLATE_NOOP("Commands", "In place, on every sheet that is chosen in the sheets panel")},
    {.id = Do::Duplicate,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "duplicate",
     .words = QT_TRANSLATE_NOOP("Commands", "Duplicate"),
     .keys = "Ctrl+D",
     .run = duplicate,
     .applies = some},
    {.id = Do::Rename,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "rename",
     .words = QT_TRANSLATE_NOOP("Commands", "Rename"),
     .keys = "F2",
     .run = [](const Site& s) { emit s.desk.renameWanted(); },
     .applies = one},
    {.id = Do::Delete,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "delete",
     .words = QT_TRANSLATE_NOOP("Commands", "Delete"),
     .keys = "Del",
     .run = [](const Site& s) { deleteSelection(s.desk); },
     .applies = some},
    {.id = Do::SelectAll,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "selectAll",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all"),
     .keys = "Ctrl+A",
     .run = [](const Site& s) { widecut::selectAll(s.desk); }},
    {.id = Do::SelectNothing,
     .menu = Menu::Edit,
     .name = "selectNothing",
     .words = QT_TRANSLATE_NOOP("Commands", "Select nothing"),
     .keys = "Ctrl+Shift+A",
     .run = [](const Site& s) { s.desk.select({}); },
     .applies = some},
    {.id = Do::InvertSelection,
     .menu = Menu::Edit,
     .name = "invertSelection",
     .words = QT_TRANSLATE_NOOP("Commands", "Select the others"),
     .keys = "Ctrl+Shift+I",
     .run = [](const Site& s) { invertSelection(s.desk); }},
    {.id = Do::SelectNext,
     .menu = Menu::Edit,
     .name = "selectNext",
     .words = QT_TRANSLATE_NOOP("Commands", "Select the next one"),
     .keys = "",
     .run = [](const Site& s) { selectNext(s.desk, 1); },
     .hint = QT_TRANSLATE_NOOP("Commands", "On the mat: Tab")},
    {.id = Do::SelectPrevious,
     .menu = Menu::Edit,
     .name = "selectPrevious",
     .words = QT_TRANSLATE_NOOP("Commands", "Select the one before"),
     .keys = "",
     .run = [](const Site& s) { selectNext(s.desk, -1); },
     .hint = QT_TRANSLATE_NOOP("Commands", "On the mat: Shift+Tab")},
    {.id = Do::SameFill,
     .menu = Menu::Edit,
     .lineBefore = true,
     .name = "sameFill",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all of the same fill"),
     .keys = "",
     .run = [](const Site& s) { selectAlike(s.desk, Alike::Fill); },
     .applies = some},
    {.id = Do::SameLine,
     .menu = Menu::Edit,
     .name = "sameLine",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all of the same outline"),
     .keys = "",
     .run = [](const Site& s) { selectAlike(s.desk, Alike::Line); },
     .applies = some},
    {.id = Do::SameKind,
     .menu = Menu::Edit,
     .name = "sameKind",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all of the same kind"),
     .keys = "",
     .run = [](const Site& s) { selectAlike(s.desk, Alike::Kind); },
     .applies = some},
    {.id = Do::SameSize,
     .menu = Menu::Edit,
     .name = "sameSize",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all of the same size"),
     .keys = "",
     .run = [](const Site& s) { selectAlike(s.desk, Alike::Size); },
     .applies = some},
};

}  // namespace widecut::commands
