#include "app/panels/next_look_page.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include "app/panels/front_paint.h"
#include "app/panels/panel_parts.h"
#include "app/widgets/measure_field.h"
#include "app/widgets/swatch.h"
#include "project/usual_colours.h"

namespace widecut {

NextLookPage::NextLookPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
  auto* grid = panelGrid(this);
  grid->addWidget(panelHeading(tr("Next shape"), this), 0, 0, 1, 3);
  const auto swatch = [&](const char* name, const QString& words) {
    auto* made = new QPushButton(this);
    made->setObjectName(name);
    made->setAccessibleName(words);
    made->setToolTip(words);
    return made;
  };
  fill_ = swatch("nextFill", tr("Fill colour of the next shape"));
  grid->addWidget(panelCaption(tr("fill"), this), 1, 0);
  grid->addWidget(fill_, 1, 1, Qt::AlignLeft);
  tones_ = new QPushButton(tr("tones in turn"), this);
  tones_->setObjectName("nextTones");
  tones_->setCheckable(true);
  tones_->setAccessibleName(tr("Quiet colours in turn"));
  tones_->setToolTip(tr("Each new shape takes the next of a few quiet colours, so that overlaps can be told apart"));
  grid->addWidget(tones_, 1, 2);
  outline_ = swatch("nextOutline", tr("Outline colour of the next shape"));
  grid->addWidget(panelCaption(tr("outline"), this), 2, 0);
  grid->addWidget(outline_, 2, 1, Qt::AlignLeft);
  width_ = new MeasureField(tr("outline width of the next shape"), Unit::Point, {}, this);
  width_->setObjectName("nextWidth");
  grid->addWidget(width_, 2, 2);
  grid->setRowMinimumHeight(3, 8);

  connect(fill_, &QPushButton::clicked, this, [this] {
    pickColour(*fill_, *parentWidget(), desk_,
               {colourOf(desk_.styleForNew), tr("no fill"), [this](std::optional<Colour> c) { setFill(c); }});
  });
  connect(tones_, &QPushButton::clicked, this, [this] { setFill(usualFill); });
  connect(outline_, &QPushButton::clicked, this, [this] {
    const Line* line = lineOf(desk_.styleForNew);
    pickColour(*outline_, *parentWidget(), desk_,
               {line ? std::optional(line->colour) : std::nullopt, tr("no outline"),
                [this](std::optional<Colour> c) { setOutline(c); }});
  });
  connect(width_, &MeasureField::settled, this, &NextLookPage::setWidth);
  connect(width_, &MeasureField::dropped, this, &NextLookPage::refresh);
}

bool NextLookPage::applies() const {
  const ToolKind tool = desk_.tool();
  return desk_.selection().empty() && (laysStarters(tool) || tool == ToolKind::Pen || tool == ToolKind::Line);
}

void NextLookPage::setFill(std::optional<Colour> colour) {
  Style& style = desk_.styleForNew;
  setColour(style, colour);
  if (!colour && !lineOf(style)) setLineWidth(style, 0, 1);  // or else it could not be seen
  changed();
}

void NextLookPage::setOutline(std::optional<Colour> colour) {
  setLineColour(desk_.styleForNew, 0, colour);
  changed();
}

void NextLookPage::setWidth(double width) {
  setLineWidth(desk_.styleForNew, 0, width);
  changed();
}

void NextLookPage::changed() {
  Style& style = desk_.styleForNew;
  if (!lineOf(style) && !colourOf(style)) setColour(style, usualFill);
  refresh();
  emit desk_.toolSet();
}

void NextLookPage::refresh() {
  const Style& style = desk_.styleForNew;
  const Line* line = lineOf(style);
  const auto colour = colourOf(style);
  paintSwatch(*fill_, colour);
  tones_->setChecked(colour == usualFill);
  paintSwatch(*outline_, line ? std::optional(line->colour) : std::nullopt);
  width_->setUnit(desk_.fineUnit());
  width_->show(line ? line->shape.width : 0);
}

}  // namespace widecut
