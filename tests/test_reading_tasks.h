// Readers that go wrong on purpose.
#pragma once

#include "reading/serve.h"

namespace widecut {

void addTestTasks(reading::Tasks& tasks);

}  // namespace widecut
