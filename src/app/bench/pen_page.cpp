#include "app/bench/pen_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/widgets/measure_field.h"
#include "project/limits.h"

namespace widecut {
namespace {

constexpr double leastTolerance = 0.01;  // points

struct Mode {
  PenMode mode;
  const char *name, *words, *tip;
};
constexpr Mode modes[] = {
    {PenMode::Nodes, "penNodes", QT_TRANSLATE_NOOP("PenPage", "Corners and curves"),
     QT_TRANSLATE_NOOP("PenPage", "Click for corners, drag for curves; B held breaks a handle")},
    {PenMode::Through, "penThrough", QT_TRANSLATE_NOOP("PenPage", "Smooth through"),
     QT_TRANSLATE_NOOP("PenPage", "Only click: the curve through the places looks right by itself")},
    {PenMode::Freehand, "penFreehand", QT_TRANSLATE_NOOP("PenPage", "By hand"),
     QT_TRANSLATE_NOOP("PenPage", "Draw with the button held: the stroke becomes an outline of few nodes")}};

}  // namespace

PenPage::PenPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->addWidget(pageHeading(tr("Pen · what is drawn closes at its first node; Enter ends it open"), *this));
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  column->addLayout(row);
  for (const Mode& mode : modes) {
    auto* button = new QPushButton(tr(mode.words), this);
    button->setObjectName(mode.name);
    button->setToolTip(tr(mode.tip));
    button->setCheckable(true);
    connect(button, &QPushButton::clicked, this, [this, m = mode.mode] {
      desk_.pen.mode = m;
      refresh(false);
      emit keysBack();
      emit desk_.toolSet();
    });
    row->addWidget(button);
    modes_.push_back(button);
  }
  freehand_ = new QWidget(this);
  auto* by = new QHBoxLayout(freehand_);
  by->setContentsMargins(10, 0, 0, 0);
  by->addWidget(new QLabel(tr("strays from the stroke by at most"), freehand_));
  tolerance_ = new MeasureField(tr("tolerance"), desk.unit(), {}, freehand_);
  tolerance_->setFixedWidth(90);
  by->addWidget(tolerance_);
  row->addWidget(freehand_);
  row->addStretch(1);
  connect(tolerance_, &MeasureField::settled, this, [this](double v) {
    desk_.pen.tolerance = std::clamp(v, leastTolerance, limits::mostGap);
    refresh(false);
  });
  auto* note = new QLabel(tr("The next edge shows before the click that makes it. Backspace takes the last node back; "
                             "a click on an open end draws on from there. Nodes, handles and edges can all be moved "
                             "afterwards with 2."),
                          this);
  theme::makeSecondary(*note);
  note->setWordWrap(true);
  column->addWidget(note);
  column->addStretch(1);
}

void PenPage::refresh(bool) {
  for (std::size_t i = 0; i < modes_.size(); ++i) modes_[i]->setChecked(desk_.pen.mode == modes[i].mode);
  freehand_->setVisible(desk_.pen.mode == PenMode::Freehand);
  tolerance_->setUnit(desk_.unit());
  tolerance_->show(desk_.pen.tolerance);
}

}  // namespace widecut
