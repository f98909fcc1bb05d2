// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/text_outline.h"

#include <fribidi.h>
#include <ft2build.h>
#include <hb-ft.h>
#include <hb.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

#include "measure/utf8.h"
#include FT_BBOX_H
#include FT_FREETYPE_H
#include FT_OUTLINE_H

namespace avrelt {
namespace {

constexpr std::size_t mostCharacters = 2000;
constexpr Length least = Length::mm(0.5);
constexpr Length most = Length::mm(1000);
constexpr Length flatWithin = Length::mm(0.01);
/// Faces are read at this size, in units of a 64th: enough for any outline to keep its form.
constexpr unsigned emUnits = 2048;

template <typename T>
using Held = std::unique_ptr<T, void (*)(T*)>;

/// A face opened, with what keeps it open.
class Face {
 public:
  static std::unique_ptr<Face> opened(const FaceFile& file) {
    if (!file.bytes || file.bytes->empty()) return nullptr;
    auto face = std::unique_ptr<Face>(new Face);
    if (FT_Init_FreeType(&face->library_) != 0) return nullptr;
    face->bytes_ = file.bytes;
    // FreeType wants bytes without a sign.
    const void* data = file.bytes->data();
    if (FT_New_Memory_Face(face->library_, static_cast<const FT_Byte*>(data),
                           static_cast<FT_Long>(file.bytes->size()), file.index,
                           &face->face_) != 0) {
      face->face_ = nullptr;
      return nullptr;
    }
    return face;
  }
  Face(const Face&) = delete;
  Face& operator=(const Face&) = delete;
  ~Face() {
    if (face_ != nullptr) FT_Done_Face(face_);
    if (library_ != nullptr) FT_Done_FreeType(library_);
  }
  FT_Face operator*() const { return face_; }

 private:
  Face() = default;
  std::shared_ptr<const std::string> bytes_;
  FT_Library library_ = nullptr;
  FT_Face face_ = nullptr;
};

/// A letter of a line: which shape, where, in the face's units from the line's start.
struct Placed {
  unsigned glyph = 0;
  double x = 0;
  double y = 0;
  double wide = 0;
};

struct Line {
  std::vector<Placed> letters;
  double wide = 0;
};

/// The outline of a shape in the face's units.
class GlyphPen {
 public:
  GlyphPen(const Transform& map) : pen_(map, flatWithin) {}

  static int moveTo(const FT_Vector* to, void* self) {
    auto& pen = static_cast<GlyphPen*>(self)->pen_;
    pen.close();
    pen.moveTo(at(to));
    return 0;
  }
  static int lineTo(const FT_Vector* to, void* self) {
    static_cast<GlyphPen*>(self)->pen_.lineTo(at(to));
    return 0;
  }
  static int conicTo(const FT_Vector* control, const FT_Vector* to, void* self) {
    static_cast<GlyphPen*>(self)->pen_.quadraticTo(at(control), at(to));
    return 0;
  }
  static int cubicTo(const FT_Vector* one, const FT_Vector* two, const FT_Vector* to, void* self) {
    static_cast<GlyphPen*>(self)->pen_.cubicTo(at(one), at(two), at(to));
    return 0;
  }
  std::vector<Polyline> take() {
    pen_.close();
    return pen_.take();
  }

 private:
  static Point at(const FT_Vector* v) {
    return {static_cast<double>(v->x), static_cast<double>(v->y)};
  }
  Pen pen_;
};

/// Outlines wound either way: TrueType's outer ones run clockwise, PostScript's the other way, and
/// letters that overlap count once.
Polygon filled(const std::vector<Polyline>& lines) {
  return enclosedBy(lines, false);
}

class Setter {
 public:
  Setter(FT_Face face, const TextSetting& setting) : face_(face), setting_(setting) {}

  Checked<TextOutline> operator()() {
    if (Checked<bool> read = readText(); !read) return tl::unexpected(read.error());
    if (FT_IS_SCALABLE(face_) == 0) {
      return refuse(Member::wordsFace, "The face has no outlines. Take another face.");
    }
    FT_Set_Pixel_Sizes(face_, 0, emUnits);
    scale_ = setting_.capHeight.mm() / capHeight();
    const Held<hb_font_t> font(hb_ft_font_create_referenced(face_), hb_font_destroy);
    hb_ft_font_set_load_flags(font.get(), FT_LOAD_NO_HINTING | FT_LOAD_NO_BITMAP);
    for (const std::vector<FriBidiChar>& line : lines_) set(line, font.get());
    place();
    if (result_.letters.empty()) {
      return refuse(Member::wordsText,
                    result_.missing.empty()
                        ? "There is nothing to cut in these words. Type some letters."
                        : "The face has none of these characters. Take another face.");
    }
    if (setting_.merged) result_.letters = {unionOf(result_.letters)};
    return std::move(result_);
  }

