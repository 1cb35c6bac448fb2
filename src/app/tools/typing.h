// Typing on words: the caret, what is selected, and the text as it is so far.
#pragma once

#include <QMimeData>
#include <QTimer>

#include "app/desk/desk.h"
#include "app/desk/trial.h"
#include "project/forms/words.h"
#include "words/text_breaks.h"

namespace widecut {

/// New words that become an item with their first letter: alone, or as a part of the item that they are joined to.
struct WordsDraft {
  Item item;  ///< Words without text, in the space of the sheet.
  std::optional<Role> role;
  Id target = 0;
};

/// What is typed shows at once, and becomes one undo step where a word ends, or where the person pauses, moves the
/// caret or does something else. Places are bytes of the text, of all of it where it flows on from frame to frame.
class Typing {
 public:
  explicit Typing(Desk& desk);

  bool isOn() const { return item_ != 0 || draft_; }
  /// Puts the caret into words that are there.
  void beginOn(Id words, std::size_t caret);
  void beginWith(WordsDraft draft);
  /// The caret goes. Words that have no text go too.
  void end();
  /// Makes what was typed so far a step.
  void settle();

  /// The words in which the caret is, as they show: of a text that flows on, those of one frame.
  const Words& words() const { return *wordsOf(*shown()); }
  /// All words that show the text.
  std::vector<Id> frames() const;
  /// From the space in which words are set to the sheet.
  Affine setToSheet() const;
  std::size_t caret() const { return caret_; }
  std::size_t selectionBegin() const { return std::min(caret_, anchor_); }
  std::size_t selectionEnd() const { return std::max(caret_, anchor_); }
  bool hasSelection() const { return caret_ != anchor_; }
  QString selectedText() const;
  /// With its looks.
  LookedText selected() const { return cutOut(typed_, selectionBegin(), selectionEnd()); }
  const std::string& text() const { return typed_.text; }
  /// Where the caret shows: behind what an input method has typed so far.
  std::size_t shownCaret() const { return caret_ + preedit_.size(); }

  enum class Keep : bool { No, Selection };
  void moveTo(std::size_t place, Keep keep);
  void step(int direction, Stride stride, Keep keep);
  void stepLine(int down, Keep keep);
  void toLineEnd(int direction, Keep keep);
  void selectAll();
  void selectWord(std::size_t at);
  /// In the place of what is selected.
  void insert(const QString& text) { insert(LookedText{cleanText(text.toStdString()), {}}); }
  void insert(const LookedText& text);
  /// The same of what another program copied: with bold, italic and underlined letters where they are said to be so;
  /// other looks are those of the words. HTML is read in the background first.
  void paste(const QMimeData& data);
  void erase(int direction, Stride stride);
  /// What is selected looks so, or, where all of it does already, as the whole again.
  void toggle(TextAspect aspect, double on, double off);
  /// Text that an input method is not yet done with: it shows, but is not typed.
  void setPreedit(const QString& text);

 private:
  ItemPtr shown() const;
  Id shownId() const;
  /// Whether what is added is the beginning of another word.
  bool beginsWord(const std::string& added) const;
  void show(LookedText text, std::size_t caret);
  bool showNow();
  void follow();
  void clear();
  void tellDesk();

  Desk& desk_;
  Trial trial_;
  QTimer pause_;
  Id item_ = 0;  ///< The words with the text.
  std::optional<WordsDraft> draft_;
  LookedText typed_;
  std::string preedit_;
  std::size_t caret_ = 0, anchor_ = 0;
  std::optional<double> wantedX_;  ///< Of the caret, while it goes from line to line.
  bool settling_ = false;
  /// Made anew whenever typing begins or ends: what is read meanwhile is for those words, or for none.
  std::shared_ptr<char> session_;
};

}  // namespace widecut
