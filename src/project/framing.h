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
/// How a picture is fitted into its frame.
enum class Fit : unsigned char { Cover, Whole, Width, Height, TruePixels };
/// The framing fitted, in the middle of the frame, turned as it is. All but Cover may leave some of the frame empty.
/// `ppi` (> 0) counts for true pixels.
Framing fitted(const Framing& framing, const Box& frame, int width, int height, Fit fit, double ppi);
/// The framing with what is seen mirrored left to right in the frame.
Framing mirroredIn(const Framing& framing, const Box& frame);
/// The framing turned about a point of the frame's space, by radians clockwise.
Framing turnedAbout(const Framing& framing, Point pivot, double turn);
/// The framing after a similarity of the space that it is in.
Framing moved(const Framing& framing, const Affine& map);
/// The framing that lays pixels like that map, but for shear and stretch.
Framing framingOf(const Affine& pixelsToFrame, int width, int height, const FramingHabits& habits = {});
/// From pixels (origin at the picture's top left) to the frame's space.
Affine pixelsToFrame(const Framing& framing, int width, int height);

}  // namespace widecut
