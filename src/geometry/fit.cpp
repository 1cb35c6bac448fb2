#include "geometry/fit.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace widecut {
namespace {

/// What the two lengths of handles are found by.
struct Handles {
  double first = 0, last = 0;
};

Bezier curveWith(const Sample& from, const Sample& to, Handles h) {
  return {from.at, from.at + from.way * h.first, to.at - to.way * h.last, to.at};
}

/// One step of Newton's method towards the foot of p.
double nearerFoot(const Bezier& c, Point p, double t) {
  const Point away = pointOn(c, t) - p, slope = derivative(c, t);
  const double falls = dot(slope, slope) + dot(away, secondDerivative(c, t));
  return falls > 0 ? std::clamp(t - dot(away, slope) / falls, 0.0, 1.0) : t;
}

/// A curve, the feet of the samples on it, and how far they are from it.
struct Tried {
  Handles handles;
  std::vector<double> feet;
  Bezier curve;
  double most = 0, squares = 0;
};

Tried tried(std::span<const Sample> samples, std::vector<double> feet, Handles handles) {
  Tried out{handles, std::move(feet), curveWith(samples.front(), samples.back(), handles)};
  for (std::size_t i = 1; i + 1 < samples.size(); ++i) {
    double& t = out.feet[i];
    for (int step = 0; step < 2; ++step) t = nearerFoot(out.curve, samples[i].at, t);
    const double d = distance(pointOn(out.curve, t), samples[i].at);
    out.most = std::max(out.most, d);
    out.squares += d * d;
  }
  return out;
}

/// The change of the handles that brings the curve nearest to the samples, along its normals at their feet.
Handles betterBy(const Bezier& c, std::span<const Sample> samples, const std::vector<double>& feet) {
  double aa = 0, ab = 0, bb = 0, ar = 0, br = 0;
  for (std::size_t i = 1; i + 1 < samples.size(); ++i) {
    const double t = feet[i], u = 1 - t;
    const Point slope = unit(derivative(c, t)), normal{-slope.y, slope.x};
    const double a = 3 * u * u * t * dot(samples.front().way, normal),
                 b = -3 * u * t * t * dot(samples.back().way, normal), r = dot(samples[i].at - pointOn(c, t), normal);
    aa += a * a;
    ab += a * b;
    bb += b * b;
    ar += a * r;
    br += b * r;
  }
  // A straight run says nothing of its handles: a little damping keeps them as they are.
  const double damping = 1e-9 * (aa + bb) + 1e-300;
  aa += damping;
  bb += damping;
  const double det = aa * bb - ab * ab;
  return det > 0 ? Handles{(ar * bb - br * ab) / det, (aa * br - ab * ar) / det} : Handles{};
}

CubicFit fittedFrom(std::span<const Sample> samples, const std::vector<double>& feet, Handles from, double enough) {
  Tried now = tried(samples, feet, from);
  const double whole = 1.5 * (from.first + from.last), least = 1e-4 * whole;
  constexpr int mostSteps = 24, mostHalvings = 5, quickSteps = 4;
  for (int i = 0; i < mostSteps && now.most > enough; ++i) {
    const Handles by = betterBy(now.curve, samples, now.feet);
    bool better = false, hopeless = false;
    double share = 1;
    for (int k = 0; k < mostHalvings && !better; ++k, share /= 2) {
      Tried next = tried(samples, now.feet,
                         {std::clamp(now.handles.first + share * by.first, least, whole),
                          std::clamp(now.handles.last + share * by.last, least, whole)});
      better = next.squares < now.squares;
      // Where it hardly comes nearer and is still far, it will not arrive.
      hopeless = next.squares > 0.9 * now.squares && next.most > 2 * enough;
      if (better) now = std::move(next);
    }
    if (!better || (enough > 0 && (hopeless || (i >= quickSteps && now.most > 10 * enough)))) break;
  }
  return {now.curve, now.most};
}

/// One after another, each as long as the tolerance lets it be; `error` is the greatest one. No more than `most`.
std::vector<Bezier> greedily(std::span<const Sample> samples, double tolerance, std::size_t most, double& error) {
  std::vector<Bezier> out;
  error = 0;
  for (std::size_t from = 0; from + 1 < samples.size();) {
    if (out.size() == most) {
      out.emplace_back();
      return out;
    }
    const auto reaching = [&](std::size_t to) { return fittedCubic(samples.subspan(from, to - from + 1), tolerance); };
    const std::size_t end = samples.size() - 1;
    std::size_t good = from + 1, bad = end + 1, step = 2;
    CubicFit best = reaching(good);
    while (good < end && bad > end) {
      const std::size_t next = std::min(end, from + step);
      const CubicFit fit = reaching(next);
      if (fit.error <= tolerance) {
        good = next;
        best = fit;
      } else {
        bad = next;
      }
      step *= 2;
    }
    while (bad <= end && bad - good > 1) {
      const std::size_t middle = (good + bad) / 2;
      const CubicFit fit = reaching(middle);
      if (fit.error <= tolerance) {
        good = middle;
        best = fit;
      } else {
        bad = middle;
      }
    }
    if (const CubicFit finer = fittedCubic(samples.subspan(from, good - from + 1)); finer.error < best.error)
      best = finer;
    out.push_back(best.curve);
    error = std::max(error, best.error);
    from = good;
  }
  return out;
}

std::vector<Bezier> fewest(std::span<const Sample> samples, double tolerance, double& error) {
  std::vector<Bezier> best = greedily(samples, tolerance, samples.size(), error);
  double low = 0, high = tolerance;
  constexpr int halvings = 5;
  for (int i = 0; i < halvings && best.size() > 1; ++i) {
    const double middle = (low + high) / 2;
    double found = 0;
    std::vector<Bezier> other = greedily(samples, middle, best.size(), found);
    if (other.size() > best.size()) {
      low = middle;
      continue;
    }
    high = middle;
    best = std::move(other);
    error = found;
  }
  return best;
}

/// The edge of a contour as places close together.
class Dense {
 public:
  explicit Dense(const Contour& contour, double tolerance) : closed_(contour.closed) {
    Point at = contour.start;
    for (const Segment& s : contour.segments) {
      add(at, s, tolerance);
      at = s.end;
    }
    if (closed_ && at != contour.start) add(at, Segment::line(contour.start), tolerance);
  }

