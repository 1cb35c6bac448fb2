#include "cutting/tracing.h"

#include <algorithm>

namespace widecut {
namespace {

std::size_t at(int i) { return static_cast<std::size_t>(i); }

}  // namespace

Tracer::Buffers& Tracer::buffers() {
  static thread_local Buffers kept;
  return kept;
}

Outline Tracer::outlineOfWaiting() {
  Outline out;
  walk([&](const std::vector<int>& halves) {
    Contour contour = contourOf(halves);
    if (!contour.segments.empty()) out.contours.push_back(std::move(contour));
  });
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
