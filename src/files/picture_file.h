// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <list>
#include <memory>
#include <string>
#include <string_view>
#include <tl/expected.hpp>

#include "measure/sentence.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// The most dots a picture file may have: a hundred million take half a gigabyte.
inline constexpr long mostFileDots = 40'000'000;
/// The most that are kept: a print of a whole cup at 300 to the inch has six million.
inline constexpr long mostKeptDots = 12'000'000;

/// What the head of a picture file says, without reading its dots: PNG or JPEG by content, its
/// size. Refused in words: other files, no dots, too many.
tl::expected<KeptPicture, Sentence> pictureHead(std::string_view bytes);

/// How many colours a JPEG file holds: 1, 3 or 4; 0 where its head cannot be read.
int coloursOfJpeg(std::string_view bytes);

/// A picture as it is kept in an order: the file itself where that is small enough, else drawn
/// smaller and packed anew; `smaller` says so. CMYK and 16-bit pictures become what a screen shows.
/// A photo that says how the camera was held is turned as it is to be seen, and packed anew.
struct TakenPicture {
  KeptPicture picture;
  bool smaller = false;
  bool endsEarly = false;  ///< some of the file is missing; what is shows grey
};
tl::expected<TakenPicture, Sentence> pictureToKeep(std::string bytes, const std::string& name);

/// The dots of a picture file. Refused in words: one that is damaged.
tl::expected<Picture, Sentence> dotsOf(const KeptPicture& picture);

/// A picture as PNG, with how many dots go on an inch; empty where there is no memory for it.
std::string pngOf(const Picture& picture, double dotsPerInch);

/// Pictures read, the last few of them: what was asked for longest ago gives way. What it gives
/// lasts until another is asked for.
class PictureDots {
 public:
  /// Null where it cannot be read.
  const PictureSizes* operator()(const SharedPicture& picture);

 private:
  static constexpr std::size_t most = 8;
  struct Read {
    SharedPicture of;
    std::unique_ptr<PictureSizes> sizes;
  };
  std::list<Read> read_;  ///< the last asked for first
};

}  // namespace avrelt
