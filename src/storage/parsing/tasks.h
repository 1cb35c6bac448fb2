// What the reading process does with drawings and texts, and all that it does.
#pragma once

#include "reading/serve.h"

namespace widecut::parsing {

/// Svg, and text.
void addDocumentTasks(reading::Tasks& tasks);

/// All tasks, those with photos and videos too, and what `more` adds: `main` calls this where it is a reading process.
/// The exit code.
int serveAll(int count, char** words, void (*more)(reading::Tasks&) = nullptr);

}  // namespace widecut::parsing
