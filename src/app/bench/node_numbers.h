// The numbers of the chosen nodes on the bench, and what is done to their corners.
#pragma once

#include <QWidget>

#include "app/commands/command_actions.h"
#include "app/desk/desk.h"
#include "app/desk/trial.h"

class QPushButton;

namespace widecut {

class MeasureField;

/// Where they are, how long their handles are and which way they go; a treatment of their corners. With no node
/// chosen, all corners are meant.
class NodeNumbers : public QWidget {
  Q_OBJECT
 public:
  NodeNumbers(Desk& desk, QWidget* parent);
  void refresh();

 private:
  /// What a field is about.
  enum class Number : unsigned char { X, Y, InLength, InAngle, OutLength, OutAngle, CornerSize, Axis, count };
  MeasureField* field(Number number, const QString& name, Unit unit, const QString& suffix, int width);
  void tryNumber(Number number, double value);
  Project changed(Number number, double value) const;
  void takeCorner(CornerKind kind);
  std::optional<double> valueOf(Number number) const;
  /// The corner of the chosen nodes, or that of all; nothing when they differ.
  std::optional<Corner> corner() const;
  Project withCorner(const Corner& corner) const;

  Desk& desk_;
  Trial trial_{desk_};
  MeasureField* fields_[static_cast<std::size_t>(Number::count)] = {};
  QPushButton* kinds_[6] = {};
  double size_ = 0;  ///< Of the next corner that is treated.
};

}  // namespace widecut
