#include "words/region.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace widecut {
namespace {

/// Where the derivative of one coordinate of a cubic is 0, inside of 0…1; rising.
std::vector<double> turns(double p0, double p1, double p2, double p3) {
  // B′/3 = a t² + b t + c
  const double a = p3 - 3 * p2 + 3 * p1 - p0, b = 2 * (p2 - 2 * p1 + p0), c = p1 - p0;
  std::vector<double> out;
  const auto add = [&](double t) {
    if (t > 0 && t < 1) out.push_back(t);
  };
  const double size = std::max({std::abs(a), std::abs(b), std::abs(c)});
  if (size == 0) return out;
  constexpr double tiny = 1e-12;
  if (std::abs(a) < tiny * size) {
    if (b != 0) add(-c / b);
    return out;
  }
  const double inner = b * b - 4 * a * c;
  if (inner < 0) return out;
  const double q = -0.5 * (b + std::copysign(std::sqrt(inner), b));
  add(q / a);
  if (q != 0) add(c / q);
  std::sort(out.begin(), out.end());
  return out;
}

/// The parameter at which a piece whose y does not turn back is at a height: halved, for that cannot fail.
double parameterAt(const Bezier& c, double y) {
  const bool rises = c[3].y > c[0].y;
  double low = 0, high = 1;
  constexpr int halvings = 44;
  for (int i = 0; i < halvings; ++i) {
    const double middle = (low + high) / 2;
    ((pointOn(c, middle).y < y) == rises ? low : high) = middle;
  }
  return (low + high) / 2;
}

}  // namespace

Region::Region(const Outline& outline) : box_(bounds(outline)) {
  const auto add = [&](const Bezier& c, bool isLine) {
    double t = 0;
    auto cuts = isLine ? std::vector<double>{} : turns(c[0].y, c[1].y, c[2].y, c[3].y);
    cuts.push_back(1);
    for (const double next : cuts) {
      const Bezier piece = pieceOf(c, t, next);
      pieces_.push_back({piece, std::min(piece[0].y, piece[3].y), std::max(piece[0].y, piece[3].y), isLine});
      t = next;
    }
  };
  for (const Contour& contour : outline.contours) {
    Point at = contour.start;
    for (const Segment& segment : contour.segments) {
      add(asCubic(at, segment), segment.kind == SegmentKind::Line);
      at = segment.end;
    }
    if (at != contour.start) add(asCubic(at, Segment::line(contour.start)), true);
  }
}

Region::Stretch Region::reach(const Piece& piece, double top, double bottom) {
  const Bezier& c = piece.curve;
  const double upper = std::max(top, piece.top), lower = std::min(bottom, piece.bottom);
  const bool rises = c[3].y > c[0].y;
  const double first = upper <= piece.top ? (rises ? 0 : 1) : parameterAt(c, upper);
  const double last = lower >= piece.bottom ? (rises ? 1 : 0) : parameterAt(c, lower);
  const double a = pointOn(c, first).x, b = pointOn(c, last).x;
  Stretch out = std::minmax(a, b);
  if (piece.isLine) return out;
  for (const double t : turns(c[0].x, c[1].x, c[2].x, c[3].x)) {
    if (t < std::min(first, last) || t > std::max(first, last)) continue;
    const double x = pointOn(c, t).x;
    out = {std::min(out.first, x), std::max(out.second, x)};
  }
  return out;
}

std::optional<Region::Stretch> Region::reach(double top, double bottom) const {
  std::optional<Stretch> out;
  for (const Piece& piece : pieces_) {
    if (piece.bottom < top || piece.top > bottom) continue;
    const Stretch one = reach(piece, top, bottom);
    out = out ? Stretch{std::min(out->first, one.first), std::max(out->second, one.second)} : one;
  }
  return out;
}

Region::Row Region::row(double top, double bottom) const {
  constexpr double tiny = 1e-9;
  std::vector<Stretch> edges;
  // At the middle height, where contours cross it and which way they go.
  const double middle = (top + bottom) / 2;
  std::vector<std::pair<double, int>> crossings;
  for (const Piece& piece : pieces_) {
    if (piece.bottom < top + tiny || piece.top > bottom - tiny) continue;
    // An edge along the very top or bottom takes nothing.
    edges.push_back(reach(piece, top, bottom));
    if (piece.top <= middle && middle < piece.bottom) {
      const double x = pointOn(piece.curve, parameterAt(piece.curve, middle)).x;
      crossings.emplace_back(x, piece.curve[3].y > piece.curve[0].y ? 1 : -1);
    }
  }
  std::sort(edges.begin(), edges.end());
  std::sort(crossings.begin(), crossings.end());
  const auto isInside = [&](double x) {
    int winding = 0;
    for (const auto& [at, way] : crossings)
      if (at < x) winding += way;
    return winding != 0;
  };
  Row out;
  for (const Stretch& one : edges) {
    if (out.taken.empty()) {
      out.taken.push_back(one);
      continue;
    }
    double& end = out.taken.back().second;
    if (one.first <= end + tiny) {
      end = std::max(end, one.second);
    } else if (isInside((end + one.first) / 2)) {
      out.inside.emplace_back(end, one.first);
      end = one.second;
    } else {
      out.taken.push_back(one);
    }
  }
  return out;
}

void Region::keepClearOf(const Outline& outline, ClearSide side) {
  Region other(outline);
  if (other.box_.isEmpty()) return;
  if (side == ClearSide::Wider)
    side = other.box_.low.x - box_.low.x > box_.high.x - other.box_.high.x ? ClearSide::Left : ClearSide::Right;
  clear_.emplace_back(std::move(other), side);
}

std::vector<Region::Stretch> Region::free(double top, double bottom) const {
  auto out = row(top, bottom).inside;
  constexpr double far = std::numeric_limits<double>::infinity();
  for (const auto& [other, side] : clear_) {
    if (other.box_.high.y <= top || other.box_.low.y >= bottom) continue;
    auto taken = other.row(top, bottom).taken;
    if (taken.empty()) continue;
    if (side == ClearSide::Left) taken = {{taken.front().first, far}};
    if (side == ClearSide::Right) taken = {{-far, taken.back().second}};
    if (side == ClearSide::AboveAndBelow) taken = {{-far, far}};
    for (const auto& [from, to] : taken) {
      std::vector<Stretch> rest;
      for (const Stretch& one : out) {
        if (from >= one.second || to <= one.first) {
          rest.push_back(one);
          continue;
        }
        if (one.first < from) rest.emplace_back(one.first, from);
        if (to < one.second) rest.emplace_back(to, one.second);
      }
      out = std::move(rest);
    }
  }
  return out;
}

}  // namespace widecut
