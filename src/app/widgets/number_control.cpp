#include "app/widgets/number_control.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QSlider>

#include "app/look/theme.h"

namespace widecut {
namespace {

constexpr int sliderEnd = 1000;
constexpr int captionWidth = 76, controlWidth = 150;

}  // namespace

NumberControl::NumberControl(const StarterNumber& number, Unit unit, QWidget* parent)
    : QWidget(parent), number_(number), most_(number.most) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  const QString name = inQt(number.name);
  setToolTip(inQt(number.meaning));
  if (number.kind == NumberKind::Switch) {
    button_ = new QPushButton(name, this);
    button_->setCheckable(true);
    button_->setObjectName("number " + name);
    connect(button_, &QPushButton::clicked, this, [this](bool on) { emit settled(on ? 1 : 0); });
    row->addWidget(button_);
    row->addStretch(1);
    return;
  }
  auto* caption = new QLabel(name, this);
  caption->setFixedWidth(captionWidth);
  caption->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  theme::makeSecondary(*caption);
  row->addWidget(caption);
  if (number.kind == NumberKind::Choice) {
    words_ = new QComboBox(this);
    words_->setObjectName("number " + name);
    words_->setAccessibleName(name);
    words_->setFixedWidth(controlWidth);
    for (const std::string_view word : choicesOf(number)) words_->addItem(inQt(word));
    connect(words_, &QComboBox::activated, this, [this](int index) { emit settled(index); });
    row->addWidget(words_);
    return;
  }
  if (number.kind == NumberKind::Seed) {
    button_ = new QPushButton(tr("Throw"), this);
    button_->setObjectName("another throw");
    button_->setToolTip(tr("Another one of the irregular shapes, with the same numbers"));
    button_->setFixedWidth(controlWidth - 60);
    connect(button_, &QPushButton::clicked, this,
            [this] { emit settled(value_ >= number_.most ? number_.least : value_ + 1); });
    row->addWidget(button_);
  } else {
    addSlider();
  }
  addField(number.kind == NumberKind::Length ? unit : Unit::Plain);
}

void NumberControl::addSlider() {
  slider_ = new QSlider(Qt::Horizontal, this);
  slider_->setRange(0, sliderEnd);
  slider_->setObjectName("slider " + inQt(number_.name));
  slider_->setAccessibleName(inQt(number_.name));
  slider_->setFixedWidth(controlWidth - 60);
  connect(slider_, &QSlider::valueChanged, this, [this](int place) {
    const double value = within(number_, atSlider(place));
    if (slider_->isSliderDown())
      emit tried(value);
    else
      emit settled(value);
  });
  connect(slider_, &QSlider::sliderReleased, this,
          [this] { emit settled(within(number_, atSlider(slider_->value()))); });
  layout()->addWidget(slider_);
}

void NumberControl::addField(Unit unit) {
  const QString suffix = number_.kind == NumberKind::Share ? " %" : number_.kind == NumberKind::Angle ? "°" : "";
  field_ = new MeasureField(inQt(number_.name), unit, suffix, this);
  field_->setFixedWidth(number_.kind == NumberKind::Length ? 74 : number_.kind == NumberKind::Share ? 68 : 54);
  connect(field_, &MeasureField::tried, this, [this](double typed) { emit tried(meant(typed)); });
  connect(field_, &MeasureField::settled, this, [this](double typed) {
    field_->show(shown(meant(typed)));
    emit settled(meant(typed));
  });
  connect(field_, &MeasureField::dropped, this, &NumberControl::dropped);
  layout()->addWidget(field_);
}

// Counts and lengths rise slowly at first: small ones matter more.
double NumberControl::atSlider(int place) const {
  const double part = static_cast<double>(place) / sliderEnd;
  const bool slow = number_.kind == NumberKind::Count || number_.kind == NumberKind::Length;
  const double value = least() + (most_ - least()) * (slow ? part * part : part);
  // Whole per cents and degrees are what people mean.
  if (number_.kind == NumberKind::Share) return std::round(value * 100) / 100;
  if (number_.kind == NumberKind::Times) return std::round(value * 20) / 20;
  return number_.kind == NumberKind::Angle ? std::round(value) : value;
}

int NumberControl::placeOf(double value) const {
  const double part = std::clamp((value - least()) / std::max(most_ - least(), 1e-9), 0.0, 1.0);
  const bool slow = number_.kind == NumberKind::Count || number_.kind == NumberKind::Length;
  return static_cast<int>(std::lround(sliderEnd * (slow ? std::sqrt(part) : part)));
}

void NumberControl::show(double value, double most) {
  value_ = value;
  most_ = number_.kind == NumberKind::Length ? std::clamp(most, least(), number_.most) : number_.most;
  if (slider_ && !slider_->isSliderDown()) {
    const QSignalBlocker still(slider_);
    slider_->setValue(placeOf(value));
  }
  if (field_) field_->show(shown(value));
  if (words_) words_->setCurrentIndex(static_cast<int>(value));
  if (button_ && button_->isCheckable()) button_->setChecked(value > 0);
}

}  // namespace widecut
