// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/dxf.h"

#include <array>
#include <charconv>

namespace avrelt {
namespace {

std::string fixedDigits(double value) {
  std::array<char, 64> buffer{};
  const auto end = std::to_chars(buffer.data(), buffer.data() + buffer.size(), value,
                                 std::chars_format::fixed, 6);
  std::string text(buffer.data(), end.ptr);
  return text == "-0.000000" ? "0.000000" : text;
}

/// Words as release 12 takes them: ASCII, in one line.
std::string plain(const std::string& utf8) {
  std::string text;
  for (std::size_t i = 0; i < utf8.size();) {
    const auto byte = static_cast<unsigned char>(utf8[i]);
    const std::size_t length = byte < 0x80 ? 1 : byte < 0xE0 ? 2 : byte < 0xF0 ? 3 : 4;
    if (length == 1 || i + length > utf8.size()) {
      text += byte < 0x20 || byte > 0x7E ? ' ' : utf8[i];
      ++i;
      continue;
    }
    unsigned long code = byte & (0xFFU >> (length + 1));
    for (std::size_t k = 1; k < length; ++k) {
      code = (code << 6U) | (static_cast<unsigned char>(utf8[i + k]) & 0x3FU);
    }
    i += length;
    constexpr const char* hex = "0123456789ABCDEF";
    if (code > 0xFFFF) {
      text += '?';
      continue;
    }
    text += "\\U+";
    for (int shift = 12; shift >= 0; shift -= 4) text += hex[(code >> shift) & 0xFU];
  }
  return text;
}

class Dxf {
 public:
  void put(int code, const std::string& value) {
    text_ += std::to_string(code) + "\n" + value + "\n";
  }
  void put(int code, double value) { put(code, fixedDigits(value)); }

  void polyline(const Path& path, const char* layer) {
    if (path.stretches.empty()) return;
    const bool closed = path.closed();
    put(0, "POLYLINE");
    put(8, layer);
    put(66, "1");
    put(10, 0.0);
    put(20, 0.0);
    put(30, 0.0);
    put(70, closed ? "1" : "0");
    Point at = path.start;
    for (std::size_t i = 0; i <= path.stretches.size(); ++i) {
      const bool last = i == path.stretches.size();
      if (last && closed) break;
      put(0, "VERTEX");
      put(8, layer);
      put(10, at.x);
      put(20, at.y);
      put(30, 0.0);
      if (last) break;
      if (path.stretches[i].bulge != 0) put(42, path.stretches[i].bulge);
      at = path.stretches[i].end;
    }
    put(0, "SEQEND");
    put(8, layer);
  }

  void words(const Lettering& lettering, Unit unit) {
    put(0, "TEXT");
    put(8, "TEXT");
    put(10, lettering.at.x);
    put(20, lettering.at.y);
    put(30, 0.0);
    put(40, lettering.height.mm());
    put(1, plain(wordsOnPaper(lettering.words, unit)));
    put(50, lettering.turn.degrees());
    // In the middle, both ways.
    put(72, "1");
    put(11, lettering.at.x);
    put(21, lettering.at.y);
    put(31, 0.0);
    put(73, "2");
  }

  std::string take() { return std::move(text_); }

 private:
  std::string text_;
};

}  // namespace

std::string dxfOf(const PartSet& set, Unit unit) {
  Dxf dxf;
  dxf.put(999, "True size: one unit is one millimetre. Layer CUT is cut, the others are drawn.");
  dxf.put(0, "SECTION");
  dxf.put(2, "HEADER");
  dxf.put(9, "$ACADVER");
  dxf.put(1, "AC1009");
  dxf.put(0, "ENDSEC");
  dxf.put(0, "SECTION");
  dxf.put(2, "TABLES");
  dxf.put(0, "TABLE");
  dxf.put(2, "LAYER");
  dxf.put(70, "3");
  for (const auto& [layer, colour] : {std::pair("CUT", "7"), {"DRAW", "4"}, {"TEXT", "8"}}) {
    dxf.put(0, "LAYER");
    dxf.put(2, layer);
    dxf.put(70, "0");
    dxf.put(62, colour);
    dxf.put(6, "CONTINUOUS");
  }
  dxf.put(0, "ENDTAB");
  dxf.put(0, "ENDSEC");
  dxf.put(0, "SECTION");
  dxf.put(2, "ENTITIES");
  for (const Part& part : set.parts) {
    for (const Guide& guide : part.guides) dxf.polyline(guide.path, "DRAW");
    for (const Lettering& lettering : part.letterings) dxf.words(lettering, unit);
    for (const std::vector<Path>* paths : {&part.slits, &part.holes}) {
      for (const Path& path : *paths) dxf.polyline(path, "CUT");
    }
    dxf.polyline(part.outline, "CUT");
    for (const Path& more : part.more) dxf.polyline(more, "CUT");
  }
  dxf.put(0, "ENDSEC");
  dxf.put(0, "EOF");
  return dxf.take();
}

}  // namespace avrelt
