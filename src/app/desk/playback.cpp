#include "app/desk/playback.h"

#include <algorithm>
#include <cmath>

#include "app/desk/desk.h"
#include "app/desk/sound_out.h"
#include "project/resolve.h"

namespace widecut {

Playback::Playback(Desk& desk) : QObject(&desk), desk_(desk) {
  followSoon_.setSingleShot(true);
  constexpr int settled = 120;  // ms without another change
  followSoon_.setInterval(settled);
  connect(&followSoon_, &QTimer::timeout, this, &Playback::follow);
  connect(&desk, &Desk::projectChanged, this, [this] {
    if (!running_.empty()) followSoon_.start();
  });
  connect(&desk, &Desk::sheetChanged, this, &Playback::stop);
}

Playback::~Playback() = default;

bool Playback::hasSoundDevice() { return SoundOut::hasDevice(); }

std::optional<std::pair<std::string, VideoSeen>> Playback::videoOf(Id id) const {
  const ItemPtr item = findItem(desk_.project(), id);
  const auto shown = item ? shownPhoto(*item) : std::nullopt;
  if (!shown || !shown->medium->video) return std::nullopt;
  return std::pair(frameKey(*shown->medium, shown->playing),
                   VideoSeen{shown->medium, shown->playing, shown->pointsPerPixel});
}

Playback::Running& Playback::runningFor(const std::string& key, const VideoSeen& seen) {
  Running& running = running_[key];
  running.seen = seen;
  if (!running.player) {
    const auto take = [this, key](PhotoLevel frame) {
      desk_.photos().live().show(key, std::move(frame));
      noteMoved();
    };
    const auto ended = [this, key] {
      QMetaObject::invokeMethod(
          this,
          [this, key] {
            const auto found = running_.find(key);
            if (found == running_.end() || found->second.player->isPlaying()) return;
            halt(found->second);
            if (const auto why = found->second.player->failure())
              emit desk_.told(Desk::tr("“%1” stopped: %2")
                                  .arg(QString::fromStdString(found->second.seen.poster->video->file.name),
                                       QString::fromStdString(why->message)));
            emit changed();
          },
          Qt::QueuedConnection);
    };
    running.player = std::make_unique<VideoPlayer>(seen.poster->video, seen.playing, take, ended);
  }
  fitSize(running);
  return running;
}

/// From the player's thread. The window is told once, however many frames came meanwhile.
void Playback::noteMoved() {
  if (toldMoved_.exchange(true)) return;
  QMetaObject::invokeMethod(
      this,
      [this] {
        toldMoved_ = false;
        emit moved();
      },
      Qt::QueuedConnection);
}

void Playback::fitSize(Running& running) const {
  const double scale = running.seen.pointsPerPixel * pixelsPerPoint_;
  int halvings = 0;
  while (halvings < 5 && std::ldexp(scale, halvings + 1) <= 1) ++halvings;
  running.player->setHalvings(halvings);
}

void Playback::setPixelsPerPoint(double pixels) {
  if (pixels == pixelsPerPoint_) return;
  pixelsPerPoint_ = pixels;
  for (auto& [key, running] : running_) fitSize(running);
}

void Playback::play(Running& running) {
  running.plays = true;
  running.player->play();
  running.sound = SoundOut::of(*running.seen.poster->video, running.seen.playing);
  const double end = running.seen.playing && running.seen.playing->to ? *running.seen.playing->to
                                                                      : running.seen.poster->video->seconds;
  const double from = running.seen.playing ? running.seen.playing->from : 0;
  const double at = running.player->place();
  if (running.sound) running.sound->start(at >= end - 1e-3 ? from : at);
}

void Playback::halt(Running& running) {
  running.plays = false;
  running.player->pause();
  running.sound = nullptr;
}

void Playback::toggleSheet() {
  if (isPlaying()) {
    for (auto& [key, running] : running_) halt(running);
  } else if (const SheetPtr sheet = desk_.sheet()) {
    sheet_ = sheet->id;
    for (const auto& [key, seen] : videosIn(sceneOf(*sheet))) play(runningFor(key, seen));
  }
  emit changed();
}

void Playback::toggle(Id item) {
  const auto video = videoOf(item);
  if (!video) return;
  sheet_ = desk_.sheet()->id;
  Running& running = runningFor(video->first, video->second);
  if (running.plays)
    halt(running);
  else
    play(running);
  emit changed();
}

bool Playback::isPlaying() const {
  return std::any_of(running_.begin(), running_.end(), [](const auto& one) { return one.second.plays; });
}

bool Playback::isPlaying(Id item) const {
  const auto video = videoOf(item);
  const auto found = video ? running_.find(video->first) : running_.end();
  return found != running_.end() && found->second.plays;
}

void Playback::showAt(Id item, double seconds) {
  const auto video = videoOf(item);
  if (!video) return;
  sheet_ = desk_.sheet()->id;
  Running& running = runningFor(video->first, video->second);
  const bool didPlay = running.plays;
  halt(running);
  running.player->goTo(seconds);
  if (didPlay) emit changed();
}

std::optional<double> Playback::placeOf(Id item) const {
  const auto video = videoOf(item);
  const auto found = video ? running_.find(video->first) : running_.end();
  if (found == running_.end()) return std::nullopt;
  return found->second.player->place();
}

/// The key by value: what it is taken from may be what goes.
void Playback::drop(std::string key) {  // NOLINT(performance-unnecessary-value-param)
  const auto found = running_.find(key);
  past_.shown += found->second.player->shownCount();
  past_.leftOut += found->second.player->leftOutCount();
  running_.erase(found);  // which waits for its thread, so that no frame comes after
  desk_.photos().live().drop(key);
}

void Playback::stop() {
  if (running_.empty()) return;
  while (!running_.empty()) drop(running_.begin()->first);
  emit moved();
  emit changed();
}

void Playback::follow() {
  const SheetPtr sheet = desk_.sheet();
  if (!sheet || sheet->id != sheet_) {
    stop();
    return;
  }
  const auto seen = videosIn(sceneOf(*sheet));
  std::vector<std::string> gone;
  for (auto& [key, running] : running_) {
    const auto now = seen.find(key);
    if (now == seen.end()) {
      gone.push_back(key);
      continue;
    }
    const bool soundChanges = !areAlike(running.seen.playing, now->second.playing);
    running.seen = now->second;
    fitSize(running);
    if (soundChanges && running.plays) play(running);
  }
  for (const std::string& key : gone) {
    const Running& before = running_.at(key);
    const std::string hash = before.seen.poster->video->file.hash;
    const bool plays = before.plays;
    const double at = before.player->place();
    drop(key);
    for (const auto& [other, video] : seen) {
      if (video.poster->video->file.hash != hash || running_.contains(other)) continue;
      Running& next = runningFor(other, video);
      next.player->goTo(at);
      if (plays) play(next);
    }
  }
  if (!gone.empty()) {
    emit moved();
    emit changed();
  }
}

Playback::Count Playback::count() const {
  Count out = past_;
  for (const auto& [key, running] : running_) {
    out.shown += running.player->shownCount();
    out.leftOut += running.player->leftOutCount();
  }
  return out;
}

}  // namespace widecut
