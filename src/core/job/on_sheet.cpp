// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>
#include <set>

#include "job/sheets.h"
#include "shape/transform.h"
#include "sheet/laid_out.h"
#include "sheet/offcut.h"
#include "sheet/weeding.h"

namespace avrelt {

std::optional<Part> weedingOn(const FilmSheets& film, std::size_t sheet) {
  if (!film.weeding) return std::nullopt;
  std::vector<Polygon> shapes;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet == sheet) shapes.push_back(shapeAt(film.pieces()[laid.piece], laid));
  }
  const SheetSize size = film.sizeOf(sheet);
  return weedingOf(shapes, size.wide, size.tall, film.gap);
}

std::vector<PartOnSheet> partsAt(const FilmSheets& film, const Laid& laid) {
  const SheetPart& part = film.parts[laid.piece];
  if (!part.stack) return {{&part, laid.copy, laid.turn, laid.at}};
  std::vector<PartOnSheet> all;
  const Transform way = turning(laid.turn);
  for (const StackedPart& one : *part.stack) {
    all.push_back({&one.part, one.copy, one.turn + laid.turn, way(one.at) + laid.at});
  }
  return all;
}

long stripsFreed(const FilmSheets& film, std::size_t sheet) {
  long freed = 0;
  for (const Laid& laid : film.arrangement.laid) {
    const auto strips = static_cast<long>(film.parts[laid.piece].strips());
    if (laid.sheet == sheet && strips > 0) freed += strips - 1;
  }
  return freed;
}

std::vector<Point> outlineOf(const PartOnSheet& one) {
  const Piece piece{{pieceShape(*one.part->part).front()}};
  return shapeAt(piece, {0, 0, 0, one.turn, one.at}).front();
}

std::vector<PartsNotLaid> notLaidOf(const FilmSheets& film) {
  std::vector<PartsNotLaid> all;
  for (const NotLaid& one : film.arrangement.notLaid) {
    for (const PartOnSheet& part : partsAt(film, {one.piece, 0, 0, {}, {}})) {
      all.push_back({part.part, one.copies, one.why});
    }
  }
  return all;
}

namespace {

/// What of a part's drawn lines lies on the film: a pen that leaves it draws on the mat.
void keepOnFilm(Part& part, const Polygon& film) {
  constexpr Length followed = Length::mm(0.005);
  const Box box = boundsOf(film);
  const bool plain = film.size() == 1 && film.front().size() == 4;
  std::vector<Guide> kept;
  for (Guide& guide : part.guides) {
    const Box reach = boundsOf(guide.path);
    if (plain && box.contains(reach.low) && box.contains(reach.high)) {
      kept.push_back(std::move(guide));
      continue;
    }
    std::vector<Point> line = flattened(guide.path, followed);
    if (guide.path.closed() && !line.empty()) line.push_back(line.front());
    for (const std::vector<Point>& run : within(film, line)) {
      Path path{run.front(), {}};
      for (std::size_t i = 1; i < run.size(); ++i) path.lineTo(run[i]);
      kept.push_back({guide.kind, std::move(path)});
    }
  }
  part.guides = std::move(kept);
}

}  // namespace

PartSet onSheet(const FilmSheets& film, std::size_t sheet) {
  PartSet set;
  const SheetSize size = film.sizeOf(sheet);
  const FilmPiece& piece = film.from[film.arrangement.sheets[sheet].film];
  const double wide = size.wide.mm();
  const double tall = size.tall.mm();
  const Polygon edge =
      piece.outline.empty() ? Polygon{{{0, 0}, {wide, 0}, {wide, tall}, {0, tall}}} : piece.outline;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet) continue;
    const SheetPart& one = film.parts[laid.piece];
    Part part = laidOut(*one.part, laid.turn, laid.at);
    // Two cups may have parts of one name.
    if (!one.stack) part.id = "cup-" + std::to_string(one.cup + 1) + "-" + part.id;
    if (laid.copy > 0) part.id += "-copy-" + std::to_string(laid.copy + 1);
    keepOnFilm(part, edge);
    set.parts.push_back(std::move(part));
  }
  if (std::optional<Part> weeding = weedingOn(film, sheet)) {
    set.parts.push_back(std::move(*weeding));
  }
  return set;
}

