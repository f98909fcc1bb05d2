// SPDX-License-Identifier: GPL-3.0-or-later
// The papers of an order as poppler, an independent reader, sees them.
#include <poppler-document.h>
#include <poppler-page.h>

#include <catch2/catch.hpp>
#include <memory>

#include "core/decal_cups.h"
#include "files/order_papers.h"
#include "job/ids.h"
#include "job/sheets.h"

using namespace avrelt;
using namespace avrelt::cups;

namespace {

struct Read {
  int pages = 0;
  std::string text;

  bool has(const std::string& words) const { return text.find(words) != std::string::npos; }
};

Read read(const std::string& bytes) {
  const std::unique_ptr<poppler::document> document(
      poppler::document::load_from_raw_data(bytes.data(), static_cast<int>(bytes.size())));
  REQUIRE(document != nullptr);
  Read all;
  all.pages = document->pages();
  for (int i = 0; i < all.pages; ++i) {
    const std::unique_ptr<poppler::page> page(document->create_page(i));
    const poppler::byte_array text = page->text().to_utf8();
    all.text += std::string(text.begin(), text.end());
  }
  return all;
}

std::string inMm(const Sentence& sentence) {
  return inWords(sentence, Unit::mm);
}
std::string inInches(const Sentence& sentence) {
  return inWords(sentence, Unit::inch);
}

Document orderOf() {
  Document order;
  order.units = Unit::mm;
  order.bench.due = parseCivil("2026-12-19T00:00");
  for (const char* name : {"Comet", "Night heron"}) {
    Cup cup = tapered();
    cup.name = name;
    cup.blank.name = "Lock 20";
    cup.division.body.finish.kind = FinishKind::film;
    cup.division.body.finish.colour = name[0] == 'C' ? "#2040C0" : "#C02020";
    giveIds(cup);
    order.cups.push_back(cup);
  }
  giveCupIds(order);
  return order;
}

}  // namespace

TEST_CASE("An order sheet says of each cup what it is for, its sizes and its parts") {
  Document order = orderOf();
  auto plan = planDocument(order);
  REQUIRE(plan);
  const std::vector<PaperCup> cups{{"blue film", "the lock keeper"}, {"red film", ""}};
  const std::string bytes = orderSheetPdf(*plan, "Open night", cups, Paper::a4, inMm);
  CHECK(bytes == orderSheetPdf(*plan, "Open night", cups, Paper::a4, inMm));
  const Read sheet = read(bytes);
  for (const char* words : {"Open night", "Comet", "Night heron", "Lock 20", "For: the lock keeper",
                            "blue film", "red film", "To be done by Sat 19 Dec"}) {
    CAPTURE(words);
    CHECK(sheet.has(words));
  }
  // The girth as the blank has it, in both units.
  const Length rim = plan->cups.front().bare.aroundRim();
  CHECK(sheet.has(inMm({"%1 round the rim", {rim}})));
  CHECK(read(orderSheetPdf(*plan, "Open night", cups, Paper::letter, inInches))
            .has(inInches({"%1 round the rim", {rim}})));
  CHECK_FALSE(sheet.has("(cut)"));
  // What is cut is said to be, and only that.
  for (const PartEntry& entry : entriesOf(plan->cups.front(), purpose::wrap)) {
    CutRecord cut;
    cut.purpose = purpose::wrap;
    cut.of = entry.of;
    order.cups.front().cuts.push_back(cut);
  }
  plan = planDocument(order);
  REQUIRE(plan);
  CHECK(read(orderSheetPdf(*plan, "Open night", cups, Paper::a4, inMm)).has("(cut)"));
}

TEST_CASE("A cut list has every part once, under its film, over as many pages as it takes") {
  Document order = orderOf();
  for (int i = 0; i < 30; ++i) {
    Cup cup = order.cups.front();
    cup.name = "Comet " + std::to_string(i);
    cup.id.clear();
    order.cups.push_back(cup);
  }
  giveCupIds(order);
  const auto plan = planDocument(order);
  REQUIRE(plan);
  const std::string bytes = cutListPdf(*plan, "Open night", Paper::a4, inMm);
  CHECK(bytes == cutListPdf(*plan, "Open night", Paper::a4, inMm));
  const Read list = read(bytes);
  CHECK(list.pages > 1);
  for (const CupPlan& cup : plan->cups) {
    CAPTURE(cup.name);
    std::size_t rows = 0;
    for (std::size_t at = list.text.find(cup.name + ": "); at != std::string::npos;
         at = list.text.find(cup.name + ": ", at + 1)) {
      ++rows;
    }
    std::size_t entries = 0;
    for (const Purpose& purpose : purposes()) entries += entriesOf(cup, purpose.id).size();
    CHECK(rows == entries);
  }
  const Plan nothing;
  CHECK(read(cutListPdf(nothing, "Empty", Paper::a4, inMm)).has("There is nothing to cut."));
}

TEST_CASE("A quote adds up, and says how long it holds") {
  Quote quote;
  quote.order = "Open night";
  quote.whom = "the lock keeper";
  quote.day = *parseCivil("2026-12-01");
  quote.until = *parseCivil("2026-12-31");
  quote.lines = {{"Comet", "glitter “Night”", Money::of(38)},
                 {"Night heron", "red film", Money::of(41.5)},
                 {"Old lock", "", Money::of(0.25)}};
  quote.notes = "Hand wash only.";
  CHECK(quote.total().value() == Approx(79.75));
  const std::string bytes = quotePdf(quote, Paper::letter, inMm);
  CHECK(bytes == quotePdf(quote, Paper::letter, inMm));
  const Read page = read(bytes);
  CHECK(page.pages == 1);
  for (const char* words : {"Quote: Open night", "For: the lock keeper", "38.00", "41.50", "0.25",
                            "79.75", "Thu 31 Dec 2026", "Hand wash only."}) {
    CAPTURE(words);
    CHECK(page.has(words));
  }
  // A long one goes on on the next page, and still ends with its sum.
  for (int i = 0; i < 80; ++i) quote.lines.push_back({"Cup", "glitter", Money::of(1)});
  const Read more = read(quotePdf(quote, Paper::letter, inMm));
  CHECK(more.pages > 1);
  CHECK(more.has("159.75"));
}
