// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/pdf.h"

#include <algorithm>
#include <memory>
#include <numbers>
#include <vector>

#include "files/ink.h"
#include "files/pdf_page.h"

namespace avrelt {
namespace {

struct Inks {
  double red, green, blue;
};
constexpr Inks edgeInk{0x22 / 255.0, 0x26 / 255.0, 0x2A / 255.0};
constexpr Inks guideInk{0x1F / 255.0, 0x5E / 255.0, 0x6B / 255.0};
constexpr Inks faintInk{0.62, 0.60, 0.55};

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
      LaidLettering made{inWords(lettering.words, unit_),
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

/// Draws in mm, y up, on the pages of one document.
class PagePrinter {
 public:
  PagePrinter(const PartSet& set, const Tiling& tiling, Unit unit, const std::string& title,
              std::string& bytes)
      : tiling_(tiling), title_(title) {
    const PieceLayer layer(tiling, unit);
    for (const Part& part : set.parts) parts_.push_back(layer(part));
    surface_ = pdfSurface(bytes, tiling.pageWidth().mm(), tiling.pageHeight().mm(), title);
    context_ = cairo_create(surface_);
    cairo_set_font_face(context_, PdfFace::shipped().cairo());
  }
  PagePrinter(const PagePrinter&) = delete;
  PagePrinter& operator=(const PagePrinter&) = delete;
  ~PagePrinter() {
    cairo_destroy(context_);
    cairo_surface_destroy(surface_);
  }

  void print() {
    for (const Page& page : tiling_.pages) {
      cairo_save(context_);
      cairo_scale(context_, pointsPerMm, -pointsPerMm);
      cairo_translate(context_, 0, -tiling_.pageHeight().mm());
      printWindow(page);
      printFooter(page);
      cairo_restore(context_);
      cairo_show_page(context_);
    }
    cairo_surface_finish(surface_);
  }

  bool failed() const { return cairo_surface_status(surface_) != CAIRO_STATUS_SUCCESS; }

 private:
  void use(Inks inks, double width, std::vector<double> dashes = {}) {
    cairo_set_source_rgb(context_, inks.red, inks.green, inks.blue);
    cairo_set_line_width(context_, width);
    cairo_set_dash(context_, dashes.data(), static_cast<int>(dashes.size()), 0);
  }

  void trace(const Path& path, bool anew = true) {
    if (anew) cairo_new_path(context_);
    cairo_move_to(context_, path.start.x, path.start.y);
    Point from = path.start;
    for (const Stretch& stretch : path.stretches) {
      if (riseOf(from, stretch) < 1e-6) {
        cairo_line_to(context_, stretch.end.x, stretch.end.y);
      } else {
        const ArcFigures arc = arcFigures(from, stretch);
        const double end = arc.startAngle + arc.sweep;
        (arc.sweep > 0 ? cairo_arc : cairo_arc_negative)(context_, arc.centre.x, arc.centre.y,
                                                         arc.radius, arc.startAngle, end);
        cairo_line_to(context_, stretch.end.x, stretch.end.y);
      }
      from = stretch.end;
    }
    if (path.closed()) cairo_close_path(context_);
  }

  /// Traces what a page shows of a path, to be stroked with others in one go.
  void traceSeen(const LaidPath& path, const Box& window) {
    if (path.box.meets(window)) trace(path.path, false);
  }

  void line(Point from, Point to) {
    cairo_move_to(context_, from.x, from.y);
    cairo_line_to(context_, to.x, to.y);
    cairo_stroke(context_);
  }

  /// Words with their left end, or their middle, at a place; `size` in mm.
  void letter(const std::string& words, Point at, double size, bool centred, Angle turn = {}) {
    cairo_save(context_);
    cairo_translate(context_, at.x, at.y);
    cairo_rotate(context_, turn.radians());
    cairo_scale(context_, 1, -1);
    cairo_set_font_size(context_, size);
    cairo_text_extents_t extents;
    cairo_text_extents(context_, words.c_str(), &extents);
    cairo_move_to(context_, centred ? -extents.x_advance / 2 : 0, ink::capHeight * size / 2);
    cairo_show_text(context_, words.c_str());
    cairo_restore(context_);
  }

  void printWindow(const Page& page) {
    const Box& window = page.window;
    cairo_save(context_);
    const double margin = Tiling::margin.mm();
    cairo_translate(context_, margin - window.low.x, margin + Tiling::footer.mm() - window.low.y);
    cairo_rectangle(context_, window.low.x, window.low.y, window.width(), window.height());
    cairo_clip(context_);

    for (const LaidPiece& part : parts_) {
      if (part.box.meets(window)) printPiece(part, window);
    }
    printJoins(page);
    cairo_restore(context_);
  }

  void fill(const LaidTint& tint) {
    const auto channel = [&tint](std::size_t at) {
      return std::stoi(tint.colour->substr(at, 2), nullptr, 16) / 255.0;
    };
    cairo_set_source_rgb(context_, channel(1), channel(3), channel(5));
    cairo_set_fill_rule(context_, CAIRO_FILL_RULE_EVEN_ODD);
    bool first = true;
    for (const Path& edge : tint.edges) {
      trace(edge, first);
      first = false;
    }
    cairo_fill(context_);
  }

  void printPiece(const LaidPiece& part, const Box& window) {
    for (const LaidTint& tint : part.tints) {
      if (tint.box.meets(window)) fill(tint);
    }
    for (const bool dashed : {false, true}) {
      use(guideInk, 0.15, dashed ? std::vector<double>{3, 1.5} : std::vector<double>{});
      for (const LaidGuide& guide : part.guides) {
        if (guide.dashed == dashed) traceSeen(guide.path, window);
      }
      cairo_stroke(context_);
    }
    for (const LaidLettering& words : part.letterings) {
      if (words.box.meets(window)) letter(words.words, words.at, words.size, true, words.turn);
    }
    use(edgeInk, 0.2);
    for (const LaidPath& edge : part.edges) traceSeen(edge, window);
    cairo_stroke(context_);
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
      cairo_rectangle(context_, left + other.column * cell, top - (other.row + 1) * cell, cell,
                      cell);
      if (other.row == page.row && other.column == page.column) cairo_fill_preserve(context_);
      cairo_stroke(context_);
    }
  }

  std::vector<LaidPiece> parts_;
  const Tiling& tiling_;
  const std::string& title_;
  cairo_surface_t* surface_ = nullptr;
  cairo_t* context_ = nullptr;
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
  std::string bytes;
  {
    PagePrinter printer(set, tiling, unit, title, bytes);
    printer.print();
    if (printer.failed()) {
      return tl::unexpected(Sentence{"The print could not be made; memory may have run out.", {}});
    }
  }
  return bytes;
}

}  // namespace avrelt
