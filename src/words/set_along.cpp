#include "words/set_along.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "geometry/along.h"
#include "words/line_body.h"
#include "words/paragraphs.h"

namespace widecut {
namespace {

/// The base line that runs beside a line, measured by its own length.
class BaseLine {
 public:
  BaseLine(const Outline& line, bool isReversed, double offset) {
    const Along along(line.contours.front());
    closed_ = along.isClosed();
    const double whole = along.length();
    constexpr int leastSteps = 64, mostSteps = 20'000;
    constexpr double step = 1;  // points
    const int steps = std::clamp(static_cast<int>(whole / step), leastSteps, mostSteps);
    Point before;
    for (int i = 0; i <= steps; ++i) {
      const double at = whole * i / steps;
      Along::Place place = along.at(std::min(isReversed ? whole - at : at, whole));
      if (isReversed) place.direction = -place.direction;
      // To the left of the way, where letters stand.
      const Point beside = place.at + Point{place.direction.y, -place.direction.x} * offset;
      if (i > 0) {
        // Within a bend that is too tight the line beside it runs backwards: that is passed over.
        const bool isForward = dot(beside - before, place.direction) > 0;
        if (!isForward && i < steps) continue;
        lengths_.push_back(lengths_.back() + (isForward ? distance(before, beside) : 0));
      } else {
        lengths_.push_back(0);
      }
      points_.push_back(beside);
      before = beside;
    }
  }

  double length() const { return lengths_.back(); }
  bool isClosed() const { return closed_; }
  Point at(double along) const {
    if (closed_ && length() > 0) along -= std::floor(along / length()) * length();
    const auto after = std::upper_bound(lengths_.begin(), lengths_.end(), along);
    const auto i = std::clamp<std::ptrdiff_t>(after - lengths_.begin(), 1, std::ssize(lengths_) - 1);
    const auto k = static_cast<std::size_t>(i);
    const double span = lengths_[k] - lengths_[k - 1];
    return mix(points_[k - 1], points_[k], span > 0 ? (along - lengths_[k - 1]) / span : 0);
  }
  /// From a letter's own box, whose foot's middle is the origin, to where it stands.
  Affine place(double middle, double width) const {
    const double half = std::max(width, 1.0) / 2;
    const double from = closed_ ? middle - half : std::max(middle - half, 0.0);
    const double to = closed_ ? middle + half : std::min(middle + half, length());
    const Point way = at(to) - at(from);
    return Affine::move(at(middle)) * Affine::turn(std::atan2(way.y, way.x));
  }

 private:
  std::vector<Point> points_;
  std::vector<double> lengths_;
  bool closed_ = false;
};

/// A letter's box where it stands.
using Quad = std::array<Point, 4>;
Quad quadOf(const Affine& place, double width, double up, double down) {
  constexpr double within = 0.49;  // of the width, to either side: boxes that just touch do not collide
  const double half = width * within;
  return {place(Point{-half, -up}), place(Point{half, -up}), place(Point{half, down}), place(Point{-half, down})};
}
bool collide(const Quad& a, const Quad& b) {
  for (const Quad* quad : {&a, &b})
    for (std::size_t i = 0; i < 4; ++i) {
      const Point edge = (*quad)[(i + 1) % 4] - (*quad)[i], across{-edge.y, edge.x};
      const auto reach = [&](const Quad& q) {
        std::pair<double, double> out{dot(q[0], across), dot(q[0], across)};
        for (const Point p : q) out = {std::min(out.first, dot(p, across)), std::max(out.second, dot(p, across))};
        return out;
      };
      const auto [aLow, aHigh] = reach(a);
      const auto [bLow, bHigh] = reach(b);
      if (aHigh <= bLow || bHigh <= aLow) return false;
    }
  return true;
}

/// What stands together on the line: its stretch of the flat line, and the byte of the paragraph where it begins.
struct Stand {
  double from = 0, to = 0;
  std::size_t at = 0;
};
std::vector<Stand> standsOf(const LineBody& body) {
  std::vector<Stand> out;
  for (const SetRun& run : body.runs) {
    double x = run.x;
    for (std::size_t i = 0; i < run.glyphs.size();) {
      const double from = x;
      const std::size_t at = run.glyphs[i].at;
      for (; i < run.glyphs.size() && run.glyphs[i].at == at; ++i) x += run.glyphs[i].advance;
      out.push_back({from, x, at});
    }
  }
  return out;
}

class Setter {
 public:
  Setter(const Paragraph& paragraph, const AlongLine& along, double offset)
      : paragraph_(paragraph), along_(along), base_(*along.line, along.isOtherSide, offset) {}

