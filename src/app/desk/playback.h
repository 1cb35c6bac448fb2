// Plays the videos of the open sheet on the mat.
#pragma once

#include <QObject>
#include <QTimer>
#include <atomic>
#include <map>
#include <memory>
#include <optional>

#include "media/video_player.h"
#include "scene/scene.h"

namespace widecut {

class Desk;
class SoundOut;

/// What plays, and where it stands, is no part of the project: a video shows its poster until it is played or looked
/// through, and again once that is over. Videos that play alike show the same frame wherever they are.
class Playback : public QObject {
  Q_OBJECT
 public:
  explicit Playback(Desk& desk);
  ~Playback() override;

  /// Plays all videos of the open sheet, or halts them.
  void toggleSheet();
  /// The same for the video that an item shows.
  void toggle(Id item);
  bool isPlaying() const;
  bool isPlaying(Id item) const;
  /// Whether any frame shows in the place of a poster.
  bool isShowing() const { return !running_.empty(); }
  /// Halts an item's video and shows its frame at that time.
  void showAt(Id item, double seconds);
  /// Where an item's video stands, in seconds; nothing while its poster shows.
  std::optional<double> placeOf(Id item) const;
  /// All posters show again.
  void stop();
  /// Pixels of the screen for a point of the sheet: frames are decoded no larger than is of use.
  void setPixelsPerPoint(double pixels);
  /// Whether there is something that sound comes out of.
  static bool hasSoundDevice();
  /// Frames that were shown and left out since the program began.
  struct Count {
    int shown = 0, leftOut = 0;
  };
  Count count() const;

 signals:
  /// Videos show other frames.
  void moved();
  /// Something began, or ceased, to play.
  void changed();

 private:
  struct Running {
    VideoSeen seen;
    std::unique_ptr<VideoPlayer> player;
    std::unique_ptr<SoundOut> sound;
    bool plays = false;
  };
  Running& runningFor(const std::string& key, const VideoSeen& seen);
  std::optional<std::pair<std::string, VideoSeen>> videoOf(Id item) const;
  void play(Running& running);
  void halt(Running& running);
  void drop(std::string key);
  void fitSize(Running& running) const;
  /// Brings what runs up to date with the project: what plays otherwise now goes on from where it stands.
  void follow();
  void noteMoved();

  Desk& desk_;
  std::map<std::string, Running> running_;
  QTimer followSoon_;
  std::atomic<bool> toldMoved_ = false;
  double pixelsPerPoint_ = 1;
  Id sheet_ = 0;
  Count past_;  ///< Of players that are gone.
};

}  // namespace widecut
