// Choosing a colour beside the page, not on top of it.
#pragma once

#include <QFrame>
#include <optional>

#include "project/model.h"

class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace widecut {

class MeasureField;
class ToneSlider;

/// Colours that are offered to be clicked.
struct ColourOffer {
  struct Named {
    Colour colour;
    QString name;
  };
  std::vector<Named> swatches;   ///< Of the project.
  std::vector<Colour> used;      ///< In the project.
  std::vector<Colour> recent;    ///< Chosen last.
  std::vector<Colour> ofPhoto;   ///< Of the photo that is selected.
  std::optional<Colour> behind;  ///< What lies behind the selection, where that is one colour.
};

/// A small panel with the project's colours, those of the photo, a ladder of lighter and darker ones, sliders of hue,
/// strength, light (OKLCH) and opacity, a hex field and a dropper. Every change shows at once, and stays, however the
/// panel is closed.
class ColourPopover : public QFrame {
  Q_OBJECT
 public:
  ColourPopover(std::optional<Colour> colour, const ColourOffer& offer, const QString& noneText, QWidget* parent);

 signals:
  /// While it is being chosen; nothing means no paint at all.
  void tried(std::optional<widecut::Colour> colour);
  /// The panel closed with this choice.
  void settled(std::optional<widecut::Colour> colour);
  /// The panel closed and nothing is to change.
  void dropped();
  /// A colour is to be picked on the mat.
  void pickWanted();

 protected:
  void hideEvent(QHideEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;

 private:
  void addTones(QVBoxLayout& column, const ColourOffer& offer);
  void addSliders(QVBoxLayout& column);
  void choose(std::optional<Colour> colour, bool moveSliders);
  void chooseBySliders();
  void showLadder();
  QPushButton* tone(Colour colour, const QString& name);

  std::optional<Colour> colour_, behind_;
  bool changed_ = false, picking_ = false;
  bool movingSliders_ = false;
  /// A slider's value as it is typed: `most` at its end.
  struct Number {
    ToneSlider* slider;
    MeasureField* field;
    double most;
  };
  std::vector<Number> numbers_;
  ToneSlider *hue_, *strength_, *light_, *opacity_;
  QGridLayout* ladder_;
  QLineEdit* hex_;
  QLabel* contrast_;
};

}  // namespace widecut
