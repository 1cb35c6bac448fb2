#include "scene/snapping.h"

#include <algorithm>
#include <array>

#include "project/columns.h"
#include "project/edits/guides.h"
#include "project/edits/sheets.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr double alike = 1e-4;  // points: ways that are the same to the eye

double along(Point p, int axis) { return axis == 0 ? p.x : p.y; }
Point made(int axis, double on, double across) { return axis == 0 ? Point{on, across} : Point{across, on}; }

/// True when one of the items is somewhere inside this one.
bool holds(const Item& item, std::span<const Id> ids) {
  const auto& children = childrenOf(item);
  return std::any_of(children.begin(), children.end(),
                     [&](const ItemPtr& child) { return contains(ids, child->id) || holds(*child, ids); });
}

}  // namespace

SnapProbe SnapProbe::ofBox(const Box& box, std::vector<Point> nodes) {
  const Point middle = box.centre();
  return {box, {box.low.x, middle.x, box.high.x}, {box.low.y, middle.y, box.high.y}, std::move(nodes), true, {}, {}};
}

SnapProbe SnapProbe::ofPoint(Point place) {
  SnapProbe probe{{place, place}, {place.x}, {place.y}, {place}, false, {}, {}};
  probe.onOutlines = true;
  return probe;
}

SnapField::SnapField(const Project& project, const Sheet& sheet, std::span<const Id> without, SnapKinds kinds)
    : kinds_(kinds) {
  const PiecePtr piece = pieceOf(project, sheet.id);
  addSheet(project, sheet, piece ? piece->setting : Setting{});
  for (const ItemPtr& item : sheet.items) addItem(item, {}, without);
  for (const int axis : {0, 1}) sortLines(axis);
  boxGrid_ = BoxGrid(std::move(boxes_));
  std::vector<Box> placed;
  placed.reserve(placed_.size());
  for (const Placed& one : placed_) placed.push_back(one.box);
  placedGrid_ = BoxGrid(std::move(placed));
  for (auto& sizes : sizes_) {
    std::sort(sizes.begin(), sizes.end());
    sizes.erase(std::unique(sizes.begin(), sizes.end()), sizes.end());
  }
  std::sort(turns_.begin(), turns_.end());
}

void SnapField::add(std::span<const Point> places) {
  if (!has(SnapKind::Node)) return;
  points_.insert(points_.end(), places.begin(), places.end());
  for (const int axis : {0, 1}) {
    for (const Point p : places)
      lines_[axis].push_back({along(p, axis), along(p, 1 - axis), along(p, 1 - axis), SnapKind::Node});
    sortLines(axis);
  }
}

void SnapField::sortLines(int axis) {
  std::sort(lines_[axis].begin(), lines_[axis].end(), [](const Line& a, const Line& b) { return a.at < b.at; });
}

void SnapField::addSheet(const Project& project, const Sheet& sheet, const Setting& s) {
  sheet_ = sheet.box();
  if (has(SnapKind::Grid)) grid_ = s.grid;
  const double extents[] = {sheet.width, sheet.height};
  const auto add = [&](int axis, double at, SnapKind kind) {
    if (has(kind)) lines_[axis].push_back({at, 0, extents[1 - axis], kind});
  };
  for (const int axis : {0, 1}) {
    const double extent = extents[axis];
    for (const double share : {0.0, 0.5, 1.0}) add(axis, extent * share, SnapKind::Sheet);
    if (sheet.bleed > 0)
      for (const double at : {-sheet.bleed, extent + sheet.bleed}) add(axis, at, SnapKind::Bleed);
    const double first = axis == 0 ? s.left : s.top, last = extent - (axis == 0 ? s.right : s.bottom);
    if (first > 0 || last < extent)
      for (const double at : {first, (first + last) / 2, last}) add(axis, at, SnapKind::Margin);
  }
  for (const double fold : sheet.folds) add(0, fold, SnapKind::Fold);
  for (const GuidePlace& place : guidesOn(project, sheet.id)) {
    const Guide& guide = *findGuide(project, place);
    add(guide.upright ? 0 : 1, guide.at, SnapKind::Guide);
  }
  const auto columns = columnsOf(sheet, s);
  if (columns.size() < 2) return;
  for (const Box& column : columns)
    for (const double at : {column.low.x, column.high.x}) add(0, at, SnapKind::Column);
}

