#include "app/bench/starters_page.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>

#include "app/bench/page_layout.h"
#include "app/bench/starter_strip.h"
#include "app/desk/preferences.h"
#include "app/look/in_qt.h"
#include "app/tools/tool_table.h"
#include "shapes/typed_starter.h"

namespace widecut {

StartersPage::StartersPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->setSpacing(4);
  auto* top = new QHBoxLayout;
  top->setSpacing(4);
  column->addLayout(top);
  top->addWidget(pageHeading(tr("Lay down a shape"), *this));
  top->addSpacing(10);
  search_ = new QLineEdit(this);
  search_->setObjectName("findShape");
  search_->setAccessibleName(tr("Find a shape by its name"));
  search_->setPlaceholderText(tr("find: sta, box 50 x 75"));
  search_->setFixedWidth(190);
  top->addWidget(search_);
  top->addSpacing(8);
  row_ = new StarterRow(desk, StartersModel::Shelved::Yes, this);
  std::vector<std::string_view> families;
  for (const StarterKind* kind : starterKinds())
    if (std::find(families.begin(), families.end(), kind->family) == families.end()) families.push_back(kind->family);
  QStringList names;
  for (const std::string_view family : families) names << inQt(family);
  names << tr("shelf");
  for (const QString& family : names) {
    auto* jump = new QToolButton(this);
    jump->setText(family);
    jump->setFont(theme::font(12));
    jump->setFocusPolicy(Qt::TabFocus);
    jump->setObjectName("family " + family);
    jump->setAccessibleName(tr("Show the family %1").arg(family));
    connect(jump, &QToolButton::clicked, this, [this, name = family] {
      search_->clear();
      const int row = row_->starters().rowOf(name);
      if (row < 0) {
        emit desk_.told(tr("The shelf is empty: Ctrl+K keeps what is selected there, for all projects"));
        return;
      }
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
    // With its numbers, where they can be read; a name with a number's name behind it is still that name.
    const auto typed = parseTyped(readAsWritten(text), desk_.unit(), nullptr);
    row_->starters().filter(
        typed && typed->saysMore ? inQt(typed->kind->name) : QString::fromStdString(typedName(text.toStdString())),
        typed ? std::optional(*typed) : std::nullopt);
    if (!text.trimmed().isEmpty()) row_->setCurrentIndex(row_->model()->index(0, 0));
  });
  connect(search_, &QLineEdit::returnPressed, this, &StartersPage::takeTyped);
  search_->installEventFilter(this);
  connect(row_, &StarterRow::chosen, this, &StartersPage::choose);
  connect(row_, &StarterRow::dragged, this, [this](const Offer& offer, QPoint onScreen) {
    carrying_.moveTo(
        *row_, onScreen, [&] { return dragOf(offer); }, Qt::NoModifier);
  });
  connect(row_, &StarterRow::dragEnded, this, [this] { carrying_.drop(Qt::NoModifier); });
  connect(&desk, &Desk::findWanted, this, [this] {
    search_->setFocus(Qt::ShortcutFocusReason);
    search_->selectAll();
  });
  refresh(true);
}

bool StartersPage::eventFilter(QObject* watched, QEvent* event) {
  if (watched == search_ && event->type() == QEvent::KeyPress) {
    const auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_Down) {
      row_->setFocus(Qt::OtherFocusReason);
      if (!row_->currentIndex().isValid()) row_->setCurrentIndex(row_->model()->index(0, 0));
      return true;
    }
    if (key->key() == Qt::Key_Escape) {
      search_->clear();
      desk_.setTool(ToolKind::Select);
      emit keysBack();
      return true;
    }
  }
  return BenchPage::eventFilter(watched, event);
}

/// A name alone is taken up to be drawn; one with a size or numbers is laid at once.
void StartersPage::takeTyped() {
  const Offer likeliest = row_->starters().at(row_->currentIndex());
  const auto typed = parseTyped(readAsWritten(search_->text()), desk_.unit(), likeliest.kind);
  if (typed && typed->saysMore) {
    layTyped(*typed);
    return;
  }
  if (!typed &&
      (!likeliest || typedName(search_->text().toStdString()) != search_->text().trimmed().toLower().toStdString())) {
    emit desk_.told(tr("Not laid: %1").arg(QString::fromStdString(typed.error().message)));
    return;
  }
  choose(likeliest);
}

void StartersPage::layTyped(const TypedStarter& typed) {
  Offer offer{typed.kind, {}, typed.numbers, {}};
  if (typed.width) offer.size = StarterSize{*typed.width, *typed.height};
  // In the middle of the sheet, or beside what was laid there.
  Point middle = desk_.sheet()->box().centre();
  const auto isTaken = [&](const ItemPtr& item) { return distance(item->position, middle) < 1; };
  while (std::any_of(desk_.sheet()->items.begin(), desk_.sheet()->items.end(), isTaken))
    middle = middle + Point{12, 12};
  // The next one can be typed at once.
  desk_.findShape();
  search_->setProperty("goesOn", true);
  if (lay(desk_, offer, middle)) emit desk_.told(tr("Laid in the middle of the sheet · type the next one, or Esc"));
}

void StartersPage::choose(const Offer& offer) {
  if (!offer) return;
  search_->clear();
  if (offer.kept) {
    lay(desk_, offer, desk_.sheet()->box().centre());
    return;
  }
  desk_.setTool(ToolKind::Starter);
  desk_.setNext(*offer.kind, within(*offer.kind, offer.numbers));
  // Enter lays it, Up and Down count.
  emit keysBack();
}

void StartersPage::refresh(bool selection) {
  if (selection) row_->starters().refresh();
}

}  // namespace widecut
