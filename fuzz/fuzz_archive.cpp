// SPDX-License-Identifier: GPL-3.0-or-later
#include <archive.h>
#include <archive_entry.h>

#include <array>
#include <cstdint>
#include <cstdlib>
#include <filesystem>
#include <string>
#include <string_view>

#include "log/amount.h"
#include "shop/archive.h"
#include "shop/shop.h"

namespace {

using namespace avrelt;
namespace fs = std::filesystem;

constexpr std::array tables{"blanks",        "measurements", "rates",        "shapes",  "films",
                            "film_stock",    "cutter",       "printer",      "methods", "supplies",
                            "supply_events", "entries",      "entry_orders", "work",    "uses",
                            "cut_parts",     "photos",       "left_out"};

void add(archive* zip, const std::string& name, std::string_view bytes) {
  archive_entry* entry = archive_entry_new();
  archive_entry_set_pathname(entry, name.c_str());
  archive_entry_set_size(entry, static_cast<la_int64_t>(bytes.size()));
  archive_entry_set_filetype(entry, AE_IFREG);
  archive_write_header(zip, entry);
  archive_write_data(zip, bytes.data(), bytes.size());
  archive_entry_free(entry);
}

/// An archive whose sums are right, with these rows in one table.
void write(const fs::path& file, std::size_t table, std::string_view rows) {
  archive* zip = archive_write_new();
  archive_write_set_format_zip(zip);
  archive_write_open_filename(zip, file.c_str());
  add(zip, "shop.json", "{\"avrelt_shop\": 8}");
  add(zip, "orders/00001.avrelt", "{}");
  for (std::size_t i = 0; i < tables.size(); ++i) {
    add(zip, "tables/" + std::string(tables[i]) + ".jsonl", i == table ? rows : std::string_view());
  }
  archive_write_free(zip);
}

}  // namespace

// Whatever rows an archive brings, they are a shop that can be asked everything, or are refused in
// words and change nothing. What is typed as an amount is one within bounds, or a fault.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  if (size == 0) return 0;
  static const fs::path folder = [] {
    std::string pattern = (fs::temp_directory_path() / "fuzz-archive-XXXXXX").string();
    return fs::path(::mkdtemp(pattern.data()));
  }();
  const std::string_view text(reinterpret_cast<const char*>(data + 1), size - 1);
  for (const MeasuredBy by : {MeasuredBy::weight, MeasuredBy::volume, MeasuredBy::length}) {
    const auto amount = parseAmount(text, by, Unit::inch);
    if (amount && !(amount->units() >= 0 && amount->units() <= 1e6)) std::abort();
  }
  const fs::path zip = folder / "shop.zip";
  const fs::path file = folder / "shop.sqlite";
  write(zip, data[0] % tables.size(), text);
  fs::remove(file);
  fs::remove_all(folder / "backups");
  const auto read = readArchive(zip, file, CivilTime());
  if (!read) {
    if (inWords(read.error(), Unit::mm).empty() || fs::exists(file)) std::abort();
    return 0;
  }
  auto shop = Shop::open(file);
  if (!shop) std::abort();
  (void)shop->find({});
  (void)shop->films();
  (void)shop->growthRecords();
  (void)shop->methods();
  (void)shop->moneyRules();
  (void)shop->paces();
  if (const auto supplies = shop->supplies().all()) {
    for (const Supply& supply : supplies->supplies) (void)levelOf(*supplies, supply, {});
    (void)amountsSeen(*supplies, SupplyKind::glitter);
  }
  Logbook log = shop->logbook();
  (void)log.allTaken();
  (void)log.allWork();
  if (const auto entries = log.find({})) {
    for (const LogEntry& entry : *entries) {
      (void)log.orderText(entry.key);
      (void)log.photosOf(entry.key);
      (void)log.stepsOf(entry.key);
    }
  }
  return 0;
}
