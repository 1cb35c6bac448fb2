#include "app/panels/panel_parts.h"

#include <QGridLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/look/theme.h"
#include "app/widgets/colour_popover.h"
#include "app/widgets/measure_field.h"
#include "media/palette.h"
#include "project/edits/colours.h"
#include "project/resolve.h"
#include "scene/hit.h"

namespace widecut {
namespace {

/// What the only selected item stands on: the colour of the nearest item behind its middle, or the sheet's paper;
/// nothing where that is no one colour.
std::optional<Colour> colourBehind(const Desk& desk) {
  const ItemPtr item = desk.onlyItem();
  const Box box = item ? boxOnSheet(desk.settled(), item->id) : Box{};
  if (box.isEmpty()) return std::nullopt;
  const Id whole = chainTo(desk.settled(), item->id).front()->id;
  const ItemList& items = desk.sheet()->items;
  bool isBehind = false;
  for (auto other = items.rbegin(); other != items.rend(); ++other) {
    if ((*other)->id == whole) {
      isBehind = true;
      continue;
    }
    if (!isBehind || (*other)->hidden || !isHit(**other, box.centre(), 0)) continue;
    const auto colour = showsPicture(**other) ? std::nullopt : colourOf(*lookOf(**other));
    return colour && colour->alpha == 255 ? colour : std::nullopt;
  }
  return desk.sheet()->paper;
}

ColourOffer offerFor(Desk& desk) {
  ColourOffer offer;
  for (const Swatch& swatch : desk.settled().swatches)
    offer.swatches.push_back({swatch.colour, QString::fromStdString(swatch.name)});
  const auto add = [&](Colour c) {
    c.swatch = 0;
    if (std::find(offer.used.begin(), offer.used.end(), c) == offer.used.end()) offer.used.push_back(c);
  };
  for (const SheetPtr& sheet : sheetsOf(desk.settled())) {
    add(sheet->paper);
    for (const ItemPtr& item : sheet->items) {
      Style style = *item->style;
      eachColour(style, [&](Colour& c) { add(c); });
    }
  }
  offer.recent = desk.recentColours;
  for (const Id id : desk.selection())
    if (const ItemPtr item = findItem(desk.settled(), id))
      if (const auto photo = shownPhoto(*item); photo && offer.ofPhoto.empty())
        if (const auto ready = desk.photos().levelIfReady(photo->medium, 0.05, photo->adjustments);
            ready && !ready->level.image.isNull())
          offer.ofPhoto = paletteOf(ready->level.image, 6);
  offer.behind = colourBehind(desk);
  return offer;
}

void remember(Desk& desk, Colour colour) {
  constexpr std::size_t most = 8;
  auto& recent = desk.recentColours;
  std::erase(recent, colour);
  recent.insert(recent.begin(), colour);
  if (recent.size() > most) recent.resize(most);
}

/// Below a swatch, over its page, where it hides nothing of the sheet.
void showBelow(const QPushButton& swatch, const QWidget& page, ColourPopover& popover) {
  popover.adjustSize();
  constexpr int inset = 6, usualWidth = 252, widest = 400;
  QPoint corner = page.mapToGlobal(QPoint(inset, swatch.mapTo(&page, QPoint(0, swatch.height() + 4)).y()));
  if (page.width() > widest) {
    // Over the panel on the right, where it hides nothing of the sheet.
    popover.setFixedWidth(usualWidth);
    popover.adjustSize();
    const QWidget* window = page.window();
    const QPoint end = window->mapToGlobal(QPoint(window->width(), 0));
    corner = {end.x() - usualWidth - inset, swatch.mapToGlobal(QPoint(0, 0)).y() - popover.height() - inset};
  } else {
    popover.setFixedWidth(page.width() - 2 * inset);
    popover.adjustSize();
  }
  // Within the window, whatever opens it.
  const QWidget* window = page.window();
  const int lowest = window->mapToGlobal(QPoint(0, window->height())).y() - popover.height() - inset;
  const int highest = window->mapToGlobal(QPoint(0, inset)).y();
  corner.setY(std::max(highest, std::min(corner.y(), lowest)));
  popover.move(corner);
  popover.show();
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
  auto* popover = new ColourPopover(choice.current, offerFor(desk), choice.noneText, &page);
  const auto changed = [&desk, edit = choice.edit](std::optional<Colour> c) { return edit(desk.settled(), c); };
  QObject::connect(popover, &ColourPopover::tried, &page,
                   [&trial, changed](std::optional<Colour> c) { trial.show(changed(c)); });
  QObject::connect(popover, &ColourPopover::settled, &page,
                   [&desk, changed, name = choice.name, edit = choice.edit](std::optional<Colour> c) {
                     if (c) remember(desk, *c);
                     if (!desk.commit(name, changed(c))) return;
                     desk.noteAgain({name, [edit, c](const Project& p, const std::vector<Id>&) { return edit(p, c); }});
                   });
  QObject::connect(popover, &ColourPopover::dropped, &page, [&trial] { trial.drop(); });
  QObject::connect(popover, &ColourPopover::pickWanted, &page, [&desk, changed, name = choice.name] {
    emit desk.colourPickWanted([&desk, changed, name](Colour c) {
      remember(desk, c);
      desk.commit(name, changed(c));
    });
  });
  showBelow(swatch, page, *popover);
}

void pickColour(QPushButton& swatch, QWidget& page, Desk& desk, const OwnColour& choice) {
  auto* popover = new ColourPopover(choice.current, offerFor(desk), choice.noneText, &page);
  QObject::connect(popover, &ColourPopover::tried, &page, choice.chosen);
  QObject::connect(popover, &ColourPopover::settled, &page, [&desk, chosen = choice.chosen](std::optional<Colour> c) {
    if (c) remember(desk, *c);
    chosen(c);
  });
  QObject::connect(popover, &ColourPopover::dropped, &page,
                   [chosen = choice.chosen, was = choice.current] { chosen(was); });
  QObject::connect(popover, &ColourPopover::pickWanted, &page, [&desk, chosen = choice.chosen] {
    emit desk.colourPickWanted([&desk, chosen](Colour c) {
      remember(desk, c);
      chosen(c);
    });
  });
  showBelow(swatch, page, *popover);
}

}  // namespace widecut
