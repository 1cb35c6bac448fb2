// The other words by which people look for commands and tools.
#pragma once

#include <QString>

#include "app/commands/command.h"
#include "app/tools/tool_kind.h"

namespace widecut {

/// Several words, none of which need be in the command's own; they are looked through when a command is searched.
QString otherWordsFor(CommandId id);
QString otherWordsFor(ToolKind kind);

}  // namespace widecut
