#include "app/bench/starter_page.h"

#include <QCoreApplication>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QStackedLayout>

#include "app/bench/page_layout.h"
#include "app/bench/starter_strip.h"
#include "app/look/shown_picture.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/number_control.h"
#include "painting/item_picture.h"
#include "project/edits/starters.h"
#include "project/resolve.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

constexpr QSize pictureSize{92, 80}, dealtSize{86, 58}, presetSize{58, 44};
constexpr int rows = 3;
constexpr unsigned hand = 8;

/// What the polygon tool is often asked for.
struct Preset {
  const char* word;
  const char* kind;
  std::vector<double> numbers;
};
const Preset presets[] = {{QT_TRANSLATE_NOOP("Starters", "triangle"), "polygon", {3}},
                          {QT_TRANSLATE_NOOP("Starters", "pentagon"), "polygon", {5}},
                          {QT_TRANSLATE_NOOP("Starters", "hexagon"), "polygon", {6}},
                          {QT_TRANSLATE_NOOP("Starters", "star"), "star", {5, 0.5}},
                          {QT_TRANSLATE_NOOP("Starters", "burst"), "burst", {}}};

}  // namespace

StarterPage::StarterPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->setSpacing(6);
  heading_ = pageHeading({}, *this);
  heading_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  column->addLayout(row, 1);
  picture_ = new QLabel(this);
  picture_->setFixedSize(pictureSize);
  picture_->setAlignment(Qt::AlignCenter);
  row->addWidget(picture_);
  presets_ = buildPresets();
  row->addWidget(presets_);
  auto* middle = new QWidget(this);
  sides_ = new QStackedLayout(middle);
  row->addWidget(middle, 1);

  auto* numbers = new QWidget(middle);
  grid_ = new QGridLayout(numbers);
  grid_->setContentsMargins(0, 0, 0, 0);
  grid_->setHorizontalSpacing(16);
  grid_->setVerticalSpacing(7);
  sides_->addWidget(sidewaysScroll(*numbers, *middle));
  auto* dealt = new QWidget(middle);
  hand_ = new QHBoxLayout(dealt);
  hand_->setContentsMargins(0, 0, 0, 0);
  hand_->setSpacing(6);
  sides_->addWidget(dealt);
  kinds_ = new StarterRow(desk, StartersModel::Shelved::No, middle);
  kinds_->setObjectName("otherKinds");
  kinds_->findByTyping();
  connect(kinds_, &StarterRow::chosen, this, [this](const Offer& offer) { takeKind(*offer.kind); });
  connect(kinds_, &StarterRow::pointedAt, this, [this](const Offer& offer) {
    const Subject now = subject();
    if (offer.kind && now.item != 0 && side_ == Kinds)
      trial_.point(withKind(desk_.settled(), now.item, *offer.kind));
    else
      trial_.drop();
  });
  sides_->addWidget(kinds_);

  actions_ = new QWidget(this);
  auto* actions = new QGridLayout(actions_);
  actions->setContentsMargins(0, 0, 0, 0);
  actions->setSpacing(5);
  const auto button = [&](const QString& words, const char* name, const QString& tip, int line, int place) {
    auto* made = new QPushButton(words, actions_);
    made->setObjectName(name);
    made->setToolTip(tip);
    made->setMinimumHeight(26);
    actions->addWidget(made, line, place);
    return made;
  };
  deal_ = button(tr("Deal"), "deal", tr("Lays out eight variants of what is random or free"), 0, 0);
  again_ = button(tr("Deal again"), "dealAgain", tr("Eight other ones"), 0, 0);
  back_ = button(tr("Back to the numbers"), "backToNumbers", {}, 1, 0);
  another_ = button(tr("Another kind"), "anotherKind",
                    tr("Another shape in its place: it keeps size, place, look and role"), 1, 0);
  all_ = button(tr("All shapes"), "allShapes", tr("Choose another shape to draw"), 2, 0);
  recipe_ = button(tr("Back to the recipe"), "backToRecipe", tr("The recipe that it is a part of"), 2, 1);
  connect(recipe_, &QPushButton::clicked, this, [this] { desk_.toggleNumbers(); });
  bake_ = buttonFor(CommandId::Bake, actions_);
  bake_->setMinimumHeight(26);
  actions->addWidget(bake_, 2, 0);
  reframe_ = buttonFor(CommandId::Reframe, actions_);
  reframe_->setMinimumHeight(26);
  actions->addWidget(reframe_, 0, 1);
  auto* photo = buttonFor(CommandId::BringInPhoto, actions_);
  photo->setMinimumHeight(26);
  actions->addWidget(photo, 1, 1);
  row->addWidget(actions_, 0, Qt::AlignTop);

  connect(deal_, &QPushButton::clicked, this, [this] { deal(turn_); });
  connect(again_, &QPushButton::clicked, this, [this] { deal(turn_ + hand); });
  connect(another_, &QPushButton::clicked, this, [this] {
    kinds_->starters().filter({});
    show(Kinds);
    kinds_->setFocus();
  });
  connect(back_, &QPushButton::clicked, this, [this] { show(Numbers); });
  connect(all_, &QPushButton::clicked, this, [this] {
    desk_.setTool(ToolKind::Starter);
    desk_.setNextKind(nullptr);
  });
  connect(&desk, &Desk::toolSet, this, [this] { refresh(false); });
  refresh(true);
}

