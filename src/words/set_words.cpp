#include "words/set_words.h"

#include <algorithm>
#include <cmath>

namespace widecut {
namespace {

/// Where a place is along its line; places between two stops count as the next one.
double xAt(const SetLine& line, std::size_t place) {
  const auto& stops = line.stops();
  const std::size_t inLine = place - std::min(place, line.from);
  const auto stop = std::lower_bound(stops.begin(), stops.end(), inLine,
                                     [](const CaretStop& s, std::size_t at) { return s.at < at; });
  return stop == stops.end() ? stops.back().x : stop->x;
}

/// The point of a line below or above which another one is, and how far away that is.
struct Nearest {
  double x = 0;  ///< On the line.
  double away = 0;
};
Nearest nearestOn(const SetLine& line, Point point) {
  const auto awayFrom = [&](Point onLine) {
    const double above = -line.ascent - onLine.y, below = onLine.y - line.descent;
    return std::max({above, below, 0.0});
  };
  if (line.bends.empty()) {
    const Point p = point - line.start;
    return {p.x, awayFrom(p)};
  }
  Nearest best{0, std::numeric_limits<double>::infinity()};
  for (const Bend& bend : line.bends) {
    const auto back = bend.place.inverse();
    if (!back) continue;
    const Point p = (*back)(point);
    const double beside = std::max({bend.from - p.x, p.x - bend.to, 0.0});
    const double away = std::hypot(beside, awayFrom(p));
    if (away < best.away) best = {std::clamp(p.x, bend.from, bend.to), away};
  }
  return best;
}

const SetLine& nearestLine(const SetWords& words, Point point) {
  // Of lines side by side, between holes, the one that is nearest from the side too.
  const auto away = [&](const SetLine& line) {
    const double up = nearestOn(line, point).away;
    if (!line.bends.empty()) return up;
    const double x = point.x - line.start.x;
    constexpr double aside = 1e-3;  // lines count more than sides do
    return up + aside * std::max({-x, x - line.width, 0.0});
  };
  const SetLine* nearest = &words.lines.front();
  double least = away(*nearest);
  for (const SetLine& line : words.lines)
    if (const double here = away(line); here < least) {
      nearest = &line;
      least = here;
    }
  return *nearest;
}

std::size_t placeNear(const SetLine& line, double x) {
  const auto& stops = line.stops();
  const auto nearest = std::min_element(
      stops.begin(), stops.end(), [&](const auto& a, const auto& b) { return std::abs(a.x - x) < std::abs(b.x - x); });
  return line.from + nearest->at;
}

void addBox(const Box& box, const Affine& place, Outline& outline) {
  outline.contours.push_back(
      transformed(polygon({box.corner(0), box.corner(1), box.corner(2), box.corner(3)}), place).contours.front());
}

void addGlyph(const SetLine& line, const SetRun& run, const SetGlyph& glyph, double x, Outline& outline) {
  const Point at = Point{x, -run.raised} + glyph.offset;
  if (line.bends.empty()) {
    run.font->addOutline(glyph.glyph, line.start + at, run.size, outline);
    return;
  }
  Outline one;
  run.font->addOutline(glyph.glyph, at, run.size, one);
  const Outline bent = transformed(one, placeOn(line, x + glyph.advance / 2));
  outline.contours.insert(outline.contours.end(), bent.contours.begin(), bent.contours.end());
}

void addUnderline(const SetLine& line, const SetRun& run, Outline& outline) {
  const double top = run.font->underlineDepth() * run.size - run.raised;
  const double thickness = run.font->underlineThickness() * run.size;
  for (const auto& corners : [&] {
         std::vector<Box> boxes;
         if (line.bends.empty()) boxes.push_back({{run.x, top}, {run.x + run.width, top + thickness}});
         double x = run.x;
         for (const SetGlyph& glyph : run.glyphs) {
           if (!line.bends.empty()) boxes.push_back({{x, top}, {x + glyph.advance, top + thickness}});
           x += glyph.advance;
         }
         return boxes;
       }())
    addBox(corners, placeOn(line, corners.centre().x), outline);
}

void addLine(const SetLine& line, std::size_t from, std::size_t to, Outline& outline) {
  for (const SetRun& run : line.body->runs) {
    double x = run.x;
    for (const SetGlyph& glyph : run.glyphs) {
      const std::size_t at = line.paragraph + glyph.at;
      if (at >= from && at < to) addGlyph(line, run, glyph, x, outline);
      x += glyph.advance;
    }
    if (run.underlined && line.paragraph + run.from >= from && line.paragraph + run.from < to)
      addUnderline(line, run, outline);
  }
}

}  // namespace

bool KeptClear::operator==(const KeptClear& other) const {
  return (outline == other.outline || *outline == *other.outline) && place == other.place && side == other.side;
}

bool TextFrame::operator==(const TextFrame& other) const {
  const bool isSameOutline = outline == other.outline || (outline && other.outline && *outline == *other.outline);
  return isSameOutline && width == other.width && height == other.height && inset == other.inset &&
         columns == other.columns && gutter == other.gutter && isBalanced == other.isBalanced &&
         upright == other.upright && first == other.first && clear == other.clear;
}

Affine placeOn(const SetLine& line, double x) {
  if (line.bends.empty()) return Affine::move(line.start);
  const auto after = std::upper_bound(line.bends.begin(), line.bends.end(), x,
                                      [](double place, const Bend& bend) { return place < bend.to; });
  return (after == line.bends.end() ? line.bends.back() : *after).place;
}

void addOutline(const SetLine& line, Outline& outline) {
  addLine(line, 0, static_cast<std::size_t>(-1), outline);
  for (const Box& rule : line.body->rules) addBox(rule, placeOn(line, rule.centre().x), outline);
}

Outline rulesOf(const SetWords& words) {
  Outline out;
  for (std::size_t i = 0; i < words.shown; ++i) {
    const SetLine& line = words.lines[i];
    for (const SetRun& run : line.body->runs)
      if (run.underlined) addUnderline(line, run, out);
    for (const Box& rule : line.body->rules) addBox(rule, placeOn(line, rule.centre().x), out);
  }
  return out;
}

Outline outlineOf(const SetWords& words) {
  Outline out;
  for (std::size_t i = 0; i < words.shown; ++i) addOutline(words.lines[i], out);
  return out;
}

Outline outlineOf(const SetWords& words, std::size_t from, std::size_t to) {
  Outline out;
  for (std::size_t i = 0; i < words.shown; ++i)
    if (words.lines[i].from < to && words.lines[i].to > from) addLine(words.lines[i], from, to, out);
  return out;
}

std::size_t lineAt(const SetWords& words, std::size_t at) {
  std::size_t line = 0;
  while (line + 1 < words.lines.size() && words.lines[line + 1].from <= at) ++line;
  return line;
}

Affine caretPlace(const SetWords& words, std::size_t at) {
  const SetLine& line = words.lines[lineAt(words, at)];
  const double x = xAt(line, at);
  return placeOn(line, x) * Affine::move({x, 0});
}

Point caretAt(const SetWords& words, std::size_t at) { return caretPlace(words, at)(Point{}); }

std::size_t placeOnLine(const SetLine& line, double x) { return placeNear(line, x - line.start.x); }

std::size_t placeAt(const SetWords& words, Point point) {
  const SetLine& line = nearestLine(words, point);
  return placeNear(line, nearestOn(line, point).x);
}

std::size_t letterUnder(const SetWords& words, Point point) {
  const SetLine& line = nearestLine(words, point);
  const double x = nearestOn(line, point).x;
  const auto& stops = line.stops();
  for (std::size_t i = 0; i + 1 < stops.size(); ++i) {
    const auto [low, high] = std::minmax(stops[i].x, stops[i + 1].x);
    if (x >= low && x < high) return line.from + stops[i].at;
  }
  return placeNear(line, x);
}

namespace {

/// The stretches of x between two places, as the letters stand: more than one where some are read from the right.
std::vector<std::pair<double, double>> stretchesOf(const SetLine& line, std::size_t from, std::size_t to) {
  std::vector<std::pair<double, double>> out;
  const auto& stops = line.stops();
  for (std::size_t i = 0; i + 1 < stops.size(); ++i) {
    const std::size_t at = line.from + stops[i].at;
    if (at < from || at >= to) continue;
    // The width of a letter reaches to the next stop to its right, or for one read from the right to its left: where
    // directions change, the neighbour in the text is not the one on the line.
    std::pair<double, double> one = std::minmax(stops[i].x, stops[i + 1].x);
    for (const SetRun& run : line.body->runs) {
      const std::size_t inParagraph = at - line.paragraph;
      if (run.glyphs.empty() || inParagraph < run.from || inParagraph >= run.to) continue;
      one.first = std::max(one.first, run.x);
      one.second = std::min(one.second, run.x + run.width);
    }
    if (!(one.first < one.second)) continue;
    if (!out.empty() && std::abs(out.back().second - one.first) < 1e-6)
      out.back().second = one.second;
    else
      out.push_back(one);
  }
  return out;
}

}  // namespace

std::vector<std::vector<Point>> areasOf(const SetWords& words, std::size_t from, std::size_t to) {
  std::vector<std::vector<Point>> areas;
  if (from >= to) return areas;
  const auto add = [&](const SetLine& line, double left, double right) {
    const Affine place = placeOn(line, (left + right) / 2);
    const Box box{{left, -line.ascent}, {right, line.descent}};
    areas.push_back({place(box.corner(0)), place(box.corner(1)), place(box.corner(2)), place(box.corner(3))});
  };
  for (const SetLine& line : words.lines) {
    if (line.to < from || line.from > to) continue;
    for (const auto& [left, right] : stretchesOf(line, from, to)) {
      if (line.bends.empty()) {
        add(line, left, right);
        continue;
      }
      for (const Bend& bend : line.bends)
        if (bend.to > left && bend.from < right) add(line, std::max(bend.from, left), std::min(bend.to, right));
    }
  }
  return areas;
}

Box boxOf(const SetLine& line) {
  if (line.bends.empty())
    return {{line.start.x, line.start.y - line.ascent}, {line.start.x + line.width, line.start.y + line.descent}};
  Box out;
  for (const Bend& bend : line.bends) out.add(bend.place(Box{{bend.from, -line.ascent}, {bend.to, line.descent}}));
  return out;
}

Box boxOf(const SetWords& words) {
  Box out;
  for (std::size_t i = 0; i < words.shown; ++i) out.add(boxOf(words.lines[i]));
  return out;
}

}  // namespace widecut
