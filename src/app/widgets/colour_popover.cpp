#include "app/widgets/colour_popover.h"

#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>

#include "app/look/theme.h"
#include "painting/raster.h"

namespace widecut {
namespace {

/// Shown after the project's own colours.
constexpr Colour plainTones[] = {{255, 255, 255},    {0xF1, 0xED, 0xE3}, {0xB9, 0xB4, 0xA6}, {0x6B, 0x70, 0x6C},
                                 {0x23, 0x30, 0x2E}, {0, 0, 0},          {0xBF, 0x3F, 0x26}, {0xE8, 0x7A, 0x3C},
                                 {0xF2, 0xB2, 0x33}, {0x7A, 0xA3, 0x55}, {0x2F, 0x7D, 0x4F}, {0x2E, 0x8C, 0x93},
                                 {0x2B, 0x5C, 0x9E}, {0x6C, 0x3B, 0xAA}, {0xB2, 0x4A, 0x86}, {0x8F, 0xA9, 0xB8}};

}  // namespace

ColourPopover::ColourPopover(std::optional<Colour> colour, const std::vector<Colour>& used, const QString& noneText,
                             QWidget* parent)
    : QFrame(parent, Qt::Popup), colour_(colour) {
  setAttribute(Qt::WA_DeleteOnClose);
  setObjectName("colourPopover");
  theme::setSheet(*this, "#colourPopover { background: #FBF9F4; border: 1px solid #C9BFAC; }");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(10, 10, 10, 10);
  auto* grid = new QGridLayout;
  grid->setSpacing(4);
  column->addLayout(grid);
  std::vector<Colour> tones(used.begin(), used.begin() + std::min<std::ptrdiff_t>(16, std::ssize(used)));
  int cell = 0;
  const auto addTone = [&](Colour tone) {
    auto* swatch = new QPushButton(this);
    const QString hex = QString::fromStdString(colourText(tone));
    swatch->setFixedSize(23, 20);
    swatch->setAccessibleName(tr("Colour %1").arg(hex));
    swatch->setObjectName("tone " + hex);
    swatch->setToolTip(hex);
    swatch->setStyleSheet(
        QString(
            "QPushButton { background: %1; border: 1px solid #A79D8A; border-radius: 2px; min-height: 0; padding: 0; }"
            "QPushButton:hover, QPushButton:focus { border: 2px solid #6C3BAA; }")
            .arg(painterColour(tone).name()));
    connect(swatch, &QPushButton::clicked, this, [this, tone] { choose(tone, true); });
    grid->addWidget(swatch, cell / 8, cell % 8);
    ++cell;
  };
  for (const Colour tone : tones) addTone(tone);
  cell = (cell + 7) / 8 * 8;
  for (const Colour tone : plainTones) addTone(tone);

  auto* sliders = new QGridLayout;
  column->addLayout(sliders);
  const auto slider = [&](const QString& name, int most) {
    const int row = sliders->rowCount();
    sliders->addWidget(new QLabel(name, this), row, 0);
    auto* s = new QSlider(Qt::Horizontal, this);
    s->setRange(0, most);
    s->setAccessibleName(name);
    sliders->addWidget(s, row, 1);
    connect(s, &QSlider::valueChanged, this, [this] {
      if (movingSliders_) return;
      const QColor c = QColor::fromHsv(hue_->value(), saturation_->value(), brightness_->value());
      const std::uint8_t alpha = colour_ ? colour_->alpha : 255;
      choose(Colour{std::uint8_t(c.red()), std::uint8_t(c.green()), std::uint8_t(c.blue()), alpha}, false);
    });
    return s;
  };
  hue_ = slider(tr("hue"), 359);
  saturation_ = slider(tr("strength"), 255);
  brightness_ = slider(tr("light"), 255);
  auto* last = new QHBoxLayout;
  column->addLayout(last);
  hex_ = new QLineEdit(this);
  hex_->setObjectName("hex");
  hex_->setAccessibleName(tr("Colour as #rrggbb"));
  connect(hex_, &QLineEdit::textEdited, this, [this](const QString& text) {
    if (const auto c = parseColour(text.toStdString())) choose(c, true);
  });
  connect(hex_, &QLineEdit::returnPressed, this, &QWidget::close);
  last->addWidget(hex_);
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

void ColourPopover::choose(std::optional<Colour> colour, bool moveSliders) {
  colour_ = colour;
  changed_ = true;
  if (colour) {
    const QColor c = painterColour(*colour);
    if (moveSliders) {
      movingSliders_ = true;
      hue_->setValue(std::max(0, c.hsvHue()));
      saturation_->setValue(c.hsvSaturation());
      brightness_->setValue(c.value());
      movingSliders_ = false;
    }
    if (!hex_->hasFocus()) hex_->setText(QString::fromStdString(colourText(*colour)));
  }
  if (isVisible()) emit tried(colour_);
}

void ColourPopover::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) changed_ = false;
  QFrame::keyPressEvent(event);
  if (event->key() == Qt::Key_Escape || event->key() == Qt::Key_Return) close();
}

void ColourPopover::hideEvent(QHideEvent*) {
  if (changed_)
    emit settled(colour_);
  else
    emit dropped();
}

}  // namespace widecut
