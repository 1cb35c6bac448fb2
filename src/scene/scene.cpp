#include "scene/scene.h"

#include <algorithm>
#include <map>
#include <unordered_set>

#include "cutting/offset.h"
#include "cutting/planar_map.h"
#include "geometry/stop_point.h"
#include "project/budgets.h"
#include "project/edits/levels.h"
#include "project/edits/places.h"
#include "project/forms/words.h"
#include "project/lookup.h"
#include "project/node_memo.h"
#include "project/resolve.h"
#include "scene/flush.h"
#include "scene/letters.h"
#include "scene/line_marks.h"
#include "scene/own_marks.h"
#include "scene/read_lines.h"

namespace widecut {
namespace {

/// A straight line as an outline.
Contour stroke(Point a, Point b, double width) {
  const Point along = b - a;
  const Point aside = Point{-along.y, along.x} * (width / 2 / std::max(length(along), 1e-300));
  return polygon({a + aside, b + aside, b - aside, a - aside}).contours.front();
}

Box boxOf(const Mark& mark) {
  if (const auto* stroke = std::get_if<StrokeOutline>(&mark)) return lineBounds(*stroke->outline, stroke->line.shape);
  if (const auto* group = std::get_if<MarkGroup>(&mark)) return bounds(*group->clip);
  if (const auto* letters = std::get_if<FillLetters>(&mark)) return boxOf(*letters);
  return bounds(*std::get<FillOutline>(mark).outline);
}

/// Effects and followers, and how far they make the content reach.
void addFinish(const Item& item, Content& content) {
  content.body = content.box;
  for (const Effect& effect : item.style->effects) {
    if (!effect.shown) continue;
    FinishStep step{effect, {}};
    if (!declarationOf(effect.kind).isPixels) {
      const auto shape = resolved(item);
      step.marks = followerMarks(effect, shape->outline, shape->box);
      if (step.marks.empty()) continue;
      for (const Mark& mark : step.marks) content.box.add(boxOf(mark));
    } else if (content.body.isEmpty()) {
      continue;
    } else if (effect.kind == EffectKind::MirrorBelow) {
      // Below on the sheet, whichever way the item is turned.
      const double across = std::hypot(content.body.width(), content.body.height());
      content.box.add(content.body.grown(across * effect.numbers[1] + std::max(0.0, effect.numbers[0])));
    } else {
      content.box.add(content.body.grown(reachOf(effect)));
    }
    content.finish.push_back(std::move(step));
  }
}

/// True when what an item paints depends on where it lies: some gradient in it reaches further than over its item.
bool dependsOnPlace(const Item& item) {
  static NodeMemo<bool, 2> memo("whether contents depend on their places", budgets::smallMemoBytes);
  const NodeMemo<bool, 2>::Nodes nodes{nodeOf(item.form), item.style};
  if (const auto known = memo.find(nodes)) return *known;
  const auto reaches = [](const Style& style) {
    return std::any_of(style.fills.begin(), style.fills.end(), [](const Fill& fill) {
      const auto* gradient = std::get_if<Gradient>(&fill.paint);
      return gradient && gradient->reach != Reach::Item;
    });
  };
  bool does = reaches(*item.style);
  if (showsChildren(item.form)) {
    for (const StylePtr& own : ownLooks(item.form)) does = does || reaches(*own);
    for (const ItemPtr& child : childrenOf(item)) does = does || dependsOnPlace(*child);
  }
  memo.keep(nodes, std::make_shared<const bool>(does));
  return does;
}

/// What is around the children of an item, in its frame space.
Around aroundChildren(const Item& item, const Around& around, const Affine& copy) {
  const auto back = (item.toParent() * copy).inverse();
  if (!back) return {};
  Around inner;
  if (around.sheet) inner.sheet = *back * *around.sheet;
  if (around.whole) inner.whole = *back * *around.whole;
  if (!around.whole) {
    const auto fromFrame = copy.inverse();
    const Box box = boxInFrame(item);
    if (fromFrame && !box.isEmpty()) inner.whole = *fromFrame * unitTo(box);
  }
  return inner;
}

/// See Layer::letters.
std::shared_ptr<const Words> lettersOf(const Item& item, const Content& content) {
  const auto* words = std::get_if<std::shared_ptr<const Words>>(&item.form);
  const bool isAll = content.under.size() == 1 && std::holds_alternative<FillLetters>(content.under.front());
  return words && isAll ? *words : nullptr;
}

std::size_t bytesOf(const Mark& mark) {
  if (const auto* stroke = std::get_if<StrokeOutline>(&mark)) return sizeof(Mark) + storedBytes(*stroke->outline);
  if (const auto* group = std::get_if<MarkGroup>(&mark)) {
    std::size_t bytes = sizeof(Mark) + storedBytes(*group->clip);
    for (const FillOutline& fill : group->fills) bytes += sizeof fill + storedBytes(*fill.outline);
    return bytes;
  }
  if (const auto* letters = std::get_if<FillLetters>(&mark))
    return sizeof(Mark) + letters->set->lines.size() * sizeof(SetLine);
  return sizeof(Mark) + storedBytes(*std::get<FillOutline>(mark).outline);
}

/// An outline that is shared, as between a fill and a line, counts where it is used.
std::size_t bytesIn(const Content& content) {
  std::size_t bytes = content.inside.size() * sizeof(Layer);
  for (const Mark& mark : content.under) bytes += bytesOf(mark);
  for (const Mark& mark : content.over) bytes += bytesOf(mark);
  for (const FinishStep& step : content.finish)
    for (const Mark& mark : step.marks) bytes += bytesOf(mark);
  for (const ReadLine& line : content.read)
    bytes += sizeof line + line.text.size() + line.stops.size() * sizeof(CaretStop);
  return bytes;
}

std::shared_ptr<const Content> contentOf(const Item& item, const Around& around) {
  static NodeMemo<Content, 2> memo("contents", budgets::contentBytes, bytesIn);
  const NodeMemo<Content, 2>::Nodes nodes{nodeOf(item.form), item.style};
  const bool isPlaced = dependsOnPlace(item);
  if (!isPlaced)
    if (auto known = memo.find(nodes)) return known;
  auto content = std::make_shared<Content>();
  addOwnMarks(item, around, *content);
  const bool isPainted = !content->under.empty() || !content->over.empty();
  if (isPainted && !showsChildren(item.form)) addReadLines(item, {}, content->read);
  for (const auto& [number, copy] : copiesOf(item.form)) {
    const Around inside = isPlaced ? aroundChildren(item, around, copy) : Around{};
    for (const ItemPtr& child : shownIn(item.form, number)) {
      if (!child->isShown()) continue;
      Layer layer = layerOf(child, inside);
      layer.place = copy * layer.place;
      content->box.add(layer.box());
      content->inside.push_back(std::move(layer));
    }
  }
  paintWithoutSeams(content->inside);
  addFinish(item, *content);
  if (!isPlaced) memo.keep(nodes, content);
  return content;
}

void addTightly(const Mark& mark, const Affine& place, Box& box) {
  const auto* stroke = std::get_if<StrokeOutline>(&mark);
  const auto* group = std::get_if<MarkGroup>(&mark);
  if (stroke) {
    LineShape line = stroke->line.shape;
    line.width *= place.meanScale();
    box.add(lineBounds(transformed(*stroke->outline, place), line));
  } else if (const auto* letters = std::get_if<FillLetters>(&mark)) {
    box.add(bounds(transformed(*drawn(*letters).outline, place)));
  } else {
    box.add(bounds(transformed(group ? *group->clip : *std::get<FillOutline>(mark).outline, place)));
  }
}

void addTightly(const Layer& layer, const Affine& parent, Box& box) {
  const Affine place = parent * layer.place;
  Box body;
  for (const Mark& mark : layer.content->under) addTightly(mark, place, body);
  for (const Layer& inner : layer.content->inside) addTightly(inner, place, body);
  for (const Mark& mark : layer.content->over) addTightly(mark, place, body);
  box.add(body);
  for (const FinishStep& step : layer.content->finish) {
    for (const Mark& mark : step.marks) addTightly(mark, place, box);
    if (declarationOf(step.effect.kind).isPixels && !body.isEmpty())
      box.add(finishBox(step.effect, body, place.meanScale()));
  }
}

/// Calls `see(PictureBrush, Affine)` for what the content, which lies there, shows.
template <class See>
void eachPicture(const Content& content, const Affine& place, const See& see) {
  for (const Mark& mark : content.under) {
    const auto* fill = std::get_if<FillOutline>(&mark);
    if (const auto* picture = fill ? std::get_if<PictureBrush>(&fill->brush) : nullptr) see(*picture, place);
  }
  for (const Layer& inner : content.inside) eachPicture(*inner.content, place * inner.place, see);
}

}  // namespace

Around aroundOf(const Sheet& sheet) { return {unitTo(sheet.box()), {}}; }

Layer layerOf(const ItemPtr& item, const Around& around) {
  stopPoint();
  auto content = contentOf(*item, around);
  auto letters = lettersOf(*item, *content);
  return {item,
          std::move(content),
          std::move(letters),
          item->toParent(),
          item->style->opacity * (1 - item->paleBy),
          item->style->blend};
}

Box finishBox(const Effect& effect, const Box& body, double scale) {
  if (body.isEmpty()) return body;
  if (effect.kind == EffectKind::MirrorBelow) {
    const double gap = effect.numbers[0] * scale;
    return {{body.low.x, body.high.y + gap}, {body.high.x, body.high.y + gap + effect.numbers[1] * body.height()}};
  }
  return body.grown(reachOf(effect) * scale);
}

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
  for (const ItemPtr& item : sheet.items)
    if (item->isShown()) scene.layers.push_back(layerOf(item, aroundOf(sheet)));
  paintWithoutSeams(scene.layers);
  std::erase_if(scene.layers, [&](const Layer& layer) { return !layer.box().touches(scene.area()); });
  return scene;
}

