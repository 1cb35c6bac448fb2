// A page of the bench: a cutout is selected: its parts and their roles.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"

class QBoxLayout;
class QLabel;
class QPushButton;

namespace widecut {

class FormulaField;
class RecipeChips;

/// A cutout is selected: its parts and their roles.
class RecipePage : public BenchPage {
  Q_OBJECT
 public:
  RecipePage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  void addHeader(QBoxLayout& column);
  void useFormula(const QString& text);
  Trial trial_{desk_};
  QLabel* heading_;
  FormulaField* formula_;
  QPushButton *photo_, *reframe_, *offcuts_, *split_;
  RecipeChips* chips_;
};

}  // namespace widecut
