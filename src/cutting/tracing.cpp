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

/// The source piece of a half-edge. Where several run together, the one that goes on from the piece before.
Tracer::Piece Tracer::pieceOf(int half, const Piece* before) const {
  const auto piece = [&](int k) {
    const Edge& e = map_.edges()[at(k)];
    const Arc& arc = map_.arcs().arcs[at(e.arc)];
    const bool forwards = (half % 2 == 0) != e.against;
    const double a = arc.sourceParameter(e.u0), b = arc.sourceParameter(e.u1);
    return Piece{arc.source, forwards ? a : b, forwards ? b : a, map_.head(half)};
  };
  const int own = half / 2;
  if (before && map_.edges()[at(own)].alias >= 0)
    for (int k = own; k >= 0; k = map_.edges()[at(k)].alias) {
      const Piece p = piece(k);
      if (p.source == before->source && p.t0 == before->t1) return p;
    }
  return piece(own);
}

Contour Tracer::contourOf(std::span<const int> walk) const {
  const auto continues = [](const Piece& a, const Piece& b) {
    return a.source == b.source && a.t1 == b.t0 && (a.t1 > a.t0) == (b.t1 > b.t0);
  };
  pieces_.clear();
  for (const int half : walk) {
    const Piece p = pieceOf(half, pieces_.empty() ? nullptr : &pieces_.back());
    if (!pieces_.empty() && continues(pieces_.back(), p)) {
      pieces_.back().t1 = p.t1;
      pieces_.back().end = p.end;
    } else {
      pieces_.push_back(p);
    }
  }
  if (pieces_.size() > 1 && continues(pieces_.back(), pieces_.front())) {
    pieces_.front().t0 = pieces_.back().t0;
    pieces_.pop_back();
  }
  Contour contour;
  contour.start = map_.nodes().sheet(pieces_.back().end);
  contour.segments.reserve(pieces_.size());
  for (const Piece& p : pieces_)
    contour.segments.push_back(
        widecut::pieceOf(map_.arcs().sources[at(p.source)], p.t0, p.t1, map_.nodes().sheet(p.end)));
  return contour;
}

}  // namespace widecut
