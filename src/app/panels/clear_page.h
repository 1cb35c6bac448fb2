// How words keep clear of the selected items.
#pragma once

#include <QWidget>

#include "app/desk/desk.h"
#include "app/desk/trial.h"

class QComboBox;
class QLabel;

namespace widecut {

class MeasureField;

class ClearPage : public QWidget {
  Q_OBJECT
 public:
  explicit ClearPage(Desk& desk, QWidget* parent = nullptr);
  /// True when the sheet has words in a frame besides these items.
  bool applies(const std::vector<ItemPtr>& selected) const;
  void refresh(const std::vector<ItemPtr>& selected);

 private:
  void choose(int index);

  Desk& desk_;
  Trial trial_{desk_};
  QComboBox* side_;
  QLabel* caption_;
  MeasureField* margin_;
};

}  // namespace widecut
