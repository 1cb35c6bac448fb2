// A page of the bench: the pen is in hand.
#pragma once

#include "app/bench/bench_page.h"

class QPushButton;

namespace widecut {

class MeasureField;

/// How the pen draws.
class PenPage : public BenchPage {
  Q_OBJECT
 public:
  PenPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  std::vector<QPushButton*> modes_;
  QWidget* freehand_;
  MeasureField* tolerance_;
};

}  // namespace widecut
