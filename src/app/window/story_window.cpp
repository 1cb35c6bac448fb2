#include "app/window/story_window.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QTextBlock>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/in_qt.h"
#include "app/look/theme.h"
#include "project/edits/words.h"
#include "project/edits/words_following.h"
#include "project/lookup.h"
#include "words/text_breaks.h"

namespace widecut {
namespace {

constexpr int marginWidth = 116;
constexpr int pauseMilliseconds = 600;

/// The place of a byte among the letters of the same text in UTF-16, and back.
int placeOf(const std::string& text, std::size_t byte) {
  return static_cast<int>(QString::fromUtf8(text.data(), static_cast<qsizetype>(byte)).size());
}
std::size_t byteOf(const QString& text, qsizetype place) {
  return static_cast<std::size_t>(text.left(place).toUtf8().size());
}

/// The marks of bytes of the text, in their order; the text is gone through once.
std::vector<StoryMark> marksAt(const std::string& text, std::vector<std::pair<std::size_t, QString>> beginnings) {
  std::stable_sort(beginnings.begin(), beginnings.end(),
                   [](const auto& a, const auto& b) { return a.first < b.first; });
  std::vector<StoryMark> out;
  std::size_t byte = 0;
  int place = 0;
  for (auto& [at, name] : beginnings) {
    const std::size_t to = std::min(at, text.size());
    place += placeOf(text.substr(byte, to - byte), to - byte);
    byte = to;
    out.push_back({place, std::move(name)});
  }
  return out;
}

}  // namespace

StoryText::StoryText(QWidget* parent) : QPlainTextEdit(parent), margin_(new QWidget(this)) {
  setObjectName("story");
  setAccessibleName(tr("The whole text"));
  setFrameShape(QFrame::NoFrame);
  setUndoRedoEnabled(false);
  setTabChangesFocus(false);
  setViewportMargins(marginWidth, 0, 0, 0);
  constexpr int letterPixels = 15;
  setFont(theme::font(letterPixels));
  document()->setDocumentMargin(8);
  connect(this, &QPlainTextEdit::updateRequest, this, [this] { margin_->update(); });
  margin_->installEventFilter(this);
}

bool StoryText::eventFilter(QObject* watched, QEvent* event) {
  if (watched != margin_ || event->type() != QEvent::Paint) return QPlainTextEdit::eventFilter(watched, event);
  paintMargin();
  return true;
}

void StoryText::setMarks(std::vector<StoryMark> marks) {
  marks_ = std::move(marks);
  margin_->update();
}

bool StoryText::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride) {
    event->accept();
    return true;
  }
  return QPlainTextEdit::event(event);
}

void StoryText::keyPressEvent(QKeyEvent* event) {
  // Steps are those of the project.
  if (event->matches(QKeySequence::Undo))
    emit undone();
  else if (event->matches(QKeySequence::Redo))
    emit redone();
  else
    QPlainTextEdit::keyPressEvent(event);
}

void StoryText::resizeEvent(QResizeEvent* event) {
  QPlainTextEdit::resizeEvent(event);
  margin_->setGeometry(0, 0, marginWidth, height());
}

void StoryText::paintMargin() {
  QPainter painter(margin_);
  painter.fillRect(margin_->rect(), theme::sand);
  constexpr int letterPixels = 12, pad = 8;
  painter.setFont(theme::font(letterPixels));
  painter.setPen(theme::slate);
  int last = -height();
  for (const StoryMark& mark : marks_) {
    QTextCursor cursor(document());
    cursor.setPosition(std::min(mark.at, document()->characterCount() - 1));
    const QRect line = cursorRect(cursor);
    if (line.bottom() < 0 || line.top() > height() || line.top() - last < line.height() / 2) continue;
    last = line.top();
    const QRect room(pad, line.top(), marginWidth - 2 * pad, line.height());
    painter.drawText(room, Qt::AlignLeft | Qt::AlignVCenter,
                     painter.fontMetrics().elidedText(mark.name, Qt::ElideRight, room.width()));
  }
}

StoryWindow::StoryWindow(Desk& desk, Id words, QWidget* window)
    : QDialog(window), desk_(desk), words_(framesOfStory(desk.settled(), words).front()) {
  setObjectName("storyWindow");
  setAttribute(Qt::WA_DeleteOnClose);
  constexpr int usualWidth = 640, usualHeight = 560;
  resize(usualWidth, usualHeight);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 10);
  edit_ = new StoryText(this);
  column->addWidget(edit_, 1);
  auto* row = new QHBoxLayout;
  row->setContentsMargins(12, 0, 12, 0);
  column->addLayout(row);
  said_ = new QLabel(this);
  said_->setObjectName("storySaid");
  row->addWidget(said_, 1);
  auto* go = new QPushButton(tr("Show its frame"), this);
  go->setObjectName("showFrame");
  go->setToolTip(tr("Goes to the sheet on which the caret's place shows"));
  go->setAutoDefault(false);
  row->addWidget(go);
  auto* close = new QPushButton(tr("Close"), this);
  close->setAutoDefault(false);
  row->addWidget(close);
  connect(go, &QPushButton::clicked, this, &StoryWindow::goThere);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  pause_.setSingleShot(true);
  pause_.setInterval(pauseMilliseconds);
  connect(&pause_, &QTimer::timeout, this, &StoryWindow::settle);
  connect(&desk, &Desk::settleWanted, this, &StoryWindow::settle);
  connect(&desk, &Desk::projectChanged, this, &StoryWindow::follow);
  connect(edit_, &QPlainTextEdit::textChanged, this, &StoryWindow::take);
  connect(edit_, &StoryText::undone, this, [this] {
    settle();
    desk_.undo();
  });
  connect(edit_, &StoryText::redone, this, [this] {
    settle();
    desk_.redo();
  });
  follow();
  edit_->setFocus();
}

