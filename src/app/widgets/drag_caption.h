// Captions of fields that change what they stand beside.
#pragma once

#include <QLabel>
#include <optional>

namespace widecut {

class MeasureField;

/// A caption that is dragged: across for the first field, up and down for the second.
class DragCaption : public QLabel {
  Q_OBJECT
 public:
  DragCaption(const QString& text, MeasureField* across, MeasureField* down, QWidget* parent);

 protected:
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  MeasureField *across_, *down_;
  std::optional<QPointF> from_;
  MeasureField* field_ = nullptr;  ///< The one that the drag turned out to be for.
};

}  // namespace widecut
