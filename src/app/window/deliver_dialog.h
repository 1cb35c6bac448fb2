// Asking what to deliver.
#pragma once

#include <QDialog>

#include "app/desk/desk.h"
#include "output/deliver.h"

class QComboBox;
class QCheckBox;
class QLabel;

namespace widecut {

class MeasureField;

class DeliverDialog : public QDialog {
  Q_OBJECT
 public:
  DeliverDialog(Desk& desk, QWidget* parent);
  Delivery delivery() const;
  /// The file's ending, without the dot.
  QString ending() const;

 private:
  void refresh();
  Desk& desk_;
  QComboBox* what_;
  QComboBox* format_;
  MeasureField* ppi_;
  QCheckBox* paper_;
  QCheckBox* bleed_;
  QLabel* outcome_;
  double ppiValue_ = 144;
};

}  // namespace widecut
