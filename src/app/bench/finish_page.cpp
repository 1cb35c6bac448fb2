#include "app/bench/finish_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/bench/action_card.h"
#include "app/bench/page_layout.h"
#include "app/look/in_qt.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/numbers_grid.h"
#include "app/widgets/swatch.h"
#include "media/palette.h"
#include "painting/item_picture.h"
#include "project/edits/colours.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr int rows = 3;
constexpr QSize offerSize{78, 52}, cardSize{90, 40};

const StarterNumber opacityNumber{"opacity", 0, 1, 1, 0.01, "How much it covers", {}, NumberKind::Share};
const StarterNumber blendNumber{"blend",           0, 15, 0, 1, "How it blends with what is behind it", blendChoices,
                                NumberKind::Choice};

/// The item with one effect more, as a picture of it would show it: lengths suit its size.
Effect suited(EffectKind kind, const Item& item) {
  Effect effect = usualEffect(kind);
  const Box box = boxInFrame(item);
  constexpr double usualSide = 150;  // points, that the usual numbers suit
  const double scale = std::clamp(std::min(box.width(), box.height()) / usualSide, 0.2, 4.0);
  const auto numbers = declarationOf(kind).numbers;
  for (std::size_t i = 0; i < numbers.size(); ++i)
    if (numbers[i].kind == NumberKind::Length)
      effect.numbers[i] = within(numbers[i], std::round(effect.numbers[i] * scale * 4) / 4);
  return effect;
}

/// With only this effect, for its card.
ItemPtr withOnly(const Item& item, const Effect& effect) {
  Item one = item;
  Style& style = changeable(one);
  style.effects = {effect};
  style.blend = Blend::Normal;
  return std::make_shared<const Item>(std::move(one));
}

/// A panel takes a colour of the item's photo, lightened.
Effect inColourOfPhoto(Effect effect, const Item& item, PhotoStore& photos) {
  const auto photo = effect.kind == EffectKind::PanelBehind ? shownPhoto(item) : std::nullopt;
  if (!photo) return effect;
  const auto palette = paletteOf(photos, *photo->medium, 5);
  constexpr double much = 0.72;
  if (!palette.empty()) effect.colour = lightened(palette.front(), much);
  return effect;
}

}  // namespace

FinishPage::FinishPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  QVBoxLayout* column = page.column;
  QHBoxLayout* top = page.top;
  heading_ = headingOf(*top, *this);
  const auto button = [&](const QString& words, const char* name, const QString& tip, auto pressed) {
    QPushButton* made = pageButton(*this, words, name, tip);
    connect(made, &QPushButton::clicked, this, pressed);
    top->addWidget(made);
    return made;
  };
  colour_ = button({}, "effectColour", tr("Its colour"), [this] { openColour(); });
  colour_->setAccessibleName(tr("Colour of the effect"));
  backward_ = button(tr("Further back"), "effectBack", tr("One place further back"), [this] { moveBy(-1); });
  forward_ = button(tr("Further front"), "effectFront", tr("One place further to the front"), [this] { moveBy(1); });
  release_ = button(tr("Release"), "releaseEffect", tr("Makes an item of its own of what follows this one"),
                    [this] { release(); });
  away_ = button(tr("Take away"), "effectAway", tr("Without this effect"), [this] {
    const std::size_t chosen = chosen_;
    make(tr("Take an effect away"), [chosen](Style& style) {
      if (chosen < style.effects.size())
        style.effects.erase(style.effects.begin() + static_cast<std::ptrdiff_t>(chosen));
    });
  });
  more_ = button(tr("One more"), "moreEffects", tr("All that can be added, as this item would look with it"), [this] {
    offers_ = !offers_;
    refresh(false);
  });
  more_->setCheckable(true);
  button(tr("Done"), "finishDone", tr("What the bench showed before (Shift+E)"), [this] { desk_.leavePaint(); });
  auto* body = new QHBoxLayout;
  body->setSpacing(14);
  column->addLayout(body, 1);
  cardsBox_ = new QWidget(this);
  cards_ = new QHBoxLayout(cardsBox_);
  cards_->setContentsMargins(0, 0, 0, 0);
  cards_->setSpacing(6);
  cardsArea_ = sidewaysScroll(*cardsBox_, *this);
  body->addWidget(cardsArea_, 2);
  grid_ = new NumbersGrid(rows, this);
  numbersBox_ = sidewaysScroll(*grid_, *this);
  body->addWidget(numbersBox_, 3);
  const auto with = [this](int i, double value) {
    const auto place = static_cast<std::size_t>(i);
    const std::size_t own = numbers_.size() - 2;
    return edited(desk_.settled(), [&](Effect& effect) {
      if (place < own)
        effect.numbers[place] = within(*numbers_[place], value);
      else if (place == own)
        effect.opacity = std::clamp(value, 0.0, 1.0);
      else
        effect.blend = static_cast<Blend>(std::lround(value));
    });
  };
  connect(grid_, &NumbersGrid::tried, this, [this, with](int i, double value) { trial_.show(with(i, value)); });
  connect(grid_, &NumbersGrid::settled, this, [this, with](int i, double value) {
    trial_.drop();
    desk_.commit(tr("Change %1").arg(inQt(numbers_[static_cast<std::size_t>(i)]->name)), with(i, value));
  });
  connect(grid_, &NumbersGrid::dropped, this, [this] { trial_.drop(); });
  connect(&desk, &Desk::paintChosen, this, [this] {
    if (isVisible()) refresh(false);
  });
}

