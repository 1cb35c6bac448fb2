#include "app/tools/starter_entry.h"

#include <algorithm>

#include "app/desk/trial.h"
#include "app/look/in_qt.h"
#include "app/mat/mat.h"
#include "app/mat/size_entry.h"
#include "project/edits/places.h"
#include "project/edits/starters.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr std::size_t mostNumbers = 2;

/// Which numbers of the kind the entry asks for.
std::vector<std::size_t> askedFor(const StarterKind& kind) {
  std::vector<std::size_t> asked;
  for (std::size_t i = 0; i < kind.numbers.size() && asked.size() < mostNumbers; ++i) {
    const NumberKind sort = kind.numbers[i].kind;
    if (sort == NumberKind::Count || sort == NumberKind::Share || sort == NumberKind::Length) asked.push_back(i);
  }
  return asked;
}

double shownScale(const StarterNumber& number) { return number.kind == NumberKind::Share ? 100 : 1; }

/// The item with another size about its middle, and other numbers.
Project withEntered(const Project& project, Id id, const std::vector<double>& values) {
  const ItemPtr item = findItem(project, id);
  const Starter* starter = item ? starterOf(*item) : nullptr;
  if (!starter) return project;
  const Box box = boxInFrame(*item);
  const auto side = [](double wanted, double now) { return std::clamp(wanted, 0.01, limits::mostLength) / now; };
  const Affine frame = frameToSheet(project, id);
  const Affine map = frame *
                     Affine::scale(side(values[0], box.width()), side(values[1], box.height())).about(box.centre()) *
                     frame.inverse().value_or(Affine{});
  auto numbers = starter->content().numbers;
  const auto asked = askedFor(starter->kind());
  for (std::size_t i = 0; i < asked.size(); ++i)
    numbers[asked[i]] =
        within(starter->kind().numbers[asked[i]], values[i + 2] / shownScale(starter->kind().numbers[asked[i]]));
  return withNumbers(withResized(project, std::vector<Id>{id}, map), id, numbers);
}

}  // namespace

void openStarterEntry(Mat& mat, Desk& desk, Id id, QPointF at) {
  const ItemPtr item = findItem(desk.settled(), id);
  const Starter* starter = item ? starterOf(*item) : nullptr;
  if (!starter) return;
  const Starter::Content& content = starter->content();
  std::vector<SizeEntry::Field> fields{{Mat::tr("width"), desk.unit(), {}, content.size.width},
                                       {Mat::tr("height"), desk.unit(), {}, content.size.height}};
  for (const std::size_t i : askedFor(starter->kind())) {
    const StarterNumber& number = starter->kind().numbers[i];
    const bool isLength = number.kind == NumberKind::Length;
    fields.push_back({inQt(number.name), isLength ? desk.unit() : Unit::Plain,
                      number.kind == NumberKind::Share ? " %" : "", content.numbers[i] * shownScale(number)});
  }
  const auto trial = std::make_shared<Trial>(desk);
  const auto show = [trial, id, &desk](const std::vector<double>& values) {
    trial->show(withEntered(desk.settled(), id, values));
  };
  mat.entry().open(at, fields,
                   {show,
                    [trial, show](const std::vector<double>& values) {
                      show(values);
                      trial->settle(Mat::tr("Set size"));
                    },
                    [trial] { trial->drop(); }});
}

}  // namespace widecut
