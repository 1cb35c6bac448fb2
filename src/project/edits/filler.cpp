#include "project/edits/filler.h"

#include <string_view>
#include <vector>

#include "project/edits/words.h"
#include "project/lookup.h"

namespace widecut {
namespace {

/// Sentences of several lengths, with letters that reach up and down, so that a column of them looks like prose.
constexpr std::string_view prose =
    "These words keep a place for others that are still to come. They are as long and as short as words tend to be, "
    "and nobody needs to read them twice. A sentence of four words. Then a longer one follows, with a pause in the "
    "middle, just to show how a paragraph looks when somebody takes the time to explain a thing properly. Every line "
    "should be as grey as the next; where it is not, the column is too narrow or the letters are too large. Good "
    "typography is quiet. It leaves room for a photo, for a margin, for a thought. Whoever gets the final text by "
    "Friday may put it here, and what stands here now will go without a word of complaint. Until then it helps to "
    "judge the size, the leading, the length of the lines and the weight of the page. Questions of style? They are "
    "answered by looking. ";

std::vector<std::string_view> wordsOfProse() {
  std::vector<std::string_view> out;
  for (std::size_t from = 0; from < prose.size();) {
    const std::size_t blank = prose.find(' ', from);
    out.push_back(prose.substr(from, blank - from));
    from = blank + 1;
  }
  return out;
}

}  // namespace

std::string fillerWords(std::size_t count) {
  static const auto words = wordsOfProse();
  std::string out;
  for (std::size_t i = 0; i < count; ++i) {
    if (i > 0) out += ' ';
    out += words[i % words.size()];
  }
  return out;
}

Project withFiller(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  const Words* words = item ? wordsOf(*item) : nullptr;
  if (!words || !words->content().frame || words->content().flowsFrom != 0 || !words->set().fits()) return project;
  const LookedText before = lookedTextOf(*words);
  const bool isBehind = !before.text.empty() && before.text.back() != ' ' && before.text.back() != '\n';
  const auto filled = [&](std::size_t count) {
    const std::string more = (isBehind ? " " : "") + fillerWords(count);
    return withReplaced(before, before.text.size(), before.text.size(), {more, {}});
  };
  const auto fits = [&](std::size_t count) {
    Words::Content content = words->content();
    LookedText text = filled(count);
    content.text = std::move(text.text);
    content.looks = std::move(text.looks);
    return Words(std::move(content)).set().fits();
  };
  constexpr std::size_t most = 100'000;
  std::size_t low = 0, high = 1;
  while (high < most && fits(high)) {
    low = high;
    high *= 2;
  }
  while (low + 1 < high) {
    const std::size_t middle = (low + high) / 2;
    (fits(middle) ? low : high) = middle;
  }
  return low == 0 ? project : withLookedText(project, id, filled(low));
}

}  // namespace widecut
