// Long work that the person asked for, off the window's thread: saving, delivering.
#pragma once

#include <QObject>
#include <QString>
#include <QThreadPool>
#include <deque>
#include <functional>
#include <memory>

#include "geometry/progress.h"

namespace widecut {

/// One piece of work after another, in the order in which they were asked for.
class Background : public QObject {
  Q_OBJECT
 public:
  /// Works on another thread, and returns what is to be done with the result on the window's thread; that is done even
  /// when the work was stopped.
  using Work = std::function<std::function<void()>(const Progress&)>;

  explicit Background(QObject* parent = nullptr);
  /// Stops what runs, and waits for it.
  ~Background() override;

  /// `name` says what is being done, as in “Saving cover”.
  void start(const QString& name, Work work);
  /// The same; where nothing else runs and it takes but moments, all of it is done when this returns.
  void startSoon(const QString& name, Work work);
  bool isBusy() const { return !tasks_.empty(); }
  /// What runs now; only while it is busy.
  QString name() const { return tasks_.front().name; }
  const Progress& progress() const { return tasks_.front().progress; }
  /// Asks what runs now to stop.
  void stop();
  /// Asks everything to stop.
  void stopAll();
  /// Runs `then` as soon as nothing is being worked on: at once when nothing is.
  void whenIdle(std::function<void()> then);

 signals:
  /// Something began or ended.
  void changed();

 private:
  struct Task {
    QString name;
    Work work;
    Progress progress;
  };
  /// What came of the work, on its way to the window's thread.
  struct Outcome;
  std::shared_ptr<Outcome> next();
  void goesOn(Outcome& outcome);
  void end(const std::function<void()>& finish);
  void goOn();
  std::deque<Task> tasks_;
  std::vector<std::function<void()>> waiting_;
  QThreadPool pool_;
};

}  // namespace widecut
