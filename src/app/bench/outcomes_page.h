// A page of the bench: two or more items are selected: what they can become.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"
#include "app/desk/trial.h"

class QBoxLayout;

namespace widecut {

/// Two or more items are selected: what they can become.
class OutcomesPage : public BenchPage {
  Q_OBJECT
 public:
  OutcomesPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  /// What the selection is, and whose looks each outcome keeps.
  struct Question {
    Project project;
    std::vector<Id> ids;
    std::vector<LookChoice> looks;
    LookChoice ofPieces;
  };
  /// What it can become.
  struct Worked {
    struct One {
      Project changed;
      QImage picture;
      bool isEmpty = false;
    };
    std::vector<One> outcomes;
    std::optional<One> within;  ///< The photo within all the others, of three items and more.
    std::size_t pieces = 0;
    QImage divided;
  };
  static Worked workedOut(const Question& question, PhotoStore& photos, double ratio);
  void rebuild();
  void lay(const std::shared_ptr<const Worked>& worked);
  void addHeading(QBoxLayout& column, const std::vector<ItemPtr>& items);
  void addOutcome(QBoxLayout& cards, std::size_t index, const std::vector<ItemPtr>& items,
                  const std::shared_ptr<const Worked>& worked);
  void addWithin(QBoxLayout& cards, const std::shared_ptr<const Worked>& worked);
  void addDivision(QBoxLayout& cards, const std::vector<ItemPtr>& items, const std::shared_ptr<const Worked>& worked);
  void addChips(QBoxLayout& column, const QString& heading, const std::vector<ItemPtr>& items, bool photos);
  Trial trial_{desk_};
  LatestTask task_;
  QBoxLayout* row_;
};

}  // namespace widecut
