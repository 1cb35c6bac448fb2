// A page of the bench: how words sit, and what can be done with them.
#pragma once

#include "app/bench/bench_page.h"

class QLabel;

namespace widecut {

class WordsPage : public BenchPage {
  Q_OBJECT
 public:
  WordsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  QLabel *heading_, *picture_, *fit_;
  QPushButton *reframe_, *frame_, *letters_;
  std::vector<QPushButton*> buttons_;
};

}  // namespace widecut
