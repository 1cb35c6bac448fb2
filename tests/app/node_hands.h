// The hands of somebody who reshapes by nodes.
#pragma once

#include <QLabel>
#include <QSlider>

#include "app/desk/reshape.h"
#include "app/widgets/cards.h"
#include "project/resolve.h"
#include "window_driver.h"

namespace widecut {

struct NodeHands : WindowDriver {
  ItemPtr only() { return desk().onlyItem(); }
  NodePaths paths(Id item = 0) { return *nodesOf(*findItem(desk().project(), item == 0 ? only()->id : item)); }
  const Node& node(std::size_t number, std::size_t path = 0) {
    now_ = paths();
    return now_[path].nodes[number];
  }
  Point toSheet(Point inFrame) { return frameToSheet(desk().project(), only()->id)(inFrame); }
  Point nodeAt(std::size_t number, std::size_t path = 0) { return toSheet(node(number, path).at); }
  /// The middle of an edge, on the sheet.
  Point edgeAt(std::size_t edge, double t = 0.5) { return toSheet(pointOn(edgeOf(paths()[0], edge), t)); }
  NodeKind kind(std::size_t number) { return kindOf(paths()[0], number); }
  /// A box as a plain outline, with the node tool in hand.
  void boxOfNodes(Point from, Point to) {
    key(Qt::Key_4);
    drag(from, to);
    key(Qt::Key_2);
    key(Qt::Key_Return);
  }
  void doubleClick(Point at) {
    ++actions;
    QTest::mouseMove(&mat(), onMat(at));
    QTest::mouseClick(&mat(), Qt::LeftButton, {}, onMat(at));
    QTest::mouseDClick(&mat(), Qt::LeftButton, {}, onMat(at));
    QTest::mouseRelease(&mat(), Qt::LeftButton, {}, onMat(at));
    settle();
  }
  void moveTo(Point at) {
    QTest::mouseMove(&mat(), onMat(at));
    settle();
  }
  template <class T>
  T& shown(const QString& name) {
    for (auto* found : window.findChildren<T*>(name))
      if (found->isVisible()) return *found;
    qFatal("no %s shows", qPrintable(name));
  }
  void pressShown(const char* name) {
    ++actions;
    QTest::mouseClick(&shown<QWidget>(name), Qt::LeftButton);
    settle();
  }
  void typeShown(const char* name, const char* text) {
    actions += 2;
    auto& field = shown<QLineEdit>(name);
    QTest::mouseClick(&field, Qt::LeftButton);
    field.selectAll();
    QTest::keyClicks(&field, text);
    QTest::keyClick(&field, Qt::Key_Return);
    settle();
  }
  /// A stroke with the button held.
  void stroke(const std::vector<Point>& places, Qt::KeyboardModifiers keys = {}) {
    ++actions;
    QTest::mouseMove(&mat(), onMat(places.front()));
    WindowDriver::press(places.front(), keys);
    for (const Point p : places) dragTo(p, keys);
    release(places.back(), keys);
  }

 private:
  NodePaths now_;
};

}  // namespace widecut
