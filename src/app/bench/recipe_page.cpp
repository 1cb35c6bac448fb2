#include "app/bench/recipe_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/bench/recipe_chips.h"
#include "app/look/theme.h"
#include "app/widgets/formula_field.h"
#include "project/edits/cutouts.h"
#include "project/resolve.h"

namespace widecut {
RecipePage::RecipePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 8, 14, 4);
  column->setSpacing(4);
  addHeader(*column);

  chips_ = new RecipeChips(desk, this);
  column->addWidget(sidewaysScroll(*chips_, *this), 1);
}

void RecipePage::addHeader(QBoxLayout& column) {
  auto* top = new QHBoxLayout;
  top->setSpacing(6);
  heading_ = new QLabel(this);
  theme::makeHeading(*heading_);
  heading_->setMaximumWidth(230);
  top->addWidget(heading_);
  top->addSpacing(6);
  formula_ = new FormulaField(this);
  connect(formula_, &FormulaField::typed, this, &RecipePage::useFormula);
  connect(formula_, &FormulaField::dropped, this, [this] {
    trial_.drop();
    refresh(true);
  });
  top->addWidget(formula_, 1);
  const auto button = [&](CommandId id) {
    QPushButton* b = buttonFor(id, this);
    top->addWidget(b);
    return b;
  };
  photo_ = button(CommandId::BringInPhoto);
  photo_->setObjectName("photoInCutout");
  photo_->setToolTip(tr("Fills the cutout with a picture"));
  reframe_ = button(CommandId::Reframe);
  reframe_->setObjectName("reframeCutout");
  reframe_->setIcon(theme::icon("reframe"));
  offcuts_ = button(CommandId::KeepOffcuts);
  split_ = button(CommandId::SplitLoose);
  button(CommandId::Bake);
  button(CommandId::LiftParts);
  column.addLayout(top);
}

void RecipePage::useFormula(const QString& text) {
  const ItemPtr item = desk_.openCutout();
  if (!item) return;
  auto changed = withFormula(desk_.settled(), item->id, text.toStdString());
  formula_->setProblem(changed ? QString() : QString::fromStdString(changed.error().message));
  if (changed && formula_->isFinished())
    desk_.commit(tr("Change formula"), std::move(*changed));
  else if (changed)
    trial_.show(std::move(*changed));
  else
    trial_.drop();
  refresh(true);
}

void RecipePage::refresh(bool) {
  const ItemPtr item = desk_.openCutout();
  if (!item) return;
  const ItemPtr selected = desk_.onlyItem();
  const bool photo = selected && shownPhoto(*selected);
  reframe_->setVisible(photo);
  photo_->setVisible(!photo);
  offcuts_->setEnabled(!desk_.isTrying());
  // Of a cutout within others, the way to it.
  QString name;
  for (const ItemPtr& whole : chainTo(desk_.project(), item->id))
    name += (name.isEmpty() ? "" : " › ") + QString::fromStdString(whole->name);
  heading_->setText(heading_->fontMetrics().elidedText(tr("Recipe of “%1”").arg(name), Qt::ElideMiddle, 220));
  heading_->setToolTip(name);
  formula_->show(QString::fromStdString(formulaText(*item->recipe())), formulaNames(*item->recipe()));
  // While something is dragged only the result follows, so that the signs stay under the pointer.
  if (desk_.isTrying() && !chips_->isEmpty())
    chips_->showResult(*item);
  else
    chips_->show(*item);
}

}  // namespace widecut