  struct Place {
    Point at, before, after;  ///< Directions to and from it.
    double along = 0;         ///< The length up to here.
    bool isNode = false;
    bool line = false;  ///< The edge from here is straight.
    double turn() const { return std::atan2(std::abs(cross(before, after)), dot(before, after)); }
  };
  bool isEmpty() const { return places_.empty(); }
  bool isClosed() const { return closed_; }
  std::size_t size() const { return places_.size(); }
  double whole() const { return whole_; }
  const Place& operator[](std::size_t i) const { return places_[i % places_.size()]; }
  /// Grows past the start of a closed contour.
  double along(std::size_t i) const {
    return places_[i % places_.size()].along + (i < places_.size() ? 0 : i < 2 * places_.size() ? whole_ : 2 * whole_);
  }
  /// The place of an open contour's end; of a closed one's, its start again.
  std::size_t end() const { return closed_ ? places_.size() : places_.size() - 1; }
  void finish() {
    if (places_.empty()) return;
    whole_ = along_;
    if (closed_) {
      places_.front().before = last_;
    } else {
      places_.push_back({end_, last_, last_, along_, true, false});
      places_.front().before = places_.front().after;
    }
  }

 private:
  void add(Point from, const Segment& s, double tolerance) {
    const Bezier c = asCubic(from, s);
    const Point start = startDirection(c);
    if (start == Point{}) return;
    const bool line = s.kind == SegmentKind::Line;
    places_.push_back({from, places_.empty() ? start : last_, start, along_, true, line});
    // Close enough for what a cubic can do between two of them.
    const double size = arcLength(c);
    const int steps = static_cast<int>(std::clamp(std::ceil(size / tolerance / 4), line ? 2.0 : 8.0, 24.0));
    for (int i = 1; i < steps; ++i) {
      const double t = static_cast<double>(i) / steps;
      const Point way = direction(c, t);
      places_.push_back({pointOn(c, t), way, way, along_ + arcLength(c, 0, t), false, line});
    }
    along_ += size;
    last_ = endDirection(c);
    end_ = s.end;
  }

