// A page of the bench: how the selected items can lie.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "app/desk/trial.h"
#include "project/edits/arranging.h"

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class MeasureField;

/// What brings the selection into line, to equal gaps and to equal sizes, as pictures of these very items afterwards;
/// gaps by number.
class ArrangePage : public BenchPage {
  Q_OBJECT
 public:
  ArrangePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  struct Action {
    QString name, objectName;
    ItemsChange change;
    QImage picture = {};
    bool changes = true;
  };
  std::vector<Action> actions() const;
  void addTargets(QHBoxLayout& row);
  MeasureField* gapField(const QString& name, bool across);
  void layCards();
  void lay(const std::vector<Action>& worked);
  void make(const QString& name, const ItemsChange& change);

  /// What the cards were laid for.
  struct Laid {
    ProjectPtr project;
    std::vector<Id> items;
    AlignTo to = AlignTo::Selection;
    BoxOf of = BoxOf::Outline;
    bool operator==(const Laid&) const = default;
  };
  Laid laid_;
  Trial trial_{desk_};
  LatestTask task_;
  AlignTo to_ = AlignTo::Selection;
  BoxOf of_ = BoxOf::Outline;
  QLabel* heading_;
  QPushButton* back_;
  std::vector<QPushButton*> targets_;
  QPushButton* lines_;
  QHBoxLayout* cards_;
  MeasureField *across_, *down_;
};

}  // namespace widecut
