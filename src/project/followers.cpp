#include "project/followers.h"

#include "cutting/offset.h"
#include "geometry/affine.h"
#include "shapes/corners.h"

namespace widecut {

std::optional<FollowerShape> followerShape(const Effect& effect, const Outline& outline, const Box& box) {
  const auto& n = effect.numbers;
  if (box.isEmpty()) return std::nullopt;
  switch (effect.kind) {
    case EffectKind::TintedCopy:
      return FollowerShape{outline, 0};
    case EffectKind::PanelBehind: {
      const Box panel = box.grown(n[0]);
      if (!(panel.width() > 0 && panel.height() > 0)) return std::nullopt;
      NodePaths paths = nodesOf(polygon({panel.corner(0), panel.corner(1), panel.corner(2), panel.corner(3)}));
      for (NodePath& path : paths)
        for (Node& node : path.nodes) node.corner = {static_cast<CornerKind>(static_cast<int>(n[1])), n[2]};
      return FollowerShape{treatedOutline(paths).outline, 0};
    }
    case EffectKind::OutlineCopy: {
      Outline copy = outline;
      if (n[0] != 0) {
        auto grown = offset({copy}, n[0], Join::Round);
        if (!grown || grown->isEmpty()) return std::nullopt;
        copy = std::move(*grown);
      }
      return FollowerShape{transformed(copy, Affine::turn(radians(n[2])).about(box.centre())), n[1]};
    }
    default:
      return std::nullopt;
  }
}

}  // namespace widecut
