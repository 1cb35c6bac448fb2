#include "project/edits/guides.h"

#include <algorithm>

#include "project/edits/sheets.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

Project withGuides(const Project& project, Id owner, const std::function<void(std::vector<Guide>& guides)>& change) {
  if (findSheet(project, owner))
    return withSheet(project, owner, [&](const Sheet& sheet) {
      Sheet out = sheet;
      change(out.guides);
      return out;
    });
  Project next = project;
  for (PiecePtr& piece : next.pieces) {
    if (piece->id != owner) continue;
    Piece out = *piece;
    change(out.guides);
    piece = std::make_shared<const Piece>(std::move(out));
  }
  return next;
}

}  // namespace

const std::vector<Guide>& guidesOf(const Project& project, Id owner) {
  static const std::vector<Guide> none;
  for (const PiecePtr& piece : project.pieces) {
    if (piece->id == owner) return piece->guides;
    for (const SheetPtr& sheet : piece->sheets)
      if (sheet->id == owner) return sheet->guides;
  }
  return none;
}

const Guide* findGuide(const Project& project, const GuidePlace& place) {
  const auto& guides = guidesOf(project, place.owner);
  return place.number < guides.size() ? &guides[place.number] : nullptr;
}

std::vector<GuidePlace> guidesOn(const Project& project, Id sheet) {
  std::vector<GuidePlace> places;
  const PiecePtr piece = pieceOf(project, sheet);
  for (const Id owner : {sheet, piece ? piece->id : 0})
    for (std::size_t i = 0; i < guidesOf(project, owner).size(); ++i) places.push_back({owner, i});
  return places;
}

Project withGuide(const Project& project, Id owner, const Guide& guide) {
  return withGuides(project, owner, [&](std::vector<Guide>& guides) {
    const bool isThere = std::any_of(guides.begin(), guides.end(), [&](const Guide& one) {
      return one.upright == guide.upright && one.at == guide.at;
    });
    if (!isThere) guides.push_back(guide);
  });
}

Project withGuideSet(const Project& project, const GuidePlace& place, const Guide& guide) {
  return withGuides(project, place.owner, [&](std::vector<Guide>& guides) {
    if (place.number < guides.size()) guides[place.number] = guide;
  });
}

Project withoutGuide(const Project& project, const GuidePlace& place) {
  return withGuides(project, place.owner, [&](std::vector<Guide>& guides) {
    if (place.number < guides.size()) guides.erase(guides.begin() + static_cast<std::ptrdiff_t>(place.number));
  });
}

Project withGuideOf(const Project& project, const GuidePlace& place, Id owner) {
  const Guide* guide = findGuide(project, place);
  if (!guide || owner == place.owner) return project;
  return withGuide(withoutGuide(project, place), owner, *guide);
}

Project withGuidesAround(const Project& project, std::span<const Id> items) {
  Box box;
  for (const Id id : items) box.add(boxOnSheet(project, id));
  const SheetPtr sheet = items.empty() ? nullptr : sheetOf(project, items.front());
  if (box.isEmpty() || !sheet) return project;
  Project next = project;
  for (const Guide& guide :
       {Guide{true, box.low.x}, Guide{true, box.high.x}, Guide{false, box.low.y}, Guide{false, box.high.y}})
    next = withGuide(next, sheet->id, guide);
  return next;
}

}  // namespace widecut
