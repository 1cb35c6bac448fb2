// The sound of a video that plays.
#pragma once

#include <QIODevice>
#include <memory>

#include "media/sound_reader.h"
#include "project/style.h"

class QAudioSink;

namespace widecut {

/// Plays a video's sound by the device that the desktop uses; silent where there is none.
class SoundOut : public QIODevice {
  Q_OBJECT
 public:
  /// Null for a video without sound, one that is muted, and where there is no device.
  static std::unique_ptr<SoundOut> of(const Video& video, const PlayingPtr& playing);
  static bool hasDevice();
  ~SoundOut() override;
  /// From that time of the video on.
  void start(double seconds);
  void stop();

 protected:
  qint64 readData(char* to, qint64 most) override;
  qint64 writeData(const char*, qint64) override { return -1; }

 private:
  SoundOut(SoundReader reader, Playing playing);
  void go(double seconds);

  SoundReader reader_;
  Playing playing_;
  qint64 left_ = -1;  ///< Samples until its end; −1 for those that there are.
  std::unique_ptr<QAudioSink> sink_;
};

}  // namespace widecut
