#include "app/window/key_sheet.h"

#include <QAction>
#include <QCoreApplication>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QTimer>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/commands/command_actions.h"
#include "app/commands/other_words.h"
#include "app/desk/desk.h"
#include "app/look/theme.h"
#include "app/tools/tool_table.h"
#include "shapes/starter.h"

namespace widecut {
namespace {

constexpr int commandRole = Qt::UserRole, toolRole = Qt::UserRole + 1, otherWordsRole = Qt::UserRole + 2;
constexpr int none = -1;

struct MatKey {
  const char* words;
  const char* keys;
};
/// What keys and the mouse do on the mat, whatever is in the menus.
constexpr MatKey matKeys[] = {
    {QT_TRANSLATE_NOOP("KeySheet", "Next item, the one before"), "Tab, Shift+Tab"},
    {QT_TRANSLATE_NOOP("KeySheet", "Into a group or a cutout, and out of it"), "Enter, Esc"},
    {QT_TRANSLATE_NOOP("KeySheet", "Move by 1 mm, 10 mm, 0.1 mm"), "arrows, Shift+, Ctrl+"},
    {QT_TRANSLATE_NOOP("KeySheet", "Pick the item below"), "Ctrl+click, Alt+click"},
    {QT_TRANSLATE_NOOP("KeySheet", "Drag a copy"), "drag and hold C, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Keep to one direction, keep regular"), "Shift+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Next thing to snap to, during a drag"), "Tab, Shift+Tab"},
    {QT_TRANSLATE_NOOP("KeySheet", "Drag without snapping"), "Ctrl+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Take all that the marquee touches"), "drag and hold T, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "From the middle, about the pivot"), "drag and hold M, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "A line along the horizon of a photo"), "drag and hold H, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Add, subtract, intersect, exclude while drawing"), "hold U, S, I, X"},
    {QT_TRANSLATE_NOOP("KeySheet", "Lay the shape in the middle of the sheet"), "Enter"},
    {QT_TRANSLATE_NOOP("KeySheet", "Nodes: next, the one before"), "Tab, Shift+Tab"},
    {QT_TRANSLATE_NOOP("KeySheet", "Nodes: smooth or corner"), "double click"},
    {QT_TRANSLATE_NOOP("KeySheet", "Nodes: break a handle, pull both out"), "drag and hold B, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Corners: this one only"), "drag its arc and hold O, Alt+drag"},
    {QT_TRANSLATE_NOOP("KeySheet", "Pen: take the last node back, end it open"), "Backspace, Enter"},
    {QT_TRANSLATE_NOOP("KeySheet", "Move the sheet"), "Space+drag, wheel"},
    {QT_TRANSLATE_NOOP("KeySheet", "Zoom"), "Ctrl+wheel"},
    {QT_TRANSLATE_NOOP("KeySheet", "From the mat to the panels"), "Ctrl+Tab"},
};

}  // namespace

KeySheet::KeySheet(CommandActions& commands, Desk& desk, QWidget* window)
    : QFrame(window, Qt::Popup), commands_(commands), desk_(desk) {
  setObjectName("keySheet");
  setAccessibleName(tr("Keys and commands"));
  setAttribute(Qt::WA_DeleteOnClose);
  theme::setSheet(*this, "#keySheet { background: #FBF9F4; border: 1px solid #D5CDBD; border-radius: 3px }");
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 14, 16, 10);
  column->setSpacing(8);
  auto* heading = new QLabel(tr("Keys and commands"), this);
  theme::makeHeading(*heading);
  column->addWidget(heading);
  search_ = new QLineEdit(this);
  search_->setObjectName("keySearch");
  search_->setAccessibleName(tr("Search commands"));
  search_->setPlaceholderText(tr("Type a word: knife, group, zoom …"));
  search_->installEventFilter(this);
  column->addWidget(search_);
  list_ = new QTreeWidget(this);
  list_->setObjectName("keyList");
  list_->setColumnCount(3);
  list_->setHeaderHidden(true);
  list_->setRootIsDecorated(false);
  list_->setIndentation(10);
  list_->setFrameShape(QFrame::NoFrame);
  list_->setFocusPolicy(Qt::NoFocus);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  column->addWidget(list_, 1);
  auto* hint = new QLabel(tr("Enter runs the marked one · Esc closes"), this);
  theme::makeSecondary(*hint);
  column->addWidget(hint);
  nothing_ = new QLabel(tr("Nothing is called so. Nearest:"), this);
  nothing_->setObjectName("keysNotFound");
  theme::makeProblem(*nothing_);
  nothing_->hide();
  column->insertWidget(2, nothing_);
  fill();
  connect(search_, &QLineEdit::textChanged, this, &KeySheet::search);
  connect(list_, &QTreeWidget::itemClicked, this, [this](QTreeWidgetItem* row) { run(row); });
}

void KeySheet::openOver(QWidget& window) {
  const QSize size(std::min(760, window.width() - 80), std::min(560, window.height() - 120));
  resize(size);
  list_->header()->resizeSection(0, size.width() * 42 / 100);
  list_->header()->resizeSection(1, size.width() * 24 / 100);
  move(window.mapToGlobal(QPoint((window.width() - size.width()) / 2, 90)));
  show();
  search_->setFocus();
}

QTreeWidgetItem* KeySheet::addGroup(const QString& name) {
  auto* group = new QTreeWidgetItem(list_, {name});
  group->setFont(0, theme::heading());
  group->setForeground(0, theme::slate);
  group->setFlags(Qt::ItemIsEnabled);
  group->setExpanded(true);
  return group;
}

