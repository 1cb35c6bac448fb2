// What the pages on the right of the mat are made of.
#pragma once

#include <QColor>
#include <functional>

#include "app/desk/desk.h"
#include "app/desk/trial.h"

class QGridLayout;
class QLabel;
class QPushButton;
class QWidget;

namespace widecut {

class MeasureField;

/// Captions on the left, two fields beside them.
inline constexpr int captionWidth = 64;
QGridLayout* panelGrid(QWidget* page);
QLabel* panelHeading(const QString& text, QWidget* page);
QLabel* panelCaption(const QString& text, QWidget* page);

/// How a change by a number is made again, from what it was before and is after it.
using AgainOf = std::function<ItemsChange(const Project& before, const Project& after, double value)>;
/// What is typed into the field is shown while it is typed, made as one step of this name when it is let go, and taken
/// back by Escape. `edit` gets the settled project. Made again it sets the same number, unless `againOf` says
/// otherwise.
void tryWith(MeasureField& field, Desk& desk, Trial& trial, const QString& name,
             const std::function<Project(const Project&, double)>& edit, const AgainOf& againOf = {});

/// What is chosen in place of a colour: nothing means no paint.
struct ColourChoice {
  QString name;      ///< Of the step.
  QString noneText;  ///< For no paint; empty when there has to be some.
  std::optional<Colour> current;
  std::function<Project(const Project&, std::optional<Colour>)> edit;
};
/// Opens the colours below a swatch, over its page, where they hide nothing of the sheet.
void openColours(QPushButton& swatch, QWidget& page, Desk& desk, Trial& trial, const ColourChoice& choice);

/// A colour that is not of the project: `chosen` is told of each one while it is being chosen, and of the last one.
struct OwnColour {
  std::optional<Colour> current;
  QString noneText;
  std::function<void(std::optional<Colour>)> chosen;
};
void pickColour(QPushButton& swatch, QWidget& page, Desk& desk, const OwnColour& choice);

}  // namespace widecut
