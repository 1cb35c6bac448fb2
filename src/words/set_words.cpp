#include "words/set_words.h"

#include <algorithm>
#include <cmath>

#include "words/font_library.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

/// A run of glyphs in points, from the line's left end on.
struct PlacedRun {
  FontPtr font;
  ShapedRun run;
  std::size_t from = 0, to = 0;
  double x = 0, width = 0;
};

struct ShapedLine {
  std::vector<PlacedRun> runs;
  double width = 0;
};

/// Shapes stretches of one text in one style.
class Shaper {
 public:
  Shaper(const std::string& text, const TextStyle& style, FontPtr font)
      : text_(text), style_(style), font_(std::move(font)) {}

  ShapedLine line(std::size_t from, std::size_t to) const {
    ShapedLine out;
    for (std::size_t at = from; at < to;) {
      PlacedRun run;
      run.font = fontAt(at);
      run.from = at;
      while (at < to && (at == run.from || continues(run, at))) at += letterAt(text_, at).bytes;
      run.to = std::min(at, to);
      run.run = run.font->shaped(text_, run.from, run.to);
      run.x = out.width;
      for (const ShapedGlyph& glyph : run.run.glyphs) run.width += glyph.advance * style_.size;
      out.width += run.width;
      out.runs.push_back(std::move(run));
    }
    return out;
  }

  /// The places between the letters of a line; `letters` are those of the whole text.
  std::vector<CaretStop> stops(const ShapedLine& line, std::size_t from, std::size_t to,
                               const std::vector<std::size_t>& letters) const {
    std::vector<CaretStop> out;
    if (line.runs.empty()) out.push_back({from, 0});
    for (const PlacedRun& run : line.runs) addStops(run, letters, out);
    if (!line.runs.empty()) {
      const PlacedRun& last = line.runs.back();
      out.push_back({to, last.run.leftward ? last.x : last.x + last.width});
    }
    return out;
  }

 private:
  FontPtr fontAt(std::size_t at) const {
    const char32_t letter = letterAt(text_, at).code;
    if (letter == ' ' || font_->has(letter)) return font_;
    FontPtr other = fontWith(letter, style_.face);
    return other ? other : font_;
  }
  bool continues(const PlacedRun& run, std::size_t at) const {
    return isAttached(letterAt(text_, at).code) || fontAt(at) == run.font;
  }

  /// A cluster of several letters, such as a ligature, is shared out evenly among them.
  void addStops(const PlacedRun& run, const std::vector<std::size_t>& letters, std::vector<CaretStop>& out) const {
    const auto& glyphs = run.run.glyphs;
    double x = run.x;
    std::vector<CaretStop> stops;
    for (std::size_t i = 0; i < glyphs.size();) {
      const std::size_t cluster = glyphs[i].at;
      double width = 0;
      std::size_t after = i;
      for (; after < glyphs.size() && glyphs[after].at == cluster; ++after)
        width += glyphs[after].advance * style_.size;
      const std::size_t next =
          run.run.leftward ? (i == 0 ? run.to : glyphs[i - 1].at) : (after < glyphs.size() ? glyphs[after].at : run.to);
      const auto first = std::lower_bound(letters.begin(), letters.end(), cluster);
      const auto end = std::lower_bound(first, letters.end(), next);
      const auto count = static_cast<double>(end - first);
      for (auto letter = first; letter != end; ++letter) {
        const double share = static_cast<double>(letter - first) / count;
        stops.push_back({*letter, run.run.leftward ? x + width * (1 - share) : x + width * share});
      }
      x += width;
      i = after;
    }
    std::sort(stops.begin(), stops.end(), [](const CaretStop& a, const CaretStop& b) { return a.at < b.at; });
    out.insert(out.end(), stops.begin(), stops.end());
  }

  const std::string& text_;
  const TextStyle& style_;
  FontPtr font_;
};

/// Where a place is along its line; places between two stops count as the next one.
double xAt(const std::vector<CaretStop>& stops, std::size_t place) {
  const auto stop =
      std::lower_bound(stops.begin(), stops.end(), place, [](const CaretStop& s, std::size_t at) { return s.at < at; });
  return stop == stops.end() ? stops.back().x : stop->x;
}

/// The width of a stretch of a line, white space at its end not counted.
double widthOf(const std::string& text, const std::vector<CaretStop>& stops, std::size_t from, std::size_t to) {
  while (to > from && text[to - 1] == ' ') --to;
  return std::abs(xAt(stops, to) - xAt(stops, from));
}

/// Breaks one paragraph greedily.
class Breaker {
 public:
  Breaker(const std::string& text, std::vector<CaretStop> stops, double measure)
      : text_(text), stops_(std::move(stops)), measure_(measure) {}

  /// The ends of the lines.
  std::vector<std::size_t> ends(std::size_t from, std::size_t to) const {
    std::vector<std::size_t> out;
    const auto places = lineStops(std::string_view(text_).substr(from, to - from));
    std::size_t begin = from, best = from;
    for (std::size_t i = 0; i < places.size();) {
      const std::size_t place = from + places[i];
      if (fits(begin, place)) {
        best = place;
        ++i;
      } else if (best > begin) {
        out.push_back(best);
        begin = best;
      } else {
        begin = best = lastLetterThatFits(begin, place);
        out.push_back(begin);
        if (begin >= place) ++i;
      }
    }
    if (out.empty() || begin < to) out.push_back(to);
    return out;
  }

