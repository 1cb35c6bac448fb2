// Styles of words with names: made, changed, based on one another, given to words and taken away again.
#pragma once

#include <functional>
#include <span>
#include <string>

#include "project/forms/words.h"

namespace widecut {

/// The style of this number; null where there is none, and for 0.
NamedLookPtr findTextStyle(const Project& project, std::uint32_t number);
/// Whether a style is the one of this number, or based on it.
bool isBasedOn(const NamedLookPtr& style, std::uint32_t number);
/// What a style of paragraphs says so that, on what it is based on, they look like this. Without a base it says family,
/// weight, size and leading at least.
Look lookOfParagraph(const TextStyle& style, const NamedLookPtr& basedOn);
/// The same of a style of letters, in a paragraph that looks otherwise; family and weight where nothing is otherwise.
Look lookOfLetters(const TextStyle& style, const TextStyle& paragraph, const NamedLookPtr& basedOn);

/// With one more style; `number` receives its number. A name that another one has gets a number too.
Project withTextStyleAdded(const Project& project, NamedLook style, std::uint32_t& number);
/// The style after a change, with all that are based on it, and all words that have one of them. Its number and whether
/// it is of paragraphs stay; it is not based on itself, or on what is based on it, whatever the change says.
Project withTextStyleChanged(const Project& project, std::uint32_t number,
                             const std::function<void(NamedLook& style)>& change);
/// Without the style: what is based on it, and words that have it, look as before.
Project withoutTextStyle(const Project& project, std::uint32_t number);

/// The letters between two places of the text, or the paragraphs that they are in, with a style of the project, and
/// without looks of their own that it says otherwise; without one where it is null.
Project withTextStyleGiven(const Project& project, Id words, std::size_t from, std::size_t to, bool isOfParagraphs,
                           const NamedLookPtr& style);
/// The style of the paragraph, or of the letter, at a place; null where it has none.
NamedLookPtr textStyleAt(const Words::Content& content, std::size_t at, bool isOfParagraphs);

}  // namespace widecut
