// A page of the bench: an offset, or the outline of a line, is being set: it shows on the sheet all the time.
#pragma once

#include <functional>

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "app/desk/trial.h"

class QBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class MeasureField;

/// An offset, or the outline of a line, is being set: it shows on the sheet all the time.
class OffsetPage : public BenchPage {
  Q_OBJECT
 public:
  OffsetPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  void tryOut();
  void take(Result<Project> changed);
  void say(const QString& text, bool isProblem);
  void finish();
  void settle();
  void leave();
  Trial trial_{desk_};
  LatestTask task_;
  QPushButton* choice(QBoxLayout& row, const QString& name, const std::function<void()>& choose,
                      const std::function<bool()>& chosen);
  QLabel *heading_, *said_;
  MeasureField *distance_, *width_;
  QWidget *offsetRow_, *lineRow_;
  std::vector<std::pair<QPushButton*, std::function<bool()>>> choices_;
  bool trying_ = false;
  bool finishing_ = false;  ///< Enter was pressed: what is being worked out is to be made.
};

}  // namespace widecut
