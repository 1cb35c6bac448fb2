// Keeps a journal of what is open, off the window's thread.
#pragma once

#include <QTimer>
#include <functional>
#include <memory>
#include <vector>

#include "app/desk/desk.h"
#include "app/desk/latest_task.h"
#include "storage/recovery.h"

namespace widecut {

/// Writes every settled state that is not saved within a second; what is saved needs no journal.
class JournalKeeper : public QObject {
  Q_OBJECT
 public:
  JournalKeeper(Desk& desk, std::unique_ptr<Journal> journal, QObject* parent = nullptr);
  ~JournalKeeper() override;
  /// Calls `then` once the project as it is now is on the disk; not when that fails.
  void whenKept(std::function<void()> then);

 private:
  void keep();
  Desk& desk_;
  std::shared_ptr<Journal> journal_;
  ProjectPtr kept_;
  bool wasSaved_ = true;
  bool complained_ = false;
  QTimer soon_;
  QTimer picture_;
  std::vector<std::function<void()>> whenKept_;
  LatestTask task_{nullptr, LatestTask::Outdated::Ends};
};

}  // namespace widecut
