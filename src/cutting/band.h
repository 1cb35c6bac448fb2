// The strip beside a contour: what offsets and lines are made of.
#pragma once

#include "cutting/offset.h"
#include "geometry/curve.h"

namespace widecut {

/// Collects closed contours, all turning to growing angles, whose union is the strip beside contours: `left` points
/// wide on the side of growing y where they run to growing x, `right` on the other. Corners and ends are filled as the
/// line shape says.
class Band {
 public:
  Band(double left, double right, const LineShape& shape) : left_(left), right_(right), shape_(shape) {}
  /// From here on contours are taken as they come, turning either way and crossing themselves: enough for their box.
  void keepRaw() { raw_ = true; }

  void addContour(const Contour& contour);
  const Outline& contours() const { return out_; }

 private:
  struct Step {
    Bezier c;
    bool line;
  };
  void addStep(const Step& step);
  void addSide(const Step& step, double distance);
  void addCurvePiece(const Bezier& c, double t0, double t1, double distance, bool regular, int depth);
  void addJoin(Point node, Point before, Point after);
  void addCap(Point node, Point outwards);
  void addFan(Point node, Point from, Point to, double turn);
  void add(Contour contour, bool regular = true);

  double left_, right_;
  const LineShape& shape_;
  bool raw_ = false;
  Outline out_;
};

}  // namespace widecut