 private:
  bool fits(std::size_t from, std::size_t to) const {
    constexpr double rounding = 1e-9;
    return widthOf(text_, stops_, from, to) - rounding <= measure_;
  }
  /// A word that is wider than the frame is broken between letters; one of them stands in any case.
  std::size_t lastLetterThatFits(std::size_t begin, std::size_t end) const {
    auto stop = std::upper_bound(stops_.begin(), stops_.end(), begin,
                                 [](std::size_t at, const CaretStop& s) { return at < s.at; });
    std::size_t last = begin;
    for (; stop != stops_.end(); ++stop) {
      if (last > begin && (stop->at > end || !fits(begin, stop->at))) break;
      last = stop->at;
    }
    return last;
  }

  const std::string& text_;
  std::vector<CaretStop> stops_;
  double measure_;
};

double alignedShift(Align align, double room) {
  switch (align) {
    case Align::Left:
      return 0;
    case Align::Centre:
      return room / 2;
    case Align::Right:
      return room;
  }
  return 0;
}

void addOutline(const ShapedLine& shaped, Point start, double size, Outline& outline) {
  for (const PlacedRun& run : shaped.runs) {
    double x = start.x + run.x;
    for (const ShapedGlyph& glyph : run.run.glyphs) {
      run.font->addOutline(glyph.glyph, Point{x, start.y} + glyph.offset * size, size, outline);
      x += glyph.advance * size;
    }
  }
}

const SetLine& nearestLine(const SetWords& words, Point point) {
  const auto away = [&](const SetLine& line) {
    const Box box = boxOf(words, line);
    return std::max({box.low.y - point.y, point.y - box.high.y, 0.0});
  };
  const SetLine* nearest = &words.lines.front();
  for (const SetLine& line : words.lines)
    if (away(line) < away(*nearest)) nearest = &line;
  return *nearest;
}

}  // namespace

SetWords setWords(const std::string& text, const TextStyle& style, const std::optional<TextFrame>& frame) {
  const FoundFont found = fontFor(style.face);
  SetWords out;
  out.ascent = found.font->ascent() * style.size;
  out.descent = found.font->descent() * style.size;
  const Shaper shaper(text, style, found.font);
  const auto letters = letterStops(text);
  double y = frame ? out.ascent : 0;
  const auto fits = [&] {
    constexpr double rounding = 1e-6;
    return !frame || y + out.descent <= frame->height + rounding;
  };
  const auto add = [&](std::size_t from, std::size_t to, bool broken) {
    const ShapedLine shaped = shaper.line(from, to);
    SetLine line{from, to, {0, y}, shaped.width, shaper.stops(shaped, from, to, letters)};
    if (broken) line.width = widthOf(text, line.stops, from, to);
    line.start.x = alignedShift(style.align, (frame ? frame->width : 0) - line.width);
    if (fits()) {
      addOutline(shaped, line.start, style.size, out.outline);
      out.shown = out.lines.size() + 1;
    }
    y += style.leading;
    out.lines.push_back(std::move(line));
  };
  for (std::size_t from = 0; from <= text.size();) {
    const std::size_t to = std::min(text.find('\n', from), text.size());
    if (frame) {
      const ShapedLine whole = shaper.line(from, to);
      const Breaker breaker(text, shaper.stops(whole, from, to, letters), frame->width);
      std::size_t begin = from;
      for (const std::size_t end : breaker.ends(from, to)) {
        add(begin, end, end < to);
        begin = end;
      }
    } else {
      add(from, to, false);
    }
    from = to + 1;
  }
  return out;
}

std::size_t lineAt(const SetWords& words, std::size_t at) {
  std::size_t line = 0;
  while (line + 1 < words.lines.size() && words.lines[line + 1].from <= at) ++line;
  return line;
}

Point caretAt(const SetWords& words, std::size_t at) {
  const SetLine& line = words.lines[lineAt(words, at)];
  return line.start + Point{xAt(line.stops, at), 0};
}

std::size_t placeOnLine(const SetLine& line, double x) {
  const auto nearest = std::min_element(line.stops.begin(), line.stops.end(), [&](const auto& a, const auto& b) {
    return std::abs(line.start.x + a.x - x) < std::abs(line.start.x + b.x - x);
  });
  return nearest->at;
}

std::size_t placeAt(const SetWords& words, Point point) { return placeOnLine(nearestLine(words, point), point.x); }

std::size_t letterUnder(const SetWords& words, Point point) {
  const SetLine& line = nearestLine(words, point);
  const double x = point.x - line.start.x;
  for (std::size_t i = 0; i + 1 < line.stops.size(); ++i) {
    const auto [low, high] = std::minmax(line.stops[i].x, line.stops[i + 1].x);
    if (x >= low && x < high) return line.stops[i].at;
  }
  return placeOnLine(line, point.x);
}

std::vector<Box> boxesOf(const SetWords& words, std::size_t from, std::size_t to) {
  std::vector<Box> boxes;
  for (const SetLine& line : words.lines) {
    if (line.to < from || line.from > to || from == to) continue;
    const double a = line.start.x + xAt(line.stops, std::max(from, line.from));
    const double b = line.start.x + xAt(line.stops, std::min(to, line.to));
    const Box whole = boxOf(words, line);
    boxes.push_back({{std::min(a, b), whole.low.y}, {std::max(a, b), whole.high.y}});
  }
  return boxes;
}

Box boxOf(const SetWords& words, const SetLine& line) {
  return {{line.start.x, line.start.y - words.ascent}, {line.start.x + line.width, line.start.y + words.descent}};
}

}  // namespace widecut
