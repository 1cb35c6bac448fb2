#include "words/columns.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace widecut {
namespace {

constexpr double rounding = 1e-6;    // points
constexpr double leastWidth = 1e-3;  // points

}  // namespace

std::vector<Column> columnsOf(std::span<const FrameToFill> frames) {
  std::vector<Column> out;
  for (std::size_t i = 0; i < frames.size(); ++i) {
    const TextFrame& frame = frames[i].frame;
    const Region* region = frames[i].region.get();
    Box box{{frame.inset, frame.inset}, {frame.width - frame.inset, frame.height - frame.inset}};
    if (region) box = region->box();
    if (box.isEmpty()) box = {{0, 0}, {leastWidth, 0}};
    const int count = std::max(1, frame.columns);
    const double width = std::max((box.width() - frame.gutter * (count - 1)) / count, leastWidth);
    for (int c = 0; c < count; ++c) {
      const double left = box.low.x + c * (width + frame.gutter);
      out.push_back({i, left, left + width, box.low.y, box.high.y, region, frame.first, 0});
    }
  }
  Column rest = out.empty() ? Column{} : out.back();
  rest.frame = frames.size();
  rest.region = nullptr;
  rest.top = rest.bottom;
  rest.bottom = std::numeric_limits<double>::infinity();
  out.push_back(rest);
  return out;
}

Slots::Slots(const std::vector<Column>& columns, Cursor cursor, LineMeasures measures,
             std::map<std::size_t, double> lowest)
    : columns_(columns),
      measures_(measures),
      lowest_(std::move(lowest)),
      cursor_(cursor),
      firstColumn_(cursor.column) {}

const Slot& Slots::at(std::size_t number) const {
  while (slots_.size() <= number) findMore();
  return slots_[number];
}

bool Slots::isBeyond(double y) const {
  const Column& column = columns_[cursor_.column];
  if (y + measures_.descent > column.bottom + rounding) return true;
  const auto limit = lowest_.find(cursor_.column);
  return limit != lowest_.end() && y > limit->second + rounding;
}

void Slots::findMore() const {
  constexpr int mostEmpty = 5000;  // base lines without any room
  const std::size_t before = slots_.size();
  for (int empty = 0; slots_.size() == before; ++empty) {
    const Column& column = columns_[cursor_.column];
    double y = cursor_.y + cursor_.space + measures_.leading;
    if (cursor_.isAtTop) {
      const double offset = column.first == FirstLine::Ascent     ? measures_.ascent
                            : column.first == FirstLine::Capitals ? measures_.capHeight
                                                                  : measures_.leading;
      y = column.top + column.startsLower + offset;
    }
    const bool isLast = cursor_.column + 1 == columns_.size();
    const bool standsStill = empty > 0 && (!(measures_.leading > 0) || empty > mostEmpty);
    if (!isLast && (isBeyond(y) || standsStill)) {
      cursor_ = {cursor_.column + 1, true, 0, 0};
      empty = -1;
      continue;
    }
    cursor_ = {cursor_.column, false, y, 0};
    if (!column.region) {
      slots_.push_back({column.left, column.right, y, cursor_.column, true});
      continue;
    }
    bool begins = true;
    // Letters seldom reach higher than capitals.
    for (const auto& [left, right] : column.region->free(y - measures_.capHeight, y + measures_.descent)) {
      const double from = std::max(left, column.left), to = std::min(right, column.right);
      if (to - from < leastWidth) continue;
      slots_.push_back({from, to, y, cursor_.column, begins});
      begins = false;
    }
  }
}

std::size_t Slots::alikeFrom() const {
  constexpr auto never = static_cast<std::size_t>(-1);
  const double width = columns_[firstColumn_].right - columns_[firstColumn_].left;
  const auto isAlike = [&](const Column& c) { return !c.region && std::abs(c.right - c.left - width) < rounding; };
  return std::all_of(columns_.begin() + static_cast<std::ptrdiff_t>(firstColumn_), columns_.end(), isAlike) ? 0 : never;
}

}  // namespace widecut
