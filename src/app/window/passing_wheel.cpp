#include "app/window/passing_wheel.h"

#include <QAbstractSlider>
#include <QApplication>
#include <QComboBox>
#include <QScrollBar>
#include <QWheelEvent>

#include "app/widgets/measure_field.h"
#include "app/widgets/tone_slider.h"

namespace widecut {

PassingWheel::PassingWheel(QObject* parent) : QObject(parent) { qApp->installEventFilter(this); }

bool PassingWheel::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() != QEvent::Wheel || !watched->isWidgetType()) return false;
  const auto& widget = static_cast<const QWidget&>(*watched);
  const bool isChanged = qobject_cast<const QComboBox*>(&widget) || qobject_cast<const MeasureField*>(&widget) ||
                         qobject_cast<const ToneSlider*>(&widget) ||
                         (qobject_cast<const QAbstractSlider*>(&widget) && !qobject_cast<const QScrollBar*>(&widget));
  if (!isChanged || widget.hasFocus()) return false;
  event->ignore();
  return true;
}

}  // namespace widecut
