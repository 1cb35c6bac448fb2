#include "app/bench/ground_page.h"

#include <QLabel>
#include <QPushButton>

#include "app/bench/page_layout.h"
#include "app/desk/photo_framing.h"
#include "app/widgets/numbers_grid.h"
#include "project/edits/pieces.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr StarterNumber tolerance{"tolerance", 0.01,
                                  0.5,         GroundCut().tolerance,
                                  0.01,        "How unlike its beginning at the photo's edges the ground may be",
                                  {},          NumberKind::Share};
constexpr double leastStray = 0.3, mostStray = 6.3;  // pixels of what is looked at
constexpr StarterNumber smoothness{"smoothness",
                                   0,
                                   1,
                                   (GroundCut().smoothness - leastStray) / (mostStray - leastStray),
                                   0.05,
                                   "How far the outline may stray from the edge, for fewer nodes",
                                   {},
                                   NumberKind::Share};
constexpr double mostSide = 1000;  // of what is looked at

}  // namespace

GroundPage::GroundPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  heading_ = headingOf(*page.top, *this);
  make_ = pageButton(*this, tr("Bring it out"), "bringItOut", tr("The frame becomes this outline; the photo stays"));
  make_->setProperty("primary", true);
  QPushButton* done = pageButton(*this, tr("Let it be"), "letGroundBe", tr("What the bench showed before"));
  page.top->addWidget(make_);
  page.top->addWidget(done);
  connect(make_, &QPushButton::clicked, this, &GroundPage::make);
  connect(done, &QPushButton::clicked, &desk_, &Desk::leavePaint);
  grid_ = new NumbersGrid(2, this);
  grid_->build({&tolerance, &smoothness}, Unit::Point);
  page.column->addWidget(grid_);
  finding_ = new QLabel(this);
  finding_->setObjectName("groundFinding");
  page.column->addWidget(finding_);
  page.column->addStretch(1);
  const auto changed = [this](int number, double value) {
    GroundCut how = how_;
    if (number == 0)
      how.tolerance = value;
    else
      how.smoothness = leastStray + (mostStray - leastStray) * value;
    return how;
  };
  connect(grid_, &NumbersGrid::tried, this,
          [this, changed](int number, double value) { look(changed(number, value)); });
  connect(grid_, &NumbersGrid::settled, this, [this, changed](int number, double value) {
    how_ = changed(number, value);
    look(how_);
  });
  connect(grid_, &NumbersGrid::dropped, this, [this] { look(how_); });
}

void GroundPage::showEvent(QShowEvent*) {
  item_ = 0;
  refresh(true);
}

void GroundPage::hideEvent(QHideEvent*) {
  task_.drop();
  trial_.drop();
}

void GroundPage::refresh(bool) {
  const ItemPtr item = reframedItem(desk_);
  if (!item || !isVisible()) return;
  const double values[] = {how_.tolerance, (how_.smoothness - leastStray) / (mostStray - leastStray)};
  grid_->show(values, 1);
  if (item->id == item_) return;
  trial_.drop();
  heading_->setText(tr("Lift off its background: “%1”").arg(QString::fromStdString(shownPhoto(*item)->medium->name)));
  item_ = item->id;
  look(how_);
}

void GroundPage::look(const GroundCut& how) {
  const ItemPtr item = findItem(desk_.settled(), item_);
  const auto shown = item ? shownPhoto(*item) : std::nullopt;
  if (!shown) return;
  finding_->setText(tr("Looking…"));
  make_->setEnabled(false);
  task_.run([this, &photos = desk_.photos(), shown = *shown, how, id = item_] {
    const Medium& photo = *shown.medium;
    const PhotoLevel level = photos.level(photo, std::min(1.0, mostSide / std::max(photo.width, photo.height)));
    auto found = outOfGround(level, how);
    if (found) *found = transformed(*found, shown.pixelsToFrame);
    return [this, id, found = std::move(found)] {
      if (id != item_ || !isVisible()) return;
      make_->setEnabled(found.has_value());
      if (!found) {
        trial_.drop();
        finding_->setText(QString::fromStdString(found.error().message));
        return;
      }
      trial_.show(withFrame(desk_.settled(), id, *found));
      finding_->setText(tr("outlines: %1, nodes: %2").arg(found->contours.size()).arg(counts(*found).nodes));
    };
  });
}

void GroundPage::make() {
  if (!trial_.settle(tr("Lift off its background"))) return;
  desk_.leavePaint();
  desk_.setTool(ToolKind::Select);
}

}  // namespace widecut
