// Rough arrangements made exact.
#include <algorithm>
#include <cmath>

#include "project/edits/arranging.h"
#include "project/edits/places.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

double low(const Box& box, bool across) { return across ? box.low.x : box.low.y; }
double size(const Box& box, bool across) { return across ? box.width() : box.height(); }
double middle(const Box& box, bool across) { return low(box, across) + size(box, across) / 2; }

using Lane = std::vector<Id>;

/// The items parted into lines that lie next to one another along the axis, each of items that are nearly in line.
std::vector<Lane> linesOf(const Project& project, Lane items, bool across) {
  const auto at = [&](Id id) { return middle(boxOnSheet(project, id), across); };
  std::stable_sort(items.begin(), items.end(), [&](Id a, Id b) { return at(a) < at(b); });
  std::vector<Lane> lines;
  for (const Id id : items) {
    // As near as half of the smaller one: then they overlap by most of it.
    const bool isNext = lines.empty() || at(id) - at(lines.back().back()) >
                                             0.5 * std::min(size(boxOnSheet(project, id), across),
                                                            size(boxOnSheet(project, lines.back().back()), across));
    if (isNext) lines.emplace_back();
    lines.back().push_back(id);
  }
  return lines;
}

/// The line brought in line, by what moves its items least: their lower edges, middles or upper ones.
Project inLine(const Project& project, const Lane& line, bool across) {
  if (line.size() < 2) return project;
  double best = INFINITY, wanted = 0, share = 0;
  for (const double one : {0.0, 1.0, 0.5}) {
    std::vector<double> values;
    for (const Id id : line) {
      const Box box = boxOnSheet(project, id);
      values.push_back(low(box, across) + one * size(box, across));
    }
    std::vector<double> sorted = values;
    std::sort(sorted.begin(), sorted.end());
    const double median = sorted[sorted.size() / 2];
    double way = 0;
    for (const double value : values) way += std::abs(value - median);
    if (way >= best - 1e-9) continue;
    best = way;
    wanted = median;
    share = one;
  }
  Project out = project;
  for (const Id id : line) out = withBoxAt(out, id, across, share, wanted);
  return out;
}

/// Lines moved as wholes to gaps alike.
Project spaced(const Project& project, const std::vector<Lane>& lines, bool across) {
  if (lines.size() < 3) return project;
  const auto boxOf = [&](const Project& p, const Lane& line) {
    Box box;
    for (const Id id : line) box.add(boxOnSheet(p, id));
    return box;
  };
  double sizes = 0;
  for (const Lane& line : lines) sizes += size(boxOf(project, line), across);
  const Box first = boxOf(project, lines.front()), last = boxOf(project, lines.back());
  const double all = low(last, across) + size(last, across) - low(first, across);
  const double gap = (all - sizes) / static_cast<double>(lines.size() - 1);
  double at = low(first, across);
  Project out = project;
  for (std::size_t i = 0; i < lines.size(); ++i) {
    const Box box = boxOf(out, lines[i]);
    const double by = at - low(box, across);
    if (i > 0 && i + 1 < lines.size())
      out = withMapped(out, lines[i], Affine::move(across ? Point{by, 0} : Point{0, by}));
    at += size(box, across) + gap;
  }
  return out;
}

}  // namespace

Project neatened(const Project& project, std::span<const Id> ids) {
  Lane items = outermost(project, ids);
  std::erase_if(items, [&](Id id) { return findItem(project, id)->locked || boxOnSheet(project, id).isEmpty(); });
  if (items.size() < 2) return project;
  Project out = project;
  for (const bool across : {false, true})
    for (const Lane& line : linesOf(project, items, across)) out = inLine(out, line, across);
  const auto rows = linesOf(out, items, false), columns = linesOf(out, items, true);
  if (rows.size() > 1 && columns.size() > 1 && rows.size() * columns.size() == items.size())
    return spaced(spaced(out, rows, false), columns, true);
  for (const bool across : {true, false})
    for (const Lane& line : across ? rows : columns)
      if (line.size() > 2) out = withEqualGaps(out, line, across);
  return out;
}

}  // namespace widecut
