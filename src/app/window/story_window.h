// A whole story in one piece, as it flows through its frames, to be read and typed on.
#pragma once

#include <QDialog>
#include <QPlainTextEdit>
#include <QTimer>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "words/text_looks.h"

class QLabel;

namespace widecut {

/// Where a frame begins in the text, or a paragraph with a style.
struct StoryMark {
  int at = 0;  ///< Of the text in UTF-16.
  QString name;
};

/// The text, with a margin that says where which frame begins.
class StoryText : public QPlainTextEdit {
  Q_OBJECT
 public:
  explicit StoryText(QWidget* parent);
  void setMarks(std::vector<StoryMark> marks);

 signals:
  void undone();
  void redone();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  void paintMargin();
  std::vector<StoryMark> marks_;
  QWidget* margin_;
};

class StoryWindow : public QDialog {
  Q_OBJECT
 public:
  /// Of the story that these words show a part of. It closes when they go.
  StoryWindow(Desk& desk, Id words, QWidget* window);
  /// The words that keep the story's text.
  Id words() const { return words_; }
  /// What is typed is kept.
  void done(int result) override;

 private:
  const Words* story() const;
  void follow();
  void take();
  void keep(LookedText text);
  void settle();
  void mark();
  /// The frame in which a place of the text shows.
  Id frameAt(std::size_t place) const;
  void goThere();

  Desk& desk_;
  Id words_;
  Trial trial_{desk_};
  QTimer pause_;
  LookedText text_;
  std::size_t letters_ = 0;  ///< Of it.
  bool isFollowing_ = false;
  StoryText* edit_;
  QLabel* said_;
};

}  // namespace widecut
