// Tool 0: parts items along a drawn stroke.
#pragma once

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"
#include "project/model.h"

namespace widecut {

class KnifeTool : public Tool {
 public:
  KnifeTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk), snapper_(mat, desk) {}
  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  bool key(QKeyEvent& event) override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return Qt::CrossCursor; }

 private:
  /// The stroke so far, in sheet space: straight, or as drawn while Alt is held.
  Outline stroke() const;
  /// What would be cut: the selected items, or those that the stroke crosses.
  std::vector<Id> targets() const;
  void look(const Pointer& pointer);

  Trial trial_;
  Snapper snapper_;
  bool drawing_ = false;
  bool freehand_ = false;
  std::vector<Point> points_;
  Point now_{};
  std::size_t pieces_ = 0;
};

}  // namespace widecut
