// Commands of how the mat shows, and help.
#pragma once

#include <QApplication>
#include <QMessageBox>

#include "app/commands/command_rules.h"
#include "app/mat/mat.h"

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

    {.id = Do::About,
     .menu = Menu::Help,
     .name = "about",
     .words = QT_TRANSLATE_NOOP("Commands", "About Wide Cut"),
     .keys = "",
     .run = about},
};

}  // namespace widecut::commands
