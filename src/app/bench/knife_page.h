// A page of the bench: the knife is in hand: its gap.
#pragma once

#include "app/bench/bench_page.h"

class QPushButton;

namespace widecut {

class MeasureField;

/// The knife is in hand: its gap.
class KnifePage : public BenchPage {
  Q_OBJECT
 public:
  KnifePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  std::vector<QPushButton*> gaps_;
  MeasureField* gap_;
};

}  // namespace widecut
