// The keys that say what a new shape does to the selected item; those of the outcomes.
#pragma once

#include <Qt>
#include <optional>

#include "cutting/formula.h"

namespace widecut {

struct JoinKey {
  Role role;
  Qt::Key key;
};
inline constexpr JoinKey joinKeys[] = {
    {Role::Add, Qt::Key_U}, {Role::Subtract, Qt::Key_S}, {Role::Intersect, Qt::Key_I}, {Role::Exclude, Qt::Key_X}};

inline std::optional<Role> roleOf(int key) {
  for (const JoinKey& join : joinKeys)
    if (join.key == key) return join.role;
  return std::nullopt;
}

}  // namespace widecut
