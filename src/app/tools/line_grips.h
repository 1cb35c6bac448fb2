// The ends of a straight line on the mat.
#pragma once

#include <optional>

#include "app/tools/item_grips.h"
#include "app/tools/snapper.h"

namespace widecut {

/// A disc at each end of a line: one is dragged, with Alt both; Shift keeps to steps of 45°.
class LineGrips : public ItemGrips {
 public:
  LineGrips(Mat& mat, Desk& desk) : ItemGrips(mat, desk), snapper_(mat, desk) {}

  bool hover(const Pointer& pointer) override;
  bool press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release() override;
  bool isHeld() const override { return held_.has_value(); }
  bool replaceFrame() const override { return ends().has_value(); }
  void paint(QPainter& painter) const override;
  QString hint() const override;

 protected:
  void letGo() override;

 private:
  Snapper snapper_;
  /// On the sheet; nothing when no line is selected that may be changed.
  std::optional<std::pair<Point, Point>> ends() const;
  std::optional<int> endAt(const Pointer& pointer) const;

  std::optional<int> held_, hot_;  ///< 0 is where the line starts, 1 where it ends.
  std::pair<Point, Point> before_;
};

}  // namespace widecut
