// How items look: lists of fills and lines.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "geometry/point.h"

namespace widecut {

/// Names an item, sheet or piece for as long as the project lives. Unique over all three; 0 is nobody.
using Id = std::uint64_t;

/// sRGB, not premultiplied.
struct Colour {
  std::uint8_t red = 0, green = 0, blue = 0, alpha = 255;
  bool operator==(const Colour&) const = default;
};
/// Reads #rrggbb or #rrggbbaa.
std::optional<Colour> parseColour(std::string_view text);
/// #rrggbb, or #rrggbbaa when not opaque.
std::string colourText(Colour colour);

/// Where a picture lies behind its frame, in the frame's own space (so it turns with the frame but is
/// never stretched with it).
struct Framing {
  Point centre;               ///< Where the middle of the picture lies.
  double pointsPerPixel = 1;  ///< Scale, > 0. The effective resolution is 72 / pointsPerPixel.
  double turn = 0;            ///< Radians clockwise.
  bool operator==(const Framing&) const = default;
};

/// A photo file kept in the project.
struct Medium {
  std::string hash;  ///< SHA-256 of the bytes, lower-case hex; what pictures in the file refer to.
  std::string name;  ///< The file's name when it was placed.
  std::shared_ptr<const std::string> bytes;
  int width = 0;   ///< Pixels, once turned upright as the camera noted.
  int height = 0;  ///< Pixels, once turned upright as the camera noted.
  std::string extra = {};
};
using MediumPtr = std::shared_ptr<const Medium>;

/// A photo behind the outline.
struct Picture {
  MediumPtr medium;  ///< Never null.
  Framing framing;
  /// Media are told apart by their hashes.
  bool operator==(const Picture& other) const {
    return framing == other.framing && (medium == other.medium || medium->hash == other.medium->hash);
  }
};
/// The picture that a part of this cutout shows, in register with that part.
struct PartPicture {
  Id part = 0;
  bool operator==(const PartPicture&) const = default;
};
using Paint = std::variant<Colour, Picture, PartPicture>;

struct Fill {
  Paint paint;
  double opacity = 1;  ///< 0…1
  bool shown = true;   ///< False for what is kept under a picture that covers it.
  std::string extra = {};
  bool operator==(const Fill&) const = default;
};

/// A line drawn round an item, centred on its outline, with mitred corners (limit 4).
struct Line {
  Colour colour;
  double width = 1;  ///< Points, > 0.
  std::string extra = {};
  bool operator==(const Line&) const = default;
};

/// How an item looks. A shared node: items that look alike may have the same one.
struct Style {
  std::vector<Fill> fills;  ///< Back to front.
  std::vector<Line> lines;  ///< Back to front, in front of the fills.
  double opacity = 1;       ///< 0…1, of the whole.
  bool operator==(const Style&) const = default;
};
using StylePtr = std::shared_ptr<const Style>;

/// The style of nothing: no fill, no line. One node for all.
const StylePtr& bareStyle();

/// The colour of the frontmost colour fill, whether it shows or a picture covers it.
std::optional<Colour> colourOf(const Style& style);
/// The frontmost fill that shows a picture, of its own or a part's; null when none does.
const Fill* pictureFillOf(const Style& style);
/// The item's own picture, where it is the one that shows.
const Picture* pictureOf(const Style& style);
/// The part whose picture shows; 0 for none.
Id picturePartOf(const Style& style);
/// The frontmost line; null when there is none.
const Line* lineOf(const Style& style);

/// One colour for all fills there were, pictures included; or no fill.
void setColour(Style& style, std::optional<Colour> colour);
/// A picture in place of the one that was shown. Colours stay, covered.
void setPicture(Style& style, Paint picture);
/// Pictures go; what they covered shows again.
void dropPictures(Style& style);
/// One line for all lines there were; or none.
void setLine(Style& style, const std::optional<Line>& line);

}  // namespace widecut