 private:
  Checked<bool> readText() {
    std::vector<FriBidiChar> line;
    std::size_t count = 0;
    bool seen = false;
    for (std::size_t i = 0; i < setting_.text.size();) {
      const std::string_view rest = std::string_view(setting_.text).substr(i);
      const std::size_t length = characterLength(rest);
      if (length == 0) {
        return refuse(Member::wordsText, "The words are not in UTF-8. Type them again.");
      }
      const char32_t character = characterOf(rest, length);
      i += length;
      if (++count > mostCharacters) {
        return refuse(Member::wordsText,
                      "Words take up to %1 characters. Make two artworks of them.",
                      {static_cast<long>(mostCharacters)});
      }
      if (character == '\n') {
        lines_.push_back(std::move(line));
        line.clear();
        continue;
      }
      const char32_t set = character == '\t' ? U' ' : character;
      if (set < 0x20) continue;
      seen = seen || set != ' ';
      line.push_back(set);
    }
    lines_.push_back(std::move(line));
    if (!seen) return refuse(Member::wordsText, "There are no words. Type some.");
    return true;
  }

  /// Of the face's capital H; seven tenths of its em where it has none.
  double capHeight() {
    const FT_UInt glyph = FT_Get_Char_Index(face_, 'H');
    if (glyph != 0 && FT_Load_Glyph(face_, glyph, FT_LOAD_NO_HINTING | FT_LOAD_NO_BITMAP) == 0) {
      FT_BBox box;
      FT_Outline_Get_BBox(&face_->glyph->outline, &box);
      if (box.yMax > 0) return static_cast<double>(box.yMax);
    }
    return 0.7 * emUnits * 64;
  }

  /// Runs of one direction, from left to right, each shaped as one.
  void set(const std::vector<FriBidiChar>& text, hb_font_t* font) {
    Line line;
    const auto length = static_cast<FriBidiStrIndex>(text.size());
    std::vector<FriBidiCharType> types(text.size());
    std::vector<FriBidiBracketType> brackets(text.size());
    std::vector<FriBidiLevel> levels(text.size(), 0);
    FriBidiParType direction = FRIBIDI_PAR_ON;
    if (length > 0) {
      fribidi_get_bidi_types(text.data(), length, types.data());
      fribidi_get_bracket_types(text.data(), length, types.data(), brackets.data());
      // It fails only for want of memory.
      if (fribidi_get_par_embedding_levels_ex(types.data(), brackets.data(), length, &direction,
                                              levels.data()) == 0) {
        throw std::bad_alloc();
      }
    }
    struct Run {
      std::size_t from;
      std::size_t to;
      FriBidiLevel level;
      hb_script_t script;
    };
    std::vector<Run> runs;
    hb_unicode_funcs_t* unicode = hb_unicode_funcs_get_default();
    hb_script_t script = HB_SCRIPT_COMMON;
    for (std::size_t i = 0; i < text.size(); ++i) {
      hb_script_t own = hb_unicode_script(unicode, text[i]);
      // Blanks, digits and marks belong to what stands before them.
      if (own == HB_SCRIPT_COMMON || own == HB_SCRIPT_INHERITED) own = script;
      if (runs.empty() || runs.back().level != levels[i] ||
          (own != script && script != HB_SCRIPT_COMMON)) {
        runs.push_back({i, i + 1, levels[i], own});
      } else {
        runs.back().to = i + 1;
        runs.back().script = own;
      }
      script = own;
    }
    // UAX 9, rule L2: from the highest level down, what has at least that level is turned round.
    FriBidiLevel highest = 0;
    for (const Run& run : runs) highest = std::max(highest, run.level);
    for (FriBidiLevel level = highest; level > 0; --level) {
      for (std::size_t i = 0; i < runs.size();) {
        std::size_t j = i;
        while (j < runs.size() && runs[j].level >= level) ++j;
        std::reverse(runs.begin() + static_cast<std::ptrdiff_t>(i),
                     runs.begin() + static_cast<std::ptrdiff_t>(j));
        i = j + 1;
      }
    }
    for (const Run& run : runs)
      shape(text, run.from, run.to, run.level % 2 == 1, run.script, font, line);
    if (!line.letters.empty()) line.wide -= spacing();
    set_.push_back(std::move(line));
  }

  double spacing() const {
    return setting_.spacingPercent / 100 * setting_.capHeight.mm() / scale_;
  }

  void shape(const std::vector<FriBidiChar>& text, std::size_t from, std::size_t to,
             bool rightToLeft, hb_script_t script, hb_font_t* font, Line& line) {
    const Held<hb_buffer_t> buffer(hb_buffer_create(), hb_buffer_destroy);
    hb_buffer_add_utf32(buffer.get(), text.data(), static_cast<int>(text.size()),
                        static_cast<unsigned>(from), static_cast<int>(to - from));
    hb_buffer_set_direction(buffer.get(), rightToLeft ? HB_DIRECTION_RTL : HB_DIRECTION_LTR);
    hb_buffer_set_script(buffer.get(), script);
    hb_buffer_set_language(buffer.get(), hb_language_from_string("und", -1));
    hb_shape(font, buffer.get(), nullptr, 0);
    unsigned count = 0;
    const hb_glyph_info_t* infos = hb_buffer_get_glyph_infos(buffer.get(), &count);
    const hb_glyph_position_t* places = hb_buffer_get_glyph_positions(buffer.get(), &count);
    for (unsigned i = 0; i < count; ++i) {
      if (infos[i].codepoint == 0) {
        missing(text[infos[i].cluster]);
        continue;
      }
      const double wide = places[i].x_advance;
      line.letters.push_back({infos[i].codepoint, line.wide + places[i].x_offset,
                              static_cast<double>(places[i].y_offset), wide});
      // Marks over a letter stand with it, however far apart the letters are.
      line.wide += wide + (wide != 0 ? spacing() : 0);
    }
  }

