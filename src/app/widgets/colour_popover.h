// Choosing a colour beside the page, not on top of it.
#pragma once

#include <QFrame>
#include <optional>

#include "project/model.h"

class QLineEdit;
class QSlider;

namespace widecut {

/// A small panel with the project's colours, three sliders and a hex field. Every change shows at once.
class ColourPopover : public QFrame {
  Q_OBJECT
 public:
  ColourPopover(std::optional<Colour> colour, const std::vector<Colour>& used, const QString& noneText,
                QWidget* parent);

 signals:
  /// While it is being chosen; nothing means no paint at all.
  void tried(std::optional<widecut::Colour> colour);
  /// The panel closed with this choice.
  void settled(std::optional<widecut::Colour> colour);
  /// The panel closed and nothing is to change.
  void dropped();

 protected:
  void hideEvent(QHideEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void choose(std::optional<Colour> colour, bool moveSliders);
  std::optional<Colour> colour_;
  bool changed_ = false;
  bool movingSliders_ = false;
  QSlider* hue_;
  QSlider* saturation_;
  QSlider* brightness_;
  QLineEdit* hex_;
};

}  // namespace widecut