void KeySheet::addRow(QTreeWidgetItem& group, const QString& words, const QString& keys, const QString& what,
                      int command) {
  auto* row = new QTreeWidgetItem(&group, {words, keys, what});
  row->setData(0, commandRole, command);
  row->setForeground(1, theme::plum);
  row->setForeground(2, theme::slate);
  row->setToolTip(2, what);
}

void KeySheet::fill() {
  QTreeWidgetItem* tools = addGroup(tr("Tools"));
  for (const ToolEntry& tool : toolTable()) {
    if (!tool.isInRow()) continue;
    addRow(*tools, tool.words(), tool.keyText(), {}, none);
    QTreeWidgetItem* row = tools->child(tools->childCount() - 1);
    row->setData(0, toolRole, static_cast<int>(tool.kind));
    row->setData(0, otherWordsRole, otherWordsFor(tool.kind));
  }
  QTreeWidgetItem* mat = addGroup(tr("On the mat"));
  for (const MatKey& key : matKeys) addRow(*mat, tr(key.words), tr(key.keys), {}, none);
  CommandMenu menu = CommandMenu::count;
  QTreeWidgetItem* group = nullptr;
  for (const Command& c : commandTable()) {
    if (c.menu != menu) group = addGroup(nameOf(menu = c.menu));
    QStringList keys;
    for (const QKeySequence& key : c.keyList()) keys << key.toString(QKeySequence::NativeText);
    addRow(*group, commands_.action(c.id)->text(), keys.join(", "), c.tip(), static_cast<int>(c.id));
    const bool applies = commands_.action(c.id)->isEnabled();
    group->child(group->childCount() - 1)->setData(0, otherWordsRole, otherWordsFor(c.id));
    if (!applies) group->child(group->childCount() - 1)->setForeground(0, theme::slate);
  }
}

void KeySheet::search(const QString& text) {
  const QStringList words = text.split(' ', Qt::SkipEmptyParts);
  QTreeWidgetItem* first = nullptr;
  int found = 0;
  for (int g = 0; g < list_->topLevelItemCount(); ++g) {
    QTreeWidgetItem* group = list_->topLevelItem(g);
    int shown = 0;
    for (int i = 0; i < group->childCount(); ++i) {
      QTreeWidgetItem* row = group->child(i);
      const bool fits = finds(*row, words);
      row->setHidden(!fits);
      shown += fits;
      found += fits;
      if (fits && !first && !words.isEmpty()) first = row;
    }
    group->setHidden(shown == 0);
  }
  nothing_->setVisible(found == 0);
  if (found == 0) first = showNearest(text);
  list_->setCurrentItem(first);
}

bool KeySheet::finds(const QTreeWidgetItem& row, const QStringList& words) const {
  const QString all = row.parent()->text(0) + ' ' + row.text(0) + ' ' + row.text(1) + ' ' + row.text(2) + ' ' +
                      row.data(0, otherWordsRole).toString();
  return std::all_of(words.begin(), words.end(),
                     [&](const QString& word) { return all.contains(word, Qt::CaseInsensitive); });
}

/// Where nothing is found, those with the words that are spelled most like what was typed.
QTreeWidgetItem* KeySheet::showNearest(const QString& text) {
  constexpr int most = 5;
  std::vector<std::pair<std::size_t, QTreeWidgetItem*>> near;
  for (int g = 0; g < list_->topLevelItemCount(); ++g)
    for (int i = 0; i < list_->topLevelItem(g)->childCount(); ++i) {
      QTreeWidgetItem* row = list_->topLevelItem(g)->child(i);
      if (row->data(0, commandRole).toInt() == none && !row->data(0, toolRole).isValid()) continue;
      std::size_t least = static_cast<std::size_t>(-1);
      for (const QString& word :
           (row->text(0) + ' ' + row->data(0, otherWordsRole).toString()).split(' ', Qt::SkipEmptyParts))
        least = std::min(least, lettersApart(word.toLower().toStdString(), text.trimmed().toLower().toStdString()));
      near.emplace_back(least, row);
    }
  std::stable_sort(near.begin(), near.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
  near.resize(std::min<std::size_t>(near.size(), most));
  for (const auto& [apart, row] : near) {
    row->setHidden(false);
    row->parent()->setHidden(false);
  }
  return near.empty() ? nullptr : near.front().second;
}

void KeySheet::run(QTreeWidgetItem* row) {
  if (!row || !row->parent()) return;
  const int id = row->data(0, commandRole).toInt();
  const QVariant tool = row->data(0, toolRole);
  if (id == none && !tool.isValid()) return;
  close();
  // Once the sheet is gone, so that the command finds the window as it was.
  QTimer::singleShot(0, &commands_, [&commands = commands_, &desk = desk_, id, tool] {
    if (tool.isValid())
      desk.setTool(static_cast<ToolKind>(tool.toInt()));
    else
      commands.run(static_cast<CommandId>(id));
  });
}

bool KeySheet::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress) {
    auto* key = static_cast<QKeyEvent*>(event);
    switch (key->key()) {
      case Qt::Key_Up:
      case Qt::Key_Down:
      case Qt::Key_PageUp:
      case Qt::Key_PageDown:
        QCoreApplication::sendEvent(list_, event);
        return true;
      case Qt::Key_Return:
      case Qt::Key_Enter:
        run(list_->currentItem());
        return true;
      default:
        break;
    }
  }
  return QFrame::eventFilter(watched, event);
}

}  // namespace widecut
