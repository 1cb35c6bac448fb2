#include "scene/flush.h"

#include <algorithm>
#include <cmath>
#include <deque>
#include <map>
#include <mutex>
#include <numeric>
#include <set>

#include "cutting/dashes.h"
#include "cutting/planar_map.h"
#include "geometry/rejoin.h"

namespace widecut {
namespace {

/// A plain outline with nothing but fills of all of it.
bool isPlain(const Layer& layer) {
  if (!layer.item || layer.item->division == 0 || layer.isGroup()) return false;
  const Content& content = *layer.content;
  if (!std::holds_alternative<std::shared_ptr<const Outline>>(layer.item->form) || content.under.empty()) return false;
  if (!content.over.empty() || !content.inside.empty()) return false;
  const auto* first = std::get_if<FillOutline>(&content.under.front());
  return std::all_of(content.under.begin(), content.under.end(), [&](const Mark& mark) {
    const auto* fill = std::get_if<FillOutline>(&mark);
    return fill && first && fill->outline == first->outline;
  });
}

const Outline& outlineOf(const Layer& layer) { return *std::get<FillOutline>(layer.content->under.front()).outline; }

bool areClose(const Affine& a, const Affine& b) {
  constexpr double unseenTurn = 1e-9, unseen = 1e-6;
  return std::abs(a.xx - b.xx) <= unseenTurn && std::abs(a.xy - b.xy) <= unseenTurn &&
         std::abs(a.yx - b.yx) <= unseenTurn && std::abs(a.yy - b.yy) <= unseenTurn &&
         std::abs(a.dx - b.dx) <= unseen && std::abs(a.dy - b.dy) <= unseen;
}

/// The same colours at the same places; `a` and `b` bring the brushes' outlines to one space.
bool areAlike(const Brush& x, const Affine& a, const Brush& y, const Affine& b) {
  if (x.index() != y.index()) return false;
  if (const auto* colour = std::get_if<Colour>(&x)) return *colour == std::get<Colour>(y);
  if (const auto* gradient = std::get_if<GradientBrush>(&x)) {
    const auto& other = std::get<GradientBrush>(y);
    return gradient->kind == other.kind && *gradient->stops == *other.stops &&
           areClose(a * gradient->toOutline, b * other.toOutline);
  }
  const auto &picture = std::get<PictureBrush>(x), &other = std::get<PictureBrush>(y);
  const auto isSame = [](const auto& p, const auto& q) { return p == q || (p && q && *p == *q); };
  return picture.medium->hash == other.medium->hash && isSame(picture.adjustments, other.adjustments) &&
         isSame(picture.playing, other.playing) && areClose(a * picture.toOutline, b * other.toOutline);
}
bool areAlike(const Layer& x, const Layer& y) {
  const auto &a = x.content->under, &b = y.content->under;
  if (a.size() != b.size()) return false;
  for (std::size_t i = 0; i < a.size(); ++i) {
    const auto &p = std::get<FillOutline>(a[i]), &q = std::get<FillOutline>(b[i]);
    if (p.opacity != q.opacity || p.blend != q.blend || !areAlike(p.brush, x.place, q.brush, y.place)) return false;
  }
  return true;
}

/// What pieces paint now; null where that is what they painted before.
struct Painted {
  std::vector<std::shared_ptr<const Content>> contents;
  /// One that lies over others, and is to be left out before the rest can be painted.
  std::optional<std::size_t> apart = std::nullopt;
};
using Numbers = std::vector<int>;

/// Pieces that lie flush, in the frame of the first of them.
class Flush {
 public:
  explicit Flush(const std::vector<Layer>& pieces) : pieces_(pieces) {}

