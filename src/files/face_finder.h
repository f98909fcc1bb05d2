// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "decal/artwork.h"

namespace avrelt {

/// A face that words can be set in.
struct FaceChoice {
  std::string family;
  std::string style;
  bool shipped = false;  ///< carried by the program, so it is there on every machine
};

/// The shipped ones, then those the system has with outlines, by name.
const std::vector<FaceChoice>& facesToChoose();

/// A face by its name; nothing where it is on this machine no more. With a style that is not there,
/// another of the same family.
std::optional<FaceFile> faceCalled(const std::string& family, const std::string& style);

/// Words as an artwork, set in their face. Refused with what `outlineOf` refuses, and where the
/// face is not on this machine. What the face does not have is in `missing`.
struct Lettered {
  Artwork artwork;
  std::vector<std::string> missing;
};
Checked<Lettered> lettered(const Words& words);

}  // namespace avrelt
