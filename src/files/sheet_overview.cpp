// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/sheet_overview.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>
#include <vector>

#include "files/pdf_flow.h"
#include "measure/colour.h"
#include "shape/transform.h"

namespace avrelt {
namespace {

/// A picture of a sheet takes no more than this of the page.
constexpr double mostWide = 95;
constexpr double mostTall = 98;
constexpr double numberSize = 2.6;
/// Smaller ones cannot be read.
constexpr double leastNumber = 1.2;
constexpr double besideIt = 6;

class Overview {
 public:
  Overview(const SheetPlan& sheets, const SheetOutput& output, std::string& bytes)
      : sheets_(sheets),
        output_(output),
        title_(words({"Sheets of %1", {output.order}})),
        flow_(bytes, output.paper, title_) {}

  bool print() {
    flow_.head(title_);
    for (const FilmSheets& film : sheets_.films) {
      if (film.arrangement.sheets.empty()) continue;
      // Not at the foot of a page, its first sheet on the next.
      flow_.turnFor(heightOf(film, 0) + 5 * PdfFlow::lineHeight);
      flow_.title(titleOf(film));
      for (std::size_t i = 0; i < film.arrangement.sheets.size(); ++i) sheet(film, i);
    }
    unplaced();
    return flow_.finish();
  }

 private:
  std::string words(const Sentence& sentence) const { return inWords(sentence, output_.unit); }

  std::string titleOf(const FilmSheets& film) const {
    const Sentence kind = materialTitle(film.wanted.kind);
    if (film.film && !film.film->name.empty()) {
      return words({"%1: %2", {film.film->name, Phrase(kind)}});
    }
    if (film.wanted.colour.empty()) return words(kind);
    return words({"%1, %2", {Phrase(kind), colourInWords(film.wanted.colour)}});
  }

  /// "Sheet 1 of 3, 12 × 24 in, 64 % used, drawn at 1 : 4".
  Sentence about(const FilmSheets& film, std::size_t sheet, double scale) const {
    const SheetSize size = film.sizeOf(sheet);
    return {"Sheet %1 of %2, %3 × %4, %5 % used, drawn at 1 : %6",
            {static_cast<long>(sheet + 1), static_cast<long>(film.arrangement.sheets.size()),
             size.wide, size.tall, std::lround(film.used[sheet] * 100), numberText(1 / scale, 1)}};
  }

  static double scaleOf(const SheetSize& size) {
    return std::min({mostWide / size.wide.mm(), mostTall / size.tall.mm(), 1.0});
  }
  static double heightOf(const FilmSheets& film, std::size_t sheet) {
    const SheetSize size = film.sizeOf(sheet);
    return size.tall.mm() * scaleOf(size);
  }

  /// A part's number in its middle, as large as there is room for; whether there is.
  bool number(int number, const Polygon& shape) {
    const std::string words = std::to_string(number);
    const Box box = boundsOf(shape);
    const double wide = flow_.pages().lengthOf(words, numberSize) / numberSize;
    const double size = std::min({numberSize, box.height(), box.width() / wide});
    if (size < leastNumber) return false;
    const Point middle = centroidOf(shape);
    flow_.pages().text(words, middle.x - wide * size / 2, middle.y + size * 0.36, size);
    return true;
  }

  void sheet(const FilmSheets& film, std::size_t sheet) {
    const SheetSize size = film.sizeOf(sheet);
    const double scale = scaleOf(size);
    const double tall = heightOf(film, sheet);
    flow_.turnFor(tall + 2.5 * PdfFlow::lineHeight);
    flow_.say(words(about(film, sheet, scale)), PdfFlow::smallSize);
    const double top = flow_.at() - PdfFlow::lineHeight / 2;
    const double wide = size.wide.mm() * scale;
    const Transform map{scale, 0, 0, -scale, PdfFlow::margin, top + tall};
    flow_.pages().box(PdfFlow::margin, top, wide, tall);

    std::map<std::size_t, int> numbers;  // of each piece on it
    std::map<std::size_t, int> counts;
    allNumbered_ = true;
    for (const Laid& laid : film.arrangement.laid) {
      if (laid.sheet != sheet) continue;
      const int mine =
          numbers.emplace(laid.piece, static_cast<int>(numbers.size()) + 1).first->second;
      ++counts[laid.piece];
      const Polygon shape = mapped(shapeAt(film.pieces()[laid.piece], laid), map);
      flow_.pages().outlines(shape);
      if (!number(mine, shape)) allNumbered_ = false;
    }
    list(film, numbers, counts, PdfFlow::margin + wide + besideIt, top);
    if (flow_.at() < top + tall && !turned_) flow_.setAt(top + tall);
    flow_.skip(1);
  }

  /// What the numbers are, beside the picture, and on the next page where that is full.
  void list(const FilmSheets& film, const std::map<std::size_t, int>& numbers,
            const std::map<std::size_t, int>& counts, double left, double top) {
    turned_ = false;
    std::vector<std::pair<int, std::size_t>> inTurn;
    inTurn.reserve(numbers.size());
    for (const auto& [piece, number] : numbers) inTurn.emplace_back(number, piece);
    std::sort(inTurn.begin(), inTurn.end());
    flow_.setAt(top + PdfFlow::smallSize);
    const double room = PdfFlow::margin + flow_.room() - left;
    const auto line = [&](const std::string& words) {
      const double before = flow_.at();
      flow_.turnFor(PdfFlow::lineHeight);
      turned_ = turned_ || flow_.at() < before;
      flow_.pages().text(flow_.pages().fitted(words, PdfFlow::smallSize, room), left, flow_.at(),
                         PdfFlow::smallSize);
      flow_.setAt(flow_.at() + 0.85 * PdfFlow::lineHeight);
    };
    for (const auto& [number, piece] : inTurn) {
      const int count = counts.at(piece);
      const Sentence name = nameOf(sheets_, film.parts[piece]);
      line(count == 1
               ? words({"%1  %2", {static_cast<long>(number), Phrase(name)}})
               : words({"%1  %2 × %3",
                        {static_cast<long>(number), static_cast<long>(count), Phrase(name)}}));
    }
    if (!allNumbered_) line(words({"Parts too small for a number have none in the picture.", {}}));
  }

  void unplaced() {
    bool first = true;
    for (const FilmSheets& film : sheets_.films) {
      for (const PartsNotLaid& one : notLaidOf(film)) {
        if (std::exchange(first, false)) flow_.title(words({"On no sheet", {}}));
        const Sentence name = nameOf(sheets_, *one.part);
        const Sentence why = one.why == NotLaid::Why::tooLarge
                                 ? Sentence{"larger than any sheet", {}}
                                 : Sentence{"there is no film left for it", {}};
        flow_.say(
            words({"%1 × %2: %3", {static_cast<long>(one.copies), Phrase(name), Phrase(why)}}));
      }
    }
  }

  const SheetPlan& sheets_;
  const SheetOutput& output_;
  std::string title_;
  PdfFlow flow_;
  bool turned_ = false;      ///< the list went on to another page
  bool allNumbered_ = true;  ///< of the sheet in hand
};

}  // namespace

std::string sheetOverviewPdf(const SheetPlan& sheets, const SheetOutput& output) {
  std::string bytes;
  return Overview(sheets, output, bytes).print() ? bytes : std::string();
}

}  // namespace avrelt
