// Plays videos at their own rate, off the window's thread.
#pragma once

#include <functional>
#include <memory>
#include <optional>

#include "geometry/problem.h"
#include "media/photo_level.h"
#include "project/style.h"

namespace widecut {

/// Plays one video on a thread of its own. Frames that come too late are left out; nobody waits for it. For one thread,
/// the calls of which return at once.
class VideoPlayer {
 public:
  /// Gets what is shown, by the player's thread.
  using Take = std::function<void(PhotoLevel frame)>;
  /// Told, by the player's thread, when it has come to the end and does not begin again, or cannot go on.
  using Ended = std::function<void()>;

  /// It stands at its beginning, and shows nothing yet.
  VideoPlayer(VideoPtr video, const PlayingPtr& playing, Take take, Ended ended = {});
  /// Waits for the thread: as long as a frame takes.
  ~VideoPlayer();
  VideoPlayer(const VideoPlayer&) = delete;
  VideoPlayer& operator=(const VideoPlayer&) = delete;

  /// Goes on from where it stands, or from the beginning where it stands at the end.
  void play();
  void pause();
  bool isPlaying() const;
  /// Goes there, and shows that frame. While one is sought others may be asked for: the last one counts.
  void goTo(double seconds);
  /// Where it stands: seconds of the video.
  double place() const;
  /// Frames are halved so often before they are shown.
  void setHalvings(int halvings);

  /// Why it stopped, where its reading process ended; without a name. It reads anew when it is to play again.
  std::optional<Problem> failure() const;

  /// How many frames were shown, and left out, since it was made.
  int shownCount() const;
  int leftOutCount() const;

 private:
  struct Inside;
  std::unique_ptr<Inside> inside_;
};

}  // namespace widecut
