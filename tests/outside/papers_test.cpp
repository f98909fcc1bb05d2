// SPDX-License-Identifier: GPL-3.0-or-later
// The papers of an order as poppler, an independent reader, sees them.
#include <poppler-document.h>
#include <poppler-image.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>

#include <catch2/catch.hpp>
#include <memory>
#include <regex>
#include <set>
#include <sstream>

#include "core/decal_cups.h"
#include "files/order_papers.h"
#include "files/sheet_overview.h"
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

Read readPages(const std::string& bytes) {
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
  const Read sheet = readPages(bytes);
  for (const char* words : {"Open night", "Comet", "Night heron", "Lock 20", "For: the lock keeper",
                            "blue film", "red film", "To be done by Sat 19 Dec"}) {
    CAPTURE(words);
    CHECK(sheet.has(words));
  }
  // The girth as the blank has it, in both units.
  const Length rim = plan->cups.front().bare.aroundRim();
  CHECK(sheet.has(inMm({"%1 round the rim", {rim}})));
  CHECK(readPages(orderSheetPdf(*plan, "Open night", cups, Paper::letter, inInches))
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
  CHECK(readPages(orderSheetPdf(*plan, "Open night", cups, Paper::a4, inMm)).has("(cut)"));
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
  const Read list = readPages(bytes);
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
  CHECK(readPages(cutListPdf(nothing, "Empty", Paper::a4, inMm)).has("There is nothing to cut."));
}

TEST_CASE("The overview of sheets numbers every part, counts what lies there, and is to scale") {
  Document order = orderOf();
  for (int i = 0; i < 6; ++i) {
    Cup cup = order.cups.front();
    cup.name = "Comet " + std::to_string(i);
    cup.sets = {setAt(named("star"), 20, {placeAt(10, 60), placeAt(60, 90)})};
    cup.id.clear();
    giveIds(cup);
    order.cups.push_back(cup);
  }
  giveCupIds(order);
  const auto made = planDocument(order);
  REQUIRE(made);
  const auto plan = std::make_shared<const Plan>(*made);
  const auto sheets = sheetsOf(plan, FilmShelf(), usualSheets(Unit::mm));
  REQUIRE(sheets);
  const SheetOutput output{"Open night", Unit::mm, Paper::a4, {}};
  const std::string bytes = sheetOverviewPdf(*sheets, output);
  CHECK(bytes == sheetOverviewPdf(*sheets, output));
  const Read page = readPages(bytes);
  CHECK(page.pages > 1);
  long laid = 0;
  std::size_t numbered = 0;
  for (const FilmSheets& film : sheets->films) {
    laid += static_cast<long>(film.arrangement.laid.size());
    std::set<std::pair<std::size_t, std::size_t>> onSheets;
    for (const Laid& one : film.arrangement.laid) onSheets.emplace(one.sheet, one.piece);
    numbered += onSheets.size();
  }
  // What the list beside the pictures says, added up again.
  long told = 0;
  std::size_t lines = 0;
  std::istringstream text(page.text);
  const std::regex entry(R"((\d+)\s+(?:(\d+) × )?(Comet|Night heron))");
  for (std::string line; std::getline(text, line);) {
    // A number of the picture may stand on the same line.
    std::smatch found;
    if (!std::regex_search(line, found, entry)) continue;
    ++lines;
    told += found[2].matched ? std::stol(found[2]) : 1;
  }
  CHECK(lines == numbered);
  CHECK(told == laid);
  for (std::size_t i = 0; i < sheets->films.size(); ++i) {
    CAPTURE(i);
    CHECK(page.has("Sheet 1 of " + std::to_string(sheets->films[i].arrangement.sheets.size())));
  }

  // The first sheet's frame, measured on the page as it is drawn, times what it is drawn at.
  const FilmSheets& first = sheets->films.front();
  std::smatch scale;
  REQUIRE(std::regex_search(page.text, scale, std::regex(R"(drawn at 1 : (\d+(?:\.\d+)?))")));
  constexpr double dotsPerMm = 20;
  const std::unique_ptr<poppler::document> document(
      poppler::document::load_from_raw_data(bytes.data(), static_cast<int>(bytes.size())));
  const std::unique_ptr<poppler::page> drawn(document->create_page(0));
  poppler::page_renderer renderer;
  const poppler::image image =
      renderer.render_page(drawn.get(), dotsPerMm * 25.4, dotsPerMm * 25.4);
  REQUIRE(image.is_valid());
  std::vector<int> uprights;
  for (int x = 0; x < image.width(); ++x) {
    int dark = 0;
    for (int y = 0; y < image.height(); ++y) {
      if (static_cast<unsigned char>(image.const_data()[y * image.bytes_per_row() + x * 4]) < 0xB0)
        ++dark;
    }
    if (dark > 60 * dotsPerMm) uprights.push_back(x);
  }
  REQUIRE(uprights.size() > 1);
  const double wide = (uprights.back() - uprights.front()) / dotsPerMm * std::stod(scale[1]);
  CHECK(wide == Approx(first.sizeOf(0).wide.mm()).epsilon(0.02));
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
  const Read page = readPages(bytes);
  CHECK(page.pages == 1);
  for (const char* words : {"Quote: Open night", "For: the lock keeper", "38.00", "41.50", "0.25",
                            "79.75", "Thu 31 Dec 2026", "Hand wash only."}) {
    CAPTURE(words);
    CHECK(page.has(words));
  }
  // A long one goes on on the next page, and still ends with its sum.
  for (int i = 0; i < 80; ++i) quote.lines.push_back({"Cup", "glitter", Money::of(1)});
  const Read more = readPages(quotePdf(quote, Paper::letter, inMm));
  CHECK(more.pages > 1);
  CHECK(more.has("159.75"));
}
