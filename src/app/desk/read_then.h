// Reading something from elsewhere in the background, and laying it.
#pragma once

#include <functional>
#include <memory>

#include "app/desk/desk.h"

namespace widecut {

/// What to say where it cannot be done.
using Otherwise = std::function<void(const Problem&)>;

/// Reads in the background, then lays what was read on the window's thread; before this returns where it is read within
/// moments. `name` says what is being done, as in “Reading notes.odt”. It can be stopped like all work in the
/// background.
template <class Value>
void readThen(Desk& desk, const QString& name, std::function<Result<Value>(const Progress&)> read,
              std::function<Result<void>(Value)> lay, Otherwise otherwise) {
  desk.background().startSoon(name,
                              [read = std::move(read), lay = std::move(lay),
                               otherwise = std::move(otherwise)](const Progress& progress) -> std::function<void()> {
                                auto value = std::make_shared<Result<Value>>(read(progress));
                                return [value, lay, otherwise] {
                                  const Result<void> laid =
                                      *value ? lay(std::move(**value)) : tl::unexpected(value->error());
                                  if (!laid) otherwise(laid.error());
                                };
                              });
}

}  // namespace widecut
