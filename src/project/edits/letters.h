// What the pieces of divided words are: letters, their counters, or the rest.
#pragma once

#include <span>

#include "project/forms/words.h"

namespace widecut {

/// The letters of all words among items, as they lie on the sheet.
class LettersOf {
 public:
  explicit LettersOf(std::span<const ItemPtr> items);

  /// “letter S”, “counter of a”; empty for what is neither. `isOfWords` says whether words cover the piece.
  std::string nameOf(const Outline& piece, bool isOfWords) const;
  bool isEmpty() const { return letters_.empty(); }

 private:
  struct Letter {
    std::string text;
    Box box;
  };
  std::vector<Letter> letters_;
};

}  // namespace widecut
