// A page of the bench: the reframe tool is in hand: the whole picture with its window.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QCheckBox;
class QLabel;
class QSlider;
class QVBoxLayout;

namespace widecut {

class MeasureField;
class SubjectRow;

/// The reframe tool is in hand: the whole picture with its window.
class ReframePage : public BenchPage {
  Q_OBJECT
 public:
  ReframePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void addFits(QVBoxLayout& column);
  void addSubjects(QVBoxLayout& column);
  void scaleTo(double share, bool settle);
  Trial trial_{desk_};
  QLabel* heading_;
  QLabel* resolution_;
  QSlider* slider_;
  MeasureField* field_;
  QCheckBox *upright_, *scale_, *overSheets_;
  SubjectRow* subjects_;
};

}  // namespace widecut
