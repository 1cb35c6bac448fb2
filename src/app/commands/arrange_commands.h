// Commands of the order of items and groups.
#pragma once

#include "app/commands/command_rules.h"
#include "app/desk/grouping.h"
#include "app/desk/selecting.h"
#include "project/edits/order.h"
#include "project/edits/tree.h"

namespace widecut::commands {

inline constexpr Command arrangeCommands[] = {
    {.id = Do::Group,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "group",
     .words = QT_TRANSLATE_NOOP("Commands", "Group"),
     .keys = "G",
     .run = [](const Site& s) { group(s.desk); },
     .applies = some,
     .hint = QT_TRANSLATE_NOOP("Commands", "The selected items are one from now on; each keeps its look")},
    {.id = Do::Ungroup,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "ungroup",
     .words = QT_TRANSLATE_NOOP("Commands", "Ungroup"),
     .keys = "Shift+G",
     .run = [](const Site& s) { ungroup(s.desk); },
     .applies = [](const Desk& d) { return !selectedGroups(d).empty(); }},
    {.id = Do::FlipAcross,
     .menu = Menu::Arrange,
     .lineBefore = true,
     .byPointer = true,
     .name = "flipAcrossCommand",
     .words = QT_TRANSLATE_NOOP("Commands", "Flip across"),
     .keys = "M",
     .run = [](const Site& s) { emit s.desk.flipWanted(true); },
     .applies = some},
    {.id = Do::FlipUpright,
     .menu = Menu::Arrange,
     .name = "flipUprightCommand",
     .words = QT_TRANSLATE_NOOP("Commands", "Flip upright"),
     .keys = "Shift+M",
     .run = [](const Site& s) { emit s.desk.flipWanted(false); },
     .applies = some},
    {.id = Do::Lock,
     .menu = Menu::Arrange,
     .lineBefore = true,
     .byPointer = true,
     .name = "lock",
     .words = QT_TRANSLATE_NOOP("Commands", "Lock"),
     .keys = "K",
     .run = [](const Site& s) { toggle(s.desk, &Item::locked, Desk::tr("Lock"), Desk::tr("Unlock")); },
     .applies = some,
     .hint = QT_TRANSLATE_NOOP("Commands", "The mouse on the mat passes through what is locked"),
     .wordsNow = [](const Desk& d) { return areAll(d, &Item::locked) ? Desk::tr("Unlock") : Desk::tr("Lock"); }},
    {.id = Do::UnlockAll,
     .menu = Menu::Arrange,
     .name = "unlockAll",
     .words = QT_TRANSLATE_NOOP("Commands", "Unlock all on the sheet"),
     .keys = "Shift+K",
     .run = [](const Site& s) { freeAll(s.desk, &Item::locked, Desk::tr("Unlock all")); }},
    {.id = Do::Hide,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "hide",
     .words = QT_TRANSLATE_NOOP("Commands", "Hide"),
     .keys = "H",
     .run = [](const Site& s) { toggle(s.desk, &Item::hidden, Desk::tr("Hide"), Desk::tr("Show")); },
     .applies = some,
     .wordsNow = [](const Desk& d) { return areAll(d, &Item::hidden) ? Desk::tr("Show") : Desk::tr("Hide"); }},
    {.id = Do::ShowAll,
     .menu = Menu::Arrange,
     .name = "showAll",
     .words = QT_TRANSLATE_NOOP("Commands", "Show all on the sheet"),
     .keys = "Shift+H",
     .run = [](const Site& s) { freeAll(s.desk, &Item::hidden, Desk::tr("Show all")); }},
    {.id = Do::Dim,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "dim",
     .words = QT_TRANSLATE_NOOP("Commands", "Dim"),
     .keys = "",
     .run = [](const Site& s) { toggle(s.desk, &Item::dimmed, Desk::tr("Dim"), Desk::tr("Undim")); },
     .applies = some,
     .hint = QT_TRANSLATE_NOOP("Commands", "Pale on the mat, to draw over; delivered as it is"),
     .wordsNow = [](const Desk& d) { return areAll(d, &Item::dimmed) ? Desk::tr("Undim") : Desk::tr("Dim"); }},
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
    {.id = Do::Forward,
     .menu = Menu::Arrange,
     .name = "forward",
     .words = QT_TRANSLATE_NOOP("Commands", "One step forward"),
     .keys = "]",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("One step forward"), broughtForward(s.desk.settled(), s.desk.selection()));
         },
     .applies = some},
    {.id = Do::Backward,
     .menu = Menu::Arrange,
     .name = "backward",
     .words = QT_TRANSLATE_NOOP("Commands", "One step backward"),
     .keys = "[",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("One step backward"), sentBackward(s.desk.settled(), s.desk.selection()));
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
