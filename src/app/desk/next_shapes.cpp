#include "app/desk/next_shapes.h"

#include <QSettings>

#include "app/look/in_qt.h"

namespace widecut {
namespace {

constexpr std::size_t mostRecent = 8;
const char* const key = "starters/recent";

}  // namespace

NextShapes::NextShapes() {
  kinds_ = {{ToolKind::Rectangle, starterKind("box")},
            {ToolKind::Ellipse, starterKind("ellipse")},
            {ToolKind::Polygon, starterKind("polygon")},
            {ToolKind::Starter, nullptr}};
  for (const QString& name : QSettings().value(key).toStringList())
    if (const StarterKind* kind = starterKind(name.toStdString()); kind && recent_.size() < mostRecent)
      recent_.push_back(kind);
}

const StarterKind* NextShapes::kindFor(ToolKind tool) const {
  const auto found = kinds_.find(tool);
  return found == kinds_.end() ? nullptr : found->second;
}

std::vector<double> NextShapes::numbersOf(ToolKind tool, const StarterKind& kind) const {
  const auto found = numbers_.find({tool, &kind});
  return found == numbers_.end() ? usualValues(kind) : found->second;
}

void NextShapes::setNumbers(ToolKind tool, const StarterKind& kind, std::vector<double> numbers) {
  numbers_[{tool, &kind}] = within(kind, numbers);
}

void NextShapes::noteUse(const StarterKind& kind) {
  std::erase(recent_, &kind);
  recent_.insert(recent_.begin(), &kind);
  if (recent_.size() > mostRecent) recent_.pop_back();
  QStringList names;
  for (const StarterKind* used : recent_) names << inQt(used->name);
  QSettings().setValue(key, names);
}

}  // namespace widecut
