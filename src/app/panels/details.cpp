#include "app/panels/details.h"

#include <QGridLayout>
#include <QLabel>
#include <QScrollArea>
#include <cmath>

#include "app/look/resolution.h"
#include "app/look/theme.h"
#include "app/panels/clear_page.h"
#include "app/panels/next_look_page.h"
#include "app/panels/paint_page.h"
#include "app/panels/panel_parts.h"
#include "app/panels/piece_page.h"
#include "app/panels/place_page.h"
#include "app/panels/text_page.h"
#include "cutting/dashes.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
#include "project/resolve.h"

namespace widecut {
namespace {

constexpr int pauseMilliseconds = 100;  // after the last letter

}  // namespace

Details::Details(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("details");
  setAccessibleName(tr("Details of the selection"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(12, 8, 12, 8);
  next_ = new NextLookPage(desk, this);
  column->addWidget(next_);
  // On low screens its list of guides may not find room.
  auto* scroll = new QScrollArea(this);
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setFocusPolicy(Qt::NoFocus);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(new PiecePage(desk, scroll));
  empty_ = scroll;
  column->addWidget(empty_, 1000);
  body_ = new QWidget(this);
  column->addWidget(body_);
  text_ = new TextPage(desk, this);
  connect(text_, &TextPage::keysBack, this, &Details::keysBack);
  column->addSpacing(6);
  column->addWidget(text_);
  column->addStretch(1);
  auto* grid = panelGrid(body_);

  int row = 0;
  place_ = new PlacePage(desk, body_);
  grid->addWidget(place_, row++, 0, 1, 3);
  grid->setRowMinimumHeight(row++, 6);
  paint_ = new PaintPage(desk, body_);
  grid->addWidget(paint_, row++, 0, 1, 3);
  clear_ = new ClearPage(desk, body_);
  grid->addWidget(clear_, row++, 0, 1, 3);
  grid->setRowMinimumHeight(row++, 6);
  resultHeading_ = panelHeading(tr("Result"), body_);
  grid->addWidget(resultHeading_, row++, 0, 1, 3);
  result_ = new QLabel(body_);
  result_->setObjectName("result");
  result_->setWordWrap(true);
  result_->setTextFormat(Qt::RichText);
  grid->addWidget(result_, row, 0, 1, 3);

  pause_.setSingleShot(true);
  pause_.setInterval(pauseMilliseconds);
  connect(&pause_, &QTimer::timeout, this, &Details::refresh);
  // While one types, letters come first.
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (desk_.typedOn() != 0 && desk_.isTrying())
      pause_.start();
    else
      refresh();
  });
  connect(&desk, &Desk::photosReady, this, &Details::refresh);
  for (const auto signal :
       {&Desk::selectionChanged, &Desk::toolChanged, &Desk::toolSet, &Desk::fileChanged, &Desk::paintChosen})
    connect(&desk, signal, this, &Details::refresh);
  refresh();
}

std::vector<ItemPtr> Details::items() const {
  std::vector<ItemPtr> found;
  for (const Id id : desk_.selection()) {
    // What is being tried may have made other items of it: until then it is as it was.
    ItemPtr item = findItem(desk_.project(), id);
    if (!item) item = findItem(desk_.settled(), id);
    if (item) found.push_back(std::move(item));
  }
  return found;
}

void Details::refresh() {
  pause_.stop();
  if (desk_.isPointing()) return;
  const auto selected = items();
  const bool showsText = text_->applies();
  empty_->setVisible(selected.empty() && !showsText);
  body_->setVisible(!selected.empty());
  text_->setVisible(showsText);
  next_->setVisible(next_->applies());
  if (next_->applies()) next_->refresh();
  if (showsText) text_->refresh();
  if (selected.empty()) return;
  place_->refresh();
  paint_->refresh(selected);
  clear_->setVisible(clear_->applies(selected));
  clear_->refresh(selected);
  refreshResult(selected);
}

/// Its nodes, and its area or its length.
QStringList Details::measuresOf(const Outline& outline) const {
  const OutlineCounts n = counts(outline);
  const double area = std::abs(signedArea(outline));
  const double squareCm = area / (72 / 2.54) / (72 / 2.54), squarePixels = area / std::pow(pointsPer(Unit::Pixel), 2);
  const bool isOpen = std::none_of(outline.contours.begin(), outline.contours.end(),
                                   [](const Contour& contour) { return contour.closed; });
  return {tr("%n node(s)", "", n.nodes).replace("(s)", n.nodes == 1 ? "" : "s") + ", " +
              tr("%1 %2, %3 %4")
                  .arg(n.curves)
                  .arg(n.curves == 1 ? tr("curve") : tr("curves"))
                  .arg(n.contours)
                  .arg(n.contours == 1 ? tr("contour") : tr("contours")),
          isOpen                        ? tr("length %1").arg(desk_.lengthText(lengthOf(outline)))
          : desk_.unit() == Unit::Pixel ? tr("area %1 px²").arg(squarePixels, 0, 'f', 0)
                                        : tr("area %1 cm²").arg(squareCm, 0, 'f', squareCm < 10 ? 2 : 1)};
}

void Details::refreshResult(const std::vector<ItemPtr>& selected) {
  result_->show();
  resultHeading_->show();
  if (selected.size() != 1) {
    result_->setText(tr("%1 items selected").arg(selected.size()));
    return;
  }
  if (isCrowd(*selected.front())) {
    result_->setText(tr("%1 copies").arg(countOfCopies(selected.front()->form)));
    return;
  }
  QStringList lines;
  // Of words the bench says how they sit; nothing here needs their outlines.
  if (!wordsOf(*selected.front())) {
    const auto shape = resolved(*selected.front());
    if (shape->outline.isEmpty()) {
      result_->setText(tr("Nothing is left of it. Move a part or change a role."));
      return;
    }
    lines = measuresOf(shape->outline);
  }
  const auto photo = shownPhoto(*selected.front());
  const auto ready = photo ? desk_.photos().levelIfReady(photo->medium, 0.02, photo->adjustments) : std::nullopt;
  if (ready && ready->isFinal && ready->level.image.isNull()) {
    lines << theme::inLooks(
        photo->medium->bytes
            ? tr("<span style='color:#BF3F26'>its photo cannot be decoded: a cross stands in its place</span>")
            : tr("<span style='color:#BF3F26'>its file is missing: a cross stands in its place</span>"));
  } else if (photo) {
    const Resolution resolution = resolutionOf(photo->pointsPerPixel);
    lines << (photo->medium->video ? tr("video at %1 ppi · <span style='color:%2'>%3</span>")
                                   : tr("photo at %1 ppi · <span style='color:%2'>%3</span>"))
                 .arg(resolution.ppi)
                 .arg(resolution.colour.name(), resolution.goodFor);
  }
  result_->setText(lines.join("<br>"));
  result_->setVisible(!lines.isEmpty());
  resultHeading_->setVisible(!lines.isEmpty());
}

}  // namespace widecut
