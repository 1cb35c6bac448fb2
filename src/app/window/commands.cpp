// The commands of the window, by menu.
#include <QApplication>
#include <QFileDialog>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>

#include "app/mat/mat.h"
#include "app/window/main_window.h"
#include "project/edits/pieces.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

QList<QKeySequence> standard(QKeySequence::StandardKey key) { return QKeySequence::keyBindings(key); }

}  // namespace

std::vector<MainWindow::Command> MainWindow::projectCommands() {
  const QString menu = tr("Project");
  return {
      {menu,
       tr("New"),
       standard(QKeySequence::New),
       [this] {
         if (mayDiscard()) desk_.startNew();
       },
       {}},
      {menu,
       tr("Open…"),
       standard(QKeySequence::Open),
       [this] {
         if (!mayDiscard()) return;
         const QString path =
             QFileDialog::getOpenFileName(this, tr("Open a project"), {}, "Wide Cut projects (*.widecut)");
         if (!path.isEmpty()) openFile(path);
       },
       {}},
      {menu, tr("Save"), standard(QKeySequence::Save), [this] { save(); }, {}},
      {menu, tr("Save as…"), {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S)}, [this] { saveAs(); }, {}},
      {menu, tr("Deliver…"), {QKeySequence(Qt::CTRL | Qt::Key_E)}, [this] { deliverSomething(); }, {}, "deliver", true},
      {menu, tr("Quit"), {QKeySequence(Qt::CTRL | Qt::Key_Q)}, [this] { close(); }, {}, {}, true},
  };
}

std::vector<MainWindow::Command> MainWindow::editCommands() {
  const QString edit = tr("Edit"), arrange = tr("Arrange");
  const auto some = [this] { return !desk_.selection().empty(); };
  return {
      {edit, tr("Undo"), standard(QKeySequence::Undo), [this] { desk_.undo(); },
       [this] { return desk_.history().canUndo(); }, "undo"},
      {edit,
       tr("Redo"),
       {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), QKeySequence(Qt::CTRL | Qt::Key_Y)},
       [this] { desk_.redo(); },
       [this] { return desk_.history().canRedo(); },
       "redo"},
      {edit, tr("Duplicate"), {QKeySequence(Qt::CTRL | Qt::Key_D)}, [this] { duplicateSelection(); }, some, {}, true},
      {edit, tr("Delete"), {QKeySequence(Qt::Key_Delete)}, [this] { deleteSelection(); }, some},
      {edit,
       tr("Select all"),
       standard(QKeySequence::SelectAll),
       [this] {
         std::vector<Id> all;
         for (const ItemPtr& item : desk_.sheet()->items)
           if (!item->hidden) all.push_back(item->id);
         desk_.select(all);
       },
       {},
       {},
       true},
      {edit,
       tr("Select nothing"),
       {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_A)},
       [this] { desk_.select({}); },
       some},
      {arrange,
       tr("Bring to front"),
       {QKeySequence(Qt::CTRL | Qt::Key_BracketRight)},
       [this] { desk_.commit(tr("Bring to front"), broughtToFront(desk_.settled(), desk_.selection())); },
       some},
      {arrange,
       tr("Send to back"),
       {QKeySequence(Qt::CTRL | Qt::Key_BracketLeft)},
       [this] { desk_.commit(tr("Send to back"), sentToBack(desk_.settled(), desk_.selection())); },
       some},
  };
}

std::vector<MainWindow::Command> MainWindow::cutCommands() {
  const QString cut = tr("Cut"), fill = tr("Fill");
  const auto several = [this] { return desk_.outcomeItems().size() > 1; };
  const auto outcome = [&](const QString& text, const QKeySequence& key, Outcome o) {
    return Command{cut, text, {key}, [this, o] { desk_.makeOutcome(o); }, several};
  };
  return {
      outcome(tr("Union"), QKeySequence(Qt::Key_U), Outcome::Union),
      outcome(tr("Subtract front from back"), QKeySequence(Qt::Key_S), Outcome::SubtractFront),
      outcome(tr("Subtract back from front"), QKeySequence(Qt::SHIFT | Qt::Key_S), Outcome::SubtractBack),
      outcome(tr("Intersect"), QKeySequence(Qt::Key_I), Outcome::Intersect),
      outcome(tr("Exclude"), QKeySequence(Qt::Key_X), Outcome::Exclude),
      {cut, tr("Divide"), {QKeySequence(Qt::Key_D)}, [this] { desk_.makeDivision(); }, several},
      {fill, tr("Bring in a photo…"), {QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_P)}, [this] { askForPhoto(); }, {}},
      {fill,
       tr("Reframe the photo"),
       {QKeySequence(Qt::Key_R)},
       [this] { reframeSelection(); },
       [this] { return desk_.onlyItem() && shownPhoto(*desk_.onlyItem()); }},
  };
}

