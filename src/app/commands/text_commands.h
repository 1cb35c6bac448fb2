// Commands of words.
#pragma once

#include "app/commands/command_rules.h"
#include "project/edits/words.h"

namespace widecut::commands {

inline bool onlyWords(const Desk& desk) { return desk.onlyItem() && wordsOf(*desk.onlyItem()); }
inline bool anyWords(const Desk& desk) { return !wordsAmong(desk.settled(), desk.selection()).empty(); }
inline bool overset(const Desk& desk) { return onlyWords(desk) && !wordsOf(*desk.onlyItem())->set().fits(); }

template <Align A>
void align(const Site& s) {
  s.desk.commit(Desk::tr("Align words"),
                withTextStyle(s.desk.settled(), s.desk.selection(), [](TextStyle& style) { style.align = A; }));
}

inline constexpr Command textCommands[] = {
    {.id = Do::TypeOn,
     .menu = Menu::Text,
     .lineBefore = true,
     .byPointer = true,
     .name = "typeOn",
     .words = QT_TRANSLATE_NOOP("Commands", "Type on in the words"),
     .run = [](const Site& s) { s.desk.typeOn(s.desk.onlyItem()->id); },
     .applies = onlyWords,
     .hint = QT_TRANSLATE_NOOP("Commands", "On the mat: Enter, or a double click"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Type on")},
    {.id = Do::WordsLeft,
     .menu = Menu::Text,
     .lineBefore = true,
     .name = "wordsLeft",
     .words = QT_TRANSLATE_NOOP("Commands", "Words to the left"),
     .run = align<Align::Left>,
     .applies = anyWords},
    {.id = Do::WordsCentred,
     .menu = Menu::Text,
     .name = "wordsCentred",
     .words = QT_TRANSLATE_NOOP("Commands", "Words centred"),
     .run = align<Align::Centre>,
     .applies = anyWords},
    {.id = Do::WordsRight,
     .menu = Menu::Text,
     .name = "wordsRight",
     .words = QT_TRANSLATE_NOOP("Commands", "Words to the right"),
     .run = align<Align::Right>,
     .applies = anyWords},
    {.id = Do::FrameToWords,
     .menu = Menu::Text,
     .lineBefore = true,
     .byPointer = true,
     .name = "frameToWords",
     .words = QT_TRANSLATE_NOOP("Commands", "Frame as high as its words"),
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Frame as high as its words"),
                         withFrameFitted(s.desk.settled(), s.desk.onlyItem()->id));
         },
     .applies = onlyWords,
     .hint = QT_TRANSLATE_NOOP("Commands", "A line gets a frame of its own size: what is typed on is broken to it")},
    {.id = Do::LettersToFrame,
     .menu = Menu::Text,
     .byPointer = true,
     .name = "lettersToFrame",
     .words = QT_TRANSLATE_NOOP("Commands", "Letters as large as fit"),
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Letters as large as fit"),
                         withLettersFitted(s.desk.settled(), s.desk.onlyItem()->id));
         },
     .applies = overset,
     .hint = QT_TRANSLATE_NOOP("Commands", "Makes letters and leading smaller until the frame holds all of them")},
};

}  // namespace widecut::commands
