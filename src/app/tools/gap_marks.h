// Gaps round the selection on the mat, as numbers that are typed into.
#pragma once

#include <optional>

#include "app/tools/item_grips.h"
#include "scene/gaps.h"

namespace widecut {

/// A line with its length at every side of the selection; a click on the number opens it, and the selection moves.
class GapMarks : public ItemGrips {
 public:
  using ItemGrips::ItemGrips;

  bool hover(const Pointer& pointer) override;
  bool press(const Pointer& pointer) override;
  void drag(const Pointer&) override {}
  void release() override { letGo(); }
  bool isHeld() const override { return held_; }
  void paint(QPainter& painter) const override;
  QString hint() const override;

 protected:
  void letGo() override { held_ = false; }

 private:
  std::vector<Gap> gaps() const;
  QRectF label(const Gap& gap) const;
  std::optional<Gap> at(const Pointer& pointer) const;

  bool held_ = false;
  std::optional<QRectF> hot_;
};

}  // namespace widecut
