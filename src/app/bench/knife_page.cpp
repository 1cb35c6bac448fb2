#include "app/bench/knife_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/measure_field.h"
#include "geometry/measure.h"
#include "painting/item_picture.h"
#include "project/limits.h"
#include "shapes/primitives.h"

namespace widecut {

KnifePage::KnifePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->addWidget(pageHeading(tr("Knife · draw right across what is to be parted"), *this));
  auto* row = new QHBoxLayout;
  column->addLayout(row);
  row->addWidget(new QLabel(tr("gap"), this));
  gap_ = new MeasureField(tr("gap"), Unit::Millimetre, {}, this);
  gap_->setFixedWidth(90);
  row->addWidget(gap_);
  for (const double mm : {0.0, 1.0, 2.0, 5.0}) {
    auto* b = new QPushButton(mm == 0 ? tr("no gap") : tr("%1 mm").arg(mm), this);
    b->setObjectName(QString("gap%1").arg(mm));
    b->setCheckable(true);
    gaps_.emplace_back(b, mm * pointsPerMillimetre);
    connect(b, &QPushButton::clicked, this, [this, mm] {
      desk_.knifeGap = mm * pointsPerMillimetre;
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
  for (const auto& [button, gap] : gaps_) button->setChecked(std::abs(gap - desk_.knifeGap) < 1e-6);
  gap_->show(desk_.knifeGap);
}

}  // namespace widecut
