#include "app/widgets/colour_popover.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/field_problem.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/tone_slider.h"
#include "painting/raster.h"

namespace widecut {
namespace {

constexpr double strongest = 0.33;  // beyond what sRGB shows of any hue

/// Shown after the project's own colours.
constexpr Colour plainTones[] = {{255, 255, 255},    {0xF1, 0xED, 0xE3}, {0xB9, 0xB4, 0xA6}, {0x6B, 0x70, 0x6C},
                                 {0x23, 0x30, 0x2E}, {0, 0, 0},          {0xBF, 0x3F, 0x26}, {0xE8, 0x7A, 0x3C},
                                 {0xF2, 0xB2, 0x33}, {0x7A, 0xA3, 0x55}, {0x2F, 0x7D, 0x4F}, {0x2E, 0x8C, 0x93},
                                 {0x2B, 0x5C, 0x9E}, {0x6C, 0x3B, 0xAA}, {0xB2, 0x4A, 0x86}, {0x8F, 0xA9, 0xB8}};

/// Six or eight digits, with or without a # before them; once all is typed, three of them count twice.
std::optional<Colour> typedColour(const QString& text, bool isAll) {
  QString digits = text.trimmed();
  if (digits.startsWith('#')) digits.remove(0, 1);
  constexpr qsizetype few = 3;
  if (isAll && digits.size() == few)
    for (qsizetype i = few; i-- > 0;) digits.insert(i, digits[i]);
  return parseColour(("#" + digits).toStdString());
}

}  // namespace

ColourPopover::ColourPopover(std::optional<Colour> colour, const ColourOffer& offer, const QString& noneText,
                             QWidget* parent)
    : QFrame(parent, Qt::Popup), colour_(colour), behind_(offer.behind) {
  setAttribute(Qt::WA_DeleteOnClose);
  setObjectName("colourPopover");
  theme::setSheet(*this, "#colourPopover { background: #FBF9F4; border: 1px solid #C9BFAC; }");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(10, 8, 10, 8);
  column->setSpacing(4);
  addTones(*column, offer);
  addSliders(*column);
  auto* last = new QHBoxLayout;
  column->addLayout(last);
  hex_ = new QLineEdit(this);
  hex_->setObjectName("hex");
  hex_->setAccessibleName(tr("Colour as #rrggbb"));
  hex_->setMinimumWidth(70);
  connect(hex_, &QLineEdit::textEdited, this, [this](const QString& text) {
    setProblem(*hex_, {});
    if (const auto c = typedColour(text, false)) choose(c, true);
  });
  connect(hex_, &QLineEdit::returnPressed, this, [this] {
    const auto typed = typedColour(hex_->text(), true);
    if (typed && typed != colour_) choose(typed, true);
    if (typed || hex_->text().isEmpty())
      close();
    else
      setProblem(*hex_, tr("“%1” is no colour: six digits are, as in #bf3f26").arg(hex_->text()));
  });
  last->addWidget(hex_, 1);
  auto* pick = new QPushButton(tr("Pick"), this);
  pick->setObjectName("pickColour");
  pick->setToolTip(tr("Takes the colour of the place on the mat that is clicked next"));
  connect(pick, &QPushButton::clicked, this, [this] {
    picking_ = true;
    changed_ = false;
    close();
    emit pickWanted();
  });
  last->addWidget(pick);
  auto* none = new QPushButton(noneText, this);
  none->setObjectName("noPaint");
  connect(none, &QPushButton::clicked, this, [this] {
    choose(std::nullopt, false);
    close();
  });
  last->addWidget(none);
  none->setVisible(!noneText.isEmpty());
  choose(colour, true);
  changed_ = false;
}

QPushButton* ColourPopover::tone(Colour colour, const QString& name) {
  auto* swatch = new QPushButton(this);
  const QString hex = QString::fromStdString(colourText(colour));
  swatch->setFixedSize(23, 18);
  swatch->setAccessibleName(tr("Colour %1").arg(name.isEmpty() ? hex : name));
  swatch->setObjectName("tone " + hex);
  swatch->setToolTip(name.isEmpty() ? hex : name + " " + hex);
  swatch->setStyleSheet(
      QString("QPushButton { background: %1; border: %2; border-radius: 2px; min-height: 0; padding: 0; }"
              "QPushButton:hover, QPushButton:focus { border: 2px solid #6C3BAA; }")
          .arg(painterColour(colour).name(), colour.swatch ? "2px solid #23302E" : "1px solid #A79D8A"));
  connect(swatch, &QPushButton::clicked, this, [this, colour] { choose(colour, true); });
  return swatch;
}

void ColourPopover::addTones(QVBoxLayout& column, const ColourOffer& offer) {
  auto* grid = new QGridLayout;
  grid->setSpacing(3);
  column.addLayout(grid);
  constexpr int across = 8;
  int row = 0;
  const auto addRow = [&](const QString& caption, auto first, auto last, const auto& made) {
    if (first == last) return;
    if (!caption.isEmpty()) {
      auto* label = new QLabel(caption, this);
      theme::makeSecondary(*label);
      grid->addWidget(label, row++, 0, 1, across);
    }
    int cell = 0;
    for (auto one = first; one != last; ++one, ++cell) grid->addWidget(made(*one), row + cell / across, cell % across);
    row += (cell + across - 1) / across;
  };
  const auto plain = [this](Colour c) { return tone(c, {}); };
  const auto named = [this](const ColourOffer::Named& one) { return tone(one.colour, one.name); };
  const auto most = [](const auto& list, std::ptrdiff_t count) {
    return list.begin() + std::min<std::ptrdiff_t>(count, std::ssize(list));
  };
  addRow(tr("swatches"), offer.swatches.begin(), most(offer.swatches, 24), named);
  addRow(tr("of the photo"), offer.ofPhoto.begin(), most(offer.ofPhoto, 8), plain);
  addRow(tr("chosen last"), offer.recent.begin(), most(offer.recent, 8), plain);
  addRow(tr("in the project"), offer.used.begin(), most(offer.used, 16), plain);
  addRow({}, std::begin(plainTones), std::end(plainTones), plain);
  ladder_ = new QGridLayout;
  ladder_->setSpacing(3);
  auto* caption = new QLabel(tr("lighter and darker"), this);
  theme::makeSecondary(*caption);
  column.addWidget(caption);
  column.addLayout(ladder_);
}

void ColourPopover::addSliders(QVBoxLayout& column) {
  auto* grid = new QGridLayout;
  grid->setVerticalSpacing(3);
  column.addLayout(grid);
  const auto slider = [&](const QString& name, double most, const QString& suffix) {
    const int row = grid->rowCount();
    grid->addWidget(new QLabel(name, this), row, 0);
    auto* made = new ToneSlider(name, this);
    grid->addWidget(made, row, 1);
    connect(made, &ToneSlider::moved, this, &ColourPopover::chooseBySliders);
    auto* field = new MeasureField(tr("%1 as a number").arg(name), Unit::Plain, suffix, this);
    constexpr int fieldWidth = 52;
    field->setFixedWidth(fieldWidth);
    for (const auto signal : {&MeasureField::tried, &MeasureField::settled})
      connect(field, signal, this, [made, most](double typed) { made->set(typed / most); });
    grid->addWidget(field, row, 2);
    numbers_.push_back({made, field, most});
    return made;
  };
  hue_ = slider(tr("hue"), 360, "°");
  strength_ = slider(tr("strength"), 100, " %");
  light_ = slider(tr("light"), 100, " %");
  opacity_ = slider(tr("opacity"), 100, " %");
  contrast_ = new QLabel(this);
  contrast_->setObjectName("contrast");
  contrast_->setWordWrap(true);
  contrast_->setToolTip(tr("With what is behind the selection, by WCAG: text wants 4.5, large words 3"));
  theme::makeSecondary(*contrast_);
  column.addWidget(contrast_);
}

void ColourPopover::chooseBySliders() {
  if (movingSliders_) return;
  const Oklch wanted{light_->value(), strength_->value() * strongest, hue_->value() * 360};
  choose(srgbOf(wanted, static_cast<std::uint8_t>(std::lround(opacity_->value() * 255))), false);
}

void ColourPopover::showLadder() {
  clearLayout(*ladder_);
  if (!colour_) return;
  constexpr double steps[] = {-0.6, -0.4, -0.2, 0, 0.25, 0.5, 0.7, 0.85};
  int cell = 0;
  Colour own = *colour_;
  own.swatch = 0;
  for (const double step : steps) {
    auto* one = tone(lightened(own, step), {});
    one->setObjectName(QString("ladder %1").arg(cell));
    ladder_->addWidget(one, 0, cell++);
  }
}

void ColourPopover::choose(std::optional<Colour> colour, bool moveSliders) {
  colour_ = colour;
  changed_ = true;
  if (colour) {
    Oklch c = oklchOf(*colour);
    double opacity = colour->alpha / 255.0;
    // Greys have no hue of their own: the sliders keep theirs, and theirs is finer than what 8 bits hold.
    if (!moveSliders) {
      c = {light_->value(), strength_->value() * strongest, hue_->value() * 360};
      opacity = opacity_->value();
    } else if (c.strength == 0) {
      c.hueDeg = hue_->value() * 360;
    }
    const auto shown = [](const Oklch& at) -> std::optional<Colour> {
      return isInGamut(oklabOf(at)) ? std::optional(srgbOf(at)) : std::nullopt;
    };
    movingSliders_ = true;
    hue_->show(c.hueDeg / 360, [c](double v) {
      return std::optional(srgbOf(Oklch{0.7, std::max(0.1, c.strength), v * 360}));
    });
    strength_->show(c.strength / strongest, [c, shown](double v) { return shown({c.light, v * strongest, c.hueDeg}); });
    light_->show(c.light, [c, shown](double v) { return shown({v, c.strength, c.hueDeg}); });
    opacity_->show(opacity, [solid = *colour](double v) {
      Colour at = solid;
      at.alpha = static_cast<std::uint8_t>(v * 255);
      return std::optional(at);
    });
    movingSliders_ = false;
    for (const Number& number : numbers_) number.field->show(std::round(number.slider->value() * number.most));
    if (!hex_->hasFocus()) hex_->setText(QString::fromStdString(colourText(*colour)));
    if (moveSliders) showLadder();
    contrast_->setVisible(behind_.has_value());
    if (behind_) {
      const double ratio = contrast(*colour, *behind_);
      constexpr double forText = 4.5, forLarge = 3;
      contrast_->setText(tr("%1 : 1 on what is behind · %2")
                             .arg(ratio, 0, 'f', 1)
                             .arg(ratio >= forText    ? tr("good for text")
                                  : ratio >= forLarge ? tr("large words alone")
                                                      : tr("too little")));
    }
  }
  if (isVisible()) emit tried(colour_);
}

void ColourPopover::keyPressEvent(QKeyEvent* event) {
  QFrame::keyPressEvent(event);
  const bool isMade = event->key() == Qt::Key_Return && problemOf(hex_).isEmpty();
  if (isMade || event->key() == Qt::Key_Escape) close();
}

void ColourPopover::hideEvent(QHideEvent*) {
  if (changed_)
    emit settled(colour_);
  else
    emit dropped();
}

}  // namespace widecut
