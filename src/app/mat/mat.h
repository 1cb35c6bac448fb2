// The mat: the sheet being worked on, and the tool in hand.
#pragma once

#include <QImage>
#include <QTimer>
#include <QWidget>
#include <map>
#include <memory>

#include "app/desk/desk.h"
#include "app/mat/held_keys.h"
#include "app/mat/mat_drops.h"
#include "app/mat/mat_ground.h"
#include "app/tools/tool.h"
#include "painting/layer_cache.h"

namespace widecut {

class GuideDrags;
class SizeEntry;

class Mat : public QWidget {
  Q_OBJECT
 public:
  explicit Mat(Desk& desk, QWidget* parent = nullptr);
  ~Mat() override;

  QPointF toMat(Point onSheet) const { return {origin_.x() + onSheet.x * zoom_, origin_.y() + onSheet.y * zoom_}; }
  Point toSheet(QPointF onMat) const { return {(onMat.x() - origin_.x()) / zoom_, (onMat.y() - origin_.y()) / zoom_}; }
  /// Pixels of the mat per point.
  double zoom() const { return zoom_; }
  /// From sheet points to the mat's pixels.
  QTransform sheetToMat() const { return {zoom_, 0, 0, zoom_, origin_.x(), origin_.y()}; }

  void fitSheet();
  /// Zooms to a box of the sheet.
  void showBox(const Box& onSheet);
  /// As large as it is on paper, by what the screen says of itself.
  void showTrueSize();
  /// Zooms about a place on the mat, by default its middle. Stays within 2 % and 12800 %.
  void zoomBy(double factor, std::optional<QPointF> about = std::nullopt);
  void panBy(QPointF pixels);
  QString hint() const;
  /// The small entry for sizes: one at a time.
  SizeEntry& entry() { return *entry_; }
  const LayerCache& cache() const { return cache_; }
  LayerCache& cache() { return cache_; }
  /// True when everything is painted as fine as it will be by itself, but for photos that are still being decoded.
  /// While something is being tried, that is by stand-ins.
  bool isFinished() const { return (!cache_.isRough() || desk_.isTrying()) && !rasters_.isBusy(); }

 signals:
  void hintChanged();
  void pointerMoved(std::optional<widecut::Point> onSheet);
  void zoomChanged();
  /// A picture was dropped from the desktop.
  void photoDropped(const QString& path, widecut::Point onSheet);
  /// The person wants a menu of what can be done with what is selected, at this place of the screen.
  void menuWanted(QPoint where);
  /// A letter that could have stood for Alt was let go without a drag: it means its command.
  void letterTyped(int key);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;
  void inputMethodEvent(QInputMethodEvent* event) override;
  QVariant inputMethodQuery(Qt::InputMethodQuery query) const override;
  void focusOutEvent(QFocusEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void showEvent(QShowEvent*) override { emit hintChanged(); }
  void hideEvent(QHideEvent*) override { emit hintChanged(); }
  /// Tab goes from item to item here; Ctrl+Tab leaves the mat.
  bool focusNextPrevChild(bool) override { return false; }
  void contextMenuEvent(QContextMenuEvent* event) override;
  void dragEnterEvent(QDragEnterEvent* event) override;
  void dragMoveEvent(QDragMoveEvent* event) override;
  void dragLeaveEvent(QDragLeaveEvent* event) override;
  void dropEvent(QDropEvent* event) override;

 private:
  Tool& tool() const;
  Pointer pointerOf(QPointF onMat, Qt::KeyboardModifiers keys) const;
  Pointer pointerOf(const QMouseEvent& event);
  QRectF sheetArea() const;
  /// The place on the mat whose pixels are whole ones of the screen, so that rasters are not blurred at any scale.
  QPointF onWholePixels(QPointF place) const;
  void pressTool(const QMouseEvent& event);
  /// Whether the left button is held for a tool or a guide: then all keys are the gesture's, and none is a command's.
  bool isInGesture() const;
  bool isRepeat(const QKeyEvent& event) const;
  void letGo(const QKeyEvent& event);
  bool canWait(const QKeyEvent& key) const;
  void letWaitingBeCommand();
  void gestureKey(QKeyEvent& event);
  /// The gesture goes on from where the pointer is, with what is held now.
  void dragOn();
  void takeUpTool();
  void refresh();
  /// Everything but what the tool paints, brought up to date in the still picture.
  void bringStillUpToDate();
  MatGround ground() const;
  void paintStill(const QRect& part);
  bool nudge(const QKeyEvent& event);
  /// What is marked as lying under the pointer is marked no more.
  void pointAtNothing();

  Desk& desk_;
  RasterQueue rasters_;
  LayerCache cache_;
  QImage still_;  ///< The mat without the tool's marks, as it was painted last.
  MatGround stillGround_;
  QRect stale_;  ///< What of it is to be painted anew, in device pixels.
  QTimer finer_;
  SizeEntry* entry_;
  MatDrops drops_;
  std::unique_ptr<GuideDrags> guides_;
  std::map<ToolKind, std::unique_ptr<Tool>> tools_;
  ToolKind toolInHand_ = ToolKind::Select;
  double zoom_ = 1;
  QPointF origin_;  ///< The sheet's top left on the mat; whole device pixels.
  bool fitted_ = true;
  std::optional<QPointF> panningFrom_;
  Qt::MouseButton panButton_ = Qt::NoButton;
  bool toolPressed_ = false;              ///< The left button is held for the tool.
  std::optional<QPointF> doubleClicked_;  ///< A second click that may yet become a drag.
  bool spaceHeld_ = false;
  QTimer lateUp_;  ///< Until a letter that went up in the midst of a gesture is sure not to go down again at once.
  int up_ = 0;     ///< The key that went up last, and when.
  quint64 upAt_ = 0;
  HeldKeys held_;
  int waiting_ = 0;  ///< A letter that is a command once it is let go, unless a drag begins before; 0 for none.
  QPointF lastPointer_;
};

}  // namespace widecut
