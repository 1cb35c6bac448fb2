#include "app/panels/paint_page.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QSlider>
#include <algorithm>

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "app/panels/front_paint.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/clear_layout.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/paint_strip.h"
#include "app/widgets/swatch.h"
#include "project/edits/colours.h"
#include "project/edits/fills.h"
#include "project/edits/templates.h"
#include "project/resolve.h"
#include "project/usual_colours.h"

namespace widecut {
namespace {

QPushButton* smallButton(const QString& name, const QString& tip, QWidget* parent) {
  auto* button = new QPushButton(parent);
  button->setObjectName(name);
  button->setAccessibleName(tip);
  button->setToolTip(tip);
  button->setFixedSize(20, 22);
  button->setFlat(true);
  theme::setSheet(*button,
                  "QPushButton { border: none; background: transparent; padding: 0; min-height: 0; color: #5F6B67; }"
                  "QPushButton:hover { background: #E8E2D4; } QPushButton:focus { border: 1px solid #6C3BAA; }");
  return button;
}

}  // namespace

PaintRow::PaintRow(bool isLine, const QString& suffix, QWidget* parent) : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(3);
  const QString what = isLine ? tr("outline") : tr("fill");
  eye = smallButton((isLine ? "lineEye" : "fillEye") + suffix, tr("Shows this %1, or not").arg(what), this);
  eye->setIconSize({15, 15});
  row->addWidget(eye);
  swatch = new QPushButton(this);
  swatch->setObjectName((isLine ? "lineColour" : "fillColour") + suffix);
  swatch->setAccessibleName(isLine ? tr("Outline colour") : tr("Fill colour"));
  row->addWidget(swatch);
  words = new QPushButton(this);
  words->setObjectName((isLine ? "linePaint" : "fillPaint") + suffix);
  words->setFlat(true);
  words->setFocusPolicy(Qt::TabFocus);
  words->setToolTip(tr("A click shows its numbers on the bench; drag it up or down among the others"));
  words->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  theme::setSheet(*words,
                  "QPushButton { border: none; background: transparent; text-align: left; padding: 2px 3px; }"
                  "QPushButton:hover { background: #E8E2D4; } QPushButton:focus { border: 1px solid #6C3BAA; }");
  words->installEventFilter(this);
  row->addWidget(words, 1);
  if (isLine) {
    width = new MeasureField(tr("outline width") + suffix, Unit::Point, {}, this);
    width->setFixedWidth(62);
    row->addWidget(width);
  }
  remove = smallButton((isLine ? "lineAway" : "fillAway") + suffix, tr("Takes this %1 away").arg(what), this);
  remove->setText("×");
  row->addWidget(remove);
}

void PaintRow::setChosen(bool chosen) {
  if (chosen == chosen_) return;
  chosen_ = chosen;
  update();
}

void PaintRow::paintEvent(QPaintEvent*) {
  if (!chosen_ && !dragged_) return;
  QPainter painter(this);
  QColor colour = theme::plum;
  colour.setAlpha(dragged_ ? 60 : 28);
  painter.fillRect(rect(), colour);
  painter.fillRect(0, 0, 2, height(), theme::plum);
}

/// A press on its words that moves up or down carries the row.
bool PaintRow::eventFilter(QObject*, QEvent* event) {
  const auto* mouse = dynamic_cast<QMouseEvent*>(event);
  if (!mouse) return false;
  if (event->type() == QEvent::MouseButtonPress) {
    pressed_ = mouse->globalPosition().toPoint();
    dragged_ = false;
  } else if (event->type() == QEvent::MouseMove && (mouse->buttons() & Qt::LeftButton)) {
    const int off = mouse->globalPosition().toPoint().y() - pressed_.y();
    if (std::abs(off) > height() / 2) dragged_ = true;
    update();
  } else if (event->type() == QEvent::MouseButtonRelease && dragged_) {
    dragged_ = false;
    update();
    const int off = mouse->globalPosition().toPoint().y() - pressed_.y();
    const int rows = static_cast<int>(std::lround(static_cast<double>(off) / (height() + 3)));
    words->setDown(false);
    if (rows != 0) emit movedBy(rows);
    return true;
  }
  return false;
}

