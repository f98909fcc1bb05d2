// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/archive.h"

#include <archive.h>
#include <archive_entry.h>

#include <algorithm>
#include <array>
#include <map>
#include <memory>
#include <set>

#include "files/disk.h"
#include "files/disk_calls.h"
#include "files/json_reader.h"
#include "log/supply.h"
#include "shop/backups.h"
#include "shop/csv_text.h"
#include "shop/database.h"
#include "shop/schema.h"
#include "shop/shop.h"
#include "shop/shop_lock.h"

namespace avrelt {
namespace {

namespace fs = std::filesystem;

/// Where others come before what refers to them.
constexpr std::array tables{
    "blanks",  "measurements", "rates",    "shapes",        "films",      "film_stock",   "cutter",
    "printer", "methods",      "supplies", "supply_events", "entries",    "entry_orders", "work",
    "uses",    "cut_parts",    "photos",   "left_out",      "films_taken"};
/// The version a table is in archives from.
int sinceOf(std::string_view table) {
  constexpr int first = 8;
  return table == "films_taken" ? first + 1 : first;
}

constexpr const char* headName = "shop.json";
constexpr std::size_t mostOfOne = 256U << 20U;
constexpr std::size_t mostOfAll = 2048ULL << 20U;  // but for photos

/// Columns that are files of their own in an archive, and their folders and endings.
struct FileColumn {
  const char* table;
  const char* column;
  const char* folder;
  const char* ending;
};
constexpr std::array fileColumns{FileColumn{"entry_orders", "text", "orders/", ".avrelt"},
                                 FileColumn{"cut_parts", "svg", "cut/", ".svg"},
                                 FileColumn{"blanks", "photo", "blanks/", ".jpg"}};

const FileColumn* fileColumn(const std::string& table, const std::string& column) {
  for (const FileColumn& one : fileColumns) {
    if (table == one.table && column == one.column) return &one;
  }
  return nullptr;
}

Sentence damaged(const fs::path& archive, const std::string& what) {
  return {"The archive is damaged or not whole (%1: %2). Nothing was changed; get another copy.",
          {archive.string(), what}};
}

/// A ZIP file being written.
class Zip {
 public:
  explicit Zip(const fs::path& file) : zip_(archive_write_new(), archive_write_free) {
    good_ = archive_write_set_format_zip(zip_.get()) == ARCHIVE_OK &&
            archive_write_open_filename(zip_.get(), file.c_str()) == ARCHIVE_OK;
  }

  void add(const std::string& name, std::string_view bytes) {
    if (!good_) return;
    const std::unique_ptr<archive_entry, void (*)(archive_entry*)> entry(archive_entry_new(),
                                                                         archive_entry_free);
    archive_entry_set_pathname(entry.get(), name.c_str());
    archive_entry_set_size(entry.get(), static_cast<la_int64_t>(bytes.size()));
    archive_entry_set_filetype(entry.get(), AE_IFREG);
    constexpr unsigned readable = 0644;
    archive_entry_set_perm(entry.get(), readable);
    // Of no moment: the same shop gives the same bytes.
    archive_entry_set_mtime(entry.get(), 0, 0);
    good_ = archive_write_header(zip_.get(), entry.get()) == ARCHIVE_OK;
    if (!good_ || bytes.empty()) return;
    good_ = archive_write_data(zip_.get(), bytes.data(), bytes.size()) ==
            static_cast<la_ssize_t>(bytes.size());
  }

  /// Whether all of it is written.
  bool close() {
    good_ = archive_write_close(zip_.get()) == ARCHIVE_OK && good_;
    return good_;
  }

