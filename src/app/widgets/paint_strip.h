// Strips of the real thing: what a fill or a line is painted with, and the stops of a gradient.
#pragma once

#include <QWidget>
#include <optional>

#include "project/paint_numbers.h"

class QPainter;
class QPushButton;

namespace widecut {

/// Paints colours from left to right, over squares where they are see-through.
void paintStops(QPainter& painter, const QRect& on, const std::vector<GradientStop>& stops, bool eased);
/// The swatch of a fill or line that is no photo: its colours, or its pattern.
void paintSwatchOf(QPushButton& swatch, const Style& style, PaintPlace place);

/// The colours of a gradient with its stops under it: drag one along, pull it off downwards, click between for one
/// more, arrows move the chosen one, Delete takes it away.
class StopsBar : public QWidget {
  Q_OBJECT
 public:
  explicit StopsBar(QWidget* parent);
  void show(const std::vector<GradientStop>& stops, bool eased, std::size_t chosen);
  QSize sizeHint() const override { return {220, 36}; }

 signals:
  void chosen(std::size_t stop);
  /// While one is dragged; `settled` when it is let go.
  void tried(const std::vector<widecut::GradientStop>& stops);
  void settled(const std::vector<widecut::GradientStop>& stops, std::size_t chosen, const QString& name);
  /// Its colour is to be chosen.
  void colourWanted(std::size_t stop);

 protected:
  bool event(QEvent* event) override;
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  double xOf(double at) const;
  double atX(double x) const;
  std::optional<std::size_t> stopAt(QPointF place) const;
  void move(std::size_t stop, double at);

  std::vector<GradientStop> stops_;
  std::vector<GradientStop> before_;  ///< When the drag began.
  bool eased_ = false;
  bool held_ = false, isNew_ = false, isOff_ = false;
  std::size_t chosen_ = 0;
};

}  // namespace widecut
