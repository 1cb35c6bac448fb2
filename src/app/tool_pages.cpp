// The bench's pages for tools in hand: polygon and knife.
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench.h"
#include "app/cards.h"
#include "app/measure_field.h"
#include "app/page_layout.h"
#include "app/theme.h"
#include "painting/item_picture.h"
#include "project/limits.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

Outline polygonOf(int corners, double depth, double size) {
  return depth > 0 ? starOutline(size, size, corners, depth) : polygonOutline(size, size, corners);
}

}  // namespace

PolygonPage::PolygonPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = pageColumn(*this);
  column->addWidget(pageHeading(tr("Corners of the polygon · Up and Down change them while you draw"), *this));
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  column->addLayout(row);
  column->addStretch(1);
  const Known known[] = {{QT_TR_NOOP("triangle"), 3, 0},
                         {QT_TR_NOOP("pentagon"), 5, 0},
                         {QT_TR_NOOP("hexagon"), 6, 0},
                         {QT_TR_NOOP("star"), 5, 0.5},
                         {QT_TR_NOOP("burst"), 16, 0.25}};
  for (const Known& k : known) {
    Style style;
    setColour(style, Colour{0x8F, 0xA9, 0xB8});
    const auto item = std::make_shared<const Item>(plainItem(1, k.word, polygonOf(k.corners, k.depth, 50), style));
    auto* card =
        new Card(tr(k.word), {}, theme::slate, pictureOf({item}, desk.photos(), {84, 50}, devicePixelRatioF()), this);
    card->setObjectName(k.word);
    cards_.emplace_back(card, k);
    connect(card, &Card::clicked, this, [this, k] { set(k.corners, k.depth); });
    row->addWidget(card);
  }
  row->addSpacing(10);
  row->addWidget(new QLabel(tr("corners"), this));
  corners_ = new MeasureField(tr("corners"), Unit::Plain, {}, this);
  corners_->setFixedWidth(60);
  row->addWidget(corners_);
  row->addWidget(new QLabel(tr("depth"), this));
  depth_ = new MeasureField(tr("depth"), Unit::Plain, " %", this);
  depth_->setFixedWidth(70);
  row->addWidget(depth_);
  row->addStretch(1);
  connect(corners_, &MeasureField::settled, this, [this](double v) {
    set(static_cast<int>(std::clamp<double>(v, limits::leastCorners, limits::mostCorners)), desk_.depthForNew);
  });
  connect(depth_, &MeasureField::settled, this,
          [this](double v) { set(desk_.cornersForNew, std::clamp(v / 100, 0.0, limits::mostDepth)); });
  connect(&desk, &Desk::toolSet, this, [this] { refresh(true); });
  refresh(true);
}

void PolygonPage::set(int corners, double depth) {
  desk_.depthForNew = depth;
  desk_.setCornersForNew(corners);
}

void PolygonPage::refresh(bool) {
  for (const auto& [card, known] : cards_) {
    card->setMarked(known.corners == desk_.cornersForNew && std::abs(known.depth - desk_.depthForNew) < 1e-9);
    card->update();
  }
  corners_->show(desk_.cornersForNew);
  depth_->show(desk_.depthForNew * 100);
}

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
    gaps_.emplace_back(b, mm * 72 / 25.4);
    connect(b, &QPushButton::clicked, this, [this, mm] {
      desk_.knifeGap = mm * 72 / 25.4;
      refresh(true);
    });
    row->addWidget(b);
  }
  row->addStretch(1);
  auto* note = new QLabel(tr("The selected items are cut, or, when none are selected, whatever the stroke crosses. "
                             "Every piece becomes an item of its own; a photo stays in its place across them."),
                          this);
  note->setStyleSheet("color: #5F6B67");
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
