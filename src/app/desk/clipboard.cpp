#include "app/desk/clipboard.h"

#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QImage>
#include <QUrl>
#include <algorithm>

#include "app/desk/grouping.h"
#include "app/desk/selecting.h"
#include "output/png.h"
#include "output/svg.h"
#include "project/edits/fills.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/names.h"
#include "storage/project_file.h"

namespace widecut {
namespace {

constexpr double pngPpi = 144;
constexpr Point aside{12, 12};

Project projectOf(const std::vector<ItemPtr>& items) {
  Project project = emptyProject();
  Id nextId = project.nextId;
  project = withSheet(project, sheetsOf(project).front()->id, [&](const Sheet& sheet) {
    Sheet out = sheet;
    for (const ItemPtr& item : items) out.items.push_back(std::make_shared<const Item>(freshCopy(*item, nextId)));
    return out;
  });
  project.nextId = nextId;
  return project;
}

/// True when an item lies at the very place of another one that looks the same.
bool wouldCover(const Sheet& sheet, const Item& item) {
  return std::any_of(sheet.items.begin(), sheet.items.end(), [&](const ItemPtr& there) {
    return there->position == item.position && there->turn == item.turn && kindOf(there->form) == kindOf(item.form);
  });
}

Project withPasted(const Project& project, Id sheet, const Project& from, bool mayLieAside, std::vector<Id>& made) {
  Project next = project;
  const SheetPtr on = findSheet(project, sheet);
  UniqueNames names(*on);
  std::vector<Item> items;
  for (const SheetPtr& source : sheetsOf(from))
    for (const ItemPtr& item : source->items) items.push_back(freshCopy(*item, next.nextId));
  while (mayLieAside && std::any_of(items.begin(), items.end(), [&](const Item& i) { return wouldCover(*on, i); }))
    for (Item& item : items) item.position = item.position + aside;
  for (Item& item : items) {
    item.name = names.take(item.name);
    made.push_back(item.id);
  }
  return withItemsOnTop(next, sheet, std::move(items));
}

/// A picture's bytes as they came, or as a PNG.
std::string pictureBytes(const QMimeData& data) {
  for (const char* format : {"image/png", "image/jpeg", "image/webp", "image/tiff"})
    if (data.hasFormat(format)) return data.data(format).toStdString();
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!qvariant_cast<QImage>(data.imageData()).save(&buffer, "PNG")) return {};
  return bytes.toStdString();
}

Result<void> takePicture(Desk& desk, const QMimeData& data) {
  const auto medium = photoFromBytes(pictureBytes(data), "the pasted picture");
  if (!medium) return tl::unexpected(medium.error());
  Medium named = **medium;
  named.name = "pasted picture.png";
  const SheetPtr on = desk.sheet();
  const Point half{on->width * 0.25, on->height * 0.25}, centre = on->box().centre();
  Id made = 0;
  Project changed = withPhotoItem(desk.settled(), on->id, std::make_shared<const Medium>(std::move(named)),
                                  {centre - half, centre + half}, made);
  if (desk.commit(Desk::tr("Paste"), std::move(changed))) desk.select({made});
  return {};
}

}  // namespace

ItemsData::ItemsData(std::vector<ItemPtr> items, PhotoStore& photos) : items_(std::move(items)), photos_(photos) {}

QStringList ItemsData::formats() const { return {itemsFormat, "image/svg+xml", "image/png"}; }

Scene ItemsData::scene() const {
  const Project project = projectOf(items_);
  Sheet sheet = *sheetsOf(project).front();
  Box box;
  for (const ItemPtr& item : sheet.items) box.add(tightBox(layerOf(item)));
  ItemList moved;
  for (const ItemPtr& item : sheet.items)
    moved.push_back(std::make_shared<const Item>(mapped(*item, Affine::move(Point{} - box.low))));
  sheet.items = std::move(moved);
  sheet.width = std::max(box.width(), 1.0);
  sheet.height = std::max(box.height(), 1.0);
  sheet.folds.clear();
  return sceneOf(sheet);
}

QVariant ItemsData::retrieveData(const QString& format, QMetaType) const {
  Result<std::string> bytes = problem("another format");
  std::vector<std::string> notes;
  if (format == itemsFormat) bytes = bytesOfProject(projectOf(items_), {});
  if (format == "image/svg+xml") bytes = svgOf(scene(), photos_, Ground::Transparent, notes);
  if (format == "image/png") bytes = pngOf(scene(), photos_, pngPpi, Ground::Transparent);
  return bytes ? QVariant(QByteArray::fromStdString(*bytes)) : QVariant();
}

std::vector<ItemPtr> selectedOnSheet(const Desk& desk) {
  std::vector<ItemPtr> items;
  const SheetPtr sheet = desk.sheet();
  const auto index = SheetIndex::of(sheet);
  std::vector<std::pair<Path, Id>> ordered;
  for (const Id id : outermost(desk.settled(), desk.selection()))
    if (const Path* path = index->find(id)) ordered.emplace_back(*path, id);
  std::sort(ordered.begin(), ordered.end());
  for (const auto& [path, id] : ordered) {
    Item item = mapped(*findItem(desk.settled(), id), parentToSheet(desk.settled(), id));
    item.hidden = false;
    items.push_back(std::make_shared<const Item>(std::move(item)));
  }
  return items;
}

void copySelection(Desk& desk) {
  auto items = selectedOnSheet(desk);
  if (items.empty()) return;
  emit desk.told(items.size() == 1 ? Desk::tr("Copied “%1”").arg(QString::fromStdString(items.front()->name))
                                   : Desk::tr("Copied %1 items").arg(items.size()));
  QApplication::clipboard()->setMimeData(new ItemsData(std::move(items), desk.photos()));
}

void cutSelection(Desk& desk) {
  copySelection(desk);
  deleteSelection(desk);
}

bool canPaste() {
  const QMimeData* data = QApplication::clipboard()->mimeData();
  return data && (data->hasFormat(itemsFormat) || data->hasImage());
}

void paste(Desk& desk, PasteAt at) {
  const QMimeData* data = QApplication::clipboard()->mimeData();
  const auto taken = data ? take(desk, *data, at) : Result<void>(problem("the clipboard is empty"));
  if (!taken) emit desk.told(Desk::tr("Not pasted: %1").arg(QString::fromStdString(taken.error().message)));
}

Result<void> take(Desk& desk, const QMimeData& data, PasteAt at) {
  if (!data.hasFormat(itemsFormat)) {
    if (data.hasImage()) return takePicture(desk, data);
    return problem("it is neither items nor a picture");
  }
  const auto from = projectFromBytes(data.data(itemsFormat).toStdString());
  if (!from) return tl::unexpected(from.error());
  Project changed = desk.settled();
  std::vector<Id> made, here;
  for (const Id sheet : at == PasteAt::EverySheet ? desk.chosenSheets() : std::vector<Id>{desk.sheet()->id}) {
    made.clear();
    changed = withPasted(changed, sheet, *from, at == PasteAt::Beside, made);
    if (sheet == desk.sheet()->id) here = made;
  }
  if (desk.commit(Desk::tr("Paste"), std::move(changed))) desk.select(here);
  return {};
}

}  // namespace widecut
