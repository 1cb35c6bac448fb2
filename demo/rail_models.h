// What stands on the railway: its viaducts and its carriages.
#pragma once

#include "camera.h"

namespace skarrow {

/// A viaduct of stone whose deck passes over `centre` at that height, and climbs by `slope` metres a metre.
Solid viaduct(Vec centre, float yaw, float deck, float slope);
/// A carriage that stands on `foot`, the middle of it between the rails; lit where `lights` are on.
Solid carriage(Vec foot, float yaw, float slope, Vec paint, bool lights);

}  // namespace skarrow
