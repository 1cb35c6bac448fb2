// The scene as one flat list of commands, for formats that are written from back to front.
#pragma once

#include "scene/scene.h"

namespace widecut {

/// What follows, up to the matching PopGroup, is painted as one and then made see-through.
struct PushGroup {
  double opacity;
  Box box;  ///< Of all that it paints.
};
struct PopGroup {};
using DrawCommand = std::variant<FillOutline, StrokeOutline, PushGroup, PopGroup, ReadLine>;

/// The commands of all layers, in the scene's space. What one outline draws several times in one place shares it.
std::vector<DrawCommand> drawingOf(const Scene& scene);

}  // namespace widecut
