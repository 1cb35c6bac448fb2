// Places along a contour, by length.
#pragma once

#include <vector>

#include "geometry/curve.h"
#include "geometry/outline.h"

namespace widecut {

/// A contour measured from its start. Closed ones go on round; on open ones lengths are kept within the line.
class Along {
 public:
  explicit Along(const Contour& contour);

  double length() const { return starts_.back(); }
  bool isClosed() const { return closed_; }
  struct Place {
    Point at;
    Point direction;  ///< Of length 1; to the right where the contour is a single point.
  };
  Place at(double along) const;

 private:
  std::vector<Bezier> curves_;
  std::vector<double> starts_{0};  ///< Lengths up to each curve, and of all of them.
  Point start_;
  bool closed_;
};

}  // namespace widecut
