// One number of a starter: a slider and a field, a choice, a switch, or another throw.
#pragma once

#include <QWidget>

#include "app/look/in_qt.h"
#include "app/widgets/measure_field.h"
#include "shapes/starter.h"

class QComboBox;
class QPushButton;
class QSlider;

namespace widecut {

/// Follows the number's declaration. Says `tried` while a slider moves or something is typed, and `settled` after.
class NumberControl : public QWidget {
  Q_OBJECT
 public:
  NumberControl(const StarterNumber& number, Unit unit, QWidget* parent);
  /// `most` ends the slider of a length: more than that has no room.
  void show(double value, double most);

 signals:
  void tried(double value);
  void settled(double value);
  void dropped();

 private:
  void addSlider();
  void addField(Unit unit);
  double shown(double value) const { return number_.kind == NumberKind::Share ? value * 100 : value; }
  double meant(double typed) const { return within(number_, number_.kind == NumberKind::Share ? typed / 100 : typed); }
  /// Where the slider begins: what is below 0 is only typed.
  double least() const { return number_.kind == NumberKind::Length ? std::max(number_.least, 0.0) : number_.least; }
  double atSlider(int place) const;
  int placeOf(double value) const;

  StarterNumber number_;
  double most_ = 1, value_ = 0;
  QSlider* slider_ = nullptr;
  MeasureField* field_ = nullptr;
  QComboBox* words_ = nullptr;
  QPushButton* button_ = nullptr;
};

}  // namespace widecut
