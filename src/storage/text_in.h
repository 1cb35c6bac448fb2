// Texts from elsewhere, with their looks: plain ones, Markdown, HTML, and texts of OpenDocument (ODT).
#pragma once

#include "geometry/problem.h"
#include "project/model.h"
#include "reading/process.h"
#include "words/text_looks.h"

namespace widecut {

enum class TextKind : unsigned char { Plain, Markdown, Html, OpenDocument };
/// By the ending of a file's name; nothing for files that are no texts.
std::optional<TextKind> textKindOf(const std::string& fileName);
/// The endings of all of them, as “*.txt”.
const std::vector<std::string>& textEndings();

/// The text of a file, for words that look like `whole`. Headings, quotes, lists and code become paragraphs of styles
/// with those names, whose sizes go by that of the whole; bold, italic and underlined letters look so. Pictures,
/// tables' lines and notes are left out. Refuses what is no file of its kind, or longer than words can be.
/// All of that happens in the reading process.
Result<LookedText> textFromFile(std::string_view bytes, TextKind kind, const TextStyle& whole,
                                const reading::Patience& patience = {});

/// The project with the styles that a text refers to: those that it has under the same names are taken for them, others
/// are added. `text` refers to the project's own then.
Project withStylesOf(const Project& project, LookedText& text);

/// HTML of a text, for the clipboard.
std::string htmlOf(const LookedText& text, const TextStyle& whole);

}  // namespace widecut