void SnapField::addItem(const ItemPtr& item, const Affine& parent, std::span<const Id> without) {
  if (item->hidden || contains(without, item->id)) return;  // measuring lines are lines to rest at, too
  const Affine frame = parent * item->toParent();
  const bool isOpen = holds(*item, without);
  if (isOpen || showsChildren(item->form)) {
    constexpr std::size_t mostCopies = 200;
    const auto copies = showsChildren(item->form) ? copiesOf(item->form) : std::vector<Copy>{Copy{}};
    for (std::size_t i = 0; i < std::min(copies.size(), mostCopies); ++i)
      for (const ItemPtr& child : childrenOf(*item)) addItem(child, frame * copies[i].place, without);
    if (isOpen) return;
  }
  const Box box = boxThrough(*item, parent);
  if (box.isEmpty()) return;
  addLines(box);
  // Of words the box counts: nobody lines up with the nodes of letters.
  if (!showsChildren(item->form) && !wordsOf(*item)) placed_.push_back({item, frame, box});
  turns_.push_back(frame.turnAngle());
}

void SnapField::addLines(const Box& box) {
  boxes_.push_back(box);
  for (const int axis : {0, 1}) {
    const double low = along(box.low, axis), high = along(box.high, axis);
    const double from = along(box.low, 1 - axis), to = along(box.high, 1 - axis);
    if (has(SnapKind::Edge))
      for (const double at : {low, high}) lines_[axis].push_back({at, from, to, SnapKind::Edge});
    if (has(SnapKind::Middle)) lines_[axis].push_back({along(box.centre(), axis), from, to, SnapKind::Middle});
    if (has(SnapKind::Size)) sizes_[axis].push_back(high - low);
  }
}

