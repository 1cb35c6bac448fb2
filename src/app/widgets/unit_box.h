// A box to choose a unit of length from.
#pragma once

#include <QComboBox>

#include "geometry/measure.h"

namespace widecut {

/// Every length there is; the data of each entry is its Unit.
inline QComboBox* unitBox(QWidget* parent) {
  auto* box = new QComboBox(parent);
  box->setAccessibleName(QObject::tr("Unit of the piece"));
  for (const Unit unit : {Unit::Millimetre, Unit::Centimetre, Unit::Inch, Unit::Point, Unit::Pixel})
    box->addItem(QString::fromUtf8(nameOf(unit).data()), static_cast<int>(unit));
  return box;
}

}  // namespace widecut
