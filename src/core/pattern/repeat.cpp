// SPDX-License-Identifier: GPL-3.0-or-later
#include "pattern/repeat.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include "shape/buckets.h"
#include "shape/crossings.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

constexpr std::size_t mostInTile = 6000;
constexpr std::size_t mostPoints = 1'000'000;
constexpr std::size_t mostCrossings = 20'000;
/// Pairs of shapes that lie on each other: scales have three or four for each, which is little.
constexpr std::size_t mostPairs = 200;
constexpr std::size_t mostPairsEach = 3;
constexpr double largestDrawn = 10'000;  // mm
constexpr double leastArea = 0.25;       // mm² of a cell
constexpr double nearlyClosed = 0.3;     // mm between the ends of a line that was meant closed
constexpr double widestMargin = 0.15;    // of a page's size, round what fills it
constexpr double nearEdge = 0.05;        // mm from the page's edge that count as on it
constexpr double alike = 0.1;            // mm two repeats may differ by
constexpr double hairline = 0.05;        // mm, under which a line has no width of its own
constexpr Length detail = Length::mm(0.02);
constexpr double perMm = 1000;  // the grid files keep

std::string quoted(const DrawnShape& shape) {
  return shape.name.empty() ? std::string("?") : shape.name;
}

bool overlap(const Box& a, const Box& b) {
  return a.low.x < b.high.x && b.low.x < a.high.x && a.low.y < b.high.y && b.low.y < a.high.y;
}

class Finder {
 public:
  explicit Finder(const Drawing& drawing) : drawing_(drawing) {
    found_.artwork.name = drawing.name;
    found_.notes = drawing.notes;
    const auto clipped =
        std::count_if(drawing.shapes.begin(), drawing.shapes.end(),
                      [](const DrawnShape& shape) { return shape.clip != nullptr; });
    if (clipped > 0) {
      found_.notes.push_back(
          {"Clips were left out (%1): the shapes are taken whole.", {static_cast<long>(clipped)}});
    }
  }

  Checked<FoundRepeat> operator()() {
    if (const std::optional<Fault> fault = measure()) return tl::unexpected(*fault);
    if (const std::optional<Fault> fault = untangled()) return tl::unexpected(*fault);
    gather();
    if (const std::optional<Fault> fault = tidy()) return tl::unexpected(*fault);
    lineWidth();
    frame();
    joinAtEdges();
    findRepeat();
    return finish();
  }

 private:
  std::optional<Fault> measure() {
    std::size_t points = 0;
    for (const DrawnShape& shape : drawing_.shapes) {
      for (const Polyline& line : shape.lines) {
        points += line.points.size();
        for (const Point& p : line.points) {
          if (std::abs(p.x) > 2 * largestDrawn || std::abs(p.y) > 2 * largestDrawn) {
            return Fault{{Member::drawnShape, quoted(shape)},
                         {"The shape lies farther out than %1. Bring the drawing to its true size.",
                          {Length::mm(2 * largestDrawn)}}};
          }
          drawn_.add(p);
        }
      }
    }
    if (points > mostPoints) {
      return Fault{Member::whole,
                   {"The drawing has %1 points, and up to %2 can be taken. Simplify its paths.",
                    {static_cast<long>(points), static_cast<long>(mostPoints)}}};
    }
    if (drawn_.empty())
      return Fault{Member::whole, {"Nothing is drawn in it. Draw closed shapes.", {}}};
    if (drawn_.width() > largestDrawn || drawn_.height() > largestDrawn) {
      return Fault{
          Member::whole,
          {"The drawing is %1 by %2. Bring it to its true size, up to %3.",
           {Length::mm(drawn_.width()), Length::mm(drawn_.height()), Length::mm(largestDrawn)}}};
    }
    return std::nullopt;
  }

  /// Lines that cross themselves or each other without end are refused before they are cut.
  std::optional<Fault> untangled() const {
    std::vector<Polyline> open;
    const auto refused = [](const std::string& name) {
      return Fault{{Member::drawnShape, name},
                   {"Its lines cross more than %1 times. Draw it with fewer crossings.",
                    {static_cast<long>(mostCrossings)}}};
    };
    for (const DrawnShape& shape : drawing_.shapes) {
      if (crossMoreOftenThan(mostCrossings, shape.lines)) return refused(quoted(shape));
      for (const Polyline& line : shape.lines) {
        if (!line.closed && !shape.filled) open.push_back(line);
      }
    }
    if (crossMoreOftenThan(mostCrossings, open)) return refused("");
    return std::nullopt;
  }

