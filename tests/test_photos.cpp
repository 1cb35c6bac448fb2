#include "test_photos.h"

#include <jpeglib.h>

#include <vector>

namespace widecut {

std::string cmykJpeg(int width, int height, int cyan, int magenta, int yellow, int black) {
  jpeg_compress_struct jpeg{};
  jpeg_error_mgr error{};
  jpeg.err = jpeg_std_error(&error);
  jpeg_create_compress(&jpeg);
  unsigned char* out = nullptr;
  unsigned long size = 0;
  jpeg_mem_dest(&jpeg, &out, &size);
  jpeg.image_width = static_cast<JDIMENSION>(width);
  jpeg.image_height = static_cast<JDIMENSION>(height);
  jpeg.input_components = 4;
  jpeg.in_color_space = JCS_CMYK;
  jpeg_set_defaults(&jpeg);
  jpeg.write_Adobe_marker = TRUE;
  jpeg_start_compress(&jpeg, TRUE);
  std::vector<unsigned char> row;
  for (int x = 0; x < width; ++x)
    for (const int ink : {cyan, magenta, yellow, black}) row.push_back(static_cast<unsigned char>(255 - ink));
  JSAMPROW rows[1] = {row.data()};
  for (int y = 0; y < height; ++y) jpeg_write_scanlines(&jpeg, rows, 1);
  jpeg_finish_compress(&jpeg);
  std::string bytes(reinterpret_cast<const char*>(out), size);
  jpeg_destroy_compress(&jpeg);
  free(out);
  return bytes;
}

}  // namespace widecut
