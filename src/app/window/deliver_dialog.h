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
  /// The next delivery begins with what this one is.
  void keep() const;

 private:
  void refresh();
  Desk& desk_;
  QComboBox* what_;
  QComboBox* format_;
  MeasureField* ppi_;
  QCheckBox* paper_;
  QCheckBox* bleed_;
  QCheckBox* letters_;
  QCheckBox* templates_;
  QLabel* outcome_;
  bool inPixels_;  ///< The piece is measured in pixels: 1 × is as many as it says.
  double ppiValue_;
};

}  // namespace widecut