QWidget* StarterPage::buildPresets() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  for (const Preset& preset : presets) {
    const StarterKind& kind = *starterKind(preset.kind);
    const auto numbers = within(kind, preset.numbers);
    auto* card = new Card(QCoreApplication::translate("Starters", preset.word), {}, theme::slate,
                          pictureOf(kind, numbers, usualSize(kind, numbers), presetSize), box);
    card->setObjectName(preset.word);
    connect(card, &Card::clicked, this, [this, &kind, numbers] { desk_.setNext(kind, numbers); });
    row->addWidget(card);
  }
  return box;
}

QImage StarterPage::pictureOf(const StarterKind& kind, const std::vector<double>& numbers, StarterSize size,
                              QSize pixels) const {
  Style style;
  setColour(style, colourOf(desk_.styleForNew).value_or(usualFill));
  const Box box{{0, 0}, {size.width, size.height}};
  const auto item = std::make_shared<const Item>(starterItem(1, "starter", kind, numbers, box, style));
  return widecut::pictureOf({item}, desk_.photos(), pixels, devicePixelRatioF());
}

StarterPage::Subject StarterPage::subject() const {
  const bool isPlain = desk_.tool() == ToolKind::Rectangle || desk_.tool() == ToolKind::Ellipse;
  if (laysStarters(desk_.tool()) && (!isPlain || desk_.selection().empty())) {
    const StarterKind* kind = desk_.nextKind();
    if (!kind) return {};
    const auto numbers = desk_.nextNumbers();
    return {kind, numbers, usualSize(*kind, numbers), 0};
  }
  const ItemPtr item = desk_.onlyItem();
  const Starter* starter = item ? starterOf(*item) : nullptr;
  if (!starter) return {};
  return {&starter->kind(), starter->content().numbers, starter->content().size, item->id};
}

void StarterPage::buildNumbers(const StarterKind& kind) {
  if (built_ == &kind && unit_ == desk_.unit()) return;
  built_ = &kind;
  unit_ = desk_.unit();
  clearLayout(*grid_);
  controls_.clear();
  for (std::size_t i = 0; i < kind.numbers.size(); ++i) {
    auto* control = new NumberControl(kind.numbers[i], unit_, this);
    const auto with = [this, i](double value) {
      auto numbers = subject().numbers;
      if (i < numbers.size()) numbers[i] = value;
      return numbers;
    };
    const QString name = inQt(kind.numbers[i].name);
    connect(control, &NumberControl::tried, this, [this, with](double value) { tryNumbers(with(value)); });
    connect(control, &NumberControl::settled, this,
            [this, with, name](double value) { takeNumbers(with(value), tr("Change %1").arg(name)); });
    connect(control, &NumberControl::dropped, this, [this] { trial_.drop(); });
    grid_->addWidget(control, static_cast<int>(i) % rows, static_cast<int>(i) / rows, Qt::AlignLeft | Qt::AlignTop);
    controls_.push_back(control);
  }
  const int columns = (static_cast<int>(kind.numbers.size()) + rows - 1) / rows;
  grid_->setRowStretch(rows, 1);
  for (int i = 0; i < 5; ++i) grid_->setColumnStretch(i, i == columns ? 1 : 0);
}

void StarterPage::tryNumbers(const std::vector<double>& numbers) {
  const Subject now = subject();
  if (now.item != 0)
    trial_.show(withNumbers(desk_.settled(), now.item, numbers));
  else if (now.kind)
    desk_.setNextNumbers(numbers);
}

void StarterPage::takeNumbers(const std::vector<double>& numbers, const QString& step) {
  const Subject now = subject();
  trial_.drop();
  if (now.item != 0)
    desk_.commit(step, withNumbers(desk_.settled(), now.item, numbers));
  else if (now.kind)
    desk_.setNextNumbers(numbers);
}

void StarterPage::takeKind(const StarterKind& kind) {
  const Subject now = subject();
  trial_.drop();
  show(Numbers);
  if (now.item != 0)
    desk_.commit(tr("Another kind"), withKind(desk_.settled(), now.item, kind));
  else
    desk_.setNextKind(&kind);
}

