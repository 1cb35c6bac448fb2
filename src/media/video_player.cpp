#include "media/video_player.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <condition_variable>
#include <mutex>
#include <optional>
#include <thread>

#include "media/video_reader.h"

namespace widecut {
namespace {

using Clock = std::chrono::steady_clock;
double secondsSince(Clock::time_point then) { return std::chrono::duration<double>(Clock::now() - then).count(); }

}  // namespace

struct VideoPlayer::Inside {
  Inside(VideoPtr played, const PlayingPtr& how, Take taker, Ended teller)
      : video(std::move(played)),
        playing(how ? *how : Playing{}),
        take(std::move(taker)),
        ended(std::move(teller)),
        place(playing.from) {
    thread = std::thread([this] { run(); });
  }

  const VideoPtr video;
  const Playing playing;
  const Take take;
  const Ended ended;

  mutable std::mutex mutex;
  std::condition_variable wake;
  bool quits = false, plays = false;
  std::optional<double> wanted;  // a place that is asked for
  std::atomic<double> place;
  std::atomic<int> halvings = 0, shown = 0, leftOut = 0;
  std::thread thread;

  bool stands = false;  // the reader stands where `place` says
  std::optional<Problem> failure;

  // Of the thread alone.
  std::optional<VideoReader> reader;
  Clock::time_point started;  // when `startedAt` was, or would have been, shown
  double startedAt = 0;

  double end() const { return playing.to.value_or(video->seconds); }

  void openReader() {
    auto opened = video->file.bytes ? VideoReader::of(video->file.bytes) : problem("its file is missing");
    if (opened) reader.emplace(std::move(*opened));
  }

  void run() {
    openReader();
    while (const auto task = nextTask()) {
      if (!reader) openReader();
      if (!reader) {
        stop();
        continue;
      }
      if (task->goTo) {
        {
          const std::lock_guard lock(mutex);
          stands = true;
        }
        reader->seek(*task->goTo);
        place = *task->goTo;
        if (reader->next()) showFrame();
        start();
      } else {
        step();
      }
    }
  }

  struct Task {
    std::optional<double> goTo;  // or else the next frame
  };
  /// Waits for something to do; nothing when it is to end.
  std::optional<Task> nextTask() {
    std::unique_lock lock(mutex);
    wake.wait(lock, [&] { return quits || plays || wanted; });
    if (quits) return std::nullopt;
    if (wanted) return Task{std::exchange(wanted, std::nullopt)};
    if (!stands) return Task{place >= end() - 1e-3 ? playing.from : place.load()};
    return Task{};
  }
  void start() {
    started = Clock::now();
    startedAt = place;
  }
  void stop() {
    const std::lock_guard lock(mutex);
    plays = false;
    stands = false;
  }
  /// Waits until a frame is due; false when something else is wanted meanwhile.
  bool waitUntil(double at) {
    std::unique_lock lock(mutex);
    const auto due = started + std::chrono::duration_cast<Clock::duration>(
                                   std::chrono::duration<double>((at - startedAt) / playing.speed));
    return !wake.wait_until(lock, due, [&] { return quits || !plays || wanted; });
  }
  /// The next frame, when it is due.
  void step() {
    const auto at = reader->next();
    if (!at && reader->failure()) {
      giveUp(*reader->failure());
      return;
    }
    if (!at || *at >= end() - 1e-6) {
      finish();
      return;
    }
    if (!waitUntil(*at)) {
      // Paused or sent elsewhere: this frame is read again when it goes on.
      const std::lock_guard lock(mutex);
      stands = false;
      return;
    }
    const double late = secondsSince(started) - (*at - startedAt) / playing.speed;
    place = *at;
    constexpr double hopeless = 1;
    if (late > hopeless) {
      start();  // decoding cannot keep up: the video takes longer
    } else if (late > 1 / (video->framesPerSecond * playing.speed)) {
      ++leftOut;
      return;
    }
    showFrame();
  }
  void giveUp(const Problem& why) {
    {
      const std::lock_guard lock(mutex);
      failure = why;
    }
    reader.reset();
    stop();
    if (ended) ended();
  }
  void finish() {
    if (playing.loops) {
      waitUntil(end());
      const std::lock_guard lock(mutex);
      if (plays && !wanted) wanted = playing.from;
      return;
    }
    place = end();
    stop();
    if (ended) ended();
  }
  void showFrame() {
    const QSize size = halved({video->file.width, video->file.height}, halvings);
    QImage image = reader->image(size, true);
    if (image.isNull()) return;
    ++shown;
    take(levelOf(std::move(image), video->file.width, video->file.height));
  }
};

VideoPlayer::VideoPlayer(VideoPtr video, const PlayingPtr& playing, Take take, Ended ended)
    : inside_(std::make_unique<Inside>(std::move(video), playing, std::move(take), std::move(ended))) {}

VideoPlayer::~VideoPlayer() {
  {
    const std::lock_guard lock(inside_->mutex);
    inside_->quits = true;
  }
  inside_->wake.notify_all();
  inside_->thread.join();
}

void VideoPlayer::play() {
  {
    const std::lock_guard lock(inside_->mutex);
    if (inside_->plays) return;
    inside_->plays = true;
    inside_->failure.reset();
    inside_->stands = false;
  }
  inside_->wake.notify_all();
}

void VideoPlayer::pause() {
  {
    const std::lock_guard lock(inside_->mutex);
    inside_->plays = false;
  }
  inside_->wake.notify_all();
}

bool VideoPlayer::isPlaying() const {
  const std::lock_guard lock(inside_->mutex);
  return inside_->plays;
}

void VideoPlayer::goTo(double seconds) {
  {
    const std::lock_guard lock(inside_->mutex);
    inside_->wanted = std::clamp(seconds, 0.0, inside_->video->seconds);
  }
  inside_->wake.notify_all();
}

double VideoPlayer::place() const { return inside_->place; }
void VideoPlayer::setHalvings(int halvings) { inside_->halvings = std::clamp(halvings, 0, 10); }

std::optional<Problem> VideoPlayer::failure() const {
  const std::lock_guard lock(inside_->mutex);
  return inside_->failure;
}

int VideoPlayer::shownCount() const { return inside_->shown; }
int VideoPlayer::leftOutCount() const { return inside_->leftOut; }

}  // namespace widecut
