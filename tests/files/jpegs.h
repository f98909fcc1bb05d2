// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// clang-format off
#include <cstdio>  // what jpeglib.h takes for granted
#include <jpeglib.h>
// clang-format on

#include <array>
#include <cstdlib>
#include <string>
#include <vector>

/// A warm red, 200, 60, 40, as JPEG by the library: of three colours, of four inks, or its red
/// alone as one grey. With `halves` its right half is the opposite of that.
inline std::string jpegOf(int wide, int tall, int colours, bool halves = false) {
  jpeg_compress_struct info{};
  jpeg_error_mgr trouble{};
  unsigned char* packed = nullptr;
  unsigned long size = 0;
  info.err = jpeg_std_error(&trouble);
  jpeg_create_compress(&info);
  jpeg_mem_dest(&info, &packed, &size);
  info.image_width = static_cast<JDIMENSION>(wide);
  info.image_height = static_cast<JDIMENSION>(tall);
  info.input_components = colours;
  info.in_color_space = colours == 4 ? JCS_CMYK : (colours == 3 ? JCS_RGB : JCS_GRAYSCALE);
  jpeg_set_defaults(&info);
  jpeg_set_quality(&info, 95, TRUE);
  jpeg_start_compress(&info, TRUE);
  // As inks it is written inverted, black last.
  constexpr std::array<JSAMPLE, 4> parts{200, 60, 40, 255};
  std::vector<JSAMPLE> line;
  for (int x = 0; x < wide; ++x) {
    for (int c = 0; c < colours; ++c) {
      const JSAMPLE part = parts[static_cast<std::size_t>(c)];
      line.push_back(halves && x >= wide / 2 ? static_cast<JSAMPLE>(255 - part) : part);
    }
  }
  while (info.next_scanline < info.image_height) {
    JSAMPROW row = line.data();
    jpeg_write_scanlines(&info, &row, 1);
  }
  jpeg_finish_compress(&info);
  std::string bytes(reinterpret_cast<const char*>(packed), size);
  jpeg_destroy_compress(&info);
  std::free(packed);
  return bytes;
}
