// Tool 1: select, move, resize, turn; and the parts of a selected cutout.
#pragma once

#include "app/desk/carrying.h"
#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "app/mat/selection_frame.h"
#include "app/mat/selection_picture.h"
#include "app/tools/item_grips.h"
#include "app/tools/snapper.h"
#include "app/tools/tool.h"

namespace widecut {

class SelectTool : public Tool {
 public:
  SelectTool(Mat& mat, Desk& desk);
  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  void doubleClick(const Pointer& pointer) override;
  void choose(const Pointer& pointer) override;
  void cancelDrag() override;
  bool key(QKeyEvent& event) override;
  void putAway() override;
  bool wheel(const Pointer& pointer, double steps) override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override;

 private:
  /// Ghosts of parts that nothing is done to, and what they were painted of.
  struct StillGhosts {
    std::vector<ItemPtr> parts;  ///< Null for those that are not in the image.
    std::vector<Role> roles;
    Affine frame;
    QTransform mat;
    QImage image;
    bool isLike(const StillGhosts& other) const {
      return parts == other.parts && roles == other.roles && frame == other.frame && mat == other.mat;
    }
  };
  enum class Doing : unsigned char { Nothing, Pressed, Moving, Gripping, OwnGrip, Pivoting, Marquee };

  /// What a press here would take hold of: a part of the selected cutout, an item, or nothing.
  Id targetAt(const Pointer& pointer) const;
  Id targetBelow(const Pointer& pointer) const;
  /// Whether something that is selected lies here, on top or not.
  bool isOnSelected(const Pointer& pointer) const;
  /// Whether an item covers the whole sheet.
  bool fillsSheet(Id item) const;
  bool isOnResult(const Item& cutout, Point onSheet) const;
  double reach() const;
  std::optional<Grip> frameGripAt(const Pointer& pointer) const;
  bool isPivotSet() const;
  bool isOnPivot(const Pointer& pointer) const;
  void beginMoving();
  void showMoved(Point by, bool copies);
  /// Where a grip is dragged to once it came to rest.
  Pointer atRest(const Pointer& pointer);
  Point regularRest(Point grip, Point opposite, Point to, const Pointer& pointer);
  /// Off the mat the selection is carried, as from the stack. True while it is.
  bool carry(const Pointer& pointer);
  void noteGripped(const QString& name, Qt::KeyboardModifiers keys);
  void paintGhost(QPainter& painter, const Item& part, Role role, bool hot) const;
  void paintGhosts(QPainter& painter, const Item& cutout);
  void paintSelection(QPainter& painter, bool moving);
  void stop();

  /// The handles that the selected item has of its own, and the one of them that is held.
  std::vector<std::unique_ptr<ItemGrips>> own_;
  ItemGrips* held_ = nullptr;
  ItemGrips* hot_ = nullptr;
  Trial trial_;
  Snapper snapper_;
  Doing doing_ = Doing::Nothing;
  Pointer pressed_{};
  Pointer now_{};
  Point movedBy_;
  std::vector<Id> moving_;  ///< What of the selection moves: what is locked stays.
  Carrying carrying_;
  bool carriedWell_ = false;  ///< What it is carried over would take it.
  std::vector<Id> copies_;    ///< The copies that a drag makes.
  SelectionPicture picture_;
  StillGhosts ghosts_;
  Id hovered_ = 0;
  bool wasSelected_ = false;
  bool isOnSelected_ = false, isOnGround_ = false;  ///< Of what is pressed; see press().
  Pivot pivotBefore_;
  bool onPivot_ = false;
  std::optional<Grip> grip_;
  Affine gripped_;  ///< Of the sheet, by the drag of a grip.
  std::optional<SelectionFrame> frame_;
};

}  // namespace widecut
