// Bench page of how photos are adjusted: light, colours, sharpness.
#pragma once

#include "app/bench/bench_page.h"
#include "app/desk/trial.h"
#include "project/adjustments.h"

class QLabel;
class QPushButton;

namespace widecut {

class NumbersGrid;

/// The first selected item that shows a photo; null for none.
ItemPtr firstPhotoItem(const Desk& desk);

/// The declared numbers, for the photos of all selected items.
class AdjustPage : public BenchPage {
  Q_OBJECT
 public:
  AdjustPage(Desk& desk, QWidget* parent);
  void refresh(bool selection) override;

 private:
  using Edit = std::function<void(Adjustments&)>;
  Project edited(const Project& project, const Edit& edit) const;
  void make(const QString& name, const Edit& edit);
  void openColour(QPushButton& button, const QString& words, Colour Adjustments::*which);

  Trial trial_{desk_};
  QLabel* heading_;
  QPushButton *dark_, *light_, *asItIs_;
  NumbersGrid* grid_;
};

}  // namespace widecut
