// Numbers of a declared table, in rows and columns.
#pragma once

#include <QWidget>
#include <span>

#include "app/widgets/number_control.h"

class QGridLayout;

namespace widecut {

/// A control for each number. It is built anew where other numbers are asked for.
class NumbersGrid : public QWidget {
  Q_OBJECT
 public:
  explicit NumbersGrid(int rows, QWidget* parent);
  /// The numbers that are asked for, in their order; controls of the same ones stay.
  void build(std::vector<const StarterNumber*> numbers, Unit unit);
  /// Shows the values; sliders of lengths end at `most`.
  void show(std::span<const double> values, double most);

 signals:
  void tried(int number, double value);
  void settled(int number, double value);
  void dropped();

 private:
  int rows_;
  Unit unit_ = Unit::Point;
  QGridLayout* grid_;
  std::vector<const StarterNumber*> built_;
  std::vector<NumberControl*> controls_;
};

}  // namespace widecut
