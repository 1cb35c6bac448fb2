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
  /// Opens the work, now or later, and calls `taken` once it is open.
  using TakeUp = std::function<void(const LeftBehind& work, std::function<void()> taken)>;
  RecoveryStrip(std::vector<LeftBehind> left, TakeUp takeUp, QWidget* parent);

 private:
  void addCard(std::size_t index);
  void gone(std::size_t index);
  std::vector<LeftBehind> left_;
  std::vector<QWidget*> cards_;
  TakeUp takeUp_;
};

}  // namespace widecut
