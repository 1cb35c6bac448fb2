// Starting the window.
#pragma once

namespace widecut {

/// Opens the window on the file named in the words, or on an empty sheet, and runs until it closes.
/// `--copy` opens a copy: saving asks for a name. `--shot FILE` saves a picture of the window at 1280 × 800 and ends.
/// Returns the program's exit code.
int runWindow(int count, char** words);

}  // namespace widecut
