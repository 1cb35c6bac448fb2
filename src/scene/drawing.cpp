#include "scene/drawing.h"

namespace widecut {
namespace {

class Drawing {
 public:
  void add(const Layer& layer, const Affine& parent) {
    const Affine place = parent * layer.place;
    const bool grouped = layer.opacity < 1;
    if (grouped) commands.push_back(PushGroup{layer.opacity, place(layer.content->box)});
    for (const Mark& mark : layer.content->under) add(mark, place);
    for (const Layer& inner : layer.content->inside) add(inner, place);
    for (const Mark& mark : layer.content->over) add(mark, place);
    for (ReadLine line : layer.content->read) {
      line.place = place * line.place;
      commands.emplace_back(std::move(line));
    }
    if (grouped) commands.push_back(PopGroup{});
  }
  std::vector<DrawCommand> commands;

 private:
  void add(const Mark& mark, const Affine& place) {
    std::visit([&](const auto& m) { commands.push_back(moved(m, place)); }, mark);
  }
  FillOutline moved(FillOutline fill, const Affine& place) {
    fill.outline = moved(fill.outline, place);
    if (auto* picture = std::get_if<PictureBrush>(&fill.brush)) picture->toOutline = place * picture->toOutline;
    return fill;
  }
  StrokeOutline moved(StrokeOutline stroke, const Affine& place) {
    stroke.outline = moved(stroke.outline, place);
    stroke.line.width *= place.meanScale();
    return stroke;
  }
  std::shared_ptr<const Outline> moved(const std::shared_ptr<const Outline>& outline, const Affine& place) {
    if (outline != from_ || !(place == by_)) {
      from_ = outline;
      by_ = place;
      to_ = std::make_shared<const Outline>(transformed(*outline, place));
    }
    return to_;
  }
  std::shared_ptr<const Outline> from_, to_;
  Affine by_;
};

}  // namespace

std::vector<DrawCommand> drawingOf(const Scene& scene) {
  Drawing drawing;
  for (const Layer& layer : scene.layers) drawing.add(layer, {});
  return std::move(drawing.commands);
}

}  // namespace widecut
