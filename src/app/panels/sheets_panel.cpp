#include "app/panels/sheets_panel.h"

#include <QLabel>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "painting/item_picture.h"

namespace widecut {
namespace {

constexpr int thumbnailWidth = 172, thumbnailHeight = 112;
constexpr int inset = 10, frame = 3, gap = 4;
constexpr std::size_t mostPictures = 300;  // of 80 kB each on a plain screen

QSize thumbnailSize(const Sheet& sheet) {
  const double scale = std::min(thumbnailWidth / sheet.width, thumbnailHeight / sheet.height);
  return {std::max(1, static_cast<int>(std::lround(sheet.width * scale))),
          std::max(1, static_cast<int>(std::lround(sheet.height * scale)))};
}

/// A piece's name, or a sheet's thumbnail; the one that is open has a plum frame.
class SheetDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
    const QSize size = index.data(SheetsModel::SizeOf).toSize();
    if (size.isEmpty()) return {thumbnailWidth, QFontMetrics(theme::font(12)).height() + 2 * gap};
    return {thumbnailWidth, size.height() + 2 * frame + gap};
  }

  void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
    const QRect area = option.rect.adjusted(inset, 0, -inset, 0);
    const QSize size = index.data(SheetsModel::SizeOf).toSize();
    if (size.isEmpty()) {
      painter->setFont(theme::font(12));
      painter->setPen(theme::ink);
      const QString name = index.data(Qt::DisplayRole).toString();
      painter->drawText(area, Qt::AlignVCenter | Qt::AlignLeft,
                        painter->fontMetrics().elidedText(name, Qt::ElideRight, area.width()));
      return;
    }
    const QRect paper(area.topLeft() + QPoint(frame, frame), size);
    const QImage picture = index.data(SheetsModel::PictureOf).value<QImage>();
    if (picture.isNull())
      painter->fillRect(paper, Qt::white);
    else
      painter->drawImage(paper, picture);
    const bool open = option.state & QStyle::State_Selected;
    const bool lit = open || option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
    painter->setPen(QPen(open ? theme::plum : lit ? theme::slate : theme::rule, open ? 2 : 1));
    painter->drawRect(QRectF(paper).adjusted(-1.5, -1.5, 1.5, 1.5));
  }
};

}  // namespace

SheetsModel::SheetsModel(Desk& desk, QObject* parent) : QAbstractListModel(parent), desk_(desk) {
  painters_.setMaxThreadCount(1);
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

SheetsModel::~SheetsModel() {
  painters_.clear();
  painters_.waitForDone();
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
    std::erase_if(pictures_, [&](const auto& entry) { return !indexOf(entry.first).isValid(); });
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
  const bool isSheet = index.isValid() && rows_[static_cast<std::size_t>(index.row())].sheet;
  return isSheet ? Qt::ItemIsEnabled | Qt::ItemIsSelectable : Qt::ItemIsEnabled;
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
      return row.sheet ? QVariant() : row.name;
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
  Picture& picture = pictures_[sheet->id];
  picture.lastUse = ++uses_;
  if (picture.of != sheet && picture.wanted != sheet) {
    picture.wanted = sheet;
    auto* self = const_cast<SheetsModel*>(this);  // what is painted comes back to the model itself
    painters_.start([self, sheet, &photos = desk_.photos(), ratio = ratio_] {
      QImage image = pictureOfSheet(*sheet, photos, thumbnailSize(*sheet), ratio);
      QMetaObject::invokeMethod(
          self, [self, sheet, image = std::move(image)] { self->take(sheet, image); }, Qt::QueuedConnection);
    });
  }
  return picture.image;
}

void SheetsModel::take(const SheetPtr& sheet, QImage image) {
  const auto found = pictures_.find(sheet->id);
  if (found == pictures_.end() || found->second.wanted != sheet) return;
  found->second.of = sheet;
  found->second.wanted = nullptr;
  found->second.image = std::move(image);
  while (pictures_.size() > mostPictures)
    pictures_.erase(std::min_element(pictures_.begin(), pictures_.end(),
                                     [](const auto& a, const auto& b) { return a.second.lastUse < b.second.lastUse; }));
  const QModelIndex changed = indexOf(sheet->id);
  emit dataChanged(changed, changed, {PictureOf});
}

SheetsPanel::SheetsPanel(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 8, 0, 0);
  column->setSpacing(2);
  auto* heading = new QLabel(tr("Sheets"), this);
  theme::makeHeading(*heading);
  heading->setContentsMargins(inset, 0, 0, 0);
  column->addWidget(heading);
  model_ = new SheetsModel(desk, this);
  model_->setPixelRatio(devicePixelRatioF());
  view_ = new QListView(this);
  view_->setObjectName("sheets");
  view_->setAccessibleName(tr("Sheets, grouped by piece"));
  view_->setModel(model_);
  view_->setItemDelegate(new SheetDelegate(view_));
  view_->setFrameShape(QFrame::NoFrame);
  view_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
  view_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  view_->setSelectionMode(QAbstractItemView::SingleSelection);
  view_->setMouseTracking(true);
  view_->viewport()->setCursor(Qt::PointingHandCursor);
  view_->viewport()->setAutoFillBackground(false);
  column->addWidget(view_, 1);
  const auto go = [this](const QModelIndex& index) {
    if (const Id sheet = index.data(SheetsModel::SheetId).toULongLong()) desk_.goToSheet(sheet);
  };
  connect(view_, &QListView::clicked, this, go);
  connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, this, go);
  connect(model_, &QAbstractItemModel::modelReset, this, &SheetsPanel::showOpenSheet);
  connect(&desk, &Desk::sheetChanged, this, &SheetsPanel::showOpenSheet);
  showOpenSheet();
}

void SheetsPanel::showOpenSheet() {
  const SheetPtr open = desk_.sheet();
  const QModelIndex index = open ? model_->indexOf(open->id) : QModelIndex();
  view_->selectionModel()->setCurrentIndex(index, QItemSelectionModel::ClearAndSelect);
}

}  // namespace widecut