std::vector<MediumPtr> photosIn(const Scene& scene) {
  std::unordered_set<std::string> seen;
  std::vector<MediumPtr> found;
  for (const Layer& layer : scene.layers)
    eachPicture(*layer.content, layer.place, [&](const PictureBrush& picture, const Affine&) {
      if (seen.insert(picture.medium->hash).second) found.push_back(picture.medium);
    });
  return found;
}

std::map<std::string, VideoSeen> videosIn(const Scene& scene) {
  std::map<std::string, VideoSeen> found;
  for (const Layer& layer : scene.layers)
    eachPicture(*layer.content, layer.place, [&](const PictureBrush& picture, const Affine& place) {
      if (!picture.medium->video) return;
      VideoSeen& seen = found[frameKey(*picture.medium, picture.playing)];
      seen.poster = picture.medium;
      seen.playing = picture.playing;
      seen.pointsPerPixel = std::max(seen.pointsPerPixel, (place * picture.toOutline).meanScale());
    });
  return found;
}

std::string frameKey(const Medium& poster, const PlayingPtr& playing) {
  return poster.video->file.hash + " " + keyOf(playing.get());
}

bool showsVideo(const Content& content) {
  bool shows = false;
  eachPicture(content, {}, [&](const PictureBrush& picture, const Affine&) { shows = shows || picture.medium->video; });
  return shows;
}

Scene sceneOfItem(const Project& project, Id id) {
  const ItemPtr item = findItem(project, id);
  if (!item) return {};
  Item placed = mapped(*item, parentToSheet(project, id));
  const SheetPtr sheet = sheetOf(project, id);
  Layer layer = layerOf(std::make_shared<const Item>(std::move(placed)), sheet ? aroundOf(*sheet) : Around{});
  const Box box = tightBox(layer);
  if (box.isEmpty()) return {};
  layer.place = Affine::move(Point{} - box.low) * layer.place;
  Scene scene{box.width(), box.height(), {255, 255, 255, 0}, {}, 0};
  scene.layers.push_back(std::move(layer));
  return scene;
}

}  // namespace widecut
