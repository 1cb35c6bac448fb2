// The bench below the mat: pictures, numbers or the recipe of whatever is selected.
#pragma once

#include <QStackedWidget>

#include "app/desk.h"

class QBoxLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace widecut {

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
  void rebuild();
  void addChips(QBoxLayout& column, const QString& heading, const std::vector<ItemPtr>& items, bool photos);
  void tryOut(Outcome outcome);
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
  QLabel* heading_;
  QLabel* formula_;
  QLabel* result_ = nullptr;
  QPushButton* reframe_;
  QBoxLayout* row_;
  QWidget* rowHolder_;
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
  QLabel* heading_;
  QLabel* resolution_;
  QSlider* slider_;
  MeasureField* field_;
};

}  // namespace widecut
