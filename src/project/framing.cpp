#include "project/framing.h"

namespace widecut {
namespace {

/// Half the extent of the frame along the picture's own axes.
Point halfExtentAlongPicture(const Box& frame, double turn) {
  const double c = std::abs(std::cos(turn)), s = std::abs(std::sin(turn));
  return {(frame.width() * c + frame.height() * s) / 2, (frame.width() * s + frame.height() * c) / 2};
}

}  // namespace

double coveringScale(const Box& frame, int width, int height, double turn) {
  const Point half = halfExtentAlongPicture(frame, turn);
  return std::max({2 * half.x / width, 2 * half.y / height, 1e-9});
}

Framing coveringFraming(const Box& frame, int width, int height) {
  return {frame.isEmpty() ? Point{} : frame.centre(), coveringScale(frame, width, height, 0), 0};
}

Framing keptCovering(const Framing& framing, const Box& frame, int width, int height) {
  if (frame.isEmpty() || framing.habits.isFree) return framing;
  Framing out = framing;
  out.pointsPerPixel = std::max(framing.pointsPerPixel, coveringScale(frame, width, height, framing.turn));
  const Point half = halfExtentAlongPicture(frame, framing.turn);
  const Point reach{width * out.pointsPerPixel / 2 - half.x, height * out.pointsPerPixel / 2 - half.y};
  const Point offset = Affine::turn(-framing.turn)(out.centre - frame.centre());
  const auto within = [](double v, double r) { return std::clamp(v, -std::max(r, 0.0), std::max(r, 0.0)); };
  out.centre =
      frame.centre() + Affine::turn(framing.turn).vector({within(offset.x, reach.x), within(offset.y, reach.y)});
  return out;
}

Framing refitted(const Framing& framing, const Box& from, const Box& to, int width, int height) {
  if (from.isEmpty() || to.isEmpty()) return framing;
  const double ratio =
      coveringScale(to, width, height, framing.turn) / coveringScale(from, width, height, framing.turn);
  Framing out = framing;
  out.pointsPerPixel *= ratio;
  out.centre = to.centre() + (framing.centre - from.centre()) * ratio;
  return keptCovering(out, to, width, height);
}

Framing fitted(const Framing& framing, const Box& frame, int width, int height, Fit fit, double ppi) {
  if (frame.isEmpty()) return framing;
  Framing out = framing;
  out.centre = frame.centre();
  out.habits.isFree = fit != Fit::Cover;
  // What the turned picture takes up of the frame's width and height, a pixel being a point.
  const double c = std::abs(std::cos(framing.turn)), s = std::abs(std::sin(framing.turn));
  const double across = frame.width() / (width * c + height * s), down = frame.height() / (width * s + height * c);
  constexpr double least = 1e-9;
  switch (fit) {
    case Fit::Cover:
      out.pointsPerPixel = coveringScale(frame, width, height, framing.turn);
      break;
    case Fit::Whole:
      out.pointsPerPixel = std::max(least, std::min(across, down));
      break;
    case Fit::Width:
      out.pointsPerPixel = std::max(least, across);
      break;
    case Fit::Height:
      out.pointsPerPixel = std::max(least, down);
      break;
    case Fit::TruePixels:
      out.pointsPerPixel = 72 / ppi;
      break;
  }
  return out;
}

Framing mirroredIn(const Framing& framing, const Box& frame) {
  Framing out = framing;
  if (!frame.isEmpty()) out.centre.x = 2 * frame.centre().x - framing.centre.x;
  out.turn = -framing.turn;
  out.isMirrored = !framing.isMirrored;
  return out;
}

Framing turnedAbout(const Framing& framing, Point pivot, double turn) {
  Framing out = framing;
  out.centre = pivot + Affine::turn(turn).vector(framing.centre - pivot);
  out.turn += turn;
  return out;
}

Framing moved(const Framing& framing, const Affine& map) {
  Framing out = framing;
  out.centre = map(framing.centre);
  out.pointsPerPixel *= map.meanScale();
  out.turn += map.turnAngle();
  return out;
}

Framing framingOf(const Affine& m, int width, int height, const FramingHabits& habits) {
  const bool isMirrored = m.determinant() < 0;
  const Affine plain = isMirrored ? m * Affine::scale(-1, 1) : m;
  return {m(Point{width / 2.0, height / 2.0}), m.meanScale(), plain.turnAngle(), isMirrored, habits};
}

Affine pixelsToFrame(const Framing& f, int width, int height) {
  const double across = f.isMirrored ? -f.pointsPerPixel : f.pointsPerPixel;
  return Affine::move(f.centre) * Affine::turn(f.turn) * Affine::scale(across, f.pointsPerPixel) *
         Affine::move({-width / 2.0, -height / 2.0});
}

}  // namespace widecut