 private:
  std::unique_ptr<archive, int (*)(archive*)> zip_;
  bool good_ = false;
};

std::vector<std::string> columnsOf(Database& database, const std::string& table) {
  std::vector<std::string> columns;
  Statement rows(database, "SELECT name FROM pragma_table_info(?) ORDER BY cid");
  rows.bind(table);
  while (rows.step()) columns.push_back(rows.text(0));
  return columns;
}

std::string selectAll(const std::string& table, const std::vector<std::string>& columns) {
  std::string sql = "SELECT ";
  for (const std::string& column : columns) {
    if (&column != &columns.front()) sql += ", ";
    sql += column;
  }
  return sql + " FROM " + table + " ORDER BY rowid";
}

std::string fileName(const FileColumn& of, std::size_t number) {
  constexpr std::size_t digits = 5;
  const std::string text = std::to_string(number);
  return of.folder + std::string(digits > text.size() ? digits - text.size() : 0, '0') + text +
         of.ending;
}

/// One table as lines of JSON; what is a file of its own goes into the archive at once.
std::string tableText(Database& database, const std::string& table, Zip& zip, ArchiveCount& count) {
  const std::vector<std::string> columns = columnsOf(database, table);
  std::string text;
  Statement rows(database, selectAll(table, columns).c_str());
  std::size_t number = 0;
  while (rows.step()) {
    Json row = Json::object();
    ++number;
    for (std::size_t i = 0; i < columns.size(); ++i) {
      const int column = static_cast<int>(i);
      if (rows.nothing(column)) {
        row[columns[i]] = nullptr;
      } else if (const FileColumn* of = fileColumn(table, columns[i])) {
        const std::string name = fileName(*of, number);
        zip.add(name, rows.text(column));
        row[columns[i]] = {{"file", name}};
      } else if (rows.isWhole(column)) {
        row[columns[i]] = rows.whole(column);
      } else if (rows.isNumber(column)) {
        row[columns[i]] = rows.number(column);
      } else {
        row[columns[i]] = rows.text(column);
      }
    }
    text += row.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
    ++count.rows;
  }
  if (table == "entry_orders") count.orders = number;
  return text;
}

std::string csvOf(Database& database, const char* sql, const std::vector<std::string>& names) {
  std::string text;
  const auto line = [&](const std::vector<std::string>& cells) {
    for (std::size_t i = 0; i < cells.size(); ++i) text += (i == 0 ? "" : ",") + csvCell(cells[i]);
    text += "\r\n";
  };
  line(names);
  Statement rows(database, sql);
  while (rows.step()) {
    std::vector<std::string> cells;
    for (std::size_t i = 0; i < names.size(); ++i) cells.push_back(rows.text(static_cast<int>(i)));
    line(cells);
  }
  return text;
}

/// What a spreadsheet may want.
void addCsv(Database& database, Zip& zip) {
  zip.add("log.csv",
          csvOf(database,
                "SELECT e.name, e.order_name, e.blank, e.made, e.begun, e.finished, e.done,"
                " e.steps, e.worked_min, e.whom, e.price, e.faults, e.notes FROM entries e"
                " ORDER BY e.begun, e.name",
                {"cup", "order", "blank", "made", "begun", "finished", "steps_done", "steps",
                 "worked_min", "for", "price", "faults", "notes"}));
  zip.add("work.csv",
          csvOf(database,
                "SELECT e.name, w.words, w.kind, w.at, w.took_min, w.usual_min FROM work w"
                " LEFT JOIN entries e ON e.order_id = w.order_id AND e.cup_id = w.cup_id"
                " ORDER BY w.at",
                {"cup", "step", "kind", "done", "took_min", "usual_min"}));
  zip.add("supplies.csv",
          csvOf(database,
                "SELECT name, kind, colour, method, price, low, lot, thinning, notes FROM supplies"
                " WHERE gone = 0 ORDER BY name",
                {"name", "kind", "colour", "method", "price", "low", "lot", "thinning", "notes"}));
  zip.add("uses.csv", csvOf(database,
                            "SELECT s.name, u.at, u.amount, u.over_mm2, e.name FROM uses u"
                            " LEFT JOIN supplies s ON s.id = u.supply LEFT JOIN entries e"
                            " ON e.order_id = u.order_id AND e.cup_id = u.cup_id ORDER BY u.at",
                            {"supply", "at", "amount", "over_mm2", "cup"}));
  zip.add("films.csv",
          csvOf(database,
                "SELECT f.name, f.kind, f.colour, f.price_per_m2, s.shape, s.wide_mm, s.tall_mm,"
                " s.count, s.place FROM films f LEFT JOIN film_stock s ON s.film = f.id"
                " ORDER BY f.name",
                {"film", "kind", "colour", "price_per_m2", "stock", "wide_mm", "tall_mm", "count",
                 "place"}));
}

}  // namespace

Sentence inWords(const ArchiveCount& count) {
  const Sentence cups{count.orders == 1 ? "1 cup of the log" : "%1 cups of the log",
                      {static_cast<long>(count.orders)}};
  const Sentence photos{count.photos == 1 ? "1 photo" : "%1 photos",
                        {static_cast<long>(count.photos)}};
  return {"%1, %2", {Phrase(cups), Phrase(photos)}};
}

tl::expected<ArchiveCount, Sentence> writeArchive(const fs::path& shop, const fs::path& archive,
                                                  CivilTime now) {
  const fs::path half = archive.string() + ".half";
  ArchiveCount count;
  std::error_code error;
  for (const fs::path& own : {shop, lockFileOf(shop), fs::path(shop.string() + "-journal")}) {
    if (fs::equivalent(own, archive, error) ||
        fs::weakly_canonical(own, error) == fs::weakly_canonical(archive, error)) {
      return tl::unexpected(
          Sentence{"“%1” is the shop itself, which an archive in its place would "
                   "end. Choose another name, as shop.zip.",
                   {archive.string()}});
    }
  }
  std::optional<Sentence> trouble = notAFile(archive);
  if (trouble) return tl::unexpected(*trouble);
  bool whole = false;
  {
    Zip zip(half);
    Database database(shop, Database::Use::looking);
    database.run("BEGIN");
    const Json head = {{"avrelt_shop", Shop::currentVersion}, {"written", civilText(now)}};
    zip.add(headName, head.dump(2) + "\n");
    std::vector<std::pair<std::string, std::string>> texts;
    texts.reserve(tables.size());
    for (const char* table : tables) {
      texts.emplace_back("tables/" + std::string(table) + ".jsonl",
                         tableText(database, table, zip, count));
    }
    for (const auto& [name, text] : texts) zip.add(name, text);
    addCsv(database, zip);
    {
      Statement photos(database, "SELECT file FROM photos ORDER BY id");
      while (photos.step()) {
        const std::string name = photos.text(0);
        const auto bytes = readFile(shop.parent_path() / "photos" / name);
        if (bytes && fs::path(name).filename().string() == name) {
          zip.add("photos/" + name, *bytes);
          ++count.photos;
        } else {
          ++count.missing;
        }
      }
    }
    trouble = database.end();
    whole = zip.close();
  }
  if (!trouble && !whole) {
    trouble = Sentence{
        "The archive could not be written (%1). Check that there is room and that the folder is "
        "yours.",
        {archive.string()}};
  }
  if (!trouble) {
    fs::rename(half, archive, error);
    if (error) trouble = whyNot(error.value(), archive);
  }
  if (trouble) {
    fs::remove(half, error);
    return tl::unexpected(*trouble);
  }
  return count;
}

namespace {

/// What is taken out of an archive before anything is changed.
class Unpacked {
 public:
  Unpacked(const fs::path& archive, const fs::path& photos) : archive_(archive), photos_(photos) {}

