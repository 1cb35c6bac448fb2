#include "scene/scene.h"

#include "cutting/offset.h"
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

/// A straight line as an outline.
Contour stroke(Point a, Point b, double width) {
  const Point along = b - a;
  const Point aside = Point{-along.y, along.x} * (width / 2 / std::max(length(along), 1e-300));
  return polygon({a + aside, b + aside, b - aside, a - aside}).contours.front();
}

}  // namespace

Layer layerOf(const ItemPtr& item, const Media& media) {
  Layer layer{item, {}, {}};
  const auto shape = resolved(*item);
  const Affine toSheet = item->toParent();
  const auto outline = std::make_shared<const Outline>(transformed(shape->outline, toSheet));
  const Style& style = item->style;
  if (outline->isEmpty()) return layer;
  const Box box = bounds(*outline);
  if (style.opacity < 1) layer.commands.push_back(PushGroup{style.opacity});
  const auto photo = shownPhoto(*item, media);
  if (photo) {
    const Affine pixelsToSheet = toSheet * photo->pixelsToFrame;
    auto reached = reachedBy(outline, box, pixelsToSheet, *media.at(photo->medium));
    layer.box = reached == outline ? box : bounds(*reached);
    layer.commands.push_back(ImageInOutline{std::move(reached), photo->medium, pixelsToSheet});
  } else if (style.fill) {
    layer.commands.push_back(FillOutline{outline, *style.fill});
    layer.box = box;
  }
  if (style.line) {
    layer.commands.push_back(StrokeOutline{outline, *style.line});
    LineShape line;
    line.width = style.line->width;
    layer.box.add(lineBounds(*outline, line));
  }
  if (style.opacity < 1) layer.commands.push_back(PopGroup{});
  return layer;
}

std::vector<FillOutline> standIn(const ImageInOutline& picture) {
  std::vector<FillOutline> out{{picture.outline, {0x9a, 0xa6, 0xa8}}};
  const Box box = bounds(*picture.outline);
  if (box.isEmpty()) return out;
  const double width = std::min(box.width(), box.height()) / 40;
  const Outline cross{{stroke(box.corner(0), box.corner(2), width), stroke(box.corner(1), box.corner(3), width)}};
  const Operand operands[] = {{*picture.outline}, {cross}};
  if (const auto map = PlanarMap::of(operands))
    out.push_back({std::make_shared<const Outline>(map->intersect()), {0xbf, 0x3f, 0x26}});
  return out;
}

Scene sceneOf(const Project& project, const Sheet& sheet, double bleed) {
  Scene scene{sheet.width, sheet.height, sheet.paper, {}, bleed};
  for (const ItemPtr& item : sheet.items) {
    if (item->hidden) continue;
    Layer layer = layerOf(item, project.media);
    if (layer.box.touches(scene.area())) scene.layers.push_back(std::move(layer));
  }
  return scene;
}

Scene sceneOfItem(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  if (!item) return {};
  Item placed = mapped(*item, parentToSheet(project, id), project.media);
  const Box box = layerOf(std::make_shared<const Item>(placed), project.media).box;
  if (box.isEmpty()) return {};
  placed.position = placed.position - box.low;
  Scene scene{box.width(), box.height(), {255, 255, 255, 0}, {}, 0};
  scene.layers.push_back(layerOf(std::make_shared<const Item>(std::move(placed)), project.media));
  return scene;
}

}  // namespace widecut
