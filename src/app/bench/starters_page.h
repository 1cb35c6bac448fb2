// A page of the bench: nothing is selected: what can be laid down.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/carrying.h"
#include "app/desk/offer.h"

class QLineEdit;

namespace widecut {

class StarterRow;
struct TypedStarter;

/// Nothing is selected: the starters as pictures, found by typing.
class StartersPage : public BenchPage {
  Q_OBJECT
 public:
  StartersPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  bool eventFilter(QObject* watched, QEvent* event) override;
  void choose(const Offer& offer);
  void takeTyped();
  void layTyped(const TypedStarter& typed);
  Carrying carrying_;
  StarterRow* row_;
  QLineEdit* search_;
};

}  // namespace widecut
