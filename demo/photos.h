// The demo's photos, made up from noise.
#pragma once

#include <string>
#include <vector>

namespace skarrow {

struct DemoPhoto {
  std::string name;
  std::string jpeg;
};

/// Ridge at dawn, viaduct in snow, dusk over the valley station, carriage window: 1600 × 1200 each.
std::vector<DemoPhoto> demoPhotos();

}  // namespace skarrow
