#include "app/bench/video_page.h"

#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <cmath>

#include "app/bench/page_layout.h"
#include "app/desk/photo_framing.h"
#include "app/desk/playback.h"
#include "app/widgets/film_strip.h"
#include "app/widgets/measure_field.h"
#include "media/video.h"
#include "media/video_reader.h"
#include "project/edits/videos.h"
#include "project/limits.h"
#include "project/resolve.h"

namespace widecut {
namespace {

QString timeText(double seconds) {
  const int minutes = static_cast<int>(seconds) / 60;
  return QString("%1:%2").arg(minutes).arg(seconds - 60.0 * minutes, 5, 'f', 2, QChar('0'));
}

}  // namespace

ItemPtr videoItem(const Desk& desk) {
  const ItemPtr item = reframedItem(desk);
  return item && shownVideo(*item) ? item : nullptr;
}

VideoPage::VideoPage(Desk& desk, QWidget* parent)
    : BenchPage(desk, parent), framesWanted_(std::make_shared<std::atomic<unsigned>>(0)) {
  const CrowdedPage page = crowdedPage(*this);
  heading_ = headingOf(*page.top, *this);
  addSwitches(*page.top);
  strip_ = new FilmStrip(this);
  page.column->addWidget(strip_);
  auto* numbers = new QHBoxLayout;
  numbers->setSpacing(6);
  page.column->addLayout(numbers);
  addNumbers(*numbers);
  page.column->addStretch(1);
  // A click leaves the keys to the mat: Escape shows the poster.
  for (auto* button : findChildren<QAbstractButton*>()) button->setFocusPolicy(Qt::TabFocus);

  connect(strip_, &FilmStrip::soughtAt, this, [this](double at) {
    desk_.playback().showAt(item(), at);
    showPlace();
  });
  const auto part = [](double from, double to) {
    return [from, to](Playing& p) {
      p.from = from;
      p.to = to;
    };
  };
  connect(strip_, &FilmStrip::partTried, this, [this](double from, double to) {
    // The end that moves is looked at.
    const Playing before = playing();
    desk_.playback().showAt(item(), from != before.from ? from : to);
  });
  connect(strip_, &FilmStrip::partSettled, this,
          [this, part](double from, double to) { make(tr("Part of a video"), part(from, to)); });
  connect(strip_, &FilmStrip::left, this, [this] {
    desk_.playback().stop();
    emit keysBack();
  });
  connect(strip_, &FilmStrip::resized, this, [this] {
    if (isVisible()) loadFrames();
  });
  connect(&desk_.playback(), &Playback::moved, this, [this] {
    if (isVisible()) showPlace();
  });
  connect(&desk_.playback(), &Playback::changed, this, [this] {
    if (isVisible()) refresh(false);
  });
}

VideoPage::~VideoPage() { ++*framesWanted_; }

void VideoPage::addSwitches(QBoxLayout& row) {
  play_ = pageButton(*this, tr("Play"), "playVideo", tr("Plays it on the mat; Shift+P plays all of the sheet"));
  play_->setProperty("primary", true);
  play_->setMinimumWidth(64);
  connect(play_, &QPushButton::clicked, this, [this] { desk_.playback().toggle(item()); });
  row.addWidget(play_);
  const auto box = [&](const QString& words, const char* name, const QString& tip, const QString& step,
                       const std::function<void(Playing&, bool)>& set) {
    auto* made = new QCheckBox(words, this);
    made->setObjectName(name);
    made->setToolTip(tip);
    connect(made, &QCheckBox::clicked, this,
            [this, step, set](bool on) { make(step, [set, on](Playing& p) { set(p, on); }); });
    row.addWidget(made);
    return made;
  };
  loops_ = box(tr("Loops"), "videoLoops", tr("It begins again when it has ended"), tr("Video loops"),
               [](Playing& p, bool on) { p.loops = on; });
  starts_ = box(tr("Starts by itself"), "videoStarts", tr("In a show it plays once its sheet shows"),
                tr("Video starts by itself"), [](Playing& p, bool on) { p.startsItself = on; });
  sound_ = box(tr("Sound"), "videoSound", tr("Its sound is heard"), tr("Sound of a video"),
               [](Playing& p, bool on) { p.isMuted = !on; });
  row.addSpacing(4);
  poster_ = pageButton(*this, tr("Poster: this frame"), "posterHere",
                       tr("The frame that shows now stands for it in print and in pictures"));
  connect(poster_, &QPushButton::clicked, this, &VideoPage::takePoster);
  row.addWidget(poster_);
  row.addWidget(buttonFor(CommandId::Reframe, this));
  QPushButton* done = pageButton(*this, tr("Done"), "videoDone", tr("What the bench showed before (Shift+V)"));
  connect(done, &QPushButton::clicked, &desk_, &Desk::leavePaint);
  row.addWidget(done);
}

void VideoPage::addNumbers(QBoxLayout& row) {
  const auto field = [&](const QString& caption, const QString& name, const QString& suffix) {
    row.addWidget(new QLabel(caption, this));
    auto* made = new MeasureField(name, Unit::Plain, suffix, this);
    made->setFixedWidth(78);
    row.addWidget(made);
    row.addSpacing(6);
    return made;
  };
  from_ = field(tr("from"), tr("start of the video"), " s");
  to_ = field(tr("to"), tr("end of the video"), " s");
  speed_ = field(tr("speed"), tr("speed of the video"), " %");
  settleInto(*from_, tr("Part of a video"), [](Playing& p, double v) { p.from = v; });
  settleInto(*to_, tr("Part of a video"), [](Playing& p, double v) { p.to = v; });
  settleInto(*speed_, tr("Speed of a video"),
             [](Playing& p, double v) { p.speed = std::clamp(v / 100, limits::leastSpeed, limits::mostSpeed); });
  place_ = new QLabel(this);
  place_->setObjectName("videoPlace");
  row.addStretch(1);
  row.addWidget(place_);
}

void VideoPage::settleInto(MeasureField& field, const QString& step, const std::function<void(Playing&, double)>& set) {
  connect(&field, &MeasureField::settled, this,
          [this, step, set](double value) { make(step, [set, value](Playing& p) { set(p, value); }); });
}

Id VideoPage::item() const {
  const ItemPtr shown = videoItem(desk_);
  return shown ? shown->id : 0;
}

Playing VideoPage::playing() const {
  const ItemPtr shown = videoItem(desk_);
  const auto photo = shown ? shownPhoto(*shown) : std::nullopt;
  return photo && photo->playing ? *photo->playing : Playing{};
}

void VideoPage::make(const QString& step, const Edit& edit) {
  const Id items[] = {item()};
  desk_.commit(step, withPlaying(desk_.settled(), items, edit));
  refresh(false);
}

void VideoPage::takePoster() {
  const ItemPtr shown = videoItem(desk_);
  const auto place = shown ? desk_.playback().placeOf(shown->id) : std::nullopt;
  if (!place) return;
  poster_->setEnabled(false);
  posterTask_.run([this, video = shownVideo(*shown), id = shown->id, at = *place] {
    auto poster = posterAt(video, at);
    return [this, id, poster = std::move(poster)] {
      if (!poster)
        emit desk_.told(QString::fromStdString(poster.error().message));
      else if (desk_.commit(tr("Poster of a video"), withPoster(desk_.settled(), id, *poster)))
        emit desk_.told(tr("This frame stands for the video in print and in pictures"));
      refresh(false);
    };
  });
}

void VideoPage::showEvent(QShowEvent*) { refresh(true); }

void VideoPage::hideEvent(QHideEvent*) {
  ++*framesWanted_;
  framesOf_.clear();
}

void VideoPage::refresh(bool) {
  const ItemPtr shown = videoItem(desk_);
  if (!shown || !isVisible()) return;
  const VideoPtr video = shownVideo(*shown);
  const Playing now = playing();
  heading_->setText(tr("“%1” · %2 × %3 · %4 frames/s")
                        .arg(QString::fromStdString(video->file.name))
                        .arg(video->file.width)
                        .arg(video->file.height)
                        .arg(std::round(video->framesPerSecond * 100) / 100));
  play_->setText(desk_.playback().isPlaying(shown->id) ? tr("Halt") : tr("Play"));
  loops_->setChecked(now.loops);
  starts_->setChecked(now.startsItself);
  sound_->setChecked(video->hasSound && !now.isMuted);
  sound_->setEnabled(video->hasSound);
  sound_->setToolTip(!video->hasSound             ? tr("It has no sound")
                     : Playback::hasSoundDevice() ? tr("Its sound is heard")
                                                  : tr("Its sound is heard where there is a device; here is none"));
  from_->show(now.from);
  to_->show(now.to.value_or(video->seconds));
  speed_->show(now.speed * 100);
  showPlace();
  loadFrames();
}

void VideoPage::showPlace() {
  const ItemPtr shown = videoItem(desk_);
  if (!shown) return;
  const VideoPtr video = shownVideo(*shown);
  const Playing now = playing();
  const auto place = desk_.playback().placeOf(shown->id);
  const double poster = shownPhoto(*shown)->medium->videoAt;
  strip_->show({video->seconds, video->framesPerSecond, now.from, now.to.value_or(video->seconds), poster, place});
  place_->setText(place ? tr("%1 of %2").arg(timeText(*place), timeText(video->seconds))
                        : tr("poster at %1 of %2").arg(timeText(poster), timeText(video->seconds)));
  poster_->setEnabled(place && std::abs(*place - poster) > 0.5 / video->framesPerSecond);
}

/// One after another, from left to right, off the window's thread.
void VideoPage::loadFrames() {
  const ItemPtr shown = videoItem(desk_);
  if (!shown || strip_->width() < 50) return;
  const VideoPtr video = shownVideo(*shown);
  const double shape = double(video->file.width) / video->file.height;
  const int count = strip_->frameCount(shape);
  const QString of = QString::fromStdString(video->file.hash) + QString(" %1 %2").arg(count).arg(devicePixelRatioF());
  if (of == framesOf_) return;
  framesOf_ = of;
  strip_->setFrames({});
  const double ratio = devicePixelRatioF();
  const int width = strip_->frameWidth(shape);
  const QSize size = (QSizeF(width, width / shape) * ratio).toSize().expandedTo({1, 1});
  const unsigned ticket = ++*framesWanted_;
  framesTask_.run([this, video, count, size, ratio, ticket, wanted = framesWanted_]() -> std::function<void()> {
    auto reader = video->file.bytes ? VideoReader::of(video->file.bytes) : problem("its file is missing");
    std::vector<QImage> frames;
    for (int i = 0; reader && i < count && *wanted == ticket; ++i) {
      reader->seek(video->seconds * (i + 0.5) / count);
      if (!reader->next()) break;
      frames.push_back(reader->image(size));
      frames.back().setDevicePixelRatio(ratio);
      if (*wanted != ticket) break;
      QMetaObject::invokeMethod(
          strip_,
          [strip = strip_, frames, ticket, wanted] {
            if (*wanted == ticket) strip->setFrames(frames);
          },
          Qt::QueuedConnection);
    }
    return [] {};
  });
}

}  // namespace widecut
