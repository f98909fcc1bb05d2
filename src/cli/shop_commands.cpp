// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/shop_commands.h"

#include <chrono>
#include <CLI/CLI.hpp>
#include <ctime>
#include <filesystem>
#include <iostream>

#include "files/bench_files.h"
#include "shop/archive.h"

namespace avrelt {
namespace {

constexpr const char* shopHelp = "The shop.sqlite; the usual one where none is named";

std::filesystem::path fileOf(const ShopOptions& options) {
  return options.shop.empty() ? Shop::usualFile() : std::filesystem::path(options.shop);
}

/// The clock on the wall, to the minute.
CivilTime wallTime() {
  const std::time_t now = std::time(nullptr);
  std::tm parts{};
  localtime_r(&now, &parts);
  using namespace std::chrono;
  return sys_days(year(parts.tm_year + 1900) / (parts.tm_mon + 1) / parts.tm_mday) +
         hours(parts.tm_hour) + minutes(parts.tm_min);
}

}  // namespace

CLI::App* addLog(CLI::App& app, ShopOptions& options) {
  CLI::App* log = app.add_subcommand(
      "log",
      "Prints the cups of a shop's log in which every word occurs, the one worked at last first:\n"
      "name, order, when it was begun and finished, steps, hours, for whom, price.\n\n"
      "Exit code 0; 1 when none is like that; 2 when the shop was refused.");
  log->add_option("WORDS", options.words, "Names, glitters, blanks, for whom; all where none");
  log->add_option("--shop", options.shop, shopHelp);
  return log;
}

namespace {

/// Why a shop that was named with --shop cannot be meant: there is none, or not even its folder.
std::optional<std::string> notMeant(const ShopOptions& options, bool makesOne) {
  if (options.shop.empty()) return std::nullopt;
  std::error_code error;
  const std::filesystem::path file(options.shop);
  if (std::filesystem::exists(file, error)) return std::nullopt;
  if (!makesOne) return "There is no shop at " + options.shop + ". Check what --shop says.";
  const std::filesystem::path folder = std::filesystem::absolute(file, error).parent_path();
  if (std::filesystem::is_directory(folder, error)) return std::nullopt;
  return "There is no folder " + folder.string() + " for the shop. Check what --shop says.";
}

}  // namespace

int runLog(const ShopOptions& options) {
  if (const auto slip = notMeant(options, false)) return complain(*slip);
  auto shop = Shop::open(fileOf(options));
  if (!shop) return complain(inWords(shop.error(), Unit::mm));
  std::string wanted;
  for (const std::string& word : options.words) wanted += word + " ";
  const auto entries = shop->logbook().find(wanted);
  if (!entries) return complain(inWords(entries.error(), Unit::mm));
  const auto day = [](const std::optional<CivilTime>& time) {
    constexpr std::size_t digits = 10;
    return time ? civilText(*time).substr(0, digits) : std::string("-");
  };
  for (const LogEntry& entry : *entries) {
    std::cout << entry.name << '\t' << entry.order << '\t' << day(entry.begun) << '\t'
              << day(entry.finished) << '\t' << entry.done << '/' << entry.steps << '\t'
              << timeText(entry.worked) << '\t' << entry.notes.whom << '\t'
              << (entry.notes.price ? moneyText(*entry.notes.price) : "") << '\n';
  }
  return entries->empty() ? 1 : 0;
}

ShopCommands addShop(CLI::App& app, ShopOptions& options) {
  ShopCommands made;
  made.shop = app.add_subcommand("shop", "The whole shop out to one archive, and in again.");
  made.shop->require_subcommand(1);
  made.exporting = made.shop->add_subcommand(
      "export",
      "Writes the whole shop into one ZIP file: every table as JSON lines, the log as CSV, each\n"
      "cup's order, what was cut, photos.\n\nExit code 0; 2 when it could not be written.");
  made.exporting->add_option("ARCHIVE", options.archive, "The file to write, *.zip")->required();
  made.importing = made.shop->add_subcommand(
      "import",
      "Puts what an archive holds in the place of the shop, which nobody may have open; what was\n"
      "there is kept in the folder “backups” beside it.\n\n"
      "Exit code 0; 2 when the archive was refused, and nothing was changed.");
  made.importing->add_option("ARCHIVE", options.archive, "The file to read, *.zip")->required();
  for (CLI::App* one : {made.exporting, made.importing}) {
    one->add_option("--shop", options.shop, shopHelp);
  }
  return made;
}

int runExport(const ShopOptions& options) {
  if (const auto slip = notMeant(options, false)) return complain(*slip);
  const std::filesystem::path file = fileOf(options);
  {
    const auto shop = Shop::open(file);
    if (!shop) return complain(inWords(shop.error(), Unit::mm));
  }
  const auto count = writeArchive(file, options.archive, wallTime());
  if (!count) return complain(inWords(count.error(), Unit::mm));
  std::cout << options.archive << ": " << inWords(inWords(*count), Unit::mm);
  if (count->missing > 0) std::cout << ", photos not there any more: " << count->missing;
  std::cout << '\n';
  return 0;
}

int runImport(const ShopOptions& options) {
  const std::filesystem::path file = fileOf(options);
  if (file.empty()) return complain("There is no folder for the shop. Name one with --shop.");
  if (const auto slip = notMeant(options, true)) return complain(*slip);
  const auto count = readArchive(options.archive, file, wallTime());
  if (!count) return complain(inWords(count.error(), Unit::mm));
  std::cout << file.string() << ": " << inWords(inWords(*count), Unit::mm);
  if (count->missing > 0) std::cout << ", photos that were not in it: " << count->missing;
  std::cout << '\n';
  return 0;
}

}  // namespace avrelt
