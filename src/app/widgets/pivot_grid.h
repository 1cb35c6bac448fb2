// Nine places of a box, of which one is the pivot.
#pragma once

#include <QWidget>

#include "app/desk/pivot.h"

namespace widecut {

/// A click chooses a place, a click on the chosen one goes back to the usual. Arrow keys go from place to place.
class PivotGrid : public QWidget {
  Q_OBJECT
 public:
  explicit PivotGrid(QWidget* parent = nullptr);
  void show(const Pivot& pivot);

 signals:
  void chosen(std::optional<widecut::PivotPlace> place);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  QPointF pointOf(PivotPlace place) const;
  Pivot pivot_;
};

}  // namespace widecut
