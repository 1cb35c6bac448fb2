// Bench page of one fill or line: its numbers, and the stops of its colours.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QLabel;
class QPushButton;

namespace widecut {

class TypedField;
class MeasureField;
class NumbersGrid;
class StopsBar;

class FillPage : public BenchPage {
  Q_OBJECT
 public:
  FillPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  using PlaceEdit = std::function<void(Style&, PaintPlace)>;

  QWidget* buildStops();
  void openColour();
  QString takeDashes(const QString& text);
  void setStopsTo(const std::vector<GradientStop>& stops, bool isTried, const QString& name);
  /// The project with the chosen fill or line changed, and those at the same place of other selected items.
  Project edited(const Project& project, const PlaceEdit& edit) const;
  ItemPtr item(const Project& project) const;

  Trial trial_{desk_};
  QLabel* heading_;
  QPushButton *colour_, *stopColour_;
  QWidget* stopsRow_;
  StopsBar* stops_;
  MeasureField* stopAt_;
  TypedField* dashes_;
  QLabel* dashesCaption_;
  NumbersGrid* grid_;
  std::vector<const StarterNumber*> numbers_;
  double aspect_ = 1;  ///< Height by width of what a gradient is laid over.
};

}  // namespace widecut
