#include "project/style.h"

#include <algorithm>
#include <charconv>

namespace widecut {
namespace {

bool isPicture(const Fill& fill) { return !std::holds_alternative<Colour>(fill.paint); }

}  // namespace

std::optional<Colour> parseColour(std::string_view text) {
  if ((text.size() != 7 && text.size() != 9) || text[0] != '#') return std::nullopt;
  std::uint8_t v[4] = {0, 0, 0, 255};
  for (std::size_t i = 0; 2 * i + 2 < text.size(); ++i) {
    const char* from = text.data() + 1 + 2 * i;
    if (std::from_chars(from, from + 2, v[i], 16).ptr != from + 2) return std::nullopt;
  }
  return Colour{v[0], v[1], v[2], v[3]};
}

std::string colourText(Colour c) {
  static constexpr char hex[] = "0123456789abcdef";
  std::string text = "#";
  const auto add = [&](std::uint8_t v) {
    text += hex[v >> 4];
    text += hex[v & 15];
  };
  add(c.red);
  add(c.green);
  add(c.blue);
  if (c.alpha != 255) add(c.alpha);
  return text;
}

const StylePtr& bareStyle() {
  static const StylePtr bare = std::make_shared<const Style>();
  return bare;
}

std::optional<Colour> colourOf(const Style& style) {
  for (auto fill = style.fills.rbegin(); fill != style.fills.rend(); ++fill)
    if (const auto* colour = std::get_if<Colour>(&fill->paint)) return *colour;
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
