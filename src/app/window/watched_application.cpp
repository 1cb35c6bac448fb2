#include "app/window/watched_application.h"

#include <execinfo.h>
#include <pthread.h>
#include <signal.h>

#include <QEvent>
#include <QMetaEnum>
#include <QThread>
#include <atomic>
#include <chrono>
#include <cstdio>
#include <thread>

namespace widecut {
namespace {

using Clock = std::chrono::steady_clock;

constexpr int mostFrames = 48;
// What the signal's handler writes: it may use nothing else.
void* frames[mostFrames];
std::atomic<int> frameCount = 0;

void noteStack(int) { frameCount = backtrace(frames, mostFrames); }

}  // namespace

/// Measures events of the window's thread; one of its own asks that one for its stack when an event takes too long.
class WatchedApplication::Watch {
 public:
  explicit Watch(std::chrono::milliseconds most) : most_(most), window_(pthread_self()) {
    backtrace(frames, mostFrames);  // what it needs is loaded now, and not in the handler
    struct sigaction action {};
    action.sa_handler = noteStack;
    action.sa_flags = SA_RESTART;
    sigaction(SIGUSR2, &action, nullptr);
    thread_ = std::thread([this] { run(); });
  }
  ~Watch() {
    ends_ = true;
    thread_.join();
  }

  /// An event begins. Those of a loop within the event, as of a dialog, are measured by themselves; the outer one no
  /// more.
  void begin(int loop) {
    if (depth_ > 0 && loop == loop_) {
      ++depth_;
      return;
    }
    outer_.push_back({depth_, loop_});
    depth_ = 1;
    loop_ = loop;
    isNested_ = false;
    frameCount = 0;
    began_ = Clock::now().time_since_epoch().count();
  }
  void end(const QString& what) {
    if (--depth_ > 0) return;
    const auto took = Clock::now() - Clock::time_point(Clock::duration(began_.exchange(0)));
    if (!isNested_ && took > most_) tell(took, what);
    depth_ = outer_.back().first;
    loop_ = outer_.back().second;
    outer_.pop_back();
    isNested_ = true;
  }

 private:
  void run() {
    while (!ends_) {
      std::this_thread::sleep_for(most_ / 8);
      const auto began = began_.load();
      if (began == 0 || began == asked_) continue;
      if (Clock::now() - Clock::time_point(Clock::duration(began)) < most_) continue;
      asked_ = began;
      pthread_kill(window_, SIGUSR2);
    }
  }
  static void tell(Clock::duration took, const QString& what) {
    const auto ms = std::chrono::duration_cast<std::chrono::milliseconds>(took).count();
    std::fprintf(stderr, "widecut: the window stood still for %lld ms: %s\n", static_cast<long long>(ms),
                 qPrintable(what));
    std::fflush(stderr);
    if (frameCount > 0) backtrace_symbols_fd(frames, frameCount, 2);
  }

  const std::chrono::milliseconds most_;
  const pthread_t window_;
  std::thread thread_;
  std::atomic<bool> ends_ = false;
  std::atomic<Clock::rep> began_ = 0;
  Clock::rep asked_ = 0;  // of the watching thread alone
  int depth_ = 0, loop_ = 0;
  bool isNested_ = false;
  std::vector<std::pair<int, int>> outer_;
};

WatchedApplication::WatchedApplication(int& count, char** words) : QApplication(count, words) {
  const int most = qEnvironmentVariableIntValue("WIDECUT_WATCH");
  if (most > 0) watch_ = std::make_unique<Watch>(std::chrono::milliseconds(most));
}

WatchedApplication::~WatchedApplication() = default;

bool WatchedApplication::notify(QObject* receiver, QEvent* event) {
  if (!watch_ || QThread::currentThread() != thread()) return QApplication::notify(receiver, event);
  // Known before: the receiver may be gone afterwards.
  const char* kind = QMetaEnum::fromType<QEvent::Type>().valueToKey(event->type());
  const QString what = QString("%1 to %2 “%3”")
                           .arg(kind ? QString(kind) : QString::number(event->type()),
                                receiver->metaObject()->className(), receiver->objectName());
  watch_->begin(QThread::currentThread()->loopLevel());
  const bool done = QApplication::notify(receiver, event);
  watch_->end(what);
  return done;
}

}  // namespace widecut