void MainWindow::trimSelection(bool toBleed) {
  const SheetPtr sheet = desk_.sheet();
  const Box box = toBleed ? sheet->box().grown(sheet->bleed) : sheet->box();
  std::vector<Id> made;
  const QString edge = toBleed ? tr("bleed edge") : tr("sheet edge");
  Project changed = withTrimmed(desk_.settled(), desk_.selection(), box, edge.toStdString(), made);
  int count = 0;
  for (const Id id : desk_.selection())
    count += findItem(changed, id) && findItem(desk_.settled(), id)->form != findItem(changed, id)->form;
  if (count == 0) {
    emit desk_.told(tr("Nothing of it overhangs the %1").arg(edge));
    return;
  }
  desk_.commit(toBleed ? tr("Trim to bleed") : tr("Trim to sheet"), std::move(changed));
  emit desk_.told(tr("%1 trimmed: what overhangs is hidden, not lost")
                      .arg(count == 1 ? tr("One item") : tr("%1 items").arg(count)));
}

std::vector<MainWindow::Command> MainWindow::pieceCommands() {
  const QString cut = tr("Cut");
  const auto some = [this] { return !desk_.selection().empty(); };
  const auto cutout = [this] { return desk_.openCutout() != nullptr; };
  const auto one = [this] { return desk_.onlyItem() != nullptr; };
  return {
      {cut,
       tr("Keep offcuts"),
       {},
       [this] {
         const ItemPtr item = desk_.openCutout();
         std::vector<Id> made;
         Project changed = withOffcuts(desk_.settled(), item->id, made);
         if (made.empty()) {
           emit desk_.told(tr("This recipe removes nothing: there are no offcuts"));
           return;
         }
         desk_.commit(tr("Keep offcuts"), std::move(changed));
         desk_.select(made);
         emit desk_.told(made.size() == 1 ? tr("One offcut, behind the cutout")
                                          : tr("%1 offcuts, behind the cutout").arg(made.size()));
       },
       cutout,
       "keepOffcuts",
       true},
      {cut,
       tr("Split loose"),
       {},
       [this] {
         std::vector<Id> made;
         const Id id = desk_.openCutout() ? desk_.openCutout()->id : desk_.onlyItem()->id;
         Project changed = withSplitLoose(desk_.settled(), id, made);
         if (made.empty()) {
           emit desk_.told(tr("It is one piece: there is nothing to split"));
           return;
         }
         desk_.commit(tr("Split loose"), std::move(changed));
         desk_.select(made);
         emit desk_.told(tr("%1 pieces").arg(made.size()));
       },
       one,
       "splitLoose"},
      {cut,
       tr("Bake into a plain outline"),
       {QKeySequence(Qt::Key_B)},
       [this] {
         const Id id = desk_.openCutout()->id;
         desk_.commit(tr("Bake"), withBaked(desk_.settled(), id));
         desk_.select({id});
         emit desk_.told(tr("Baked: a plain outline now. Undo brings the recipe back."));
       },
       cutout,
       "bake"},
      {cut,
       tr("Lift parts out"),
       {},
       [this] {
         std::vector<Id> parts;
         desk_.commit(tr("Lift parts out"), withPartsLifted(desk_.settled(), desk_.openCutout()->id, parts));
         desk_.select(parts);
       },
       cutout,
       "liftParts"},
      {cut,
       tr("Offset…"),
       {QKeySequence(Qt::Key_O)},
       [this] { desk_.setTool(ToolKind::Offset); },
       some,
       "offset",
       true},
      {cut,
       tr("Outline of the line…"),
       {QKeySequence(Qt::Key_L)},
       [this] { desk_.setTool(ToolKind::LineOutline); },
       some,
       "lineOutline"},
      {cut,
       tr("Trim to sheet"),
       {QKeySequence(Qt::Key_T)},
       [this] { trimSelection(false); },
       some,
       "trimToSheet",
       true},
      {cut,
       tr("Trim to bleed"),
       {QKeySequence(Qt::SHIFT | Qt::Key_T)},
       [this] { trimSelection(true); },
       some,
       "trimToBleed"},
  };
}

