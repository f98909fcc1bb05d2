// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shop.h"

#include <array>
#include <cstdlib>

#include "files/blank_json.h"
#include "files/decal_json.h"
#include "files/disk_calls.h"
#include "shop/database.h"
#include "shop/schema.h"
#include "shop/shop_lock.h"
#include "shop/words_wanted.h"

namespace avrelt {
namespace {

constexpr const char* glitterRate = "glitter_g_per_cm2";
constexpr const char* paintRate = "paint_ml_per_cm2";
constexpr const char* colourTime = "minutes_per_colour";

constexpr const char* putSql =
    "INSERT INTO blanks (name, blank, capacity_ml, notes, photo) VALUES (?, ?, ?, ?, ?)"
    " ON CONFLICT (name) DO UPDATE SET name = excluded.name, blank = excluded.blank,"
    " capacity_ml = excluded.capacity_ml, notes = excluded.notes,"
    " photo = coalesce(excluded.photo, photo)";

void putInto(Database& database, const ShelfBlank& shelved) {
  Statement put(database, putSql);
  put.bind(shelved.blank.name).bind(writeBlank(shelved.blank));
  if (shelved.capacity) {
    put.bind(shelved.capacity->ml());
  } else {
    put.bindNothing();
  }
  put.bind(shelved.notes);
  if (shelved.photo.empty()) {
    put.bindNothing();
  } else {
    put.bindBytes(shelved.photo);
  }
  put.step();
}

ShelfMeasurement measurementFrom(const Statement& row) {
  ShelfMeasurement measurement;
  measurement.taken = row.text(0);
  measurement.stage = row.text(1);
  measurement.at = Length::mm(row.number(2));
  measurement.around = Length::mm(row.number(3));
  measurement.record.thickness = Length::mm(row.number(4));
  for (std::size_t i = 0; i < materialCount; ++i) {
    measurement.record.load[i] = row.number(5 + static_cast<int>(i));
  }
  return measurement;
}

}  // namespace

Shop::Shop(std::unique_ptr<Database> database, std::filesystem::path file)
    : database_(std::move(database)),
      file_(std::move(file)),
      lock_(std::make_unique<ShopLock>(file_, ShopLock::Kind::shared)) {}
Shop::Shop(Shop&&) noexcept = default;
Shop& Shop::operator=(Shop&&) noexcept = default;
Shop::~Shop() = default;

namespace {

Sentence notOurs(const std::filesystem::path& file) {
  return {
      "“%1” is a database of something else, not a shop of Avrelt's. It stays as it is. Name "
      "another file.",
      {file.string()}};
}

/// Looks at a file without changing a byte. The version of the shop in it, 0 where it is empty and
/// may become one.
tl::expected<int, Sentence> versionOf(const std::filesystem::path& file, Database::Use use) {
  Database database(file, use);
  long long version = -1;
  long long tables = 0;
  long long ours = 0;
  {
    Statement check(database, "PRAGMA quick_check(1)");
    if (check.step() && check.text(0) != "ok") {
      return tl::unexpected(
          Sentence{"The shelf's file is damaged (%1). It stays as it is: put a copy of it back, or "
                   "move it aside for a new shelf. Orders are not touched by this.",
                   {file.string()}});
    }
    Statement ask(database, "PRAGMA user_version");
    if (ask.step()) version = ask.whole(0);
    Statement count(database, "SELECT count(*) FROM sqlite_master");
    if (count.step()) tables = count.whole(0);
    Statement columns(database,
                      "SELECT count(*) FROM pragma_table_info('blanks')"
                      " WHERE name IN ('id', 'name', 'blank', 'capacity_ml', 'notes')");
    if (columns.step()) ours = columns.whole(0);
  }
  if (std::optional<Sentence> trouble = database.trouble()) return tl::unexpected(*trouble);
  const bool empty = version == 0 && tables == 0;
  if (!empty && (version < 1 || ours != 5)) return tl::unexpected(notOurs(file));
  if (version > Shop::currentVersion) {
    return tl::unexpected(
        Sentence{"The shelf was written by a newer Avrelt (version %1 of its file; this one knows "
                 "up to %2). Update Avrelt to use it; it stays as it is.",
                 {static_cast<long>(version), long{Shop::currentVersion}}});
  }
  return static_cast<int>(version);
}

}  // namespace

tl::expected<Shop, Sentence> Shop::open(const std::filesystem::path& file) {
  if (file.empty()) {
    return tl::unexpected(
        Sentence{"There is no folder for the shelf: neither HOME nor XDG_DATA_HOME says where "
                 "yours is. Set one and start Avrelt again. Orders are not touched by this.",
                 {}});
  }
  std::error_code error;
  const std::filesystem::file_status status = std::filesystem::status(file, error);
  int version = 0;
  if (status.type() == std::filesystem::file_type::regular) {
    tl::expected<int, Sentence> found = versionOf(file, Database::Use::looking);
    // What a program left half done that was killed has to be taken back before it can be read.
    if (!found && std::filesystem::exists(file.string() + "-journal", error)) {
      found = versionOf(file, Database::Use::writing);
    }
    if (!found) return tl::unexpected(found.error());
    version = *found;
  } else if (status.type() != std::filesystem::file_type::not_found) {
    // A folder, a pipe, a device; or none of our business.
    if (error) return tl::unexpected(whyNot(error.value(), file));
    return tl::unexpected(Sentence{"“%1” is no file. Name the shop's file.", {file.string()}});
  }
  auto database = std::make_unique<Database>(file, Database::Use::writing);
  if (version < currentVersion) {
    database->begin();
    bringUp(*database, version, currentVersion);
    if (version == 0) {
      for (const ShelfBlank& starter : starterBlanks()) putInto(*database, starter);
    }
    if (std::optional<Sentence> trouble = database->end()) return tl::unexpected(*trouble);
  }
  if (std::optional<Sentence> trouble = database->trouble()) return tl::unexpected(*trouble);
  return Shop(std::move(database), file);
}

std::filesystem::path Shop::usualFile() {
  std::filesystem::path folder;
  if (const char* data = std::getenv("XDG_DATA_HOME"); data != nullptr && *data == '/') {
    folder = data;
  } else if (const char* home = std::getenv("HOME"); home != nullptr && *home == '/') {
    folder = std::filesystem::path(home) / ".local" / "share";
  } else {
    return {};
  }
  return folder / "avrelt" / "shop.sqlite";
}

tl::expected<std::vector<ShelfBlank>, Sentence> Shop::find(const std::string& wanted) {
  const std::vector<std::string> patterns = patternsOf(wanted);
  std::string sql = "SELECT blank, capacity_ml, notes FROM blanks";
  for (std::size_t i = 0; i < patterns.size(); ++i) {
    sql += i == 0 ? " WHERE" : " AND";
    sql += " (name || ' ' || notes) LIKE ? ESCAPE '\\'";
  }
  sql += " ORDER BY name COLLATE NOCASE";
  std::vector<ShelfBlank> found;
  Statement rows(*database_, sql.c_str());
  for (const std::string& pattern : patterns) rows.bind(pattern);
  while (rows.step()) {
    tl::expected<Blank, ReadFaults> blank = readBlank(rows.text(0));
    // One that a hand has spoilt in the file does not keep the others from being found.
    if (!blank) continue;
    ShelfBlank shelved;
    shelved.blank = std::move(*blank);
    if (!rows.nothing(1)) shelved.capacity = Volume::ml(rows.number(1));
    shelved.notes = rows.text(2);
    found.push_back(std::move(shelved));
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return found;
}

tl::expected<std::string, Sentence> Shop::photoOf(const std::string& name) {
  std::string photo;
  {
    Statement row(*database_, "SELECT photo FROM blanks WHERE name = ?");
    row.bind(name);
    if (row.step()) photo = row.text(0);
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return photo;
}

tl::expected<std::vector<std::pair<long long, std::string>>, Sentence> Shop::blankKeys() {
  std::vector<std::pair<long long, std::string>> keys;
  {
    Statement rows(*database_, "SELECT id, name FROM blanks ORDER BY name COLLATE NOCASE");
    while (rows.step()) keys.emplace_back(rows.whole(0), rows.text(1));
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return keys;
}

std::optional<Sentence> Shop::put(const std::vector<ShelfBlank>& blanks) {
  for (const ShelfBlank& shelved : blanks) {
    if (shelved.blank.name.find_first_not_of(" \t\n") == std::string::npos) {
      return Sentence{"A blank needs a name to stand on the shelf. Give it one.", {}};
    }
  }
  database_->begin();
  for (const ShelfBlank& shelved : blanks) putInto(*database_, shelved);
  return database_->end();
}

std::optional<Sentence> Shop::remove(const std::string& name) {
  database_->begin();
  {
    Statement gone(*database_, "DELETE FROM blanks WHERE name = ?");
    gone.bind(name).step();
  }
  return database_->end();
}

std::optional<Sentence> Shop::log(const std::string& name, const ShelfMeasurement& measurement) {
  database_->begin();
  long long blank = -1;
  {
    Statement row(*database_, "SELECT id FROM blanks WHERE name = ?");
    row.bind(name);
    if (row.step()) blank = row.whole(0);
  }
  if (blank >= 0) {
    Statement add(*database_,
                  "INSERT INTO measurements (blank, taken, stage, at_mm, around_mm, thickness_mm,"
                  " resin, fine, medium, chunky, paint) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)");
    add.bind(blank).bind(measurement.taken).bind(measurement.stage);
    add.bind(measurement.at.mm()).bind(measurement.around.mm());
    add.bind(measurement.record.thickness.mm());
    for (const double amount : measurement.record.load) add.bind(amount);
    add.step();
  }
  if (std::optional<Sentence> trouble = database_->end()) return trouble;
  if (blank < 0) {
    return Sentence{"“%1” is not on the shelf. Put it there, then log what it measured.", {name}};
  }
  return std::nullopt;
}

namespace {
constexpr const char* measurementColumns =
    "SELECT m.taken, m.stage, m.at_mm, m.around_mm, m.thickness_mm, m.resin, m.fine, m.medium,"
    " m.chunky, m.paint, m.id, b.name FROM measurements m JOIN blanks b ON b.id = m.blank";
}

tl::expected<std::vector<ShelfMeasurement>, Sentence> Shop::measurementsOf(
    const std::string& name) {
  std::vector<ShelfMeasurement> found;
  {
    std::string sql = measurementColumns;
    sql += " WHERE b.name = ? ORDER BY m.taken, m.id";
    Statement rows(*database_, sql.c_str());
    rows.bind(name);
    while (rows.step()) found.push_back(measurementFrom(rows));
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return found;
}

tl::expected<std::vector<GrowthNote>, Sentence> Shop::growthNotes() {
  std::vector<GrowthNote> found;
  {
    std::string sql = measurementColumns;
    sql += " ORDER BY m.id";
    Statement rows(*database_, sql.c_str());
    while (rows.step()) {
      const ShelfMeasurement one = measurementFrom(rows);
      found.push_back({rows.whole(10), rows.text(11) + ": " + one.stage,
                       parseCivil(one.taken).value_or(CivilTime()), one.record});
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return found;
}

tl::expected<std::vector<GrowthRecord>, Sentence> Shop::growthRecords() {
  const auto own = growthIsOwn();
  if (!own) return tl::unexpected(own.error());
  if (!*own) return std::vector<GrowthRecord>();
  const auto notes = growthNotes();
  if (!notes) return tl::unexpected(notes.error());
  const auto out = logbook().leftOut();
  if (!out) return tl::unexpected(out.error());
  std::vector<GrowthRecord> records;
  for (const GrowthNote& note : *notes) {
    if (!out->contains(note.observation())) records.push_back(note.record);
  }
  return records;
}

tl::expected<FillRates, Sentence> Shop::fillRates() {
  FillRates rates;
  {
    Statement rows(*database_, "SELECT name, value FROM rates");
    while (rows.step()) {
      const std::string name = rows.text(0);
      if (name == glitterRate) rates.glitterPerCm2 = Mass::grams(rows.number(1));
      if (name == paintRate) rates.paintPerCm2 = Volume::ml(rows.number(1));
      if (name == colourTime) rates.perColour = Duration::minutes(rows.number(1));
    }
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  return rates;
}

tl::expected<Methods, Sentence> Shop::methods() {
  Methods methods;
  {
    Statement rows(*database_, "SELECT kind, name, value FROM methods");
    while (rows.step()) {
      for (Method& method : methods.all) {
        if (rows.text(0) != methodName(method.kind)) continue;
        for (const MethodFigure& figure : methodFigures()) {
          if (rows.text(1) == figure.name) figure.set(method, rows.number(2));
        }
      }
    }
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  // What was spoilt by hand is as it comes.
  const Methods usual;
  for (std::size_t i = 0; i < methodKinds; ++i) {
    if (faultOf(methods.all[i])) methods.all[i] = usual.all[i];
  }
  return methods;
}

std::optional<Sentence> Shop::put(const Methods& methods) {
  for (const Method& method : methods.all) {
    if (std::optional<Sentence> fault = faultOf(method)) return fault;
  }
  database_->begin();
  for (const Method& method : methods.all) {
    for (const MethodFigure& figure : methodFigures()) {
      Statement put(*database_,
                    "INSERT INTO methods (kind, name, value) VALUES (?, ?, ?)"
                    " ON CONFLICT (kind, name) DO UPDATE SET value = excluded.value");
      put.bind(methodName(method.kind)).bind(figure.name).bind(figure.get(method)).step();
    }
  }
  return database_->end();
}

std::optional<Sentence> Shop::put(const FillRates& rates) {
  constexpr double day = 24 * 60;
  const auto within = [](double value, double most) { return value >= 0 && value <= most; };
  if (!within(rates.glitterPerCm2.grams(), 1) || !within(rates.paintPerCm2.ml(), 1) ||
      !within(rates.perColour.minutes(), day)) {
    return Sentence{"Give amounts from 0 to 1 for a cm², and times up to a day.", {}};
  }
  database_->begin();
  for (const auto& [name, value] : {std::pair{glitterRate, rates.glitterPerCm2.grams()},
                                    std::pair{paintRate, rates.paintPerCm2.ml()},
                                    std::pair{colourTime, rates.perColour.minutes()}}) {
    Statement put(*database_,
                  "INSERT INTO rates (name, value) VALUES (?, ?)"
                  " ON CONFLICT (name) DO UPDATE SET value = excluded.value");
    put.bind(name).bind(value).step();
  }
  return database_->end();
}

tl::expected<std::vector<KeptShape>, Sentence> Shop::shapes() {
  std::vector<KeptShape> shapes;
  {
    Statement rows(*database_, "SELECT id, artwork FROM shapes ORDER BY name");
    while (rows.step()) {
      const auto artwork = readArtwork(rows.text(1));
      if (artwork) shapes.push_back({rows.whole(0), *artwork});
    }
  }
  if (std::optional<Sentence> fault = database_->trouble()) return tl::unexpected(*fault);
  return shapes;
}

std::optional<Sentence> Shop::put(const Artwork& shape) {
  if (shape.name.empty()) return Sentence{"The shape has no name. Give it one.", {}};
  // Out of its order it stands alone: what it was joined from is not there.
  Artwork alone = shape;
  alone.id.clear();
  alone.joining = {};
  if (alone.kind == ArtKind::joined) alone.kind = ArtKind::drawing;
  database_->begin();
  {
    Statement put(*database_,
                  "INSERT INTO shapes (name, artwork) VALUES (?, ?)"
                  " ON CONFLICT (name) DO UPDATE SET artwork = excluded.artwork");
    put.bind(alone.name).bind(writeArtwork(alone)).step();
  }
  return database_->end();
}

std::optional<Sentence> Shop::removeShape(long long key) {
  database_->begin();
  {
    Statement remove(*database_, "DELETE FROM shapes WHERE id = ?");
    remove.bind(static_cast<double>(key)).step();
  }
  return database_->end();
}

}  // namespace avrelt
