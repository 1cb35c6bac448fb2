// Tool 3: the pen, and the free hand.
#pragma once

#include "app/desk/desk.h"
#include "app/desk/pen.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"
#include "shapes/nodes.h"

namespace widecut {

/// Lays outlines down node by node, or as a stroke is drawn. The next edge shows before the click that makes it.
class PenTool : public Tool {
 public:
  PenTool(Mat& mat, Desk& desk);

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override { now_ = atRest(pointer); }
  void doubleClick(const Pointer& pointer) override;
  void cancelDrag() override;
  bool key(QKeyEvent& event) override;
  bool wants(const QKeyEvent& event) const override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override { return Qt::CrossCursor; }

 private:
  /// An open path of an item that is drawn on.
  struct Continued {
    Id item = 0;
    std::size_t path = 0;
  };
  bool isFreehand() const { return desk_.pen.mode == PenMode::Freehand; }
  bool isOver(Point onSheet, const Pointer& pointer) const;
  /// True when a press here would close the path.
  bool closesAt(const Pointer& pointer) const;
  /// Takes up the open end that lies here.
  bool continueAt(const Pointer& pointer);
  /// Where a press makes the next node: with Shift at steps of 45° from the last one.
  Point placeFor(const Pointer& pointer) const;
  /// The pointer where it comes to rest: at what lies on the sheet, and at the nodes so far.
  Pointer atRest(const Pointer& pointer);
  /// The nodes so far as a path on the sheet; through them smoothly, where that is asked for.
  NodePath pathOf(std::vector<Node> nodes, bool closed) const;
  /// With the next edge, as it would be.
  NodePath shown() const;
  void finish(bool closed);
  void finishStroke();
  void lay(const NodePath& onSheet);
  void clear();
  /// What is drawn so far waits to be taken up again.
  void leave();

  Snapper snapper_;
  std::size_t rested_ = 0;          ///< How many nodes it knows.
  std::vector<Node> nodes_, left_;  ///< On the sheet; what was left away by Escape can be taken up again.
  std::vector<Node> before_;        ///< As they were before the press that is held.
  std::optional<Continued> continued_;
  std::vector<Point> stroke_;
  bool pressing_ = false, closing_ = false;
  Pointer pressed_{}, now_{};
};

}  // namespace widecut
