// Above the mat after a crash: work that was not saved.
#pragma once

#include <QFrame>
#include <functional>
#include <vector>

#include "storage/recovery.h"

namespace widecut {

/// One card for each piece of work that a program left behind. Goes when none is left.
class RecoveryStrip : public QFrame {
  Q_OBJECT
 public:
  /// `takeUp` opens the work; true when it did.
  RecoveryStrip(std::vector<LeftBehind> left, std::function<bool(const LeftBehind&)> takeUp, QWidget* parent);

 private:
  void addCard(std::size_t index);
  void gone(std::size_t index);
  std::vector<LeftBehind> left_;
  std::vector<QWidget*> cards_;
  std::function<bool(const LeftBehind&)> takeUp_;
};

}  // namespace widecut
