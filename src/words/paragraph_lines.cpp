#include "words/paragraph_lines.h"

#include <unicode/uchar.h>

#include <algorithm>
#include <cmath>

#include "words/hyphens.h"
#include "words/line_body.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

constexpr char32_t softHyphen = 0xAD;

bool isLetter(char32_t code) {
  return u_isalpha(static_cast<UChar32>(code)) != 0 || isAttached(code) || code == softHyphen;
}

/// Calls `use` with the beginning and the end of each word of letters alone.
template <class Use>
void eachWord(const std::string& text, const Use& use) {
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t from = at;
    while (at < text.size() && isLetter(letterAt(text, at).code)) at += letterAt(text, at).bytes;
    if (at > from) use(from, at);
    if (at < text.size()) at += letterAt(text, at).bytes;
  }
}

class Places {
 public:
  explicit Places(const Paragraph& paragraph) : paragraph_(paragraph), clusters_(paragraph.clusters()) {}

  std::vector<BreakPlace> all(const std::vector<std::size_t>& forced) {
    for (const std::size_t stop : lineStops(paragraph_.text())) addStop(stop);
    if (paragraph_.style().hyphens) addHyphens();
    for (const std::size_t cluster : forced) {
      BreakPlace place;
      place.end = place.next = cluster;
      place.isForced = true;
      places_.push_back(place);
    }
    std::stable_sort(places_.begin(), places_.end(), [](const auto& a, const auto& b) { return a.next < b.next; });
    const auto alike = [](const BreakPlace& a, const BreakPlace& b) { return a.next == b.next; };
    places_.erase(std::unique(places_.begin(), places_.end(), alike), places_.end());
    return std::move(places_);
  }

 private:
  void addStop(std::size_t byte) {
    const std::size_t size = paragraph_.text().size();
    const std::size_t next = paragraph_.clusterAt(byte);
    if (byte < size && (next == clusters_.size() || clusters_[next].from != byte)) return;  // within a ligature
    BreakPlace place;
    place.next = place.end = next;
    if (byte < size)
      while (place.end > 0 && clusters_[place.end - 1].isSpace && !clusters_[place.end - 1].isTab) --place.end;
    if (place.end > 0) {
      place.hangs = clusters_[place.end - 1].hangsAfter;
      if (byte < size && letterAt(paragraph_.text(), clusters_[place.end - 1].from).code == softHyphen)
        addHyphenTo(place, byte);
    }
    places_.push_back(place);
  }
  void addHyphenTo(BreakPlace& place, std::size_t byte) {
    place.isHyphen = true;
    place.hyphen = paragraph_.hyphenBefore(byte).width;
    if (paragraph_.style().hanging) place.hangs = place.hyphen * 0.4;
  }
  void addHyphens() {
    const std::string& text = paragraph_.text();
    eachWord(text, [&](std::size_t from, std::size_t to) {
      const std::string word = text.substr(from, to - from);
      if (word.find("\xC2\xAD") != std::string::npos) return;  // it says itself where
      for (const std::size_t at : hyphenPlaces(word, paragraph_.styleAt(from).language)) {
        const std::size_t next = paragraph_.clusterAt(from + at);
        if (next >= clusters_.size() || clusters_[next].from != from + at) continue;
        BreakPlace place;
        place.end = place.next = next;
        addHyphenTo(place, from + at);
        places_.push_back(place);
      }
    });
  }

  const Paragraph& paragraph_;
  const std::vector<Cluster>& clusters_;
  std::vector<BreakPlace> places_;
};

bool hasTabs(const Paragraph& paragraph) { return paragraph.text().find('\t') != std::string::npos; }

std::vector<BrokenLine> tabbedLines(const Paragraph& paragraph, const BreakText& text, const LineWidths& widths) {
  constexpr double rounding = 1e-7;
  std::vector<BrokenLine> out;
  std::size_t line = 0;
  for (std::size_t from = 0; from < text.places.size();) {
    const std::size_t begin = from == 0 ? 0 : text.places[from - 1].next;
    std::size_t place = from;
    const double width = widths(line);
    while (place + 1 < text.places.size() &&
           tabbedWidth(paragraph, begin, std::max(text.places[place + 1].end, begin)) <= width + rounding)
      ++place;
    out.push_back({line++, place});
    from = place + 1;
  }
  return out;
}

/// Breaks a paragraph; words that are wider than every line are parted between letters.
std::vector<BrokenLine> broken(const Paragraph& paragraph, const LineWidths& widths, BreakText& text) {
  const BreakRules rules = breakRulesOf(paragraph);
  const bool isGreedy = paragraph.style().breaking == Breaking::Line;
  std::vector<std::size_t> forced;
  for (;;) {
    auto lines = hasTabs(paragraph) ? tabbedLines(paragraph, text, widths)
                 : isGreedy         ? greedyLines(text, widths, rules)
                                    : bestLines(text, widths, rules);
    const std::size_t before = forced.size();
    std::size_t from = 0;
    for (const BrokenLine& line : lines) {
      const std::size_t begin = from == 0 ? 0 : text.places[from - 1].next, end = text.places[line.place].end;
      if (ratioOf(text, rules, from, line.place, widths(line.line)) < -1 && !hasTabs(paragraph))
        for (std::size_t cluster = begin + 1; cluster < end; ++cluster) forced.push_back(cluster);
      from = line.place + 1;
    }
    if (forced.size() == before) return lines;
    text = breakTextOf(paragraph, forced);
  }
}

