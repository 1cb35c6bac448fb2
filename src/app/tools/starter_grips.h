// The handles of a starter's numbers on the mat.
#pragma once

#include <optional>

#include "app/tools/item_grips.h"

namespace widecut {

class Starter;

/// Diamonds at the telling places of a starter. A drag changes a number, or two; a wheel what the kind counts.
class StarterGrips : public ItemGrips {
 public:
  using ItemGrips::ItemGrips;

  bool hover(const Pointer& pointer) override;
  bool press(const Pointer& pointer) override;
  bool needsRoom() const override { return true; }
  void drag(const Pointer& pointer) override;
  void release() override;
  bool isHeld() const override { return held_.has_value(); }
  bool wheel(const Pointer& pointer, double steps) override;
  void paint(QPainter& painter) const override;
  QString hint() const override;

 protected:
  void letGo() override;

 private:
  struct Held {
    Id item;
    std::size_t handle;
  };
  /// The selected starter; null when there is none that may be changed, or it is too small on the mat for handles.
  ItemPtr item() const;
  QPointF placeOf(const Item& item, std::size_t handle) const;
  std::optional<std::size_t> handleAtPointer(const Pointer& pointer) const;
  /// As in “depth 34 %, twist 10 %”.
  QString numbersOf(const Starter& starter, std::size_t handle) const;

  std::optional<Held> held_;
  std::optional<std::size_t> hot_;
};

}  // namespace widecut