  std::optional<Sentence> read() {
    const std::unique_ptr<struct archive, int (*)(struct archive*)> zip(archive_read_new(),
                                                                        archive_read_free);
    archive_read_support_format_zip(zip.get());
    constexpr std::size_t block = 65536;
    if (archive_read_open_filename(zip.get(), archive_.c_str(), block) != ARCHIVE_OK) {
      std::error_code error;
      if (!fs::exists(archive_, error)) {
        return Sentence{"There is no archive “%1”. Choose another.", {archive_.string()}};
      }
      return damaged(archive_, "no ZIP file");
    }
    while (true) {
      archive_entry* entry = nullptr;
      const int code = archive_read_next_header(zip.get(), &entry);
      if (code == ARCHIVE_EOF) break;
      if (code != ARCHIVE_OK) return damaged(archive_, "an entry cannot be read");
      const char* name = archive_entry_pathname(entry);
      if (name == nullptr || archive_entry_filetype(entry) != AE_IFREG) continue;
      std::string bytes;
      std::array<char, block> some{};
      while (true) {
        const la_ssize_t got = archive_read_data(zip.get(), some.data(), some.size());
        if (got < 0) return damaged(archive_, name);
        if (got == 0) break;
        bytes.append(some.data(), static_cast<std::size_t>(got));
        if (bytes.size() > mostOfOne) return damaged(archive_, name);
      }
      if (std::optional<Sentence> fault = take(name, std::move(bytes))) return fault;
    }
    return std::nullopt;
  }

  const std::string* file(const std::string& name) const {
    const auto at = files_.find(name);
    return at == files_.end() ? nullptr : &at->second;
  }
  const std::set<std::string>& photos() const { return taken_; }
  /// A table that a shop of this version has none of; empty where there is none.
  std::string unknownTable(int version) const {
    constexpr std::string_view folder = "tables/";
    for (const auto& file : files_) {
      const std::string& name = file.first;
      if (!name.starts_with(folder)) continue;
      const bool known = std::any_of(tables.begin(), tables.end(), [&](const char* table) {
        return sinceOf(table) <= version && name == std::string(folder) + table + ".jsonl";
      });
      if (!known) return name;
    }
    return {};
  }