  /// What a shape goes round.
  struct Inside {
    Polygon polygon;
    Length stroke;
    bool filled = false;
  };

  /// Fills and closed lines as cells, or as line work; open lines part the page.
  void gather() {
    std::vector<Polygon> ink;
    long closedUp = 0;
    long crossed = 0;
    bool parted = false;
    std::vector<Inside> insides;
    for (const DrawnShape& shape : drawing_.shapes) {
      std::vector<Polyline> closed;
      std::vector<Polyline> open;
      for (const Polyline& line : shape.lines) {
        const bool near =
            line.points.size() > 2 && norm(line.points.back() - line.points.front()) < nearlyClosed;
        if (line.closed || shape.filled || near) {
          closedUp += line.closed || shape.filled ? 0 : 1;
          closed.push_back({simplified(line.points, detail), true});
        } else {
          open.push_back(line);
        }
      }
      const Length width = std::max(shape.stroke, Length::mm(hairline));
      if (!closed.empty()) {
        Inside inside{enclosedBy(closed, shape.evenOdd || !shape.filled), shape.stroke,
                      shape.filled};
        // A line that keeps off itself goes round what it encloses once.
        const double once = std::abs(signedArea(closed.front().points));
        const double all = signedArea(inside.polygon);
        crossed += closed.size() == 1 && std::abs(once - all) > 0.05 ? 1 : 0;
        insides.push_back(std::move(inside));
        if (shape.stroke > Length()) ink.push_back(drawnWide(closed, width));
      }
      if (!open.empty() && shape.stroke > Length()) {
        parted = true;
        ink.push_back(drawnWide(open, width));
      }
    }
    if (closedUp > 0) note("%1 lines whose ends nearly meet were taken as closed.", closedUp);
    if (crossed > 0) note("%1 outlines cross themselves; what they go round was taken.", crossed);
    if (parted) {
      partPage(unionOf(ink), insides);
    } else {
      for (Inside& inside : insides) layCells(std::move(inside.polygon), inside.stroke);
    }
  }

  /// With open lines: the page less all that is drawn as a line. Filled shapes on it stay cells.
  void partPage(const Polygon& ink, const std::vector<Inside>& insides) {
    const auto take = [this](const Polygon& polygon) {
      for (Polygon& part : partsOf(polygon)) cells_.push_back(std::move(part));
    };
    bool filled = false;
    for (const Inside& inside : insides) {
      if (inside.filled) take(inside.polygon - ink);
      filled = filled || inside.filled;
    }
    if (!filled) take(Polygon{rectangle(pageFor(drawn_))} - ink);
  }

  /// A shape's parts: one with two openings or more is line work, and its openings are cells.
  void layCells(Polygon polygon, Length stroke) {
    if (stroke > Length::mm(hairline)) polygon = shrunkBy(polygon, stroke / 2);
    const std::vector<Polygon> parts = partsOf(polygon);
    for (const Polygon& part : parts) {
      if (part.size() < 3) {
        cells_.push_back(part);
        continue;
      }
      for (std::size_t i = 1; i < part.size(); ++i) {
        std::vector<Point> opening = part[i];
        std::reverse(opening.begin(), opening.end());
        openings_.push_back({std::move(opening)});
      }
    }
  }

  static std::vector<Point> rectangle(const Box& box) {
    return {box.low, {box.high.x, box.low.y}, box.high, {box.low.x, box.high.y}};
  }

  /// The page, along each axis where what is drawn fills it but for a margin, or else what is
  /// drawn.
  Box pageFor(const Box& box) const {
    const Point size{drawing_.wide.mm(), drawing_.tall.mm()};
    const auto fills = [](double low, double high, double page) {
      return page > 0 && low < widestMargin * page && high > (1 - widestMargin) * page;
    };
    Box page = box;
    if (fills(box.low.x, box.high.x, size.x)) {
      page.low.x = 0;
      page.high.x = size.x;
    }
    if (fills(box.low.y, box.high.y, size.y)) {
      page.low.y = 0;
      page.high.y = size.y;
    }
    return page;
  }