  Painted painted() {
    Painted painted{std::vector<std::shared_ptr<const Content>>(pieces_.size())};
    auto& out = painted.contents;
    std::vector<Operand> operands;
    for (const Layer& piece : pieces_) operands.push_back({transformed(outlineOf(piece), piece.place)});
    auto map = PlanarMap::of(operands);
    if (!map) return painted;
    map_ = std::move(*map);
    painted.apart = overlapping(operands);
    if (painted.apart) return painted;
    for (const Operand& operand : operands) rounds_.push_back(lengthOf(operand.outline));
    std::vector<bool> isDone(pieces_.size(), false);
    for (std::size_t k = 0; k < pieces_.size(); ++k) {
      if (isDone[k]) continue;
      Numbers alike, later;
      for (std::size_t i = k; i < pieces_.size(); ++i)
        if (!isDone[i]) (areAlike(pieces_[k], pieces_[i]) ? alike : later).push_back(static_cast<int>(i));
      const std::size_t count = alike.size();
      for (const int piece : enclosed(alike, later)) alike.push_back(piece);
      for (std::size_t i = 0; i < count; ++i) {
        isDone[static_cast<std::size_t>(alike[i])] = true;
        if (i > 0) out[static_cast<std::size_t>(alike[i])] = std::make_shared<const Content>();
      }
      out[k] = filling(pieces_[k], united(alike));
    }
    return painted;
  }

 private:
  /// Of pieces that cover a place together, the one that does so with most others; the smallest of these.
  std::optional<std::size_t> overlapping(const std::vector<Operand>& operands) const {
    constexpr double least = 1e-6;
    std::vector<std::set<int>> over(pieces_.size());
    for (const Face& face : map_->divide()) {
      if (face.coveredBy.size() < 2) continue;
      for (const int a : face.coveredBy)
        for (const int b : face.coveredBy) {
          const double own = std::abs(signedArea(operands[static_cast<std::size_t>(a)].outline));
          if (a != b && std::abs(signedArea(face.outline)) > least * own) over[static_cast<std::size_t>(a)].insert(b);
        }
    }
    std::optional<std::size_t> found;
    const auto rank = [&](std::size_t i) {
      return std::pair(over[i].size(), -std::abs(signedArea(operands[i].outline)));
    };
    for (std::size_t i = 0; i < over.size(); ++i)
      if (!over[i].empty() && (!found || rank(i) > rank(*found))) found = i;
    return found;
  }
  Outline united(const Numbers& pieces) const {
    const auto all = Formula::chain(static_cast<int>(pieces.size()), Role::Add);
    // As it was before it was cut: readers draw the pieces of a curve a little beside it.
    return rejoined(map_->where(all.renumbered([&](int i) { return pieces[static_cast<std::size_t>(i)]; })));
  }
  /// Of the later pieces, those beside `under` whose edges are all between pieces.
  Numbers enclosed(const Numbers& under, const Numbers& later) const {
    constexpr double least = 1e-6;
    Numbers all = under, out;
    all.insert(all.end(), later.begin(), later.end());
    const double round = later.empty() ? 0 : lengthOf(united(all)), own = lengthOf(united(under));
    for (const int piece : later) {
      const double edge = rounds_[static_cast<std::size_t>(piece)];
      Numbers others, both = under;
      std::copy_if(all.begin(), all.end(), std::back_inserter(others), [&](int other) { return other != piece; });
      both.push_back(piece);
      const double outside = (round + edge - lengthOf(united(others))) / 2;
      const double shared = (own + edge - lengthOf(united(both))) / 2;
      const double unseen = least * edge + 0.1 * least * round;
      if (outside <= unseen && shared > unseen) out.push_back(piece);
    }
    return out;
  }
  static std::shared_ptr<const Content> filling(const Layer& first, const Outline& whole) {
    const auto back = first.place.inverse();
    const auto outline = std::make_shared<const Outline>(back ? transformed(whole, *back) : whole);
    auto content = std::make_shared<Content>(*first.content);
    for (Mark& mark : content->under) std::get<FillOutline>(mark).outline = outline;
    content->box = content->body = bounds(*outline);
    return content;
  }

  const std::vector<Layer>& pieces_;
  std::optional<PlanarMap> map_;
  std::vector<double> rounds_;
};

/// What pieces paint by how they lie to one another, for a few of them.
class Kept {
 public:
  Painted paintedBy(const std::vector<Layer>& pieces) {
    const std::lock_guard lock(mutex_);
    for (auto entry = entries_.begin(); entry != entries_.end(); ++entry)
      if (isOf(*entry, pieces)) {
        std::rotate(entries_.begin(), entry, entry + 1);
        return entries_.front().painted;
      }
    Entry fresh;
    for (const Layer& piece : pieces) fresh.pieces.emplace_back(piece.content, piece.place);
    fresh.painted = Flush(pieces).painted();
    entries_.push_front(std::move(fresh));
    constexpr std::size_t most = 64;
    if (entries_.size() > most) entries_.pop_back();
    return entries_.front().painted;
  }

