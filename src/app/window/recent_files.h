// The project files that were open last, kept from start to start.
#pragma once

#include <QStringList>

namespace widecut::recent {

/// Those that are still there, the last one first; ten at most.
QStringList files();
/// This one was opened or saved.
void add(const QString& path);

}  // namespace widecut::recent
