// Where the selection lies, how large it is, how it is turned.
#pragma once

#include <QWidget>

#include "app/desk/trial.h"
#include "app/mat/placing.h"
#include "app/panels/panel_parts.h"

class QCheckBox;
class QGridLayout;
class QToolButton;

namespace widecut {

class MeasureField;
class PivotGrid;

class PlacePage : public QWidget {
  Q_OBJECT
 public:
  explicit PlacePage(Desk& desk, QWidget* parent = nullptr);
  void refresh();

 private:
  using Edit = std::function<Project(const Project&, double)>;
  MeasureField* field(const QString& name, Unit unit, const QString& suffix, const QString& editName, const Edit& edit,
                      const AgainOf& againOf = {});
  void makeFields();
  QWidget* buildFlips();
  void flip(double across, double down, const QString& name);
  Project sized(const Project& project, std::optional<double> width, std::optional<double> height) const;
  /// Whether all that is selected are photos in frames of their own.
  bool arePhotos() const;
  Together together() const;

  Desk& desk_;
  Trial trial_{desk_};
  MeasureField *x_, *y_, *width_, *height_, *turn_, *shear_;
  bool keepsProportions_ = false;  ///< As it was asked for.
  QToolButton *proportions_, *upright_;
  QCheckBox* each_;
  PivotGrid* pivot_;
};

}  // namespace widecut