  bool closed_;
  std::vector<Place> places_;
  double along_ = 0, whole_ = 0;
  Point last_, end_;
};

/// The way from one place to another one a window further on or back, not beyond `stop`.
Point wayWithin(const Dense& d, std::size_t from, int step, double window, std::size_t stop) {
  std::size_t to = from;
  while (to != stop && std::abs(d.along(to) - d.along(from)) < window) to += static_cast<std::size_t>(step);
  return unit(step > 0 ? d[to].at - d[from].at : d[from].at - d[to].at);
}

constexpr double sharp = 0.7;   // radians; a corner of what wobbles
constexpr double slight = 0.1;  // radians; a corner between two clean edges
constexpr double kink = 0.02;   // radians; less is rounding, or noise

/// The nodes where the contour turns sharply, in order; of an open one its ends, too.
std::vector<std::size_t> cornersOf(const Dense& d, double window, double least) {
  struct Candidate {
    std::size_t at;
    double turn;
  };
  std::vector<Candidate> found;
  const std::size_t n = d.size(), lap = d.isClosed() ? n : 0;
  for (std::size_t i = d.isClosed() ? 0 : 1; i < d.end(); ++i) {
    if (!d[i].isNode || d[i].turn() < kink) continue;
    // Counted from the second lap, so that there is room before it.
    const std::size_t at = i + lap, first = d.isClosed() ? i : 0, last = d.isClosed() ? i + 2 * n : d.end();
    const Point before = wayWithin(d, at, -1, window, first), after = wayWithin(d, at, 1, window, last);
    const double seen = std::atan2(std::abs(cross(before, after)), dot(before, after));
    bool alone = true;
    for (const int step : {-1, 1})
      for (std::size_t k = at; alone;) {
        if (k == (step < 0 ? first : last)) break;
        k += static_cast<std::size_t>(step);
        if (std::abs(d.along(k) - d.along(at)) > window) break;
        alone = !d[k].isNode || d[k].turn() < kink;
      }
    // Near an end there is too little to see a corner by.
    const bool room = d.isClosed() || (d.along(i) > window && d.whole() - d.along(i) > window);
    if (alone ? d[i].turn() > least : room && seen > sharp) found.push_back({i, alone ? d[i].turn() : seen});
  }
  // Of those within one window the sharpest one.
  std::vector<std::size_t> corners;
  for (std::size_t i = 0; i < found.size(); ++i) {
    bool sharpest = true;
    for (std::size_t k = 0; k < found.size() && sharpest; ++k) {
      double apart = std::abs(d.along(found[k].at) - d.along(found[i].at));
      if (d.isClosed()) apart = std::min(apart, d.whole() - apart);
      if (k != i && apart < window)
        sharpest = found[i].turn > found[k].turn || (found[i].turn == found[k].turn && i < k);
    }
    const bool exact = d[found[i].at].turn() > least && found[i].turn == d[found[i].at].turn();
    if (sharpest || exact) corners.push_back(found[i].at);
  }
  if (!d.isClosed()) {
    corners.insert(corners.begin(), 0);
    corners.push_back(d.end());
  }
  return corners;
}

/// The places from one to another with their directions: their own, or, where the contour wobbles, those seen from
/// further off.
std::vector<Sample> samplesOf(const Dense& d, std::size_t from, std::size_t to, double window, bool loops) {
  const std::size_t n = to - from + 1;
  // The last kink up to each place, and the next one.
  std::vector<double> last(n, -1e300), next(n, 1e300);
  for (std::size_t i = 0; i < n; ++i) {
    if (i > 0) last[i] = last[i - 1];
    const bool inside = loops || (i > 0 && i + 1 < n);
    if (inside && d[from + i].isNode && d[from + i].turn() > kink) last[i] = d.along(from + i);
  }
  for (std::size_t i = n; i-- > 0;) {
    if (i + 1 < n) next[i] = next[i + 1];
    if (last[i] == d.along(from + i)) next[i] = d.along(from + i);
  }
  std::vector<Sample> samples;
  samples.reserve(n);
  for (std::size_t i = 0; i < n; ++i) {
    const std::size_t k = from + i;
    const bool rough = d.along(k) - last[i] < window || next[i] - d.along(k) < window;
    Point way = i == 0 ? d[k].after : d[k].before;
    if (rough && loops)
      way = unit(wayWithin(d, k + d.size(), 1, window, k + 2 * d.size()) + wayWithin(d, k + d.size(), -1, window, k));
    else if (rough)
      way = unit((i + 1 < n ? wayWithin(d, k, 1, window, to) : Point{}) +
                 (i > 0 ? wayWithin(d, k, -1, window, from) : Point{}));
    samples.push_back({d[k].at, way});
  }
  if (loops) samples.back().way = samples.front().way;
  return samples;
}

bool isStraight(const Dense& d, std::size_t from, std::size_t to) {
  for (std::size_t i = from; i < to; ++i)
    if (!d[i].line || (i > from && d[i].isNode)) return false;
  return true;
}

Segment segmentOf(const Bezier& c) {
  const double close = 1e-9 * distance(c[0], c[3]);
  const Point along = unit(c[3] - c[0]);
  const bool straight = std::abs(cross(along, c[1] - c[0])) <= close && std::abs(cross(along, c[2] - c[0])) <= close;
  return straight ? Segment::line(c[3]) : Segment::cubic(c[1], c[2], c[3]);
}

}  // namespace

