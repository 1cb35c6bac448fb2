#include "cutting/tracing.h"

#include <algorithm>

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

}  // namespace

Outline Tracer::border(Chosen& chosen) {
  Outline out;
  for (const auto& walk : walks([&](int half) { return chosen(map_.label(half)) && !chosen(map_.label(half ^ 1)); })) {
    Contour contour = contourOf(walk);
    if (!contour.segments.empty()) out.contours.push_back(std::move(contour));
  }
  return out;
}

std::vector<std::vector<int>> Tracer::walks(const std::function<bool(int)>& isBorder) {
  const int n = static_cast<int>(map_.edges().size());
  // 1: on the border and not walked yet.
  std::vector<char> waiting(2 * at(n), 0);
  for (int e = 0; e < n; ++e) {
    if (map_.edges()[at(e)].isAlias) continue;
    waiting[at(2 * e)] = isBorder(2 * e);
    waiting[at(2 * e + 1)] = isBorder(2 * e + 1);
  }
  std::vector<std::vector<int>> out;
  for (int first = 0; first < 2 * n; ++first) {
    if (!waiting[at(first)]) continue;
    auto& walk = out.emplace_back();
    int half = first;
    do {
      waiting[at(half)] = 0;
      walk.push_back(half);
      int next = map_.clockwise(half ^ 1);
      while (!waiting[at(next)] && next != first && next != (half ^ 1)) next = map_.clockwise(next);
      half = next;
    } while (half != first && waiting[at(half)]);
  }
  return out;
}

Tracer::Stretch Tracer::stretchOf(int piece, bool forwards) const {
  const Piece& p = map_.pieces()[at(piece)];
  const Arc& arc = map_.arcs().arcs[at(p.arc)];
  const double a = arc.sourceParameter(p.u0), b = arc.sourceParameter(p.u1);
  return {arc.source, forwards ? a : b, forwards ? b : a, forwards ? p.to : p.from};
}

namespace {

template <class Stretch>
bool continues(const Stretch& a, const Stretch& b) {
  return a.source == b.source && a.t1 == b.t0 && (a.t1 > a.t0) == (b.t1 > b.t0);
}

}  // namespace

void Tracer::add(const Stretch& s) {
  if (!stretches_.empty() && continues(stretches_.back(), s)) {
    stretches_.back().t1 = s.t1;
    stretches_.back().end = s.end;
  } else {
    stretches_.push_back(s);
  }
}

/// Where several edges run together, the one that goes on from the stretch before is taken.
void Tracer::addStretches(int half) {
  const Edge& edge = map_.edge(half);
  const bool forwards = half % 2 == 0;
  if (edge.alias >= 0) {
    Stretch best = stretchOf(edge.first, forwards);
    for (int k = edge.alias; k >= 0 && !stretches_.empty(); k = map_.edges()[at(k)].alias) {
      const Edge& other = map_.edges()[at(k)];
      const Stretch s = stretchOf(other.first, forwards != other.against);
      if (!continues(stretches_.back(), best) && continues(stretches_.back(), s)) best = s;
    }
    best.end = map_.head(half);
    add(best);
    return;
  }
  if (forwards)
    for (int i = edge.first;; i = map_.pieceAfter(i)) {
      add(stretchOf(i, true));
      if (i == edge.last) break;
    }
  else
    for (int i = edge.last;; i = map_.pieceBefore(i)) {
      add(stretchOf(i, false));
      if (i == edge.first) break;
    }
}

Contour Tracer::contourOf(std::span<const int> walk) {
  stretches_.clear();
  for (const int half : walk) addStretches(half);
  if (stretches_.size() > 1 && continues(stretches_.back(), stretches_.front())) {
    stretches_.front().t0 = stretches_.back().t0;
    stretches_.pop_back();
  }
  Contour contour;
  contour.start = map_.nodes().sheet(stretches_.back().end);
  contour.segments.reserve(stretches_.size());
  for (const Stretch& s : stretches_)
    contour.segments.push_back(pieceOf(map_.arcs().sources[at(s.source)], s.t0, s.t1, map_.nodes().sheet(s.end)));
  return contour;
}

}  // namespace widecut
