// What can be done to a whole outline, or to a stretch of it.
#pragma once

#include "shapes/node_edits.h"
#include "shapes/symmetry.h"

namespace widecut {

/// The nodes that an action is about, rising; none stands for all.
using Stretch = std::vector<NodePlace>;

/// Every node smooth. Ends of open paths stay.
NodePaths smoothed(NodePaths paths, const Stretch& stretch = {});
/// Kinks of up to 60° smoothed: nodes of curves that turn a little, as a slip of the hand leaves them. Sharper corners,
/// and those between straight edges, stay.
NodePaths withoutKinks(NodePaths paths, const Stretch& stretch = {});
/// Handles of smooth nodes in line, each a third of its edge's length long.
NodePaths withEvenHandles(NodePaths paths, const Stretch& stretch = {});
/// Straight edges between these nodes, or everywhere.
NodePaths straightened(NodePaths paths, const Stretch& stretch = {});
/// Fewer nodes, within `tolerance` of what it was; `error` is how far it strays. Corners keep their treatment.
NodePaths simplified(const NodePaths& paths, double tolerance, double& error);
/// The closest outline of at most half as many nodes that a tolerance gives; the same where none does.
NodePaths refitted(const NodePaths& paths, double& error);

/// The box of their edges.
Box boundsOf(const NodePaths& paths);

}  // namespace widecut
