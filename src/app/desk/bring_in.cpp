#include "app/desk/bring_in.h"

#include <QFileInfo>

#include "media/files.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/group.h"
#include "project/limits.h"
#include "project/names.h"
#include "project/resolve.h"

namespace widecut {

bool isSvg(std::string_view bytes) {
  constexpr std::size_t head = 4096;
  bytes = bytes.substr(0, head);
  const auto from = bytes.find_first_not_of("\xEF\xBB\xBF \t\r\n");
  return from != std::string_view::npos && bytes[from] == '<' && bytes.find("<svg") != std::string_view::npos;
}

Result<void> layShapes(Desk& desk, SvgShapes shapes, const QString& name, std::optional<Point> at,
                       const QString& step) {
  Item whole = std::move(shapes.items.front());
  if (shapes.items.size() > 1) {
    auto group = std::make_shared<Group>();
    group->members.push_back(std::make_shared<const Item>(std::move(whole)));
    for (std::size_t i = 1; i < shapes.items.size(); ++i)
      group->members.push_back(std::make_shared<const Item>(std::move(shapes.items[i])));
    whole = {};
    whole.form = std::shared_ptr<const Group>(std::move(group));
    whole.name = shortened(name.toStdString());
  }
  const SheetPtr sheet = desk.sheet();
  constexpr double most = 0.9;  // of the sheet
  const Box box = boxInParent(whole);
  if (box.isEmpty()) return problem("the SVG holds no shapes that show");
  const double scale = std::min(
      {1.0, most * sheet->width / std::max(box.width(), 1e-9), most * sheet->height / std::max(box.height(), 1e-9)});
  whole = mapped(whole, Affine::move(at.value_or(sheet->box().centre())) * Affine::scale(scale, scale) *
                            Affine::move(Point{} - box.centre()));
  std::vector<Id> made;
  Project changed = withCopiesOnTop(desk.settled(), sheet->id,
                                    std::vector<ItemPtr>{std::make_shared<const Item>(std::move(whole))}, {}, made);
  if (!desk.commit(step, std::move(changed))) return {};
  desk.select(made);
  QString notes;
  for (const std::string& note : shapes.notes) notes += (notes.isEmpty() ? "" : "; ") + QString::fromStdString(note);
  if (!notes.isEmpty()) emit desk.told(Desk::tr("Of “%1” %2").arg(name, notes));
  return {};
}

void readShapes(Desk& desk, std::string svg, const QString& name, const QString& step, const Otherwise& otherwise) {
  readThen<SvgShapes>(
      desk, Desk::tr("Reading %1").arg(name),
      [svg = std::move(svg)](const Progress& progress) { return shapesFromSvg(svg, {.progress = progress}); },
      [&desk, name, step](SvgShapes shapes) { return layShapes(desk, std::move(shapes), name, {}, step); }, otherwise);
}

void layShapesFile(Desk& desk, const QString& path, std::optional<Point> at, const Otherwise& otherwise) {
  readThen<SvgShapes>(
      desk, Desk::tr("Reading %1").arg(QFileInfo(path).fileName()),
      [path](const Progress& progress) -> Result<SvgShapes> {
        const auto bytes = readFile(path.toStdString(), limits::mostJsonBytes);
        if (!bytes) return tl::unexpected(bytes.error());
        auto shapes = shapesFromSvg(*bytes, {.progress = progress});
        return shapes ? shapes : problem(path.toStdString() + ": " + shapes.error().message);
      },
      [&desk, path, at](SvgShapes shapes) {
        return layShapes(desk, std::move(shapes), QFileInfo(path).completeBaseName(), at, Desk::tr("Bring in shapes"));
      },
      otherwise);
}

}  // namespace widecut