SheetEntries entriesOn(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet) {
  // Of each part of the plan, how many pieces and copies of it are wanted, and lie on the sheet.
  struct Count {
    int wanted = 0;
    int here = 0;
  };
  std::map<const Part*, Count> counts;
  std::set<std::pair<std::size_t, std::string>> touched;
  for (const FilmSheets& one : sheets.films) {
    for (std::size_t i = 0; i < one.parts.size(); ++i) {
      for (const PartOnSheet& each : partsAt(one, {i, 0, 0, {}, {}})) {
        counts[each.part->whole].wanted += one.pieces()[i].copies;
      }
    }
    if (&one != &film) continue;
    for (const Laid& laid : one.arrangement.laid) {
      if (laid.sheet != sheet) continue;
      for (const PartOnSheet& each : partsAt(one, laid)) {
        ++counts[each.part->whole].here;
        touched.emplace(each.part->cup, each.part->purpose);
      }
    }
  }
  SheetEntries entries;
  for (const auto& [cup, purpose] : touched) {
    for (PartEntry& entry : entriesOf(sheets.plan->cups[cup], purpose)) {
      bool any = false;
      bool all = true;
      for (const Part* part : entry.parts) {
        // What is ticked already, or on paper, is on no sheet.
        const auto count = counts.find(part);
        if (count == counts.end()) continue;
        any = any || count->second.here > 0;
        all = all && count->second.here == count->second.wanted;
      }
      if (any) (all ? entries.whole : entries.partly).push_back({cup, std::move(entry)});
    }
  }
  return entries;
}

Sentence nameOf(const SheetPlan& sheets, const SheetPart& part) {
  if (part.stack) {
    const auto others = static_cast<long>(part.strips()) - 1;
    const Phrase first(nameOf(sheets, part.stack->front().part));
    if (others == 1) return {"%1, edge to edge with 1 strip more", {first}};
    return {"%1, edge to edge with %2 strips more", {first, others}};
  }
  if (part.pieces > 0) {
    SheetPart whole = part;
    whole.part = part.whole;
    whole.piece = whole.pieces = 0;
    return {"%1, piece %2 of %3", {Phrase(nameOf(sheets, whole)), part.piece, part.pieces}};
  }
  const std::string& cup = sheets.plan->cups[part.cup].name;
  if (!part.part->name.pattern.empty()) return {"%1: %2", {cup, Phrase(part.part->name)}};
  const Sentence title = titleOf(PartEntry{part.purpose, part.part->of, {part.part}});
  if (!part.several) return {"%1: %2", {cup, Phrase(title)}};
  return {"%1: %2 (%3)", {cup, Phrase(title), part.part->id}};
}

namespace {

constexpr double letterWidth = 0.6;  ///< of a letter's height, as a rule

/// What words cover, about.
Box coveredBy(const Lettering& words) {
  const auto letters = static_cast<double>(inWords(words.words, Unit::mm).size());
  const Point along{letters * letterWidth * words.height.mm() / 2, 0};
  const Point up{0, words.height.mm() / 2};
  const Transform turn = turning(words.turn);
  Box box;
  for (const Point corner : {along + up, along - up, along * -1 + up, along * -1 - up}) {
    box.add(words.at + turn(corner));
  }
  return box;
}

/// Puts a name in the middle of a shape, or where it lies on none of the words there.
void putBeside(Lettering& name, const Polygon& shape, const std::vector<Lettering>& words) {
  const Box box = boundsOf(shape);
  const Point middle = centroidOf(shape);
  std::vector<Box> taken;
  taken.reserve(words.size());
  for (const Lettering& one : words) taken.push_back(coveredBy(one));
  const double line = name.height.mm() * 1.6;
  // All of it on the shape, or at least its middle.
  for (const bool whole : {true, false}) {
    for (const double aside : {0.0, -0.25, 0.25, -0.375, 0.375}) {
      for (const double lines : {0.0, 1.0, -1.0, 2.0, -2.0, 3.0, -3.0, 4.0, -4.0}) {
        name.at = middle + Point{aside * box.width(), lines * line};
        const Box covered = coveredBy(name);
        const bool isFree = std::none_of(taken.begin(), taken.end(),
                                         [&](const Box& one) { return one.meets(covered); });
        const std::vector<Point> asked =
            whole ? std::vector{covered.low, Point{covered.high.x, covered.low.y}, covered.high,
                                Point{covered.low.x, covered.high.y}}
                  : std::vector{name.at};
        const bool lies =
            std::all_of(asked.begin(), asked.end(), [&](Point p) { return contains(shape, p); });
        if (isFree && lies) return;
      }
    }
  }
  name.at = middle;
}

}  // namespace

