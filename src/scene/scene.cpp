#include "scene/scene.h"

#include <unordered_set>

#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "project/edits/places.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/node_memo.h"
#include "project/resolve.h"

namespace widecut {
namespace {

/// The part of the outline that the picture reaches: usually all of it, and then the same object.
std::shared_ptr<const Outline> reachedBy(std::shared_ptr<const Outline> outline, const Box& box,
                                         const Affine& toOutline, const Medium& medium) {
  const auto back = toOutline.inverse();
  if (!back) return std::make_shared<const Outline>();
  const Box pixels{{0, 0}, {double(medium.width), double(medium.height)}};
  if (pixels.grown(0.01 * std::max(medium.width, medium.height) / 1000).contains((*back)(box))) return outline;
  std::vector<Point> quad;
  quad.reserve(4);
  for (int i = 0; i < 4; ++i) quad.push_back(toOutline(pixels.corner(i)));
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

/// What the item's own style paints of its outline.
void addMarks(const Item& item, Content& content) {
  const Style& style = *item.style;
  if (style.fills.empty() && style.lines.empty()) return;
  const auto shape = resolved(item);
  if (shape->outline.isEmpty()) return;
  const std::shared_ptr<const Outline> outline(shape, &shape->outline);
  for (const Fill& fill : style.fills) {
    if (!fill.shown) continue;
    if (const auto* colour = std::get_if<Colour>(&fill.paint)) {
      content.under.emplace_back(FillOutline{outline, *colour, fill.opacity});
      content.box.add(shape->box);
    } else if (auto photo = photoIn(item, fill)) {
      auto reached = reachedBy(outline, shape->box, photo->pixelsToFrame, *photo->medium);
      content.box.add(reached == outline ? shape->box : bounds(*reached));
      content.under.emplace_back(
          FillOutline{std::move(reached), PictureBrush{std::move(photo->medium), photo->pixelsToFrame}, fill.opacity});
    }
  }
  for (const Line& line : style.lines) {
    content.over.emplace_back(StrokeOutline{outline, line});
    LineShape drawn;
    drawn.width = line.width;
    content.box.add(lineBounds(*outline, drawn));
  }
}

/// The lines of words, or of those that a cutout is made of.
void addRead(const Item& item, const Affine& place, std::vector<ReadLine>& read) {
  for (const ItemPtr& child : childrenOf(item))
    if (!child->hidden) addRead(*child, place * child->toParent(), read);
  const Words* words = wordsOf(item);
  if (!words) return;
  const SetWords& set = words->set();
  const Words::Content& content = words->content();
  for (std::size_t i = 0; i < set.shown; ++i) {
    const SetLine& line = set.lines[i];
    if (line.from == line.to) continue;
    ReadLine out{content.text.substr(line.from, line.to - line.from), line.stops, content.style.size,
                 place * content.stretch * Affine::move(line.start)};
    for (CaretStop& stop : out.stops) stop.at -= line.from;
    read.push_back(std::move(out));
  }
}

std::shared_ptr<const Content> contentOf(const Item& item) {
  static NodeMemo<Content, 2> memo;
  const NodeMemo<Content, 2>::Nodes nodes{nodeOf(item.form), item.style};
  if (auto known = memo.find(nodes)) return known;
  auto content = std::make_shared<Content>();
  addMarks(item, *content);
  const bool isPainted = !content->under.empty() || !content->over.empty();
  if (isPainted && !showsChildren(item.form)) addRead(item, {}, content->read);
  for (const auto& [number, copy] : copiesOf(item.form))
    for (const ItemPtr& child : shownIn(item.form, number)) {
      if (!child->isDelivered()) continue;
      Layer layer = layerOf(child);
      layer.place = copy * layer.place;
      content->box.add(layer.box());
      content->inside.push_back(std::move(layer));
    }
  memo.keep(nodes, content);
  return content;
}

void addTightly(const Layer& layer, const Affine& parent, Box& box) {
  const Affine place = parent * layer.place;
  const auto add = [&](const std::vector<Mark>& marks) {
    for (const Mark& mark : marks) {
      const auto* drawn = std::get_if<StrokeOutline>(&mark);
      const Outline outline = transformed(drawn ? *drawn->outline : *std::get<FillOutline>(mark).outline, place);
      LineShape line;
      if (drawn) line.width = drawn->line.width * place.meanScale();
      box.add(drawn ? lineBounds(outline, line) : bounds(outline));
    }
  };
  add(layer.content->under);
  for (const Layer& inner : layer.content->inside) addTightly(inner, place, box);
  add(layer.content->over);
}

void gatherPhotos(const Content& content, std::unordered_set<std::string>& seen, std::vector<MediumPtr>& found) {
  for (const Mark& mark : content.under) {
    const auto* fill = std::get_if<FillOutline>(&mark);
    const auto* picture = fill ? std::get_if<PictureBrush>(&fill->brush) : nullptr;
    if (picture && seen.insert(picture->medium->hash).second) found.push_back(picture->medium);
  }
  for (const Layer& inner : content.inside) gatherPhotos(*inner.content, seen, found);
}

}  // namespace

Layer layerOf(const ItemPtr& item) { return {item, contentOf(*item), item->toParent(), item->style->opacity}; }

Box tightBox(const Layer& layer) {
  Box box;
  addTightly(layer, {}, box);
  return box;
}

std::vector<FillOutline> standIn(const FillOutline& picture) {
  std::vector<FillOutline> out{{picture.outline, Colour{0x9a, 0xa6, 0xa8}, picture.opacity}};
  const Box box = bounds(*picture.outline);
  if (box.isEmpty()) return out;
  const double width = std::min(box.width(), box.height()) / 40;
  const Outline cross{{stroke(box.corner(0), box.corner(2), width), stroke(box.corner(1), box.corner(3), width)}};
  const Operand operands[] = {{*picture.outline}, {cross}};
  if (const auto map = PlanarMap::of(operands))
    out.push_back({std::make_shared<const Outline>(map->intersect()), Colour{0xbf, 0x3f, 0x26}, picture.opacity});
  return out;
}

Scene sceneOf(const Sheet& sheet, double bleed) {
  Scene scene{sheet.width, sheet.height, sheet.paper, {}, bleed};
  for (const ItemPtr& item : sheet.items) {
    if (!item->isDelivered()) continue;
    Layer layer = layerOf(item);
    if (layer.box().touches(scene.area())) scene.layers.push_back(std::move(layer));
  }
  return scene;
}

std::vector<MediumPtr> photosIn(const Scene& scene) {
  std::unordered_set<std::string> seen;
  std::vector<MediumPtr> found;
  for (const Layer& layer : scene.layers) gatherPhotos(*layer.content, seen, found);
  return found;
}

Scene sceneOfItem(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  if (!item) return {};
  Item placed = mapped(*item, parentToSheet(project, id));
  const Box box = tightBox(layerOf(std::make_shared<const Item>(placed)));
  if (box.isEmpty()) return {};
  placed.position = placed.position - box.low;
  Scene scene{box.width(), box.height(), {255, 255, 255, 0}, {}, 0};
  scene.layers.push_back(layerOf(std::make_shared<const Item>(std::move(placed))));
  return scene;
}

}  // namespace widecut
