#include "app/bench/reframe_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <QSlider>

#include "app/look/resolution.h"
#include "app/look/theme.h"
#include "app/widgets/measure_field.h"
#include "painting/raster.h"
#include "project/edits/fills.h"
#include "project/framing.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr QRect pictureArea{14, 30, 180, 108};
constexpr int sliderSteps = 1000;
constexpr double mostScale = 8;  // times the scale that just covers

/// What is being reframed, with the scale that just covers the frame.
struct Reframed {
  ItemPtr item;
  ShownPhoto shown;
  std::shared_ptr<const Medium> medium;
  double covering = 1;
};

std::optional<Reframed> reframed(const Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  if (!item) return std::nullopt;
  const auto shown = shownPhoto(*item);
  if (!shown) return std::nullopt;
  const MediumPtr& medium = shown->medium;
  const double turn = shown->pixelsToFrame.turnAngle();
  return Reframed{item, *shown, medium, coveringScale(boxInFrame(*item), medium->width, medium->height, turn)};
}

}  // namespace

ReframePage::ReframePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(pictureArea.right() + 24, 30, 14, 12);
  heading_ = new QLabel(this);
  theme::makeHeading(*heading_);
  heading_->move(14, 9);
  auto* column = new QVBoxLayout;
  row->addLayout(column);
  row->addStretch(1);
  auto* scaleRow = new QHBoxLayout;
  scaleRow->addWidget(new QLabel(tr("scale"), this));
  slider_ = new QSlider(Qt::Horizontal, this);
  slider_->setRange(0, sliderSteps);
  slider_->setFixedWidth(260);
  slider_->setAccessibleName(tr("Scale of the photo"));
  field_ = new MeasureField(tr("photo scale"), Unit::Plain, " %", this);
  field_->setFixedWidth(84);
  scaleRow->addWidget(slider_);
  scaleRow->addWidget(field_);
  auto* fill = new QPushButton(tr("Just cover"), this);
  fill->setObjectName("justCover");
  fill->setToolTip(tr("The smallest scale that still fills the frame"));
  scaleRow->addWidget(fill);
  auto* done = new QPushButton(tr("Done  Esc"), this);
  done->setProperty("primary", true);
  scaleRow->addWidget(done);
  column->addLayout(scaleRow);
  resolution_ = new QLabel(this);
  column->addWidget(resolution_);
  column->addStretch(1);

  connect(slider_, &QSlider::valueChanged, this, [this](int value) {
    if (!slider_->hasFocus() && !slider_->isSliderDown()) return;
    scaleTo(std::pow(mostScale, double(value) / sliderSteps), !slider_->isSliderDown());
  });
  connect(slider_, &QSlider::sliderReleased, &desk_, [this] { trial_.settle(tr("Reframe")); });
  connect(field_, &MeasureField::tried, this, [this](double v) { scaleTo(v / 100, false); });
  connect(field_, &MeasureField::settled, this, [this](double v) { scaleTo(v / 100, true); });
  connect(field_, &MeasureField::dropped, this, [this] { trial_.drop(); });
  connect(fill, &QPushButton::clicked, this, [this] { scaleTo(1, true); });
  connect(done, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Select); });
}

void ReframePage::scaleTo(double share, bool settle) {
  trial_.drop();
  const auto now = reframed(desk_);
  if (!now || !(share > 0) || boxInFrame(*now->item).isEmpty()) return;
  const double by = std::clamp(share, 1.0, 1000.0) * now->covering / now->shown.pointsPerPixel;
  const Point middle = frameToSheet(desk_.settled(), now->item->id)(boxInFrame(*now->item).centre());
  Project changed = withReframing(desk_.settled(), now->item->id, Affine::scale(by, by).about(middle));
  if (settle)
    desk_.commit(tr("Reframe"), std::move(changed));
  else
    trial_.show(std::move(changed));
}

void ReframePage::refresh(bool) {
  const auto now = reframed(desk_);
  if (!now) return;
  heading_->setText(tr("Reframe “%1”").arg(QString::fromStdString(now->medium->name)));
  heading_->adjustSize();
  const double share = now->shown.pointsPerPixel / now->covering;
  field_->show(share * 100);
  if (!slider_->isSliderDown()) {
    const QSignalBlocker quiet(slider_);
    slider_->setValue(
        static_cast<int>(std::lround(sliderSteps * std::log(std::max(share, 1.0)) / std::log(mostScale))));
  }
  const Resolution resolution = resolutionOf(now->shown.pointsPerPixel);
  resolution_->setText(tr("%1 × %2 px · %3 ppi in this frame · %4")
                           .arg(now->medium->width)
                           .arg(now->medium->height)
                           .arg(resolution.ppi)
                           .arg(resolution.goodFor));
  update();
}

void ReframePage::paintEvent(QPaintEvent*) {
  const auto now = reframed(desk_);
  if (!now) return;
  QPainter painter(this);
  painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  const double scale =
      std::min(pictureArea.width() / double(now->medium->width), pictureArea.height() / double(now->medium->height));
  painter.translate(pictureArea.topLeft());
  painter.scale(scale, scale);
  if (const auto ready = desk_.photos().levelIfReady(now->medium, scale * devicePixelRatioF());
      ready && !ready->level.image.isNull()) {
    painter.save();
    painter.setClipRect(QRectF(0, 0, now->medium->width, now->medium->height));
    painter.setTransform(painterTransform(ready->level.toPixels), true);
    painter.drawImage(0, 0, ready->level.image);
    painter.restore();
  }
  const auto back = now->shown.pixelsToFrame.inverse();
  if (!back) return;
  const QPainterPath window = painterPath(transformed(resolved(*now->item)->outline, *back));
  QPainterPath dim;
  dim.addRect(0, 0, now->medium->width, now->medium->height);
  painter.fillPath(dim.subtracted(window), QColor(28, 43, 40, 150));
  QPen pen(theme::plum, 2);
  pen.setCosmetic(true);
  painter.setPen(pen);
  painter.drawPath(window);
}

}  // namespace widecut
