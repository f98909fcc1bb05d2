// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>
#include <utility>
#include <vector>

namespace avrelt {

/// A picture in dots: four bytes each, red, green, blue, opacity, rows from the top.
struct Picture {
  int wide = 0;
  int tall = 0;
  std::vector<std::uint8_t> rgba;
};

/// What a picture file is, by its content.
enum class PictureType { png, jpeg };

/// A picture kept in the order as the file it came as, so that this may vanish.
struct KeptPicture {
  static constexpr std::size_t mostBytes = 4'000'000;

  std::string id{};
  std::string name;
  PictureType type = PictureType::png;
  std::string bytes;
  int wide = 0;  ///< dots
  int tall = 0;
  std::string kept{};

  /// How much wider it is than tall.
  double proportion() const { return static_cast<double>(wide) / tall; }

  friend bool operator==(const KeptPicture&, const KeptPicture&) = default;
};

/// A picture held in common by the order and everything that shows it; compared by what it is.
class SharedPicture {
 public:
  SharedPicture() = default;
  explicit SharedPicture(KeptPicture picture)
      : picture_(std::make_shared<const KeptPicture>(std::move(picture))) {}

  explicit operator bool() const { return picture_ != nullptr; }
  const KeptPicture& operator*() const { return *picture_; }
  const KeptPicture* operator->() const { return picture_.get(); }

  friend bool operator==(const SharedPicture& a, const SharedPicture& b) {
    return a.picture_ == b.picture_ || (a.picture_ && b.picture_ && *a.picture_ == *b.picture_);
  }

 private:
  std::shared_ptr<const KeptPicture> picture_;
};

}  // namespace avrelt
