// The scene: one sheet as a flat list of plain draw commands.
#pragma once

#include "project/model.h"

namespace widecut {

// Every outline below is in sheet space and filled by the nonzero rule.

struct FillOutline {
  std::shared_ptr<const Outline> outline;
  Colour colour;
};
struct StrokeOutline {
  std::shared_ptr<const Outline> outline;
  Line line;
};
/// The picture shows inside the outline, and only where there is a picture.
struct ImageInOutline {
  std::shared_ptr<const Outline> outline;
  std::string medium;
  Affine pixelsToSheet;
};
/// What follows, up to the matching PopGroup, is painted as one and then made see-through.
struct PushGroup {
  double opacity;
};
struct PopGroup {};

using DrawCommand = std::variant<FillOutline, StrokeOutline, ImageInOutline, PushGroup, PopGroup>;

/// The commands of one item, with the box that they paint in.
struct Layer {
  ItemPtr item;
  Box box;
  std::vector<DrawCommand> commands;
};

struct Scene {
  double width = 0, height = 0;  ///< Sheet size in points.
  Colour paper;
  std::vector<Layer> layers;  ///< Back to front.
  double bleed = 0;           ///< Points beyond every edge that are delivered too.
  Box area() const { return Box{{0, 0}, {width, height}}.grown(bleed); }
};

/// The layer of one item whose parent space is the sheet.
Layer layerOf(const ItemPtr& item, const Media& media);
/// What stands in the place of a picture that cannot be decoded, alike in every format: a plain tone with a cross.
std::vector<FillOutline> standIn(const ImageInOutline& picture);
/// The sheet's visible items that reach into it, or into `bleed` points round it.
Scene sceneOf(const Project& project, const Sheet& sheet, double bleed = 0);
/// One item alone (a part too, in its place on the sheet) on a transparent ground of its own size: the
/// scene's origin is the top left of what the item paints.
Scene sceneOfItem(const Project& project, Id item);

}  // namespace widecut
