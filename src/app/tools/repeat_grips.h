// The handles of a repeat on the mat.
#pragma once

#include <optional>

#include "app/tools/item_grips.h"
#include "app/tools/snapper.h"
#include "project/forms/repeat.h"

namespace widecut {

/// A diamond that lays the copies out, whose wheel counts them, and a dot on every copy: a click leaves that copy out
/// or shows it again, Shift chooses it, a drag and the wheel reframe its photo alone.
class RepeatGrips : public ItemGrips {
 public:
  RepeatGrips(Mat& mat, Desk& desk) : ItemGrips(mat, desk), snapper_(mat, desk) {}

  bool hover(const Pointer& pointer) override;
  bool press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release() override;
  bool isHeld() const override { return held_.has_value(); }
  bool wheel(const Pointer& pointer, double steps) override;
  void paint(QPainter& painter) const override;
  QString hint() const override;

 protected:
  void letGo() override;

 private:
  /// A copy's dot, or −1 for the diamond.
  using Handle = int;
  static constexpr Handle diamond = -1;

  /// The selected repeat; null when there is none that may be changed.
  ItemPtr item() const;
  /// The places of all copies' middles on the sheet; none when their dots would crowd.
  std::vector<Point> dots(const Item& item) const;
  /// Where the diamond is, on the sheet.
  std::optional<Point> layoutPlace(const Item& item) const;
  /// How far it lies off what it lays out.
  Point offset(const Item& item) const;
  std::optional<Handle> handleAt(const Pointer& pointer) const;
  /// The picture of one copy moved, in the frame of the item that shows it.
  Project reframed(Handle copy, const Affine& sheetMap) const;
  bool hasPhoto(const Item& item, Handle copy) const;

  Snapper snapper_;
  std::optional<Handle> held_, hot_;
  Pointer pressed_{};
  bool moved_ = false;
  Point heldOff_;
  Point by_;  ///< How far all of it was moved.
};

}  // namespace widecut
