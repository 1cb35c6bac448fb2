#include "project/edits/letters.h"

#include "words/text_breaks.h"

namespace widecut {
namespace {

double area(const Box& box) { return box.width() * box.height(); }

Box common(const Box& a, const Box& b) {
  return {{std::max(a.low.x, b.low.x), std::max(a.low.y, b.low.y)},
          {std::min(a.high.x, b.high.x), std::min(a.high.y, b.high.y)}};
}

}  // namespace

LettersOf::LettersOf(std::span<const ItemPtr> items) {
  for (const ItemPtr& item : items) {
    const Words* words = wordsOf(*item);
    if (!words) continue;
    const auto places = letterStops(words->story());
    for (std::size_t i = 0; i + 1 < places.size(); ++i) {
      const Outline ink = words->outlineBetween(places[i], places[i + 1]);
      if (ink.isEmpty()) continue;
      letters_.push_back(
          {words->story().substr(places[i], places[i + 1] - places[i]), bounds(transformed(ink, item->toParent()))});
    }
  }
}

std::string LettersOf::nameOf(const Outline& piece, bool isOfWords) const {
  constexpr double rounding = 1e-6;
  const Box box = bounds(piece);
  const Letter* nearest = nullptr;
  double most = 0;
  for (const Letter& letter : letters_) {
    if (!isOfWords) {
      if (letter.box.grown(rounding).contains(box)) return "counter of " + letter.text;
      continue;
    }
    if (const double here = area(common(letter.box, box)); here > most) {
      nearest = &letter;
      most = here;
    }
  }
  return nearest ? "letter " + nearest->text : "";
}

}  // namespace widecut