void StarterPage::deal(unsigned from) {
  turn_ = from;
  clearLayout(*hand_);
  const Subject now = subject();
  if (!now.kind) return;
  for (unsigned i = 0; i < hand; ++i) {
    const auto numbers = dealt(*now.kind, now.numbers, from + i);
    auto* card = new Card(tr("variant %1").arg(i + 1), {}, theme::slate,
                          pictureOf(*now.kind, numbers, now.size, dealtSize), this);
    card->setObjectName(QString("variant%1").arg(i + 1));
    QString told;
    for (std::size_t k = 0; k < numbers.size(); ++k)
      if (numbers[k] != now.numbers[k] && now.kind->numbers[k].kind != NumberKind::Seed)
        told += (told.isEmpty() ? "" : ", ") + inQt(now.kind->numbers[k].name) + " " +
                QString::fromStdString(valueText(now.kind->numbers[k], numbers[k], desk_.unit()));
    card->setToolTip(told);
    if (now.item != 0) {
      connect(card, &Card::entered, this,
              [this, numbers, id = now.item] { trial_.point(withNumbers(desk_.settled(), id, numbers)); });
      connect(card, &Card::left, this, [this] { trial_.drop(); });
    }
    connect(card, &Card::clicked, this, [this, numbers] {
      show(Numbers);
      takeNumbers(numbers, tr("Deal"));
    });
    hand_->addWidget(card);
  }
  hand_->addStretch(1);
  show(Dealt);
  hand_->itemAt(0)->widget()->setFocus();
}

void StarterPage::show(Side side) {
  side_ = side;
  if (side == Numbers) trial_.drop();
  sides_->setCurrentIndex(side);
  const Subject now = subject();
  deal_->setVisible(side == Numbers && now.kind && !now.kind->numbers.empty());
  again_->setVisible(side == Dealt);
  another_->setVisible(side == Numbers && now.item != 0);
  back_->setVisible(side != Numbers);
  all_->setVisible(side == Numbers && now.item == 0);
  bake_->setVisible(side == Numbers && now.item != 0);
  recipe_->setVisible(side == Numbers && now.item != 0 && desk_.openCutout());
  picture_->setVisible(side == Numbers && desk_.tool() != ToolKind::Polygon);
  presets_->setVisible(side == Numbers && desk_.tool() == ToolKind::Polygon);
  const ItemPtr item = now.item != 0 ? findItem(desk_.settled(), now.item) : nullptr;
  reframe_->setVisible(side == Numbers && item && shownPhoto(*item));
}

void StarterPage::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape && side_ != Numbers)
    show(Numbers);
  else
    BenchPage::keyPressEvent(event);
}

void StarterPage::refresh(bool selection) {
  const Subject now = subject();
  if (!now.kind) return;
  if (selection || built_ != now.kind) {
    turn_ = 0;
    show(Numbers);
  }
  buildNumbers(*now.kind);
  const QString keeps =
      now.kind->keeps.empty() ? QString() : tr(" · keeps %1 when it is resized").arg(inQt(now.kind->keeps));
  if (now.item == 0)
    heading_->setText(tr("%1 · drag it on the sheet, or click%2").arg(inQt(now.kind->name), keeps));
  else if (const ItemPtr item = findItem(desk_.project(), now.item)) {
    const QString named = QString::fromStdString(item->name), kind = inQt(now.kind->name);
    const QString about =
        item->name.starts_with(now.kind->name) ? tr("“%1”").arg(named) : tr("“%1”, %2").arg(named, kind);
    heading_->setText(tr("%1%2 · select a second item to combine them").arg(about, keeps));
  }
  const double room = std::max(now.size.width, now.size.height) / 2;
  for (std::size_t i = 0; i < controls_.size(); ++i) controls_[i]->show(now.numbers[i], room);
  if (side_ == Numbers && picture_->isVisible()) {
    const ItemPtr item = now.item != 0 ? findItem(desk_.project(), now.item) : nullptr;
    picture_->setPixmap(QPixmap::fromImage(
        item ? shownOnPanel(widecut::pictureOf({item}, desk_.photos(), pictureSize, devicePixelRatioF()))
             : pictureOf(*now.kind, now.numbers, now.size, pictureSize)));
  }
  for (std::size_t i = 0; i < std::size(presets); ++i) {
    auto* card = presets_->findChild<Card*>(presets[i].word);
    card->setMarked(presets[i].kind == now.kind->name && within(*now.kind, presets[i].numbers) == now.numbers);
    card->update();
  }
}

}  // namespace widecut
