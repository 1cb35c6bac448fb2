// A page of the bench: a cutout is selected: its parts and their roles.
#pragma once

#include <QPointer>

#include "app/bench/bench_page.h"
#include "app/desk/latest_task.h"

class QBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class FormulaField;

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

}  // namespace widecut
