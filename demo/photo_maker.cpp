// Writes the demo's photos into a folder.
#include <fstream>
#include <iostream>

#include "photos.h"

int main(int count, char** words) {
  if (count != 2) {
    std::cerr << "usage: skarrow_photos FOLDER\n";
    return 2;
  }
  for (const auto& photo : skarrow::demoPhotos()) {
    const std::string path = std::string(words[1]) + "/" + photo.name;
    if (!(std::ofstream(path, std::ios::binary) << photo.jpeg)) {
      std::cerr << "cannot write " << path << '\n';
      return 2;
    }
  }
  return 0;
}
