#include "app/bench/recipe_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>

#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/formula_field.h"
#include "painting/item_picture.h"
#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QSize chipPicture{84, 50};
constexpr QSize resultPicture{112, 74};
constexpr std::size_t mostChips = 40;

Role nextRole(Role role) { return static_cast<Role>((static_cast<int>(role) + 1) % 4); }

QString sentence(Role role) {
  switch (role) {
    case Role::Add:
      return RecipePage::tr("adds");
    case Role::Subtract:
      return RecipePage::tr("subtracts");
    case Role::Intersect:
      return RecipePage::tr("intersects");
    case Role::Exclude:
      return RecipePage::tr("excludes");
  }
  return {};
}

/// A part as a chip shows it: always visible, with a tone of its role when it has no fill of its own.
ItemPtr forChip(const Item& part, Role role) {
  Item shown = part;
  shown.hidden = false;
  Style& style = changeable(shown);
  style.opacity = 1;
  if (!showsPicture(part)) {
    const QColor c = theme::colourOf(role);
    setColour(style, Colour{static_cast<std::uint8_t>(c.red()), static_cast<std::uint8_t>(c.green()),
                            static_cast<std::uint8_t>(c.blue()), 90});
    setLine(style, std::nullopt);
  }
  return std::make_shared<const Item>(std::move(shown));
}

}  // namespace

RecipePage::RecipePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 8, 14, 4);
  column->setSpacing(4);
  addHeader(*column);

  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  rowHolder_ = new QWidget(scroll);
  row_ = new QHBoxLayout(rowHolder_);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(6);
  scroll->setWidget(rowHolder_);
  column->addWidget(scroll, 1);
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
  const QString name = QString::fromStdString(item->name);
  heading_->setText(heading_->fontMetrics().elidedText(tr("Recipe of “%1”").arg(name), Qt::ElideRight, 220));
  heading_->setToolTip(name);
  formula_->show(QString::fromStdString(formulaText(*item->recipe())), formulaNames(*item->recipe()));
  // While something is dragged only the result follows, so that the signs stay under the pointer.
  if (desk_.isTrying() && result_)
    showResult(*item);
  else
    rebuild(*item);
}

void RecipePage::showResult(const Item& cutout) {
  Item upright = cutout;
  upright.turn = 0;
  const auto item = std::make_shared<const Item>(std::move(upright));
  const auto picture = [item, &photos = desk_.photos(), ratio = devicePixelRatioF()] {
    return pictureOf({item}, photos, resultPicture, ratio);
  };
  if (!desk_.isTrying()) {
    task_.drop();
    result_->setPixmap(QPixmap::fromImage(picture()));
    return;
  }
  // During a drag it follows as fast as it can be painted elsewhere.
  task_.run([this, picture] {
    return [this, image = picture()] {
      if (result_) result_->setPixmap(QPixmap::fromImage(image));
    };
  });
}

void RecipePage::rebuild(const Item& cutout) {
  clearLayout(*row_);
  const Recipe& recipe = *cutout.recipe();
  const auto roles = rolesOf(recipe);
  const auto brackets = recipe.formula.brackets();
  Box around;
  for (const ItemPtr& part : recipe.parts) around.add(boxInParent(*part));
  const auto bracketLabel = [&](int count, QChar sign) {
    if (count == 0) return;
    auto* label = new QLabel(QString(count, sign), rowHolder_);
    label->setFont(theme::font(30));
    row_->addWidget(label);
  };
  const std::size_t shown = std::min(recipe.parts.size(), mostChips);
  for (std::size_t i = 0; i < shown; ++i) {
    const ItemPtr& part = recipe.parts[i];
    const Role role = roles[i];
    if (i > 0) {
      auto* sign = new SignButton(theme::signOf(role), theme::colourOf(role), rowHolder_);
      const QString name = QString::fromStdString(part->name);
      sign->setObjectName(QString("sign%1").arg(i));
      sign->setAccessibleName(tr("%1 %2").arg(name, sentence(role)));
      sign->setToolTip(tr("“%1” %2. Click: it %3.").arg(name, sentence(role), sentence(nextRole(role))));
      connect(sign, &SignButton::clicked, this, [this, id = cutout.id, i, role] {
        const auto index = static_cast<int>(i) - 1;
        desk_.commit(tr("Change role"), withRole(desk_.settled(), id, index, nextRole(role)));
      });
      row_->addWidget(sign);
    }
    bracketLabel(brackets[i].before, '(');
    auto* chip = new Card(QString::fromStdString(part->name), {}, theme::colourOf(role),
                          pictureOf({forChip(*part, role)}, desk_.photos(), chipPicture, devicePixelRatioF(),
                                    pictureOf(*part->style) ? Box{} : around),
                          rowHolder_);
    chip->setObjectName(QString("part%1").arg(i));
    chip->setEye(part->hidden);
    chip->setMarked(desk_.selection() == std::vector<Id>{part->id});
    connect(chip, &Card::clicked, this, [this, id = part->id] { desk_.select({id}); });
    connect(chip, &Card::eyeClicked, this, [this, id = part->id] {
      desk_.commit(tr("Leave out or take in"), withItem(desk_.settled(), id, [](const Item& before) {
                     Item after = before;
                     after.hidden = !before.hidden;
                     return after;
                   }));
    });
    row_->addWidget(chip);
    bracketLabel(brackets[i].after, ')');
  }
  if (shown < recipe.parts.size())
    row_->addWidget(
        new QLabel(tr("… and %1 more: the stack has them all").arg(recipe.parts.size() - shown), rowHolder_));
  auto* equals = new SignButton("=", theme::ink, rowHolder_);
  equals->setEnabled(false);
  row_->addWidget(equals);
  result_ = new QLabel(rowHolder_);
  result_->setAccessibleName(tr("Result"));
  showResult(cutout);
  row_->addWidget(result_);
  row_->addStretch(1);
}

}  // namespace widecut
