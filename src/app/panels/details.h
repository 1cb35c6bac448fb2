// The details of the selection: place, paint, result.
#pragma once

#include <QWidget>
#include <functional>

#include "app/desk/desk.h"
#include "geometry/measure.h"

class QGridLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace widecut {

class MeasureField;
class PlacePage;
class TextPage;

class Details : public QWidget {
  Q_OBJECT
 public:
  explicit Details(Desk& desk, QWidget* parent = nullptr);

 signals:
  /// What was chosen is done: the keys go to the page again.
  void keysBack();

 private:
  using Edit = std::function<Project(const Project&, double)>;

  void refresh();
  void refreshPaint(const std::vector<ItemPtr>& items);
  void refreshResult(const std::vector<ItemPtr>& items);
  MeasureField* field(const QString& name, Unit unit, const QString& suffix, const QString& editName, const Edit& edit);
  Project restyled(const Project& project, const std::function<void(Style&)>& change) const;
  std::vector<ItemPtr> items() const;

  Desk& desk_;
  Trial trial_{desk_};
  QWidget* body_;
  QWidget* empty_;
  PlacePage* place_;
  TextPage* text_;
  MeasureField *lineWidth_, *opacity_;
  QPushButton *fill_, *line_;
  QLabel* fillText_;
  QSlider* opacitySlider_;
  QLabel *resultHeading_, *result_;
};

}  // namespace widecut
