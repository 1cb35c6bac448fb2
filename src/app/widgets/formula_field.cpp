#include "app/widgets/formula_field.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QKeyEvent>
#include <QLabel>
#include <QStringListModel>

#include "app/widgets/field_problem.h"
#include "cutting/formula.h"

namespace widecut {
namespace {

bool isNameCharacter(QChar c) { return c.isLetterOrNumber() || c == '_' || c == '.'; }

/// Where the quote that is still open at the end of the text begins; −1 when none is. A quote within a name stands
/// twice.
int openQuote(const QString& text) {
  int from = -1;
  for (int i = 0; i < text.size(); ++i) {
    if (text[i] != '\'') continue;
    if (from >= 0 && i + 1 < text.size() && text[i + 1] == '\'')
      ++i;
    else
      from = from < 0 ? i : -1;
  }
  return from;
}

}  // namespace

FormulaField::FormulaField(QWidget* parent) : QLineEdit(parent) {
  setObjectName("formula");
  setAccessibleName(tr("Formula"));
  setToolTip(tr("Parts with + add, - subtract, & intersect, ^ exclude and brackets; names with spaces in 'quotes'"));
  setMinimumWidth(120);
  names_ = new QStringListModel(this);
  completer_ = new QCompleter(names_, this);
  completer_->setWidget(this);
  completer_->setCaseSensitivity(Qt::CaseInsensitive);
  completer_->setCompletionMode(QCompleter::PopupCompletion);
  connect(completer_, qOverload<const QString&>(&QCompleter::activated), this, &FormulaField::takeName);
  connect(this, &QLineEdit::textEdited, this, [this](const QString& text) {
    typing_ = true;
    offerNames();
    emit typed(text);
  });
  auto* note = new QLabel(parent);
  note->setObjectName("formulaProblem");
  note->setStyleSheet("background: #BF3F26; color: white; padding: 3px 8px; border-radius: 3px");
  note->setAccessibleName(tr("What is wrong with the formula"));
  note->hide();
  note_ = note;
}

void FormulaField::show(const QString& formula, const std::vector<std::string>& names) {
  QStringList list;
  for (const std::string& name : names) list << QString::fromStdString(name);
  if (names_->stringList() != list) names_->setStringList(list);
  // What cannot be read stays until another formula comes.
  if (typing_ && !hasFocus() && !finished_ && formula != shown_) typing_ = false;
  shown_ = formula;
  if (!typing_ && text() != formula) {
    setProblem({});
    setText(formula);
    setCursorPosition(0);
  }
}

void FormulaField::setProblem(const QString& problem) {
  problem_ = problem;
  widecut::setProblem(*this, problem);
  auto* note = static_cast<QLabel*>(note_);
  note->setText(problem);
  // The names on offer come first.
  note->setVisible(!problem.isEmpty() && !completer_->popup()->isVisible());
  placeNote();
}

void FormulaField::placeNote() {
  note_->adjustSize();
  note_->move(x(), y() + height() + 2);
  note_->raise();
}

void FormulaField::moveEvent(QMoveEvent*) { placeNote(); }

FormulaField::Word FormulaField::wordAtCursor() const {
  int from = cursorPosition();
  while (from > 0 && isNameCharacter(text()[from - 1])) --from;
  // Within an open quote the word begins at the quote.
  const QString before = text().left(cursorPosition());
  if (const int quote = openQuote(before); quote >= 0) return {quote, before.mid(quote + 1).replace("''", "'")};
  return {from, text().mid(from, cursorPosition() - from)};
}

void FormulaField::offerNames() {
  const Word word = wordAtCursor();
  completer_->setCompletionPrefix(word.text);
  const bool whole = completer_->completionCount() == 1 && completer_->currentCompletion() == word.text;
  if (word.text.isEmpty() || whole || completer_->completionCount() == 0) {
    completer_->popup()->hide();
    return;
  }
  QRect below = cursorRect();
  below.setWidth(190);
  completer_->complete(below);
  completer_->popup()->setCurrentIndex(completer_->completionModel()->index(0, 0));
}

void FormulaField::takeName(const QString& name) {
  const Word word = wordAtCursor();
  QString whole = text();
  const QString in = QString::fromStdString(writtenInFormulas(name.toStdString()));
  whole.replace(word.from, cursorPosition() - word.from, in);
  setText(whole);
  setCursorPosition(word.from + static_cast<int>(in.size()));
  typing_ = true;
  emit typed(whole);
}

void FormulaField::finish() {
  if (!typing_) return;
  finished_ = true;
  emit typed(text());
  finished_ = false;
  // What cannot be read stays for the person to mend.
  if (problem_.isEmpty()) typing_ = false;
}

void FormulaField::keyPressEvent(QKeyEvent* event) {
  const bool offering = completer_->popup()->isVisible();
  switch (event->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Tab:
      if (offering) {
        event->ignore();  // the list takes it
        return;
      }
      finish();
      return;
    case Qt::Key_Escape:
      typing_ = false;
      setProblem({});
      emit dropped();
      return;
    default:
      QLineEdit::keyPressEvent(event);
  }
}

void FormulaField::focusOutEvent(QFocusEvent* event) {
  QLineEdit::focusOutEvent(event);
  if (event->reason() != Qt::PopupFocusReason) settleTyping();
}

void FormulaField::settleTyping() {
  if (typing_) finish();
}

}  // namespace widecut