CubicFit fittedCubic(std::span<const Sample> samples, double enough) {
  std::vector<double> places(samples.size(), 0);
  for (std::size_t i = 1; i < samples.size(); ++i)
    places[i] = places[i - 1] + distance(samples[i - 1].at, samples[i].at);
  const double whole = places.back();
  if (!(whole > 0)) return {curveWith(samples.front(), samples.back(), {}), 0};
  for (double& t : places) t /= whole;
  // A third of the way is right for most; a lopsided curve may need to be begun like one.
  constexpr Handles beginnings[] = {{1.0 / 3, 1.0 / 3}, {0.15, 0.5}, {0.5, 0.15}};
  CubicFit best{{}, std::numeric_limits<double>::infinity()};
  for (const Handles& h : beginnings) {
    const CubicFit fit = fittedFrom(samples, places, {h.first * whole, h.last * whole}, enough);
    if (fit.error < best.error) best = fit;
    // Another beginning helps over a slip, not over a span that is too long.
    if (best.error <= std::max(enough, 1e-12 * whole) || (enough > 0 && best.error > 100 * enough)) break;
  }
  return best;
}

std::vector<Bezier> fittedCurves(std::span<const Sample> samples, double tolerance) {
  double error = 0;
  return samples.size() < 2 ? std::vector<Bezier>{} : fewest(samples, tolerance, error);
}

namespace {

Simplified fitted(const Contour& contour, double tolerance, double leastCorner) {
  Dense d(contour, tolerance);
  d.finish();
  if (d.isEmpty()) return {contour, 0};
  const double window = 4 * tolerance;
  std::vector<std::size_t> corners = cornersOf(d, window, leastCorner);
  const bool loops = corners.empty();  // closed, and smooth all round
  if (loops) corners.push_back(0);
  if (d.isClosed()) corners.push_back(corners.front() + d.size());
  Simplified out{{d[corners.front()].at, {}, contour.closed}, 0};
  for (std::size_t i = 0; i + 1 < corners.size(); ++i) {
    if (isStraight(d, corners[i], corners[i + 1])) {
      out.contour.segments.push_back(Segment::line(d[corners[i + 1]].at));
      continue;
    }
    double error = 0;
    for (const Bezier& c : fewest(samplesOf(d, corners[i], corners[i + 1], window, loops), tolerance, error))
      out.contour.segments.push_back(segmentOf(c));
    out.error = std::max(out.error, error);
  }
  return out;
}

}  // namespace

Simplified simplified(const Contour& contour, double tolerance) { return fitted(contour, tolerance, slight); }

std::optional<Contour> fittedStroke(std::span<const Point> places, bool closed, double tolerance) {
  Contour raw{places.empty() ? Point{} : places.front(), {}, closed};
  for (const Point p : places)
    if (p != (raw.segments.empty() ? raw.start : raw.segments.back().end)) raw.segments.push_back(Segment::line(p));
  if (raw.segments.empty()) return std::nullopt;
  return fitted(raw, tolerance, sharp).contour;
}

}  // namespace widecut
