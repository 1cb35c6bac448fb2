#include "project/limits.h"

#include <algorithm>
#include <map>
#include <unordered_map>
#include <unordered_set>

#include "project/budgets.h"
#include "project/forms/form.h"
#include "project/node_memo.h"
#include "project/style_limits.h"

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
std::string quoted(const Item& item) { return "“" + item.name + "”"; }

/// What a list of items comes to, all copies included. Counting stops where a limit is passed: more of it could not be
/// counted in the numbers there are.
struct Totals {
  std::size_t items = 0, nodes = 0, letters = 0;
  std::map<const Medium*, std::size_t> media;  ///< How often each is used.

  void add(const Item& item, std::size_t times, bool takeAway = false) {
    if (items > limits::mostItems || nodes > limits::mostNodes) return;
    const auto count = [&](std::size_t& total, std::size_t n) { total = takeAway ? total - n : total + n; };
    count(items, times);
    const auto countMedia = [&](const Style& style) {
      for (const Fill& fill : style.fills)
        if (const auto* picture = std::get_if<Picture>(&fill.paint)) {
          const auto used = media.try_emplace(picture->medium.get(), 0).first;
          count(used->second, 1);
          if (used->second == 0) media.erase(used);
        }
    };
    countMedia(*item.style);
    for (const StylePtr& own : ownLooks(item.form)) countMedia(*own);
    count(nodes, times * countOfNodes(item.form));
    count(letters, countOfLetters(item.form));
    const std::size_t each = countOfCopies(item.form);
    for (const ItemPtr& child : childrenOf(item)) add(*child, times * each, takeAway);
  }
};

/// Worked out from those of the sheet before, where most items are the same nodes.
std::shared_ptr<const Totals> totalsOf(const SheetPtr& sheet, const SheetPtr& before) {
  static NodeMemo<Totals> memo("totals", budgets::smallMemoBytes);
  if (auto known = memo.find({sheet})) return known;
  auto totals = std::make_shared<Totals>();
  const auto known = before ? memo.find({before}) : nullptr;
  if (known && before->items.size() == sheet->items.size() && known->items <= limits::mostItems &&
      known->nodes <= limits::mostNodes) {
    *totals = *known;
    eachDifference(sheet->items, before->items, [&](std::size_t i) { totals->add(*before->items[i], 1, true); });
    eachDifference(sheet->items, before->items, [&](std::size_t i) { totals->add(*sheet->items[i], 1); });
  } else {
    for (const ItemPtr& item : sheet->items) totals->add(*item, 1);
  }
  memo.keep({sheet}, totals);
  return totals;
}

class Checker {
 public:
  explicit Checker(const Project* before) {
    if (!before) return;
    for (const PiecePtr& piece : before->pieces)
      for (const SheetPtr& sheet : piece->sheets) known_.emplace(sheet->id, sheet);
  }

  void check(const Project& project) {
    need(project.name.size() <= limits::mostNameBytes, "the project's name is too long");
    check(project.swatches);
    check(project.textStyles);
    check(project.subjects);
    std::size_t sheets = 0, items = 0, nodes = 0, letters = 0;
    std::unordered_set<const Medium*> media;
    for (const PiecePtr& piece : project.pieces) {
      sheets += piece->sheets.size();
      need(piece->name.size() <= limits::mostNameBytes, "a piece's name is too long");
      check(piece->setting);
      check(piece->guides);
      for (const SheetPtr& sheet : piece->sheets) {
        const auto known = known_.find(sheet->id);
        const SheetPtr before = known == known_.end() ? nullptr : known->second;
        if (sheet != before) check(*sheet, before.get());
        const auto totals = totalsOf(sheet, before);
        items += totals->items;
        nodes += totals->nodes;
        letters += totals->letters;
        for (const auto& [medium, uses] : totals->media) {
          media.insert(medium);
          if (medium->video) media.insert(&medium->video->file);
        }
        need(items <= limits::mostItems, "a project shows 100000 items at most, all copies included");
        need(nodes <= limits::mostNodes, "the outlines of a project have 750000 nodes together at most");
        need(letters <= limits::mostLetters, "the words of a project have 4000000 bytes of text together at most");
      }
    }
    need(sheets <= limits::mostSheets, "a project holds 10000 sheets at most");
    need(media.size() <= limits::mostPhotos, "a project shows 9000 photos at most");
    std::size_t bytes = 0;
    for (const Medium* medium : media) bytes += medium->bytes ? medium->bytes->size() : 0;
    need(bytes <= limits::mostMediaBytes, "the photos of a project have 4 GiB together at most");
  }

 private:
  /// Items that are at the same place in the sheet before were looked at then.
  static void check(const Sheet& sheet, const Sheet* before) {
    need(isWithin(sheet.width, limits::leastSide, limits::mostSide) &&
             isWithin(sheet.height, limits::leastSide, limits::mostSide),
         "a sheet measures from 1 to 14400 points a side");
    need(isWithin(sheet.bleed, 0, limits::mostBleed), "a bleed measures from 0 to 720 points");
    need(sheet.name.size() <= limits::mostNameBytes, "a sheet's name is too long");
    for (const double fold : sheet.folds)
      need(isWithin(fold, -limits::mostSide, limits::mostSide), "a fold lies within 14400 points");
    check(sheet.guides);
    const ItemList none, &known = before ? before->items : none;
    eachDifference(sheet.items, known, [&](std::size_t i) { check(*sheet.items[i], 0); });
    for (std::size_t i = known.size(); i < sheet.items.size(); ++i) check(*sheet.items[i], 0);
  }

