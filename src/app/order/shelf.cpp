// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/shelf.h"

#include <algorithm>
#include <QDate>

#include "app/order/phrases.h"
#include "files/disk.h"
#include "shop/archive.h"
#include "shop/shelf_csv.h"
#include "shop/shelf_json.h"

namespace avrelt {
namespace {

/// The coats on at a stage, in words: "fine glitter, resin 30 ml".
std::string stageWords(const BuildUp& buildUp, int after) {
  std::string words;
  for (int i = 0; i < after; ++i) {
    if (!words.empty()) words += ", ";
    words += inWords(coatName(buildUp.coats[static_cast<std::size_t>(i)]), Unit::mm);
  }
  return words;
}

}  // namespace

Shelf::Shelf(Order& order, QObject* parent) : QObject(parent), order_(order) {}

bool Shelf::open() {
  if (shop_) return true;
  tl::expected<Shop, Sentence> shop = Shop::open(Shop::usualFile());
  if (!shop) {
    trouble_ = shop.error();
    return false;
  }
  trouble_ = std::nullopt;
  shop_ = std::move(*shop);
  learn();
  return true;
}

void Shelf::tellFault(const Sentence& fault) {
  emit said(say(fault, order_.unit()));
}

bool Shelf::did(const std::optional<Sentence>& fault) {
  if (fault) {
    emit said(say(*fault, order_.unit()));
    return false;
  }
  emit changed();
  return true;
}

void Shelf::learn() {
  if (!shop_) return;
  Stock stock = order_.stock();
  stock.growth = habitsFrom(given(shop_->growthRecords()));
  stock.filling = given(shop_->fillRates());
  stock.methods = given(shop_->methods());
  stock.paces = given(shop_->paces());
  order_.setStock(stock);
}

std::vector<ShelfBlank> Shelf::find(const QString& wanted) {
  if (!open()) return {};
  return given(shop_->find(wanted.toStdString()));
}

std::vector<ShelfMeasurement> Shelf::measurementsOf(const QString& name) {
  if (!open()) return {};
  return given(shop_->measurementsOf(name.toStdString()));
}

std::string Shelf::photoOf(const QString& name) {
  if (!open()) return {};
  return given(shop_->photoOf(name.toStdString()));
}

std::vector<std::pair<long long, std::string>> Shelf::blankKeys() {
  if (!open()) return {};
  return given(shop_->blankKeys());
}

bool Shelf::put(const ShelfBlank& shelved) {
  return open() && did(shop_->put({shelved}));
}

std::vector<KeptShape> Shelf::shapes() {
  return open() ? given(shop_->shapes()) : std::vector<KeptShape>();
}

bool Shelf::keep(const Artwork& shape) {
  return open() && did(shop_->put(shape));
}

bool Shelf::removeShape(long long key) {
  return open() && did(shop_->removeShape(key));
}

bool Shelf::put(const FillRates& rates) {
  const bool done = open() && did(shop_->put(rates));
  learn();
  return done;
}

bool Shelf::put(const Methods& methods) {
  const bool done = open() && did(shop_->put(methods));
  learn();
  return done;
}

std::vector<GrowthNote> Shelf::growthNotes() {
  return open() ? given(shop_->growthNotes()) : std::vector<GrowthNote>();
}

bool Shelf::growthIsOwn() {
  return !open() || shop_->growthIsOwn().value_or(true);
}

bool Shelf::setGrowthIsOwn(bool own) {
  const bool done = open() && did(shop_->setGrowthIsOwn(own));
  learn();
  return done;
}

bool Shelf::put(const Paces& paces) {
  const bool done = open() && did(shop_->put(paces));
  learn();
  return done;
}

const SupplyShelf& Shelf::supplies() {
  // Asked for all the time: this is no reason to open the shop.
  static const SupplyShelf none;
  if (!shop_) return none;
  if (!supplies_) supplies_ = given(shop_->supplies().all());
  return *supplies_;
}

void Shelf::lookAgain() {
  supplies_.reset();
}

std::optional<std::string> Shelf::put(const Supply& supply) {
  if (!open()) return std::nullopt;
  const auto id = shop_->supplies().put(supply);
  if (!id) {
    tellFault(id.error());
    return std::nullopt;
  }
  supplies_.reset();
  emit suppliesChanged();
  return *id;
}

bool Shelf::removeSupply(const std::string& id) {
  if (!open()) return false;
  if (const auto fault = shop_->supplies().remove(id)) {
    tellFault(*fault);
    return false;
  }
  supplies_.reset();
  emit suppliesChanged();
  return true;
}

bool Shelf::note(const SupplyEvent& event) {
  if (!open()) return false;
  const auto key = shop_->supplies().note(event);
  if (!key) {
    tellFault(key.error());
    return false;
  }
  supplies_.reset();
  emit suppliesChanged();
  return true;
}

bool Shelf::forgetEvent(long long key) {
  if (!open()) return false;
  if (const auto fault = shop_->supplies().forget(key)) {
    tellFault(*fault);
    return false;
  }
  supplies_.reset();
  emit suppliesChanged();
  return true;
}

MoneyRules Shelf::moneyRules() {
  return open() ? given(shop_->moneyRules()) : MoneyRules();
}

bool Shelf::put(const MoneyRules& rules) {
  return open() && did(shop_->put(rules));
}

std::optional<Logbook> Shelf::logbook() {
  if (!open()) return std::nullopt;
  return shop_->logbook();
}

bool Shelf::logged(const std::optional<Sentence>& fault) {
  if (fault) {
    tellFault(*fault);
    return false;
  }
  supplies_.reset();
  emit logChanged();
  return true;
}

std::vector<Backup> Shelf::backups() const {
  return backupsOf(Shop::usualFile());
}

void Shelf::backUpToday() {
  if (!open()) return;
  const CivilTime today = *parseCivil(QDate::currentDate().toString(Qt::ISODate).toStdString());
  copying_.start([file = shop_->file(), today] {
    // A disk too full for a copy is told by what is written next.
    (void)backUp(file, today);
  });
}

Sentence Shelf::withShopShut(const std::function<Sentence()>& act) {
  copying_.waitForDone();
  shop_.reset();
  supplies_.reset();
  Sentence words = act();
  if (!open()) return *trouble_;
  emit changed();
  emit filmsChanged();
  emit suppliesChanged();
  emit logChanged();
  return words;
}

namespace {

CivilTime wallTime() {
  const QDateTime now = QDateTime::currentDateTime();
  return *parseCivil(now.toString(QStringLiteral("yyyy-MM-ddTHH:mm")).toStdString());
}

}  // namespace

Sentence Shelf::restore(const Backup& backup) {
  return withShopShut([&]() -> Sentence {
    const auto aside = restoreBackup(Shop::usualFile(), backup.file, wallTime());
    if (!aside) return aside.error();
    return {"The shop is as it was on %1. What it was until now is kept in %2.",
            {dayText(backup.day), aside->string()}};
  });
}

Sentence Shelf::saveArchive(const QString& path) {
  if (!open()) return *trouble_;
  const auto count = writeArchive(shop_->file(), path.toStdString(), wallTime());
  if (!count) return count.error();
  const Phrase what(inWords(*count));
  if (count->missing > 0) {
    return {"The shop is in %1: %2. Photos that are not there any more: %3.",
            {path.toStdString(), what, static_cast<long>(count->missing)}};
  }
  return {"The shop is in %1: %2.", {path.toStdString(), what}};
}

Sentence Shelf::takeArchive(const QString& path) {
  return withShopShut([&]() -> Sentence {
    const auto count = readArchive(path.toStdString(), Shop::usualFile(), wallTime());
    if (!count) return count.error();
    return {
        "The shop is what the archive has: %1. What it was until now is kept beside its copies.",
        {Phrase(inWords(*count))}};
  });
}

FilmShelf Shelf::films() {
  return open() ? given(shop_->films()) : FilmShelf();
}

bool Shelf::didFilms(const std::optional<Sentence>& fault) {
  if (fault) {
    emit said(say(*fault, order_.unit()));
    return false;
  }
  emit filmsChanged();
  return true;
}

std::optional<long long> Shelf::putFilms(const tl::expected<long long, Sentence>& key) {
  if (!didFilms(key ? std::nullopt : std::optional<Sentence>(key.error()))) return std::nullopt;
  return *key;
}

std::optional<long long> Shelf::put(const ShelfFilm& film) {
  if (!open()) return std::nullopt;
  return putFilms(shop_->put(film));
}

std::optional<long long> Shelf::put(const FilmStock& stock) {
  if (!open()) return std::nullopt;
  return putFilms(shop_->put(stock));
}

bool Shelf::removeFilm(long long key) {
  return open() && didFilms(shop_->removeFilm(key));
}

bool Shelf::removeStock(long long key) {
  return open() && didFilms(shop_->removeStock(key));
}

bool Shelf::use(long long stock, Length ofRoll, const std::optional<FilmStock>& offcut,
                FilmTaken taken) {
  taken.at = wallTime();
  return open() && didFilms(shop_->use(stock, ofRoll, offcut, taken));
}

std::vector<FilmTaken> Shelf::filmsTaken() {
  return open() ? given(shop_->filmsTaken()) : std::vector<FilmTaken>();
}

Cutter Shelf::cutter() {
  return open() ? given(shop_->cutter()) : Cutter();
}

bool Shelf::put(const Cutter& cutter) {
  return open() && did(shop_->put(cutter));
}

std::optional<Printer> Shelf::printer() {
  return open() ? given(shop_->printer()) : std::nullopt;
}

bool Shelf::put(const Printer& printer) {
  return open() && did(shop_->put(printer));
}

bool Shelf::remove(const QString& name) {
  if (!open() || !did(shop_->remove(name.toStdString()))) return false;
  // Its log went with it.
  learn();
  return true;
}

void Shelf::putOnBench(const ShelfBlank& shelved) {
  order_.editCup(tr("Put %1 on the bench").arg(QString::fromStdString(shelved.blank.name)),
                 [&](Cup& cup) { cup.blank = shelved.blank; });
  emit said(tr("%1 is on the bench. Measure one girth: cups of one kind differ.")
                .arg(QString::fromStdString(shelved.blank.name)));
}

QString Shelf::saveFromBench() {
  if (!order_.hasCup() || !open()) return {};
  if (order_.presentPlan() == nullptr) {
    emit said(tr("The cup cannot be planned yet. Put the marked field right, then save it."));
    return {};
  }
  const Cup& cup = order_.currentCup();
  ShelfBlank shelved;
  shelved.blank = cup.blank;
  if (shelved.blank.name.empty()) shelved.blank.name = cup.name;
  QString name = QString::fromStdString(shelved.blank.name);
  // What the shelf knows of one of this name stays.
  for (const ShelfBlank& known : find(name)) {
    if (QString::fromStdString(known.blank.name).compare(name, Qt::CaseInsensitive) != 0) continue;
    shelved.capacity = known.capacity;
    shelved.notes = known.notes;
  }
  if (!put(shelved)) return {};
  emit said(tr("“%1” stands on the shelf.").arg(name));
  return name;
}

bool Shelf::logMeasurement() {
  const CupPlan* plan = order_.presentPlan();
  if (plan == nullptr || !open()) return false;
  const BuildUp& buildUp = order_.currentCup().buildUp;
  BuildUp now = buildUp;
  std::erase_if(now.measured,
                [&](const Remeasure& measure) { return measure.after != buildUp.laidAfter; });
  const std::vector<GrowthRecord> records = recordsOf(plan->bare, now);
  if (records.empty()) {
    emit said(tr("Nothing was measured at this stage yet. Type what the tape says, then log it."));
    return false;
  }
  const Station& station = now.measured.back().station;
  ShelfMeasurement measurement;
  measurement.taken = QDate::currentDate().toString(Qt::ISODate).toStdString();
  measurement.stage = stageWords(buildUp, buildUp.laidAfter);
  measurement.at = station.at.length;
  // As it is under its coats, also where parts are cut for the bare cup.
  const Stage& stage = plan->stages[static_cast<std::size_t>(buildUp.laidAfter)];
  measurement.around = plan->bare.grownBy(stage.thickness).around(station.at.length);
  measurement.record = records.back();
  QString name = QString::fromStdString(order_.currentCup().blank.name);
  const std::vector<ShelfBlank> known = find(name);
  const bool there = std::any_of(known.begin(), known.end(), [&](const ShelfBlank& shelved) {
    return QString::fromStdString(shelved.blank.name).compare(name, Qt::CaseInsensitive) == 0;
  });
  if (name.isEmpty() || !there) name = saveFromBench();
  if (name.isEmpty() || !did(shop_->log(name.toStdString(), measurement))) return false;
  learn();
  const int count = order_.stock().growth.records;
  emit said(count == 1
                ? tr("Logged. Growth is now predicted from 1 measurement of yours.")
                : tr("Logged. Growth is now predicted from %1 measurements of yours.").arg(count));
  return true;
}

Sentence Shelf::import(const QString& path) {
  const tl::expected<std::string, Sentence> text = readFile(path.toStdString());
  if (!text) return text.error();
  const auto blanks = readShelf(*text);
  if (!blanks) {
    const ReadFault& first = blanks.error().front();
    const std::string words =
        inWords(first, path.section(QLatin1Char('/'), -1).toStdString(), order_.unit());
    const auto more = static_cast<long>(blanks.error().size()) - 1;
    if (more == 0) return {"%1", {words}};
    return {"%1 (and %2 more; nothing was taken in)", {words, more}};
  }
  // A body that cannot be is told before it stands on the shelf.
  for (const ShelfBlank& shelved : *blanks) {
    const CheckedAll<Body> body = Body::of(shelved.blank);
    if (body) continue;
    return {"“%1”: %2 Nothing was taken in.",
            {shelved.blank.name, inWords(body.error().front().sentence, order_.unit())}};
  }
  if (!open()) return *trouble_;
  if (const std::optional<Sentence> fault = shop_->put(*blanks)) return *fault;
  emit changed();
  if (blanks->size() == 1) return {"1 blank was put on the shelf.", {}};
  return {"%1 blanks were put on the shelf.", {static_cast<long>(blanks->size())}};
}

Sentence Shelf::exportTo(const QString& path) {
  if (!open()) return *trouble_;
  const std::vector<ShelfBlank> all = find({});
  const bool csv = path.endsWith(QStringLiteral(".csv"), Qt::CaseInsensitive);
  const std::string text = csv ? writeShelfCsv(all) : writeShelfJson(all);
  if (const std::optional<Sentence> fault = writeFile(path.toStdString(), text)) return *fault;
  return {"%1 blanks were written to %2.",
          {static_cast<long>(all.size()), path.section(QLatin1Char('/'), -1).toStdString()}};
}

}  // namespace avrelt

#include "moc_shelf.cpp"
