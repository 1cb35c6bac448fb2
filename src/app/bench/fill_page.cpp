#include "app/bench/fill_page.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QRegularExpression>
#include <algorithm>
#include <cmath>

#include "app/bench/page_layout.h"
#include "app/look/in_qt.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/numbers_grid.h"
#include "app/widgets/paint_strip.h"
#include "app/widgets/swatch.h"
#include "app/widgets/typed_field.h"
#include "project/edits/colours.h"
#include "project/lookup.h"
#include "project/resolve.h"
#include "project/style_limits.h"
#include "scene/line_marks.h"

namespace widecut {
namespace {

constexpr int rows = 3;
constexpr std::string_view angleName = "angle";

/// An angle after its plane is made so many times as high.
double turnedBy(double angleDeg, double times) {
  return degrees(std::atan2(std::sin(radians(angleDeg)) * times, std::cos(radians(angleDeg))));
}

}  // namespace

FillPage::FillPage(Desk& desk, QWidget* parent) : BenchPage(desk, parent) {
  const CrowdedPage page = crowdedPage(*this);
  QVBoxLayout* column = page.column;
  QHBoxLayout* top = page.top;
  top->setSpacing(8);
  heading_ = pageHeading({}, *this);
  top->addWidget(heading_);
  colour_ = new QPushButton(this);
  colour_->setObjectName("paintColour");
  colour_->setAccessibleName(tr("Its colour"));
  connect(colour_, &QPushButton::clicked, this, [this] { openColour(); });
  top->addWidget(colour_);
  stopsRow_ = buildStops();
  top->addWidget(stopsRow_, 3);
  dashesCaption_ = new QLabel(tr("dashes"), this);
  theme::makeSecondary(*dashesCaption_);
  top->addWidget(dashesCaption_);
  dashes_ = new TypedField(
      "dashes", tr("Dashes and gaps, in turn"), [this](const QString& text) { return takeDashes(text); }, this);
  dashes_->setPlaceholderText(tr("whole"));
  dashes_->setToolTip(tr("Lengths of dashes and gaps in turn: 6, 3 or 4mm 1mm; nothing for a whole line"));
  dashes_->setFixedWidth(150);
  top->addWidget(dashes_);
  top->addStretch(1);
  auto* done = new QPushButton(tr("Done"), this);
  done->setObjectName("paintDone");
  connect(done, &QPushButton::clicked, &desk_, &Desk::leavePaint);
  top->addWidget(done);
  grid_ = new NumbersGrid(rows, this);
  column->addWidget(sidewaysScroll(*grid_, *this), 1);
  const auto with = [this](int number, double value) {
    const std::string_view name = numbers_[static_cast<std::size_t>(number)]->name;
    if (name == angleName) value = turnedBy(value, 1 / aspect_);
    return edited(desk_.settled(), [name, value](Style& style, PaintPlace place) {
      if (const PaintNumber* one = paintNumber(style, place, name)) one->set(style, place, within(one->number, value));
    });
  };
  connect(grid_, &NumbersGrid::tried, this, [this, with](int i, double value) { trial_.show(with(i, value)); });
  connect(grid_, &NumbersGrid::settled, this, [this, with](int i, double value) {
    trial_.drop();
    const QString name = inQt(numbers_[static_cast<std::size_t>(i)]->name);
    desk_.commit(tr("Change %1").arg(name), with(i, value));
  });
  connect(grid_, &NumbersGrid::dropped, this, [this] { trial_.drop(); });
  connect(&desk, &Desk::paintChosen, this, [this] {
    if (isVisible()) refresh(false);
  });
}

QWidget* FillPage::buildStops() {
  auto* box = new QWidget(this);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  stops_ = new StopsBar(box);
  row->addWidget(stops_, 1);
  connect(stops_, &StopsBar::chosen, &desk_, &Desk::chooseStop);
  connect(stops_, &StopsBar::tried, this,
          [this](const std::vector<GradientStop>& stops) { setStopsTo(stops, true, {}); });
  connect(stops_, &StopsBar::settled, this,
          [this](const std::vector<GradientStop>& stops, std::size_t chosen, const QString& name) {
            setStopsTo(stops, false, name);
            desk_.chooseStop(chosen);
          });
  connect(stops_, &StopsBar::colourWanted, this, [this] { openColour(); });
  stopColour_ = new QPushButton(box);
  stopColour_->setObjectName("stopColour");
  stopColour_->setAccessibleName(tr("Colour of the chosen stop"));
  connect(stopColour_, &QPushButton::clicked, this, [this] { openColour(); });
  row->addWidget(stopColour_);
  stopAt_ = new MeasureField(tr("stop at"), Unit::Plain, " %", box);
  stopAt_->setFixedWidth(66);
  row->addWidget(stopAt_);
  const auto moved = [this](const Project& p, double percent) {
    return edited(p, [&](Style& style, PaintPlace place) {
      const auto* before = stopsOf(style, place);
      if (!before || desk_.chosenStop() >= before->size()) return;
      auto stops = *before;
      stops[desk_.chosenStop()].at = std::clamp(percent / 100, 0.0, 1.0);
      setStops(style, place, std::move(stops));
    });
  };
  tryWith(*stopAt_, desk_, trial_, tr("Move a stop"), moved);
  return box;
}

ItemPtr FillPage::item(const Project& project) const {
  return desk_.selection().empty() ? nullptr : findItem(project, desk_.selection().front());
}

Project FillPage::edited(const Project& project, const PlaceEdit& edit) const {
  const ItemPtr first = item(project);
  const auto chosen = desk_.chosenPaint();
  if (!first || !chosen) return project;
  return withStyle(project, desk_.selection(), [&](Style& style) {
    if (const auto place = alikeIn(style, *first->style, *chosen)) edit(style, *place);
  });
}

void FillPage::setStopsTo(const std::vector<GradientStop>& stops, bool isTried, const QString& name) {
  Project changed = edited(desk_.settled(), [&](Style& style, PaintPlace place) { setStops(style, place, stops); });
  if (isTried) {
    trial_.show(std::move(changed));
  } else {
    trial_.drop();
    desk_.commit(name, std::move(changed));
  }
}

void FillPage::openColour() {
  const ItemPtr first = item(desk_.settled());
  const auto place = desk_.chosenPaint();
  if (!first || !place) return;
  const auto* stops = stopsOf(*first->style, *place);
  if (!stops) {
    const auto edit = [this](const Project& p, std::optional<Colour> colour) {
      return edited(p, [&](Style& style, PaintPlace own) {
        if (colour) setPlainColour(style, own, *colour);
      });
    };
    openColours(*colour_, *this, desk_, trial_, {tr("Colour"), {}, plainColourOf(*first->style, *place), edit});
    return;
  }
  const std::size_t stop = std::min(desk_.chosenStop(), stops->size() - 1);
  const auto edit = [this, stop](const Project& p, std::optional<Colour> colour) {
    return edited(p, [&](Style& style, PaintPlace own) {
      const auto* before = stopsOf(style, own);
      if (!before || stop >= before->size() || !colour) return;
      auto changed = *before;
      changed[stop].colour = *colour;
      setStops(style, own, std::move(changed));
    });
  };
  openColours(*stopColour_, *this, desk_, trial_, {tr("Colour of a stop"), {}, (*stops)[stop].colour, edit});
}

QString FillPage::takeDashes(const QString& text) {
  const ItemPtr first = item(desk_.settled());
  const auto place = desk_.chosenPaint();
  if (!first || !place || !place->isLine) return {};
  std::vector<double> dashes;
  for (const QString& word : text.split(QRegularExpression("[,;\\s]+"), Qt::SkipEmptyParts)) {
    const auto length = parseMeasure(word.toStdString(), Unit::Point, 0);
    if (!length) return tr("“%1” is no length of a dash: %2").arg(word, QString::fromStdString(length.error().message));
    dashes.push_back(*length);
  }
  if (const std::string beyond = beyondDashes(dashes); !beyond.empty()) return QString::fromStdString(beyond);
  desk_.commit(tr("Change dashes"), edited(desk_.settled(), [&](Style& style, PaintPlace own) {
                 if (own.isLine) style.lines[own.index].shape.dashes = dashes;
               }));
  return {};
}

void FillPage::refresh(bool) {
  const ItemPtr first = item(desk_.project());
  const auto place = desk_.chosenPaint();
  if (!first || !place) return;
  const Style& style = *first->style;
  const QString what = place->isLine ? tr("Outline") : tr("Fill");
  const auto* hatch = place->isLine ? nullptr : std::get_if<Hatch>(&style.fills[place->index].paint);
  const bool isLost = hatch && isTooFine(*hatch, resolved(*first)->box);
  heading_->setText(QString("%1 · %2").arg(what, inQt(kindOfPaint(style, *place))) +
                    (isLost ? tr(" · too fine: nothing is drawn") : QString()));
  const auto* stops = stopsOf(style, *place);
  stopsRow_->setVisible(stops);
  const auto colour = plainColourOf(style, *place);
  colour_->setVisible(colour.has_value());
  if (colour) paintSwatch(*colour_, colour);
  if (stops) {
    const auto* shaded = place->isLine ? nullptr : std::get_if<Gradient>(&style.fills[place->index].paint);
    stops_->show(*stops, shaded && shaded->eased, desk_.chosenStop());
    const GradientStop& stop = (*stops)[std::min(desk_.chosenStop(), stops->size() - 1)];
    paintSwatch(*stopColour_, stop.colour);
    stopAt_->show(stop.at * 100);
  }
  dashes_->setVisible(place->isLine);
  dashesCaption_->setVisible(place->isLine);
  if (place->isLine) {
    QStringList lengths;
    for (const double length : style.lines[place->index].shape.dashes) lengths << QString::number(length, 'g', 6);
    dashes_->show(lengths.join(", "));
  }
  const auto* gradient = place->isLine ? nullptr : std::get_if<Gradient>(&style.fills[place->index].paint);
  const Box over = gradient && gradient->reach == Reach::Sheet ? desk_.sheet()->box() : resolved(*first)->box;
  aspect_ = over.width() > 0 && over.height() > 0 ? over.height() / over.width() : 1;
  const auto numbers = numbersOf(style, *place);
  numbers_.clear();
  std::vector<double> values;
  for (const PaintNumber* number : numbers) {
    numbers_.push_back(&number->number);
    values.push_back(number->value(style, *place));
    // A gradient lies in shares of its box; people think of the angle that they see.
    if (number->number.name == angleName) values.back() = turnedBy(values.back(), aspect_);
  }
  grid_->build(numbers_, place->isLine ? desk_.fineUnit() : desk_.unit());
  constexpr double longest = 30;
  grid_->show(values, std::max(longest, place->isLine ? 2 * style.lines[place->index].shape.width : 0));
}

}  // namespace widecut
