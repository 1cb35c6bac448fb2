#include "app/bench/knife_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <array>

#include "app/bench/page_layout.h"
#include "app/desk/preferences.h"
#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/measure_field.h"
#include "geometry/measure.h"
#include "painting/item_picture.h"
#include "project/limits.h"
#include "shapes/primitives.h"

namespace widecut {

namespace {

/// In points: whole millimetres, or 4, 8 and 16 pixels.
std::array<double, 4> usualGaps(Unit unit) {
  if (unit != Unit::Pixel) return {0, 1 * pointsPerMillimetre, 2 * pointsPerMillimetre, 5 * pointsPerMillimetre};
  const double pixel = pointsPer(Unit::Pixel);
  return {0, 4 * pixel, 8 * pixel, 16 * pixel};
}

}  // namespace

KnifePage::KnifePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->addWidget(pageHeading(tr("Knife · draw right across what is to be parted"), *this));
  auto* row = new QHBoxLayout;
  column->addLayout(row);
  row->addWidget(new QLabel(tr("gap"), this));
  gap_ = new MeasureField(tr("gap"), Unit::Millimetre, {}, this);
  gap_->setFixedWidth(90);
  row->addWidget(gap_);
  for (std::size_t i = 0; i < usualGaps(desk_.unit()).size(); ++i) {
    auto* b = new QPushButton(this);
    b->setObjectName(QString("gap%1").arg(i));
    b->setCheckable(true);
    gaps_.push_back(b);
    connect(b, &QPushButton::clicked, this, [this, i] {
      desk_.knifeGap = usualGaps(desk_.unit())[i];
      refresh(true);
    });
    row->addWidget(b);
  }
  row->addStretch(1);
  auto* note = new QLabel(tr("The selected items are cut, or, when none are selected, whatever the stroke crosses. "
                             "Every piece becomes an item of its own; a photo stays in its place across them."),
                          this);
  theme::makeSecondary(*note);
  note->setWordWrap(true);
  column->addWidget(note);
  column->addStretch(1);
  connect(gap_, &MeasureField::settled, this, [this](double v) {
    desk_.knifeGap = std::clamp(v, 0.0, limits::mostGap);
    refresh(true);
  });
  refresh(true);
}

void KnifePage::refresh(bool) {
  const auto usual = usualGaps(desk_.unit());
  for (std::size_t i = 0; i < gaps_.size(); ++i) {
    const Unit unit = desk_.unit() == Unit::Pixel ? Unit::Pixel : Unit::Millimetre;
    gaps_[i]->setText(usual[i] == 0 ? tr("no gap") : written(measureText(usual[i], unit, 0)));
    gaps_[i]->setChecked(std::abs(usual[i] - desk_.knifeGap) < 1e-6);
  }
  gap_->setUnit(desk_.unit());
  gap_->show(desk_.knifeGap);
}

}  // namespace widecut
