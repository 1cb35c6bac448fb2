// The scene as one flat list of commands, for formats that are written from back to front.
#pragma once

#include "project/forms/words.h"
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
/// Words on straight lines, in one flat colour. Formats that keep text write its letters; others fill their outline,
/// and may say what is read there.
struct FillWords {
  FillOutline fill;
  std::shared_ptr<const Words> words;
  Affine place;  ///< From the space in which the words are set.
  std::vector<ReadLine> read;
};
using DrawCommand = std::variant<FillOutline, StrokeOutline, PushGroup, PopGroup, ReadLine, EffectPixels, FillWords>;

/// The commands of all layers, in the scene's space. What one outline draws several times in one place shares it.
std::vector<DrawCommand> drawingOf(const Scene& scene);

}  // namespace widecut
