#include "app/desk/clipboard.h"

#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QImage>
#include <QUrl>
#include <algorithm>

#include "app/desk/bring_in.h"
#include "app/desk/bring_text.h"
#include "app/desk/grouping.h"
#include "output/png.h"
#include "output/svg.h"
#include "project/edits/colours.h"
#include "project/edits/fills.h"
#include "project/edits/levels.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/edits/words.h"
#include "project/limits.h"
#include "project/names.h"
#include "project/resolve.h"
#include "project/usual_colours.h"
#include "storage/project_file.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

constexpr double pngPpi = 144;
constexpr Point aside{12, 12};

/// How far aside the items have to lie so that none is at the very place of another one of its kind.
Point asideOf(const Sheet& sheet, const ItemList& items) {
  const auto wouldCover = [&](const ItemPtr& item, Point by) {
    return std::any_of(sheet.items.begin(), sheet.items.end(), [&](const ItemPtr& there) {
      return there->position == item->position + by && there->turn == item->turn &&
             kindOf(there->form) == kindOf(item->form);
    });
  };
  Point by;
  while (std::any_of(items.begin(), items.end(), [&](const ItemPtr& item) { return wouldCover(item, by); }))
    by = by + aside;
  return by;
}

Project withPasted(const Project& project, Id sheet, const ItemList& items, bool mayLieAside, std::vector<Id>& made) {
  const Point by = mayLieAside ? asideOf(*findSheet(project, sheet), items) : Point{};
  return withCopiesOnTop(project, sheet, std::vector<ItemPtr>(items.begin(), items.end()), by, made);
}

/// A picture's bytes as they came; a PNG of what this program itself put there as pixels. Empty for pictures of kinds
/// that are not read here: the toolkit would decode them in the window's process.
std::string pictureBytes(const QMimeData& data) {
  for (const char* format : {"image/png", "image/jpeg", "image/webp", "image/tiff"})
    if (data.hasFormat(format)) return data.data(format).toStdString();
  for (const QString& format : data.formats())
    if (format.startsWith("image/")) return {};
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!qvariant_cast<QImage>(data.imageData()).save(&buffer, "PNG")) return {};
  return bytes.toStdString();
}

/// What the words among an item say, from front to back as they are read.
void addText(const Item& item, std::string& all) {
  if (const Words* words = wordsOf(item)) all += (all.empty() ? "" : "\n") + words->content().text;
  for (const ItemPtr& child : childrenOf(item)) addText(*child, all);
}

Result<void> layPastedText(Desk& desk, LookedText text) {
  while (!text.text.empty() && text.text.back() == '\n')
    text = withReplaced(text, text.text.size() - 1, text.text.size(), {});
  if (text.text.empty()) return problem("the text on the clipboard is empty");
  desk.select({});
  return layText(desk, std::move(text), {}, Desk::tr("Paste"));
}

/// Text, with its looks where it has any.
void takeText(Desk& desk, const QMimeData& data, const Otherwise& otherwise) {
  const auto kind = data.hasHtml() ? TextKind::Html : TextKind::Plain;
  readThen<LookedText>(
      desk, Desk::tr("Reading the text on the clipboard"),
      [bytes = (data.hasHtml() ? data.html() : data.text()).toStdString(), kind,
       style = desk.textStyleForNew()](const Progress& progress) -> Result<LookedText> {
        auto text = textFromFile(bytes, kind, style, {.progress = progress});
        return text ? text : problem("the text on the clipboard cannot be taken: " + text.error().message);
      },
      [&desk](LookedText text) { return layPastedText(desk, std::move(text)); }, otherwise);
}

/// A list of numbers, while an item with a level is selected: a row of that item. False for anything else.
bool takeLevels(Desk& desk, const QString& text) {
  const ItemPtr item = desk.onlyItem();
  if (!item || !levelFillOf(*item->style)) return false;
  const auto entries = levelsFrom(text.toStdString());
  if (!entries) return false;
  std::vector<Id> made;
  Project changed = withLevelRow(desk.settled(), item->id, *entries, made);
  if (made.empty()) return false;
  if (desk.commit(Desk::tr("Row of levels"), std::move(changed))) {
    desk.select(made);
    emit desk.told(Desk::tr("%1 levels from the list").arg(entries->size()));
  }
  return true;
}

void layPicture(Desk& desk, const MediumPtr& picture, PasteAt at) {
  if (const PhotoPlace place = desk.photoPlace(std::nullopt); place.item != 0 && at == PasteAt::Beside) {
    desk.placePhoto(picture, place);
    return;
  }
  const SheetPtr on = desk.sheet();
  const Point half{on->width * 0.25, on->height * 0.25}, centre = on->box().centre();
  Id made = 0;
  Project changed = withPhotoItem(desk.settled(), on->id, picture, {centre - half, centre + half}, made);
  if (desk.commit(Desk::tr("Paste"), std::move(changed))) desk.select({made});
}

