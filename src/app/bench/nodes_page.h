// A page of the bench: the node tool is in hand.
#pragma once

#include <functional>

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "app/desk/reshape.h"
#include "app/desk/trial.h"

class QHBoxLayout;
class QLabel;
class QSlider;

namespace widecut {

class Card;
class NodeNumbers;

/// The chosen nodes by number, and what can be done to the outline, as pictures of this very outline afterwards.
class NodesPage : public BenchPage {
  Q_OBJECT
 public:
  NodesPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  /// One thing that can be done, and what comes of it.
  struct Action {
    QString name;
    std::function<Project()> changed;  ///< Of the state as it was, on any thread.
    QImage picture;
    bool changes = true;
  };
  std::vector<Action> actions() const;
  void layCards();
  void lay(const std::vector<Action>& worked);
  void addSimplify();
  void trySimplify();
  ActionSite site() const { return {desk_.history().current(), desk_.selection(), desk_.chosenNodes()}; }
  double tolerance() const;
  QString headingNow() const;

  Trial trial_{desk_};
  LatestTask task_;
  QLabel* heading_;
  NodeNumbers* numbers_;
  QWidget* buttons_;
  std::vector<std::pair<QPushButton*, CommandId>> commandButtons_;
  QHBoxLayout* cards_;
  QSlider* slider_;
  QLabel* told_;
  QWidget* simplify_;
  ProjectPtr shown_;  ///< What the cards were made of.
  NodesOfItems shownNodes_;
  std::vector<Id> shownItems_;
};

}  // namespace widecut
