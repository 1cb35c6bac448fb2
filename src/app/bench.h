// The bench below the mat: pictures, numbers or the recipe of whatever is selected.
#pragma once

#include <QStackedWidget>
#include <functional>

#include "app/desk.h"
#include "app/latest_task.h"

class QBoxLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace widecut {

class Card;
class FormulaField;
class MeasureField;

/// Chooses its page by the selection and the tool.
class Bench : public QStackedWidget {
  Q_OBJECT
 public:
  explicit Bench(Desk& desk, QWidget* parent = nullptr);

 private:
  void refresh();
  void choosePage();
  Desk& desk_;
};

/// A page that is brought up to date only while it shows.
class BenchPage : public QWidget {
  Q_OBJECT
 public:
  BenchPage(Desk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {}
  /// `selection` is true when the selection, not only the project, changed.
  virtual void refresh(bool selection) = 0;

 signals:
  /// The person wants to place a photo in what is selected.
  void photoWanted();
  /// The person wants one of the window's commands, by its name.
  void commandWanted(const QString& name);

 protected:
  Desk& desk_;
};

/// Nothing, or one plain outline, is selected: what can be done next.
class NextStepsPage : public BenchPage {
  Q_OBJECT
 public:
  NextStepsPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  QLabel* heading_;
  QWidget* drawing_;
  QWidget* outline_;
  QLabel* picture_;
};

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
  };
  /// What it can become.
  struct Worked {
    struct One {
      Project changed;
      QImage picture;
      bool isEmpty = false;
    };
    std::vector<One> outcomes;
    std::size_t pieces = 0;
    QImage divided;
  };
  static Worked workedOut(const Question& question, PhotoStore& photos, double ratio);
  void rebuild();
  void lay(const std::shared_ptr<const Worked>& worked);
  void addHeading(QBoxLayout& column, const std::vector<ItemPtr>& items);
  void addOutcome(QBoxLayout& cards, std::size_t index, const std::vector<ItemPtr>& items,
                  const std::shared_ptr<const Worked>& worked);
  void addDivision(QBoxLayout& cards, const std::vector<ItemPtr>& items, const std::shared_ptr<const Worked>& worked);
  void addChips(QBoxLayout& column, const QString& heading, const std::vector<ItemPtr>& items, bool photos);
  Trial trial_{desk_};
  LatestTask task_;
  QBoxLayout* row_;
};

/// A cutout is selected: its parts and their roles.
class RecipePage : public BenchPage {
  Q_OBJECT
 public:
  RecipePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  void rebuild(const Item& cutout);
  void showResult(const Item& cutout);
  void addHeader(QBoxLayout& column);
  void useFormula(const QString& text);
  Trial trial_{desk_};
  QLabel* heading_;
  FormulaField* formula_;
  QPointer<QLabel> result_;
  LatestTask task_;
  QPushButton *photo_, *reframe_, *offcuts_, *split_;
  QBoxLayout* row_;
  QWidget* rowHolder_;
};

/// The polygon tool is in hand: its corners and depth.
class PolygonPage : public BenchPage {
  Q_OBJECT
 public:
  PolygonPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  struct Known {
    const char* word;
    int corners;
    double depth;
  };
  void set(int corners, double depth);
  std::vector<std::pair<Card*, Known>> cards_;
  MeasureField *corners_, *depth_;
};

/// The knife is in hand: its gap.
class KnifePage : public BenchPage {
  Q_OBJECT
 public:
  KnifePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  std::vector<std::pair<QPushButton*, double>> gaps_;
  MeasureField* gap_;
};

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

/// The reframe tool is in hand: the whole picture with its window.
class ReframePage : public BenchPage {
  Q_OBJECT
 public:
  ReframePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void scaleTo(double share, bool settle);
  Trial trial_{desk_};
  QLabel* heading_;
  QLabel* resolution_;
  QSlider* slider_;
  MeasureField* field_;
};

}  // namespace widecut
