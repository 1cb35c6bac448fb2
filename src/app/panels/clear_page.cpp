#include "app/panels/clear_page.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <algorithm>

#include "app/panels/panel_parts.h"
#include "app/widgets/measure_field.h"
#include "project/edits/words_clear.h"
#include "project/limits.h"
#include "project/lookup.h"

namespace widecut {
namespace {

constexpr double usualMargin = 2 * pointsPerMillimetre;

bool hasFrame(const ItemPtr& item, const std::vector<ItemPtr>& but) {
  if (std::find(but.begin(), but.end(), item) != but.end()) return false;
  if (const Words* words = wordsOf(*item)) return words->content().frame.has_value();
  if (!showsChildren(item->form)) return false;
  const ItemList& inside = childrenOf(*item);
  return std::any_of(inside.begin(), inside.end(), [&](const ItemPtr& child) { return hasFrame(child, but); });
}

/// The margin alone, of those that words keep clear of.
Project withMargin(const Project& project, std::span<const Id> items, double margin) {
  Project next = project;
  for (const Id id : items) {
    const ItemPtr item = findItem(next, id);
    if (!item || !item->clear) continue;
    next = withKeptClear(next, {&id, 1}, KeepClear{item->clear->side, std::clamp(margin, 0.0, limits::mostLength)});
  }
  return next;
}

}  // namespace

ClearPage::ClearPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* grid = panelGrid(this);
  grid->addWidget(panelCaption(tr("words"), this), 0, 0);
  side_ = new QComboBox(this);
  side_->setObjectName("keepClear");
  side_->setAccessibleName(tr("How words keep clear of it"));
  // In the order of ClearSide.
  side_->addItems({tr("run over it"), tr("keep off, on both sides"), tr("stay left of it"), tr("stay right of it"),
                   tr("stay on the wider side"), tr("stay above and below")});
  grid->addWidget(side_, 0, 1, 1, 2);
  caption_ = panelCaption(tr("margin"), this);
  grid->addWidget(caption_, 1, 0);
  grid->setColumnMinimumWidth(0, captionWidth);
  margin_ = new MeasureField(tr("margin of words"), Unit::Millimetre, {}, this);
  grid->addWidget(margin_, 1, 1);
  grid->setColumnStretch(2, 1);
  connect(side_, &QComboBox::activated, this, &ClearPage::choose);
  tryWith(*margin_, desk_, trial_, tr("Margin of words"),
          [this](const Project& p, double margin) { return withMargin(p, desk_.selection(), margin); });
}

void ClearPage::choose(int index) {
  trial_.drop();
  std::optional<KeepClear> clear;
  if (index > 0) {
    clear = KeepClear{static_cast<ClearSide>(index - 1), usualMargin};
    for (const Id id : desk_.selection())
      if (const ItemPtr item = findItem(desk_.settled(), id); item && item->clear) clear->margin = item->clear->margin;
  }
  desk_.commit(clear ? tr("Keep words clear") : tr("Let words run over"),
               withKeptClear(desk_.settled(), desk_.selection(), clear));
}

bool ClearPage::applies(const std::vector<ItemPtr>& selected) const {
  const SheetPtr sheet = desk_.sheet();
  return sheet && std::any_of(sheet->items.begin(), sheet->items.end(),
                              [&](const ItemPtr& item) { return hasFrame(item, selected); });
}

void ClearPage::refresh(const std::vector<ItemPtr>& selected) {
  const auto& first = selected.front()->clear;
  const bool areAlike = std::all_of(selected.begin(), selected.end(), [&](const ItemPtr& item) {
    return item->clear == first || (item->clear && first && *item->clear == *first);
  });
  const QSignalBlocker quiet(side_);
  side_->setCurrentIndex(!areAlike ? -1 : first ? static_cast<int>(first->side) + 1 : 0);
  caption_->setVisible(first != nullptr);
  margin_->setVisible(first != nullptr);
  margin_->setUnit(desk_.unit());
  if (first) margin_->show(areAlike ? std::optional(first->margin) : std::nullopt);
}

}  // namespace widecut
