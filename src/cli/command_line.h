// The work without a window: cut, deliver, info.
#pragma once

namespace widecut {

/// True when the words ask for a command rather than for the window.
bool isCommand(int count, char** words);
/// Runs the command. 0 when done; 2 after one clear line on stderr.
int runCommand(int count, char** words);

}  // namespace widecut
