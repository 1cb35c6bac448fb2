// How the words that are chosen look: the selected items, or the letters that are selected in them.
#pragma once

#include "app/desk/desk.h"
#include "project/forms/words.h"

namespace widecut {

using TextStyleChange = std::function<void(TextStyle& style)>;

/// The first of the chosen words; null where none are.
ItemPtr chosenWords(const Desk& desk);
/// A stretch of a text that is chosen: the letters that are selected while it is typed, the caret's place, or all of
/// it.
struct ChosenStretch {
  Id words = 0;  ///< Those with the text.
  std::size_t from = 0, to = 0;
};
/// Of what is typed, or of all words that are selected, each text once.
std::vector<ChosenStretch> chosenStretches(const Desk& desk);
/// The style that shows: of the first letter that is selected, of the first of the words, or of the next ones.
TextStyle chosenTextStyle(const Desk& desk);
/// The project with a change of it: of the selected letters and their paragraphs alone where there are any; of the
/// caret's paragraph, where the change is of paragraphs; or of all words that are selected.
Project withChosenTextStyle(const Desk& desk, const TextStyleChange& change);

}  // namespace widecut
