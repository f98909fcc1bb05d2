// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf.h"

#include <algorithm>
#include <vector>

#include "files/ink.h"
#include "files/pdf_canvas.h"

namespace avrelt {
namespace {

const Rgb edgeInk = rgbOf(ink::edge);
const Rgb guideInk = rgbOf(ink::guide);
constexpr Rgb faintInk{0x9E, 0x99, 0x8C};

struct LaidPath {
  Path path;
  Box box;
};

struct LaidLettering {
  std::string words;
  Point at;
  double size;
  Angle turn;
  Box box;
};

struct LaidTint {
  std::vector<Path> edges;
  const std::string* colour;
  Box box;
};

struct LaidGuide {
  LaidPath path;
  bool dashed;
};

/// A part as it lies over the pages: each page draws only what it shows.
struct LaidPiece {
  std::vector<LaidTint> tints;
  std::vector<LaidGuide> guides;
  std::vector<LaidLettering> letterings;
  std::vector<LaidPath> edges;
  Box box;
};

class PieceLayer {
 public:
  PieceLayer(const Tiling& tiling, Unit unit) : tiling_(tiling), unit_(unit) {}

  LaidPiece operator()(const Part& part) const {
    LaidPiece laid;
    for (const Tint& tint : part.tints) {
      LaidTint made{{}, &tint.colour, {}};
      for (const Path& edge : tint.edges) {
        LaidPath path = pathOf(edge);
        made.box.add(path.box);
        made.edges.push_back(std::move(path.path));
      }
      laid.box.add(made.box);
      laid.tints.push_back(std::move(made));
    }
    for (const Guide& guide : part.guides) {
      laid.guides.push_back({pathOf(guide.path), guide.dashed()});
      laid.box.add(laid.guides.back().path.box);
    }
    for (const Lettering& lettering : part.letterings) {
      LaidLettering made{wordsOnPaper(lettering.words, unit_),
                         laidOn(tiling_, lettering.at),
                         lettering.height.mm(),
                         lettering.turn + (tiling_.turned ? Angle::degrees(90) : Angle()),
                         {}};
      // No letter is wider than it is tall.
      const double reach = made.size * (static_cast<double>(made.words.size()) / 2 + 1);
      made.box.add(made.at - Point{reach, reach});
      made.box.add(made.at + Point{reach, reach});
      laid.box.add(made.box);
      laid.letterings.push_back(std::move(made));
    }
    laid.edges.push_back(pathOf(part.outline));
    for (const Path& one : part.more) laid.edges.push_back(pathOf(one));
    for (const Path& hole : part.holes) laid.edges.push_back(pathOf(hole));
    for (const Path& slit : part.slits) laid.edges.push_back(pathOf(slit));
    for (const LaidPath& edge : laid.edges) laid.box.add(edge.box);
    return laid;
  }

 private:
  LaidPath pathOf(const Path& path) const {
    LaidPath laid{laidOn(tiling_, path), {}};
    laid.box = boundsOf(laid.path).grownBy(1);
    return laid;
  }

  const Tiling& tiling_;
  Unit unit_;
};

/// Draws on the pages of one document.
class PagePrinter {
 public:
  PagePrinter(const PartSet& set, const Tiling& tiling, Unit unit, const std::string& title)
      : tiling_(tiling), title_(title), canvas_(tiling.pageWidth(), tiling.pageHeight(), title) {
    const PieceLayer layer(tiling, unit);
    parts_.reserve(set.parts.size());
    for (const Part& part : set.parts) parts_.push_back(layer(part));
  }

  std::string print() {
    bool first = true;
    for (const Page& page : tiling_.pages) {
      if (!first) canvas_.turn();
      first = false;
      printWindow(page);
      printFooter(page);
    }
    return canvas_.finish();
  }

 private:
  void use(const Rgb& colour, double width, std::initializer_list<double> dashes = {}) {
    canvas_.ink(colour);
    canvas_.pen(width, dashes);
  }

  /// Adds what a page shows of a path, to be stroked with others in one go.
  void addSeen(const LaidPath& path, const Box& window) {
    if (path.box.meets(window)) canvas_.add(path.path);
  }

  void line(Point from, Point to) {
    canvas_.add(from, to);
    canvas_.stroke();
  }

  /// Words with their left end, or their middle, at a place halfway up a capital; `size` in mm.
  void letter(const std::string& words, Point at, double size, bool centred, Angle turn = {}) {
    const double left = centred ? -PdfCanvas::lengthOf(words, size) / 2 : 0;
    canvas_.words(words, at + turning(turn)({left, -ink::capHeight * size / 2}), size, turn);
  }

  void printWindow(const Page& page) {
    const Box& window = page.window;
    canvas_.save();
    const double margin = Tiling::margin.mm();
    canvas_.frame({1, 0, 0, 1, margin - window.low.x, margin + Tiling::footer.mm() - window.low.y});
    canvas_.clip(window);

    for (const LaidPiece& part : parts_) {
      if (part.box.meets(window)) printPiece(part, window);
    }
    printJoins(page);
    canvas_.restore();
  }

