// The paragraphs of a text, each with its looks and shaped.
#pragma once

#include <optional>

#include "words/set_words.h"

namespace widecut {

struct StyledParagraph {
  std::size_t from = 0, to = 0;          ///< Bytes of the text, without the line feed.
  std::vector<StyledStretch> stretches;  ///< From the paragraph's beginning on.
  ParagraphPtr paragraph;
};

/// Gives them one after another. What it reads has to outlive it.
class Paragraphs {
 public:
  explicit Paragraphs(const WordsToSet& words) : words_(words) {}
  std::optional<StyledParagraph> next();

 private:
  std::vector<StyledStretch> stretchesOf(std::size_t from, std::size_t to, const TextStyle& whole);

  const WordsToSet& words_;
  std::size_t at_ = 0;
  std::size_t look_ = 0;  ///< The first look of letters that may reach further.
};

}  // namespace widecut
