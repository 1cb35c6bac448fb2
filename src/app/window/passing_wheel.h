// The wheel scrolls, and changes nothing that it only comes by.
#pragma once

#include <QObject>

namespace widecut {

/// Lets drop-downs, sliders and number fields that do not have the keys be passed by the wheel: it scrolls the page
/// that they are on. Seen to for all windows of the program.
class PassingWheel : public QObject {
  Q_OBJECT
 public:
  explicit PassingWheel(QObject* parent);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;
};

}  // namespace widecut
