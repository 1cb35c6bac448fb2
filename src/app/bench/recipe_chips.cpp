#include "app/bench/recipe_chips.h"

#include <QDragEnterEvent>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMimeData>
#include <QPainter>

#include "app/look/shown_picture.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "painting/item_picture.h"
#include "project/edits/cutouts.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QSize chipPicture{84, 50};
constexpr QSize resultPicture{112, 74};
constexpr std::size_t mostChips = 40;
constexpr int gap = 6;

Role nextRole(Role role) { return static_cast<Role>((static_cast<int>(role) + 1) % 4); }

QString sentence(Role role) {
  switch (role) {
    case Role::Add:
      return RecipeChips::tr("adds");
    case Role::Subtract:
      return RecipeChips::tr("subtracts");
    case Role::Intersect:
      return RecipeChips::tr("intersects");
    case Role::Exclude:
      return RecipeChips::tr("excludes");
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

RecipeChips::RecipeChips(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("recipeChips");
  setAcceptDrops(true);
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(gap);
}

void RecipeChips::showResult(const Item& cutout) {
  const auto item = std::make_shared<const Item>(cutout);
  const auto picture = [item, &photos = desk_.photos(), ratio = devicePixelRatioF()] {
    return pictureOf({item}, photos, resultPicture, ratio);
  };
  if (!desk_.isTrying()) {
    task_.drop();
    result_->setPixmap(QPixmap::fromImage(shownOnPanel(picture())));
    return;
  }
  // During a drag it follows as fast as it can be painted elsewhere.
  task_.run([this, picture] {
    return [this, image = picture()] {
      if (result_) result_->setPixmap(QPixmap::fromImage(shownOnPanel(image)));
    };
  });
}

void RecipeChips::show(const Item& cutout) {
  carrying_.cancel();
  clearLayout(*row_);
  chips_.clear();
  cutout_ = cutout.id;
  const Recipe& recipe = *cutout.recipe();
  const auto roles = rolesOf(recipe);
  const auto brackets = recipe.formula.brackets();
  Box around;
  for (const ItemPtr& part : recipe.parts) around.add(boxInParent(*part));
  const std::size_t shown = std::min(recipe.parts.size(), mostChips);
  for (std::size_t i = 0; i < shown; ++i) {
    const ItemPtr& part = recipe.parts[i];
    const int nested = part->recipe() ? 1 : 0;
    if (i > 0) addSign(cutout, i, roles[i]);
    addBracket('(', brackets[i].before + nested);
    addChip(*part, i, roles[i], around);
    addBracket(')', brackets[i].after + nested);
  }
  if (shown < recipe.parts.size())
    row_->addWidget(new QLabel(tr("… and %1 more: the stack has them all").arg(recipe.parts.size() - shown), this));
  auto* equals = new SignButton("=", QColor(0x5F, 0x6B, 0x67), this);
  equals->setEnabled(false);
  row_->addWidget(equals);
  result_ = new QLabel(this);
  result_->setAccessibleName(tr("Result"));
  showResult(cutout);
  row_->addWidget(result_);
  row_->addStretch(1);
}

void RecipeChips::addSign(const Item& cutout, std::size_t part, Role role) {
  auto* sign = new SignButton(theme::signOf(role), theme::colourOf(role), this);
  const QString name = QString::fromStdString(cutout.recipe()->parts[part]->name);
  sign->setObjectName(QString("sign%1").arg(part));
  sign->setAccessibleName(tr("%1 %2").arg(name, sentence(role)));
  sign->setToolTip(tr("“%1” %2. Click: it %3.").arg(name, sentence(role), sentence(nextRole(role))));
  connect(sign, &SignButton::clicked, this, [this, id = cutout.id, part, role] {
    const auto index = static_cast<int>(part) - 1;
    desk_.commit(tr("Change role"), withRole(desk_.settled(), id, index, nextRole(role)));
  });
  row_->addWidget(sign);
}

void RecipeChips::addBracket(QChar sign, int count) {
  if (count == 0) return;
  auto* label = new QLabel(QString(count, sign), this);
  label->setFont(theme::font(30));
  row_->addWidget(label);
}

void RecipeChips::addChip(const Item& part, std::size_t number, Role role, const Box& around) {
  auto* chip = new Card(QString::fromStdString(part.name), {}, theme::colourOf(role),
                        pictureOf({forChip(part, role)}, desk_.photos(), chipPicture, devicePixelRatioF(),
                                  pictureOf(*part.style) ? Box{} : around),
                        this);
  chip->setObjectName(QString("part%1").arg(number));
  if (const Recipe* nested = part.recipe())
    chip->setToolTip(
        tr("A cutout of its own: %1. Click to go in, Esc comes out").arg(QString::fromStdString(formulaText(*nested))));
  chip->setEye(part.hidden);
  chip->setMarked(desk_.selection() == std::vector<Id>{part.id});
  chip->setDraggable();
  connect(chip, &Card::clicked, this, [this, id = part.id] { desk_.select({id}); });
  connect(chip, &Card::dragged, this, [this, id = part.id](QPoint onScreen, Qt::KeyboardModifiers keys) {
    carrying_.moveTo(*qobject_cast<QWidget*>(sender()), onScreen, {id}, keys);
  });
  connect(chip, &Card::dragEnded, this, [this](Qt::KeyboardModifiers keys) { carrying_.drop(keys); });
  connect(chip, &Card::eyeClicked, this, [this, id = part.id] {
    desk_.commit(tr("Leave out or take in"), withItem(desk_.settled(), id, [](const Item& before) {
                   Item after = before;
                   after.hidden = !before.hidden;
                   return after;
                 }));
  });
  row_->addWidget(chip);
  chips_.emplace_back(chip);
}

std::size_t RecipeChips::placeAt(QPoint at) const {
  std::size_t place = 0;
  while (place < chips_.size() && chips_[place] && at.x() > chips_[place]->geometry().center().x()) ++place;
  return place;
}

void RecipeChips::dragEnterEvent(QDragEnterEvent* event) {
  if (event->mimeData()->hasFormat(draggedItems)) event->acceptProposedAction();
}

void RecipeChips::dragMoveEvent(QDragMoveEvent* event) {
  dropPlace_ = placeAt(event->position().toPoint());
  event->accept();
  update();
}

void RecipeChips::dragLeaveEvent(QDragLeaveEvent*) {
  dropPlace_.reset();
  update();
}

void RecipeChips::dropEvent(QDropEvent* event) {
  dropPlace_.reset();
  update();
  const std::size_t place = placeAt(event->position().toPoint());
  const Id sheet = desk_.sheet()->id, cutout = cutout_;
  event->acceptProposedAction();
  if (moveInStack(desk_, itemsIn(*event->mimeData()), {sheet, cutout, place})) desk_.select({cutout});
}

void RecipeChips::paintEvent(QPaintEvent*) {
  if (!dropPlace_ || chips_.empty()) return;
  // A bar in the gap where what is carried would go.
  const bool isLast = *dropPlace_ >= chips_.size();
  const QPointer<QWidget>& beside = isLast ? chips_.back() : chips_[*dropPlace_];
  if (!beside) return;
  const QRect chip = beside->geometry();
  QPainter painter(this);
  painter.fillRect(QRect(isLast ? chip.right() + 2 : chip.left() - gap + 1, chip.top(), 4, chip.height()), theme::plum);
}

void RecipeChips::keyPressEvent(QKeyEvent* event) {
  const auto chain = chainTo(desk_.project(), cutout_);
  if (event->key() == Qt::Key_Escape && !chain.empty()) {
    // From a part to the cutout, and from there one further out.
    const bool onPart = desk_.onlyItem() && desk_.onlyItem()->id != cutout_;
    if (onPart || chain.size() > 1)
      desk_.select({onPart ? cutout_ : chain[chain.size() - 2]->id});
    else
      desk_.select({});
    return;
  }
  QWidget::keyPressEvent(event);
}

}  // namespace widecut
