// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "measure/fault.h"
#include "shape/polygon.h"

namespace avrelt {

/// A face as its file has it, and which of several in that file.
struct FaceFile {
  std::shared_ptr<const std::string> bytes;
  int index = 0;
};

enum class TextAlign { left, middle, right };

/// How words are set.
struct TextSetting {
  std::string text;  ///< UTF-8; lines end with \n
  Length capHeight = Length::mm(10);
  TextAlign align = TextAlign::middle;
  double spacingPercent = 0;  ///< between letters, of the capital height; may be below 0
  double linePercent = 160;   ///< from line to line, of the capital height
  /// Set along a circle of this radius: over it, or with `under` along its lower side, to be read
  /// from the same place. Each letter is turned, none bent.
  std::optional<Length> arc;
  bool under = false;
  bool merged = true;  ///< letters that overlap become one outline
};

/// Words as outlines, in mm, y up; the middle of the first line's baseline at the origin, or of a
/// circle's topmost or lowest place.
struct TextOutline {
  std::vector<Polygon> letters;      ///< or one of them all, where merged
  std::vector<std::string> missing;  ///< characters the face does not have; left out
  bool colourOnly = false;           ///< the face draws some as pictures, which cannot be cut
};

/// Sets words: direction by the Unicode bidirectional algorithm (UAX 9, by FriBidi), shapes and
/// their places by HarfBuzz, outlines by FreeType. Curves are true to 0.01 mm.
///
/// Refused: no words; over 2000 characters; text that is not UTF-8; a face that cannot be read or
/// has no outlines; a capital height under 0.5 mm or over 1 m; words with nothing to draw in this
/// face.
Checked<TextOutline> outlineOf(const FaceFile& face, const TextSetting& setting);

/// What a face calls itself, "Comet Sans", and its style, "Bold"; nothing where it cannot be read.
struct FaceName {
  std::string family;
  std::string style;
};
std::optional<FaceName> nameOf(const FaceFile& face);

}  // namespace avrelt
