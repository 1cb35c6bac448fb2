#include "scene/change.h"

#include <algorithm>
#include <unordered_map>

#include "cutting/offset.h"
#include "scene/letters.h"

namespace widecut {
namespace {

struct PieceOfOutline {
  Point start;
  Segment segment;
  bool operator==(const PieceOfOutline&) const = default;
};

struct PieceHash {
  std::size_t operator()(const PieceOfOutline& piece) const {
    std::size_t hash = 0;
    for (const Point p : {piece.start, piece.segment.handle1, piece.segment.end})
      for (const double v : {p.x, p.y}) hash = hash * 1'000'003 + std::hash<double>()(v);
    return hash;
  }
};

using Pieces = std::unordered_map<PieceOfOutline, int, PieceHash>;

std::size_t countOfPieces(const Contour& contour) {
  const std::size_t count = contour.segments.size();
  const bool isJoined = count == 0 || contour.segments.back().end == contour.start;
  return contour.closed && !isJoined ? count + 1 : count;
}

PieceOfOutline pieceAt(const Contour& contour, std::size_t i) {
  const Point start = i == 0 ? contour.start : contour.segments[i - 1].end;
  return {start, i < contour.segments.size() ? contour.segments[i] : Segment::line(contour.start)};
}

/// Calls take(piece) for those of a contour, without the runs at its beginning and end that it shares with another.
template <class Take>
void eachUnshared(const Contour& contour, const Contour& other, const Take& take) {
  const std::size_t count = countOfPieces(contour), others = countOfPieces(other), both = std::min(count, others);
  std::size_t first = 0, last = 0;
  while (first < both && pieceAt(contour, first) == pieceAt(other, first)) ++first;
  while (last < both - first && pieceAt(contour, count - 1 - last) == pieceAt(other, others - 1 - last)) ++last;
  for (std::size_t i = first; i < count - last; ++i) take(pieceAt(contour, i));
}

/// Calls take(piece) for those of an outline that another's contour of the same number has not: without the contours at
/// its beginning and end that both have. A letter that is typed in the middle moves the numbers of all behind it.
template <class Take>
void eachUnshared(const Outline& outline, const Outline& other, std::size_t first, std::size_t last, const Take& take) {
  static const Contour none;
  const std::size_t end = outline.contours.size() - last, others = other.contours.size() - last;
  for (std::size_t i = first; i < end; ++i)
    eachUnshared(outline.contours[i], i < others ? other.contours[i] : none, take);
}

/// The box of what only one of the outlines covers: its border is made of segments that only one of them has.
Box changedBox(const Outline& a, const Outline& b) {
  Box box;
  const std::size_t both = std::min(a.contours.size(), b.contours.size());
  std::size_t first = 0, last = 0;
  while (first < both && a.contours[first] == b.contours[first]) ++first;
  while (last < both - first && a.contours[a.contours.size() - 1 - last] == b.contours[b.contours.size() - 1 - last])
    ++last;
  Pieces left;
  eachUnshared(a, b, first, last, [&](const PieceOfOutline& piece) { ++left[piece]; });
  eachUnshared(b, a, first, last, [&](const PieceOfOutline& piece) {
    const auto same = left.find(piece);
    if (same != left.end() && same->second > 0)
      --same->second;
    else
      box.add(hull(piece.start, piece.segment));
  });
  for (const auto& [piece, count] : left)
    if (count > 0) box.add(hull(piece.start, piece.segment));
  return box;
}

bool areAlike(const Brush& a, const Brush& b) {
  if (a.index() != b.index()) return false;
  if (const auto* colour = std::get_if<Colour>(&a)) return *colour == std::get<Colour>(b);
  if (const auto* gradient = std::get_if<GradientBrush>(&a)) {
    const auto& other = std::get<GradientBrush>(b);
    return gradient->kind == other.kind && gradient->toOutline == other.toOutline && *gradient->stops == *other.stops;
  }
  const auto &x = std::get<PictureBrush>(a), &y = std::get<PictureBrush>(b);
  return x.medium == y.medium && x.toOutline == y.toOutline && areAlike(x.adjustments, y.adjustments) &&
         areAlike(x.playing, y.playing);
}

/// Adds where the marks differ; false when all of them may.
bool addChange(const std::vector<Mark>& a, const std::vector<Mark>& b, Box& box) {
  if (a.size() != b.size()) return false;
  for (std::size_t i = 0; i < a.size(); ++i) {
    if (a[i].index() != b[i].index()) return false;
    if (const auto* fill = std::get_if<FillOutline>(&a[i])) {
      const auto& other = std::get<FillOutline>(b[i]);
      if (!areAlike(fill->brush, other.brush) || fill->opacity != other.opacity || fill->blend != other.blend)
        return false;
      if (fill->outline != other.outline) box.add(changedBox(*fill->outline, *other.outline));
    } else if (const auto* letters = std::get_if<FillLetters>(&a[i])) {
      const auto& other = std::get<FillLetters>(b[i]);
      if (!(letters->colour == other.colour && letters->opacity == other.opacity && letters->blend == other.blend &&
            letters->stretch == other.stretch))
        return false;
      if (letters->set != other.set) box.add(changedBox(*letters, other));
    } else if (std::holds_alternative<MarkGroup>(a[i])) {
      return false;
    } else {
      const auto &line = std::get<StrokeOutline>(a[i]), &other = std::get<StrokeOutline>(b[i]);
      if (!(line.line == other.line)) return false;
      if (line.outline == other.outline) continue;
      if (!line.line.shape.dashes.empty()) return false;  // they move all along
      // A join changes with the segment before or after it, and reaches as far as its mitre.
      const Box changed = changedBox(*line.outline, *other.outline);
      if (!changed.isEmpty())
        box.add(changed.grown(std::max(2.0, line.line.shape.mitreLimit) * line.line.shape.width / 2));
    }
  }
  return true;
}

}  // namespace

std::optional<Box> changedBody(const Content& a, const Content& b) {
  Box box;
  if (!addChange(a.under, b.under, box) || !addChange(a.over, b.over, box)) return std::nullopt;
  if (a.inside.size() != b.inside.size()) return std::nullopt;
  for (std::size_t i = 0; i < a.inside.size(); ++i) {
    const Layer &x = a.inside[i], &y = b.inside[i];
    if (x.content == y.content && x.place == y.place && x.opacity == y.opacity && x.blend == y.blend) continue;
    box.add(x.box());
    box.add(y.box());
  }
  return box;
}

std::optional<Box> changedBox(const Content& a, const Content& b) {
  if (!a.finish.empty() || !b.finish.empty()) return std::nullopt;
  return changedBody(a, b);
}

}  // namespace widecut
