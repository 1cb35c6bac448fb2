#include "app/bench/colours_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <algorithm>

#include "app/bench/page_layout.h"
#include "app/desk/shelf.h"
#include "app/look/in_qt.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/cards.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/typed_field.h"
#include "painting/item_picture.h"
#include "painting/raster.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QSize cardSize{84, 38};
constexpr std::size_t mostCards = 40;  // of colours, and of finishes

QImage tone(Colour colour, double ratio) {
  QImage image(cardSize * ratio, QImage::Format_ARGB32_Premultiplied);
  image.setDevicePixelRatio(ratio);
  image.fill(Qt::white);
  QPainter(&image).fillRect(QRect({0, 0}, cardSize), painterColour(colour));
  return image;
}

QString hex(Colour colour) { return QString::fromStdString(colourText(colour)); }

}  // namespace

ColoursPage::ColoursPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  QVBoxLayout* column = page.column;
  buildTop(*page.top);
  auto* box = new QWidget(this);
  cards_ = new QHBoxLayout(box);
  cards_->setContentsMargins(0, 0, 0, 0);
  cards_->setSpacing(6);
  column->addWidget(sidewaysScroll(*box, *this), 1);
  connect(&desk, &Desk::paintChosen, this, [this] {
    if (isVisible()) refresh(false);
  });
}

void ColoursPage::buildTop(QHBoxLayout& top) {
  heading_ = headingOf(top, *this);
  const auto take = [this](const QString& text) {
    rename(text.trimmed());
    return QString();
  };
  name_ = new TypedField("swatchName", tr("Name of the swatch"), take, this);
  name_->setFixedWidth(140);
  top.addWidget(name_);
  const auto button = [&](const QString& words, const char* name, const QString& tip, auto pressed) {
    QPushButton* made = pageButton(*this, words, name, tip);
    connect(made, &QPushButton::clicked, this, pressed);
    top.addWidget(made);
    return made;
  };
  replace_ =
      button({}, "replaceColour", tr("Everywhere in the project, sheets' papers too"), [this] { replaceColour(); });
  keep_ = button(tr("Make it a swatch"), "keepSwatch",
                 tr("A colour with a name: change it, and all that has it follows"), [this] { keepAsSwatch(); });
  drop_ = button(tr("Drop the swatch"), "dropSwatch", tr("What is painted with it keeps its colour"), [this] {
    if (const Swatch* one = swatch()) {
      Colour left = one->colour;
      left.swatch = 0;
      const auto number = one->number;
      colour_ = left;
      desk_.commit(tr("Drop a swatch"), withoutSwatch(desk_.settled(), number));
    }
  });
  take_ = button(tr("Copy it"), "takeFinish", tr("To be applied to other items (Alt+Shift+E)"), [this] {
    if (finish_) desk_.finishTaken = FinishTaken{*finish_, std::nullopt};
    refresh(false);
  });
  shelf_ = button(tr("Keep on the shelf"), "shelveFinish",
                  tr("For all projects: it shows here, and as a shape with it"), [this] { keepOnShelf(); });
  lay_ = button(tr("Replace by the one taken up"), "replaceFinish", tr("On every item that has this finish"),
                [this] { replaceFinish(); });
  button(tr("Done"), "coloursDone", tr("What the bench showed before"), [this] { desk_.leavePaint(); });
}

const Swatch* ColoursPage::swatch() const { return colour_ ? swatchOf(desk_.settled(), colour_->swatch) : nullptr; }

void ColoursPage::chooseColour(Colour colour) {
  colour_ = colour;
  finish_.reset();
  refresh(false);
}

void ColoursPage::chooseFinish(std::size_t place) {
  finish_ = finishes_[place].finish;
  colour_.reset();
  refresh(false);
}

void ColoursPage::replaceColour() {
  if (!colour_) return;
  const Colour from = *colour_;
  const bool isSwatch = swatch() != nullptr;
  const auto edit = [this, from, isSwatch](const Project& p, std::optional<Colour> to) {
    if (!to) return p;
    // The choice is remembered, so that what was found is found again.
    Colour now = *to;
    if (isSwatch) now.swatch = from.swatch;
    colour_ = now;
    return isSwatch ? withSwatchColour(p, from.swatch, *to) : withColourReplaced(p, from, *to);
  };
  openColours(*replace_, *this, desk_, trial_, {tr("Replace a colour"), {}, from, edit});
}

void ColoursPage::replaceFinish() {
  if (!finish_ || !desk_.finishTaken) return;
  const Style to = desk_.finishTaken->look;
  if (desk_.commit(tr("Replace a finish"), withFinishReplaced(desk_.settled(), *finish_, to))) finish_ = finishOf(to);
  refresh(false);
}

void ColoursPage::keepAsSwatch() {
  if (!colour_ || swatch()) return;
  std::uint16_t number = 0;
  Colour plain = *colour_;
  plain.alpha = 255;
  Project out = withSwatch(desk_.settled(), hex(plain).toStdString(), plain, number);
  const Swatch* made = swatchOf(out, number);
  if (!made) return;
  const Colour as = made->colour;
  out = withColourReplaced(out, *colour_, as);
  colour_ = as;
  if (desk_.commit(tr("Make a swatch"), std::move(out))) {
    refresh(false);
    name_->setFocus();
    name_->selectAll();
  }
}

