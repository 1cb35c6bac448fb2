// A page of the bench: nothing is selected: what can be laid down.
#pragma once

#include "app/bench/bench_page.h"

class QLineEdit;

namespace widecut {

class StarterRow;

/// Nothing is selected: the starters as pictures, found by typing.
class StartersPage : public BenchPage {
  Q_OBJECT
 public:
  StartersPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  void choose(const StarterKind* kind);
  StarterRow* row_;
  QLineEdit* search_;
};

}  // namespace widecut
