// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <hb.h>

#include <cstdint>
#include <map>
#include <memory>
#include <string>

namespace avrelt {

/// The shipped face as it goes into PDF documents. One letter is one glyph, one beside the other:
/// neither kerned nor joined.
class PdfFace {
 public:
  using Glyph = std::uint32_t;
  /// Which letter (Unicode) each glyph used stands for.
  using Used = std::map<Glyph, char32_t>;

  /// One for the life of the program; any thread may ask it.
  static const PdfFace& shipped();

  /// The glyphs of a text in UTF-8, in its order, added to those used. A letter the face has not is
  /// its empty box, glyph 0; what is no UTF-8 is U+FFFD.
  std::u32string glyphsOf(const std::string& words, Used& used) const;
  /// How far a glyph leads, in thousandths of the type's size.
  double advanceOf(Glyph glyph) const;
  /// How long a text is in the type's size.
  double lengthOf(const std::string& words) const;

  /// The outlines of these glyphs alone, under their own numbers, as a compact font (CFF, Adobe
  /// technical note 5176), which may be embedded. Throws where there is no memory for it.
  std::string compactFont(const Used& used) const;

  /// Figures a document tells of a face, in thousandths of the type's size.
  struct Figures {
    double ascent = 0;
    double descent = 0;  ///< below 0
    double capHeight = 0;
  };
  Figures figures() const;
  /// Round all glyphs used, from the foot of the first letter: left, foot, right, top.
  struct Reach {
    double left = 0;
    double foot = 0;
    double right = 0;
    double top = 0;
  };
  Reach reachOf(const Used& used) const;

 private:
  PdfFace();
  Glyph glyphOf(char32_t letter) const;
  double share(double units) const { return units * 1000 / perEm_; }

  std::unique_ptr<hb_face_t, decltype(&hb_face_destroy)> face_;
  std::unique_ptr<hb_font_t, decltype(&hb_font_destroy)> font_;
  double perEm_ = 1000;
};

}  // namespace avrelt