  /// The bends of the letters of a line, as many as there is room for.
  std::vector<Bend> bends(const LineBody& body, double width) const {
    const auto stands = standsOf(body);
    const auto count = static_cast<double>(stands.size());
    double start = along_.start, between = 0;
    const double room = base_.length() - width;
    if (along_.isSpread) {
      const double gaps = base_.isClosed() ? count : count - 1;
      if (gaps > 0) between = room / gaps;
    } else if (paragraph_.style().align == Align::Centre) {
      start += room / 2;
    } else if (paragraph_.style().align == Align::Right) {
      start += room;
    }
    std::vector<Bend> out;
    double more = 0;
    std::optional<Quad> before;
    const double up = paragraph_.capHeight(), down = paragraph_.descent() / 2;
    const double step = std::max(paragraph_.style().size / 40, 1e-3);
    for (const Stand& stand : stands) {
      const double w = stand.to - stand.from;
      double middle = start + more + (stand.from + stand.to) / 2;
      Affine place = base_.place(middle, w);
      Quad quad = quadOf(place, w, up, down);
      constexpr int most = 60;
      for (int tries = 0; before && w > 0 && tries < most && collide(*before, quad); ++tries) {
        middle += step;
        more += step;
        place = base_.place(middle, w);
        quad = quadOf(place, w, up, down);
      }
      constexpr double rounding = 1e-6;
      const bool isOn = base_.isClosed() ? middle + w / 2 - start <= base_.length() + rounding
                                         : middle - w / 2 >= -rounding && middle + w / 2 <= base_.length() + rounding;
      if (!isOn && w > 0) break;
      out.push_back({stand.from, stand.to, place * Affine::move({-(stand.from + stand.to) / 2, 0})});
      if (w > 0) before = quad;
      more += between;
    }
    return out;
  }

 private:
  const Paragraph& paragraph_;
  const AlongLine& along_;
  BaseLine base_;
};

void addLines(const Paragraph& paragraph, std::size_t from, const AlongLine& along, double offset, SetWords& out) {
  LineAsk ask;
  ask.to = paragraph.text().size();
  ask.isLast = true;
  LaidLine laid = laidLine(paragraph, ask);
  const Setter setter(paragraph, along, offset);
  auto bends = setter.bends(*laid.body, laid.width);
  const auto stands = standsOf(*laid.body);
  SetLine line;
  line.paragraph = line.from = from;
  line.to = from + ask.to;
  line.ascent = paragraph.ascent();
  line.descent = paragraph.descent();
  if (bends.size() < stands.size() && !paragraph.isLeftward()) {
    ask.to = stands[bends.size()].at;
    laid = laidLine(paragraph, ask);
    line.to = from + ask.to;
  }
  line.body = laid.body;
  line.width = laid.width;
  // The caret of no letters, or before the first, stands where it would.
  if (bends.empty()) bends.push_back({0, 0, BaseLine(*along.line, along.isOtherSide, offset).place(0, 0)});
  line.bends = std::move(bends);
  const bool isWhole = line.to == from + paragraph.text().size();
  out.lines.push_back(std::move(line));
  if (isWhole) return;
  LineAsk rest;
  rest.from = ask.to;
  rest.to = paragraph.text().size();
  rest.isLast = true;
  const LaidLine left = laidLine(paragraph, rest);
  SetLine hidden = out.lines.back();
  hidden.from = from + rest.from;
  hidden.to = from + rest.to;
  hidden.body = left.body;
  hidden.bends = {{0, left.width, hidden.bends.back().place}};
  out.lines.push_back(std::move(hidden));
}

}  // namespace

bool AlongLine::operator==(const AlongLine& other) const {
  return (line == other.line || (line && other.line && *line == *other.line)) && start == other.start &&
         offset == other.offset && isOtherSide == other.isOtherSide && isSpread == other.isSpread;
}

SetWords setAlong(const WordsToSet& words, const AlongLine& along) {
  SetWords out;
  const auto measure = paragraphFor("", {}, words.style);
  out.ascent = measure->ascent();
  out.descent = measure->descent();
  double offset = along.offset;
  bool isCut = false;
  Paragraphs paragraphs(words);
  while (const auto one = paragraphs.next()) {
    if (!out.lines.empty()) offset -= one->paragraph->style().leading;
    const std::size_t before = out.lines.size();
    addLines(*one->paragraph, one->from, along, offset, out);
    // What comes after letters that have no room has none either.
    if (!isCut) out.shown = before + 1;
    isCut = isCut || out.lines.size() > before + 1;
  }
  return out;
}

}  // namespace widecut
