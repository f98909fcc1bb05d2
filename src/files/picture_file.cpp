// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/picture_file.h"

#include <jpeglib.h>
#include <libexif/exif-data.h>
#include <png.h>

#include <algorithm>
#include <cmath>
#include <csetjmp>
#include <cstdio>
#include <cstring>
#include <memory>
#include <tuple>

namespace avrelt {
namespace {

constexpr std::string_view pngSign{"\x89PNG\r\n\x1a\n", 8};
constexpr std::string_view jpegSign{"\xff\xd8\xff", 3};

Sentence damaged(const std::string& name) {
  return {"The picture %1 is damaged and cannot be read. Save it again as PNG or JPEG.", {name}};
}

/// libjpeg ends by a jump: what it is to leave behind has to stand outside.
struct JpegTrouble {
  jpeg_error_mgr base;
  std::jmp_buf back;
};
[[noreturn]] void jpegFails(j_common_ptr info) {
  std::longjmp(reinterpret_cast<JpegTrouble*>(info->err)->back, 1);
}
void jpegSaysNothing(j_common_ptr /*info*/) {}

class JpegReader {
 public:
  explicit JpegReader(std::string_view bytes) : bytes_(bytes) {
    info_.err = jpeg_std_error(&trouble_.base);
    trouble_.base.error_exit = jpegFails;
    trouble_.base.output_message = jpegSaysNothing;
  }
  ~JpegReader() { jpeg_destroy_decompress(&info_); }
  JpegReader(const JpegReader&) = delete;
  JpegReader& operator=(const JpegReader&) = delete;

  bool head() {
    if (setjmp(trouble_.back) != 0) return false;
    jpeg_create_decompress(&info_);
    // It only reads, whatever its type says.
    jpeg_mem_src(&info_, reinterpret_cast<const unsigned char*>(bytes_.data()), bytes_.size());
    return jpeg_read_header(&info_, TRUE) == JPEG_HEADER_OK;
  }
  long wide() const { return static_cast<long>(info_.image_width); }
  long tall() const { return static_cast<long>(info_.image_height); }
  int colours() const { return info_.num_components; }
  /// Whether something was not as it should be, as of a file that ends early.
  bool warned() const { return trouble_.base.num_warnings > 0; }

  /// What is missing of a file that ends early stays grey, as browsers show it.
  bool dots(Picture& picture) {
    const bool inks = info_.jpeg_color_space == JCS_CMYK || info_.jpeg_color_space == JCS_YCCK;
    picture.wide = static_cast<int>(wide());
    picture.tall = static_cast<int>(tall());
    picture.rgba.assign(
        static_cast<std::size_t>(picture.wide) * static_cast<std::size_t>(picture.tall) * 4, 128);
    row_.resize(static_cast<std::size_t>(picture.wide) * 4);
    if (setjmp(trouble_.back) != 0) return false;
    info_.out_color_space = inks ? JCS_CMYK : JCS_RGB;
    jpeg_start_decompress(&info_);
    while (info_.output_scanline < info_.output_height) {
      std::uint8_t* to = &picture.rgba[static_cast<std::size_t>(info_.output_scanline) *
                                       static_cast<std::size_t>(picture.wide) * 4];
      JSAMPROW row = row_.data();
      jpeg_read_scanlines(&info_, &row, 1);
      for (std::size_t x = 0; x < static_cast<std::size_t>(picture.wide); ++x) {
        for (std::size_t c = 0; c < 3; ++c) {
          // Inks are written inverted, and multiply.
          to[x * 4 + c] = inks ? static_cast<std::uint8_t>(row_[x * 4 + c] * row_[x * 4 + 3] / 255)
                               : row_[x * 3 + c];
        }
        to[x * 4 + 3] = 255;
      }
    }
    jpeg_finish_decompress(&info_);
    return true;
  }

