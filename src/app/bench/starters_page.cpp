#include "app/bench/starters_page.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>

#include "app/bench/page_layout.h"
#include "app/bench/starter_strip.h"
#include "app/tools/tool_table.h"
#include "app/widgets/number_control.h"

namespace widecut {

StartersPage::StartersPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->setSpacing(4);
  auto* top = new QHBoxLayout;
  top->setSpacing(4);
  column->addLayout(top);
  top->addWidget(pageHeading(tr("Lay down a shape, words or a photo"), *this));
  top->addSpacing(10);
  search_ = new QLineEdit(this);
  search_->setObjectName("findShape");
  search_->setAccessibleName(tr("Find a shape by its name"));
  search_->setPlaceholderText(tr("find a shape: sta"));
  search_->setClearButtonEnabled(true);
  search_->setFixedWidth(190);
  top->addWidget(search_);
  top->addSpacing(8);
  row_ = new StarterRow(desk, this);
  std::vector<std::string_view> families;
  for (const StarterKind* kind : starterKinds())
    if (std::find(families.begin(), families.end(), kind->family) == families.end()) families.push_back(kind->family);
  for (const std::string_view family : families) {
    auto* jump = new QToolButton(this);
    jump->setText(inQt(family));
    jump->setFont(theme::font(12));
    jump->setFocusPolicy(Qt::TabFocus);
    jump->setAccessibleName(tr("Show the family %1").arg(inQt(family)));
    connect(jump, &QToolButton::clicked, this, [this, name = inQt(family)] {
      search_->clear();
      const int row = row_->starters().rowOf(name);
      row_->scrollTo(row_->model()->index(row_->model()->rowCount() - 1, 0));  // so that it comes to the left
      row_->scrollTo(row_->model()->index(row, 0), QAbstractItemView::PositionAtTop);
    });
    top->addWidget(jump);
  }
  top->addStretch(1);
  const ToolEntry& words = toolEntry(ToolKind::Words);
  auto* type = new QPushButton(theme::icon(words.icon), words.words() + "  " + words.keyText(), this);
  connect(type, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Words); });
  top->addWidget(type);
  top->addWidget(buttonFor(CommandId::BringInPhoto, this));
  column->addWidget(row_, 1);
  connect(search_, &QLineEdit::textChanged, this, [this](const QString& text) {
    row_->starters().filter(text);
    if (!text.trimmed().isEmpty()) row_->setCurrentIndex(row_->model()->index(0, 0));
  });
  connect(search_, &QLineEdit::returnPressed, this, [this] { choose(row_->starters().kindAt(row_->currentIndex())); });
  connect(row_, &StarterRow::chosen, this, &StartersPage::choose);
  refresh(true);
}

void StartersPage::choose(const StarterKind* kind) {
  if (!kind) return;
  search_->clear();
  desk_.setTool(ToolKind::Starter);
  desk_.setNextKind(kind);
}

void StartersPage::refresh(bool selection) {
  if (selection) row_->starters().refresh();
}

}  // namespace widecut
