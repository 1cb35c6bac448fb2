#include "app/bench/reframe_page.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <QSlider>
#include <QVBoxLayout>

#include "app/bench/page_layout.h"
#include "app/bench/subject_row.h"
#include "app/desk/photo_framing.h"
#include "app/look/resolution.h"
#include "app/look/theme.h"
#include "app/widgets/measure_field.h"
#include "painting/raster.h"
#include "project/edits/fills.h"
#include "project/edits/sharing.h"
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
  Box frame;     ///< In its frame space; of a shared photo, all that it lies behind, on the sheet.
  Point middle;  ///< Of that, on the sheet.
};

std::optional<Reframed> reframed(const Desk& desk) {
  const ItemPtr item = reframedItem(desk);
  if (!item) return std::nullopt;
  const auto shown = shownPhoto(*item);
  const MediumPtr& medium = shown->medium;
  Reframed now{item, *shown, medium, 1, {}, {}};
  const bool isShared = shareOf(*item) != 0;
  now.frame = isShared ? boxOfSharers(desk.project(), item->id) : boxInFrame(*item);
  const double turn = isShared ? framingOnSheet(desk.project(), item->id)->turn : shown->pixelsToFrame.turnAngle();
  now.covering = coveringScale(now.frame, medium->width, medium->height, turn);
  now.middle =
      isShared || now.frame.isEmpty() ? now.frame.centre() : frameToSheet(desk.settled(), item->id)(now.frame.centre());
  return now;
}

/// The zones of its subjects, in its pixels.
void paintZonesOf(QPainter& painter, const Desk& desk, const Reframed& now) {
  for (const Subject& subject : subjectsOf(desk.project(), *now.medium)) {
    QPen pen(QColor(255, 255, 255, 220), 1.2, Qt::DashLine);
    pen.setCosmetic(true);
    painter.setPen(pen);
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(painterPath(subject.zone));
  }
}

}  // namespace

ReframePage::ReframePage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(pictureArea.right() + 24, 30, 14, 12);
  heading_ = new QLabel(this);
  theme::makeHeading(*heading_);
  heading_->move(14, 9);
  auto* column = new QVBoxLayout;
  row->addLayout(column, 1);
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
  scaleRow->addStretch(1);
  column->addLayout(scaleRow);
  addFits(*column);
  addSubjects(*column);
  column->addStretch(1);
  resolution_ = new QLabel(this);

  // A click leaves the keys to the mat: Escape ends reframing.
  for (auto* button : findChildren<QAbstractButton*>()) button->setFocusPolicy(Qt::TabFocus);
  connect(slider_, &QSlider::valueChanged, this, [this](int value) {
    if (!slider_->hasFocus() && !slider_->isSliderDown()) return;
    scaleTo(std::pow(mostScale, double(value) / sliderSteps), !slider_->isSliderDown());
  });
  connect(slider_, &QSlider::sliderReleased, &desk_, [this] { trial_.settle(tr("Reframe")); });
  connect(field_, &MeasureField::tried, this, [this](double v) { scaleTo(v / 100, false); });
  connect(field_, &MeasureField::settled, this, [this](double v) { scaleTo(v / 100, true); });
  connect(field_, &MeasureField::dropped, this, [this] { trial_.drop(); });
  connect(fill, &QPushButton::clicked, this, [this] { fitPhotos(desk_, Fit::Cover); });
  connect(done, &QPushButton::clicked, this, [this] { desk_.setTool(ToolKind::Select); });
}

/// Ways to fit it, and what it does when its frame changes.
void ReframePage::addFits(QVBoxLayout& column) {
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  column.addLayout(row);
  const auto fit = [&](const QString& words, const char* name, const QString& tip, Fit fit) {
    QPushButton* button = pageButton(*this, words, name, tip);
    connect(button, &QPushButton::clicked, this, [this, fit] { fitPhotos(desk_, fit); });
    row->addWidget(button);
  };
  fit(tr("Whole"), "fitWhole", tr("All of the photo; some of the frame may stay empty"), Fit::Whole);
  fit(tr("Width"), "fitWidth", tr("As wide as the frame"), Fit::Width);
  fit(tr("Height"), "fitHeight", tr("As high as the frame"), Fit::Height);
  fit(tr("True pixels"), "fitTrue", tr("300 pixels an inch; in pieces in pixels, a pixel for each"), Fit::TruePixels);
  QPushButton* mirror = buttonFor(CommandId::MirrorPhoto, this);
  mirror->setText(tr("Mirror"));
  row->addWidget(mirror);
  row->addWidget(buttonFor(CommandId::AdjustPhoto, this));
  row->addSpacing(10);
  const auto habit = [&](const QString& words, const char* name, const QString& tip, bool FramingHabits::*which) {
    auto* box = new QCheckBox(words, this);
    box->setObjectName(name);
    box->setToolTip(tip);
    connect(box, &QCheckBox::clicked, this, [this, which, words] { toggleHabit(desk_, which, words); });
    row->addWidget(box);
    return box;
  };
  upright_ = habit(tr("Stays upright"), "staysUpright", tr("It keeps its turn when its frame is turned"),
                   &FramingHabits::staysUpright);
  scale_ = habit(tr("Keeps its scale"), "keepsScale", tr("It keeps its scale and place when its frame is resized"),
                 &FramingHabits::keepsScale);
  overSheets_ = new QCheckBox(tr("Over sheets"), this);
  overSheets_->setObjectName("overSheets");
  overSheets_->setToolTip(
      tr("Shared over all sheets of the piece: a copy in its place on another sheet looks at the same photo"));
  connect(overSheets_, &QCheckBox::clicked, this, [this] { toggleOverSheets(desk_); });
  row->addWidget(overSheets_);
  row->addStretch(1);
}

