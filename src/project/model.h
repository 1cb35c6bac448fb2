// The immutable project: values that share unchanged nodes.
#pragma once

#include <map>
#include <memory>
#include <string>
#include <variant>
#include <vector>

#include "geometry/affine.h"
#include "geometry/measure.h"
#include "geometry/outline.h"
#include "project/item_list.h"
#include "project/style.h"
#include "words/region.h"
#include "words/text_looks.h"

namespace widecut {

struct Item;

struct Recipe;
struct Group;
struct Repeat;
class Words;
class Starter;
class Treated;
/// What an item is: a shared immutable node of one of these kinds. Functions over all kinds are in forms/form.h; what
/// one kind is, in the file of its name beside it.
using Form = std::variant<std::shared_ptr<const Outline>, std::shared_ptr<const Recipe>, std::shared_ptr<const Group>,
                          std::shared_ptr<const Repeat>, std::shared_ptr<const Words>, std::shared_ptr<const Starter>,
                          std::shared_ptr<const Treated>>;

/// How words on its sheet keep clear of an item, in their frames.
struct KeepClear {
  ClearSide side = ClearSide::Both;
  double margin = 0;  ///< What they keep off its outline: points, ≥ 0.
  bool operator==(const KeepClear&) const = default;
};

/// Anything on a sheet. Its form is given in the frame's own space: upright, scale included, so that the
/// frame's place in its parent is a turn and a shift alone.
struct Item {
  Id id = 0;
  std::string name;
  Point position;   ///< Where the frame's origin lies in the parent: the sheet, or the item that it is inside of.
  double turn = 0;  ///< Radians clockwise.
  Form form;
  StylePtr style = bareStyle();  ///< Never null.
  bool hidden = false;
  bool locked = false;  ///< The mouse on the mat passes through it, and what moves or deletes leaves it.
  /// How pale it is, 0…0.95: above 0 it is a template, something to draw over that is not delivered unless asked for.
  double paleBy = 0;
  /// A line that says how long it is and at what angle. It shows on the mat alone, and is in no recipe or picture.
  bool measures = false;
  /// Pieces of one division have the same one: where they still lie flush they are painted without seams. 0 for others.
  Id division = 0;
  std::shared_ptr<const KeepClear> clear = nullptr;  ///< Null where words run over it.
  std::string extra;

  /// Whether it is painted, and counts in recipes, as far as it itself says.
  bool isShown() const { return !hidden && !measures; }
  bool isTemplate() const { return paleBy > 0; }
  Affine toParent() const { return Affine::move(position) * Affine::turn(turn); }
  /// The recipe of a cutout; null for all other forms.
  const Recipe* recipe() const {
    const auto* held = std::get_if<std::shared_ptr<const Recipe>>(&form);
    return held ? held->get() : nullptr;
  }
};

/// The item's style as one of its own, to be changed before the item is handed on.
Style& changeable(Item& item);

/// A line across a sheet that drags come to rest at. It is not delivered.
struct Guide {
  bool upright = true;  ///< Or else level.
  double at = 0;        ///< Points from the left edge of the sheet, or from the upper one.
  std::string name = {};
  bool locked = false;  ///< The mouse passes through it.
  bool operator==(const Guide&) const = default;
};

struct Sheet {
  Id id = 0;
  std::string name;
  double width = 842, height = 595;  ///< Points.
  double bleed = 0;                  ///< Points beyond every edge.
  std::vector<double> folds;         ///< x of each upright fold, in points.
  std::vector<Guide> guides;         ///< Of this sheet alone.
  Colour paper{255, 255, 255, 255};
  ItemList items;  ///< Back to front.
  std::string extra;
  Box box() const { return {{0, 0}, {width, height}}; }
};
using SheetPtr = std::shared_ptr<const Sheet>;

/// What the sheets of a piece are set out by. Lengths in points.
struct Setting {
  Unit unit = Unit::Millimetre;                     ///< Of rulers and fields. Pieces in pixels are delivered at 96 ppi.
  double left = 0, top = 0, right = 0, bottom = 0;  ///< Margins.
  int columns = 1;
  double gutter = 0;  ///< Between columns.
  double grid = 0;    ///< From one line of the grid to the next, from the sheet's upper left corner; 0 for no grid.
  bool operator==(const Setting&) const = default;
};

struct Piece {
  Id id = 0;
  std::string name;
  std::vector<SheetPtr> sheets;
  Setting setting = {};
  std::vector<Guide> guides = {};  ///< Of all its sheets.
  std::string extra = {};
};
using PiecePtr = std::shared_ptr<const Piece>;

/// A colour of the project with a number that colours refer to: what paints with it follows it.
struct Swatch {
  std::uint16_t number = 0;  ///< Not 0, and its own.
  std::string name;
  Colour colour;  ///< Its own swatch number is `number`.
  bool operator==(const Swatch&) const = default;
};

/// A zone of a photo that is to stay whole wherever it shows.
struct Subject {
  std::string name;
  Outline zone;  ///< In pixels of the photo as it stands upright.
  bool operator==(const Subject&) const = default;
};
/// The subjects of photos, by the photos' hashes. Those of photos that show nowhere are kept: they may come back.
using SubjectsOfPhotos = std::map<std::string, std::shared_ptr<const std::vector<Subject>>>;

/// One file's worth of work. `extra`, here and elsewhere, is a JSON object with the members that this
/// version does not know; they are written back as they were.
struct Project {
  std::string name;
  std::vector<PiecePtr> pieces;
  std::vector<Swatch> swatches = {};
  /// The styles of words that have names; each after that which it is based on.
  std::vector<NamedLookPtr> textStyles = {};
  SubjectsOfPhotos subjects = {};  ///< No list is empty.
  /// What it has with it; all its words have the same ones. Null for none.
  std::shared_ptr<const OwnFonts> fonts = nullptr;
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
bool isSame(const Sheet& a, const Sheet& b);
bool isSame(const Item& a, const Item& b);
/// Media by their hashes.
using Media = std::map<std::string, MediumPtr>;
/// The media that pictures of the project show, covered ones included, and the files of videos. One node a hash.
Media mediaOf(const Project& project);

}  // namespace widecut
