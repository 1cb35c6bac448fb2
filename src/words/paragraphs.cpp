#include "words/paragraphs.h"

#include <algorithm>

namespace widecut {

std::optional<StyledParagraph> Paragraphs::next() {
  const std::string& text = words_.text;
  if (at_ > text.size()) return std::nullopt;
  StyledParagraph out;
  out.from = at_;
  out.to = std::min(text.find('\n', at_), text.size());
  at_ = out.to + 1;
  const TextStyle whole = paragraphStyle(words_.looks, words_.style, out.from);
  out.stretches = stretchesOf(out.from, out.to, whole);
  out.paragraph = paragraphFor(text.substr(out.from, out.to - out.from), out.stretches, whole);
  return out;
}

std::vector<StyledStretch> Paragraphs::stretchesOf(std::size_t from, std::size_t to, const TextStyle& whole) {
  std::vector<StyledStretch> out;
  const auto& letters = words_.looks.letters;
  std::size_t done = from;
  const auto upTo = [&](std::size_t end, const TextStyle& style) {
    if (end <= done) return;
    out.push_back({done - from, end - from, style});
    done = end;
  };
  while (look_ < letters.size() && letters[look_].to <= from) ++look_;
  for (std::size_t i = look_; i < letters.size() && letters[i].from < to; ++i) {
    upTo(std::max(letters[i].from, from), whole);
    upTo(std::min(letters[i].to, to), with(with(whole, wholeLook(letters[i].named)), letters[i].look));
  }
  upTo(to, whole);
  return out;
}

}  // namespace widecut
