// Edits of guides: of a sheet, or of all sheets of a piece.
#pragma once

#include <span>

#include "project/model.h"

namespace widecut {

/// Where a guide is: its owner is a sheet or a piece.
struct GuidePlace {
  Id owner = 0;
  std::size_t number = 0;
  bool operator==(const GuidePlace&) const = default;
};

/// The guides of a sheet or a piece; none when there is neither.
const std::vector<Guide>& guidesOf(const Project& project, Id owner);
/// The guide there; null when there is none.
const Guide* findGuide(const Project& project, const GuidePlace& place);
/// All that lie across a sheet: its own, then those of its piece.
std::vector<GuidePlace> guidesOn(const Project& project, Id sheet);

/// One more, behind the others of its owner. A second one in the same place changes nothing.
Project withGuide(const Project& project, Id owner, const Guide& guide);
Project withGuideSet(const Project& project, const GuidePlace& place, const Guide& guide);
Project withoutGuide(const Project& project, const GuidePlace& place);
/// The guide with another owner, behind its others.
Project withGuideOf(const Project& project, const GuidePlace& place, Id owner);
/// Guides of the sheet at the four sides of the items' box.
Project withGuidesAround(const Project& project, std::span<const Id> items);

}  // namespace widecut
