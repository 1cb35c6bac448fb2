#include "app/panels/sheets_model.h"

#include <QMimeData>
#include <algorithm>

#include "app/desk/carrying.h"
#include "painting/item_picture.h"

namespace widecut {
namespace {

constexpr int thumbnailWidth = 172, thumbnailHeight = 112;
constexpr std::size_t mostPictures = 300;  // of 80 kB each on a plain screen
constexpr char draggedSheet[] = "application/x-widecut-dragged-sheet";

QSize thumbnailSize(const Sheet& sheet) {
  const double scale = std::min(thumbnailWidth / sheet.width, thumbnailHeight / sheet.height);
  return {std::max(1, static_cast<int>(std::lround(sheet.width * scale))),
          std::max(1, static_cast<int>(std::lround(sheet.height * scale)))};
}

}  // namespace

SheetsModel::SheetsModel(Desk& desk, QObject* parent)
    : QAbstractListModel(parent), desk_(desk), pictures_(mostPictures) {
  connect(&pictures_, &SeenPictures::ready, this, [this](Id sheet) {
    const QModelIndex changed = indexOf(sheet);
    if (changed.isValid()) emit dataChanged(changed, changed, {PictureOf});
  });
  rows_ = rowsNow();
  // Thumbnails follow a little behind, so that a drag is not slowed.
  soon_.setSingleShot(true);
  soon_.setInterval(120);
  connect(&soon_, &QTimer::timeout, this, &SheetsModel::follow);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) soon_.start();
  });
  connect(&desk, &Desk::sheetChanged, this, &SheetsModel::follow);
}

std::vector<SheetsModel::Row> SheetsModel::rowsNow() const {
  std::vector<Row> rows;
  int number = 0;
  for (const PiecePtr& piece : desk_.settled().pieces) {
    rows.push_back({piece->id, QString::fromStdString(piece->name), nullptr, 0});
    for (const SheetPtr& sheet : piece->sheets)
      rows.push_back({sheet->id, QString::fromStdString(sheet->name), sheet, ++number});
  }
  return rows;
}

void SheetsModel::follow() {
  auto rows = rowsNow();
  const auto isLike = [](const Row& a, const Row& b) {
    return a.id == b.id && a.name == b.name && !a.sheet == !b.sheet &&
           (!a.sheet || thumbnailSize(*a.sheet) == thumbnailSize(*b.sheet));
  };
  if (!std::equal(rows.begin(), rows.end(), rows_.begin(), rows_.end(), isLike)) {
    beginResetModel();
    rows_ = std::move(rows);
    pictures_.keepOnly([&](Id id) { return indexOf(id).isValid(); });
    endResetModel();
    return;
  }
  for (std::size_t i = 0; i < rows.size(); ++i) {
    if (rows[i].sheet == rows_[i].sheet) continue;
    rows_[i] = rows[i];
    const QModelIndex changed = index(static_cast<int>(i));
    emit dataChanged(changed, changed);
  }
}

int SheetsModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

Qt::ItemFlags SheetsModel::flags(const QModelIndex& index) const {
  if (!index.isValid()) return Qt::ItemIsDropEnabled;
  const bool isSheet = rows_[static_cast<std::size_t>(index.row())].sheet != nullptr;
  const Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsEditable | Qt::ItemIsDragEnabled;
  return isSheet ? flags | Qt::ItemIsSelectable | Qt::ItemIsDropEnabled : flags;
}

bool SheetsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  const QString name = value.toString().trimmed();
  if (role != Qt::EditRole || name.isEmpty()) return false;
  emit renameWanted(rows_[static_cast<std::size_t>(index.row())].id, name);
  return true;
}

QStringList SheetsModel::mimeTypes() const { return {draggedSheet, draggedItems}; }

QMimeData* SheetsModel::mimeData(const QModelIndexList& indexes) const {
  auto* data = new QMimeData;
  if (!indexes.isEmpty())
    data->setData(draggedSheet,
                  QByteArray::number(static_cast<qulonglong>(rows_[static_cast<std::size_t>(indexes[0].row())].id)));
  return data;
}

bool SheetsModel::canDropMimeData(const QMimeData* data, Qt::DropAction, int row, int,
                                  const QModelIndex& parent) const {
  // Items go onto a sheet, sheets between sheets.
  if (data->hasFormat(draggedItems)) return parent.isValid() && parent.data(SheetId).toULongLong() != 0;
  return data->hasFormat(draggedSheet) && (row > 0 || parent.isValid());
}

bool SheetsModel::dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                               const QModelIndex& parent) {
  if (!canDropMimeData(data, action, row, column, parent)) return false;
  if (data->hasFormat(draggedItems)) {
    emit itemsDropped(itemsIn(*data), parent.data(SheetId).toULongLong(), action == Qt::CopyAction);
    return false;
  }
  const Id dragged = data->data(draggedSheet).toULongLong();
  const auto before = static_cast<std::size_t>(parent.isValid() ? parent.row() + 1 : row);
  std::size_t place = 0, pieces = 0;
  Id piece = 0;
  for (std::size_t i = 0; i < std::min(before, rows_.size()); ++i) {
    if (!rows_[i].sheet) {
      piece = rows_[i].id;
      pieces += rows_[i].id != dragged;
      place = 0;
    } else if (rows_[i].id != dragged) {
      ++place;
    }
  }
  const QModelIndex from = indexOf(dragged);
  if (from.data(SheetId).toULongLong() != 0)
    emit sheetMoved(dragged, piece, place);
  else
    emit pieceMoved(dragged, pieces);
  return false;  // rows follow the project
}

QModelIndex SheetsModel::indexOf(Id sheet) const {
  for (std::size_t i = 0; i < rows_.size(); ++i)
    if (rows_[i].id == sheet) return index(static_cast<int>(i));
  return {};
}

void SheetsModel::setPixelRatio(double ratio) {
  if (ratio == ratio_) return;
  ratio_ = ratio;
  pictures_.clear();
}

QVariant SheetsModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  const Row& row = rows_[static_cast<std::size_t>(index.row())];
  switch (role) {
    case Qt::DisplayRole:
      return row.sheet ? tr("%1  %2").arg(row.number).arg(row.name) : row.name;
    case Qt::EditRole:
      return row.name;
    case Qt::ToolTipRole:
    case Qt::AccessibleTextRole:
      return row.sheet ? tr("Sheet %1: %2").arg(row.number).arg(row.name) : row.name;
    case SheetId:
      return QVariant::fromValue<qulonglong>(row.sheet ? row.id : 0);
    case SizeOf:
      return row.sheet ? thumbnailSize(*row.sheet) : QSize();
    case PictureOf:
      return row.sheet ? pictureOf(row.sheet) : QImage();
    default:
      return {};
  }
}

QImage SheetsModel::pictureOf(const SheetPtr& sheet) const {
  return pictures_.of(sheet->id, sheet, [sheet, &photos = desk_.photos(), ratio = ratio_] {
    return pictureOfSheet(*sheet, photos, thumbnailSize(*sheet), ratio);
  });
}

}  // namespace widecut