 private:
  std::string_view bytes_;
  jpeg_decompress_struct info_{};
  JpegTrouble trouble_{};
  std::vector<JSAMPLE> row_;
};

/// A PNG's size, by its first chunk, which has a fixed place (ISO/IEC 15948, 11.2.2).
std::pair<long, long> pngSize(std::string_view bytes) {
  if (bytes.size() < 33 || bytes.substr(12, 4) != "IHDR") return {0, 0};
  const auto at = [&](std::size_t from) {
    long value = 0;
    for (std::size_t i = from; i < from + 4; ++i) {
      value = value * 256 + static_cast<unsigned char>(bytes[i]);
    }
    return value;
  };
  return {at(16), at(20)};
}

bool pngDots(std::string_view bytes, Picture& picture) {
  png_image image{};
  image.version = PNG_IMAGE_VERSION;
  if (png_image_begin_read_from_memory(&image, bytes.data(), bytes.size()) == 0) return false;
  image.format = PNG_FORMAT_RGBA;
  picture.wide = static_cast<int>(image.width);
  picture.tall = static_cast<int>(image.height);
  picture.rgba.resize(PNG_IMAGE_SIZE(image));
  const bool good = png_image_finish_read(&image, nullptr, picture.rgba.data(), 0, nullptr) != 0;
  png_image_free(&image);
  return good;
}

/// A picture without anything clear as JPEG.
std::string jpegOf(const Picture& picture, int quality) {
  jpeg_compress_struct info{};
  JpegTrouble trouble{};
  unsigned char* packed = nullptr;
  unsigned long size = 0;
  info.err = jpeg_std_error(&trouble.base);
  trouble.base.error_exit = jpegFails;
  std::vector<JSAMPLE> line(static_cast<std::size_t>(picture.wide) * 3);
  if (setjmp(trouble.back) != 0) {
    jpeg_destroy_compress(&info);
    std::free(packed);
    return {};
  }
  jpeg_create_compress(&info);
  jpeg_mem_dest(&info, &packed, &size);
  info.image_width = static_cast<JDIMENSION>(picture.wide);
  info.image_height = static_cast<JDIMENSION>(picture.tall);
  info.input_components = 3;
  info.in_color_space = JCS_RGB;
  jpeg_set_defaults(&info);
  jpeg_set_quality(&info, quality, TRUE);
  jpeg_start_compress(&info, TRUE);
  while (info.next_scanline < info.image_height) {
    const std::uint8_t* from = &picture.rgba[static_cast<std::size_t>(info.next_scanline) *
                                             static_cast<std::size_t>(picture.wide) * 4];
    for (std::size_t x = 0; x < static_cast<std::size_t>(picture.wide); ++x) {
      std::copy_n(from + x * 4, 3, &line[x * 3]);
    }
    JSAMPROW row = line.data();
    jpeg_write_scanlines(&info, &row, 1);
  }
  jpeg_finish_compress(&info);
  std::string bytes(reinterpret_cast<const char*>(packed), size);
  jpeg_destroy_compress(&info);
  std::free(packed);
  return bytes;
}

/// How the camera was held, 1 to 8; 1 of what does not say (CIPA DC-008, "Exif", Orientation).
int heldOf(std::string_view jpeg) {
  const std::unique_ptr<ExifData, void (*)(ExifData*)> exif(
      exif_data_new_from_data(reinterpret_cast<const unsigned char*>(jpeg.data()),
                              static_cast<unsigned>(jpeg.size())),
      exif_data_unref);
  if (!exif) return 1;
  const ExifEntry* entry = exif_content_get_entry(exif->ifd[EXIF_IFD_0], EXIF_TAG_ORIENTATION);
  if (entry == nullptr || entry->format != EXIF_FORMAT_SHORT || entry->components < 1) return 1;
  const int held = exif_get_short(entry->data, exif_data_get_byte_order(exif.get()));
  return held >= 1 && held <= 8 ? held : 1;
}

/// A picture as it is to be seen, from how the camera was held: its first row and column lie at the
/// sides that the number names.
Picture asSeen(const Picture& dots, int held) {
  const bool lying = held >= 5;
  Picture seen;
  seen.wide = lying ? dots.tall : dots.wide;
  seen.tall = lying ? dots.wide : dots.tall;
  seen.rgba.resize(dots.rgba.size());
  for (int y = 0; y < dots.tall; ++y) {
    for (int x = 0; x < dots.wide; ++x) {
      int toX = lying ? y : x;
      int toY = lying ? x : y;
      if (held == 2 || held == 3 || held == 6 || held == 7) toX = seen.wide - 1 - toX;
      if (held == 3 || held == 4 || held == 7 || held == 8) toY = seen.tall - 1 - toY;
      const std::size_t from = (static_cast<std::size_t>(y) * static_cast<std::size_t>(dots.wide) +
                                static_cast<std::size_t>(x)) *
                               4;
      const std::size_t to = (static_cast<std::size_t>(toY) * static_cast<std::size_t>(seen.wide) +
                              static_cast<std::size_t>(toX)) *
                             4;
      std::copy_n(&dots.rgba[from], 4, &seen.rgba[to]);
    }
  }
  return seen;
}

bool isOpaque(const Picture& picture) {
  for (std::size_t i = 3; i < picture.rgba.size(); i += 4) {
    if (picture.rgba[i] != 255) return false;
  }
  return true;
}

void takeBytes(png_structp png, png_bytep data, png_size_t size) {
  static_cast<std::string*>(png_get_io_ptr(png))->append(reinterpret_cast<const char*>(data), size);
}
void flushNothing(png_structp /*png*/) {}

}  // namespace

tl::expected<KeptPicture, Sentence> pictureHead(std::string_view bytes) {
  KeptPicture picture;
  long wide = 0;
  long tall = 0;
  if (bytes.substr(0, pngSign.size()) == pngSign) {
    picture.type = PictureType::png;
    std::tie(wide, tall) = pngSize(bytes);
  } else if (bytes.substr(0, jpegSign.size()) == jpegSign) {
    picture.type = PictureType::jpeg;
    JpegReader reader(bytes);
    if (reader.head()) std::tie(wide, tall) = std::pair(reader.wide(), reader.tall());
  } else {
    return tl::unexpected(
        Sentence{"This is neither a PNG nor a JPEG picture. Save it as one of them.", {}});
  }
  if (wide < 1 || tall < 1) {
    return tl::unexpected(
        Sentence{"This picture has no dots that can be read. Save it again as PNG or JPEG.", {}});
  }
  if (wide > mostFileDots / tall) {
    return tl::unexpected(Sentence{
        "This picture has %1 million dots; up to %2 million are read. Make it smaller first.",
        {std::lround(static_cast<double>(wide) * static_cast<double>(tall) / 1e6),
         mostFileDots / 1'000'000}});
  }
  picture.wide = static_cast<int>(wide);
  picture.tall = static_cast<int>(tall);
  return picture;
}

int coloursOfJpeg(std::string_view bytes) {
  JpegReader reader(bytes);
  return reader.head() ? reader.colours() : 0;
}

tl::expected<Picture, Sentence> dotsOf(const KeptPicture& picture) {
  const auto head = pictureHead(picture.bytes);
  if (!head) return tl::unexpected(head.error());
  Picture dots;
  bool good = false;
  if (head->type == PictureType::png) {
    good = pngDots(picture.bytes, dots);
  } else {
    JpegReader reader(picture.bytes);
    good = reader.head() && reader.dots(dots);
  }
  if (!good) return tl::unexpected(damaged(picture.name));
  return dots;
}

tl::expected<TakenPicture, Sentence> pictureToKeep(std::string bytes, const std::string& name) {
  auto head = pictureHead(bytes);
  if (!head) return tl::unexpected(head.error());
  head->name = name;
  head->bytes = std::move(bytes);
  // Read once whatever its size: a damaged one is not to be found out when it is printed.
  auto dots = dotsOf(*head);
  if (!dots) return tl::unexpected(dots.error());
  TakenPicture taken{std::move(*head), false, false};
  if (taken.picture.type == PictureType::jpeg) {
    JpegReader reader(taken.picture.bytes);
    Picture again;
    taken.endsEarly = reader.head() && reader.dots(again) && reader.warned();
    if (const int held = heldOf(taken.picture.bytes); held != 1) {
      constexpr int fine = 95;
      *dots = asSeen(*dots, held);
      taken.picture.bytes = jpegOf(*dots, fine);
      taken.picture.wide = dots->wide;
      taken.picture.tall = dots->tall;
      if (taken.picture.bytes.empty()) return tl::unexpected(damaged(name));
    }
  }
  const auto tooMany = [](const Picture& picture) {
    return static_cast<long>(picture.wide) * picture.tall > mostKeptDots;
  };
  if (taken.picture.bytes.size() <= KeptPicture::mostBytes && !tooMany(*dots)) return taken;
  taken.smaller = true;
  const bool opaque = isOpaque(*dots);
  while (tooMany(*dots)) *dots = halved(*dots);
  while (true) {
    taken.picture.type = opaque ? PictureType::jpeg : PictureType::png;
    taken.picture.bytes = opaque ? jpegOf(*dots, 90) : pngOf(*dots, 300);
    if (taken.picture.bytes.empty()) return tl::unexpected(damaged(name));
    if (taken.picture.bytes.size() <= KeptPicture::mostBytes) break;
    *dots = halved(*dots);
  }
  taken.picture.wide = dots->wide;
  taken.picture.tall = dots->tall;
  return taken;
}

std::string pngOf(const Picture& picture, double dotsPerInch) {
  std::string bytes;
  png_structp png = png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, nullptr, nullptr);
  if (png == nullptr) return bytes;
  png_infop info = png_create_info_struct(png);
  std::vector<png_bytep> rows(static_cast<std::size_t>(picture.tall));
  for (std::size_t y = 0; y < rows.size(); ++y) {
    // It only reads, whatever its type says.
    rows[y] = const_cast<png_bytep>(&picture.rgba[y * static_cast<std::size_t>(picture.wide) * 4]);
  }
  if (info == nullptr || setjmp(png_jmpbuf(png)) != 0) {
    png_destroy_write_struct(&png, &info);
    return {};
  }
  png_set_write_fn(png, &bytes, takeBytes, flushNothing);
  png_set_IHDR(png, info, static_cast<png_uint_32>(picture.wide),
               static_cast<png_uint_32>(picture.tall), 8, PNG_COLOR_TYPE_RGBA, PNG_INTERLACE_NONE,
               PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
  constexpr double inchesPerMetre = 1000 / 25.4;
  const auto perMetre = static_cast<png_uint_32>(std::lround(dotsPerInch * inchesPerMetre));
  png_set_pHYs(png, info, perMetre, perMetre, PNG_RESOLUTION_METER);
  png_set_compression_level(png, 3);
  png_set_rows(png, info, rows.data());
  png_write_png(png, info, PNG_TRANSFORM_IDENTITY, nullptr);
  png_destroy_write_struct(&png, &info);
  return bytes;
}

const PictureSizes* PictureDots::operator()(const SharedPicture& picture) {
  if (!picture) return nullptr;
  const auto known = std::find_if(read_.begin(), read_.end(),
                                  [&](const Read& one) { return &*one.of == &*picture; });
  if (known != read_.end()) {
    read_.splice(read_.begin(), read_, known);
    return read_.front().sizes.get();
  }
  if (read_.size() == most) read_.pop_back();
  read_.push_front({picture, nullptr});
  if (auto dots = dotsOf(*picture)) {
    read_.front().sizes = std::make_unique<PictureSizes>(std::move(*dots));
  }
  return read_.front().sizes.get();
}

}  // namespace avrelt
