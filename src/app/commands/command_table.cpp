#include <QApplication>
#include <QMessageBox>

#include "app/commands/command.h"
#include "app/desk/cuts.h"
#include "app/mat/mat.h"
#include "app/window/errands.h"
#include "project/edits/places.h"
#include "project/edits/tree.h"
#include "project/resolve.h"

namespace widecut {
namespace {

using Site = CommandSite;
using Menu = CommandMenu;
using Do = CommandId;

bool some(const Desk& desk) { return !desk.selection().empty(); }
bool one(const Desk& desk) { return desk.onlyItem() != nullptr; }
bool several(const Desk& desk) { return desk.outcomeItems().size() > 1; }
bool cutout(const Desk& desk) { return desk.openCutout() != nullptr; }

template <Outcome O>
void outcome(const Site& s) {
  s.desk.makeOutcome(O);
}

template <ToolKind Kind>
void tool(const Site& s) {
  s.desk.setTool(Kind);
}

QString withEdit(const QString& verb, const std::string& edit) {
  return edit.empty() ? verb : verb + ": " + QString::fromStdString(edit);
}

void selectAll(const Site& s) {
  std::vector<Id> all;
  for (const ItemPtr& item : s.desk.sheet()->items)
    if (!item->hidden) all.push_back(item->id);
  s.desk.select(std::move(all));
}

void duplicate(const Site& s) {
  std::vector<Id> copies;
  s.desk.commit(Desk::tr("Duplicate"), withCopies(s.desk.settled(), s.desk.selection(), {12, 12}, copies));
  s.desk.select(copies);
}

void about(const Site& s) {
  QMessageBox::about(&s.window, Desk::tr("About Wide Cut"),
                     Desk::tr("Wide Cut %1\nFrames, masks and cutouts of your own shape.\n\nGPL-3.0-or-later. "
                              "Interface type: Cabin, SIL Open Font License 1.1.")
                         .arg(QApplication::applicationVersion()));
}

constexpr Command table[] = {
    // Project
    {.id = Do::New,
     .menu = Menu::Project,
     .name = "new",
     .words = QT_TRANSLATE_NOOP("Commands", "New"),
     .keys = "Ctrl+N",
     .run = [](const Site& s) { s.errands.startNew(); }},
    {.id = Do::Open,
     .menu = Menu::Project,
     .name = "open",
     .words = QT_TRANSLATE_NOOP("Commands", "Open…"),
     .keys = "Ctrl+O",
     .run = [](const Site& s) { s.errands.askForProject(); }},
    {.id = Do::Save,
     .menu = Menu::Project,
     .name = "save",
     .words = QT_TRANSLATE_NOOP("Commands", "Save"),
     .keys = "Ctrl+S",
     .run = [](const Site& s) { s.errands.save(); }},
    {.id = Do::SaveAs,
     .menu = Menu::Project,
     .name = "saveAs",
     .words = QT_TRANSLATE_NOOP("Commands", "Save as…"),
     .keys = "Ctrl+Shift+S",
     .run = [](const Site& s) { s.errands.saveAs(); }},
    {.id = Do::Deliver,
     .menu = Menu::Project,
     .lineBefore = true,
     .name = "deliver",
     .words = QT_TRANSLATE_NOOP("Commands", "Deliver…"),
     .keys = "Ctrl+E",
     .run = [](const Site& s) { s.errands.deliverSomething(); }},
    {.id = Do::Quit,
     .menu = Menu::Project,
     .lineBefore = true,
     .name = "quit",
     .words = QT_TRANSLATE_NOOP("Commands", "Quit"),
     .keys = "Ctrl+Q",
     .run = [](const Site& s) { s.window.close(); }},

    // Edit
    {.id = Do::Undo,
     .menu = Menu::Edit,
     .name = "undo",
     .words = QT_TRANSLATE_NOOP("Commands", "Undo"),
     .keys = "Ctrl+Z; Alt+Backspace",
     .run = [](const Site& s) { s.desk.undo(); },
     .applies = [](const Desk& d) { return d.history().canUndo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Undo"), d.history().undoName()); }},
    {.id = Do::Redo,
     .menu = Menu::Edit,
     .name = "redo",
     .words = QT_TRANSLATE_NOOP("Commands", "Redo"),
     .keys = "Ctrl+Shift+Z; Ctrl+Y",
     .run = [](const Site& s) { s.desk.redo(); },
     .applies = [](const Desk& d) { return d.history().canRedo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Redo"), d.history().redoName()); }},
    {.id = Do::Duplicate,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "duplicate",
     .words = QT_TRANSLATE_NOOP("Commands", "Duplicate"),
     .keys = "Ctrl+D",
     .run = duplicate,
     .applies = some},
    {.id = Do::Delete,
     .menu = Menu::Edit,
     .byPointer = true,
     .name = "delete",
     .words = QT_TRANSLATE_NOOP("Commands", "Delete"),
     .keys = "Del",
     .run =
         [](const Site& s) { s.desk.commit(Desk::tr("Delete"), withoutItems(s.desk.settled(), s.desk.selection())); },
     .applies = some},
    {.id = Do::SelectAll,
     .menu = Menu::Edit,
     .lineBefore = true,
     .byPointer = true,
     .name = "selectAll",
     .words = QT_TRANSLATE_NOOP("Commands", "Select all"),
     .keys = "Ctrl+A",
     .run = selectAll},
    {.id = Do::SelectNothing,
     .menu = Menu::Edit,
     .name = "selectNothing",
     .words = QT_TRANSLATE_NOOP("Commands", "Select nothing"),
     .keys = "Ctrl+Shift+A",
     .run = [](const Site& s) { s.desk.select({}); },
     .applies = some},

    // Cut
    {.id = Do::Union,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "union",
     .words = QT_TRANSLATE_NOOP("Commands", "Union"),
     .keys = "U",
     .run = outcome<Outcome::Union>,
     .applies = several},
    {.id = Do::SubtractFront,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "subtractFront",
     .words = QT_TRANSLATE_NOOP("Commands", "Subtract front from back"),
     .keys = "S",
     .run = outcome<Outcome::SubtractFront>,
     .applies = several},
    {.id = Do::SubtractBack,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "subtractBack",
     .words = QT_TRANSLATE_NOOP("Commands", "Subtract back from front"),
     .keys = "Shift+S",
     .run = outcome<Outcome::SubtractBack>,
     .applies = several},
    {.id = Do::Intersect,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "intersect",
     .words = QT_TRANSLATE_NOOP("Commands", "Intersect"),
     .keys = "I",
     .run = outcome<Outcome::Intersect>,
     .applies = several},
    {.id = Do::Exclude,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "exclude",
     .words = QT_TRANSLATE_NOOP("Commands", "Exclude"),
     .keys = "X",
     .run = outcome<Outcome::Exclude>,
     .applies = several},
    {.id = Do::Divide,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "divide",
     .words = QT_TRANSLATE_NOOP("Commands", "Divide"),
     .keys = "D",
     .run = [](const Site& s) { s.desk.makeDivision(); },
     .applies = several},
    {.id = Do::KeepOffcuts,
     .menu = Menu::Cut,
     .lineBefore = true,
     .byPointer = true,
     .name = "keepOffcuts",
     .words = QT_TRANSLATE_NOOP("Commands", "Keep offcuts"),
     .keys = "",
     .run = [](const Site& s) { keepOffcuts(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands", "What the recipe removes becomes items behind the cutout")},
    {.id = Do::SplitLoose,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "splitLoose",
     .words = QT_TRANSLATE_NOOP("Commands", "Split loose"),
     .keys = "",
     .run = [](const Site& s) { splitLoose(s.desk); },
     .applies = one,
     .hint = QT_TRANSLATE_NOOP("Commands", "Ends the cutout: every separate region becomes an item")},
    {.id = Do::Bake,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "bake",
     .words = QT_TRANSLATE_NOOP("Commands", "Bake into a plain outline"),
     .keys = "B",
     .run = [](const Site& s) { bake(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands",
                               "Final: the cutout becomes a plain outline with the nodes of its result. Undo brings "
                               "the recipe back."),
     .brief = QT_TRANSLATE_NOOP("Commands", "Bake")},
    {.id = Do::LiftParts,
     .menu = Menu::Cut,
     .byPointer = true,
     .name = "liftParts",
     .words = QT_TRANSLATE_NOOP("Commands", "Lift parts out"),
     .keys = "",
     .run = [](const Site& s) { liftParts(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands", "Ends the cutout: every part becomes an item again, with its own look")},
    {.id = Do::Offset,
     .menu = Menu::Cut,
     .lineBefore = true,
     .byPointer = true,
     .name = "offset",
     .words = QT_TRANSLATE_NOOP("Commands", "Offset…"),
     .keys = "O",
     .run = tool<ToolKind::Offset>,
     .applies = some},
    {.id = Do::LineOutline,
     .menu = Menu::Cut,
     .name = "lineOutline",
     .words = QT_TRANSLATE_NOOP("Commands", "Outline of the line…"),
     .keys = "L",
     .run = tool<ToolKind::LineOutline>,
     .applies = some},
    {.id = Do::TrimToSheet,
     .menu = Menu::Cut,
     .lineBefore = true,
     .name = "trimToSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Trim to sheet"),
     .keys = "T",
     .run = [](const Site& s) { trim(s.desk, false); },
     .applies = some},
    {.id = Do::TrimToBleed,
     .menu = Menu::Cut,
     .name = "trimToBleed",
     .words = QT_TRANSLATE_NOOP("Commands", "Trim to bleed"),
     .keys = "Shift+T",
     .run = [](const Site& s) { trim(s.desk, true); },
     .applies = some},

    // Fill
    {.id = Do::BringInPhoto,
     .menu = Menu::Fill,
     .lineBefore = true,
     .byPointer = true,
     .name = "bringInPhoto",
     .words = QT_TRANSLATE_NOOP("Commands", "Bring in a photo…"),
     .keys = "Ctrl+Shift+P",
     .run = [](const Site& s) { s.errands.askForPhoto(); }},
    {.id = Do::Reframe,
     .menu = Menu::Fill,
     .byPointer = true,
     .name = "reframePhoto",
     .words = QT_TRANSLATE_NOOP("Commands", "Reframe the photo"),
     .keys = "R",
     .run = tool<ToolKind::Reframe>,
     .applies = [](const Desk& d) { return d.onlyItem() && shownPhoto(*d.onlyItem()); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Moves and scales the picture in its frame"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Reframe")},

    // Arrange
    {.id = Do::ToFront,
     .menu = Menu::Arrange,
     .lineBefore = true,
     .byPointer = true,
     .name = "toFront",
     .words = QT_TRANSLATE_NOOP("Commands", "Bring to front"),
     .keys = "Ctrl+]",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Bring to front"), broughtToFront(s.desk.settled(), s.desk.selection()));
         },
     .applies = some},
    {.id = Do::ToBack,
     .menu = Menu::Arrange,
     .byPointer = true,
     .name = "toBack",
     .words = QT_TRANSLATE_NOOP("Commands", "Send to back"),
     .keys = "Ctrl+[",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Send to back"), sentToBack(s.desk.settled(), s.desk.selection()));
         },
     .applies = some},

    // Sheets
    {.id = Do::NextSheet,
     .menu = Menu::Sheets,
     .name = "nextSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Next sheet"),
     .keys = "PgDown",
     .run = [](const Site& s) { s.desk.stepSheet(1); }},
    {.id = Do::PreviousSheet,
     .menu = Menu::Sheets,
     .name = "previousSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Previous sheet"),
     .keys = "PgUp",
     .run = [](const Site& s) { s.desk.stepSheet(-1); }},

    // View
    {.id = Do::FitSheet,
     .menu = Menu::View,
     .name = "fitSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Fit sheet"),
     .keys = "Ctrl+0",
     .run = [](const Site& s) { s.mat.fitSheet(); }},
    {.id = Do::ZoomIn,
     .menu = Menu::View,
     .name = "zoomIn",
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom in"),
     .keys = "Ctrl++; Ctrl+=",
     .run = [](const Site& s) { s.mat.zoomBy(1.25); }},
    {.id = Do::ZoomOut,
     .menu = Menu::View,
     .name = "zoomOut",
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom out"),
     .keys = "Ctrl+-",
     .run = [](const Site& s) { s.mat.zoomBy(0.8); }},
    {.id = Do::FullScreen,
     .menu = Menu::View,
     .lineBefore = true,
     .name = "fullScreen",
     .words = QT_TRANSLATE_NOOP("Commands", "Full screen"),
     .keys = "F11",
     .run = [](const Site& s) { s.window.setWindowState(s.window.windowState() ^ Qt::WindowFullScreen); }},

    // Help
    {.id = Do::About,
     .menu = Menu::Help,
     .name = "about",
     .words = QT_TRANSLATE_NOOP("Commands", "About Wide Cut"),
     .keys = "",
     .run = about},
};

// Each id has its place, so that it is found without looking, and none can be left out.
static_assert(std::size(table) == static_cast<std::size_t>(CommandId::count));
static_assert([] {
  for (std::size_t i = 0; i < std::size(table); ++i)
    if (table[i].id != static_cast<CommandId>(i)) return false;
  return true;
}());

}  // namespace

std::span<const Command> commandTable() { return table; }

const Command& command(CommandId id) { return table[static_cast<std::size_t>(id)]; }

}  // namespace widecut
