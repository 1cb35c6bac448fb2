// Commands of how the mat shows, and help.
#pragma once

#include <QApplication>
#include <QMessageBox>

#include "app/commands/command_rules.h"
#include "app/desk/arranging.h"
#include "app/desk/preferences.h"
#include "app/mat/mat.h"
#include "app/mat/selection_frame.h"
#include "app/window/errands.h"
#include "shapes/primitives.h"

namespace widecut::commands {

inline void about(const Site& s) {
  QMessageBox::about(&s.window, Desk::tr("About Wide Cut"),
                     Desk::tr("Wide Cut %1\nFrames, masks and cutouts of your own shape.\n\nGPL-3.0-or-later. "
                              "Interface type: Cabin, SIL Open Font License 1.1.")
                         .arg(QApplication::applicationVersion()));
}

inline constexpr Command viewCommands[] = {
    {.id = Do::FitSheet,
     .menu = Menu::View,
     .name = "fitSheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Fit sheet"),
     .keys = "Ctrl+0",
     .run = [](const Site& s) { s.mat.fitSheet(); }},
    {.id = Do::FitSelection,
     .menu = Menu::View,
     .name = "fitSelection",
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom to the selection"),
     .keys = "Z",
     .run =
         [](const Site& s) {
           if (const auto frame = SelectionFrame::of(s.desk.project(), s.desk.selection()))
             s.mat.showBox(bounds(transformed(fitted(rectangleOutline(1, 1), frame->box), frame->toSheet)));
         },
     .applies = some},
    {.id = Do::TrueSize,
     .menu = Menu::View,
     .name = "trueSize",
     .words = QT_TRANSLATE_NOOP("Commands", "True size"),
     .keys = "Ctrl+1",
     .run = [](const Site& s) { s.mat.showTrueSize(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "As large as on paper, as far as the screen knows its own size")},
    {.id = Do::ZoomIn,
     .menu = Menu::View,
     .repeats = true,
     .name = "zoomIn",
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom in"),
     .keys = "Ctrl++; Ctrl+=",
     .run = [](const Site& s) { s.mat.zoomBy(1.25); }},
    {.id = Do::ZoomOut,
     .menu = Menu::View,
     .repeats = true,
     .name = "zoomOut",
     .words = QT_TRANSLATE_NOOP("Commands", "Zoom out"),
     .keys = "Ctrl+-",
     .run = [](const Site& s) { s.mat.zoomBy(0.8); }},
    {.id = Do::PaperView,
     .menu = Menu::View,
     .lineBefore = true,
     .name = "paperView",
     .words = QT_TRANSLATE_NOOP("Commands", "Paper only"),
     .keys = "F6",
     .run = [](const Site& s) { s.desk.toggleView(MatView::Paper); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Only what prints"),
     .isOn = [](const Desk& d) { return d.view() == MatView::Paper; }},
    {.id = Do::SeeThroughView,
     .menu = Menu::View,
     .name = "seeThroughView",
     .words = QT_TRANSLATE_NOOP("Commands", "See-through"),
     .keys = "F7",
     .run = [](const Site& s) { s.desk.toggleView(MatView::SeeThrough); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Checks wherever nothing covers the sheet: holes are holes"),
     .isOn = [](const Desk& d) { return d.view() == MatView::SeeThrough; }},
    {.id = Do::EdgesView,
     .menu = Menu::View,
     .name = "edgesView",
     .words = QT_TRANSLATE_NOOP("Commands", "Edges only"),
     .keys = "F8",
     .run = [](const Site& s) { s.desk.toggleView(MatView::Edges); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Outlines without their paint"),
     .isOn = [](const Desk& d) { return d.view() == MatView::Edges; }},
    {.id = Do::ShowGuides,
     .menu = Menu::View,
     .lineBefore = true,
     .name = "showGuides",
     .words = QT_TRANSLATE_NOOP("Commands", "Guides"),
     .keys = "F",
     .run = [](const Site& s) { showOrHide(s.desk, &Preferences::showsGuides); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Pulled out of the rulers; drags snap to them while they show"),
     .isOn = [](const Desk&) { return preferences().showsGuides; }},
    {.id = Do::ShowGrid,
     .menu = Menu::View,
     .name = "showGrid",
     .words = QT_TRANSLATE_NOOP("Commands", "Grid"),
     .keys = "Shift+F",
     .run = [](const Site& s) { showOrHide(s.desk, &Preferences::showsGrid); },
     .hint = QT_TRANSLATE_NOOP("Commands", "Of the piece; drags snap to it while it shows"),
     .isOn = [](const Desk&) { return preferences().showsGrid; }},
    {.id = Do::ShowGaps,
     .menu = Menu::View,
     .name = "showGaps",
     .words = QT_TRANSLATE_NOOP("Commands", "Gaps round the selection"),
     .keys = "V",
     .run = [](const Site& s) { showOrHide(s.desk, &Preferences::showsGaps); },
     .hint = QT_TRANSLATE_NOOP("Commands", "To its neighbours and the sheet, as numbers that are typed into"),
     .isOn = [](const Desk&) { return preferences().showsGaps; }},
    {.id = Do::DragsRest,
     .menu = Menu::View,
     .name = "dragsRest",
     .words = QT_TRANSLATE_NOOP("Commands", "Snap to what is near"),
     .keys = "Y",
     .run =
         [](const Site& s) {
           prefer([](Preferences& p) { p.rests = !p.rests; });
           emit s.desk.told(preferences().rests ? Desk::tr("Drags snap to edges, nodes and gaps again")
                                                : Desk::tr("Drags go where the pointer goes · Y lets them rest again"));
           emit s.desk.viewChanged();
         },
     .hint = QT_TRANSLATE_NOOP("Commands", "At edges, middles, nodes, equal gaps and more; Ctrl lets one drag pass"),
     .isOn = [](const Desk&) { return preferences().rests; }},
    {.id = Do::FullScreen,
     .menu = Menu::View,
     .lineBefore = true,
     .name = "fullScreen",
     .words = QT_TRANSLATE_NOOP("Commands", "Full screen"),
     .keys = "F11",
     .run = [](const Site& s) { s.window.setWindowState(s.window.windowState() ^ Qt::WindowFullScreen); }},

    {.id = Do::KeySheet,
     .menu = Menu::Help,
     .name = "keySheet",
     .words = QT_TRANSLATE_NOOP("Commands", "Keys and commands"),
     .keys = "?; F1",
     .run = [](const Site& s) { emit s.errands.keySheetWanted(); },
     .hint = QT_TRANSLATE_NOOP("Commands", "All of them, to be searched and run")},
    {.id = Do::About,
     .menu = Menu::Help,
     .name = "about",
     .words = QT_TRANSLATE_NOOP("Commands", "About Wide Cut"),
     .keys = "",
     .run = about},
};

}  // namespace widecut::commands
