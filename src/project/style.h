// How items look: lists of fills and lines.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "cutting/level.h"
#include "cutting/offset.h"
#include "geometry/point.h"
#include "project/adjustments.h"
#include "project/effects.h"
#include "project/gradient.h"
#include "project/playing.h"

namespace widecut {

/// Names an item, sheet or piece for as long as the project lives. Unique over all three; 0 is nobody.
using Id = std::uint64_t;

/// What a picture does when its frame changes.
struct FramingHabits {
  bool staysUpright = false;  ///< It keeps its turn on the sheet when its frame is turned; or else it turns along.
  bool keepsScale = false;    ///< It keeps its scale and place when its frame is resized; or else it grows along.
  bool isFree = false;        ///< It may leave some of its frame empty; or else it always covers it.
  bool operator==(const FramingHabits&) const = default;
};

/// Where a picture lies behind its frame, in the frame's own space (so it turns with the frame but is
/// never stretched with it).
struct Framing {
  Point centre;               ///< Where the middle of the picture lies.
  double pointsPerPixel = 1;  ///< Scale, > 0. The effective resolution is 72 / pointsPerPixel.
  double turn = 0;            ///< Radians clockwise.
  bool isMirrored = false;    ///< Its left and right exchanged, before it is turned.
  FramingHabits habits = {};
  bool operator==(const Framing&) const = default;
};

struct Video;
/// A photo file, kept in the project or referred to.
struct Medium {
  std::string hash;  ///< SHA-256 of the bytes, lower-case hex; what pictures in the file refer to.
  std::string name;  ///< The file's name when it was placed.
  std::shared_ptr<const std::string> bytes;
  int width = 0;            ///< Pixels, once turned upright as the camera noted.
  int height = 0;           ///< Pixels, once turned upright as the camera noted.
  std::string credit = {};  ///< Whose it is, and on what terms; empty where nothing is known.
  std::string extra = {};
  /// Where this is the poster of a video, the still that stands for it: the video. Null for photos.
  std::shared_ptr<const Video> video = nullptr;
  double videoAt = 0;  ///< And the time of that frame in it, in seconds.
  /// Where the file is that the project refers to, instead of keeping its bytes in its own file: absolute, or from the
  /// folder of the project's file. Empty for what is kept.
  std::string path = {};
};
using MediumPtr = std::shared_ptr<const Medium>;

/// A video file kept in the project.
struct Video {
  Medium file;                 ///< Its size is that of its frames as they are shown.
  double seconds = 0;          ///< > 0
  double framesPerSecond = 0;  ///< > 0; the mean, where frames last differently.
  bool hasSound = false;
};
using VideoPtr = std::shared_ptr<const Video>;

/// Media are told apart by their hashes and, where the project only refers to them, by where they are, and whether.
inline bool areSame(const Medium& a, const Medium& b) {
  if (&a == &b) return true;
  const bool areThere = a.path.empty() || (a.bytes != nullptr) == (b.bytes != nullptr);
  return a.hash == b.hash && a.path == b.path && areThere &&
         (!a.video || !b.video || areSame(a.video->file, b.video->file));
}

/// A photo, or a video, behind the outline.
struct Picture {
  MediumPtr medium;  ///< Never null. A video's poster stands for it wherever nothing moves.
  Framing framing;
  AdjustmentsPtr adjustments = nullptr;  ///< Null for the photo as it is.
  Id share = 0;  ///< Pictures with the same number lie as one behind all their frames; 0 for one of its own.
  PlayingPtr playing = nullptr;  ///< How its video plays; null for as it came.
  bool isOverSheets = false;     ///< Those with the same number are on all sheets of the piece, or else on its own.
  bool operator==(const Picture& other) const {
    return framing == other.framing && share == other.share && isOverSheets == other.isOverSheets &&
           areAlike(adjustments, other.adjustments) && areAlike(playing, other.playing) &&
           areSame(*medium, *other.medium);
  }
};
/// The picture that a part of this cutout shows, in register with that part.
struct PartPicture {
  Id part = 0;
  bool operator==(const PartPicture&) const = default;
};
using Paint = std::variant<Colour, Picture, PartPicture, Gradient, Hatch>;

/// A fill that reaches a share of the item's outline, in the item's own space.
struct FillLevel {
  LevelBy by = LevelBy::Area;
  double share = 0.5;  ///< 0…1
  /// The line of a level along one, where (0, 0) to (1, 1) is the item's box; null for straight upwards.
  std::shared_ptr<const Contour> line = nullptr;
  bool operator==(const FillLevel& other) const {
    return by == other.by && share == other.share &&
           (line == other.line || (line && other.line && *line == *other.line));
  }
};

struct Fill {
  Paint paint;
  double opacity = 1;           ///< 0…1
  bool shown = true;            ///< False for what is kept under a picture that covers it, or has its eye shut.
  Blend blend = Blend::Normal;  ///< With what the item itself paints behind it.
  std::optional<FillLevel> level = {};
  std::string extra = {};
  bool operator==(const Fill&) const = default;
};

/// Colours along a line, or across it.
struct LineColours {
  std::vector<GradientStop> stops;  ///< As in a gradient.
  bool isAcross = false;            ///< From its left side to its right, instead of from its start to its end.
  bool operator==(const LineColours&) const = default;
};

/// A line drawn along an item's outline.
struct Line {
  Colour colour;
  LineShape shape = {};  ///< Its width within the limits; no dashes for a whole line.
  /// Its width at each end of an open outline, or where a closed one begins, as a share of the full one, which it has
  /// in its middle: 0…1. Both 1 for a line as wide everywhere.
  double startShare = 1, endShare = 1;
  std::optional<LineColours> colours = {};  ///< In place of the one colour.
  double opacity = 1;                       ///< 0…1
  bool shown = true;
  Blend blend = Blend::Normal;
  std::string extra = {};
  bool operator==(const Line&) const = default;