  void fill(const LaidTint& tint) {
    canvas_.ground(rgbOf(*tint.colour));
    for (const Path& edge : tint.edges) canvas_.add(edge);
    canvas_.fill();
  }

  void printPiece(const LaidPiece& part, const Box& window) {
    for (const LaidTint& tint : part.tints) {
      if (tint.box.meets(window)) fill(tint);
    }
    for (const bool dashed : {false, true}) {
      use(guideInk, 0.15);
      if (dashed) canvas_.pen(0.15, {3, 1.5});
      for (const LaidGuide& guide : part.guides) {
        if (guide.dashed == dashed) addSeen(guide.path, window);
      }
      canvas_.stroke();
    }
    for (const LaidLettering& words : part.letterings) {
      if (words.box.meets(window)) letter(words.words, words.at, words.size, true, words.turn);
    }
    use(edgeInk, 0.2);
    for (const LaidPath& edge : part.edges) addSeen(edge, window);
    canvas_.stroke();
  }

  void printJoins(const Page& page) {
    const Box& window = page.window;
    const double join = Tiling::join.mm();
    use(faintInk, 0.15, {1, 1});
    const auto upright = [&](double x) { line({x, window.low.y}, {x, window.high.y}); };
    const auto level = [&](double y) { line({window.low.x, y}, {window.high.x, y}); };
    if (page.column > 0) upright(window.low.x + join);
    if (page.column + 1 < tiling_.columns) upright(window.high.x - join);
    if (page.row > 0) level(window.high.y - join);
    if (page.row + 1 < tiling_.rows) level(window.low.y + join);
    use(edgeInk, 0.15);
    for (const JoinMark& mark : tiling_.joins) {
      if (!window.grownBy(5).contains(mark.at)) continue;
      constexpr double arm = 3;
      line(mark.at - Point{arm, 0}, mark.at + Point{arm, 0});
      line(mark.at - Point{0, arm}, mark.at + Point{0, arm});
      letter(mark.label, mark.at + Point{2, 2}, 2.6, true);
    }
  }

  void bar(Point at, Length length, const std::string& words) {
    const Point end = at + Point{length.mm(), 0};
    line(at, end);
    line(at - Point{0, 1}, at + Point{0, 1});
    line(end - Point{0, 1}, end + Point{0, 1});
    letter(words, at + Point{length.mm() / 2, 2.2}, 2.4, true);
  }

  void printFooter(const Page& page) {
    const double margin = Tiling::margin.mm();
    use(edgeInk, 0.2);
    bar({margin, margin + 8}, Length::mm(100), "100 mm");
    bar({margin, margin + 1.5}, Length::inches(4), "4 in");

    const double left = margin + Length::inches(4).mm() + 5;
    const auto several = tiling_.pages.size() > 1;
    std::string name = title_;
    if (several) {
      name += ", page " + std::to_string(page.row * tiling_.columns + page.column + 1) + " of " +
              std::to_string(tiling_.pages.size());
    }
    letter(name, {left, margin + 10.5}, 2.8, false);
    letter("Print at 100 %, not fitted to the page.", {left, margin + 6}, 2.4, false);
    letter(several ? "Check a bar, then lay the crosses over each other."
                   : "Check a bar with your tape before you cut.",
           {left, margin + 2}, 2.4, false);
    if (several) printMap(page);
  }

  /// The pages as they lie together, this one filled.
  void printMap(const Page& page) {
    const double cell = std::min({4.0, 18.0 / tiling_.columns, 13.0 / tiling_.rows});
    const double left = tiling_.pageWidth().mm() - Tiling::margin.mm() - cell * tiling_.columns;
    const double top = Tiling::margin.mm() + cell * tiling_.rows;
    for (const Page& other : tiling_.pages) {
      const Point low{left + other.column * cell, top - (other.row + 1) * cell};
      canvas_.add(Box{low, low + Point{cell, cell}});
      if (other.row == page.row && other.column == page.column) {
        canvas_.fillAndStroke();
      } else {
        canvas_.stroke();
      }
    }
  }

  std::vector<LaidPiece> parts_;
  const Tiling& tiling_;
  const std::string& title_;
  PdfCanvas canvas_;
};

}  // namespace

tl::expected<std::string, Sentence> pdfOf(const PartSet& set, const Tiling& tiling, Unit unit,
                                          const std::string& title) {
  if (tiling.pages.empty()) {
    return tl::unexpected(
        Sentence{"This is too large to print: it would take over 400 pages. Check the cup's "
                 "measures.",
                 {}});
  }
  std::string bytes = PagePrinter(set, tiling, unit, title).print();
  if (bytes.empty()) {
    return tl::unexpected(Sentence{"The print could not be made; memory may have run out.", {}});
  }
  return bytes;
}

}  // namespace avrelt