void takePicture(Desk& desk, const QMimeData& data, PasteAt at, const Otherwise& otherwise) {
  readThen<MediumPtr>(
      desk, Desk::tr("Reading the picture on the clipboard"),
      [bytes = pictureBytes(data)](const Progress& progress) -> Result<MediumPtr> {
        const auto medium = photoFromBytes(bytes, "the pasted picture", {.progress = progress});
        if (!medium) return tl::unexpected(medium.error());
        Medium named = **medium;
        named.name = "pasted picture.png";
        return std::make_shared<const Medium>(std::move(named));
      },
      [&desk, at](const MediumPtr& picture) -> Result<void> {
        layPicture(desk, picture, at);
        return {};
      },
      otherwise);
}

}  // namespace

Project projectOfItems(const std::vector<ItemPtr>& items) {
  Project project = emptyProject();
  project.swatches = swatchesIn(items);
  std::vector<Id> copies;
  return withCopiesOnTop(project, sheetsOf(project).front()->id, items, {}, copies);
}

QStringList ItemsData::formats() const {
  QStringList all{itemsFormat, "image/svg+xml", "image/png"};
  if (!textOfWords().isEmpty()) all << "text/plain";
  return all;
}

QString ItemsData::textOfWords() const {
  std::string all;
  for (const ItemPtr& item : items_) addText(*item, all);
  return QString::fromStdString(all);
}

Scene ItemsData::scene() const {
  const Project project = projectOfItems(items_);
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
  if (format == "text/plain") return textOfWords();
  Result<std::string> bytes = problem("another format");
  std::vector<std::string> notes;
  PhotoStore photos;  // the clipboard outlives the window
  if (format == itemsFormat) bytes = bytesOfProject(projectOfItems(items_), {});
  if (format == "image/svg+xml") bytes = svgOf(scene(), photos, Ground::Transparent, notes);
  if (format == "image/png") bytes = pngOf(scene(), photos, pngPpi, Ground::Transparent);
  return bytes ? QVariant(QByteArray::fromStdString(*bytes)) : QVariant();
}

void copySelection(Desk& desk) {
  auto items = asOnSheet(desk.settled(), desk.selection());
  if (items.empty()) return;
  emit desk.told(items.size() == 1 ? Desk::tr("Copied “%1”").arg(QString::fromStdString(items.front()->name))
                                   : Desk::tr("Copied %1 items").arg(items.size()));
  QApplication::clipboard()->setMimeData(new ItemsData(std::move(items)));
}

void cutSelection(Desk& desk) {
  copySelection(desk);
  deleteSelection(desk);
}

void paste(Desk& desk, PasteAt at) {
  const QMimeData* data = QApplication::clipboard()->mimeData();
  const Otherwise otherwise = [&desk](const Problem& why) {
    emit desk.told(Desk::tr("Not pasted: %1").arg(QString::fromStdString(why.message)));
  };
  data ? take(desk, *data, at, otherwise) : otherwise({"the clipboard is empty"});
}

QStringList filesOnClipboard() {
  QStringList files;
  const QMimeData* data = QApplication::clipboard()->mimeData();
  if (!data || data->hasFormat(itemsFormat)) return files;
  for (const QUrl& url : data->urls())
    if (url.isLocalFile()) files << url.toLocalFile();
  return files;
}

bool canTake(const QMimeData& data) {
  return data.hasFormat(itemsFormat) || data.hasFormat("image/svg+xml") || data.hasImage() || data.hasText() ||
         data.hasHtml();
}

namespace {

/// Items of this program, another window of it or this one.
Result<void> takeItems(Desk& desk, const QMimeData& data, PasteAt at) {
  const auto from = projectFromBytes(data.data(itemsFormat).toStdString());
  if (!from) return tl::unexpected(from.error());
  Project changed = desk.settled();
  std::vector<Id> made, here;
  for (const Id sheet : at == PasteAt::EverySheet ? desk.chosenSheets() : std::vector<Id>{desk.sheet()->id}) {
    made.clear();
    changed = withPasted(changed, sheet, sheetsOf(*from).front()->items, at == PasteAt::Beside, made);
    if (sheet == desk.sheet()->id) here = made;
  }
  if (desk.commit(Desk::tr("Paste"), std::move(changed))) desk.select(here);
  return {};
}

}  // namespace

void take(Desk& desk, const QMimeData& data, PasteAt at, const Otherwise& otherwise) {
  const auto readSvg = [&](std::string svg) {
    readShapes(desk, std::move(svg), Desk::tr("shapes"), Desk::tr("Paste"), otherwise);
  };
  if (data.hasFormat(itemsFormat)) {
    if (const auto taken = takeItems(desk, data, at); !taken) otherwise(taken.error());
  } else if (data.hasFormat("image/svg+xml")) {
    readSvg(data.data("image/svg+xml").toStdString());
  } else if (data.hasImage()) {
    takePicture(desk, data, at, otherwise);
  } else if (std::string text = data.text().toStdString(); isSvg(text)) {
    readSvg(std::move(text));
  } else if (data.hasText() && takeLevels(desk, data.text())) {
    return;
  } else if (data.hasText() || data.hasHtml()) {
    takeText(desk, data, otherwise);
  } else {
    otherwise({"it is neither items nor a picture nor text"});
  }
}

}  // namespace widecut
