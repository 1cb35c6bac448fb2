// The font families of the project: where each is from, what is missing, and another one instead.
#pragma once

#include <QDialog>

#include "app/desk/desk.h"

class QComboBox;
class QLabel;
class QPushButton;
class QTableWidget;

namespace widecut {

class FontsDialog : public QDialog {
  Q_OBJECT
 public:
  FontsDialog(Desk& desk, QWidget* window);

 private:
  void refresh();
  void refreshChosen();
  QString chosen() const;
  void replace();

  Desk& desk_;
  QTableWidget* table_;
  QLabel* said_;
  QComboBox* instead_;
  QPushButton* replace_;
};

}  // namespace widecut
