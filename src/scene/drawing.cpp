#include "scene/drawing.h"

#include <algorithm>
#include <utility>

#include "scene/letters.h"

namespace widecut {
namespace {

/// True when something in it is mixed with what lies behind it, and with what lies behind the whole.
bool mixesFurther(const Content& content) {
  return std::any_of(content.inside.begin(), content.inside.end(), [](const Layer& inner) {
    return inner.blend != Blend::Normal || (!inner.isGroup() && mixesFurther(*inner.content));
  });
}

class Drawing {
 public:
  void add(const Layer& layer, const Affine& parent) {
    const Affine place = parent * layer.place;
    const Content& content = *layer.content;
    const bool grouped = layer.isGroup();
    if (grouped) commands.push_back(PushGroup{layer.opacity, layer.blend, place(content.box), nullptr, {}});
    addFinish(content, layer, place, EffectPlace::Behind);
    std::optional<EffectPixels> fade;
    for (std::size_t i = 0; i < content.finish.size(); ++i)
      if (declarationOf(content.finish[i].effect.kind).place == EffectPlace::Within) fade = pixels(layer, place, i);
    const bool isApart = fade || ((content.mixes || mixesFurther(content)) && !content.finish.empty());
    if (isApart) commands.push_back(PushGroup{1, Blend::Normal, place(content.body), nullptr, std::move(fade)});
    std::vector<ReadLine> read = content.read;
    for (ReadLine& line : read) line.place = place * line.place;
    if (layer.letters) {
      const FillOutline fill = drawn(std::get<FillLetters>(content.under.front()));
      commands.emplace_back(FillWords{moved(fill, place), layer.letters, place * layer.letters->content().stretch,
                                      std::exchange(read, {})});
    } else {
      for (const Mark& mark : content.under) add(mark, place);
    }
    for (const Layer& inner : content.inside) add(inner, place);
    for (const Mark& mark : content.over) add(mark, place);
    for (ReadLine& line : read) commands.emplace_back(std::move(line));
    if (isApart) commands.push_back(PopGroup{});
    addFinish(content, layer, place, EffectPlace::InFront);
    if (grouped) commands.push_back(PopGroup{});
  }
  std::vector<DrawCommand> commands;

 private:
  void add(const Mark& mark, const Affine& place) {
    if (const auto* group = std::get_if<MarkGroup>(&mark)) {
      auto clip = moved(group->clip, place);
      commands.push_back(PushGroup{group->opacity, group->blend, bounds(*clip), clip, {}});
      for (const FillOutline& fill : group->fills) commands.push_back(moved(fill, place));
      commands.push_back(PopGroup{});
    } else if (const auto* stroke = std::get_if<StrokeOutline>(&mark)) {
      commands.push_back(moved(*stroke, place));
    } else if (const auto* letters = std::get_if<FillLetters>(&mark)) {
      commands.push_back(moved(drawn(*letters), place));
    } else {
      commands.push_back(moved(std::get<FillOutline>(mark), place));
    }
  }
  void addFinish(const Content& content, const Layer& layer, const Affine& place, EffectPlace where) {
    for (std::size_t i = 0; i < content.finish.size(); ++i) {
      const FinishStep& step = content.finish[i];
      const EffectDeclaration& declared = declarationOf(step.effect.kind);
      if (declared.place != where) continue;
      for (const Mark& mark : step.marks) add(mark, place);
      if (declared.isPixels) commands.emplace_back(pixels(layer, place, i));
    }
  }
  static EffectPixels pixels(const Layer& layer, const Affine& place, std::size_t step) {
    const Content& content = *layer.content;
    return {layer.content, place, step, finishBox(content.finish[step].effect, place(content.body), place.meanScale())};
  }
  FillOutline moved(FillOutline fill, const Affine& place) {
    fill.outline = moved(fill.outline, place);
    if (auto* picture = std::get_if<PictureBrush>(&fill.brush)) picture->toOutline = place * picture->toOutline;
    if (auto* gradient = std::get_if<GradientBrush>(&fill.brush)) gradient->toOutline = place * gradient->toOutline;
    return fill;
  }
  StrokeOutline moved(StrokeOutline stroke, const Affine& place) {
    stroke.outline = moved(stroke.outline, place);
    stroke.line.shape = scaled(stroke.line.shape, place.meanScale());
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
  static LineShape scaled(LineShape shape, double by) {
    shape.width *= by;
    shape.dashStart *= by;
    for (double& length : shape.dashes) length *= by;
    return shape;
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
