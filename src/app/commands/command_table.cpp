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
     .name = "new",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "New"),
     .keys = "Ctrl+N",
     .run = [](const Site& s) { s.errands.startNew(); }},
    {.id = Do::Open,
     .name = "open",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "Open…"),
     .keys = "Ctrl+O",
     .run = [](const Site& s) { s.errands.askForProject(); }},
    {.id = Do::Save,
     .name = "save",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "Save"),
     .keys = "Ctrl+S",
     .run = [](const Site& s) { s.errands.save(); }},
    {.id = Do::SaveAs,
     .name = "saveAs",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "Save as…"),
     .keys = "Ctrl+Shift+S",
     .run = [](const Site& s) { s.errands.saveAs(); }},
    {.id = Do::Deliver,
     .name = "deliver",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "Deliver…"),
     .keys = "Ctrl+E",
     .run = [](const Site& s) { s.errands.deliverSomething(); },
     .lineBefore = true},
    {.id = Do::Quit,
     .name = "quit",
     .menu = Menu::Project,
     .words = QT_TRANSLATE_NOOP("Commands", "Quit"),
     .keys = "Ctrl+Q",
     .run = [](const Site& s) { s.window.close(); },
     .lineBefore = true},

    // Edit
    {.id = Do::Undo,
     .name = "undo",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Undo"),
     .keys = "Ctrl+Z; Alt+Backspace",
     .run = [](const Site& s) { s.desk.undo(); },
     .applies = [](const Desk& d) { return d.history().canUndo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Undo"), d.history().undoName()); }},
    {.id = Do::Redo,
     .name = "redo",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Redo"),
     .keys = "Ctrl+Shift+Z; Ctrl+Y",
     .run = [](const Site& s) { s.desk.redo(); },
     .applies = [](const Desk& d) { return d.history().canRedo(); },
     .wordsNow = [](const Desk& d) { return withEdit(Desk::tr("Redo"), d.history().redoName()); }},
    {.id = Do::Duplicate,
     .name = "duplicate",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Duplicate"),
     .keys = "Ctrl+D",
     .run = duplicate,
     .applies = some,
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::Delete,
     .name = "delete",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Delete"),
     .keys = "Del",
     .run =
         [](const Site& s) { s.desk.commit(Desk::tr("Delete"), withoutItems(s.desk.settled(), s.desk.selection())); },
     .applies = some,
     .byPointer = true},
    {.id = Do::SelectAll,
     .name = "selectAll",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Select all"),
     .keys = "Ctrl+A",
     .run = selectAll,
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::SelectNothing,
     .name = "selectNothing",
     .menu = Menu::Edit,
     .words = QT_TRANSLATE_NOOP("Commands", "Select nothing"),
     .keys = "Ctrl+Shift+A",
     .run = [](const Site& s) { s.desk.select({}); },
     .applies = some},

    // Cut
    {.id = Do::Union,
     .name = "union",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Union"),
     .keys = "U",
     .run = outcome<Outcome::Union>,
     .applies = several,
     .byPointer = true},
    {.id = Do::SubtractFront,
     .name = "subtractFront",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Subtract front from back"),
     .keys = "S",
     .run = outcome<Outcome::SubtractFront>,
     .applies = several,
     .byPointer = true},
    {.id = Do::SubtractBack,
     .name = "subtractBack",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Subtract back from front"),
     .keys = "Shift+S",
     .run = outcome<Outcome::SubtractBack>,
     .applies = several,
     .byPointer = true},
    {.id = Do::Intersect,
     .name = "intersect",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Intersect"),
     .keys = "I",
     .run = outcome<Outcome::Intersect>,
     .applies = several,
     .byPointer = true},
    {.id = Do::Exclude,
     .name = "exclude",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Exclude"),
     .keys = "X",
     .run = outcome<Outcome::Exclude>,
     .applies = several,
     .byPointer = true},
    {.id = Do::Divide,
     .name = "divide",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Divide"),
     .keys = "D",
     .run = [](const Site& s) { s.desk.makeDivision(); },
     .applies = several,
     .byPointer = true},
    {.id = Do::KeepOffcuts,
     .name = "keepOffcuts",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Keep offcuts"),
     .keys = "",
     .run = [](const Site& s) { keepOffcuts(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands", "What the recipe removes becomes items behind the cutout"),
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::SplitLoose,
     .name = "splitLoose",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Split loose"),
     .keys = "",
     .run = [](const Site& s) { splitLoose(s.desk); },
     .applies = one,
     .hint = QT_TRANSLATE_NOOP("Commands", "Ends the cutout: every separate region becomes an item"),
     .byPointer = true},
    {.id = Do::Bake,
     .name = "bake",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Bake into a plain outline"),
     .keys = "B",
     .run = [](const Site& s) { bake(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands",
                               "Final: the cutout becomes a plain outline with the nodes of its result. Undo brings "
                               "the recipe back."),
     .brief = QT_TRANSLATE_NOOP("Commands", "Bake"),
     .byPointer = true},
    {.id = Do::LiftParts,
     .name = "liftParts",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Lift parts out"),
     .keys = "",
     .run = [](const Site& s) { liftParts(s.desk); },
     .applies = cutout,
     .hint = QT_TRANSLATE_NOOP("Commands", "Ends the cutout: every part becomes an item again, with its own look"),
     .byPointer = true},
    {.id = Do::Offset,
     .name = "offset",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Offset…"),
     .keys = "O",
     .run = tool<ToolKind::Offset>,
     .applies = some,
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::LineOutline,
     .name = "lineOutline",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Outline of the line…"),
     .keys = "L",
     .run = tool<ToolKind::LineOutline>,
     .applies = some},
    {.id = Do::TrimToSheet,
     .name = "trimToSheet",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Trim to sheet"),
     .keys = "T",
     .run = [](const Site& s) { trim(s.desk, false); },
     .applies = some,
     .lineBefore = true},
    {.id = Do::TrimToBleed,
     .name = "trimToBleed",
     .menu = Menu::Cut,
     .words = QT_TRANSLATE_NOOP("Commands", "Trim to bleed"),
     .keys = "Shift+T",
     .run = [](const Site& s) { trim(s.desk, true); },
     .applies = some},

    // Fill
    {.id = Do::BringInPhoto,
     .name = "bringInPhoto",
     .menu = Menu::Fill,
     .words = QT_TRANSLATE_NOOP("Commands", "Bring in a photo…"),
     .keys = "Ctrl+Shift+P",
     .run = [](const Site& s) { s.errands.askForPhoto(); },
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::Reframe,
     .name = "reframePhoto",
     .menu = Menu::Fill,
     .words = QT_TRANSLATE_NOOP("Commands", "Reframe the photo"),
     .keys = "R",
     .run = tool<ToolKind::Reframe>,
     .applies = [](const Desk& d) { return d.onlyItem() && shownPhoto(*d.onlyItem()); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Moves and scales the picture in its frame"),
     .brief = QT_TRANSLATE_NOOP("Commands", "Reframe"),
     .byPointer = true},

    // Arrange
    {.id = Do::ToFront,
     .name = "toFront",
     .menu = Menu::Arrange,
     .words = QT_TRANSLATE_NOOP("Commands", "Bring to front"),
     .keys = "Ctrl+]",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Bring to front"), broughtToFront(s.desk.settled(), s.desk.selection()));
         },
     .applies = some,
     .lineBefore = true,
     .byPointer = true},
    {.id = Do::ToBack,
     .name = "toBack",
     .menu = Menu::Arrange,
     .words = QT_TRANSLATE_NOOP("Commands", "Send to back"),
     .keys = "Ctrl+[",
     .run =
         [](const Site& s) {
           s.desk.commit(Desk::tr("Send to back"), sentToBack(s.desk.settled(), s.desk.selection()));
         },
     .applies = some,
     .byPointer = true},

    // Sheets
    {.id = Do::NextSheet,
     .name = "nextSheet",
     .menu = Menu::Sheets,
     .words = QT_TRANSLATE_NOOP("Commands", "Next sheet"),
     .keys = "PgDown",
     .run = [](const Site& s) { s.desk.stepSheet(1); }},
    {.id = Do::PreviousSheet,
     .name = "previousSheet",
     .menu = Menu::Sheets,
     .words = QT_TRANSLATE_NOOP("Commands", "Previous sheet"),
     .keys = "PgUp",
     .run = [](const Site& s) { s.desk.stepSheet(-1); }},

    // View
    {.id = Do::FitSheet,
     .name = "fitSheet",
     .menu = Menu::View,
     .words = QT_TRANSLATE_NOOP("Commands", "Fit sheet"),
     .keys = "Ctrl+0",
     .run = [](const Site& s) { s.mat.fitSheet(); }},
    {.id = Do::ZoomIn,
     .name = "zoomIn",
     .menu = Menu::View,
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom in"),
     .keys = "Ctrl++; Ctrl+=",
     .run = [](const Site& s) { s.mat.zoomBy(1.25); }},
    {.id = Do::ZoomOut,
     .name = "zoomOut",
     .menu = Menu::View,
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom out"),
     .keys = "Ctrl+-",
     .run = [](const Site& s) { s.mat.zoomBy(0.8); }},
    {.id = Do::FullScreen,
     .name = "fullScreen",
     .menu = Menu::View,
     .words = QT_TRANSLATE_NOOP("Commands", "Full screen"),
     .keys = "F11",
     .run = [](const Site& s) { s.window.setWindowState(s.window.windowState() ^ Qt::WindowFullScreen); },
     .lineBefore = true},

    // Help
    {.id = Do::About,
     .name = "about",
     .menu = Menu::Help,
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

QString translated(const char* words) { return QCoreApplication::translate("Commands", words); }

}  // namespace

std::span<const Command> commandTable() { return table; }

const Command& command(CommandId id) { return table[static_cast<std::size_t>(id)]; }

QString Command::menuWords() const { return translated(words); }

QString Command::buttonWords() const {
  const QString said = translated(*brief ? brief : words);
  const auto k = keyList();
  return k.isEmpty() || k.front().toString().size() > 1 ? said : said + "  " + k.front().toString();
}

QString Command::tip() const { return translated(hint); }

QList<QKeySequence> Command::keyList() const {
  return *keys ? QKeySequence::listFromString(QString::fromLatin1(keys)) : QList<QKeySequence>();
}

QString nameOf(CommandMenu menu) {
  static const char* const names[] = {
      QT_TRANSLATE_NOOP("Commands", "Project"), QT_TRANSLATE_NOOP("Commands", "Edit"),
      QT_TRANSLATE_NOOP("Commands", "Draw"),    QT_TRANSLATE_NOOP("Commands", "Cut"),
      QT_TRANSLATE_NOOP("Commands", "Fill"),    QT_TRANSLATE_NOOP("Commands", "Arrange"),
      QT_TRANSLATE_NOOP("Commands", "Sheets"),  QT_TRANSLATE_NOOP("Commands", "View"),
      QT_TRANSLATE_NOOP("Commands", "Help")};
  static_assert(std::size(names) == static_cast<std::size_t>(CommandMenu::count));
  return translated(names[static_cast<std::size_t>(menu)]);
}

}  // namespace widecut
