// A small project that tests of the model start from.
#pragma once

#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/recipe.h"
#include "shapes/primitives.h"

namespace widecut {

/// One 200 × 150 sheet with a box (0…100) and, in front, a disc of diameter 60 at (100, 50).
struct Sample {
  Project project;
  Id sheet = 2, box = 0, disc = 0;
  MediumPtr photo;

  Sample() {
    Sheet page;
    page.id = sheet;
    page.name = "sheet";
    page.width = 200;
    page.height = 150;
    project.name = "sample";
    project.pieces = {std::make_shared<const Piece>(Piece{1, "piece", {std::make_shared<const Sheet>(page)}})};
    project.nextId = 3;
    box = add("box", fitted(rectangleOutline(1, 1), {{0, 0}, {100, 100}}), {200, 40, 30});
    disc = add("disc", transformed(ellipseOutline(60, 60), Affine::move({100, 50})), {20, 90, 160});
  }
  Id add(const char* name, const Outline& outline, Colour fill) {
    Style style;
    setColour(style, fill);
    project = withItemsOnTop(project, sheet, {plainItem(project.nextId, name, outline, style)});
    return project.nextId - 1;
  }
  /// Instead of all that is there, an empty sheet of another size.
  void empty(double width, double height) {
    project = withSheet(project, sheet, [&](const Sheet& before) {
      Sheet after = before;
      after.width = width;
      after.height = height;
      after.items = {};
      return after;
    });
  }
  /// A medium without bytes: enough for the model.
  void addPhoto(int width, int height) {
    auto medium = std::make_shared<Medium>();
    medium->hash = std::string(64, 'a');
    medium->name = "photo.jpg";
    medium->width = width;
    medium->height = height;
    photo = medium;
  }
  const Sheet& sheetOf(const Project& p) const { return *findSheet(p, sheet); }
};

/// The project with another medium in the place of every one that its items show.
inline Project withOtherMedium(const Project& project, const MediumPtr& medium) {
  std::vector<Id> ids;
  for (const SheetPtr& sheet : sheetsOf(project))
    for (const ItemPtr& item : sheet->items) ids.push_back(item->id);
  return withEach(project, ids, [&](const Item& before) {
    Item after = before;
    for (Fill& fill : changeable(after).fills)
      if (auto* picture = std::get_if<Picture>(&fill.paint)) picture->medium = medium;
    return after;
  });
}

}  // namespace widecut
