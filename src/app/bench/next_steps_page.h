// A page of the bench: one plain outline, line, group or repeat is selected: what can be done next.
#pragma once

#include "app/bench/bench_page.h"

class QLabel;
class QPushButton;

namespace widecut {

/// One plain outline, line, group or repeat is selected: what can be done next.
class NextStepsPage : public BenchPage {
  Q_OBJECT
 public:
  NextStepsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  QLabel* heading_;
  QPushButton *reframe_, *cutAlong_;
  QLabel* picture_;
};

}  // namespace widecut
