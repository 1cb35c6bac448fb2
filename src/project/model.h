// The immutable project: values that share unchanged nodes.
#pragma once

#include <cstdint>
#include <map>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <unordered_set>
#include <variant>
#include <vector>

#include "cutting/formula.h"
#include "geometry/outline.h"

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

/// A photo file kept in the project.
struct Medium {
  std::string hash;  ///< SHA-256 of the bytes, lower-case hex; what pictures refer to.
  std::string name;  ///< The file's name when it was placed.
  std::shared_ptr<const std::string> bytes;
  int width = 0;   ///< Pixels, once turned upright as the camera noted.
  int height = 0;  ///< Pixels, once turned upright as the camera noted.
  std::string extra;
};
using Media = std::map<std::string, std::shared_ptr<const Medium>>;

/// Where a picture lies behind its frame, in the frame's own space (so it turns with the frame but is
/// never stretched with it).
struct Framing {
  Point centre;               ///< Where the middle of the picture lies.
  double pointsPerPixel = 1;  ///< Scale, > 0. The effective resolution is 72 / pointsPerPixel.
  double turn = 0;            ///< Radians clockwise.
  bool operator==(const Framing&) const = default;
};

struct PhotoFill {
  std::string medium;  ///< Hash of the medium.
  Framing framing;
  bool operator==(const PhotoFill&) const = default;
};

/// The drawn line round an item, centred on its outline, with mitred corners (limit 4).
struct Line {
  Colour colour;
  double width = 1;  ///< Points, > 0.
  bool operator==(const Line&) const = default;
};

/// How an item looks. A photo covers the fill colour.
struct Style {
  std::optional<Colour> fill;
  std::optional<PhotoFill> photo;
  std::optional<Line> line;
  double opacity = 1;  ///< 0…1
  bool operator==(const Style&) const = default;
};

struct Item;
using ItemPtr = std::shared_ptr<const Item>;

/// A live cutout: parts, and the formula over them (leaf n of the formula is part n). Parts that are
/// hidden are left out of the formula. Nested recipes are resolved together, as one formula.
struct Recipe {
  std::vector<ItemPtr> parts;
  Formula formula = Formula::part(0);
  /// The part whose photo shows through the cutout, in register with that part.
  std::optional<Id> photoFrom;
  std::string extra;
};

/// Anything on a sheet. Its form is given in the frame's own space: upright, scale included, so that the
/// frame's place in its parent is a turn and a shift alone.
struct Item {
  Id id = 0;
  std::string name;
  Point position;   ///< Where the frame's origin lies in the parent (the sheet, or the cutout it is part of).
  double turn = 0;  ///< Radians clockwise.
  std::variant<std::shared_ptr<const Outline>, std::shared_ptr<const Recipe>> form;
  Style style;
  bool hidden = false;
  std::string extra;

  Affine toParent() const { return Affine::move(position) * Affine::turn(turn); }
  /// The recipe of a cutout; null for a plain outline.
  const Recipe* recipe() const {
    const auto* held = std::get_if<std::shared_ptr<const Recipe>>(&form);
    return held ? held->get() : nullptr;
  }
};

struct Sheet {
  Id id = 0;
  std::string name;
  double width = 842, height = 595;  ///< Points.
  double bleed = 0;                  ///< Points beyond every edge.
  std::vector<double> folds;         ///< x of each upright fold, in points.
  Colour paper{255, 255, 255, 255};
  std::vector<ItemPtr> items;  ///< Back to front.
  std::string extra;
  Box box() const { return {{0, 0}, {width, height}}; }
};
using SheetPtr = std::shared_ptr<const Sheet>;

struct Piece {
  Id id = 0;
  std::string name;
  std::vector<SheetPtr> sheets;
  std::string extra;
};
using PiecePtr = std::shared_ptr<const Piece>;

/// One file's worth of work. `extra`, here and elsewhere, is a JSON object with the members that this
/// version does not know; they are written back as they were.
struct Project {
  std::string name;
  std::vector<PiecePtr> pieces;
  Media media;
  Id nextId = 1;  ///< Larger than every id in use.
  /// Files in the project file that this version does not know, by name; written back as they were.
  std::map<std::string, std::shared_ptr<const std::string>> otherFiles;
  std::string extra;
};
using ProjectPtr = std::shared_ptr<const Project>;

/// A plain item with this outline, given in its parent's space; the frame's origin is the middle of it.
Item plainItem(Id id, std::string name, const Outline& outline, Style style);

/// True when two projects hold the same, whether or not they share nodes. Media are told apart by their hashes.
bool isSame(const Project& a, const Project& b);
bool isSame(const Item& a, const Item& b);
/// The media that pictures of the project show. The others were replaced or deleted: they are kept for undo alone.
Media mediaInUse(const Project& project);

/// Ids to look up in.
using IdSet = std::unordered_set<Id>;

// Looking things up.

/// All sheets in order, over all pieces.
std::vector<SheetPtr> sheetsOf(const Project& project);
/// The sheet with this id; null when there is none.
SheetPtr findSheet(const Project& project, Id sheet);
/// The item with this id, parts of cutouts included; null when there is none.
ItemPtr findItem(const Project& project, Id item);
/// From the sheet's items inwards to the item itself; empty when there is none.
std::vector<ItemPtr> chainTo(const Project& project, Id item);
/// The sheet an item is on; null when there is none.
SheetPtr sheetOf(const Project& project, Id item);
/// Those of the items that are no parts of others of them, in the same order: what a change of all of them acts on.
std::vector<Id> outermost(const Project& project, std::span<const Id> items);
/// From the parent of the item to the sheet.
Affine parentToSheet(const Project& project, Id item);
/// From the frame of the item to the sheet.
Affine frameToSheet(const Project& project, Id item);

}  // namespace widecut