PartSet mapOf(const SheetPlan& sheets, const FilmSheets& film, std::size_t sheet) {
  PartSet set = onSheet(film, sheet);
  std::size_t next = 0;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet != sheet) continue;
    Part& part = set.parts[next++];
    const auto write = [&](const Polygon& shape, const SheetPart& one) {
      const Box box = boundsOf(shape);
      const Sentence name = nameOf(sheets, one);
      const auto letters = static_cast<double>(inWords(name, Unit::mm).size());
      // As large as goes across it, and can be read.
      const double height = std::clamp(box.width() / letters / letterWidth, 1.2, 3.5);
      Lettering written{{}, Length::mm(height), {}, name};
      putBeside(written, shape, part.letterings);
      part.letterings.push_back(std::move(written));
    };
    const SheetPart& one = film.parts[laid.piece];
    if (!one.stack) write(shapeAt(film.pieces()[laid.piece], laid), one);
    if (!one.stack) continue;
    for (const PartOnSheet& strip : partsAt(film, laid)) write({outlineOf(strip)}, *strip.part);
  }
  const SheetSize size = film.sizeOf(sheet);
  const double wide = size.wide.mm();
  const double tall = size.tall.mm();
  Part edge;
  edge.id = "sheet";
  const Path frame{{0, 0}, {{{wide, 0}, 0}, {{wide, tall}, 0}, {{0, tall}, 0}, {{0, 0}, 0}}};
  edge.outline = frame;
  set.parts.push_back(std::move(edge));
  return set;
}

std::optional<Box> offcutOf(const FilmSheets& film, std::size_t sheet) {
  std::vector<Polygon> shapes;
  for (const Laid& laid : film.arrangement.laid) {
    if (laid.sheet == sheet) shapes.push_back(shapeAt(film.pieces()[laid.piece], laid));
  }
  const UsedSheet& used = film.arrangement.sheets[sheet];
  return largestOffcut(shapes, film.from[used.film], used.reaches, film.gap, Length::mm(50));
}

std::vector<LaidApart> laidApart(const SheetPlan& sheets, const FilmSheets& film) {
  std::vector<LaidApart> all;
  for (const std::size_t number : film.arrangement.apart) {
    LaidApart one;
    one.who = &film.together[number - 1];
    std::set<std::size_t> on;
    for (const Laid& laid : film.arrangement.laid) {
      if (film.pieces()[laid.piece].together == number) on.insert(laid.sheet);
    }
    one.sheets = static_cast<long>(on.size());
    const CupPlan& cup = sheets.plan->cups[one.who->cup];
    Sentence name{"%1", {cup.name}};
    for (const SetPlan& set : cup.sets) {
      if (set.id == one.who->set) name = {"%1, %2", {cup.name, set.name}};
    }
    one.words = {
        "%1 lies on %2 sheets of a film, not on one. Take larger sheets, or lay its parts by "
        "hand.",
        {Phrase(name), one.sheets}};
    all.push_back(std::move(one));
  }
  return all;
}

std::optional<Sentence> tooNear(const SheetPlan& sheets) {
  for (const FilmSheets& film : sheets.films) {
    const Length least = leastBetween(film.pieces(), film.arrangement);
    if (least < film.gap) {
      return Sentence{
          "Two parts would lie %1 apart, nearer than %2. Nothing was written; arrange the "
          "sheets again with a wider gap.",
          {least, film.gap}};
    }
  }
  return std::nullopt;
}

}  // namespace avrelt
