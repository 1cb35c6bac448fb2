#include "scene/scene.h"

#include "cutting/planar_map.h"
#include "project/edits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The part of the outline that the picture reaches: usually all of it, and then the same object.
std::shared_ptr<const Outline> reachedBy(std::shared_ptr<const Outline> outline, const Box& box,
                                         const Affine& pixelsToSheet, const Medium& medium) {
  const auto back = pixelsToSheet.inverse();
  if (!back) return std::make_shared<const Outline>();
  const Box pixels{{0, 0}, {double(medium.width), double(medium.height)}};
  if (pixels.grown(0.01 * std::max(medium.width, medium.height) / 1000).contains((*back)(box))) return outline;
  std::vector<Point> quad;
  quad.reserve(4);
  for (int i = 0; i < 4; ++i) quad.push_back(pixelsToSheet(pixels.corner(i)));
  const Operand operands[] = {{*outline}, {polygon(quad)}};
  const auto map = PlanarMap::of(operands);
  return std::make_shared<const Outline>(map ? map->intersect() : Outline{});
}

/// How far a mitred line reaches beyond its outline (limit 4).
double reachOf(const Line& line) { return line.width / 2 * 4; }

}  // namespace

Layer layerOf(const ItemPtr& item, const Media& media) {
  Layer layer{item, {}, {}};
  const auto shape = resolved(*item);
  const Affine toSheet = item->toParent();
  const auto outline = std::make_shared<const Outline>(transformed(shape->outline, toSheet));
  const Style& style = item->style;
  if (outline->isEmpty()) return layer;
  layer.box = bounds(*outline);
  if (style.opacity < 1) layer.commands.push_back(PushGroup{style.opacity});
  const auto photo = shownPhoto(*item, media);
  if (photo) {
    const Affine pixelsToSheet = toSheet * photo->pixelsToFrame;
    layer.commands.push_back(ImageInOutline{reachedBy(outline, layer.box, pixelsToSheet, *media.at(photo->medium)),
                                            photo->medium, pixelsToSheet});
  } else if (style.fill) {
    layer.commands.push_back(FillOutline{outline, *style.fill});
  }
  if (style.line) {
    layer.commands.push_back(StrokeOutline{outline, *style.line});
    layer.box = layer.box.grown(reachOf(*style.line));
  }
  if (style.opacity < 1) layer.commands.push_back(PopGroup{});
  return layer;
}

Scene sceneOf(const Project& project, const Sheet& sheet) {
  Scene scene{sheet.width, sheet.height, sheet.paper, {}};
  for (const ItemPtr& item : sheet.items)
    if (!item->hidden) scene.layers.push_back(layerOf(item, project.media));
  return scene;
}

Scene sceneOfItem(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  if (!item) return {};
  Item placed = mapped(*item, parentToSheet(project, id), project.media);
  const Box box = layerOf(std::make_shared<const Item>(placed), project.media).box;
  if (box.isEmpty()) return {};
  placed.position = placed.position - box.low;
  Scene scene{box.width(), box.height(), {255, 255, 255, 0}, {}};
  scene.layers.push_back(layerOf(std::make_shared<const Item>(std::move(placed)), project.media));
  return scene;
}

}  // namespace widecut