std::vector<MainWindow::Command> MainWindow::otherCommands() {
  const QString draw = tr("Draw"), sheets = tr("Sheets"), view = tr("View"), help = tr("Help");
  const auto tool = [&](const QString& text, Qt::Key key, ToolKind kind) {
    return Command{draw, text, {QKeySequence(key)}, [this, kind] { desk_.setTool(kind); }, {}};
  };
  return {
      tool(tr("Select"), Qt::Key_1, ToolKind::Select),
      tool(tr("Rectangle"), Qt::Key_4, ToolKind::Rectangle),
      tool(tr("Ellipse"), Qt::Key_5, ToolKind::Ellipse),
      tool(tr("Polygon"), Qt::Key_6, ToolKind::Polygon),
      tool(tr("Reframe"), Qt::Key_9, ToolKind::Reframe),
      tool(tr("Knife"), Qt::Key_0, ToolKind::Knife),
      {sheets, tr("Next sheet"), {QKeySequence(Qt::Key_PageDown)}, [this] { stepSheet(1); }, {}},
      {sheets, tr("Previous sheet"), {QKeySequence(Qt::Key_PageUp)}, [this] { stepSheet(-1); }, {}},
      {view, tr("Fit sheet"), {QKeySequence(Qt::CTRL | Qt::Key_0)}, [this] { mat_->fitSheet(); }, {}},
      {view, tr("Zoom in"), standard(QKeySequence::ZoomIn), [this] { mat_->zoomBy(1.25); }, {}},
      {view, tr("Zoom out"), standard(QKeySequence::ZoomOut), [this] { mat_->zoomBy(0.8); }, {}},
      {view,
       tr("Full screen"),
       {QKeySequence(Qt::Key_F11)},
       [this] { setWindowState(windowState() ^ Qt::WindowFullScreen); },
       {},
       {},
       true},
      {help,
       tr("About Wide Cut"),
       {},
       [this] {
         QMessageBox::about(
             this, tr("About Wide Cut"),
             tr("Wide Cut %1\nFrames, masks and cutouts of your own shape.\n\nGPL-3.0-or-later. Interface type: "
                "Cabin, SIL Open Font License 1.1.")
                 .arg(QApplication::applicationVersion()));
       },
       {}},
  };
}

void MainWindow::addCommands() {
  std::map<QString, QMenu*> menus;
  for (const QString& name : {tr("Project"), tr("Edit"), tr("Draw"), tr("Cut"), tr("Fill"), tr("Arrange"), tr("Sheets"),
                              tr("View"), tr("Help")})
    menus[name] = menuBar()->addMenu(name);
  for (const auto& commands : {projectCommands(), editCommands(), cutCommands(), pieceCommands(), otherCommands()}) {
    for (const Command& command : commands) {
      QMenu* menu = menus.at(command.menu);
      if (command.lineBefore) menu->addSeparator();
      QAction* action = menu->addAction(command.text);
      action->setShortcuts(command.keys);
      action->setObjectName(command.name);
      connect(action, &QAction::triggered, this, [this, run = command.run] {
        // A key in the middle of a drag must not pull away what is being dragged.
        if (QApplication::mouseButtons() != Qt::NoButton) return;
        settleTyping();
        run();
      });
      if (command.applies) conditional_.emplace_back(action, command.applies);
      if (command.name == "undo") undo_ = action;
      if (command.name == "redo") redo_ = action;
    }
  }
}

}  // namespace widecut
