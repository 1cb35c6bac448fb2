#include "app/tools/repeat_entry.h"

#include "app/desk/repeating.h"
#include "app/desk/trial.h"
#include "app/look/in_qt.h"
#include "app/mat/mat.h"
#include "app/mat/size_entry.h"
#include "project/edits/repeats.h"
#include "shapes/pattern_numbers.h"

namespace widecut {
namespace {

/// Which numbers the entry asks for: lengths first, which are typed most, and what is counted.
std::vector<std::size_t> askedFor(const Pattern& pattern) {
  const auto numbers = kindOf(pattern).numbers;
  std::vector<std::size_t> asked;
  for (const NumberKind kind : {NumberKind::Length, NumberKind::Count}) {
    // Of lengths that say the same one is enough: the gap, and not the pitch.
    bool isAsked = false;
    for (std::size_t i = 0; i < numbers.size(); ++i) {
      const bool isOther = numbers[i].number.name == "gap down" || kind == NumberKind::Count;
      if (numbers[i].number.kind != kind || (isAsked && !isOther)) continue;
      asked.push_back(i);
      isAsked = true;
    }
  }
  // A row starts along either side.
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (numbers[i].number.name == "direction") asked.push_back(i);
  return asked;
}

}  // namespace

void openRepeatEntry(Mat& mat, Desk& desk) {
  const ItemPtr item = selectedRepeat(desk);
  if (!item) return;
  const Repeat& repeat = *repeatOf(*item);
  const auto asked = askedFor(repeat.pattern);
  std::vector<SizeEntry::Field> fields;
  for (const std::size_t i : asked) {
    const PatternNumber& number = kindOf(repeat.pattern).numbers[i];
    const bool isLength = number.number.kind == NumberKind::Length;
    fields.push_back({inQt(number.number.name), isLength ? desk.unit() : Unit::Plain,
                      number.number.kind == NumberKind::Angle ? "°" : "",
                      number.value(repeat.pattern, firstBox(repeat))});
  }
  const auto trial = std::make_shared<Trial>(desk);
  const auto show = [trial, asked, before = fields, id = item->id, &desk](const std::vector<double>& values) {
    const ItemPtr now = findItem(desk.settled(), id);
    if (!now || !repeatOf(*now)) return;
    Pattern pattern = repeatOf(*now)->pattern;
    for (std::size_t i = 0; i < asked.size(); ++i)
      if (values[i] != before[i].value) pattern = withNumber(pattern, asked[i], firstBox(*repeatOf(*now)), values[i]);
    trial->show(withPattern(desk.settled(), id, pattern));
  };
  const auto places = allPlacesOf(repeat);
  const Box first = firstBox(repeat);
  const Point corner = frameToSheet(desk.settled(), item->id)(places.back()(Point{first.centre().x, first.high.y}));
  mat.entry().open(mat.toMat(corner), fields,
                   {show,
                    [trial, show](const std::vector<double>& values) {
                      show(values);
                      trial->settle(Mat::tr("Set the repeat"));
                    },
                    [trial] { trial->drop(); }});
}

}  // namespace widecut
