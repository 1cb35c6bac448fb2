#include "project/style.h"

#include <algorithm>

namespace widecut {
bool isPicture(const Fill& fill) {
  return std::holds_alternative<Picture>(fill.paint) || std::holds_alternative<PartPicture>(fill.paint);
}

std::optional<Colour> colourOf(const Paint& paint) {
  if (const auto* colour = std::get_if<Colour>(&paint)) return *colour;
  if (const auto* gradient = std::get_if<Gradient>(&paint))
    return gradient->stops.empty() ? std::nullopt : std::optional(gradient->stops.front().colour);
  if (const auto* hatch = std::get_if<Hatch>(&paint)) return hatch->colour;
  return std::nullopt;
}

void eachColour(Style& style, const std::function<void(Colour&)>& change) {
  for (Fill& fill : style.fills) {
    if (auto* colour = std::get_if<Colour>(&fill.paint)) change(*colour);
    if (auto* hatch = std::get_if<Hatch>(&fill.paint)) change(hatch->colour);
    if (auto* picture = std::get_if<Picture>(&fill.paint); picture && picture->adjustments) {
      Adjustments adjustments = *picture->adjustments;
      for (Colour Adjustments::*tone : {&Adjustments::dark, &Adjustments::light})
        if (adjustments.of(Adjusting::TwoTones) > 0 || adjustments.*tone != Adjustments().*tone)
          change(adjustments.*tone);
      if (!(adjustments == *picture->adjustments)) picture->adjustments = shared(adjustments);
    }
    if (auto* gradient = std::get_if<Gradient>(&fill.paint))
      for (GradientStop& stop : gradient->stops) change(stop.colour);
  }
  for (Line& line : style.lines) {
    change(line.colour);
    if (line.colours)
      for (GradientStop& stop : line.colours->stops) change(stop.colour);
  }
  for (Effect& effect : style.effects)
    if (declarationOf(effect.kind).hasColour) change(effect.colour);
}

const StylePtr& bareStyle() {
  static const StylePtr bare = std::make_shared<const Style>();
  return bare;
}

std::optional<Colour> colourOf(const Style& style) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (const auto colour = colourOf(fill->paint)) return colour;
  return std::nullopt;
}

const Fill* pictureFillOf(const Style& style) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (fill->shown && isPicture(*fill)) return &*fill;
  return nullptr;
}

const Picture* pictureOf(const Style& style) {
  const Fill* fill = pictureFillOf(style);
  return fill ? std::get_if<Picture>(&fill->paint) : nullptr;
}

Id picturePartOf(const Style& style) {
  const Fill* fill = pictureFillOf(style);
  const auto* part = fill ? std::get_if<PartPicture>(&fill->paint) : nullptr;
  return part ? part->part : 0;
}

const Fill* levelFillOf(const Style& style) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (fill->level && fill->shown) return &*fill;
  return nullptr;
}

const Line* lineOf(const Style& style) { return style.lines.empty() ? nullptr : &style.lines.back(); }

void setColour(Style& style, std::optional<Colour> colour) {
  style.fills.clear();
  if (colour) style.fills.push_back({*colour});
}

void setPicture(Style& style, Paint picture) {
  std::erase_if(style.fills, isPicture);
  for (Fill& fill : style.fills) fill.shown = false;
  style.fills.push_back({std::move(picture)});
}

void dropPictures(Style& style) {
  if (std::erase_if(style.fills, isPicture) > 0 &&
      std::none_of(style.fills.begin(), style.fills.end(), [](const Fill& fill) { return fill.shown; }))
    for (Fill& fill : style.fills) fill.shown = true;
}

void setLine(Style& style, const std::optional<Line>& line) {
  style.lines.clear();
  if (line) style.lines.push_back(*line);
}

}  // namespace widecut
