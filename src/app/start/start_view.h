// Where work begins: formats drawn to scale, recent work, the demo. Lies where the mat is while no project is open.
#pragma once

#include <QScrollArea>

#include "geometry/measure.h"
#include "project/formats.h"

class QBoxLayout;
class QComboBox;
class QLabel;
class QPushButton;

namespace widecut {

class MeasureField;
class StartCard;

class StartView : public QScrollArea {
  Q_OBJECT
 public:
  explicit StartView(QWidget* parent = nullptr);

  /// What is picked begins a project, or becomes another piece of the one that is open. Where one is open, Escape leads
  /// back to it.
  void open(bool anotherPiece, bool canBeLeft);

 signals:
  void formatChosen(const PieceMaker& make);
  void fileChosen(const QString& path, bool asCopy);
  void left();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  QBoxLayout* addFamily(QBoxLayout& to, const QString& name);
  void addFormats(QBoxLayout& row, FormatFamily family, double scale);
  void addOwnSize(QBoxLayout& row);
  void addCard(QBoxLayout& row, StartCard* card, const std::function<void()>& chosen);
  void showFiles();
  void beginOwnSize();
  /// The card that lies next to the one with the focus, in the direction of an arrow key.
  void goTo(int key);
  std::vector<StartCard*> cards() const;

  QLabel* heading_;
  QWidget* files_;
  QBoxLayout* fileRow_;
  MeasureField *width_, *height_;
  QComboBox* unit_;
  QPushButton* leave_;
  double ownWidth_ = 200 * pointsPerMillimetre, ownHeight_ = 200 * pointsPerMillimetre;
  bool another_ = false, canBeLeft_ = false;
  int typedUnit_ = -1;  ///< Its place in the list of units.
};

/// The demo project beside the program, built or installed; empty when there is none.
QString demoProject();

}  // namespace widecut
