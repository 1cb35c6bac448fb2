#include "app/desk/sound_out.h"

#include <QAudioDevice>
#include <QAudioFormat>
#include <QAudioSink>
#include <QMediaDevices>
#include <cmath>
#include <cstring>

namespace widecut {
namespace {

constexpr int bytesPerSample = 4;  // two channels of 16 bits

QAudioFormat format() {
  QAudioFormat out;
  out.setSampleRate(SoundReader::rate);
  out.setChannelCount(2);
  out.setSampleFormat(QAudioFormat::Int16);
  return out;
}

}  // namespace

bool SoundOut::hasDevice() { return QMediaDevices::defaultAudioOutput().isFormatSupported(format()); }

std::unique_ptr<SoundOut> SoundOut::of(const Video& video, const PlayingPtr& playing) {
  const Playing how = playing ? *playing : Playing{};
  if (!video.hasSound || how.isMuted || !video.file.bytes || !hasDevice()) return nullptr;
  auto reader = SoundReader::of(video.file.bytes, how.speed);
  if (!reader) return nullptr;
  return std::unique_ptr<SoundOut>(new SoundOut(std::move(*reader), how));
}

SoundOut::SoundOut(SoundReader reader, Playing playing)
    : reader_(std::move(reader)),
      playing_(playing),
      sink_(std::make_unique<QAudioSink>(QMediaDevices::defaultAudioOutput(), format())) {
  open(QIODevice::ReadOnly);
}

SoundOut::~SoundOut() { sink_->stop(); }

void SoundOut::go(double seconds) {
  reader_.seek(seconds);
  left_ = playing_.to ? std::llround(std::max(0.0, *playing_.to - seconds) / playing_.speed * SoundReader::rate) : -1;
}

void SoundOut::start(double seconds) {
  sink_->stop();
  go(seconds);
  sink_->start(this);
}

void SoundOut::stop() { sink_->stop(); }

qint64 SoundOut::readData(char* to, qint64 most) {
  qint64 want = most / bytesPerSample;
  if (left_ >= 0) want = std::min(want, left_);
  const int got = reader_.read(reinterpret_cast<std::int16_t*>(to), static_cast<int>(want));
  if (left_ >= 0) left_ -= got;
  if (got > 0) return qint64{got} * bytesPerSample;
  if (playing_.loops) go(playing_.from);
  // Silence, so that the device goes on.
  const qint64 silent = std::min<qint64>(most, 1024 * bytesPerSample);
  std::memset(to, 0, static_cast<std::size_t>(silent));
  return silent;
}

}  // namespace widecut
