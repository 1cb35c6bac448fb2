// Pictures inside frames: covering, scaling, keeping in place.
#pragma once

#include "project/model.h"

namespace widecut {

/// The smallest scale (points per pixel) at which a width × height picture, turned by `turn`, covers the
/// box when centred on it.
double coveringScale(const Box& frame, int width, int height, double turn);
/// The framing that just covers the frame, centred and upright.
Framing coveringFraming(const Box& frame, int width, int height);
/// The framing nearest to this one that covers the frame: scaled up about its centre if too small, then
/// shifted as little as needed.
Framing keptCovering(const Framing& framing, const Box& frame, int width, int height);
/// The framing after its frame changed from one box to another: the same pixel stays in the middle of the
/// frame, and the scale keeps its ratio to the covering scale.
Framing refitted(const Framing& framing, const Box& from, const Box& to, int width, int height);
/// From pixels (origin at the picture's top left) to the frame's space.
Affine pixelsToFrame(const Framing& framing, int width, int height);

}  // namespace widecut
