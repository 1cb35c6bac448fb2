#include "app/commands/command_actions.h"

#include <QAction>
#include <QApplication>
#include <QMenu>
#include <QMenuBar>
#include <QPointer>
#include <QPushButton>

#include "app/desk/desk.h"
#include "app/tools/tool_table.h"

namespace widecut {
namespace {

/// What can be done although no project is to be seen.
bool isOfNoProject(CommandId id) {
  switch (id) {
    case CommandId::New:
    case CommandId::Open:
    case CommandId::Preferences:
    case CommandId::Quit:
    case CommandId::FullScreen:
    case CommandId::KeySheet:
    case CommandId::About:
      return true;
    default:
      return false;
  }
}

}  // namespace

CommandActions::CommandActions(const CommandSite& site, std::function<void()> before, std::function<void()> after,
                               QObject* parent)
    : QObject(parent), site_(site), before_(std::move(before)), after_(std::move(after)) {
  for (const Command& c : commandTable()) {
    auto* action = new QAction(c.menuWords(), this);
    action->setShortcuts(c.keyList());
    action->setAutoRepeat(c.repeats);
    action->setObjectName(c.name);
    action->setToolTip(c.tip());
    action->setCheckable(c.isOn != nullptr);
    const bool looksOnly = c.menu == CommandMenu::View || c.menu == CommandMenu::Help || c.id == CommandId::Quit;
    connect(action, &QAction::triggered, this, [this, &c, looksOnly] {
      act(looksOnly, [&] {
        // What was being tried, and is settled now, may have left nothing to act on.
        if (!c.applies || c.applies(site_.desk)) c.run(site_);
      });
    });
    actions_[static_cast<std::size_t>(c.id)] = action;
  }
  for (const auto signal : {&Desk::selectionChanged, &Desk::projectChanged, &Desk::toolChanged, &Desk::fileChanged,
                            &Desk::viewChanged, &Desk::nodesChosen, &Desk::againNoted})
    connect(&site.desk, signal, this, &CommandActions::refresh);
  refresh();
}

void CommandActions::act(bool looksOnly, const std::function<void()>& what) {
  // A key in the middle of a drag must not pull away what is being dragged.
  if (QApplication::mouseButtons() != Qt::NoButton) return;
  if (site_.desk.isOpening() && !looksOnly) {
    emit site_.desk.told(tr("It is still being opened"));
    return;
  }
  const QPointer<QWidget> had = QApplication::focusWidget();
  before_();
  what();
  if (had && QApplication::focusWidget() == had) after_();
}

void CommandActions::addMenus(QMenuBar& bar) {
  QMenu* menus[static_cast<std::size_t>(CommandMenu::count)];
  for (std::size_t i = 0; i < std::size(menus); ++i) menus[i] = bar.addMenu(nameOf(static_cast<CommandMenu>(i)));
  for (const ToolEntry& tool : toolTable()) {
    if (!tool.isInRow()) continue;
    QAction* action = menus[static_cast<std::size_t>(CommandMenu::Draw)]->addAction(tool.words());
    action->setShortcut(tool.key);
    toolActions_.push_back(action);
    connect(action, &QAction::triggered, this,
            [this, kind = tool.kind] { act(true, [&] { site_.desk.setTool(kind); }); });
  }
  for (const Command& c : commandTable()) {
    QMenu* menu = menus[static_cast<std::size_t>(c.menu)];
    if (c.lineBefore && !menu->isEmpty()) menu->addSeparator();
    menu->addAction(action(c.id));
  }
}

void CommandActions::openByPointer(QPoint where) {
  auto* menu = new QMenu(&site_.window);
  menu->setObjectName("pointerMenu");
  menu->setAttribute(Qt::WA_DeleteOnClose);
  const Command* last = nullptr;
  for (const Command& c : commandTable()) {
    if (!c.byPointer || !action(c.id)->isEnabled()) continue;
    if (last && last->menu != c.menu) menu->addSeparator();
    last = &c;
    menu->addAction(action(c.id));
  }
  menu->popup(where);
}

void CommandActions::openMenu(std::initializer_list<CommandId> ids, QPoint where) {
  auto* menu = new QMenu(&site_.window);
  menu->setObjectName("panelMenu");
  menu->setAttribute(Qt::WA_DeleteOnClose);
  for (const CommandId id : ids)
    if (action(id)->isEnabled()) menu->addAction(action(id));
  menu->popup(where);
}

void CommandActions::run(CommandId id) { action(id)->trigger(); }

void CommandActions::runOf(int key) {
  for (QAction* one : actions_)
    if (one->shortcuts().contains(QKeySequence(key))) {
      one->trigger();
      return;
    }
}

void CommandActions::setHidden(bool hidden) {
  isHidden_ = hidden;
  for (QAction* tool : toolActions_) tool->setEnabled(!hidden);
  refresh();
}

void CommandActions::refresh() {
  // They act on what is settled.
  if (site_.desk.isTrying()) return;
  for (const Command& c : commandTable()) {
    const bool isOffered = !isHidden_ || isOfNoProject(c.id);
    action(c.id)->setEnabled(isOffered && (!c.applies || c.applies(site_.desk)));
    if (c.isOn) action(c.id)->setChecked(c.isOn(site_.desk));
    if (c.wordsNow) action(c.id)->setText(c.wordsNow(site_.desk));
  }
}

QPushButton* commandButton(CommandId id, QWidget* parent) {
  const Command& c = command(id);
  auto* button = new QPushButton(c.buttonWords(), parent);
  button->setObjectName(c.name);
  button->setToolTip(c.tip());
  return button;
}

void showState(QPushButton& button, CommandId id, const Desk& desk) {
  const Command& c = command(id);
  button.setEnabled(!c.applies || c.applies(desk));
  button.setCheckable(c.isOn != nullptr);
  button.setChecked(c.isOn && c.isOn(desk));
  if (c.wordsNow) button.setText(c.wordsNow(desk));
}

}  // namespace widecut
