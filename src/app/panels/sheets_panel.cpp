#include "app/panels/sheets_panel.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/commands/command_actions.h"
#include "app/look/theme.h"
#include "project/edits/sheets.h"
#include "project/limits.h"

namespace widecut {
namespace {

constexpr int inset = 10, frame = 3, gap = 4;

QFont pieceFont() { return theme::font(12, QFont::DemiBold); }
QFont sheetFont() { return theme::font(11); }
int captionHeight(const QFont& font) { return QFontMetrics(font).height() + gap; }

/// A piece's name, or a sheet's thumbnail with its number and name below; the one that is open has a plum frame.
class SheetDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
    const QSize size = index.data(SheetsModel::SizeOf).toSize();
    if (size.isEmpty()) return {100, captionHeight(pieceFont()) + gap};
    return {100, size.height() + 2 * frame + captionHeight(sheetFont()) + gap};
  }

  void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
    const QRect area = option.rect.adjusted(inset, 0, -inset, 0);
    const QSize size = index.data(SheetsModel::SizeOf).toSize();
    const bool open = option.state & QStyle::State_Selected;
    painter->setFont(size.isEmpty() ? pieceFont() : sheetFont());
    painter->setPen(size.isEmpty() || open ? theme::ink : theme::slate);
    const QRect words = captionOf(option, index);
    painter->drawText(words, Qt::AlignVCenter | Qt::AlignLeft,
                      painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, words.width()));
    if (size.isEmpty()) return;
    const QRect paper(area.topLeft() + QPoint(frame, frame), size);
    const QImage picture = index.data(SheetsModel::PictureOf).value<QImage>();
    if (picture.isNull())
      painter->fillRect(paper, Qt::white);
    else
      painter->drawImage(paper, picture);
    const bool lit = open || option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus);
    painter->setPen(QPen(open ? theme::plum : lit ? theme::slate : theme::rule, open ? 2 : 1));
    painter->drawRect(QRectF(paper).adjusted(-1.5, -1.5, 1.5, 1.5));
  }

  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex& index) const override {
    auto* field = new QLineEdit(parent);
    field->setFrame(false);
    field->setAccessibleName(SheetsPanel::tr("Name of %1").arg(index.data(Qt::EditRole).toString()));
    return field;
  }
  void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option,
                            const QModelIndex& index) const override {
    editor->setGeometry(captionOf(option, index).adjusted(-2, -1, 0, 1));
  }

 private:
  static QRect captionOf(const QStyleOptionViewItem& option, const QModelIndex& index) {
    const QRect area = option.rect.adjusted(inset, 0, -inset, 0);
    if (index.data(SheetsModel::SizeOf).toSize().isEmpty()) return area;
    const int height = captionHeight(sheetFont());
    return {area.left() + frame, area.bottom() - height - gap + 2, area.width() - frame, height};
  }
};

}  // namespace

SheetsPanel::SheetsPanel(Desk& desk, CommandActions& commands, QWidget* parent)
    : QWidget(parent), desk_(desk), commands_(commands) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 8, 0, 0);
  column->setSpacing(2);
  column->addWidget(buildHeading(commands));
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
  view_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  view_->setProperty("keepsKeys", true);  // Delete and F2 are for the sheets that were clicked
  view_->setMouseTracking(true);
  view_->viewport()->setCursor(Qt::PointingHandCursor);
  view_->viewport()->setAutoFillBackground(false);
  view_->setDragDropMode(QAbstractItemView::DragDrop);
  view_->setDefaultDropAction(Qt::MoveAction);
  view_->setEditTriggers(QAbstractItemView::DoubleClicked);
  view_->setContextMenuPolicy(Qt::CustomContextMenu);
  view_->installEventFilter(this);
  column->addWidget(view_, 1);
  const auto go = [this](const QModelIndex& index) {
    if (const Id sheet = index.data(SheetsModel::SheetId).toULongLong()) desk_.goToSheet(sheet);
  };
  connect(view_, &QListView::clicked, this, go);
  connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, this, go);
  connect(view_->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
    std::vector<Id> sheets;
    for (const QModelIndex& row : view_->selectionModel()->selectedIndexes())
      sheets.push_back(row.data(SheetsModel::SheetId).toULongLong());
    desk_.chooseSheets(std::move(sheets));
  });
  connect(model_, &QAbstractItemModel::modelReset, this, &SheetsPanel::showOpenSheet);
  connect(&desk, &Desk::sheetChanged, this, &SheetsPanel::showOpenSheet);
  connect(view_, &QListView::customContextMenuRequested, this, &SheetsPanel::openMenu);
  connect(model_, &SheetsModel::renameWanted, this, [this](Id id, const QString& name) {
    desk_.commit(tr("Rename"), withName(desk_.settled(), id, shortened(name.toStdString())));
  });
  connect(model_, &SheetsModel::sheetMoved, this, [this](Id sheet, Id piece, std::size_t place) {
    desk_.commit(tr("Move sheet"), withSheetMoved(desk_.settled(), sheet, piece, place));
  });
  connect(model_, &SheetsModel::pieceMoved, this, [this](Id piece, std::size_t place) {
    desk_.commit(tr("Move piece"), withPieceMoved(desk_.settled(), piece, place));
  });
  connect(model_, &SheetsModel::itemsDropped, &desk, &Desk::putOnSheet);
  connect(&desk, &Desk::renameSheetWanted, this, [this](Id id) { view_->edit(model_->indexOf(id)); });
  showOpenSheet();
}

QWidget* SheetsPanel::buildHeading(CommandActions& commands) {
  auto* row = new QWidget(this);
  auto* layout = new QHBoxLayout(row);
  layout->setContentsMargins(inset, 0, 6, 0);
  auto* heading = new QLabel(tr("Sheets"), row);
  theme::makeHeading(*heading);
  layout->addWidget(heading, 1);
  auto* add = new QToolButton(row);
  add->setDefaultAction(commands.action(CommandId::NewSheet));
  add->setText("+");
  add->setToolTip(tr("New sheet behind this one (%1)").arg(add->defaultAction()->shortcut().toString()));
  add->setAccessibleName(tr("New sheet"));
  add->setObjectName("newSheetButton");
  layout->addWidget(add);
  return row;
}

void SheetsPanel::openMenu(QPoint at) {
  const QModelIndex row = view_->indexAt(at);
  if (const Id sheet = row.data(SheetsModel::SheetId).toULongLong()) desk_.goToSheet(sheet);
  commands_.openMenu({CommandId::NewSheet, CommandId::DuplicateSheet, CommandId::RenameSheet, CommandId::DeleteSheet,
                      CommandId::NewPiece, CommandId::RenamePiece, CommandId::DeletePiece},
                     view_->viewport()->mapToGlobal(at));
}

bool SheetsPanel::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() != QEvent::KeyPress) return QWidget::eventFilter(watched, event);
  const int key = static_cast<QKeyEvent*>(event)->key();
  if (key != Qt::Key_Delete && key != Qt::Key_F2) return false;
  commands_.run(key == Qt::Key_F2 ? CommandId::RenameSheet : CommandId::DeleteSheet);
  return true;
}

void SheetsPanel::showOpenSheet() {
  const SheetPtr open = desk_.sheet();
  const QModelIndex index = open ? model_->indexOf(open->id) : QModelIndex();
  // What was chosen along with it stays so.
  if (view_->selectionModel()->isSelected(index))
    view_->selectionModel()->setCurrentIndex(index, QItemSelectionModel::NoUpdate);
  else
    view_->selectionModel()->setCurrentIndex(index, QItemSelectionModel::ClearAndSelect);
}

}  // namespace widecut