  void missing(FriBidiChar character) {
    // Joiners and direction marks are not meant to be seen.
    if (character == 0x200D || character == 0x200C ||
        (character >= 0xFE00 && character <= 0xFE0F) || !told_.insert(character).second) {
      return;
    }
    char bytes[8] = {};
    const FriBidiStrIndex length = fribidi_unicode_to_charset(
        fribidi_parse_charset("UTF-8"), &character, 1, static_cast<char*>(bytes));
    result_.missing.emplace_back(static_cast<char*>(bytes), static_cast<std::size_t>(length));
  }

  void place() {
    double widest = 0;
    for (const Line& line : set_) widest = std::max(widest, line.wide);
    const double step = setting_.linePercent / 100 * setting_.capHeight.mm();
    double down = 0;
    for (const Line& line : set_) {
      const double spare = widest - line.wide;
      const double start = -widest / 2 + (setting_.align == TextAlign::left     ? 0
                                          : setting_.align == TextAlign::middle ? spare / 2
                                                                                : spare);
      for (const Placed& letter : line.letters) draw(letter, start, down);
      down -= step;
    }
  }

  void draw(const Placed& letter, double start, double down) {
    if (FT_Load_Glyph(face_, letter.glyph, FT_LOAD_NO_HINTING | FT_LOAD_NO_BITMAP) != 0) return;
    if (face_->glyph->format != FT_GLYPH_FORMAT_OUTLINE) {
      result_.colourOnly = true;
      return;
    }
    const Transform size{scale_, 0, 0, scale_, 0, 0};
    const double x = (start + letter.x) * scale_;
    Transform map = Transform{1, 0, 0, 1, x, letter.y * scale_ + down} * size;
    if (setting_.arc) {
      // Turned about the circle's middle by its own middle's way along the baseline.
      const double middle = x + letter.wide * scale_ / 2;
      const double radius = setting_.arc->mm() + (setting_.under ? -down : down);
      const double turn = (setting_.under ? 1 : -1) * middle / std::max(radius, 1e-3);
      const double centre = setting_.under ? setting_.arc->mm() : -setting_.arc->mm();
      const double cosine = std::cos(turn);
      const double sine = std::sin(turn);
      map = Transform{1, 0, 0, 1, 0, centre} * Transform{cosine, sine, -sine, cosine, 0, 0} *
            Transform{1, 0, 0, 1, -middle, -centre} * map;
    }
    GlyphPen pen(map);
    FT_Outline_Funcs funcs{
        &GlyphPen::moveTo, &GlyphPen::lineTo, &GlyphPen::conicTo, &GlyphPen::cubicTo, 0, 0};
    if (FT_Outline_Decompose(&face_->glyph->outline, &funcs, &pen) != 0) return;
    Polygon outline = filled(pen.take());
    if (!outline.empty()) result_.letters.push_back(std::move(outline));
  }

  FT_Face face_;
  const TextSetting& setting_;
  double scale_ = 1;  ///< mm to a unit of the face
  std::vector<std::vector<FriBidiChar>> lines_;
  std::vector<Line> set_;
  std::set<FriBidiChar> told_;
  TextOutline result_;
};

}  // namespace

Checked<TextOutline> outlineOf(const FaceFile& file, const TextSetting& setting) {
  if (setting.capHeight < least || setting.capHeight > most) {
    return refuse(Member::wordsCapHeight, "The capital height is %1. Give one from %2 to %3.",
                  {setting.capHeight, least, most});
  }
  if (setting.arc && *setting.arc < setting.capHeight) {
    return refuse(Member::wordsArc,
                  "The arc's radius is %1. Give one of at least the capital height, %2.",
                  {*setting.arc, setting.capHeight});
  }
  const std::unique_ptr<Face> face = Face::opened(file);
  if (!face) return refuse(Member::wordsFace, "The face cannot be read. Take another face.");
  return Setter(**face, setting)();
}

std::optional<FaceName> nameOf(const FaceFile& file) {
  const std::unique_ptr<Face> face = Face::opened(file);
  if (!face) return std::nullopt;
  FT_Face ft = **face;
  return FaceName{ft->family_name == nullptr ? "" : ft->family_name,
                  ft->style_name == nullptr ? "" : ft->style_name};
}

}  // namespace avrelt