  /// Openings that nothing fills are cells; of cells that overlap the upper keeps its shape; dust
  /// goes.
  std::optional<Fault> tidy() {
    std::vector<std::pair<Box, Point>> places;
    for (const Polygon& cell : cells_) places.emplace_back(boundsOf(cell), centroidOf(cell));
    for (Polygon& opening : openings_) {
      const Box box = boundsOf(opening);
      const Point middle = centroidOf(opening);
      bool taken = false;
      for (std::size_t i = 0; i < cells_.size() && !taken; ++i) {
        const auto& [around, inside] = places[i];
        taken = (around.contains(middle) && contains(cells_[i], middle)) ||
                (box.contains(inside) && contains(opening, inside));
      }
      if (taken) continue;
      cells_.push_back(std::move(opening));
      places.emplace_back(box, middle);
    }
    if (cells_.size() > mostInTile) {
      return Fault{Member::whole,
                   {"There are %1 closed shapes, and up to %2 can be taken. Draw fewer.",
                    {static_cast<long>(cells_.size()), static_cast<long>(mostInTile)}}};
    }
    for (Polygon& cell : cells_) {
      for (std::vector<Point>& outline : cell) outline = simplified(outline, detail);
    }
    const Buckets buckets(drawn_, cells_.size());
    std::map<std::pair<long, long>, std::vector<std::size_t>> squares;
    std::vector<Box> boxes;
    boxes.reserve(cells_.size());
    for (const Polygon& cell : cells_) boxes.push_back(boundsOf(cell));
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      buckets.at(boxes[i], [&](std::pair<long, long> place) { squares[place].push_back(i); });
    }
    std::size_t pairs = 0;
    const std::size_t mostOfThese = mostPairs + mostPairsEach * cells_.size();
    long overlapped = 0;
    std::vector<Polygon> tidied;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      std::vector<std::size_t> above;
      buckets.at(boxes[i], [&](std::pair<long, long> place) {
        for (const std::size_t j : squares[place]) {
          if (j > i && overlap(boxes[i], boxes[j])) above.push_back(j);
        }
      });
      if (above.empty()) {
        tidied.push_back(std::move(cells_[i]));
        continue;
      }
      std::sort(above.begin(), above.end());
      above.erase(std::unique(above.begin(), above.end()), above.end());
      Polygon over;
      bool hidden = false;
      for (const std::size_t j : above) {
        over.insert(over.end(), cells_[j].begin(), cells_[j].end());
        if (signedArea(cells_[i] & cells_[j]) <= 0.01) continue;
        if (++pairs > mostOfThese) {
          return Fault{Member::whole,
                       {"So many of its shapes lie on each other that they cannot be taken apart. "
                        "Unite those that belong together, then take the drawing again.",
                        {}}};
        }
        // What lies wholly inside another is an island in it; only what crosses its edge is odd.
        hidden = hidden || signedArea(cells_[j] - cells_[i]) > 0.01;
      }
      overlapped += hidden ? 1 : 0;
      for (Polygon& part : partsOf(cells_[i] - over)) {
        if (part.size() < 3) tidied.push_back(std::move(part));  // else a net of lines
      }
    }
    const auto before = tidied.size();
    std::erase_if(tidied, [](const Polygon& cell) { return signedArea(cell) < leastArea; });
    const auto dust = static_cast<long>(before - tidied.size());
    if (overlapped > 0)
      note("%1 cells lie partly under others; what lies on top keeps its shape.", overlapped);
    if (dust > 0) note("%1 shapes too small to cut were left out.", dust);
    cells_ = std::move(tidied);
    if (cells_.empty()) {
      return Fault{
          Member::whole,
          {"No closed cell was found in it. Draw closed shapes, or lines that part the page "
           "from edge to edge.",
           {}}};
    }
    return std::nullopt;
  }

  /// The middle of the distances from each cell to the next.
  void lineWidth() {
    const Buckets buckets(drawn_, cells_.size());
    std::map<std::pair<long, long>, std::vector<std::size_t>> places;
    const double reach =
        std::sqrt(drawn_.width() * drawn_.height() / static_cast<double>(cells_.size())) / 2;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      buckets.at(boundsOf(cells_[i]).grownBy(reach),
                 [&](std::pair<long, long> place) { places[place].push_back(i); });
    }
    std::vector<double> gaps;
    const std::size_t every = std::max<std::size_t>(1, cells_.size() / 100);
    for (std::size_t i = 0; i < cells_.size(); i += every) {
      const std::vector<Point>& edge = cells_[i].front();
      for (std::size_t k = 0; k < edge.size(); k += std::max<std::size_t>(1, edge.size() / 6)) {
        const Point p = edge[k] + (edge[(k + 1) % edge.size()] - edge[k]) * 0.35;
        double nearest = reach;
        buckets.at(Box{p, p}, [&](std::pair<long, long> place) {
          const auto here = places.find(place);
          if (here == places.end()) return;
          for (const std::size_t j : here->second) {
            if (j == i) continue;
            for (const std::vector<Point>& outline : cells_[j]) {
              for (std::size_t m = 0; m < outline.size(); ++m) {
                const Point& next = outline[(m + 1) % outline.size()];
                nearest = std::min(nearest, std::sqrt(squareDistance(p, outline[m], next)));
              }
            }
          }
        });
        if (nearest < reach) gaps.push_back(nearest);
      }
    }
    if (gaps.empty()) return;
    std::nth_element(gaps.begin(), gaps.begin() + static_cast<long>(gaps.size() / 2), gaps.end());
    found_.lineWidth = Length::mm(gaps[gaps.size() / 2]);
  }

  /// The repeat to begin with: the page, or what is drawn with half a line round it.
  void frame() {
    Box box;
    for (const Polygon& cell : cells_) box.add(boundsOf(cell));
    page_ = pageFor(box.grownBy(found_.lineWidth.mm() / 2));
    // What stands over the page's edge is cut off there; its other half is on the other side.
    const Polygon paper{rectangle(page_)};
    std::vector<Polygon> cut;
    for (Polygon& cell : cells_) {
      const Box own = boundsOf(cell);
      if (own.low.x > page_.low.x && own.high.x < page_.high.x && own.low.y > page_.low.y &&
          own.high.y < page_.high.y) {
        cut.push_back(std::move(cell));
        continue;
      }
      for (Polygon& part : partsOf(cell & paper)) {
        if (signedArea(part) >= leastArea) cut.push_back(std::move(part));
      }
    }
    cells_ = std::move(cut);
  }

  struct Interval {
    double from = 0;
    double to = 0;
    std::size_t cell = 0;
  };
  /// Where cells lie on one edge of the page: their stretches along it.
  std::vector<Interval> along(bool upright, double edge) const {
    std::vector<Interval> stretches;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      for (const std::vector<Point>& outline : cells_[i]) {
        for (std::size_t k = 0; k < outline.size(); ++k) {
          const Point& a = outline[k];
          const Point& b = outline[(k + 1) % outline.size()];
          const double offA = std::abs((upright ? a.x : a.y) - edge);
          const double offB = std::abs((upright ? b.x : b.y) - edge);
          if (offA > 1e-3 || offB > 1e-3) continue;
          const auto [from, to] = std::minmax(upright ? a.y : a.x, upright ? b.y : b.x);
          if (to - from > nearEdge) stretches.push_back({from, to, i});
        }
      }
    }
    std::sort(stretches.begin(), stretches.end(),
              [](const Interval& a, const Interval& b) { return a.from < b.from; });
    return stretches;
  }

  /// Joins the halves of cells that two opposite edges cut, and measures how far they miss.
  void joinAtEdges() {
    found_.missAcross = joinAt(true);
    found_.missUp = joinAt(false);
  }

  Length joinAt(bool upright) {
    const double low = upright ? page_.low.x : page_.low.y;
    const double high = upright ? page_.high.x : page_.high.y;
    const std::vector<Interval> first = along(upright, low);
    const std::vector<Interval> last = along(upright, high);
    if (first.empty() && last.empty()) return Length();
    double miss = 0;
    std::vector<std::pair<std::size_t, std::size_t>> pairs;  // at the high edge, at the low
    std::vector<bool> met(first.size(), false);
    for (const Interval& end : last) {
      double best = 0;
      std::size_t with = first.size();
      for (std::size_t k = 0; k < first.size(); ++k) {
        const double common = std::min(end.to, first[k].to) - std::max(end.from, first[k].from);
        if (common <= best) continue;
        best = common;
        with = k;
      }
      if (with == first.size()) {
        miss = std::max(miss, end.to - end.from);
        continue;
      }
      met[with] = true;
      miss = std::max(
          {miss, std::abs(end.from - first[with].from), std::abs(end.to - first[with].to)});
      if (best > 0.5 * std::min(end.to - end.from, first[with].to - first[with].from)) {
        pairs.emplace_back(end.cell, first[with].cell);
      }
    }
    for (std::size_t k = 0; k < first.size(); ++k) {
      if (!met[k]) miss = std::max(miss, first[k].to - first[k].from);
    }
    // The low one is carried over to the high one; what meets itself goes right round and stays.
    const double size = high - low;
    const Point by = upright ? Point{size, 0} : Point{0, size};
    std::vector<bool> gone(cells_.size(), false);
    for (const auto& [end, start] : pairs) {
      if (end == start || gone[start] || gone[end]) continue;
      const Polygon carried = movedBy(cells_[start], by);
      const std::vector<Polygon> joined = partsOf(unionOf({cells_[end], carried}));
      if (joined.size() != 1) continue;
      cells_[end] = joined.front();
      gone[start] = true;
    }
    std::vector<Polygon> kept;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      if (!gone[i]) kept.push_back(std::move(cells_[i]));
    }
    cells_ = std::move(kept);
    return Length::mm(miss);
  }

  struct Figure {
    Point middle;
    double area = 0;
    double wide = 0;
    double tall = 0;
  };
  static bool same(const Figure& a, const Figure& b) {
    return std::abs(a.wide - b.wide) < alike && std::abs(a.tall - b.tall) < alike &&
           std::abs(a.area - b.area) < 0.01 * a.area + alike;
  }

  /// The smallest move along one axis that carries every cell that stays on the page onto another.
  double periodOf(const std::vector<Figure>& figures, bool across) const {
    const double size = across ? page_.width() : page_.height();
    std::map<std::pair<long, long>, std::vector<std::size_t>> places;
    const auto place = [](Point p) { return std::pair{std::lround(p.x), std::lround(p.y)}; };
    for (std::size_t i = 0; i < figures.size(); ++i) places[place(figures[i].middle)].push_back(i);
    const auto found = [&](const Figure& figure, Point at) {
      const auto [x, y] = place(at);
      for (long dx = -1; dx <= 1; ++dx) {
        for (long dy = -1; dy <= 1; ++dy) {
          const auto here = places.find({x + dx, y + dy});
          if (here == places.end()) continue;
          for (const std::size_t i : here->second) {
            if (norm(figures[i].middle - at) < alike && same(figures[i], figure)) return true;
          }
        }
      }
      return false;
    };
    std::vector<double> moves;
    for (const Figure& figure : figures) {
      const Point step = figure.middle - figures.front().middle;
      const double along = std::abs(across ? step.x : step.y);
      const double aside = std::abs(across ? step.y : step.x);
      if (aside < alike && along > 1 && along < size / 2 + alike && same(figure, figures.front())) {
        moves.push_back(along);
      }
    }
    std::sort(moves.begin(), moves.end());
    for (const double move : moves) {
      const Point by = across ? Point{move, 0} : Point{0, move};
      std::size_t stays = 0;
      const bool all = std::all_of(figures.begin(), figures.end(), [&](const Figure& figure) {
        const Point at = figure.middle + by;
        // Cells the edge may have changed do not speak.
        const double room =
            across ? page_.high.x - at.x - figure.wide / 2 : page_.high.y - at.y - figure.tall / 2;
        if (room < nearEdge) return true;
        ++stays;
        return found(figure, at);
      });
      if (all && 3 * stays >= figures.size()) {
        // As many as fit the page, where that is a whole number to within the eye.
        const double times = size / move;
        const double whole = std::round(times);
        return std::abs(times - whole) * move < 2 * alike ? size / whole : move;
      }
    }
    return 0;
  }

  /// Where a window of one period begins, in the widest gap between the middles of cells; the
  /// page's own edge where it does not repeat.
  static double windowFrom(std::vector<double> middles, double low, double size, double period) {
    if (period <= 0) return low;
    for (double& m : middles) m = std::fmod(std::fmod(m - low, period) + period, period);
    std::sort(middles.begin(), middles.end());
    double widest = middles.front() + period - middles.back();
    double at = (middles.front() + middles.back() - period) / 2;
    for (std::size_t i = 1; i < middles.size(); ++i) {
      if (middles[i] - middles[i - 1] <= widest) continue;
      widest = middles[i] - middles[i - 1];
      at = (middles[i] + middles[i - 1]) / 2;
    }
    return low + at + std::floor((size / period - 1) / 2 + 1e-6) * period;
  }

  /// Where in its window a middle lies, or nothing where that is outside. On a page of whole
  /// periods what was carried over its edge is brought back first.
  static std::optional<double> placeIn(double middle, double from, double size, double period) {
    double at = middle - from;
    if (period <= 0) return at;
    if (std::abs(size - std::round(size / period) * period) < 2 * alike) {
      at -= std::floor(at / size) * size;
    }
    if (at < 0 || at >= period) return std::nullopt;
    return at;
  }

  void findRepeat() {
    std::vector<Figure> figures;
    for (const Polygon& cell : cells_) {
      const Box box = boundsOf(cell);
      figures.push_back({centroidOf(cell), signedArea(cell), box.width(), box.height()});
    }
    const double across = periodOf(figures, true);
    const double up = periodOf(figures, false);
    double wide = page_.width();
    double tall = page_.height();
    if (across > 0) {
      found_.across = std::max(1, static_cast<int>(std::lround(wide / across)));
      wide = across;
    }
    if (up > 0) {
      found_.up = std::max(1, static_cast<int>(std::lround(tall / up)));
      tall = up;
    }
    // The cells whose middles lie in one repeat, as near the middle of the page as can be, its
    // edges kept off all middles.
    std::vector<double> xs;
    std::vector<double> ys;
    for (const Figure& figure : figures) {
      xs.push_back(figure.middle.x);
      ys.push_back(figure.middle.y);
    }
    const double left = windowFrom(std::move(xs), page_.low.x, page_.width(), across);
    const double low = windowFrom(std::move(ys), page_.low.y, page_.height(), up);
    std::vector<Polygon> kept;
    for (std::size_t i = 0; i < cells_.size(); ++i) {
      const std::optional<double> x = placeIn(figures[i].middle.x, left, page_.width(), across);
      const std::optional<double> y = placeIn(figures[i].middle.y, low, page_.height(), up);
      if (!x || !y) continue;
      const Point by = Point{*x, *y} - figures[i].middle;
      kept.push_back(movedBy(std::move(cells_[i]), by));
    }
    cells_ = std::move(kept);
    // What repeats in the drawing closes by itself.
    if (across > 0) found_.missAcross = Length();
    if (up > 0) found_.missUp = Length();
    found_.artwork.wide = wide;
    found_.artwork.tall = tall;
  }

  Checked<FoundRepeat> finish() {
    // On a grid of a thousandth, so that a file gives back what it was given.
    const auto round = [](double v) { return std::round(v * perMm) / perMm; };
    found_.artwork.wide = round(found_.artwork.wide);
    found_.artwork.tall = round(found_.artwork.tall);
    if (found_.artwork.wide < 2 || found_.artwork.tall < 2) {
      return refuse({}, "One repeat of it is %1 by %2: too small. Bring it to its true size.",
                    {Length::mm(found_.artwork.wide), Length::mm(found_.artwork.tall)});
    }
    for (Polygon& cell : cells_) {
      for (std::vector<Point>& outline : cell) {
        for (Point& p : outline) p = {round(p.x), round(p.y)};
      }
    }
    found_.artwork.cells = std::move(cells_);
    return std::move(found_);
  }

  void note(const char* words, long count) { found_.notes.push_back({words, {count}}); }

  const Drawing& drawing_;
  FoundRepeat found_;
  Box drawn_;
  Box page_;
  std::vector<Polygon> cells_;
  std::vector<Polygon> openings_;
};

}  // namespace

Checked<FoundRepeat> findRepeat(const Drawing& drawing) {
  return Finder(drawing)();
}

}  // namespace avrelt