void ReframePage::addSubjects(QVBoxLayout& column) {
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  column.addLayout(row);
  row->addWidget(new QLabel(tr("subjects"), this));
  for (const CommandId id :
       {CommandId::SuggestSubjects, CommandId::MarkSubject, CommandId::FitSubjects, CommandId::BringOut})
    row->addWidget(buttonFor(id, this));
  row->addSpacing(6);
  subjects_ = new SubjectRow(desk_, this);
  row->addWidget(subjects_, 1);
  connect(&desk_.subjects(), &SubjectWatch::changed, this, [this] {
    if (isVisible()) refresh(false);
  });
}

void ReframePage::scaleTo(double share, bool settle) {
  trial_.drop();
  const auto now = reframed(desk_);
  if (!now || !(share > 0) || now->frame.isEmpty()) return;
  const double least = now->shown.habits.isFree ? 0.01 : 1.0;
  const double by = std::clamp(share, least, 1000.0) * now->covering / now->shown.pointsPerPixel;
  Project changed = withReframing(desk_.settled(), now->item->id, Affine::scale(by, by).about(now->middle));
  if (settle)
    desk_.commit(tr("Reframe"), std::move(changed));
  else
    trial_.show(std::move(changed));
}

void ReframePage::refresh(bool) {
  const auto now = reframed(desk_);
  if (!now) return;
  const auto frames = sharersOf(desk_.project(), now->item->id).size();
  const QString name = QString::fromStdString(now->medium->name);
  heading_->setText(frames > 1 ? tr("Reframe “%1” behind %2 frames").arg(name).arg(frames)
                               : tr("Reframe “%1”").arg(name));
  heading_->adjustSize();
  const double share = now->shown.pointsPerPixel / now->covering;
  // Where nothing of a frame is left there is nothing to cover.
  field_->show(now->frame.isEmpty() ? std::nullopt : std::optional(share * 100));
  if (!slider_->isSliderDown()) {
    const QSignalBlocker quiet(slider_);
    slider_->setValue(
        static_cast<int>(std::lround(sliderSteps * std::log(std::max(share, 1.0)) / std::log(mostScale))));
  }
  subjects_->show(now->medium, now->item->id);
  upright_->setChecked(now->shown.habits.staysUpright);
  scale_->setChecked(now->shown.habits.keepsScale);
  overSheets_->setEnabled(pictureOf(*now->item->style));
  overSheets_->setChecked(isOverSheets(desk_));
  const Resolution resolution = resolutionOf(now->shown.pointsPerPixel);
  resolution_->setText(tr("%1 × %2 px · %3 ppi in this frame · %4")
                           .arg(now->medium->width)
                           .arg(now->medium->height)
                           .arg(resolution.ppi)
                           .arg(resolution.goodFor));
  if (now->frame.isEmpty()) resolution_->setText(tr("Nothing is left of its frame: the photo shows nowhere"));
  resolution_->adjustSize();
  resolution_->move(std::max(heading_->geometry().right() + 20, pictureArea.right() + 24), heading_->y());
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
  if (now->shown.pixelsToFrame.determinant() < 0) {
    // As it is seen in the frame.
    painter.translate(now->medium->width, 0);
    painter.scale(-1, 1);
  }
  if (const auto ready = desk_.photos().levelIfReady(now->medium, scale * devicePixelRatioF(), now->shown.adjustments);
      ready && !ready->level.image.isNull()) {
    painter.save();
    painter.setClipRect(QRectF(0, 0, now->medium->width, now->medium->height));
    painter.setTransform(painterTransform(ready->level.toPixels), true);
    painter.drawImage(0, 0, ready->level.image);
    painter.restore();
  }
  const auto back = (frameToSheet(desk_.project(), now->item->id) * now->shown.pixelsToFrame).inverse();
  if (!back) return;
  const QPainterPath window = painterPath(transformed(windowOnSheet(desk_.project(), now->item->id), *back));
  QPainterPath dim;
  dim.addRect(0, 0, now->medium->width, now->medium->height);
  painter.fillPath(dim.subtracted(window), QColor(28, 43, 40, 150));
  paintZonesOf(painter, desk_, *now);
  QPen pen(theme::plum, 2);
  pen.setCosmetic(true);
  painter.setPen(pen);
  painter.drawPath(window);
}

}  // namespace widecut
