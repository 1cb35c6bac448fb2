// Edits of words: what is typed, how it looks, and the frame that it is broken to.
#pragma once

#include <functional>
#include <span>

#include "project/forms/words.h"
#include "project/lookup.h"

namespace widecut {

/// The name of an item that says this: its first words.
std::string nameOfWords(const std::string& text);

/// The item with another text. A name that came from its text follows it; a photo of its own goes on covering it.
Project withText(const Project& project, Id item, const std::string& text);
/// The style of all words among the items, and inside them, after a change. Words stay where they are: those on lines
/// of their own keep their box's left edge when they are aligned otherwise.
Project withTextStyle(const Project& project, std::span<const Id> items, const std::function<void(TextStyle&)>& change);
/// All words among the items and inside them.
std::vector<ItemPtr> wordsAmong(const Project& project, std::span<const Id> items);
std::vector<ItemPtr> wordsIn(std::span<const ItemPtr> items);
/// All words of the project.
std::vector<ItemPtr> allWords(const Project& project);
/// The item, words, with another content.
Item withWords(const Item& item, Words::Content content);
/// The same after a change; a photo of its own goes on covering it. Others than words stay.
Item withWordsChanged(const Item& item, const std::function<void(Words::Content&)>& change);

LookedText lookedTextOf(const Words& words);
/// The item with another text and its looks.
Project withLookedText(const Project& project, Id item, const LookedText& text);
/// A look for the letters between two places of the text, and for the paragraphs that they are in.
Project withLookBetween(const Project& project, Id item, std::size_t from, std::size_t to, const Look& look);
/// The frames of all words among the items, and inside them, after a change; those without one stay.
Project withTextFrames(const Project& project, std::span<const Id> items,
                       const std::function<void(TextFrame&)>& change);
/// The same of the lines that words run along.
Project withAlongLines(const Project& project, std::span<const Id> items,
                       const std::function<void(AlongLine&)>& change);

/// The text frame as high as its lines; from a line, a frame as wide as it is.
Project withFrameFitted(const Project& project, Id item);
/// The letters, and their leading, as large as fit into the frame. Nothing changes where they do not at any size.
Project withLettersFitted(const Project& project, Id item);

}  // namespace widecut
