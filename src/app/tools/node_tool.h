// Tool 2: nodes, handles and edges.
#pragma once

#include <QElapsedTimer>

#include "app/desk/desk.h"
#include "app/desk/reshape.h"
#include "app/desk/trial.h"
#include "app/mat/selection_frame.h"
#include "app/tools/axis_line.h"
#include "app/tools/corner_arcs.h"
#include "app/tools/node_marks.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"

namespace widecut {

/// Reshapes the selected items, and the parts of selected cutouts. What a click would do is drawn before it: the node
/// that would appear, the edge that would bend, the handle that would move.
class NodeTool : public Tool {
 public:
  NodeTool(Mat& mat, Desk& desk) : Tool(mat, desk), trial_(desk), snapper_(mat, desk) {}

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  void doubleClick(const Pointer& pointer) override;
  void choose(const Pointer& pointer) override;
  bool key(QKeyEvent& event) override;
  bool wants(const QKeyEvent& event) const override;
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override;

 private:
  enum class Doing : unsigned char {
    Nothing,
    Pressed,
    MovingNodes,
    MovingHandle,
    PullingHandle,
    Bending,
    Cornering,
    Gripping,
    MovingAxis,
    TurningAxis,
    Marquee
  };

  std::vector<ItemPtr> items() const;
  /// The items with an arc in each corner.
  std::vector<ItemPtr> cornered() const;
  std::optional<NodeHit> hitAt(const Pointer& pointer) const;
  /// Round the chosen nodes, where there are several; a little larger than they need.
  std::optional<SelectionFrame> frame() const;
  /// False, and the person is asked, when the item is a starter and that was not agreed yet.
  bool mayReshape(Id item);
  bool mayReshapeChosen();
  void begin();
  void moveNodes(const Pointer& pointer);
  void pull(const Pointer& pointer);
  void moveAxis(const Pointer& pointer);
  void click(const Pointer& pointer);
  void noteCorner();
  QString labelNow() const;
  void stop();

  Trial trial_;
  Snapper snapper_;
  Doing doing_ = Doing::Nothing;
  Pointer pressed_{}, now_{};
  Point movedBy_;
  std::optional<NodeHit> hot_, held_;
  std::optional<OpenEnd> end_;    ///< That the dragged one would be joined to here.
  std::optional<NodeHit> added_;  ///< By the last click.
  QElapsedTimer sinceAdded_;
  bool wasChosen_ = false;  ///< What is pressed, before it was.
  std::optional<AxisHit> axis_;
  std::optional<CornerHit> corner_;
  std::optional<Grip> grip_;
  std::optional<SelectionFrame> gripped_;
};

}  // namespace widecut
