// SPDX-License-Identifier: GPL-3.0-or-later
// An archive of a shop as Python's zipfile, csv and json see it; labels as zbar reads them off the
// page poppler draws; cards as poppler reads them.
#include <poppler-document.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>

#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <memory>
#include <set>
#include <sstream>

#include "files/disk.h"
#include "shop/archive.h"
#include "shop/log_pdf.h"
#include "shop/logs.h"

using namespace avrelt;
using namespace avrelt::logs;

namespace {

std::string toldBy(const std::string& command) {
  std::FILE* pipe = ::popen((command + " 2>&1").c_str(), "r");
  REQUIRE(pipe != nullptr);
  std::string seen;
  std::array<char, 4096> buffer{};
  for (std::size_t got = 0; (got = std::fread(buffer.data(), 1, buffer.size(), pipe)) > 0;) {
    seen.append(buffer.data(), got);
  }
  INFO(seen);
  REQUIRE(::pclose(pipe) == 0);
  return seen;
}

std::unique_ptr<poppler::document> pagesOf(const std::string& pdf) {
  std::vector<char> bytes(pdf.begin(), pdf.end());
  std::unique_ptr<poppler::document> document(poppler::document::load_from_data(&bytes));
  REQUIRE(document);
  return document;
}

}  // namespace

TEST_CASE("An archive is read elsewhere: every order, the log with all its signs", "[archive]") {
  const ShopFolder folder;
  {
    Shop shop = folder.open();
    cups::Chance chance(77);
    fill(shop, chance, 7);
  }
  const auto zip = folder.path / "shop.zip";
  const auto newer = folder.path / "newer.zip";
  const auto count = writeArchive(folder.file(), zip, at("2026-12-01T10:00"));
  REQUIRE(count);
  const std::string seen =
      toldBy("/usr/bin/python3 " AVRELT_READ_SHOP " " + zip.string() + " " + newer.string());
  INFO(seen);
  CHECK(seen.find("version " + std::to_string(Shop::currentVersion) + "\n") != std::string::npos);
  CHECK(seen.find("order o-2 cup-0 ") != std::string::npos);
  CHECK(seen.find("log 7 Cup ä0 a bubble, sanded\n") != std::string::npos);
  CHECK(seen.find(R"("Shake glitter over it; \"catch\" what falls,\nall of it.")") !=
        std::string::npos);
  // What a spreadsheet would take for a formula is a text to it.
  CHECK(seen.find("supply Glitter 0 '=SUM(A1), with a comma\n") != std::string::npos);
  CHECK(seen.find("photos " + std::to_string(count->photos) + "\n") != std::string::npos);
  // Written again by a newer program, it is left alone.
  const ShopFolder other;
  const auto read = readArchive(newer, other.file(), at("2026-12-01T10:00"));
  REQUIRE_FALSE(read);
  CHECK_THAT(inWords(read.error(), Unit::mm), Catch::Contains("newer Avrelt (version 99"));
  CHECK_FALSE(std::filesystem::exists(other.file()));
}

TEST_CASE("What one program zips another may bring: rows in a plain archive of Python's",
          "[archive]") {
  const ShopFolder folder;
  {
    Shop shop = folder.open();
    cups::Chance chance(78);
    fill(shop, chance, 4);
  }
  const auto zip = folder.path / "shop.zip";
  const auto again = folder.path / "again.zip";
  REQUIRE(writeArchive(folder.file(), zip, at("2026-12-01T10:00")));
  toldBy(
      "/usr/bin/python3 -c 'import sys, zipfile\na = zipfile.ZipFile(sys.argv[1])\n"
      "b = zipfile.ZipFile(sys.argv[2], \"w\", zipfile.ZIP_STORED)\n"
      "for n in reversed(a.namelist()): b.writestr(n, a.read(n))\nb.close()' " +
      zip.string() + " " + again.string());
  const ShopFolder other;
  const auto read = readArchive(again, other.file(), at("2026-12-01T10:00"));
  REQUIRE(read);
  CHECK(*other.open().logbook().find({}) == *folder.open().logbook().find({}));
}

TEST_CASE("Labels are read off the page by zbar", "[labels]") {
  std::vector<ShopLabel> labels;
  for (int i = 1; i <= 40; ++i) {
    labels.push_back({labelCode(i % 2 == 0 ? "FILM" : "BLANK", i * 37), "Gold, permanent",
                      "180 mm × 92 mm, box of offcuts"});
  }
  const auto document = pagesOf(labelsPdf(labels, Paper::a4));
  REQUIRE(document->pages() == 2);
  const TemporaryFolder folder;
  std::string found;
  for (int i = 0; i < document->pages(); ++i) {
    const std::unique_ptr<poppler::page> page(document->create_page(i));
    poppler::page_renderer renderer;
    const auto file = folder.path / ("page" + std::to_string(i) + ".png");
    REQUIRE(renderer.render_page(page.get(), 300, 300).save(file.string(), "png"));
    found += toldBy("/usr/bin/zbarimg --nodbus --quiet --raw -Sdisable -Sqrcode.enable " +
                    file.string());
  }
  std::istringstream lines(found);
  std::set<std::string> codes;
  for (std::string line; std::getline(lines, line);) codes.insert(line);
  for (const ShopLabel& label : labels) CHECK(codes.count(label.code) == 1);
  INFO(found);
  CHECK(codes.size() == labels.size());
}

TEST_CASE("A record card and a tag say what they should, the same every time", "[labels]") {
  RecordCard card;
  card.entry = entryOf("o-1", "cup-1", "Comet");
  card.entry.notes = {"the lock keeper", Money::of(48.5), "a bubble by the rim", ""};
  for (int i = 0; i < 60; ++i) card.steps.push_back(stepOf("s" + std::to_string(i), "", 0));
  card.used["Night"] = Amount::ofUnits(MeasuredBy::weight, 4.25);
  card.cost.total = Money::of(31.09);
  const std::string pdf = recordCardPdf(card, Paper::a4);
  CHECK(pdf == recordCardPdf(card, Paper::a4));
  const auto document = pagesOf(pdf);
  CHECK(document->pages() >= 2);
  std::string text;
  for (int i = 0; i < document->pages(); ++i) {
    const std::unique_ptr<poppler::page> page(document->create_page(i));
    const poppler::byte_array bytes = page->text().to_utf8();
    text.append(bytes.data(), bytes.size());
  }
  for (const char* words : {"Comet", "the lock keeper", "4.25 g", "31.09", "48.50", "a bubble"}) {
    INFO(words);
    CHECK(text.find(words) != std::string::npos);
  }
  const auto tag = pagesOf(priceTagPdf(card.entry, Money::of(48.5)));
  const std::unique_ptr<poppler::page> page(tag->create_page(0));
  const poppler::byte_array bytes = page->text().to_utf8();
  CHECK(std::string(bytes.data(), bytes.size()).find("48.50") != std::string::npos);
  // 60 mm by 40 mm, in points.
  CHECK(page->page_rect().width() == Approx(60 / 25.4 * 72).margin(0.6));
  CHECK(page->page_rect().height() == Approx(40 / 25.4 * 72).margin(0.6));
}
