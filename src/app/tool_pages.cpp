// The bench's pages for tools in hand: polygon, knife, offset.
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/bench.h"
#include "app/cards.h"
#include "app/item_picture.h"
#include "app/measure_field.h"
#include "app/theme.h"
#include "project/pieces.h"
#include "shapes/primitives.h"

namespace widecut {
namespace {

QLabel* headingOf(const QString& text, QWidget* parent) {
  auto* label = new QLabel(text, parent);
  label->setFont(theme::heading());
  label->setStyleSheet("color: #5F6B67");
  return label;
}

QVBoxLayout* columnIn(QWidget* page) {
  auto* column = new QVBoxLayout(page);
  column->setContentsMargins(14, 9, 14, 10);
  column->setSpacing(8);
  return column;
}

Outline polygonOf(int corners, double depth, double size) {
  return depth > 0 ? starOutline(size, size, corners, depth) : polygonOutline(size, size, corners);
}

}  // namespace

PolygonPage::PolygonPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = columnIn(this);
  column->addWidget(headingOf(tr("Corners of the polygon · Up and Down change them while you draw"), this));
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
    style.fill = Colour{0x8F, 0xA9, 0xB8};
    const auto item = std::make_shared<const Item>(plainItem(1, k.word, polygonOf(k.corners, k.depth, 50), style));
    auto* card = new Card(tr(k.word), {}, theme::slate,
                          pictureOf({item}, {}, desk.photos(), {84, 50}, devicePixelRatioF()), this);
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
  connect(corners_, &MeasureField::settled, this,
          [this](double v) { set(static_cast<int>(std::clamp(v, 3.0, 400.0)), desk_.depthForNew); });
  connect(depth_, &MeasureField::settled, this,
          [this](double v) { set(desk_.cornersForNew, std::clamp(v / 100, 0.0, 0.99)); });
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
  auto* column = columnIn(this);
  column->addWidget(headingOf(tr("Knife · draw right across what is to be parted"), this));
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
    desk_.knifeGap = std::clamp(v, 0.0, 1000.0);
    refresh(true);
  });
  refresh(true);
}

void KnifePage::refresh(bool) {
  for (const auto& [button, gap] : gaps_) button->setChecked(std::abs(gap - desk_.knifeGap) < 1e-6);
  gap_->show(desk_.knifeGap);
}

OffsetPage::OffsetPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* column = columnIn(this);
  heading_ = headingOf({}, this);
  column->addWidget(heading_);
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  column->addLayout(row);
  offsetRow_ = new QWidget(this);
  auto* offset = new QHBoxLayout(offsetRow_);
  offset->setContentsMargins(0, 0, 0, 0);
  offset->addWidget(new QLabel(tr("distance"), this));
  distance_ = new MeasureField(tr("distance"), Unit::Millimetre, {}, this);
  distance_->setFixedWidth(90);
  distance_->setToolTip(tr("Positive grows, negative shrinks"));
  offset->addWidget(distance_);
  row->addWidget(offsetRow_);
  lineRow_ = new QWidget(this);
  auto* line = new QHBoxLayout(lineRow_);
  line->setContentsMargins(0, 0, 0, 0);
  line->addWidget(new QLabel(tr("width"), this));
  width_ = new MeasureField(tr("width of the line"), Unit::Point, {}, this);
  width_->setFixedWidth(80);
  line->addWidget(width_);
  const auto aligned = [&](const QString& name, Alignment a) {
    choice(
        *line, name, [this, a] { desk_.lineShape.alignment = a; },
        [this, a] { return desk_.lineShape.alignment == a; });
  };
  aligned(tr("on the edge"), Alignment::Centre);
  aligned(tr("inside"), Alignment::Inside);
  aligned(tr("outside"), Alignment::Outside);
  row->addWidget(lineRow_);
  row->addSpacing(10);
  row->addWidget(new QLabel(tr("corners"), this));
  const auto joined = [&](const QString& name, Join j) {
    choice(
        *row, name, [this, j] { desk_.offsetJoin = desk_.lineShape.join = j; },
        [this, j] { return desk_.offsetJoin == j; });
  };
  joined(tr("mitred"), Join::Mitre);
  joined(tr("round"), Join::Round);
  joined(tr("bevelled"), Join::Bevel);
  row->addStretch(1);
  auto* cancel = new QPushButton(tr("Leave it  Esc"), this);
  connect(cancel, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Select); });
  auto* done = new QPushButton(tr("Done  Enter"), this);
  done->setObjectName("offsetDone");
  done->setProperty("primary", true);
  connect(done, &QPushButton::clicked, this, &OffsetPage::finish);
  row->addWidget(cancel);
  row->addWidget(done);
  said_ = new QLabel(this);
  said_->setObjectName("offsetSaid");
  said_->setWordWrap(true);
  column->addWidget(said_);
  column->addStretch(1);

  const auto distanceTo = [this](double v) {
    desk_.offsetDistance = v;
    tryOut();
  };
  const auto widthTo = [this](double v) {
    desk_.lineShape.width = v;
    tryOut();
  };
  connect(distance_, &MeasureField::tried, this, distanceTo);
  connect(width_, &MeasureField::tried, this, widthTo);
  connect(distance_, &MeasureField::settled, this, distanceTo);
  connect(width_, &MeasureField::settled, this, widthTo);
  for (MeasureField* field : {distance_, width_}) {
    connect(field, &MeasureField::entered, this, &OffsetPage::finish);
    connect(field, &MeasureField::dropped, this, [this] { desk_.setTool(ToolKind::Select); });
  }
}

