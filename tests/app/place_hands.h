// The hands of somebody who lays items out exactly.
#pragma once

#include "node_hands.h"
#include "project/lookup.h"
#include "project/resolve.h"

namespace widecut {

struct PlaceHands : NodeHands {
  /// A box, and a disc, by their upper left corner and size in millimetres, wherever they lie: with Ctrl nothing rests.
  Id box(double x, double y, double w, double h) { return drawn(Qt::Key_4, mm(x, y), mm(x + w, y + h)); }
  Id disc(double x, double y, double size) { return drawn(Qt::Key_5, mm(x, y), mm(x + size, y + size)); }
  /// Where an item lies on the sheet.
  Box boxOf(Id id) { return boxOnSheet(desk().project(), id); }
  const ItemList& items() { return desk().sheet()->items; }

  /// Digits on the mat, which go to the small entry that is open there, and Enter: one run of typing.
  void typeEntry(const char* text) {
    ++actions;
    QTest::keyClick(&mat(), text[0]);
    QTest::keyClicks(QApplication::focusWidget(), text + 1);
    QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
    settle();
  }

 private:
  Id drawn(Qt::Key tool, Point from, Point to) {
    key(tool);
    drag(from, to, Qt::ControlModifier);
    return only()->id;
  }
};

}  // namespace widecut