 private:
  struct Entry {
    std::vector<std::pair<std::weak_ptr<const Content>, Affine>> pieces;
    Painted painted;
  };
  static bool isOf(const Entry& entry, const std::vector<Layer>& pieces) {
    return std::equal(entry.pieces.begin(), entry.pieces.end(), pieces.begin(), pieces.end(),
                      [](const auto& had, const Layer& piece) {
                        return areClose(had.second, piece.place) && had.first.lock() == piece.content;
                      });
  }
  std::mutex mutex_;
  std::deque<Entry> entries_;
};

/// Which layers of a run hang together, as a number for each: those that have nodes in the same places.
Numbers touching(const std::vector<Layer*>& run) {
  Numbers first(run.size());
  std::iota(first.begin(), first.end(), 0);
  const auto of = [&](int i) {
    while (first[static_cast<std::size_t>(i)] != i) i = first[static_cast<std::size_t>(i)];
    return i;
  };
  std::map<std::pair<double, double>, int> seen;
  const auto join = [&](Point at, int i) {
    constexpr double cell = 1e-4, aside = 0.31830988;  // round numbers lie well within a cell
    const auto [known, isFirst] =
        seen.emplace(std::pair(std::floor(at.x / cell + aside), std::floor(at.y / cell + aside)), i);
    if (isFirst) return;
    const int a = of(known->second), b = of(i);
    first[static_cast<std::size_t>(std::max(a, b))] = std::min(a, b);
  };
  for (std::size_t i = 0; i < run.size(); ++i)
    for (const Contour& contour : outlineOf(*run[i]).contours) {
      join(run[i]->place(contour.start), static_cast<int>(i));
      for (const Segment& segment : contour.segments) join(run[i]->place(segment.end), static_cast<int>(i));
    }
  for (std::size_t i = 0; i < first.size(); ++i) first[i] = of(static_cast<int>(i));
  return first;
}

/// The one of them that lies over others, in which case nothing was changed.
std::optional<std::size_t> paintFlush(const std::vector<Layer*>& pieces) {
  static Kept kept;
  const auto back = pieces.front()->place.inverse();
  if (pieces.size() < 2 || !back) return std::nullopt;
  std::vector<Layer> placed;
  placed.reserve(pieces.size());
  for (const Layer* piece : pieces) placed.push_back({piece->item, piece->content, nullptr, *back * piece->place});
  const Painted painted = kept.paintedBy(placed);
  for (std::size_t i = 0; i < pieces.size(); ++i)
    if (painted.contents[i]) pieces[i]->content = painted.contents[i];
  return painted.apart;
}

/// Of one division, without others between them.
void paintRun(const std::vector<Layer*>& run) {
  if (run.size() < 2) return;
  Numbers group = touching(run);
  std::vector<bool> isDone(run.size(), false);
  for (std::size_t k = 0; k < run.size();) {
    if (isDone[k]) {
      ++k;
      continue;
    }
    std::vector<Layer*> pieces;
    std::vector<std::size_t> places;
    // What lies between them in the stack, and over or under them, keeps its place.
    Box between;
    for (std::size_t i = k; i < run.size(); ++i) {
      if (isDone[i]) continue;
      if (group[i] != group[k]) {
        between.add(run[i]->box());
      } else if (!between.touches(run[i]->box())) {
        pieces.push_back(run[i]);
        places.push_back(i);
      } else {
        break;
      }
    }
    if (const auto apart = paintFlush(pieces)) {
      group[places[*apart]] = static_cast<int>(run.size() + places[*apart]);
      continue;
    }
    for (const std::size_t place : places) isDone[place] = true;
  }
}

}  // namespace

void paintWithoutSeams(std::span<Layer> layers) {
  std::vector<Layer*> run;
  for (Layer& layer : layers) {
    if (!layer.content) continue;
    const bool goesOn = isPlain(layer) && (run.empty() || run.front()->item->division == layer.item->division);
    if (!goesOn) {
      paintRun(run);
      run.clear();
    }
    if (isPlain(layer)) run.push_back(&layer);
  }
  paintRun(run);
}

}  // namespace widecut
