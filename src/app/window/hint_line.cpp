#include "app/window/hint_line.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QToolButton>

#include "app/desk/background.h"
#include "app/look/theme.h"
#include "app/mat/mat.h"
#include "geometry/measure.h"

namespace widecut {

HintLine::HintLine(Desk& desk, Mat& mat, Background& background, QWidget* parent)
    : QWidget(parent), mat_(mat), background_(background) {
  setObjectName("hintLine");
  setAttribute(Qt::WA_StyledBackground);
  setFixedHeight(24);
  theme::setSheet(*this, "#hintLine { background: #E6DECE; }");
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(10, 0, 10, 0);
  const auto label = [&](const char* name) {
    auto* made = new QLabel(this);
    made->setObjectName(name);
    made->setFont(theme::font(12));
    return made;
  };
  hint_ = label("hint");
  hint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
  work_ = label("work");
  bar_ = new QProgressBar(this);
  bar_->setAccessibleName(tr("How far it has come"));
  bar_->setTextVisible(false);
  bar_->setRange(0, 1000);
  bar_->setFixedSize(140, 8);
  stop_ = new QToolButton(this);
  stop_->setObjectName("stopWork");
  stop_->setText(tr("Stop"));
  stop_->setFont(theme::font(12));
  stop_->setFocusPolicy(Qt::TabFocus);
  position_ = label("position");
  row->addWidget(hint_, 1);
  row->addWidget(work_);
  row->addWidget(bar_);
  row->addWidget(stop_);
  row->addSpacing(8);
  row->addWidget(position_);

  toldEnd_.setSingleShot(true);
  toldEnd_.setInterval(4000);
  workSoon_.setSingleShot(true);
  workSoon_.setInterval(300);
  workOn_.setInterval(60);
  connect(&toldEnd_, &QTimer::timeout, this, &HintLine::showHint);
  connect(&mat, &Mat::hintChanged, this, &HintLine::showHint);
  connect(&desk, &Desk::told, this, [this](const QString& message) {
    if (message.isEmpty()) {
      toldEnd_.stop();
      showHint();
      return;
    }
    hint_->setText(message);
    toldEnd_.start();
  });
  connect(&mat, &Mat::pointerMoved, this, [this, &desk](std::optional<Point> p) {
    position_->setText(p ? desk.lengthText(p->x) + ", " + desk.lengthText(p->y) : QString());
  });
  connect(stop_, &QToolButton::clicked, &background, &Background::stop);
  connect(&background, &Background::changed, this, [this] {
    if (background_.isBusy() && !bar_->isVisible() && !workSoon_.isActive()) workSoon_.start();
    if (!background_.isBusy()) workSoon_.stop();
    if (!background_.isBusy() || bar_->isVisible()) showWork();
  });
  connect(&workSoon_, &QTimer::timeout, this, &HintLine::showWork);
  connect(&workOn_, &QTimer::timeout, this, &HintLine::showWork);
  showHint();
  showWork();
}

void HintLine::showHint() {
  if (!toldEnd_.isActive())
    hint_->setText(mat_.isVisible() ? mat_.hint()
                                    : tr("Click a format to begin, or go there with the arrow keys and press Enter"));
}

void HintLine::showWork() {
  const bool busy = background_.isBusy();
  for (QWidget* part : {static_cast<QWidget*>(work_), static_cast<QWidget*>(bar_), static_cast<QWidget*>(stop_)})
    part->setVisible(busy);
  if (!busy) {
    workOn_.stop();
    return;
  }
  const bool stopping = background_.progress().isCancelled();
  work_->setText(stopping ? tr("Stopping…") : background_.name());
  stop_->setEnabled(!stopping);
  bar_->setValue(static_cast<int>(background_.progress().done() * bar_->maximum()));
  if (!workOn_.isActive()) workOn_.start();
}

}  // namespace widecut
