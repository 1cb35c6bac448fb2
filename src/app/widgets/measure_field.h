// A field for a length, an angle or a share.
#pragma once

#include <QLineEdit>
#include <optional>

#include "geometry/measure.h"

namespace widecut {

/// Takes units and sums. Says `tried` while what is typed can be read, and `settled` when it is let go.
class MeasureField : public QLineEdit {
  Q_OBJECT
 public:
  MeasureField(const QString& name, Unit unit, QString suffix = {}, QWidget* parent = nullptr);
  /// Shows a value (points for lengths); nothing while several items differ. Typing is not disturbed.
  void show(std::optional<double> value);
  /// Another unit for the same value.
  void setUnit(Unit unit);
  /// What is less cannot be taken: points for lengths.
  void setLeast(double least) { least_ = least; }
  /// The field whose number is being settled now: what is refused meanwhile is what was typed there.
  static MeasureField* settling() { return settling_; }
  /// While it is settling: what was typed cannot be done, and stays there in red.
  void refuse(const QString& why) { refusal_ = why; }
  /// A drag of the caption changes the value: a step for each pixel. False when there is no value to start from.
  bool beginDrag();
  void dragBy(double pixels);
  void endDrag();
  /// Lets go of what is being typed, as Enter does. What cannot be read stays, in red.
  void settleTyping() { finish(); }
  /// Whether somebody is in the middle of typing a value.
  bool isTyping() const { return typing_; }

 signals:
  void tried(double value);
  void settled(double value);
  /// Enter was pressed, after what was typed was settled.
  void entered();
  /// Escape, or what cannot be read: what was tried is to be taken back.
  void dropped();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  /// A number is one word, whatever signs are in it.
  void mouseDoubleClickEvent(QMouseEvent*) override { selectAll(); }
  void resizeEvent(QResizeEvent* event) override;

 private:
  QString shownText() const;
  Result<double> read() const;
  void finish();
  void step(double by);

  Unit unit_;
  QString suffix_;
  std::optional<double> value_, least_;
  bool typing_ = false;
  QString refusal_;
  inline static MeasureField* settling_ = nullptr;
  std::optional<double> draggedFrom_, draggedTo_;
};

}  // namespace widecut
