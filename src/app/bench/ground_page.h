// Bench page: a subject is brought out of the even ground of its photo.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "app/desk/trial.h"
#include "media/ground.h"

class QLabel;
class QPushButton;

namespace widecut {

class NumbersGrid;

/// Shows what would be brought out while its numbers are changed; it is made when that is asked for.
class GroundPage : public BenchPage {
  Q_OBJECT
 public:
  GroundPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 protected:
  void showEvent(QShowEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  void look(const GroundCut& how);
  void make();
  Trial trial_{desk_};
  LatestTask task_;
  GroundCut how_;
  Id item_ = 0;  ///< Whose photo was looked at.
  QLabel *heading_, *finding_;
  QPushButton* make_;
  NumbersGrid* grid_;
};

}  // namespace widecut
