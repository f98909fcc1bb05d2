// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <tl/expected.hpp>

#include "measure/sentence.h"
#include "shape/picture_mesh.h"

namespace avrelt {

/// The most dots a picture file may have: a hundred million take half a gigabyte.
inline constexpr long mostFileDots = 40'000'000;

/// What the head of a picture file says, without reading its dots: PNG or JPEG by content, its
/// size. Refused in words: other files, no dots, too many.
tl::expected<KeptPicture, Sentence> pictureHead(std::string_view bytes);

/// A picture as it is kept in an order: the file itself where that is small enough, else drawn
/// smaller and packed anew; `smaller` says so. CMYK and 16-bit pictures become what a screen shows.
struct TakenPicture {
  KeptPicture picture;
  bool smaller = false;
};
tl::expected<TakenPicture, Sentence> pictureToKeep(std::string bytes, const std::string& name);

/// The dots of a picture file. Refused in words: one that is damaged.
tl::expected<Picture, Sentence> dotsOf(const KeptPicture& picture);

/// A picture as PNG, with how many dots go on an inch; empty where there is no memory for it.
std::string pngOf(const Picture& picture, double dotsPerInch);

/// Pictures of an order, each read once and kept while it is asked for.
class PictureDots {
 public:
  /// Null where it cannot be read.
  const PictureSizes* operator()(const SharedPicture& picture);
  /// Forgets those that were not asked for since this was last called.
  void sweep();

 private:
  struct Read {
    SharedPicture of;  ///< so that its address stays its own
    std::unique_ptr<PictureSizes> sizes;
    bool asked = true;
  };
  std::map<const KeptPicture*, Read> read_;
};

}  // namespace avrelt
