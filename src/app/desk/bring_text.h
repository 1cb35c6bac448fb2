// Texts from elsewhere, laid on the sheet as words.
#pragma once

#include "app/desk/read_then.h"
#include "storage/text_in.h"

namespace widecut {

/// Lays a text: behind what the selected words say, in the selected item as its frame, or in a new frame within the
/// margins of the sheet; one line that has room stands by itself, at a place or in the middle. The styles that it
/// refers to become the project's.
Result<void> layText(Desk& desk, LookedText text, std::optional<Point> at, const QString& step);
/// The same of a file, by the ending of its name; it is read in the background first. Problems begin with its name.
void layTextFile(Desk& desk, const QString& path, std::optional<Point> at, const Otherwise& otherwise);

}  // namespace widecut