PaintPage::PaintPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(3);
  const auto list = [&](const QString& title, const QString& name, bool isLine) {
    auto* top = new QHBoxLayout;
    top->addWidget(panelHeading(title, this), 1);
    auto* plus = smallButton(name, isLine ? tr("One more outline, in front") : tr("One more fill, in front"), this);
    plus->setText("+");
    connect(plus, &QPushButton::clicked, this, [this, isLine] { add(isLine); });
    top->addWidget(plus);
    column->addLayout(top);
    auto* rows = new QVBoxLayout;
    rows->setSpacing(3);
    column->addLayout(rows);
    return rows;
  };
  fills_ = list(tr("Fill"), "addFill", false);
  column->addSpacing(5);
  lines_ = list(tr("Outline"), "addLine", true);
  column->addSpacing(3);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(6);
  grid->setVerticalSpacing(6);
  column->addLayout(grid);
  opacity_ = new MeasureField(tr("opacity"), Unit::Plain, " %", this);
  opacity_->setFixedWidth(62);
  const auto setOpacity = [this](const Project& p, double v) {
    return restyled(p, [&](Style& style) { style.opacity = std::clamp(v / 100, 0.0, 1.0); });
  };
  tryWith(*opacity_, desk_, trial_, tr("Opacity"), setOpacity);
  opacitySlider_ = new QSlider(Qt::Horizontal, this);
  opacitySlider_->setRange(0, 100);
  opacitySlider_->setAccessibleName(tr("Opacity"));
  grid->addWidget(panelCaption(tr("opacity"), this), 0, 0);
  grid->addWidget(opacitySlider_, 0, 1);
  grid->addWidget(opacity_, 0, 2);
  connect(opacitySlider_, &QSlider::valueChanged, this, [this, setOpacity](int value) {
    if (opacitySlider_->isSliderDown())
      trial_.show(setOpacity(desk_.settled(), value));
    else
      desk_.commit(tr("Opacity"), setOpacity(desk_.settled(), value));
  });
  connect(opacitySlider_, &QSlider::sliderReleased, this, [this] { trial_.settle(tr("Opacity")); });
  blend_ = new QComboBox(this);
  blend_->setObjectName("mixing");
  blend_->setAccessibleName(tr("How it blends with what is behind it"));
  blend_->setToolTip(blend_->accessibleName());
  for (const std::string_view name : blendNames)
    blend_->addItem(inQt(name).replace('-', ' ').replace("color", "colour"));
  connect(blend_, &QComboBox::activated, this,
          [this](int mode) { make(tr("Blend"), [mode](Style& style) { style.blend = static_cast<Blend>(mode); }); });
  blend_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  grid->addWidget(panelCaption(tr("blend"), this), 1, 0);
  pale_ = new MeasureField(tr("pale by"), Unit::Plain, " %", this);
  pale_->setFixedWidth(62);
  pale_->setToolTip(tr("How pale the template is; 0 makes it an item like any other"));
  tryWith(*pale_, desk_, trial_, tr("How pale"),
          [this](const Project& p, double v) { return withPaleness(p, desk_.selection(), v / 100); });
  paleCaption_ = panelCaption(tr("template"), this);
  paleSays_ = new QLabel(tr("to draw over, not delivered"), this);
  theme::makeSecondary(*paleSays_);
  paleSays_->setWordWrap(true);
  grid->addWidget(paleCaption_, 2, 0);
  grid->addWidget(paleSays_, 2, 1);
  grid->addWidget(pale_, 2, 2);
  auto* last = new QHBoxLayout;
  last->addWidget(blend_, 1);
  finish_ = new QPushButton(this);
  finish_->setObjectName("finish");
  finish_->setCheckable(true);
  constexpr int finishWidth = 76;
  finish_->setFixedWidth(finishWidth);
  finish_->setToolTip(tr("Shadows, glows, edges, panels and copies that follow the item (Shift+E)"));
  connect(finish_, &QPushButton::clicked, this, [this] { desk_.toggle(Aside::Finish); });
  last->addWidget(finish_);
  grid->addLayout(last, 1, 1, 1, 2);
}

Project PaintPage::restyled(const Project& project, const StyleEdit& edit) const {
  return withStyle(project, desk_.selection(), edit);
}

bool PaintPage::make(const QString& name, const StyleEdit& edit) {
  if (!desk_.commit(name, restyled(desk_.settled(), edit))) return false;
  desk_.noteAgain({name, [edit](const Project& p, const std::vector<Id>& ids) { return withStyle(p, ids, edit); }});
  return true;
}

