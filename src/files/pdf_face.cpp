// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_face.h"

#include <hb-ot.h>
#include <hb-subset.h>

#include <algorithm>
#include <new>

#include "fonts/faces.h"

namespace avrelt {
namespace {

template <class T>
using HeldHere = std::unique_ptr<T, void (*)(T*)>;

hb_face_t* faceOf(std::span<const unsigned char> bytes) {
  const HeldHere<hb_blob_t> blob(hb_blob_create(reinterpret_cast<const char*>(bytes.data()),
                                                static_cast<unsigned>(bytes.size()),
                                                HB_MEMORY_MODE_READONLY, nullptr, nullptr),
                                 hb_blob_destroy);
  hb_face_t* face = hb_face_create(blob.get(), 0);
  hb_face_make_immutable(face);
  return face;
}

hb_font_t* fontOf(hb_face_t* face) {
  hb_font_t* font = hb_font_create(face);  // in units of the face
  hb_font_make_immutable(font);
  return font;
}

/// Letters of a text as its bytes say them.
template <class Each>
void eachLetter(const std::string& words, Each each) {
  const HeldHere<hb_buffer_t> buffer(hb_buffer_create(), hb_buffer_destroy);
  hb_buffer_add_utf8(buffer.get(), words.data(), static_cast<int>(words.size()), 0, -1);
  unsigned count = 0;
  const hb_glyph_info_t* letters = hb_buffer_get_glyph_infos(buffer.get(), &count);
  for (unsigned i = 0; i < count; ++i) each(static_cast<char32_t>(letters[i].codepoint));
}

}  // namespace

PdfFace::PdfFace()
    : face_(faceOf(regularFace()), hb_face_destroy),
      font_(fontOf(face_.get()), hb_font_destroy),
      perEm_(hb_face_get_upem(face_.get())) {}

const PdfFace& PdfFace::shipped() {
  static const PdfFace face;
  return face;
}

PdfFace::Glyph PdfFace::glyphOf(char32_t letter) const {
  hb_codepoint_t glyph = 0;
  hb_font_get_nominal_glyph(font_.get(), letter, &glyph);
  return glyph;
}

std::u32string PdfFace::glyphsOf(const std::string& words, Used& used) const {
  std::u32string glyphs;
  glyphs.reserve(words.size());
  eachLetter(words, [&](char32_t letter) {
    const Glyph glyph = glyphOf(letter);
    glyphs.push_back(glyph);
    used.try_emplace(glyph, letter);
  });
  return glyphs;
}

double PdfFace::advanceOf(Glyph glyph) const {
  return share(hb_font_get_glyph_h_advance(font_.get(), glyph));
}

double PdfFace::lengthOf(const std::string& words) const {
  double length = 0;
  eachLetter(words, [&](char32_t letter) { length += advanceOf(glyphOf(letter)); });
  return length / 1000;
}

std::string PdfFace::compactFont(const Used& used) const {
  const HeldHere<hb_subset_input_t> wanted(hb_subset_input_create_or_fail(),
                                           hb_subset_input_destroy);
  if (!wanted) throw std::bad_alloc();
  hb_subset_input_set_flags(wanted.get(),
                            HB_SUBSET_FLAGS_RETAIN_GIDS | HB_SUBSET_FLAGS_NOTDEF_OUTLINE);
  // Nothing is joined or kerned; what glyphs may be put for others is not wanted with them.
  hb_set_t* without = hb_subset_input_set(wanted.get(), HB_SUBSET_SETS_DROP_TABLE_TAG);
  for (const hb_tag_t table : {HB_TAG('G', 'S', 'U', 'B'), HB_TAG('G', 'P', 'O', 'S')}) {
    hb_set_add(without, table);
  }
  for (const auto& [glyph, letter] : used) {
    hb_set_add(hb_subset_input_glyph_set(wanted.get()), glyph);
  }
  const HeldHere<hb_face_t> less(hb_subset_or_fail(face_.get(), wanted.get()), hb_face_destroy);
  if (!less) throw std::bad_alloc();
  const HeldHere<hb_blob_t> outlines(
      hb_face_reference_table(less.get(), HB_TAG('C', 'F', 'F', ' ')), hb_blob_destroy);
  unsigned size = 0;
  const char* bytes = hb_blob_get_data(outlines.get(), &size);
  return {bytes, size};
}

PdfFace::Figures PdfFace::figures() const {
  const auto figure = [&](hb_ot_metrics_tag_t tag) {
    hb_position_t units = 0;
    hb_ot_metrics_get_position_with_fallback(font_.get(), tag, &units);
    return share(units);
  };
  return {figure(HB_OT_METRICS_TAG_HORIZONTAL_ASCENDER),
          figure(HB_OT_METRICS_TAG_HORIZONTAL_DESCENDER), figure(HB_OT_METRICS_TAG_CAP_HEIGHT)};
}

PdfFace::Reach PdfFace::reachOf(const Used& used) const {
  Reach reach;
  for (const auto& [glyph, letter] : used) {
    hb_glyph_extents_t extents{};
    if (hb_font_get_glyph_extents(font_.get(), glyph, &extents) == 0) continue;
    reach.left = std::min(reach.left, share(extents.x_bearing));
    reach.right = std::max(reach.right, share(extents.x_bearing + extents.width));
    reach.top = std::max(reach.top, share(extents.y_bearing));
    reach.foot = std::min(reach.foot, share(extents.y_bearing + extents.height));
  }
  return reach;
}

}  // namespace avrelt