 private:
  std::optional<Sentence> take(const std::string& name, std::string bytes) {
    constexpr std::string_view photos = "photos/";
    if (name.starts_with(photos)) {
      const std::string file = name.substr(photos.size());
      // A name that leads elsewhere is none of ours.
      if (file.empty() || fs::path(file).filename().string() != file) {
        return damaged(archive_, name);
      }
      std::error_code error;
      fs::create_directories(photos_, error);
      if (std::optional<Sentence> fault = writeFile(photos_ / file, bytes)) return fault;
      taken_.insert(file);
      return std::nullopt;
    }
    all_ += bytes.size();
    if (all_ > mostOfAll) return damaged(archive_, name);
    files_[name] = std::move(bytes);
    return std::nullopt;
  }

  const fs::path& archive_;
  const fs::path& photos_;
  std::map<std::string, std::string> files_;
  std::set<std::string> taken_;
  std::size_t all_ = 0;
};

/// A column of a table: what it holds.
struct Declared {
  std::string name;
  std::string type;  ///< "TEXT", "REAL", "INTEGER", "BLOB", as it was declared
};

std::vector<Declared> declaredColumns(Database& database, const std::string& table) {
  std::vector<Declared> columns;
  Statement rows(database, "SELECT name, type FROM pragma_table_info(?) ORDER BY cid");
  rows.bind(table);
  while (rows.step()) columns.push_back({rows.text(0), rows.text(1)});
  return columns;
}

/// Columns that say when: a day there is none of is no day.
constexpr std::array whens{"at", "begun", "finished", "last", "taken"};
/// Columns of what there is none of below nothing.
constexpr std::array amounts{"price",     "price_per_m2", "low",       "count",      "wide_mm",
                             "tall_mm",   "done",         "steps",     "worked_min", "took_min",
                             "usual_min", "wait_min",     "area_mm2",  "parts_mm2",  "taken_mm2",
                             "over_mm2",  "capacity_ml",  "around_mm", "paid"};

template <typename Names>
bool isOneOf(const Names& names, const std::string& name) {
  return std::find(names.begin(), names.end(), name) != names.end();
}

/// Whether a column can hold this.
bool mayHold(const Declared& column, const Json& value) {
  if (value.is_null()) return true;
  if (column.type == "TEXT") {
    if (value.is_object()) return true;
    if (!value.is_string()) return false;
    const auto& text = value.get_ref<const std::string&>();
    return text.empty() || !isOneOf(whens, column.name) || parseCivil(text).has_value();
  }
  if (column.type == "INTEGER" || column.type == "REAL") {
    if (!value.is_number() || (column.type == "INTEGER" && !value.is_number_integer()))
      return false;
    return value.get<double>() >= 0 || !isOneOf(amounts, column.name);
  }
  return value.is_object();
}

/// Puts one row in; false where it is none of this table's.
bool putRow(Database& database, const std::string& table, const std::vector<Declared>& columns,
            const Json& row, const Unpacked& unpacked) {
  if (!row.is_object()) return false;
  std::string names;
  std::string places;
  for (const auto& item : row.items()) {
    const std::string& name = item.key();
    const Json& value = item.value();
    const auto column = std::find_if(columns.begin(), columns.end(),
                                     [&](const Declared& one) { return one.name == name; });
    if (column == columns.end() || !mayHold(*column, value)) return false;
    names += (names.empty() ? "" : ", ") + name;
    places += places.empty() ? "?" : ", ?";
  }
  if (names.empty()) return false;
  const std::string sql = "INSERT INTO " + table + " (" + names + ") VALUES (" + places + ")";
  Statement put(database, sql.c_str());
  for (const auto& [name, value] : row.items()) {
    if (value.is_null()) {
      put.bindNothing();
    } else if (value.is_string()) {
      put.bind(value.get_ref<const std::string&>());
    } else if (value.is_number_integer()) {
      put.bind(value.get<long long>());
    } else if (value.is_number()) {
      put.bind(value.get<double>());
    } else if (value.is_object() && value.contains("file") && value["file"].is_string()) {
      const std::string* bytes = unpacked.file(value["file"].get<std::string>());
      if (bytes == nullptr) return false;
      if (table == "blanks") {
        put.bindBytes(*bytes);
      } else {
        put.bind(*bytes);
      }
    } else {
      return false;
    }
  }
  put.step();
  return true;
}

std::optional<Sentence> fill(const fs::path& file, const Unpacked& unpacked,
                             const fs::path& archive, ArchiveCount& count) {
  const std::string* head = unpacked.file(headName);
  const Json says = head == nullptr ? Json() : Json::parse(*head, nullptr, false);
  if (!says.is_object() || !says.contains("avrelt_shop") ||
      !says["avrelt_shop"].is_number_integer()) {
    return Sentence{
        "“%1” is no archive of a shop: it has no shop.json that says so. Nothing was "
        "changed.",
        {archive.string()}};
  }
  const auto version = says["avrelt_shop"].get<long long>();
  if (version > Shop::currentVersion) {
    return Sentence{
        "The archive was written by a newer Avrelt (version %1 of a shop; this one "
        "knows up to %2). Update Avrelt to read it; nothing was changed.",
        {static_cast<long>(version), long{Shop::currentVersion}}};
  }
  // Archives were first written of version 8.
  constexpr int first = 8;
  if (version < first) return damaged(archive, headName);
  Database database(file, Database::Use::writing);
  database.begin();
  bringUp(database, 0, static_cast<int>(version));
  std::string bad = unpacked.unknownTable(static_cast<int>(version));
  for (const char* table : tables) {
    if (!bad.empty()) break;
    if (sinceOf(table) > version) continue;
    const std::string name = "tables/" + std::string(table) + ".jsonl";
    const std::string* text = unpacked.file(name);
    if (text == nullptr) {
      bad = name;
      break;
    }
    const std::vector<Declared> columns = declaredColumns(database, table);
    for (std::size_t at = 0; at < text->size() && bad.empty();) {
      const std::size_t end = std::min(text->find('\n', at), text->size());
      const Json row =
          Json::parse(text->begin() + static_cast<std::ptrdiff_t>(at),
                      text->begin() + static_cast<std::ptrdiff_t>(end), nullptr, false);
      if (row.is_discarded() || !putRow(database, table, columns, row, unpacked)) bad = name;
      ++count.rows;
      if (std::string_view(table) == "entry_orders") ++count.orders;
      at = end + 1;
    }
    if (!bad.empty()) break;
  }
  const bool ofRows = database.refusedRow();
  std::optional<Sentence> trouble = database.end();
  // Nothing is wrong with an archive for which the disk has no room.
  if (trouble && !ofRows) return trouble;
  if (!bad.empty()) return damaged(archive, bad);
  if (trouble) return damaged(archive, "rows that do not go together");
  {
    Statement photos(database, "SELECT file FROM photos");
    while (photos.step()) {
      if (!unpacked.photos().contains(photos.text(0))) ++count.missing;
    }
  }
  count.photos = unpacked.photos().size();
  return database.trouble();
}

/// Photos that come in with an archive, and go again where it is refused after all.
class PhotosTaken {
 public:
  PhotosTaken(const fs::path& from, const fs::path& to) : from_(from), to_(to) {}

