// The frames of a video in a row, with the part of it that plays.
#pragma once

#include <QImage>
#include <QWidget>
#include <optional>
#include <vector>

namespace widecut {

/// From the video's first frame on its left to the last one on its right. Drags at its grips move where it begins and
/// ends; elsewhere they look through it. Left and right go a frame on, with Shift ten; Home and End to the ends of the
/// part that plays.
class FilmStrip : public QWidget {
  Q_OBJECT
 public:
  explicit FilmStrip(QWidget* parent);

  struct Shown {
    double seconds = 1, framesPerSecond = 25;
    double from = 0, to = 1;
    double poster = 0;
    std::optional<double> place;  ///< Nothing while the poster shows.
    bool operator==(const Shown&) const = default;
  };
  void show(const Shown& shown);
  /// How wide a frame of this shape is in the strip, in logical pixels, and how many of them there are.
  int frameWidth(double widthOverHeight) const;
  int frameCount(double widthOverHeight) const;
  /// Its frames, from left to right; those that are not there yet are null.
  void setFrames(std::vector<QImage> frames);
  /// Where a time lies, in the widget.
  double xAt(double seconds) const;
  QSize sizeHint() const override { return {400, 58}; }

 signals:
  /// The frame of that time is to be looked at.
  void soughtAt(double seconds);
  /// While a grip is dragged, and once it is let go; Escape before that takes the drag back.
  void partTried(double from, double to);
  void partSettled(double from, double to);
  /// Escape, while nothing is dragged.
  void left();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void resizeEvent(QResizeEvent*) override { emit resized(); }

 signals:
  void resized();

 private:
  enum class Drag : unsigned char { None, From, To, Place };
  QRectF strip() const;
  double secondsAt(double x) const;
  Drag gripAt(QPointF at) const;
  void dragTo(double x);
  void paintFrames(QPainter& painter) const;
  void paintGrip(QPainter& painter, double x, bool opensRight) const;

  Shown shown_;
  std::vector<QImage> frames_;
  Drag drag_ = Drag::None;
  double partFrom_ = 0, partTo_ = 1;  ///< While a grip is dragged.
};

}  // namespace widecut
