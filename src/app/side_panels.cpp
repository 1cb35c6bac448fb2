#include "app/side_panels.h"

#include <QHeaderView>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/clear_layout.h"
#include "app/item_picture.h"
#include "app/theme.h"

namespace widecut {
namespace {

constexpr int thumbnailWidth = 172;

/// A sheet's thumbnail; the one that is open has a plum frame.
class Thumbnail : public QAbstractButton {
 public:
  Thumbnail(QImage image, bool open, const QString& name, QWidget* parent)
      : QAbstractButton(parent), image_(std::move(image)), open_(open) {
    setAccessibleName(name);
    setToolTip(name);
    setCursor(Qt::PointingHandCursor);
    setFocusPolicy(Qt::TabFocus);
    setFixedSize((image_.deviceIndependentSize() + QSizeF(6, 6)).toSize());
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    painter.drawImage(3, 3, image_);
    const bool lit = open_ || hasFocus() || underMouse();
    painter.setPen(QPen(open_ ? theme::plum : lit ? theme::slate : theme::rule, open_ ? 2 : 1));
    painter.drawRect(QRectF(rect()).adjusted(1.5, 1.5, -1.5, -1.5));
  }

 private:
  QImage image_;
  bool open_;
};

}  // namespace

SheetsPanel::SheetsPanel(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("sheets");
  column_ = new QVBoxLayout(this);
  column_->setContentsMargins(10, 8, 10, 8);
  column_->setSpacing(4);
  // Thumbnails follow a little behind, so that a drag is not slowed.
  soon_.setSingleShot(true);
  soon_.setInterval(120);
  connect(&soon_, &QTimer::timeout, this, &SheetsPanel::rebuild);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) soon_.start();
  });
  connect(&desk, &Desk::photosReady, &soon_, qOverload<>(&QTimer::start));
  connect(&desk, &Desk::sheetChanged, this, &SheetsPanel::rebuild);
  rebuild();
}

void SheetsPanel::rebuild() {
  clearLayout(*column_);
  auto* heading = new QLabel(tr("Sheets"), this);
  heading->setFont(theme::heading());
  heading->setStyleSheet("color: #5F6B67");
  column_->addWidget(heading);
  int number = 0;
  for (const PiecePtr& piece : desk_.settled().pieces) {
    auto* name = new QLabel(this);
    name->setFont(theme::font(12));
    name->setText(name->fontMetrics().elidedText(QString::fromStdString(piece->name), Qt::ElideRight, thumbnailWidth));
    column_->addWidget(name);
    for (const SheetPtr& sheet : piece->sheets) {
      const double scale = std::min(thumbnailWidth / sheet->width, 112 / sheet->height);
      const QSize size(static_cast<int>(std::lround(sheet->width * scale)),
                       static_cast<int>(std::lround(sheet->height * scale)));
      const bool open = desk_.sheet() && desk_.sheet()->id == sheet->id;
      auto* thumbnail =
          new Thumbnail(pictureOfSheet(desk_.settled(), *sheet, desk_.photos(), size, devicePixelRatioF()), open,
                        tr("Sheet %1: %2").arg(++number).arg(QString::fromStdString(sheet->name)), this);
      thumbnail->setObjectName(QString("sheet%1").arg(number));
      connect(thumbnail, &QAbstractButton::clicked, this, [this, id = sheet->id] { desk_.goToSheet(id); });
      column_->addWidget(thumbnail);
    }
    column_->addSpacing(4);
  }
  column_->addStretch(1);
}

StackPanel::StackPanel(Desk& desk, QWidget* parent) : QTreeWidget(parent), desk_(desk) {
  setObjectName("stack");
  setAccessibleName(tr("Stack: the items of the sheet, front first"));
  setColumnCount(2);
  header()->hide();
  header()->setStretchLastSection(false);
  header()->setSectionResizeMode(0, QHeaderView::Stretch);
  header()->setSectionResizeMode(1, QHeaderView::Fixed);
  header()->resizeSection(1, 30);
  setIndentation(14);
  setIconSize({16, 16});
  setSelectionMode(QAbstractItemView::ExtendedSelection);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) rebuild();
  });
  connect(&desk, &Desk::sheetChanged, this, &StackPanel::rebuild);
  connect(&desk, &Desk::selectionChanged, this, &StackPanel::showSelection);
  connect(this, &QTreeWidget::itemSelectionChanged, this, [this] {
    if (showing_) return;
    std::vector<Id> ids;
    for (const auto& [id, row] : rows_)
      if (row->isSelected()) ids.push_back(id);
    choosing_ = true;
    desk_.select(ids);
    choosing_ = false;
  });
  rebuild();
}

void StackPanel::mousePressEvent(QMouseEvent* event) {
  const QTreeWidgetItem* row = itemAt(event->pos());
  if (!row || columnAt(event->pos().x()) != 1 || event->button() != Qt::LeftButton) {
    QTreeWidget::mousePressEvent(event);
    return;
  }
  // The eye acts when it is pressed, and leaves the selection alone.
  const Id id = row->data(0, Qt::UserRole).toULongLong();
  desk_.commit(tr("Hide or show"), withItem(desk_.settled(), id, [](const Item& before) {
                 Item after = before;
                 after.hidden = !before.hidden;
                 return after;
               }));
}

void StackPanel::add(QTreeWidgetItem* under, const Item& item, const QString& sign) {
  auto* row = under ? new QTreeWidgetItem(under) : new QTreeWidgetItem(this);
  const QString name = QString::fromStdString(item.name);
  row->setText(0, sign.isEmpty() ? name : sign + "  " + name);
  row->setToolTip(0, name);
  row->setData(0, Qt::UserRole, QVariant::fromValue<qulonglong>(item.id));
  row->setIcon(1, theme::icon(item.hidden ? "eye-shut" : "eye"));
  row->setToolTip(1, item.hidden ? tr("Show") : tr("Hide"));
  if (item.hidden) row->setForeground(0, theme::slate);
  rows_[item.id] = row;
  const Recipe* recipe = item.recipe();
  if (!recipe) return;
  const auto roles = recipe->formula.operators();
  for (std::size_t i = 0; i < recipe->parts.size(); ++i)
    add(row, *recipe->parts[i], theme::signOf(i == 0 ? Role::Add : roles[i - 1]));
}

void StackPanel::rebuild() {
  showing_ = true;
  IdSet opened;
  for (const auto& [id, row] : rows_)
    if (row->isExpanded()) opened.insert(id);
  clear();
  rows_.clear();
  const auto& items = desk_.sheet()->items;
  for (auto item = items.rbegin(); item != items.rend(); ++item) add(nullptr, **item, {});
  for (const auto& [id, row] : rows_)
    if (opened.contains(id)) row->setExpanded(true);
  choosing_ = true;
  showSelection();
  choosing_ = false;
}

void StackPanel::showSelection() {
  showing_ = true;
  clearSelection();
  for (int i = 0; i < topLevelItemCount() && !choosing_; ++i) topLevelItem(i)->setExpanded(false);
  for (const Id id : desk_.selection()) {
    const auto row = rows_.find(id);
    if (row == rows_.end()) continue;
    row->second->setSelected(true);
    if (desk_.selection().size() == 1) row->second->setExpanded(true);
    for (auto* up = row->second->parent(); up; up = up->parent()) up->setExpanded(true);
    if (id == desk_.selection().front()) scrollToItem(row->second);
  }
  showing_ = false;
}

}  // namespace widecut
