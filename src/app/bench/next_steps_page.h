// A page of the bench: one plain outline, line, group or repeat is selected: what can be done next.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QLabel;
class QPushButton;

namespace widecut {

class StarterRow;

/// One plain outline, line, group or repeat is selected: what can be done next.
class NextStepsPage : public BenchPage {
  Q_OBJECT
 public:
  NextStepsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 protected:
  void hideEvent(QHideEvent* event) override;

 private:
  Trial trial_{desk_};
  QLabel* heading_;
  QPushButton *reframe_, *video_, *cutAlong_;
  QLabel* picture_;
  StarterRow* kinds_;  ///< Other outlines for it, of which one is tried while it is pointed at.
};

}  // namespace widecut
