#include "app/panels/details.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <algorithm>

#include "app/look/resolution.h"
#include "app/look/theme.h"
#include "app/panels/panel_parts.h"
#include "app/panels/piece_page.h"
#include "app/panels/place_page.h"
#include "app/panels/text_page.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/swatch.h"
#include "project/edits/fills.h"
#include "project/edits/tree.h"
#include "project/forms/form.h"
#include "project/forms/words.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
Details::Details(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  setObjectName("details");
  setAccessibleName(tr("Details of the selection"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(12, 8, 12, 8);
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

  lineWidth_ = field(tr("outline width"), Unit::Point, {}, tr("Outline width"), [this](const Project& p, double v) {
    return restyled(p, [&](Style& style) {
      const double width = std::clamp(v, limits::leastLine, limits::mostLine);
      if (v <= 0)
        setLine(style, std::nullopt);
      else if (!style.lines.empty())
        style.lines.back().width = width;
      else
        setLine(style, Line{{0x23, 0x30, 0x2E}, width});
    });
  });
  const auto setOpacity = [this](const Project& p, double v) {
    return restyled(p, [&](Style& style) { style.opacity = std::clamp(v / 100, 0.0, 1.0); });
  };
  opacity_ = field(tr("opacity"), Unit::Plain, " %", tr("Opacity"), setOpacity);
  opacity_->setFixedWidth(62);

  int row = 0;
  place_ = new PlacePage(desk, body_);
  grid->addWidget(place_, row++, 0, 1, 3);
  grid->setRowMinimumHeight(row++, 6);
  grid->addWidget(panelHeading(tr("Paint"), body_), row++, 0, 1, 3);

  fill_ = new QPushButton(body_);
  fill_->setObjectName("fillColour");
  fill_->setAccessibleName(tr("Fill colour"));
  fillText_ = new QLabel(body_);
  grid->addWidget(panelCaption(tr("fill"), body_), row, 0);
  grid->addWidget(fill_, row, 1, Qt::AlignLeft);
  grid->addWidget(fillText_, row++, 1, 1, 2, Qt::AlignRight);
  line_ = new QPushButton(body_);
  line_->setObjectName("lineColour");
  line_->setAccessibleName(tr("Outline colour"));
  grid->addWidget(panelCaption(tr("outline"), body_), row, 0);
  grid->addWidget(line_, row, 1, Qt::AlignLeft);
  grid->addWidget(lineWidth_, row++, 2);
  auto* opacityRow = new QHBoxLayout;
  opacitySlider_ = new QSlider(Qt::Horizontal, body_);
  opacitySlider_->setRange(0, 100);
  opacitySlider_->setAccessibleName(tr("Opacity"));
  opacityRow->addWidget(opacitySlider_);
  opacityRow->addWidget(opacity_);
  grid->addWidget(panelCaption(tr("opacity"), body_), row, 0);
  grid->addLayout(opacityRow, row++, 1, 1, 2);
  grid->setRowMinimumHeight(row++, 6);
  resultHeading_ = panelHeading(tr("Result"), body_);
  grid->addWidget(resultHeading_, row++, 0, 1, 3);
  result_ = new QLabel(body_);
  result_->setObjectName("result");
  result_->setWordWrap(true);
  result_->setTextFormat(Qt::RichText);
  grid->addWidget(result_, row, 0, 1, 3);

  connect(opacitySlider_, &QSlider::valueChanged, this, [this, setOpacity](int value) {
    if (opacitySlider_->isSliderDown())
      trial_.show(setOpacity(desk_.settled(), value));
    else
      desk_.commit(tr("Opacity"), setOpacity(desk_.settled(), value));
  });
  connect(opacitySlider_, &QSlider::sliderReleased, this, [this] { trial_.settle(tr("Opacity")); });
  connect(fill_, &QPushButton::clicked, this, [this] {
    openColours(*fill_, *this, desk_, trial_,
                {tr("Fill colour"), tr("no fill"), colourOf(*items().front()->style),
                 [this](const Project& p, std::optional<Colour> c) { return withFill(p, desk_.selection(), c); }});
  });
  connect(line_, &QPushButton::clicked, this, [this] {
    const Line* line = lineOf(*items().front()->style);
    const auto edit = [this](const Project& p, std::optional<Colour> colour) {
      return restyled(p, [&](Style& style) {
        if (!colour)
          setLine(style, std::nullopt);
        else if (!style.lines.empty())
          style.lines.back().colour = *colour;
        else
          setLine(style, Line{*colour, 1});
      });
    };
    openColours(*line_, *this, desk_, trial_,
                {tr("Outline colour"), tr("no outline"), line ? std::optional(line->colour) : std::nullopt, edit});
  });
  connect(&desk, &Desk::projectChanged, this, &Details::refresh);
  connect(&desk, &Desk::photosReady, this, &Details::refresh);
  for (const auto signal : {&Desk::selectionChanged, &Desk::toolChanged, &Desk::toolSet, &Desk::fileChanged})
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

MeasureField* Details::field(const QString& name, Unit unit, const QString& suffix, const QString& editName,
                             const Edit& edit) {
  auto* made = new MeasureField(name, unit, suffix, body_);
  tryWith(*made, desk_, trial_, editName, edit);
  return made;
}

Project Details::restyled(const Project& project, const std::function<void(Style&)>& change) const {
  return withEach(project, desk_.selection(), [&](const Item& item) {
    Item out = item;
    change(changeable(out));
    return out;
  });
}

void Details::refresh() {
  const auto selected = items();
  const bool showsText = text_->applies();
  empty_->setVisible(selected.empty() && !showsText);
  body_->setVisible(!selected.empty());
  text_->setVisible(showsText);
  if (showsText) text_->refresh();
  if (selected.empty()) return;
  place_->refresh();
  refreshPaint(selected);
  refreshResult(selected);
}

void Details::refreshPaint(const std::vector<ItemPtr>& selected) {
  const Item& first = *selected.front();
  const auto photo = shownPhoto(first);
  const auto ready = photo ? desk_.photos().levelIfReady(photo->medium, 0.02) : std::nullopt;
  const auto colour = colourOf(*first.style);
  const bool broken = ready && ready->isFinal && ready->level.image.isNull();
  if (ready && !broken)
    paintPhoto(*fill_, ready->level.image);
  else
    paintSwatch(*fill_, colour);
  QString text = photo    ? QString::fromStdString(photo->medium->name)
                 : colour ? QString::fromStdString(colourText(*colour))
                          : tr("no fill");
  theme::setSheet(*fillText_, broken ? "color: #BF3F26" : "");
  fillText_->setToolTip(text);
  fillText_->setText(fillText_->fontMetrics().elidedText(text, Qt::ElideMiddle, 108));
  const Line* line = lineOf(*first.style);
  paintSwatch(*line_, line ? std::optional(line->colour) : std::nullopt);
  lineWidth_->show(line ? line->width : 0);
  opacity_->show(first.style->opacity * 100);
  const QSignalBlocker quiet(opacitySlider_);
  if (!opacitySlider_->isSliderDown())
    opacitySlider_->setValue(static_cast<int>(std::lround(first.style->opacity * 100)));
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
  const auto shape = resolved(*selected.front());
  const bool isText = wordsOf(*selected.front());
  if (shape->outline.isEmpty() && !isText) {
    result_->setText(tr("Nothing is left of it. Move a part or change a role."));
    return;
  }
  const OutlineCounts n = counts(shape->outline);
  const double squareCm = std::abs(signedArea(shape->outline)) / (72 / 2.54) / (72 / 2.54);
  QStringList lines;
  // Of words the bench says how they sit.
  if (!isText)
    lines << tr("%n node(s)", "", n.nodes).replace("(s)", n.nodes == 1 ? "" : "s") + ", " +
                 tr("%1 curves, %2 %3")
                     .arg(n.curves)
                     .arg(n.contours)
                     .arg(n.contours == 1 ? tr("contour") : tr("contours"))
          << tr("area %1 cm²").arg(squareCm, 0, 'f', squareCm < 10 ? 2 : 1);
  const auto photo = shownPhoto(*selected.front());
  const auto ready = photo ? desk_.photos().levelIfReady(photo->medium, 0.02) : std::nullopt;
  if (ready && ready->isFinal && ready->level.image.isNull()) {
    lines << theme::inLooks(
        tr("<span style='color:#BF3F26'>its photo cannot be decoded: a cross stands in its place</span>"));
  } else if (photo) {
    const Resolution resolution = resolutionOf(photo->pointsPerPixel);
    lines << tr("photo at %1 ppi · <span style='color:%2'>%3</span>")
                 .arg(resolution.ppi)
                 .arg(resolution.colour.name(), resolution.goodFor);
  }
  result_->setText(lines.join("<br>"));
  result_->setVisible(!lines.isEmpty());
  resultHeading_->setVisible(!lines.isEmpty());
}

}  // namespace widecut
