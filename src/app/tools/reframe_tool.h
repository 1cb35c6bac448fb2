// Tool 9: move and scale the picture inside its frame.
#pragma once

#include <QTimer>

#include <memory>
#include <optional>
#include "app/desk/desk.h"
#include "app/tools/tool.h"
#include "geometry/affine.h"

#include "app/desk/trial.h"
#include "project/model.h"

namespace widecut {

class ReframeTool : public Tool {
 public:
  ReframeTool(Mat& mat, Desk& desk);
  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  bool wheel(const Pointer& pointer, double steps) override;
  void cancelDrag() override;
  bool key(QKeyEvent& event) override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override;

 private:
  /// The picture being reframed and its place on the sheet.
  struct Picture {
    MediumPtr medium;
    AdjustmentsPtr adjustments;
    Affine pixelsToSheet;
    int width = 0, height = 0;
    Point corner(int index) const;
  };
  std::optional<Picture> picture() const;
  std::optional<int> cornerAt(QPointF onMat) const;
  void settle();
  void settleHorizon();
  void settleZone();
  bool marks(const Pointer& pointer) const;
  void noteReframed(const Affine& map);

  Trial trial_;
  bool dragging_ = false;
  std::optional<int> corner_;
  Pointer pressed_{};
  std::optional<std::pair<Point, Point>> horizon_;  ///< Being drawn, on the sheet.
  /// A zone that is being marked: two corners of the box around it, in pixels of the photo.
  std::optional<std::pair<Point, Point>> zone_;
  Affine reframed_;  ///< Of the sheet, by the drag.
  Affine wheeled_;
  QTimer wheelEnd_;
};

}  // namespace widecut
