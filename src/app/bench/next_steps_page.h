// A page of the bench: nothing, or one plain outline, is selected: what can be done next.
#pragma once

#include "app/bench/bench_page.h"

class QLabel;
class QPushButton;

namespace widecut {

/// Nothing, or one plain outline, is selected: what can be done next.
class NextStepsPage : public BenchPage {
  Q_OBJECT
 public:
  NextStepsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  QLabel* heading_;
  QWidget* drawing_;
  QPushButton* reframe_;
  QLabel* picture_;
};

}  // namespace widecut
