// The application, watched for what keeps its window standing still.
#pragma once

#include <QApplication>
#include <memory>

namespace widecut {

/// With WIDECUT_WATCH=MILLISECONDS in the environment, notes on stderr each event that keeps the window's thread longer
/// than that: how long, what was told to what, and a stack of what was going on when the time was over. Without it, a
/// plain application.
class WatchedApplication : public QApplication {
 public:
  WatchedApplication(int& count, char** words);
  ~WatchedApplication() override;
  bool notify(QObject* receiver, QEvent* event) override;

 private:
  class Watch;
  std::unique_ptr<Watch> watch_;
};

}  // namespace widecut