QPushButton* OffsetPage::choice(QBoxLayout& row, const QString& name, const std::function<void()>& choose,
                                const std::function<bool()>& chosen) {
  auto* b = new QPushButton(name, this);
  b->setObjectName("choose " + name);
  b->setCheckable(true);
  connect(b, &QPushButton::clicked, this, [this, choose] {
    choose();
    tryOut();
  });
  row.addWidget(b);
  choices_.emplace_back(b, chosen);
  return b;
}

void OffsetPage::tryOut() {
  const bool line = desk_.tool() == ToolKind::LineOutline;
  auto changed = line ? withLineOutlined(desk_.settled(), desk_.selection(), desk_.lineShape)
                      : withOffset(desk_.settled(), desk_.selection(), desk_.offsetDistance, desk_.offsetJoin);
  trying_ = true;
  if (changed) {
    said_->setStyleSheet("color: #5F6B67");
    said_->setText(
        line ? tr("The line becomes an outline of its own, filled with its colour.")
             : tr("Positive grows, negative shrinks. Cutouts become plain outlines; undo brings recipes back."));
    desk_.tryOut(std::move(*changed));
  } else {
    said_->setStyleSheet("color: #BF3F26");
    said_->setText(QString::fromStdString(changed.error().message));
    desk_.stopTrying();
  }
  trying_ = false;
  refresh(false);
}

void OffsetPage::finish() {
  const bool line = desk_.tool() == ToolKind::LineOutline;
  tryOut();
  if (!desk_.isTrying()) return;
  desk_.commitTried(line ? tr("Outline the line") : tr("Offset"));
  desk_.setTool(ToolKind::Select);
}

void OffsetPage::refresh(bool selection) {
  const bool line = desk_.tool() == ToolKind::LineOutline;
  offsetRow_->setVisible(!line);
  lineRow_->setVisible(line);
  const auto ids = desk_.selection();
  const ItemPtr first = ids.empty() ? nullptr : findItem(desk_.settled(), ids.front());
  const QString name =
      ids.size() == 1 && first ? "“" + QString::fromStdString(first->name) + "”" : tr("%1 items").arg(ids.size());
  heading_->setText(line ? tr("Outline of the line of %1").arg(name) : tr("Offset %1").arg(name));
  if (selection && !trying_) {
    if (line && first && first->style.line) desk_.lineShape.width = first->style.line->width;
    if (!ids.empty()) {
      tryOut();
      (line ? width_ : distance_)->setFocus();
      (line ? width_ : distance_)->selectAll();
    }
    return;
  }
  distance_->show(desk_.offsetDistance);
  width_->show(desk_.lineShape.width);
  for (const auto& [button, chosen] : choices_) button->setChecked(chosen());
}

}  // namespace widecut
