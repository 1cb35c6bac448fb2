// One operand of an arrangement of which a few segments changed, as when a node is dragged: only those are searched.
#include <algorithm>

#include "cutting/arrangement.h"

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

/// Up to this many changed segments are searched one by one; with more, all of the operand is searched.
constexpr std::size_t fewSources = 48;

bool isSame(const Source& a, const Source& b) {
  if (a.kind != b.kind || a.start != b.start || a.end != b.end) return false;
  return (a.kind == SegmentKind::Line || a.handle1 == b.handle1) &&
         (a.kind != SegmentKind::Cubic || a.handle2 == b.handle2);
}

/// The end of an arc at which its contour comes (0) or leaves (1): an index into `node`.
int endOf(const Arc& arc, int which) { return arc.direction > 0 ? which : 1 - which; }

}  // namespace

/// Puts the operand's changed arcs and nodes in the places of the old ones and marks them as changed. False, and
/// nothing is touched, when they do not fit there, or are too many for this way.
bool Arrangement::replaceFew(const Operand& operand, int moved) {
  const Start first = operandStarts_[at(moved)], last = operandStarts_[at(moved) + 1];
  std::vector<int> numbers;
  Arcs fresh;
  Nodes nodes;
  fresh.clear();
  bool fits = true;
  std::size_t k = first.sources;
  eachSource(operand, moved, [&](const Source& source) {
    if (!fits) return;
    fits = k < last.sources;
    if (!fits) return;
    const Source& old = arcs_.sources[k];
    fits = source.begins == old.begins && source.closes == old.closes;
    if (fits && !isSame(source, old)) {
      fits = numbers.size() < fewSources && source.start != source.end && old.start != old.end;
      numbers.push_back(static_cast<int>(k));
      const int start = nodes.add(frame_.toWork(source.start), source.start, true);
      const int end = nodes.add(frame_.toWork(source.end), source.end, true);
      fresh.addSource(source, frame_, nodes, start, end);
    }
    ++k;
  });
  return fits && k == last.sources && putFew(numbers, fresh, nodes, first.arcs, last.arcs);
}

/// `fresh` holds the arcs of these sources.
bool Arrangement::putFew(std::span<const int> numbers, const Arcs& fresh, const Nodes& nodes, std::size_t first,
                         std::size_t last) {
  for (int i = 0; i < nodes.count(); ++i)
    if (nodes.find(i) != i) return false;
  // The places of the new arcs: as many for each segment as it had.
  std::vector<std::size_t> places;
  places.reserve(fresh.arcs.size());
  std::size_t place = first, k = 0;
  for (std::size_t s = 0; s < numbers.size(); ++s) {
    while (place < last && arcs_.arcs[place].source < numbers[s]) ++place;
    for (; k < fresh.arcs.size() && fresh.arcs[k].source == static_cast<int>(s); ++k, ++place) {
      if (place == last || arcs_.arcs[place].source != numbers[s] || fresh.arcs[k].liesFarOut()) return false;
      places.push_back(place);
    }
    if (place < last && arcs_.arcs[place].source == numbers[s]) return false;
  }
  // Chains must part and go on where they did.
  const auto freshAt = [&](std::size_t p) -> const Arc& {
    const auto it = std::lower_bound(places.begin(), places.end(), p);
    return it != places.end() && *it == p ? fresh.arcs[static_cast<std::size_t>(it - places.begin())] : arcs_.arcs[p];
  };
  for (const std::size_t p : places)
    for (const std::size_t next : {p, p + 1}) {
      if (next == last || arcs_.arcs[next].beginsContour) continue;
      if (goOn(freshAt(next - 1), freshAt(next)) != (arcs_.arcs[next - 1].chain == arcs_.arcs[next].chain))
        return false;
    }
  for (std::size_t i = 0; i < places.size(); ++i) putArc(fresh.arcs[i], nodes, places[i], numbers);
  for (std::size_t s = 0; s < numbers.size(); ++s) arcs_.sources[at(numbers[s])] = fresh.sources[s];
  few_.assign(places.begin(), places.end());
  return true;
}

/// Puts a new arc with its nodes where an old one is.
void Arrangement::putArc(Arc arc, const Nodes& nodes, std::size_t place, std::span<const int> numbers) {
  Arc& old = arcs_.arcs[place];
  int node[2] = {0, 0};
  for (const int which : {0, 1}) {
    const int from = arc.node[endOf(arc, which)], to = old.node[endOf(old, which)];
    nodes_.move(to, nodes.at(from), nodes.sheet(from));
    node[endOf(arc, which)] = to;
  }
  arc.node[0] = node[0];
  arc.node[1] = node[1];
  arc.source = numbers[at(arc.source)];
  arc.chain = old.chain;
  arc.beginsContour = old.beginsContour;
  old = arc;
  changed_[place] = 1;
}

/// Meets the few changed arcs with all that they touch.
void Arrangement::meetFew(CrossingSearch& search) {
  tree_.refresh(arcs_, changed_, frame_.tolerance);
  for (const std::size_t place : few_) {
    const int i = static_cast<int>(place);
    tree_.touching(arcs_.arcs[place], frame_.tolerance, [&](int other) {
      if (other == i || (changed_[at(other)] != 0 && other < i)) return;
      const int low = std::min(i, other), high = std::max(i, other);
      const Arc &a = arcs_.arcs[at(low)], &b = arcs_.arcs[at(high)];
      if (a.chain == b.chain || (high == low + 1 && partAtOnce(a, b, frame_.tolerance))) return;
      search.meet(low, high);
    });
  }
}

}  // namespace widecut
