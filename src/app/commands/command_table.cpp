#include <array>

#include "app/commands/arrange_commands.h"
#include "app/commands/cut_commands.h"
#include "app/commands/draw_commands.h"
#include "app/commands/edit_commands.h"
#include "app/commands/fill_commands.h"
#include "app/commands/node_commands.h"
#include "app/commands/project_commands.h"
#include "app/commands/sheets_commands.h"
#include "app/commands/text_commands.h"
#include "app/commands/view_commands.h"

namespace widecut {
namespace {

template <std::size_t... Sizes>
constexpr auto joined(const Command (&... tables)[Sizes]) {
  std::array<Command, (Sizes + ...)> all{};
  std::size_t next = 0;
  const auto add = [&](const auto& table) {
    for (const Command& c : table) all[next++] = c;
  };
  (add(tables), ...);
  return all;
}

constexpr auto table =
    joined(commands::projectCommands, commands::editCommands, commands::drawCommands, commands::nodeCommands,
           commands::cutCommands, commands::fillCommands, commands::textCommands, commands::arrangeCommands,
           commands::sheetsCommands, commands::viewCommands);

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
