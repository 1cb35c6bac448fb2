#include "app/panels/panel_parts.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/look/theme.h"
#include "app/widgets/colour_popover.h"
#include "app/widgets/measure_field.h"

namespace widecut {
namespace {

std::vector<Colour> coloursOf(const Project& project) {
  std::vector<Colour> found;
  const auto add = [&](Colour c) {
    if (std::find(found.begin(), found.end(), c) == found.end()) found.push_back(c);
  };
  for (const SheetPtr& sheet : sheetsOf(project)) {
    add(sheet->paper);
    for (const ItemPtr& item : sheet->items) {
      for (const Fill& fill : item->style->fills)
        if (const auto* colour = std::get_if<Colour>(&fill.paint)) add(*colour);
      for (const Line& line : item->style->lines) add(line.colour);
    }
  }
  return found;
}

}  // namespace

QGridLayout* panelGrid(QWidget* page) {
  auto* grid = new QGridLayout(page);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setVerticalSpacing(6);
  grid->setHorizontalSpacing(6);
  grid->setColumnStretch(1, 1);
  grid->setColumnStretch(2, 1);
  return grid;
}

QLabel* panelHeading(const QString& text, QWidget* page) {
  auto* label = new QLabel(text, page);
  theme::makeHeading(*label);
  return label;
}

QLabel* panelCaption(const QString& text, QWidget* page) {
  auto* label = new QLabel(text, page);
  theme::makeSecondary(*label);
  label->setFixedWidth(captionWidth);
  return label;
}

void tryWith(MeasureField& field, Desk& desk, Trial& trial, const QString& name,
             const std::function<Project(const Project&, double)>& edit, const AgainOf& againOf) {
  QObject::connect(&field, &MeasureField::tried, &field,
                   [&desk, &trial, edit](double v) { trial.show(edit(desk.settled(), v)); });
  QObject::connect(&field, &MeasureField::settled, &field, [&desk, name, edit, againOf](double v) {
    const ProjectPtr before = desk.history().current();
    if (!desk.commit(name, edit(desk.settled(), v))) return;
    const ItemsChange same = [edit, v](const Project& p, const std::vector<Id>&) { return edit(p, v); };
    desk.noteAgain({name, againOf ? againOf(*before, desk.settled(), v) : same});
  });
  QObject::connect(&field, &MeasureField::dropped, &field, [&trial] { trial.drop(); });
}

void openColours(QPushButton& swatch, QWidget& page, Desk& desk, Trial& trial, const ColourChoice& choice) {
  auto* popover = new ColourPopover(choice.current, coloursOf(desk.settled()), choice.noneText, &page);
  const auto changed = [&desk, edit = choice.edit](std::optional<Colour> c) { return edit(desk.settled(), c); };
  QObject::connect(popover, &ColourPopover::tried, &page,
                   [&trial, changed](std::optional<Colour> c) { trial.show(changed(c)); });
  QObject::connect(popover, &ColourPopover::settled, &page,
                   [&desk, changed, name = choice.name, edit = choice.edit](std::optional<Colour> c) {
                     if (!desk.commit(name, changed(c))) return;
                     desk.noteAgain({name, [edit, c](const Project& p, const std::vector<Id>&) { return edit(p, c); }});
                   });
  QObject::connect(popover, &ColourPopover::dropped, &page, [&trial] { trial.drop(); });
  popover->adjustSize();
  constexpr int inset = 6;
  popover->setFixedWidth(page.width() - 2 * inset);
  popover->move(page.mapToGlobal(QPoint(inset, swatch.mapTo(&page, QPoint(0, swatch.height() + 4)).y())));
  popover->show();
}

}  // namespace widecut
