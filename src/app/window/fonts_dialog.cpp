#include "app/window/fonts_dialog.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>
#include <QVBoxLayout>

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "project/edits/families.h"
#include "words/font_library.h"

namespace widecut {
namespace {

/// Whether all faces that are used may be kept in the project's file.
bool mayBeKept(const FamilyUse& use) {
  return std::all_of(use.faces.begin(), use.faces.end(), [](const FaceChoice& face) { return fontToKeep(face); });
}

QString whereIs(const FamilyUse& use, const OwnFontsPtr& own) {
  switch (homeOf(use.family, own)) {
    case FontHome::Program:
      return FontsDialog::tr("comes with Wide Cut");
    case FontHome::Project:
      return FontsDialog::tr("kept in the project");
    case FontHome::Machine:
      return mayBeKept(use) ? FontsDialog::tr("on this machine, saved with the project")
                            : FontsDialog::tr("on this machine alone: its maker does not let it be saved along");
    case FontHome::Nowhere:
      return FontsDialog::tr("missing: Cabin stands in");
  }
  return {};
}

}  // namespace

FontsDialog::FontsDialog(Desk& desk, QWidget* window) : QDialog(window), desk_(desk) {
  setObjectName("fontsDialog");
  setWindowTitle(tr("Fonts of the project"));
  setAttribute(Qt::WA_DeleteOnClose);
  constexpr int usualWidth = 620, usualHeight = 360;
  resize(usualWidth, usualHeight);
  auto* column = new QVBoxLayout(this);
  table_ = new QTableWidget(0, 3, this);
  table_->setObjectName("fontUses");
  table_->setAccessibleName(tr("Fonts of the project"));
  table_->setHorizontalHeaderLabels({tr("family"), tr("words in it"), tr("where it is")});
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setStretchLastSection(true);
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  constexpr int familyWidth = 180, countWidth = 90;
  table_->setColumnWidth(0, familyWidth);
  table_->setColumnWidth(1, countWidth);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setShowGrid(false);
  table_->horizontalHeader()->setHighlightSections(false);
  theme::setSheet(*table_,
                  "QTableWidget { background: #FBF9F4; border: 1px solid #D5CDBD; selection-background-color: #E5DAF2; "
                  "selection-color: #23302E; } QTableWidget::item { padding: 0 6px; } QHeaderView { background: "
                  "#F1EDE3; } QHeaderView::section { background: "
                  "#F1EDE3; color: #5F6B67; border: none; padding: 4px 6px; font-weight: normal; }");
  column->addWidget(table_, 1);
  auto* row = new QHBoxLayout;
  column->addLayout(row);
  said_ = new QLabel(this);
  row->addWidget(said_);
  instead_ = new QComboBox(this);
  instead_->setObjectName("fontInstead");
  instead_->setAccessibleName(tr("The font instead"));
  for (const FontFamily& family : fontFamilies(desk.settled().fonts)) instead_->addItem(inQt(family.name));
  row->addWidget(instead_, 1);
  replace_ = new QPushButton(tr("Put it there everywhere"), this);
  replace_->setObjectName("fontReplace");
  replace_->setAutoDefault(false);
  row->addWidget(replace_);
  auto* close = new QPushButton(tr("Close"), this);
  close->setAutoDefault(false);
  row->addWidget(close);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  connect(replace_, &QPushButton::clicked, this, &FontsDialog::replace);
  connect(table_, &QTableWidget::itemSelectionChanged, this, &FontsDialog::refreshChosen);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!desk_.isTrying()) refresh();
  });
  refresh();
}

QString FontsDialog::chosen() const {
  const int row = table_->currentRow();
  return row < 0 ? QString() : table_->item(row, 0)->text();
}

void FontsDialog::refresh() {
  const QString before = chosen();
  const QSignalBlocker quiet(table_);
  const auto uses = familiesIn(desk_.settled());
  table_->setRowCount(static_cast<int>(uses.size()));
  int row = 0, current = 0;
  for (const FamilyUse& use : uses) {
    const QString family = inQt(use.family);
    const QString texts[] = {family, QString::number(use.items), whereIs(use, desk_.settled().fonts)};
    for (int i = 0; i < 3; ++i) {
      auto* cell = new QTableWidgetItem(texts[i]);
      if (use.isMissing) cell->setForeground(theme::rust);
      cell->setToolTip(texts[i]);
      table_->setItem(row, i, cell);
    }
    // What is missing is what one comes for.
    if (family == before || (before.isEmpty() && use.isMissing)) current = row;
    ++row;
  }
  if (row > 0) table_->setCurrentCell(current, 0);
  refreshChosen();
}

void FontsDialog::refreshChosen() {
  const QString family = chosen();
  said_->setText(family.isEmpty() ? tr("There are no words in the project") : tr("instead of “%1”").arg(family));
  replace_->setEnabled(!family.isEmpty());
  instead_->setEnabled(!family.isEmpty());
}

void FontsDialog::replace() {
  const QString family = chosen();
  if (family.isEmpty() || family == instead_->currentText()) return;
  desk_.settleAll();
  desk_.commit(tr("Another font"),
               withFamilyReplaced(desk_.settled(), family.toStdString(), instead_->currentText().toStdString()));
  refresh();
}

}  // namespace widecut
