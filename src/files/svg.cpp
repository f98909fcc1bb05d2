// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <numbers>

#include "files/ink.h"

namespace avrelt {
namespace {

std::string digits(double value) {
  std::array<char, 64> buffer{};
  // A ten-thousandth of a millimetre: finer than any blade, and short.
  const auto end = std::to_chars(buffer.data(), buffer.data() + buffer.size(), value,
                                 std::chars_format::fixed, 4);
  std::string text(buffer.data(), end.ptr);
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text == "-0" ? "0" : text;
}

std::string escaped(const std::string& text) {
  std::string safe;
  for (const char c : text) {
    switch (c) {
      case '&':
        safe += "&amp;";
        break;
      case '<':
        safe += "&lt;";
        break;
      case '>':
        safe += "&gt;";
        break;
      case '"':
        safe += "&quot;";
        break;
      default:
        // Control characters are not allowed in XML at all.
        safe += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    }
  }
  return safe;
}

/// Flat to page: x from the left edge, y down from the top edge.
struct PageFrame {
  Box box;
  Point operator()(Point p) const { return {p.x - box.low.x, box.high.y - p.y}; }
};

std::string place(Point p) {
  return digits(p.x) + " " + digits(p.y);
}

std::string pathData(const Path& path, const PageFrame& frame) {
  constexpr double straight = 1e-6;
  std::string data = "M" + place(frame(path.start));
  Point from = path.start;
  for (const Stretch& stretch : path.stretches) {
    if (riseOf(from, stretch) < straight) {
      data += " L" + place(frame(stretch.end));
    } else {
      const std::string radius = digits(arcFigures(from, stretch).radius);
      // With y turned down a left turn of the flat looks like a right turn to SVG's sweep flag.
      const char* const sweep = stretch.bulge > 0 ? "0" : "1";
      // At most a quarter at once: where a reader finds the middle of a half circle from its ends,
      // the last digit of its radius would move it by a root of that.
      const double quarters = std::abs(std::atan(stretch.bulge)) * 4 / (std::numbers::pi / 2);
      const int arcs = std::max(1, static_cast<int>(std::ceil(quarters - 1e-9)));
      for (int i = 1; i <= arcs; ++i) {
        for (const char* const part :
             {" A", radius.c_str(), " ", radius.c_str(), " 0 0 ", sweep, " "}) {
          data += part;
        }
        data += place(frame(i == arcs ? stretch.end
                                      : pointAlong(from, stretch, static_cast<double>(i) / arcs)));
      }
    }
    from = stretch.end;
  }
  return path.closed() ? data + " Z" : data;
}

/// What is drawn on one part and never cut.
void drawGuides(std::string& svg, const Part& part, const PageFrame& frame, Unit unit) {
  for (const Tint& tint : part.tints) {
    std::string data;
    for (const Path& edge : tint.edges) data += (data.empty() ? "" : " ") + pathData(edge, frame);
    svg += "    <path d=\"" + data + "\" fill=\"" + tint.colour +
           "\" fill-rule=\"evenodd\" stroke=\"none\"/>\n";
  }
  for (const Guide& guide : part.guides) {
    svg += "    <path d=\"" + pathData(guide.path, frame) + "\"" +
           (guide.dashed() ? " stroke-dasharray=\"3 1.5\"" : "") + "/>\n";
  }
  for (const Lettering& lettering : part.letterings) {
    const Point at = frame(lettering.at);
    svg += "    <text x=\"" + digits(at.x) + "\" y=\"" +
           digits(at.y + ink::capHeight * lettering.height.mm() / 2) + "\" font-size=\"" +
           digits(lettering.height.mm()) +
           "\" font-family=\"Avrelt Sans, Inter, sans-serif\" text-anchor=\"middle\" fill=\"" +
           ink::guide + "\" stroke=\"none\"";
    const std::string turn = digits(-lettering.turn.degrees());
    if (turn != "0") svg += " transform=\"rotate(" + turn + " " + place(at) + ")\"";
    svg += ">" + escaped(wordsOnPaper(lettering.words, unit)) + "</text>\n";
  }
}

}  // namespace

std::string svgOf(const PartSet& set, Unit unit, const std::string& title) {
  return svgOf(set, unit, title, set.bounds());
}

std::string svgOf(const PartSet& set, Unit unit, const std::string& title, const Box& page,
                  const std::string& print) {
  const PageFrame frame{page};
  const std::string width = digits(frame.box.width());
  const std::string height = digits(frame.box.height());

  std::string svg = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n";
  svg += "<svg xmlns=\"http://www.w3.org/2000/svg\"" +
         std::string(print.empty() ? "" : " xmlns:xlink=\"http://www.w3.org/1999/xlink\"") +
         " version=\"1.1\" width=\"" + width + "mm\" height=\"" + height + "mm\" viewBox=\"0 0 " +
         width + " " + height + "\">\n";
  svg += "  <title>" + escaped(title) + "</title>\n";
  svg +=
      "  <desc>True size: one user unit is one millimetre. Layer \"cut\" is cut, layer "
      "\"guide\" is drawn.</desc>\n";

  if (!print.empty()) {
    svg += "  <g id=\"print\"><image x=\"0\" y=\"0\" width=\"" + width + "\" height=\"" + height +
           "\" preserveAspectRatio=\"none\" xlink:href=\"" + escaped(print) + "\"/></g>\n";
  }
  svg += "  <g id=\"cut\" fill=\"none\" stroke=\"" + std::string(ink::edge) +
         "\" stroke-width=\"0.1\">\n";
  for (const Part& part : set.parts) {
    svg +=
        "    <path id=\"" + escaped(part.id) + "\" d=\"" + pathData(part.outline, frame) + "\"/>\n";
    for (const Path& one : part.more) {
      svg += "    <path d=\"" + pathData(one, frame) + "\"/>\n";
    }
    for (const Path& hole : part.holes) {
      svg += "    <path d=\"" + pathData(hole, frame) + "\"/>\n";
    }
    for (const Path& slit : part.slits) {
      svg += "    <path d=\"" + pathData(slit, frame) + "\"/>\n";
    }
  }
  svg += "  </g>\n";

  svg += "  <g id=\"guide\" fill=\"none\" stroke=\"" + std::string(ink::guide) +
         "\" stroke-width=\"0.1\">\n";
  for (const Part& part : set.parts) drawGuides(svg, part, frame, unit);
  svg += "  </g>\n</svg>\n";
  return svg;
}

}  // namespace avrelt