void StoryWindow::done(int result) {
  settle();
  QDialog::done(result);
}

const Words* StoryWindow::story() const {
  const ItemPtr item = findItem(desk_.project(), words_);
  return item ? wordsOf(*item) : nullptr;
}

void StoryWindow::follow() {
  const Words* words = story();
  if (!words) {
    close();
    return;
  }
  setWindowTitle(tr("The story of “%1”").arg(inQt(findItem(desk_.project(), words_)->name)));
  if (!trial_.isShown()) {
    keep(lookedTextOf(*words));
    if (edit_->toPlainText().toStdString() != text_.text) {
      isFollowing_ = true;
      const int caret = edit_->textCursor().position();
      edit_->setPlainText(QString::fromStdString(text_.text));
      QTextCursor cursor = edit_->textCursor();
      cursor.setPosition(std::min(caret, edit_->document()->characterCount() - 1));
      edit_->setTextCursor(cursor);
      isFollowing_ = false;
    }
  }
  mark();
}

void StoryWindow::keep(LookedText text) {
  if (text.text != text_.text) letters_ = letterStops(text.text).size() - 1;
  text_ = std::move(text);
}

void StoryWindow::take() {
  if (isFollowing_) return;
  const QString before = QString::fromStdString(text_.text);
  const std::string clean = cleanText(edit_->toPlainText().toStdString());
  const QString now = QString::fromStdString(clean);
  if (now == before) return;
  // What is the same before and behind it stays as it is, with its looks.
  qsizetype from = 0, behind = 0;
  const qsizetype most = std::min(before.size(), now.size());
  while (from < most && before[from] == now[from]) ++from;
  while (behind < most - from && before[before.size() - 1 - behind] == now[now.size() - 1 - behind]) ++behind;
  while (from > 0 && before[from - 1].isHighSurrogate()) --from;
  while (behind > 0 && before[before.size() - behind].isLowSurrogate()) --behind;
  const std::string added = now.mid(from, now.size() - from - behind).toStdString();
  LookedText changed =
      withReplaced(text_, byteOf(before, from), byteOf(before, before.size() - behind), LookedText{added, {}});
  if (!trial_.isShown()) desk_.settleAll();
  trial_.show(withLookedText(desk_.settled(), words_, changed));
  if (!trial_.isShown()) {
    follow();  // beyond the limits
    return;
  }
  keep(std::move(changed));
  mark();
  pause_.start();
}

void StoryWindow::settle() {
  pause_.stop();
  if (trial_.isShown()) trial_.settle(tr("Type"));
}

void StoryWindow::mark() {
  std::vector<std::pair<std::size_t, QString>> beginnings;  // by their bytes
  QList<QTextEdit::ExtraSelection> tones;
  std::size_t overs = 0;
  const auto frames = framesOfStory(desk_.project(), words_);
  for (std::size_t i = 0; i < frames.size(); ++i) {
    const ItemPtr item = findItem(desk_.project(), frames[i]);
    const Words* words = item ? wordsOf(*item) : nullptr;
    if (!words) continue;
    const SetWords& set = words->set();
    const SheetPtr sheet = sheetOf(desk_.project(), frames[i]);
    beginnings.emplace_back(set.lines.front().from,
                            tr("%1 · %2").arg(i + 1).arg(sheet ? inQt(sheet->name) : QString()));
    if (set.fits() || i + 1 < frames.size()) continue;
    overs = set.lines.size() - set.shown;
    QTextEdit::ExtraSelection over;
    over.cursor = QTextCursor(edit_->document());
    over.cursor.setPosition(placeOf(text_.text, std::min(set.lines[set.shown].from, text_.text.size())));
    over.cursor.movePosition(QTextCursor::End, QTextCursor::KeepAnchor);
    over.format.setForeground(theme::rust);
    tones.push_back(over);
  }
  // Where no frame begins, the style of a paragraph.
  for (const ParagraphLook& one : text_.looks.paragraphs)
    if (one.named) beginnings.emplace_back(one.at, inQt(one.named->name));
  edit_->setMarks(marksAt(text_.text, std::move(beginnings)));
  edit_->setExtraSelections(tones);
  QString said = frames.size() == 1 ? tr("%1 letters in one frame").arg(letters_)
                                    : tr("%1 letters in %2 frames").arg(letters_).arg(frames.size());
  if (overs > 0)
    said += overs == 1 ? tr(" · the last line does not fit") : tr(" · the last %1 lines do not fit").arg(overs);
  said_->setText(said);
}

Id StoryWindow::frameAt(std::size_t place) const {
  for (const Id id : framesOfStory(desk_.project(), words_)) {
    const ItemPtr item = findItem(desk_.project(), id);
    const Words* words = item ? wordsOf(*item) : nullptr;
    if (words && place >= words->set().lines.front().from && place <= words->set().lines.back().to) return id;
  }
  return words_;
}

void StoryWindow::goThere() {
  settle();
  const Id frame = frameAt(byteOf(edit_->toPlainText(), edit_->textCursor().position()));
  if (const SheetPtr sheet = sheetOf(desk_.settled(), frame)) desk_.goToSheet(sheet->id);
  desk_.select({frame});
}

}  // namespace widecut
