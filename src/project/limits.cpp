#include "project/limits.h"

#include <unordered_set>

namespace widecut {
namespace {

/// Only thrown inside this file.
struct Beyond {
  std::string what;
};

void need(bool within, const std::string& what) {
  if (!within) throw Beyond{what};
}
bool isWithin(double v, double low, double high) { return v >= low && v <= high; }  // false for what is not a number
bool isPlace(Point p) {
  return isWithin(p.x, -limits::mostLength, limits::mostLength) &&
         isWithin(p.y, -limits::mostLength, limits::mostLength);
}

std::string quoted(const Item& item) { return "“" + item.name + "”"; }

class Checker {
 public:
  explicit Checker(const Project* before) {
    if (!before) return;
    for (const PiecePtr& piece : before->pieces)
      for (const SheetPtr& sheet : piece->sheets) {
        known_.insert(sheet.get());
        for (const ItemPtr& item : sheet->items) known_.insert(item.get());
      }
  }

  void check(const Project& project) {
    need(project.name.size() <= limits::mostNameBytes, "the project's name is too long");
    std::size_t sheets = 0;
    for (const PiecePtr& piece : project.pieces) {
      sheets += piece->sheets.size();
      need(piece->name.size() <= limits::mostNameBytes, "a piece's name is too long");
      for (const SheetPtr& sheet : piece->sheets) check(*sheet);
    }
    need(sheets <= limits::mostSheets, "a project holds 10000 sheets at most");
    need(items_ <= limits::mostItems, "a project holds 100000 items at most");
    need(nodes_ <= limits::mostNodes, "the outlines of a project have 750000 nodes together at most");
    // Those kept for undo alone are not saved; they are told apart only where that matters.
    if (project.media.size() > limits::mostPhotos || bytesOf(project.media) > limits::mostMediaBytes) {
      const Media used = mediaInUse(project);
      need(used.size() <= limits::mostPhotos, "a project shows 9000 photos at most");
      need(bytesOf(used) <= limits::mostMediaBytes, "the photos of a project have 4 GiB together at most");
    }
  }

 private:
  static std::size_t bytesOf(const Media& media) {
    std::size_t bytes = 0;
    for (const auto& [hash, medium] : media) bytes += medium->bytes ? medium->bytes->size() : 0;
    return bytes;
  }
  void check(const Sheet& sheet) {
    if (!known_.contains(&sheet)) {
      need(isWithin(sheet.width, limits::leastSide, limits::mostSide) &&
               isWithin(sheet.height, limits::leastSide, limits::mostSide),
           "a sheet measures from 1 to 14400 points a side");
      need(isWithin(sheet.bleed, 0, limits::mostBleed), "a bleed measures from 0 to 720 points");
      need(sheet.name.size() <= limits::mostNameBytes, "a sheet's name is too long");
      for (const double fold : sheet.folds)
        need(isWithin(fold, -limits::mostSide, limits::mostSide), "a fold lies within 14400 points");
    }
    for (const ItemPtr& item : sheet.items) {
      if (!known_.contains(item.get())) check(*item, 0);
      count(*item);
    }
  }

  void count(const Item& item) {
    ++items_;
    if (const Recipe* recipe = item.recipe()) {
      for (const ItemPtr& part : recipe->parts) count(*part);
      return;
    }
    for (const Contour& c : std::get<std::shared_ptr<const Outline>>(item.form)->contours)
      nodes_ += 1 + c.segments.size();
  }

  void check(const Item& item, int depth) {
    need(depth <= limits::deepestRecipe, "cutouts lie within one another 200 deep at most: bake one first");
    need(item.name.size() <= limits::mostNameBytes, "an item's name is too long");
    need(isPlace(item.position), quoted(item) + " would lie further than 1000000 points (353 m) away");
    need(isWithin(degrees(item.turn), -limits::mostTurnDeg, limits::mostTurnDeg), quoted(item) + " is turned too far");
    checkStyle(item);
    if (const Recipe* recipe = item.recipe()) {
      need(recipe->parts.size() <= limits::mostParts, "a cutout has 10000 parts at most");
      for (const ItemPtr& part : recipe->parts) check(*part, depth + 1);
    } else {
      checkOutline(item, *std::get<std::shared_ptr<const Outline>>(item.form));
    }
  }

  static void checkOutline(const Item& item, const Outline& outline) {
    // Handles too: the box of a curve is not known to be finite when they are not.
    bool within = true;
    for (const Contour& c : outline.contours) {
      within = within && isPlace(c.start);
      for (const Segment& s : c.segments) within = within && isPlace(s.end) && isPlace(s.handle1) && isPlace(s.handle2);
    }
    need(within, quoted(item) + " would reach further than 1000000 points (353 m)");
  }

  static void checkStyle(const Item& item) {
    const Style& style = item.style;
    need(isWithin(style.opacity, 0, 1), "an opacity is from 0 to 100 %");
    if (style.line)
      need(isWithin(style.line->width, limits::leastLine, limits::mostLine),
           "the outline of " + quoted(item) + " is from 0.000001 to 10000 points wide");
    if (!style.photo) return;
    const Framing& f = style.photo->framing;
    need(isPlace(f.centre) && isWithin(degrees(f.turn), -limits::mostTurnDeg, limits::mostTurnDeg),
         "the photo of " + quoted(item) + " would lie too far away");
    need(isWithin(f.pointsPerPixel, limits::leastPixel, limits::mostPixel),
         "the photo of " + quoted(item) + " would be scaled too far");
  }

  std::unordered_set<const void*> known_;
  std::size_t items_ = 0, nodes_ = 0;
};

}  // namespace

std::optional<Problem> beyondLimits(const Project& project, const Project* before) {
  try {
    Checker(before).check(project);
    return std::nullopt;
  } catch (const Beyond& beyond) {
    return Problem{beyond.what};
  }
}

std::string shortened(std::string name) {
  if (name.size() <= limits::mostNameBytes) return name;
  std::size_t end = limits::mostNameBytes;
  while (end > 0 && (name[end] & 0xC0) == 0x80) --end;
  name.resize(end);
  return name;
}

}  // namespace widecut
