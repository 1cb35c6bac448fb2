// The last change of a selection, to be made once more.
#pragma once

#include <QString>
#include <functional>

#include "project/model.h"

namespace widecut {

/// A change that can be made to any items.
using ItemsChange = std::function<Project(const Project&, const std::vector<Id>&)>;

/// A change as it is made to any items, which are selected while it is worked out.
struct Again {
  QString name;
  ItemsChange change;
  bool copies = false;  ///< It was made to copies, and is to copies again.
};

}  // namespace widecut
