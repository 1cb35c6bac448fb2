// Words that follow other items: their outlines, as frames and lines, and texts that flow on from frame to frame.
#pragma once

#include "project/forms/words.h"
#include "project/lookup.h"

namespace widecut {

/// New words inside an item's outline, or along it, in front of it: they follow it from then on. `made` is their id.
/// `content` says how they look; nothing changes for items without an outline.
Project withWordsIn(const Project& project, Id item, Words::Content content, Style style, Id& made);
Project withWordsAlong(const Project& project, Id item, Words::Content content, Style style, Id& made);
/// The words so that they would follow an item, in the space of the sheet: not in the project yet.
std::optional<Item> wordsInside(const Project& project, Id item, Words::Content content, Style style);
std::optional<Item> wordsAlong(const Project& project, Id item, Words::Content content, Style style);

/// Words that follow nothing more; they stay as they are.
Project withWordsLetGo(const Project& project, std::span<const Id> words);

/// The project with all words that follow items or texts brought to them, after a change. Words that were moved alone
/// take along what they are on. Where the item that they are on has gone they stay, and follow nothing.
Project withWordsFollowing(const Project& before, const Project& after);

/// The frames that a text flows through, the first with the text of its own; only that one where it flows on nowhere.
std::vector<Id> framesOfStory(const Project& project, Id words);
/// The text of one frame flowing on in another one: the words there come after its own, and follow in all further
/// frames. Nothing changes where either has no frame, or the second one's text flows here already.
Project withFlow(const Project& project, Id from, Id into);
/// A frame taken out: what it showed flows on to the next, and it is left empty. The first one leaves its text to the
/// next.
Project withoutFlow(const Project& project, Id words);

}  // namespace widecut