  static void check(const std::vector<Guide>& guides) {
    need(guides.size() <= limits::mostGuides, "a sheet, or a piece, has 1000 guides at most");
    for (const Guide& guide : guides) {
      need(isWithin(guide.at, -limits::mostSide, 2 * limits::mostSide), "a guide lies within 28800 points");
      need(guide.name.size() <= limits::mostNameBytes, "a guide's name is too long");
    }
  }

  static void check(const std::vector<Swatch>& swatches) {
    need(swatches.size() <= limits::mostSwatches, "a project has 1000 swatches at most");
    std::unordered_set<std::uint16_t> numbers;
    for (const Swatch& swatch : swatches) {
      need(swatch.name.size() <= limits::mostNameBytes, "a swatch's name is too long");
      need(swatch.number > 0 && swatch.colour.swatch == swatch.number && numbers.insert(swatch.number).second,
           "swatches have numbers of their own");
    }
  }

  static void check(const std::vector<NamedLookPtr>& styles) {
    need(styles.size() <= limits::mostTextStyles, "a project has 1000 styles of words at most");
    std::unordered_set<std::uint32_t> numbers;
    for (const NamedLookPtr& style : styles) {
      need(style->name.size() <= limits::mostNameBytes, "the name of a style of words is too long");
      need(!style->basedOn || numbers.contains(style->basedOn->number), "a style of words is based on one after it");
      need(style->number > 0 && numbers.insert(style->number).second, "styles of words have numbers of their own");
      for (const auto& [aspect, value] : style->look)
        need(whatIsWrong(aspect, value).empty(), "a style of words says what no words can be");
    }
  }

  static void check(const SubjectsOfPhotos& all) {
    std::size_t count = 0;
    for (const auto& [hash, subjects] : all) {
      need((count += subjects->size()) <= limits::mostSubjects, "a project has 1000 subjects at most");
      for (const Subject& subject : *subjects) {
        need(subject.name.size() <= limits::mostNameBytes, "a subject's name is too long");
        const Box box = bounds(subject.zone);
        need(!box.isEmpty() && isPlace(box.low) && isPlace(box.high), "a subject's zone lies within a million pixels");
        need(storedNodes(subject.zone) <= limits::mostZoneNodes, "a subject's zone has 1000 nodes at most");
      }
    }
  }

  static void check(const Setting& s) {
    for (const double length : {s.left, s.top, s.right, s.bottom, s.gutter})
      need(isWithin(length, 0, limits::mostSide), "margins and gutters measure from 0 to 14400 points");
    need(isWithin(s.columns, 1, limits::mostColumns), "a piece has from 1 to 50 columns");
    need(s.grid == 0 || isWithin(s.grid, limits::leastGrid, limits::mostSide),
         "a grid's lines are from 0.1 to 14400 points apart");
  }

  static void check(const Item& item, int depth) {
    need(depth <= limits::deepestItem, "items lie within one another 200 deep at most: bake one first");
    need(item.name.size() <= limits::mostNameBytes, "an item's name is too long");
    need(isPlace(item.position), quoted(item) + " would lie further than 1000000 points (353 m) away");
    need(isTurn(item.turn), quoted(item) + " is turned too far");
    checkStyle(*item.style, item);
    const auto looks = ownLooks(item.form);
    need(looks.size() <= limits::mostCopies, quoted(item) + " would have too many looks of single copies");
    for (const StylePtr& own : looks) checkStyle(*own, item);
    need(childrenOf(item).size() <= limits::mostParts, "a cutout or a group has 10000 parts at most");
    for (const ItemPtr& child : childrenOf(item)) check(*child, depth + 1);
    const std::string beyond = whatIsBeyond(item.form);
    need(beyond.empty(), quoted(item) + " " + beyond);
  }

  static void checkStyle(const Style& style, const Item& item) {
    const std::string beyond = beyondStyle(style);
    need(beyond.empty(), quoted(item) + ": " + beyond);
  }

  std::unordered_map<Id, SheetPtr> known_;  ///< The sheets before, by their ids.
};

}  // namespace

bool isPlace(Point p) {
  return isWithin(p.x, -limits::mostLength, limits::mostLength) &&
         isWithin(p.y, -limits::mostLength, limits::mostLength);
}

bool isTurn(double angle) { return isWithin(degrees(angle), -limits::mostTurnDeg, limits::mostTurnDeg); }

std::optional<Problem> beyondLimits(const Project& project, const Project* before) {
  try {
    Checker(before).check(project);
    return std::nullopt;
  } catch (const Beyond& beyond) {
    return Problem{beyond.what};
  }
}

std::string shortened(std::string name, std::size_t mostBytes) {
  if (name.size() <= mostBytes) return name;
  std::size_t end = mostBytes;
  while (end > 0 && (name[end] & 0xC0) == 0x80) --end;
  name.resize(end);
  return name;
}

}  // namespace widecut
