// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf_font.h"

#include <algorithm>

#include "files/pdf_content.h"

namespace avrelt {
namespace {

/// Which letters the glyphs stand for (Adobe technical note 5411).
std::string lettersOf(const PdfFace::Used& used) {
  PdfContent map;
  map.say("/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap");
  map.say("/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def");
  map.say("/CMapName /Adobe-Identity-UCS def\n/CMapType 2 def");
  map.say("1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange");
  constexpr std::size_t most = 100;  // in one list
  std::size_t left = used.size();
  std::size_t room = 0;
  for (const auto& [glyph, letter] : used) {
    if (room == 0) {
      room = std::min(left, most);
      map.number(static_cast<double>(room), 0);
      map.say("beginbfchar");
    }
    map.add("<");
    map.hex(glyph);
    map.add("> <");
    const auto code = static_cast<unsigned>(letter);
    if (code >= 0x10000) {  // two halves, as UTF-16 has it
      map.hex(0xD800U + ((code - 0x10000U) >> 10U));
      map.hex(0xDC00U + (code & 0x3FFU));
    } else {
      map.hex(code);
    }
    map.say(">");
    --left;
    if (--room == 0) map.say("endbfchar");
  }
  map.say("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend");
  return map.text();
}

/// The face's name, after six capitals that tell this choice of glyphs from others (9.6.4).
std::string nameOf(const PdfFace::Used& used) {
  std::uint64_t sum = 14695981039346656037U;  // FNV-1a
  for (const auto& [glyph, letter] : used) sum = (sum ^ glyph) * 1099511628211U;
  std::string name = "/";
  for (int i = 0; i < 6; ++i, sum /= 26) name += static_cast<char>('A' + sum % 26);
  return name + "+AvreltSans-Regular ";
}

}  // namespace

void tellFont(PdfObjects& objects, PdfObjects::Object font, const PdfFace::Used& used) {
  const PdfFace& face = PdfFace::shipped();
  const PdfFace::Figures figures = face.figures();
  const PdfFace::Reach reach = face.reachOf(used);
  const std::string name = nameOf(used);

  const PdfObjects::Object outlines =
      objects.packed(face.compactFont(used), PdfObjects::Packed::well);
  objects.set(objects.dictionaryOf(outlines), "/Subtype", objects.said("/CIDFontType0C"));

  // Letters of its own, not those of one standard set alone; a stem is looked at only where a face
  // is not embedded.
  PdfContent words;
  words.add("<< /Type /FontDescriptor /Flags 4 /ItalicAngle 0 /StemV 80 /FontName " + name);
  words.add("/FontBBox [");
  for (const double edge : {reach.left, reach.foot, reach.right, reach.top}) words.number(edge);
  words.add("] /Ascent ");
  words.number(figures.ascent);
  words.add("/Descent ");
  words.number(figures.descent);
  words.add("/CapHeight ");
  words.number(figures.capHeight);
  words.add(">>");
  const PdfObjects::Object descriptor = objects.said(words.text());
  objects.set(descriptor, "/FontFile3", outlines);

  words.clear();
  words.add("<< /Type /Font /Subtype /CIDFontType0 /BaseFont " + name);
  words.add("/CIDSystemInfo << /Registry (Adobe) /Ordering (Identity) /Supplement 0 >> /W [");
  for (const auto& [glyph, letter] : used) {
    words.number(glyph, 0);
    words.add("[");
    words.number(face.advanceOf(glyph));
    words.add("]");
  }
  words.add("] >>");
  const PdfObjects::Object glyphs = objects.said(words.text());
  objects.set(glyphs, "/FontDescriptor", objects.shared(descriptor));

  const PdfObjects::Object descendants = objects.said("[]");
  objects.append(descendants, objects.shared(glyphs));
  objects.set(font, "/Type", objects.said("/Font"));
  objects.set(font, "/Subtype", objects.said("/Type0"));
  objects.set(font, "/BaseFont", objects.said(name));
  objects.set(font, "/Encoding", objects.said("/Identity-H"));
  objects.set(font, "/DescendantFonts", descendants);
  objects.set(font, "/ToUnicode", objects.packed(lettersOf(used), PdfObjects::Packed::quickly));
}

}  // namespace avrelt
