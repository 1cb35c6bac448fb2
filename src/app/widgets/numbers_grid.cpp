#include "app/widgets/numbers_grid.h"

#include <QGridLayout>

#include "app/widgets/clear_layout.h"

namespace widecut {

NumbersGrid::NumbersGrid(int rows, QWidget* parent) : QWidget(parent), rows_(rows), grid_(new QGridLayout(this)) {
  grid_->setContentsMargins(0, 0, 0, 0);
  grid_->setHorizontalSpacing(14);
  grid_->setVerticalSpacing(5);
}

void NumbersGrid::build(std::vector<const StarterNumber*> numbers, Unit unit) {
  if (numbers == built_ && unit == unit_) return;
  const int columnsBefore = (static_cast<int>(built_.size()) + rows_ - 1) / rows_;
  built_ = std::move(numbers);
  unit_ = unit;
  clearLayout(*grid_);
  controls_.clear();
  for (int i = 0; i < static_cast<int>(built_.size()); ++i) {
    auto* control = new NumberControl(*built_[static_cast<std::size_t>(i)], unit, this);
    connect(control, &NumberControl::tried, this, [this, i](double value) { emit tried(i, value); });
    connect(control, &NumberControl::settled, this, [this, i](double value) { emit settled(i, value); });
    connect(control, &NumberControl::dropped, this, &NumbersGrid::dropped);
    grid_->addWidget(control, i % rows_, i / rows_, Qt::AlignLeft | Qt::AlignTop);
    controls_.push_back(control);
  }
  const int columns = (static_cast<int>(built_.size()) + rows_ - 1) / rows_;
  grid_->setRowStretch(rows_, 1);
  for (int i = 0; i <= std::max(columns, columnsBefore); ++i) grid_->setColumnStretch(i, i == columns ? 1 : 0);
}

void NumbersGrid::show(std::span<const double> values, double most) {
  for (std::size_t i = 0; i < controls_.size() && i < values.size(); ++i) controls_[i]->show(values[i], most);
}

}  // namespace widecut
