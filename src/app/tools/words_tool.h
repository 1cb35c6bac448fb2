// Tool 8: words, typed on the mat.
#pragma once

#include "app/tools/tool.h"
#include "app/tools/typing.h"

namespace widecut {

class WordsTool : public Tool {
 public:
  WordsTool(Mat& mat, Desk& desk);

  void press(const Pointer& pointer) override;
  void drag(const Pointer& pointer) override;
  void release(const Pointer& pointer) override;
  void hover(const Pointer& pointer) override;
  void doubleClick(const Pointer& pointer) override;
  void cancelDrag() override { doing_ = Doing::Nothing; }
  bool key(QKeyEvent& event) override;
  bool wants(const QKeyEvent& key) const override;
  bool takesText() const override { return typing_.isOn(); }
  void inputMethod(const QInputMethodEvent& event) override;
  QVariant inputMethodQuery(Qt::InputMethodQuery query) const override;
  void focusLost() override { typing_.settle(); }
  void putAway() override;
  void paint(QPainter& painter) override;
  QString hint() const override;
  QCursor cursor() const override;

 private:
  enum class Doing : unsigned char { Nothing, Drawing, Selecting };

  bool keyWhileTyping(QKeyEvent& event);
  bool isOnTyped(Point onSheet) const;
  std::size_t placeUnder(Point onSheet) const;
  /// An item that words are written in, or along.
  struct Target {
    Id item = 0;
    bool isAlong = false;
  };
  /// What a click there would write in, or along: an outline that is bare, with Ctrl or Alt any, or the line that it is
  /// close to; what is filled only where it is selected.
  std::optional<Target> targetAt(const Pointer& pointer) const;
  /// What of an item is taken: all where it is not filled; its edge too; or its inside too.
  enum class Takes : unsigned char { Bare, Edge, All };
  std::optional<Target> targetOn(const ItemPtr& item, Point onSheet, Takes takes) const;
  /// Words in a frame, or on lines of their own from a point on.
  void begin(Point at, std::optional<TextFrame> frame);
  void beginOn(Point at, const Target& target);
  void beginWith(Item words, std::optional<Role> role);
  /// The words among those of the text that a point is on, or is nearest to.
  Id frameUnder(Point onSheet) const;
  void paintEdge(QPainter& painter, const Words& words, const Affine& toSheet) const;
  void paintTarget(QPainter& painter) const;
  /// The words of a frame, where it is on the sheet that shows.
  const Words* shownWords(Id frame) const;
  void paintSelection(QPainter& painter, Id frame) const;
  /// Marks what no dictionary has, but for the word that the caret is in.
  void paintSpelling(QPainter& painter, Id frame) const;
  QLineF caretLine() const;
  Colour legibleAt(Point onSheet) const;
  QRectF caretOnMat() const;
  void showCaret();

  Typing typing_;
  QTimer blink_;
  bool caretShows_ = true;
  Doing doing_ = Doing::Nothing;
  Pointer pressed_{};
  Pointer now_{};
  Id under_ = 0;                  ///< The words that a click here would go into.
  std::optional<Target> target_;  ///< What it would write in.
};

}  // namespace widecut