  std::optional<Sentence> take(const std::set<std::string>& files) {
    std::error_code error;
    fs::create_directories(to_, error);
    for (const std::string& file : files) {
      const bool there = fs::exists(to_ / file, error);
      if (there) fs::rename(to_ / file, from_ / (was + file), error);
      if (error) return whyNot(error.value(), to_ / file);
      taken_.emplace_back(file, there);
      fs::rename(from_ / file, to_ / file, error);
      if (error) return whyNot(error.value(), to_ / file);
    }
    return std::nullopt;
  }

  void giveBack() {
    std::error_code ignored;
    for (const auto& [file, there] : taken_) {
      fs::remove(to_ / file, ignored);
      if (there) fs::rename(from_ / (was + file), to_ / file, ignored);
    }
    taken_.clear();
  }

 private:
  static constexpr const char* was = "was-";
  fs::path from_;
  fs::path to_;
  std::vector<std::pair<std::string, bool>> taken_;  ///< and whether there was one of that name
};

}  // namespace

tl::expected<ArchiveCount, Sentence> readArchive(const fs::path& archive, const fs::path& shop,
                                                 CivilTime now) {
  const fs::path half = shop.string() + ".half";
  const fs::path photosHalf = shop.parent_path() / "photos.half";
  std::error_code ignored;
  fs::create_directories(shop.parent_path(), ignored);
  fs::remove(half, ignored);
  fs::remove_all(photosHalf, ignored);
  ArchiveCount count;
  Unpacked unpacked(archive, photosHalf);
  std::optional<Sentence> fault = unpacked.read();
  if (!fault) fault = fill(half, unpacked, archive, count);
  if (!fault) fault = lookedAt(half);
  PhotosTaken photos(photosHalf, shop.parent_path() / "photos");
  if (!fault) fault = photos.take(unpacked.photos());
  if (!fault) {
    const auto aside = replaceShop(shop, half, "before-import", now);
    if (!aside) fault = aside.error();
  }
  if (fault) photos.giveBack();
  fs::remove(half, ignored);
  fs::remove_all(photosHalf, ignored);
  if (fault) return tl::unexpected(*fault);
  return count;
}

}  // namespace avrelt