void SnapField::alongLines(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const {
  const auto& lines = lines_[axis];
  const auto& values = axis == 0 ? probe.xs : probe.ys;
  const double low = along(probe.box.low, 1 - axis), high = along(probe.box.high, 1 - axis);
  // Of lines in one place, the one that lies nearest is shown; far ones are a little less good.
  constexpr double farther = 0.3;
  struct Hit {
    double by, score;
    std::size_t number;
    const Line* line;
  };
  std::vector<Hit> hits;
  for (std::size_t n = 0; n < values.size(); ++n) {
    auto line = std::lower_bound(lines.begin(), lines.end(), values[n] - reach,
                                 [](const Line& l, double v) { return l.at < v; });
    for (; line != lines.end() && line->at <= values[n] + reach; ++line) {
      const double by = line->at - values[n], apart = std::max({0.0, low - line->to, line->from - high});
      hits.push_back({by, std::abs(by) + farther * reach * apart / (apart + 200), n, &*line});
    }
  }
  // Among many lines only the best are worth more than a look.
  std::stable_sort(hits.begin(), hits.end(), [](const Hit& a, const Hit& b) { return a.score < b.score; });
  struct Place {
    double by;
    std::size_t number;
    int count;
  };
  constexpr std::size_t mostPlaces = 8;
  constexpr int mostAlike = 3;
  std::vector<Place> places;
  for (const Hit& hit : hits) {
    const auto known =
        std::find_if(places.begin(), places.end(), [&](const Place& p) { return std::abs(p.by - hit.by) < alike; });
    if (known == places.end()) {
      if (places.size() == mostPlaces) continue;
      places.push_back({hit.by, hit.number, 1});
    } else if (known->number == hit.number || ++known->count > mostAlike) {
      continue;
    }
    Along one{hit.by, {static_cast<int>(hit.number), hit.line->at}, hit.score, {}, {*hit.line}};
    one.reason.kind = hit.line->kind;
    found.push_back(std::move(one));
  }
}

/// Lines of the grid are not kept: there may be thousands. Whatever lies there as well is a better reason.
void SnapField::alongGrid(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const {
  if (!(grid_ > 0)) return;
  const auto& values = axis == 0 ? probe.xs : probe.ys;
  const double from = along(sheet_.low, 1 - axis), to = along(sheet_.high, 1 - axis);
  for (std::size_t n = 0; n < values.size(); ++n) {
    const double at = std::round(values[n] / grid_) * grid_, by = at - values[n];
    if (std::abs(by) > reach) continue;
    const Line line{at, from, to, SnapKind::Grid};
    Along one{by, {static_cast<int>(n), at}, std::abs(by) + 0.25 * reach, {}, {line}};
    one.reason.kind = SnapKind::Grid;
    found.push_back(std::move(one));
  }
}

void SnapField::alongSizes(int axis, const SnapProbe& probe, double reach, std::vector<Along>& found) const {
  if (!probe.opposite || !has(SnapKind::Size)) return;
  const auto& values = axis == 0 ? probe.xs : probe.ys;
  const double fixed = along(*probe.opposite, axis);
  for (std::size_t n = 0; n < values.size(); ++n) {
    const double size = std::abs(values[n] - fixed), sign = values[n] < fixed ? -1 : 1;
    auto like = std::lower_bound(sizes_[axis].begin(), sizes_[axis].end(), size - reach);
    for (; like != sizes_[axis].end() && *like <= size + reach; ++like) {
      if (!(*like > 0)) continue;
      const double at = fixed + sign * *like, across = along(probe.box.centre(), 1 - axis);
      found.push_back({at - values[n],
                       {static_cast<int>(n), at},
                       std::abs(at - values[n]) + 0.2 * reach,
                       {SnapKind::Size, {{made(axis, fixed, across), made(axis, at, across)}}, {}, *like}});
    }
  }
}

/// Once it is known how far all of it moves across: then the lines end where it comes to rest.
SnapReason SnapField::reasonOf(const Along& one, int axis, const Box& box, double across) {
  SnapReason reason = one.reason;
  for (auto& [from, to] : reason.lines) {
    from = from + made(axis, 0, across);
    to = to + made(axis, 0, across);
  }
  const double low = along(box.low, 1 - axis) + across, high = along(box.high, 1 - axis) + across;
  for (const Line& line : one.lines)
    reason.lines.emplace_back(made(axis, line.at, std::min(low, line.from)),
                              made(axis, line.at, std::max(high, line.to)));
  if (!one.lines.empty()) reason.length = std::max({0.0, low - one.lines[0].to, one.lines[0].from - high});
  return reason;
}

std::vector<Snap> SnapField::at(const SnapProbe& probe, double reach, std::size_t most) const {
  std::vector<Along> found[2];
  for (const int axis : {0, 1}) {
    alongLines(axis, probe, reach, found[axis]);
    alongGrid(axis, probe, reach, found[axis]);
    alongGaps(axis, probe, reach, found[axis]);
    alongSizes(axis, probe, reach, found[axis]);
    std::stable_sort(found[axis].begin(), found[axis].end(),
                     [](const Along& a, const Along& b) { return a.score < b.score; });
    // One of each way: the others, as near as makes no difference to the eye, say the same.
    std::vector<Along> kept;
    for (Along& one : found[axis]) {
      const auto like = [&](const Along& k) { return std::abs(k.by - one.by) < alike; };
      const auto known = std::find_if(kept.begin(), kept.end(), like);
      if (known == kept.end()) {
        if (kept.size() < most) kept.push_back(std::move(one));
      } else if (known->lines.size() < 3 && known->rest.number != one.rest.number) {
        known->lines.insert(known->lines.end(), one.lines.begin(), one.lines.end());
      }
    }
    found[axis] = std::move(kept);
  }
  std::vector<Snap> snaps;
  const std::vector<At> all = places(probe, reach);
  const auto addPlaces = [&](bool onOutlines) {
    for (const At& place : all)
      if ((place.kind == SnapKind::Outline) == onOutlines && snaps.size() < most)
        snaps.push_back({place.way, {}, {}, std::pair(place.number, place.place), {{place.kind, {}, place.place, 0}}});
  };
  addPlaces(false);
  const auto add = [&](std::size_t i, std::size_t j) {
    Snap snap;
    if (i < found[0].size()) {
      snap.by.x = found[0][i].by;
      snap.x = found[0][i].rest;
    }
    if (j < found[1].size()) {
      snap.by.y = found[1][j].by;
      snap.y = found[1][j].rest;
    }
    if (snap.x) snap.reasons.push_back(reasonOf(found[0][i], 0, probe.box, snap.by.y));
    if (snap.y) snap.reasons.push_back(reasonOf(found[1][j], 1, probe.box, snap.by.x));
    if (!snap.reasons.empty() && snaps.size() < most) snaps.push_back(std::move(snap));
  };
  add(0, 0);
  addPlaces(true);
  for (std::size_t i = 1; i < most; ++i) {
    if (i < found[0].size()) add(i, 0);
    if (i < found[1].size()) add(0, i);
  }
  return snaps;
}

std::optional<double> SnapField::angleLike(double turn, double reach) const {
  if (!has(SnapKind::Angle)) return std::nullopt;
  std::optional<double> best;
  for (const double other : turns_)
    for (int quarter = 0; quarter < 4; ++quarter) {
      const double off = std::remainder(other + quarter * pi / 2 - turn, 2 * pi);
      if (std::abs(off) <= reach && (!best || std::abs(off) < std::abs(*best))) best = off;
    }
  return best ? std::optional(turn + *best) : std::nullopt;
}

}  // namespace widecut