void PaintPage::add(bool isLine) {
  make(isLine ? tr("Add an outline") : tr("Add a fill"), [isLine](Style& style) {
    if (isLine) {
      style.lines.push_back(style.lines.empty() ? plainLine(usualInk, 1) : style.lines.back());
    } else {
      // Half of it shows what was there.
      Fill fill;
      fill.paint = colourOf(style).value_or(usualFill);
      if (!style.fills.empty()) fill.opacity = 0.5;
      style.fills.push_back(std::move(fill));
    }
  });
  const ItemPtr first = desk_.selection().empty() ? nullptr : findItem(desk_.settled(), desk_.selection().front());
  if (first) desk_.choosePaint(placeAt(*first->style, isLine, 0));
}

PaintRow* PaintPage::newRow(bool isLine, std::size_t fromFront, std::size_t count) {
  const QString suffix = fromFront == 0 ? QString() : " " + QString::number(fromFront);
  auto* row = new PaintRow(isLine, suffix, this);
  const auto at = [isLine, fromFront](const Style& style) { return placeAt(style, isLine, fromFront); };
  connect(row->eye, &QPushButton::clicked, this, [this, at] {
    const ItemPtr first = findItem(desk_.settled(), desk_.selection().front());
    const auto place = at(*first->style);
    const bool shown = place && isShown(*first->style, *place);
    make(shown ? tr("Hide paint") : tr("Show paint"), [at, shown](Style& style) {
      if (const auto own = at(style)) setShown(style, *own, !shown);
    });
  });
  connect(row->remove, &QPushButton::clicked, this, [this, at] {
    make(tr("Take paint away"), [at](Style& style) {
      if (const auto own = at(style)) removePaint(style, *own);
    });
  });
  connect(row->words, &QPushButton::clicked, this, [this, at] {
    const ItemPtr first = findItem(desk_.project(), desk_.selection().front());
    const auto place = first ? at(*first->style) : std::nullopt;
    desk_.choosePaint(place == desk_.chosenPaint() ? std::nullopt : place);
  });
  connect(row, &PaintRow::movedBy, this, [this, at, isLine, fromFront, count](int rows) {
    const int to = std::clamp(static_cast<int>(fromFront) + rows, 0, static_cast<int>(count) - 1);
    make(tr("Reorder paint"), [at, isLine, to](Style& style) {
      const auto own = at(style), target = placeAt(style, isLine, static_cast<std::size_t>(to));
      if (own && target) movePaint(style, *own, target->index);
    });
  });
  connect(row->swatch, &QPushButton::clicked, this, [this, row, isLine, fromFront, at] {
    const ItemPtr first = findItem(desk_.settled(), desk_.selection().front());
    if (!first) return;
    const auto place = at(*first->style);
    if (place && stopsOf(*first->style, *place)) {
      desk_.choosePaint(place);  // its colours are on the bench
      return;
    }
    const auto edit = [this, isLine, fromFront](const Project& p, std::optional<Colour> colour) {
      return restyled(p, [&](Style& style) {
        if (isLine)
          setLineColour(style, fromFront, colour);
        else
          setFillColour(style, fromFront, colour);
      });
    };
    openColours(*row->swatch, *parentWidget(), desk_, trial_,
                {isLine ? tr("Outline colour") : tr("Fill colour"), isLine ? tr("no outline") : tr("no fill"),
                 place ? plainColourOf(*first->style, *place) : std::nullopt, edit});
  });
  if (row->width)
    tryWith(*row->width, desk_, trial_, tr("Outline width"), [this, fromFront](const Project& p, double v) {
      return restyled(p, [&](Style& style) { setLineWidth(style, fromFront, v); });
    });
  return row;
}

