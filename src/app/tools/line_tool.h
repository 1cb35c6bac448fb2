// Tool 7: straight lines, and measuring lines.
#pragma once

#include "app/desk/desk.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"

namespace widecut {

class LineTool : public Tool {
 public:
  LineTool(Mat& mat, Desk& desk) : Tool(mat, desk), snapper_(mat, desk) {}

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override {
    last_ = pointer;
    now_ = snapper_.resting(pointer, pressed_.onSheet);
  }
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override { now_ = snapper_.resting(pointer); }
  bool key(QKeyEvent& event) override;
  bool wants(const QKeyEvent& key) const override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return Qt::CrossCursor; }

 private:
  struct Ends {
    Point from, to;
  };
  Ends drawn() const;
  Id lay(const Ends& ends);
  /// The entry for length and angle: of the drag, or of a line that was laid.
  void typeDuringDrag(const QKeyEvent& key);

  Snapper snapper_;
  bool drawing_ = false;
  std::optional<Point> typed_;  ///< The way that was typed during the drag.
  Pointer pressed_{};
  Pointer now_{};
  Pointer last_{};  ///< Before it came to rest.
};

/// The way to `to` at the nearest multiple of 45°.
Point atEighths(Point way);
/// The degrees of a way, as people have them: 0 to the right, positive upwards, above −180 up to 180.
double degreesOf(Point way);
/// As in “40 mm at 45°”.
QString textOfWay(const Desk& desk, Point way);

}  // namespace widecut
