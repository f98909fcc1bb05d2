// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <QObject>
#include <QThreadPool>

#include "app/order/order.h"
#include "shop/backups.h"
#include "shop/shop.h"

namespace avrelt {

/// The workshop's shelf as the window uses it: opened when first needed, telling the order how
/// coats come out in this maker's hands. Where the shop's file cannot be had, everything but the
/// shelf goes on, and `trouble()` says why.
class Shelf : public QObject {
  Q_OBJECT

 public:
  explicit Shelf(Order& order, QObject* parent = nullptr);

  /// Opens the shop if it is not open yet; false where it cannot be.
  bool open();
  /// Why it cannot; nothing where it is open.
  const std::optional<Sentence>& trouble() const { return trouble_; }
  bool isOpen() const { return shop_.has_value(); }

  std::vector<ShelfBlank> find(const QString& wanted);
  std::vector<ShelfMeasurement> measurementsOf(const QString& name);
  std::string photoOf(const QString& name);
  /// By their names: what labels tell them apart by.
  std::vector<std::pair<long long, std::string>> blankKeys();
  bool put(const ShelfBlank& shelved);
  bool remove(const QString& name);

  /// The blank takes the place of the one of the cup in hand, which keeps its own choices.
  void putOnBench(const ShelfBlank& shelved);
  /// The blank of the cup in hand goes to the shelf under its name, or under the cup's where it has
  /// none; the name it stands under, empty where that failed.
  QString saveFromBench();
  /// Logs the girth measured at the stage in hand; the blank goes to the shelf if it is not there.
  bool logMeasurement();

  /// Shapes kept for any order.
  std::vector<KeptShape> shapes();
  bool keep(const Artwork& shape);
  bool removeShape(long long key);

  /// What patterns take here, for this order and all others.
  bool put(const FillRates& rates);

  /// How resins, glues and paints behave here.
  bool put(const Methods& methods);

  /// Has orders reckoned with what the shop knows now.
  void learn();
  /// What was measured again under coats, and whether growth is reckoned from it.
  std::vector<GrowthNote> growthNotes();
  bool growthIsOwn();
  bool setGrowthIsOwn(bool own);
  /// How long work takes here.
  bool put(const Paces& paces);

  /// What is used up but film, read once and again after each change of it; nothing while the shop
  /// is not open.
  const SupplyShelf& supplies();
  /// Reads them again: another window may have changed them.
  void lookAgain();
  std::optional<std::string> put(const Supply& supply);
  bool removeSupply(const std::string& id);
  bool note(const SupplyEvent& event);
  bool forgetEvent(long long key);
  MoneyRules moneyRules();
  bool put(const MoneyRules& rules);

  /// The log of what was made; nothing where the shop cannot be had. What goes wrong is told
  /// through `tell`, what was written through `logged`.
  std::optional<Logbook> logbook();
  bool logged(const std::optional<Sentence>& fault);
  template <typename Result>
  Result tell(tl::expected<Result, Sentence> result) {
    return given(std::move(result));
  }

  /// Copies of the shop's file, and the whole of it as an archive. The sentence says what came of
  /// it.
  std::vector<Backup> backups() const;
  /// One a day, beside the window.
  void backUpToday();
  Sentence restore(const Backup& backup);
  Sentence saveArchive(const QString& path);
  Sentence takeArchive(const QString& path);

  /// Films, the cutter and the printer; what is refused is said. Empty where it is not had.
  FilmShelf films();
  std::optional<long long> put(const ShelfFilm& film);
  std::optional<long long> put(const FilmStock& stock);
  bool removeFilm(long long key);
  bool removeStock(long long key);
  /// When it was taken is set here.
  bool use(long long stock, Length ofRoll, const std::optional<FilmStock>& offcut, FilmTaken taken);
  std::vector<FilmTaken> filmsTaken();
  Cutter cutter();
  bool put(const Cutter& cutter);
  std::optional<Printer> printer();
  bool put(const Printer& printer);

  /// The sentence says what came of it.
  Sentence import(const QString& path);
  Sentence exportTo(const QString& path);

 signals:
  void said(const QString& sentence);
  void changed();
  void filmsChanged();
  void suppliesChanged();
  void logChanged();

 private:
  template <typename Result>
  Result given(tl::expected<Result, Sentence> result) {
    if (result) return std::move(*result);
    tellFault(result.error());
    return {};
  }
  void tellFault(const Sentence& fault);
  bool did(const std::optional<Sentence>& fault);
  bool didFilms(const std::optional<Sentence>& fault);
  std::optional<long long> putFilms(const tl::expected<long long, Sentence>& key);
  /// Closes the shop while its file is changed, and opens it again.
  Sentence withShopShut(const std::function<Sentence()>& act);

  Order& order_;
  std::optional<Shop> shop_;
  std::optional<SupplyShelf> supplies_;
  QThreadPool copying_;
  std::optional<Sentence> trouble_;
};

}  // namespace avrelt