void PaintPage::buildLists(std::size_t fills, std::size_t lines) {
  // What is being typed in stays: a width that is begun is the first outline, and no more is when it is emptied.
  const bool isTyped =
      std::any_of(lineRows_.begin(), lineRows_.end(), [](const PaintRow* row) { return row->width->isTyping(); });
  if (isTyped) lines = builtLines_;
  const auto build = [&](QVBoxLayout& layout, std::vector<PaintRow*>& rows, bool isLine, std::size_t count) {
    clearLayout(layout);
    rows.clear();
    // Without any there is an empty one to begin with.
    for (std::size_t i = 0; i < std::max<std::size_t>(1, count); ++i) {
      rows.push_back(newRow(isLine, i, count));
      layout.addWidget(rows.back());
      rows.back()->eye->setVisible(count > 0);
      rows.back()->remove->setVisible(count > 0);
    }
  };
  if (fills != builtFills_) build(*fills_, fillRows_, false, fills);
  if (lines != builtLines_) build(*lines_, lineRows_, true, lines);
  builtFills_ = fills;
  builtLines_ = lines;
}

void PaintPage::show(PaintRow& row, const Item& item, PaintPlace place) {
  const Style& style = *item.style;
  const bool there = isThere(style, place);
  row.setChosen(there && desk_.chosenPaint() == place);
  if (row.width) row.width->setUnit(desk_.fineUnit());
  if (row.width) row.width->show(there ? style.lines[place.index].shape.width : 0);
  QString text = place.isLine ? tr("none") : tr("no fill");
  bool broken = false;
  if (!there) {
    // What is inside has paint of its own.
    if (!place.isLine && showsChildren(item.form)) text = tr("each its own");
    paintSwatch(*row.swatch, std::nullopt);
  } else if (!place.isLine && isPicture(style.fills[place.index])) {
    const auto photo = photoIn(item, style.fills[place.index]);
    const auto ready = photo ? desk_.photos().levelIfReady(photo->medium, 0.02, photo->adjustments) : std::nullopt;
    broken = ready && ready->isFinal && ready->level.image.isNull();
    if (ready && !broken)
      paintPhoto(*row.swatch, ready->level.image);
    else
      paintSwatch(*row.swatch, std::nullopt);
    text = photo ? QString::fromStdString(photo->medium->name) : tr("photo");
  } else {
    paintSwatchOf(*row.swatch, style, place);
    const auto colour = plainColourOf(style, place);
    const Swatch* swatch = colour ? swatchOf(desk_.project(), colour->swatch) : nullptr;
    text = swatch                                  ? QString::fromStdString(swatch->name)
           : kindOfPaint(style, place) == "colour" ? QString::fromStdString(colourText(*colour))
                                                   : inQt(kindOfPaint(style, place));
  }
  if (there) row.eye->setIcon(theme::icon(isShown(style, place) ? "eye" : "eye-shut"));
  theme::setSheet(*row.words,
                  QString("QPushButton { border: none; background: transparent; text-align: left; padding: 2px 3px;%1 }"
                          "QPushButton:hover { background: #E8E2D4; } QPushButton:focus { border: 1px solid #6C3BAA; }")
                      .arg(broken ? " color: #BF3F26;" : ""));
  constexpr int lineRoom = 62, fillRoom = 122;
  row.words->setText(row.words->fontMetrics().elidedText(text, Qt::ElideMiddle, place.isLine ? lineRoom : fillRoom));
  row.words->setAccessibleName(text);
}

void PaintPage::refresh(const std::vector<ItemPtr>& items) {
  if (items.empty()) return;
  const Item& first = *items.front();
  const Style& style = *first.style;
  buildLists(style.fills.size(), style.lines.size());
  for (std::size_t i = 0; i < fillRows_.size(); ++i) show(*fillRows_[i], first, {false, style.fills.size() - 1 - i});
  for (std::size_t i = 0; i < lineRows_.size(); ++i) show(*lineRows_[i], first, {true, style.lines.size() - 1 - i});
  opacity_->show(style.opacity * 100);
  const QSignalBlocker quiet(opacitySlider_);
  if (!opacitySlider_->isSliderDown()) opacitySlider_->setValue(static_cast<int>(std::lround(style.opacity * 100)));
  blend_->setCurrentIndex(static_cast<int>(style.blend));
  pale_->show(first.paleBy * 100);
  for (QWidget* one :
       {static_cast<QWidget*>(pale_), static_cast<QWidget*>(paleCaption_), static_cast<QWidget*>(paleSays_)})
    one->setVisible(first.isTemplate() || pale_->hasFocus());
  finish_->setText(style.effects.empty() ? tr("Finish") : tr("Finish · %1").arg(style.effects.size()));
  finish_->setChecked(desk_.shows(Aside::Finish));
}

}  // namespace widecut
