// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/order_papers.h"

#include <map>

#include "files/pdf_flow.h"
#include "job/bench_plan.h"
#include "job/sheets.h"
#include "measure/colour.h"

namespace avrelt {
namespace {

std::string dateText(CivilTime time) {
  constexpr std::size_t year = 4;
  return dayText(time) + " " + civilText(time).substr(0, year);
}

/// "2 × 151.2 × 98.0 mm": how many of what size; the largest where they differ.
Sentence sizesOf(const std::vector<const Part*>& parts) {
  long count = 0;
  Box box;
  for (const Part* part : parts) {
    count += part->copies + part->spares;
    const Box one = part->bounds();
    box.add(Point{0, 0});
    box.add(Point{one.width(), one.height()});
  }
  Sentence size{"%1 × %2", {Length::mm(box.width()), Length::mm(box.height())}};
  if (count == 1) return size;
  if (parts.size() == 1) return {"%1 of %2", {count, Phrase(size)}};
  return {"%1, up to %2", {count, Phrase(size)}};
}

Sentence filmWords(const FilmWanted& wanted) {
  Sentence title = materialTitle(wanted.kind);
  if (wanted.colour.empty()) return title;
  return {"%1, %2 %3", {Phrase(title), colourInWords(wanted.colour), wanted.colour}};
}

Sentence sizesOf(const Body& body) {
  return {"%1 up the wall, %2 round the base, %3 round the rim",
          {body.wall(), body.aroundBase(), body.aroundRim()}};
}

class OrderSheet {
 public:
  OrderSheet(const Plan& plan, const std::string& order, Paper paper, const InWords& words,
             std::string& bytes)
      : plan_(plan), words_(words), flow_(bytes, paper, order) {
    flow_.head(order);
  }

  bool print(const std::vector<PaperCup>& cups) {
    if (plan_.bench.due) say({"To be done by %1.", {dateText(*plan_.bench.due)}});
    for (std::size_t i = 0; i < plan_.cups.size(); ++i) {
      this->cup(plan_.cups[i], i < cups.size() ? cups[i] : PaperCup());
    }
    return flow_.finish();
  }

 private:
  void say(const Sentence& sentence) { flow_.say(words_(sentence)); }

  void cup(const CupPlan& cup, const PaperCup& about) {
    flow_.title(cup.name);
    if (!about.whom.empty()) say({"For: %1", {about.whom}});
    if (!cup.of->blank.name.empty()) say({"Blank: %1", {cup.of->blank.name}});
    if (!about.made.empty()) say({"Made with: %1", {about.made}});
    say({"Bare: %1", {Phrase(sizesOf(cup.bare))}});
    if (cup.laidAfter > 0 && cup.of->buildUp.sizedFor != SizedFor::bare) {
      say({"As it is when its parts are laid: %1", {Phrase(sizesOf(cup.wall.body))}});
    }
    const std::vector<Step> steps = benchSteps(cup, plan_.bench, plan_.stock).steps;
    say({"Work: %1 steps, %2 hands on, %3 with the shortest waits",
         {static_cast<long>(steps.size()), timeText(handsOn(steps)), timeText(atLeast(steps))}});
    for (const Purpose& purpose : purposes()) {
      for (const PartEntry& entry : entriesOf(cup, purpose.id)) {
        const bool cut = isCut(*cup.of, entry);
        const Sentence title = titleOf(entry);
        flow_.pair(words_(cut ? Sentence{"%1 (cut)", {Phrase(title)}} : title),
                   words_(sizesOf(entry.parts)), true);
      }
    }
    for (const Watch& watch : cup.watches) {
      if (watch.level == WatchLevel::note) continue;
      flow_.say(words_({"Mind: %1", {Phrase(watch.sentence)}}), PdfFlow::smallSize);
    }
  }

  const Plan& plan_;
  const InWords& words_;
  PdfFlow flow_;
};

}  // namespace

std::string orderSheetPdf(const Plan& plan, const std::string& order,
                          const std::vector<PaperCup>& cups, Paper paper, const InWords& words) {
  std::string bytes;
  const bool whole = OrderSheet(plan, order, paper, words, bytes).print(cups);
  return whole ? bytes : std::string();
}

std::string cutListPdf(const Plan& plan, const std::string& order, Paper paper,
                       const InWords& words) {
  struct ListedPart {
    const CupPlan* cup;
    const PartEntry* entry;
    std::vector<const Part*> parts;
  };
  std::vector<std::vector<PartEntry>> entries;
  std::map<std::pair<bool, FilmWanted>, std::vector<ListedPart>> films;
  for (const CupPlan& cup : plan.cups) {
    for (const Purpose& purpose : purposes()) entries.push_back(entriesOf(cup, purpose.id));
  }
  std::size_t at = 0;
  for (const CupPlan& cup : plan.cups) {
    for (const Purpose& purpose : purposes()) {
      for (const PartEntry& entry : entries[at++]) {
        std::map<FilmWanted, std::vector<const Part*>> byFilm;
        for (const Part* part : entry.parts) {
          byFilm[wantedFor(cup, purpose.id, *part)].push_back(part);
        }
        for (const auto& [wanted, parts] : byFilm) {
          films[{wanted.kind == PartMaterial::paper, wanted}].push_back({&cup, &entry, parts});
        }
      }
    }
  }
  std::string bytes;
  bool whole = false;
  {
    PdfFlow flow(bytes, paper, order);
    flow.head(words({"Cut list: %1", {order}}));
    for (const auto& [key, rows] : films) {
      flow.title(words(filmWords(key.second)));
      for (const ListedPart& row : rows) {
        const bool cut = isCut(*row.cup->of, *row.entry);
        const Sentence what{cut ? "%1: %2 (cut)" : "%1: %2",
                            {row.cup->name, Phrase(titleOf(*row.entry))}};
        flow.pair(words(what), words(sizesOf(row.parts)), true);
      }
    }
    if (films.empty()) flow.say(words({"There is nothing to cut.", {}}));
    whole = flow.finish();
  }
  return whole ? bytes : std::string();
}

Money Quote::total() const {
  Money sum;
  for (const Line& line : lines) sum = sum + line.price;
  return sum;
}

std::string quotePdf(const Quote& quote, Paper paper, const InWords& words) {
  std::string bytes;
  bool whole = false;
  {
    PdfFlow flow(bytes, paper, quote.order);
    flow.head(words({"Quote: %1", {quote.order}}));
    if (!quote.whom.empty()) flow.say(words({"For: %1", {quote.whom}}));
    flow.say(words({"Made on %1, good until %2.", {dateText(quote.day), dateText(quote.until)}}));
    flow.skip(1);
    for (const Quote::Line& line : quote.lines) {
      flow.pair(line.name, moneyText(line.price));
      if (!line.made.empty()) flow.say(line.made, PdfFlow::smallSize);
      flow.skip(0.4);
    }
    flow.rule();
    flow.skip(1);
    flow.pair(words({"All together", {}}), moneyText(quote.total()));
    if (!quote.notes.empty()) {
      flow.skip(1);
      flow.say(quote.notes);
    }
    whole = flow.finish();
  }
  return whole ? bytes : std::string();
}

}  // namespace avrelt