ItemPtr FinishPage::item(const Project& project) const {
  return desk_.selection().empty() ? nullptr : findItem(project, desk_.selection().front());
}

bool FinishPage::make(const QString& name, const std::function<void(Style&)>& edit) {
  trial_.drop();
  if (!desk_.commit(name, withStyle(desk_.settled(), desk_.selection(), edit))) return false;
  desk_.noteAgain({name, [edit](const Project& p, const std::vector<Id>& ids) { return withStyle(p, ids, edit); }});
  return true;
}

Project FinishPage::edited(const Project& project, const EffectEdit& edit) const {
  const ItemPtr first = item(project);
  if (!first || chosen_ >= first->style->effects.size()) return project;
  const EffectKind kind = first->style->effects[chosen_].kind;
  return withStyle(project, desk_.selection(), [&](Style& style) {
    if (chosen_ < style.effects.size() && style.effects[chosen_].kind == kind) edit(style.effects[chosen_]);
  });
}

void FinishPage::add(EffectKind kind) {
  const ItemPtr first = item(desk_.settled());
  if (!first) return;
  offers_ = false;
  // What comes last lies nearest to the item behind it, and in front of all in front of it.
  chosen_ = first->style->effects.size();
  const auto edit = [&photos = desk_.photos(), effect = suited(kind, *first)](const Project& project,
                                                                              const std::vector<Id>& ids) {
    Project out = project;
    for (const Id id : ids) {
      const ItemPtr one = findItem(project, id);
      const Effect own = one ? inColourOfPhoto(effect, *one, photos) : effect;
      out = withStyle(out, std::vector{id}, [&](Style& style) { style.effects.push_back(own); });
    }
    return out;
  };
  const QString name = tr("Add: %1").arg(inQt(declarationOf(kind).name));
  trial_.drop();
  if (desk_.commit(name, edit(desk_.settled(), desk_.selection()))) desk_.noteAgain({name, edit});
  refresh(false);
}

void FinishPage::moveBy(int places) {
  const ItemPtr first = item(desk_.settled());
  const auto to = static_cast<std::ptrdiff_t>(chosen_) + places;
  if (!first || to < 0 || to >= std::ssize(first->style->effects)) return;
  const std::size_t from = chosen_;
  chosen_ = static_cast<std::size_t>(to);
  make(tr("Reorder effects"), [from, to](Style& style) {
    if (from < style.effects.size() && to < std::ssize(style.effects))
      std::swap(style.effects[from], style.effects[static_cast<std::size_t>(to)]);
  });
}

void FinishPage::release() {
  const ItemPtr first = item(desk_.settled());
  if (!first) return;
  Id made = 0;
  Project changed = withEffectReleased(desk_.settled(), first->id, chosen_, made);
  if (made == 0) {
    emit desk_.told(tr("Inside a cutout it cannot be let go: it would become a part of the recipe"));
    return;
  }
  if (desk_.commit(tr("Release what follows"), std::move(changed))) desk_.select({made});
}

void FinishPage::openColour() {
  const ItemPtr first = item(desk_.settled());
  if (!first || chosen_ >= first->style->effects.size()) return;
  const auto edit = [this](const Project& p, std::optional<Colour> colour) {
    return edited(p, [&](Effect& effect) {
      if (colour) effect.colour = *colour;
    });
  };
  openColours(*colour_, *this, desk_, trial_,
              {tr("Colour of an effect"), {}, first->style->effects[chosen_].colour, edit});
}

void FinishPage::buildOffers(const Item& first) {
  for (const EffectDeclaration& declared : effectKinds()) {
    const EffectKind kind = declared.kind;
    const Effect effect = suited(kind, first);
    CardAction action;
    action.name = inQt(declared.name);
    action.objectName = "add " + action.name;
    action.changed = [this, effect] {
      return withStyle(desk_.settled(), desk_.selection(), [&](Style& style) { style.effects.push_back(effect); });
    };
    action.make = [this, kind] { add(kind); };
    action.picture =
        pictureOf({withOnly(first, effect)}, desk_.photos(), offerSize, devicePixelRatioF(), {}, Photos::WhenReady);
    Card* card = actionCard(action, trial_, this);
    card->setToolTip(inQt(declared.meaning));
    cards_->addWidget(card);
  }
}

