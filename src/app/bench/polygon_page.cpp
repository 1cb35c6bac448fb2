#include "app/bench/polygon_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/look/theme.h"
#include "app/widgets/cards.h"
#include "app/widgets/measure_field.h"
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

}  // namespace widecut
