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
  if (frame.isEmpty()) return framing;
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

Affine pixelsToFrame(const Framing& f, int width, int height) {
  return Affine::move(f.centre) * Affine::turn(f.turn) * Affine::scale(f.pointsPerPixel, f.pointsPerPixel) *
         Affine::move({-width / 2.0, -height / 2.0});
}

}  // namespace widecut
