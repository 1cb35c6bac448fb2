// Handles of paint on the mat: a gradient's line, ends and stops, the end of a shadow, the surface of a level.
#pragma once

#include <optional>

#include "app/tools/item_grips.h"
#include "cutting/level_line.h"

namespace widecut {

/// Of the chosen fill's gradient, while the bench shows it; of the frontmost shadow, while the bench shows the finish;
/// and of the frontmost level of the selected item.
class PaintGrips : public ItemGrips {
 public:
  using ItemGrips::ItemGrips;

  bool hover(const Pointer& pointer) override;
  bool press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release() override;
  bool isHeld() const override { return held_.has_value(); }
  void paint(QPainter& painter) const override;
  QString hint() const override;

 protected:
  void letGo() override;

 private:
  enum class What : unsigned char { From, To, Across, Stop, Shadow, Level };
  struct Handle {
    What what;
    std::size_t stop = 0;
    Point at;  ///< On the sheet.
  };
  struct Laid;  ///< The gradient, and where it lies.
  /// The surface of a level, in the frame space of the item that it stands in.
  struct Surface {
    ItemPtr item;
    FillLevel level;
    LevelLine line;
    Affine toSheet;
  };

  std::optional<Laid> laid(const Project& project) const;
  std::vector<Handle> handles() const;
  std::optional<std::size_t> shadowOf(const Item& item) const;
  std::optional<Handle> handleAt(const Pointer& pointer) const;
  void dragShadow(const Pointer& pointer);
  const Surface* surface() const;
  void dragLevel(const Pointer& pointer);

  std::optional<Handle> held_, hot_;
  mutable std::optional<Surface> surface_;  ///< As it was worked out last.
};

}  // namespace widecut
