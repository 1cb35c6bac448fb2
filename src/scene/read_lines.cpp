#include "scene/read_lines.h"

#include "project/forms/words.h"

namespace widecut {
namespace {

/// The letters of a line that is bent, each where it stands.
void addLetters(const SetLine& line, const ReadLine& whole, const Affine& toContent, std::vector<ReadLine>& read) {
  const std::size_t first = read.size();
  for (std::size_t i = 0; i + 1 < whole.stops.size(); ++i) {
    const CaretStop &a = whole.stops[i], &b = whole.stops[i + 1];
    const double left = std::min(a.x, b.x), middle = (a.x + b.x) / 2;
    read.push_back({whole.text.substr(a.at, b.at - a.at),
                    {{0, 0}, {b.at - a.at, std::abs(b.x - a.x)}},
                    whole.size,
                    toContent * placeOn(line, middle) * Affine::move({left, 0})});
  }
  if (read.size() == first) return;
  read[first].together = whole.text;
  read[first].count = read.size() - first;
}

/// The hyphen of a broken word is read as one that was not typed.
void addHyphen(const SetLine& line, ReadLine& whole) {
  const std::size_t at = line.to - line.paragraph;
  for (const SetRun& run : line.body->runs) {
    if (run.from != run.to || run.to != at) continue;
    whole.text += "\xC2\xAD";
    whole.stops.back().x = run.leftward ? run.x + run.width : run.x;
    whole.stops.push_back({whole.text.size(), run.leftward ? run.x : run.x + run.width});
    return;
  }
}

/// A line in stretches of one size and height above the base line, as a drop cap and what is beside it.
void addStretches(const SetLine& line, const ReadLine& whole, std::vector<ReadLine>& read) {
  const auto runAt = [&](std::size_t inLine) -> const SetRun* {
    const std::size_t at = line.from + inLine - line.paragraph;
    for (const SetRun& run : line.body->runs)
      if (at >= run.from && (at < run.to || (at == run.to && run.from == run.to && at > 0))) return &run;
    return nullptr;
  };
  for (std::size_t i = 0; i + 1 < whole.stops.size();) {
    const SetRun* run = runAt(whole.stops[i].at);
    const double size = run ? run->size : whole.size, raised = run ? run->raised : 0;
    std::size_t end = i + 1;
    while (end + 1 < whole.stops.size()) {
      const SetRun* next = runAt(whole.stops[end].at);
      if (next && (next->size != size || next->raised != raised)) break;
      ++end;
    }
    ReadLine part{whole.text.substr(whole.stops[i].at, whole.stops[end].at - whole.stops[i].at),
                  {},
                  size,
                  whole.place * Affine::move({0, -raised})};
    for (std::size_t k = i; k <= end; ++k)
      part.stops.push_back({whole.stops[k].at - whole.stops[i].at, whole.stops[k].x});
    // Where the next stretch begins elsewhere, the last letter ends with its run.
    if (run && end + 1 < whole.stops.size() && !run->leftward) part.stops.back().x = run->x + run->width;
    read.push_back(std::move(part));
    i = end;
  }
}

}  // namespace

void addReadLines(const Item& item, const Affine& place, std::vector<ReadLine>& read) {
  for (const ItemPtr& child : childrenOf(item))
    if (!child->hidden) addReadLines(*child, place * child->toParent(), read);
  const Words* words = wordsOf(item);
  if (!words) return;
  const SetWords& set = words->set();
  const Words::Content& content = words->content();
  const Affine toContent = place * content.stretch;
  for (std::size_t i = 0; i < set.shown; ++i) {
    const SetLine& line = set.lines[i];
    if (line.from == line.to) continue;
    ReadLine whole{words->story().substr(line.from, line.to - line.from), line.stops(), content.style.size,
                   toContent * placeOn(line, 0)};
    if (line.endsInHyphen) addHyphen(line, whole);
    if (line.bends.empty())
      addStretches(line, whole, read);
    else
      addLetters(line, whole, toContent, read);
  }
}

}  // namespace widecut
