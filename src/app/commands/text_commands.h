// Commands of words.
#pragma once

#include "app/commands/command_rules.h"
#include "app/window/errands.h"
#include "project/edits/filler.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"

namespace widecut::commands {

inline bool onlyWords(const Desk& desk) { return desk.onlyItem() && wordsOf(*desk.onlyItem()); }
inline bool anyWords(const Desk& desk) { return !wordsAmong(desk.settled(), desk.selection()).empty(); }
inline bool framed(const Desk& desk) {
  return onlyWords(desk) && wordsOf(*desk.onlyItem())->content().frame &&
         wordsOf(*desk.onlyItem())->content().flowsFrom == 0;
}

inline bool fillable(const Desk& desk) {
  if (!onlyWords(desk)) return false;
  const Words& words = *wordsOf(*desk.onlyItem());
  return words.content().frame && words.content().flowsFrom == 0 && words.set().fits();
}

inline bool following(const Desk& desk) { return onlyWords(desk) && wordsOf(*desk.onlyItem())->content().on != 0; }
inline bool flowing(const Desk& desk) {
  return onlyWords(desk) && framesOfStory(desk.settled(), desk.onlyItem()->id).size() > 1;
}
inline bool writable(const Desk& desk) {
  return desk.onlyItem() && !wordsOf(*desk.onlyItem()) && !showsChildren(desk.onlyItem()->form);
}
inline bool twoFrames(const Desk& desk) {
  const auto& chosen = desk.selection();
  if (chosen.size() != 2) return false;
  for (const Id id : chosen) {
    const ItemPtr item = findItem(desk.settled(), id);
    if (!item || !wordsOf(*item) || !wordsOf(*item)->content().frame) return false;
  }
  return true;
}
inline void flowOn(const Site& s) {
  Project changed = withFlow(s.desk.settled(), s.desk.selection()[0], s.desk.selection()[1]);
  if (isSame(changed, s.desk.settled()))
    emit s.desk.told(Desk::tr("Not done: the text of the second frame comes from another one"));
  else
    s.desk.commit(Desk::tr("Flow on"), std::move(changed));
}

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
    {.id = Do::WordsJustified,
     .menu = Menu::Text,
     .name = "wordsJustified",
     .words = QT_TRANSLATE_NOOP("Commands", "Words justified"),
     .run = align<Align::Justified>,
     .applies = anyWords},
    {.id = Do::WriteIn,
     .menu = Menu::Text,
     .lineBefore = true,
     .byPointer = true,
     .name = "writeIn",
     .words = QT_TRANSLATE_NOOP("Commands", "Write in it"),
     .keys = "Shift+W",
     .run = [](const Site& s) { s.desk.writeIn(); },
     .applies = writable,
     .hint = QT_TRANSLATE_NOOP("Commands", "Words that fill this outline, and follow it; along it, where it is open"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Write in it")},
    {.id = Do::FlowOn,
     .menu = Menu::Text,
     .byPointer = true,
     .name = "flowOn",
     .words = QT_TRANSLATE_NOOP("Commands", "Flow on into the next frame"),
     .run = [](const Site& s) { flowOn(s); },
     .applies = twoFrames,
     .hint = QT_TRANSLATE_NOOP("Commands", "What has no room in the frame selected first goes on in the second")},
    {.id = Do::FlowNoMore,
     .menu = Menu::Text,
     .byPointer = true,
     .name = "flowNoMore",
     .words = QT_TRANSLATE_NOOP("Commands", "Take the frame out of the flow"),
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Take a frame out"), withoutFlow(s.desk.settled(), s.desk.onlyItem()->id));
         },
     .applies = flowing,
     .hint = QT_TRANSLATE_NOOP("Commands", "The text flows past it, from the frame before to the frame after")},
    {.id = Do::LetWordsGo,
     .menu = Menu::Text,
     .byPointer = true,
     .name = "letWordsGo",
     .words = QT_TRANSLATE_NOOP("Commands", "Separate from its outline"),
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Let words go"), withWordsLetGo(s.desk.settled(), s.desk.selection()));
         },
     .applies = following,
     .hint = QT_TRANSLATE_NOOP("Commands", "The words stay as they are, with a frame or a line of their own")},
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
     .applies = framed,
     .hint =
         QT_TRANSLATE_NOOP("Commands", "Letters and leading grow or shrink until the frame just holds all of them")},
    {.id = Do::FillWithWords,
     .menu = Menu::Text,
     .byPointer = true,
     .name = "fillWithWords",
     .words = QT_TRANSLATE_NOOP("Commands", "Fill the frame with words"),
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Fill with words"), withFiller(s.desk.settled(), s.desk.onlyItem()->id));
         },
     .applies = fillable,
     .hint = QT_TRANSLATE_NOOP("Commands", "Prose that says nothing in particular, until the true words are there")},
    {.id = Do::WholeStory,
     .menu = Menu::Text,
     .lineBefore = true,
     .byPointer = true,
     .name = "wholeStory",
     .words = QT_TRANSLATE_NOOP("Commands", "The whole text…"),
     .keys = "Ctrl+Shift+W",
     .run = [](const Site& s) { s.errands.showStory(s.desk.onlyItem()->id); },
     .applies = onlyWords,
     .hint = QT_TRANSLATE_NOOP("Commands", "The text of all its frames in one piece, to be read and typed on"),
     .brief = QT_TRANSLATE_NOOP("Commands", "The whole text")},
    {.id = Do::ProjectFonts,
     .menu = Menu::Text,
     .name = "projectFonts",
     .words = QT_TRANSLATE_NOOP("Commands", "Fonts of the project…"),
     .run = [](const Site& s) { s.errands.showFonts(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Which ones its words are in, what is missing, and another one instead")},
};

}  // namespace widecut::commands