struct Broken {
  std::vector<double> widths;  ///< Those that were asked for.
  std::vector<ParagraphLine> lines;
};
using BrokenMemo = std::vector<std::shared_ptr<const Broken>>;

std::shared_ptr<const Broken> known(const Paragraph& paragraph, const LineWidths& widths) {
  BrokenMemo entries;
  {
    const std::lock_guard lock(paragraph.memoMutex());
    if (const auto* memo = static_cast<const BrokenMemo*>(paragraph.memo().get())) entries = *memo;
  }
  const auto fits = [&](const std::shared_ptr<const Broken>& one) {
    for (std::size_t i = 0; i < one->widths.size(); ++i)
      if (widths(i) != one->widths[i]) return false;
    return true;
  };
  const auto found = std::find_if(entries.begin(), entries.end(), fits);
  return found == entries.end() ? nullptr : *found;
}

void keep(const Paragraph& paragraph, std::shared_ptr<const Broken> made) {
  constexpr std::size_t most = 3;
  const std::lock_guard lock(paragraph.memoMutex());
  auto next = std::make_shared<BrokenMemo>();
  next->push_back(std::move(made));
  if (const auto* memo = static_cast<const BrokenMemo*>(paragraph.memo().get()))
    next->insert(next->end(), memo->begin(), memo->begin() + std::min<std::ptrdiff_t>(std::ssize(*memo), most - 1));
  paragraph.memo() = std::move(next);
}

double shiftOf(Align align, double room, bool isLeftward, bool isLast) {
  switch (align) {
    case Align::Left:
      return 0;
    case Align::Centre:
      return room / 2;
    case Align::Right:
      return room;
    case Align::Justified:
      return isLeftward && isLast ? room : 0;
  }
  return 0;
}

}  // namespace

BreakText breakTextOf(const Paragraph& paragraph, const std::vector<std::size_t>& forced) {
  BreakText out;
  const auto& clusters = paragraph.clusters();
  double width = 0, stretch = 0, shrink = 0;
  for (auto* list : {&out.width, &out.stretch, &out.shrink}) list->reserve(clusters.size() + 1);
  for (const Cluster& cluster : clusters) {
    out.width.push_back(width);
    out.stretch.push_back(stretch);
    out.shrink.push_back(shrink);
    width += cluster.width;
    stretch += cluster.stretch;
    shrink += cluster.shrink;
    out.hangs.push_back(cluster.hangsBefore);
  }
  out.width.push_back(width);
  out.stretch.push_back(stretch);
  out.shrink.push_back(shrink);
  out.places = Places(paragraph).all(forced);
  return out;
}

BreakRules breakRulesOf(const Paragraph& paragraph) {
  constexpr double emsShort = 3;
  return {paragraph.style().align == Align::Justified, emsShort * paragraph.style().size};
}

std::vector<ParagraphLine> linesIn(const Paragraph& paragraph, const LineWidths& widths) {
  if (const auto lines = known(paragraph, widths)) return lines->lines;
  auto made = std::make_shared<Broken>();
  std::size_t asked = 0;
  const LineWidths noted{[&](std::size_t line) {
                           asked = std::max(asked, line + 1);
                           return widths(line);
                         },
                         widths.alikeFrom};
  BreakText text = breakTextOf(paragraph);
  const auto lines = broken(paragraph, noted, text);
  const TextStyle& style = paragraph.style();
  std::size_t from = 0;
  const auto& clusters = paragraph.clusters();
  const auto byteOf = [&](std::size_t cluster) {
    return cluster < clusters.size() ? clusters[cluster].from : paragraph.text().size();
  };
  for (const BrokenLine& line : lines) {
    const BreakPlace& place = text.places[line.place];
    LineAsk ask;
    ask.from = byteOf(from);
    ask.to = byteOf(place.next);
    ask.endsInHyphen = place.isHyphen;
    ask.isFilled = style.align == Align::Justified;
    ask.isLast = line.place + 1 == text.places.size();
    ask.width = noted(line.line);
    const LaidLine laid = laidLine(paragraph, ask);
    made->lines.push_back({line.line, ask.from, ask.to,
                           shiftOf(style.align, ask.width - laid.width, paragraph.isLeftward(), ask.isLast), laid.width,
                           place.isHyphen, laid.body});
    from = place.next;
  }
  for (std::size_t i = 0; i < asked; ++i) made->widths.push_back(widths(i));
  keep(paragraph, made);
  return made->lines;
}

ParagraphLine onOneLine(const Paragraph& paragraph) {
  LineAsk ask;
  ask.to = paragraph.text().size();
  ask.isLast = true;
  const LaidLine laid = laidLine(paragraph, ask);
  return {0,          0,     ask.to,   shiftOf(paragraph.style().align, -laid.width, paragraph.isLeftward(), true),
          laid.width, false, laid.body};
}

}  // namespace widecut
