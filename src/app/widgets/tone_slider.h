// A slider over the colours that it leads to.
#pragma once

#include <QWidget>
#include <functional>

#include "project/colour.h"

namespace widecut {

/// Runs from 0 to 1 over a strip of colours; where sRGB has no such colour the strip is hatched. Arrows move it by a
/// hundredth, with Shift by a tenth.
class ToneSlider : public QWidget {
  Q_OBJECT
 public:
  explicit ToneSlider(const QString& name, QWidget* parent);
  /// The colour at each place, or none where there is none that is shown.
  using ToneAt = std::function<std::optional<Colour>(double place)>;
  void show(double value, ToneAt tones);
  double value() const { return value_; }
  /// As if it was moved there.
  void set(double value) { setTo(value); }
  QSize sizeHint() const override { return {130, 18}; }

 signals:
  void moved();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;

 private:
  void setTo(double value);
  double value_ = 0;
  ToneAt tones_;
};

}  // namespace widecut
