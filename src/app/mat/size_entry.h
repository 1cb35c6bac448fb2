// The small entry on the mat: sizes and numbers typed where the shape is.
#pragma once

#include <QFrame>
#include <functional>
#include <vector>

#include "geometry/measure.h"

class QHBoxLayout;

namespace widecut {

class MeasureField;

/// A row of fields at a place of the mat. It leaves the keys where they are until a digit or Tab is typed.
class SizeEntry : public QFrame {
  Q_OBJECT
 public:
  struct Field {
    QString name;
    Unit unit = Unit::Plain;
    QString suffix;
    double value = 0;
  };
  /// What comes of typing: all values, in the order of the fields.
  struct Answers {
    std::function<void(const std::vector<double>&)> tried, settled;
    std::function<void()> dropped;
  };
  explicit SizeEntry(QWidget* mat);
  /// True for a key that a number begins with.
  static bool isNumber(const QKeyEvent& key);

  void open(QPointF at, const std::vector<Field>& fields, Answers answers);
  /// Settles what was typed, if anything was, and closes.
  void finish();
  /// Takes back what was typed, and closes.
  void drop();
  bool isOpen() const { return open_; }
  /// True while its fields have the keys.
  bool isTyping() const;
  /// True for a key of the mat that begins to type here.
  bool wants(const QKeyEvent& key) const;
  /// Gives it such a key.
  void begin(const QKeyEvent& key);

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void change(std::size_t field, double value);
  void close(bool keep);

  QHBoxLayout* row_;
  std::vector<MeasureField*> fields_;
  std::vector<double> values_;
  Answers answers_;
  bool open_ = false, changed_ = false;
};

}  // namespace widecut
