// The scene as one flat list of commands, for formats that are written from back to front.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// An effect on pixels, of a content that lies there: what `painting/finish` makes of it is laid on the page.
struct EffectPixels {
  std::shared_ptr<const Content> content;
  Affine place;
  std::size_t step = 0;  ///< Of the content's finish.
  Box box;               ///< It paints within it.
  const Effect& effect() const { return content->finish[step].effect; }
};
/// What follows, up to the matching PopGroup, is painted as one, on nothing, and then laid on what is there.
struct PushGroup {
  double opacity = 1;
  Blend blend = Blend::Normal;
  Box box;                              ///< Of all that it paints.
  std::shared_ptr<const Outline> clip;  ///< Only within it, when it is not null.
  std::optional<EffectPixels> fade;     ///< Multiplied by the alpha of these pixels.
};
struct PopGroup {};
using DrawCommand = std::variant<FillOutline, StrokeOutline, PushGroup, PopGroup, ReadLine, EffectPixels>;

/// The commands of all layers, in the scene's space. What one outline draws several times in one place shares it.
std::vector<DrawCommand> drawingOf(const Scene& scene);

}  // namespace widecut
