#include "geometry/along.h"

#include <algorithm>
#include <cmath>

namespace widecut {

Along::Along(const Contour& contour) : start_(contour.start), closed_(contour.closed) {
  Point from = contour.start;
  const auto add = [&](const Segment& segment) {
    const Bezier curve = asCubic(from, segment);
    from = segment.end;
    const double length = arcLength(curve);
    if (!(length > 0)) return;
    curves_.push_back(curve);
    starts_.push_back(starts_.back() + length);
  };
  for (const Segment& segment : contour.segments) add(segment);
  if (closed_ && from != contour.start) add(Segment::line(contour.start));
}

Along::Place Along::at(double along) const {
  if (curves_.empty()) return {start_, {1, 0}};
  if (closed_) along -= std::floor(along / length()) * length();
  along = std::clamp(along, 0.0, length());
  const auto after = std::upper_bound(starts_.begin() + 1, starts_.end() - 1, along);
  const auto i = static_cast<std::size_t>(after - starts_.begin()) - 1;
  const double t = parameterAtLength(curves_[i], along - starts_[i]);
  return {pointOn(curves_[i], t), direction(curves_[i], t)};
}

}  // namespace widecut
