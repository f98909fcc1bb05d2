// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <tl/expected.hpp>
#include <vector>

#include "bench/method.h"
#include "bench/paces.h"
#include "decal/artwork.h"
#include "measure/sentence.h"
#include "pattern/fill.h"
#include "sheet/cutter.h"
#include "sheet/film_shelf.h"
#include "sheet/printer.h"
#include "shop/logbook.h"
#include "shop/shelf_blank.h"
#include "shop/supply_store.h"

namespace avrelt {

class Database;
class ShopLock;

/// An artwork the maker has kept, and what the shop knows it by.
struct KeptShape {
  long long key = 0;
  Artwork artwork;
};

/// What the workshop keeps between orders, in one SQLite file: the shelf of blanks, the log of what
/// they measured under coats, what patterns take, films, supplies, the cutter and the printer, and
/// the log of what was made.
///
/// The file carries its version (`PRAGMA user_version`). An older one is brought up step by step
/// when it is opened, all steps or none; a newer one is left alone. Every change is one
/// transaction. Failures come back in words and change nothing.
class Shop {
 public:
  static constexpr int currentVersion = 10;

  /// Opens the shop, making it with the starter blanks where there is none. What is no shop, by its
  /// version or its tables, is refused and not touched.
  static tl::expected<Shop, Sentence> open(const std::filesystem::path& file);
  /// `avrelt/shop.sqlite` under $XDG_DATA_HOME, or under ~/.local/share; empty where neither
  /// is set, so that nothing lands in the folder a program was started from.
  static std::filesystem::path usualFile();

  Shop(Shop&&) noexcept;
  Shop& operator=(Shop&&) noexcept;
  ~Shop();

  /// Those in whose name or notes every word of `wanted` occurs, capitals or not, by name; all for
  /// an empty text. Photos are left out; `photoOf` has them.
  tl::expected<std::vector<ShelfBlank>, Sentence> find(const std::string& wanted);
  tl::expected<std::string, Sentence> photoOf(const std::string& name);

  /// The number each blank has in the shop, by its name: a label's code.
  tl::expected<std::vector<std::pair<long long, std::string>>, Sentence> blankKeys();

  /// Puts blanks on the shelf, all or none; one of the same name is replaced, and keeps its log
  /// and, where the new one has none, its photo. Refused: a blank without a name.
  std::optional<Sentence> put(const std::vector<ShelfBlank>& blanks);
  std::optional<Sentence> remove(const std::string& name);

  /// Logs a measurement of the blank with this name, which has to be on the shelf.
  std::optional<Sentence> log(const std::string& name, const ShelfMeasurement& measurement);
  tl::expected<std::vector<ShelfMeasurement>, Sentence> measurementsOf(const std::string& name);
  /// What patterns take and how fast they go here; the usual guesses until something is put.
  tl::expected<FillRates, Sentence> fillRates();
  /// Refused: amounts under 0 or over 1 g or ml for a cm², times over a day.
  std::optional<Sentence> put(const FillRates& rates);
  /// How resins, glues and paints behave here; the cautious figures until something is put.
  tl::expected<Methods, Sentence> methods();
  /// Refused where `faultOf` says why.
  std::optional<Sentence> put(const Methods& methods);
  /// Shapes kept for any order, by name. One whose text is damaged is left out.
  tl::expected<std::vector<KeptShape>, Sentence> shapes();
  /// Keeps an artwork; one kept under the same name gives way. Refused: one without a name.
  std::optional<Sentence> put(const Artwork& shape);
  std::optional<Sentence> removeShape(long long key);
  /// The films and what there is of each, by name. What was spoilt by hand is left out.
  tl::expected<FilmShelf, Sentence> films();
  /// Puts a film on the shelf, a new one under key 0, and tells its key. Refused: one without a
  /// name, one by the name of another.
  tl::expected<long long, Sentence> put(const ShelfFilm& film);
  /// The same for some of a film; refused where `faultsOf` says why.
  tl::expected<long long, Sentence> put(const FilmStock& stock);
  /// Takes a film from the shelf, and all there is of it.
  std::optional<Sentence> removeFilm(long long key);
  std::optional<Sentence> removeStock(long long key);
  /// What a sheet that was cut took, and the offcut it leaves, as one: a sheet less, a roll shorter
  /// by so much, an offcut gone. What came of it is kept, for learning. Refused: stock that is not
  /// there any more.
  std::optional<Sentence> use(long long stock, Length ofRoll,
                              const std::optional<FilmStock>& offcut,
                              const std::optional<FilmTaken>& taken = {});
  /// What was taken so, in that order.
  tl::expected<std::vector<FilmTaken>, Sentence> filmsTaken();

  /// The cutter, as it was last put; the usual figures until then.
  tl::expected<Cutter, Sentence> cutter();
  /// Refused: figures no cutter has.
  std::optional<Sentence> put(const Cutter& cutter);
  /// The printer, as it was last put; nothing until then.
  tl::expected<std::optional<Printer>, Sentence> printer();
  /// Refused where `faultsOf` says why.
  std::optional<Sentence> put(const Printer& printer);
  /// How long work takes here, to one of what is usual; 1 until something is put.
  tl::expected<Paces, Sentence> paces();
  /// Refused: shares under a tenth or over ten.
  std::optional<Sentence> put(const Paces& paces);
  /// How money is reckoned; the usual rules until something is put.
  tl::expected<MoneyRules, Sentence> moneyRules();
  std::optional<Sentence> put(const MoneyRules& rules);

  /// Both live no longer than the shop.
  SupplyStore supplies();
  Logbook logbook();
  const std::filesystem::path& file() const { return file_; }

  /// All that was ever measured again under coats.
  tl::expected<std::vector<GrowthNote>, Sentence> growthNotes();
  /// Of it what growth is reckoned from: not what was left out, and nothing where the maker goes
  /// by the usual figures.
  tl::expected<std::vector<GrowthRecord>, Sentence> growthRecords();
  tl::expected<bool, Sentence> growthIsOwn();
  std::optional<Sentence> setGrowthIsOwn(bool own);

 private:
  Shop(std::unique_ptr<Database> database, std::filesystem::path file);
  std::unique_ptr<Database> database_;
  std::filesystem::path file_;
  std::unique_ptr<ShopLock> lock_;  ///< shared with every other window
};

/// A dozen blanks to begin with: invented names and sizes, covering the shapes that are met.
std::vector<ShelfBlank> starterBlanks();

}  // namespace avrelt