void FinishPage::buildCards(const Item& first) {
  // Front first.
  const auto& effects = first.style->effects;
  for (std::size_t i = effects.size(); i-- > 0;) {
    const EffectDeclaration& declared = declarationOf(effects[i].kind);
    Effect shown = effects[i];
    shown.shown = true;
    const QImage picture =
        pictureOf({withOnly(first, shown)}, desk_.photos(), cardSize, devicePixelRatioF(), {}, Photos::WhenReady);
    auto* card = new Card(inQt(declared.name), {}, i == chosen_ ? theme::plum : theme::slate, picture, cardsBox_);
    card->setObjectName("effect " + inQt(declared.name));
    card->setMarked(i == chosen_);
    card->setEye(!effects[i].shown);
    card->setToolTip(inQt(declared.meaning));
    connect(card, &Card::clicked, this, [this, i] {
      chosen_ = i;
      refresh(false);
    });
    connect(card, &Card::eyeClicked, this, [this, i] {
      make(tr("Show or hide an effect"), [i](Style& style) {
        if (i < style.effects.size()) style.effects[i].shown = !style.effects[i].shown;
      });
    });
    cards_->addWidget(card);
  }
}

void FinishPage::refreshNumbers(const Style& style) {
  const Effect& effect = style.effects[chosen_];
  const EffectDeclaration& declared = declarationOf(effect.kind);
  numbers_.clear();
  std::vector<double> values;
  for (std::size_t i = 0; i < declared.numbers.size(); ++i) {
    numbers_.push_back(&declared.numbers[i]);
    values.push_back(effect.numbers[i]);
  }
  numbers_.push_back(&opacityNumber);
  numbers_.push_back(&blendNumber);
  values.push_back(effect.opacity);
  values.push_back(static_cast<double>(effect.blend));
  grid_->build(numbers_, desk_.unit());
  constexpr double longest = 60 * pointsPerMillimetre;
  grid_->show(values, longest);
  paintSwatch(*colour_, effect.colour);
}

void FinishPage::refresh(bool selection) {
  const ItemPtr first = item(desk_.project());
  if (!first) return;
  const auto& effects = first->style->effects;
  if (selection) {
    chosen_ = effects.empty() ? 0 : effects.size() - 1;
    offers_ = false;
  }
  chosen_ = std::min(chosen_, effects.empty() ? 0 : effects.size() - 1);
  // An offer that is pointed at is not there yet: what is offered stays under the pointer.
  const ItemPtr settled = item(desk_.settled());
  const bool isOffering = offers_ || effects.empty() || (settled && settled->style->effects.empty());
  const bool one = !isOffering;
  const EffectDeclaration* declared = one ? &declarationOf(effects[chosen_].kind) : nullptr;
  const auto several = desk_.selection().size();
  const QString whose = several > 1 ? tr("%1 items").arg(several) : tr("“%1”").arg(QString::fromStdString(first->name));
  heading_->setText(isOffering ? tr("Finish of %1: point at one to see it, a click adds it").arg(whose)
                               : tr("Finish of %1").arg(whose));
  colour_->setVisible(one && declared->hasColour);
  release_->setVisible(one && !declared->isPixels);
  away_->setVisible(one);
  forward_->setVisible(one && effects.size() > 1);
  backward_->setVisible(one && effects.size() > 1);
  more_->setVisible(one || offers_);
  more_->setChecked(offers_);
  numbersBox_->setVisible(one);
  // While a number is tried the cards stay: the page shows it.
  const bool isSame = cardsOf_ && *cardsOf_ == *first->style && formOf_ == first->form && cardsChosen_ == chosen_ &&
                      cardsOffered_ == isOffering;
  if (!isSame && !desk_.isTrying()) {
    cardsOf_ = first->style;
    formOf_ = first->form;
    cardsChosen_ = chosen_;
    cardsOffered_ = isOffering;
    clearLayout(*cards_);
    if (isOffering)
      buildOffers(*first);
    else
      buildCards(*first);
    cards_->addStretch(1);
    // Numbers stand right beside few cards.
    constexpr int oneCard = 120, mostCards = 5;
    cardsArea_->setMaximumWidth(isOffering ? QWIDGETSIZE_MAX
                                           : oneCard * std::min(mostCards, static_cast<int>(effects.size())) + 8);
  }
  if (one) refreshNumbers(*first->style);
}

}  // namespace widecut