  bool isTapered() const { return startShare != 1 || endShare != 1; }
  /// True when a pen draws it: centred, as wide everywhere, in one colour.
  bool isPlain() const { return shape.alignment == Alignment::Centre && !isTapered() && !colours; }
};

/// A line of one colour, as wide everywhere.
inline Line plainLine(Colour colour, double width) {
  Line line;
  line.colour = colour;
  line.shape.width = width;
  return line;
}

/// How an item looks. A shared node: items that look alike may have the same one.
struct Style {
  std::vector<Fill> fills;      ///< Back to front.
  std::vector<Line> lines;      ///< Back to front, in front of the fills.
  std::vector<Effect> effects;  ///< Those behind and in front of the item each from back to front.
  double opacity = 1;           ///< 0…1, of the whole.
  Blend blend = Blend::Normal;  ///< Of the whole, with what is behind it.
  bool operator==(const Style&) const = default;
};
using StylePtr = std::shared_ptr<const Style>;

/// The style of nothing: no fill, no line. One node for all.
const StylePtr& bareStyle();

/// What a paint comes to as one colour: a gradient's first stop, a hatch's own; nothing for pictures.
std::optional<Colour> colourOf(const Paint& paint);
/// Calls `change(Colour&)` for every colour of the style.
void eachColour(Style& style, const std::function<void(Colour&)>& change);
/// The colour of the frontmost colour fill, whether it shows or a picture covers it.
std::optional<Colour> colourOf(const Style& style);
/// The frontmost fill that shows a picture, of its own or a part's; null when none does.
const Fill* pictureFillOf(const Style& style);
/// The item's own picture, where it is the one that shows.
const Picture* pictureOf(const Style& style);
/// The part whose picture shows; 0 for none.
Id picturePartOf(const Style& style);
/// The frontmost fill that has a level and shows; null when none does.
const Fill* levelFillOf(const Style& style);
/// The frontmost line; null when there is none.
const Line* lineOf(const Style& style);

/// One colour for all fills there were, pictures included; or no fill.
void setColour(Style& style, std::optional<Colour> colour);
/// A picture in place of the one that was shown. Colours stay, covered.
void setPicture(Style& style, Paint picture);
/// Pictures go; what they covered shows again.
void dropPictures(Style& style);
/// True for a fill that shows a photo, of its own or a part's.
bool isPicture(const Fill& fill);

/// One line for all lines there were; or none.
void setLine(Style& style, const std::optional<Line>& line);

}  // namespace widecut