void ColoursPage::keepOnShelf() {
  const auto shown = std::find_if(finishes_.begin(), finishes_.end(),
                                  [&](const UsedFinish& one) { return finish_ && one.finish == *finish_; });
  if (shown == finishes_.end()) return;
  Item item = *shown->shownBy;
  item.style = std::make_shared<const Style>(shown->finish);
  const auto kept = Shelf::instance().keep({std::make_shared<const Item>(std::move(item))},
                                           tr("finish of %1").arg(QString::fromStdString(shown->shownBy->name)));
  emit desk_.told(kept ? tr("“%1” is on the shelf").arg(kept->name)
                       : tr("Not kept: %1").arg(QString::fromStdString(kept.error().message)));
  refresh(false);
}

void ColoursPage::rename(const QString& text) {
  const Swatch* one = swatch();
  const std::string name = text.toStdString();
  if (!one || name.empty() || name == one->name) return;
  desk_.commit(tr("Rename a swatch"), withSwatchName(desk_.settled(), one->number, name));
}

std::vector<ColoursPage::UsedFinish> ColoursPage::finishes() const {
  std::vector<UsedFinish> found;
  for (const SheetPtr& sheet : sheetsOf(desk_.settled()))
    for (const ItemPtr& item : sheet->items) {
      Style finish = finishOf(*item->style);
      if (finish.fills.empty() && finish.lines.empty() && finish.effects.empty()) continue;
      const auto known =
          std::find_if(found.begin(), found.end(), [&](const UsedFinish& f) { return f.finish == finish; });
      if (known != found.end())
        ++known->uses;
      else if (found.size() < mostCards)
        found.push_back({std::move(finish), item, 1});
    }
  std::stable_sort(found.begin(), found.end(),
                   [](const UsedFinish& a, const UsedFinish& b) { return a.uses > b.uses; });
  // Those of the shelf come last.
  for (const OnShelf& kept : Shelf::instance().all()) {
    if (found.size() >= 2 * mostCards) break;
    const auto items = Shelf::instance().items(kept);
    if (items && !items->empty()) found.push_back({finishOf(*lookOf(*items->back())), items->back(), 0, kept.name});
  }
  return found;
}

void ColoursPage::buildFinishes() {
  finishes_ = finishes();
  for (std::size_t i = 0; i < finishes_.size(); ++i) {
    const UsedFinish& one = finishes_[i];
    Item shown = *one.shownBy;
    shown.style = std::make_shared<const Style>(one.finish);
    const bool isChosen = finish_ && *finish_ == one.finish;
    auto* card = new Card(one.onShelf.isEmpty() ? tr("finish · %1").arg(one.uses) : one.onShelf, {},
                          isChosen ? theme::plum : theme::slate,
                          pictureOf({std::make_shared<const Item>(std::move(shown))}, desk_.photos(), cardSize,
                                    devicePixelRatioF(), {}, Photos::WhenReady),
                          this);
    card->setObjectName("finish " + QString::number(i));
    card->setMarked(isChosen);
    connect(card, &Card::clicked, this, [this, i] { chooseFinish(i); });
    cards_->addWidget(card);
  }
}

void ColoursPage::buildCards() {
  clearLayout(*cards_);
  used_ = usedColours(desk_.settled());
  const auto add = [&](Colour colour, const QString& name, const QString& objectName) {
    const bool isChosen = colour_ && *colour_ == colour;
    auto* card = new Card(name, {}, isChosen ? theme::plum : theme::slate, tone(colour, devicePixelRatioF()), this);
    card->setObjectName(objectName);
    card->setMarked(isChosen);
    connect(card, &Card::clicked, this, [this, colour] { chooseColour(colour); });
    cards_->addWidget(card);
  };
  for (const Swatch& one : desk_.settled().swatches) {
    const QString name = QString::fromStdString(one.name);
    add(one.colour, name, "swatch " + name);
  }
  std::size_t shown = 0;
  for (const UsedColour& one : used_)
    if (one.colour.swatch == 0 && ++shown <= mostCards)
      add(one.colour, QString("%1 · %2").arg(hex(one.colour)).arg(one.uses), "colour " + hex(one.colour));
  buildFinishes();
  cards_->addStretch(1);
}

void ColoursPage::refresh(bool) {
  const Swatch* one = swatch();
  // While a colour is tried the cards stay: it is chosen over them.
  if (!desk_.isTrying()) buildCards();
  const auto uses = [&] {
    for (const UsedColour& used : used_)
      if (colour_ && used.colour == *colour_) return used.uses;
    return 0;
  }();
  heading_->setText(one       ? tr("Swatch “%1” · %2 uses").arg(QString::fromStdString(one->name)).arg(uses)
                    : colour_ ? tr("Colour %1 · %2 uses").arg(hex(*colour_)).arg(uses)
                    : finish_ ? tr("A finish · %1 items").arg(usesOfFinish(desk_.settled(), *finish_))
                              : tr("Colours and finishes of the project: choose one to replace it everywhere"));
  replace_->setVisible(colour_.has_value());
  replace_->setText(one ? tr("Change its colour…") : tr("Replace it by…"));
  keep_->setVisible(colour_ && !one);
  drop_->setVisible(one);
  name_->setVisible(one);
  if (one) name_->show(QString::fromStdString(one->name));
  take_->setVisible(finish_.has_value());
  shelf_->setVisible(finish_.has_value());
  lay_->setVisible(finish_.has_value());
  lay_->setEnabled(desk_.finishTaken.has_value());
}

}  // namespace widecut
