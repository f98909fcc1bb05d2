// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/schema.h"

#include <array>
#include <string>

#include "shop/database.h"
#include "shop/shop.h"

namespace avrelt {
namespace {

/// What each version added to the one before.
constexpr std::array<const char*, Shop::currentVersion> steps{
    // 1: blanks, and what they measured under coats
    "CREATE TABLE blanks (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE,"
    " blank TEXT NOT NULL, capacity_ml REAL, notes TEXT NOT NULL DEFAULT '');"
    "CREATE TABLE measurements (id INTEGER PRIMARY KEY,"
    " blank INTEGER NOT NULL REFERENCES blanks ON DELETE CASCADE,"
    " taken TEXT NOT NULL, stage TEXT NOT NULL, at_mm REAL NOT NULL, around_mm REAL NOT NULL,"
    " thickness_mm REAL NOT NULL, resin REAL NOT NULL, fine REAL NOT NULL, medium REAL NOT NULL,"
    " chunky REAL NOT NULL, paint REAL NOT NULL);",
    // 2: photos
    "ALTER TABLE blanks ADD COLUMN photo BLOB;",
    // 3: what patterns take
    "CREATE TABLE rates (name TEXT PRIMARY KEY, value REAL NOT NULL);",
    // 4: shapes kept for any order
    "CREATE TABLE shapes (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE,"
    " artwork TEXT NOT NULL);",
    // 5: films, what there is of them, and the cutter
    "CREATE TABLE films (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE,"
    " kind TEXT NOT NULL, colour TEXT NOT NULL, keeps_direction INTEGER NOT NULL,"
    " face_down INTEGER NOT NULL, price_per_m2 REAL NOT NULL, notes TEXT NOT NULL);"
    "CREATE TABLE film_stock (id INTEGER PRIMARY KEY,"
    " film INTEGER NOT NULL REFERENCES films ON DELETE CASCADE, shape TEXT NOT NULL,"
    " wide_mm REAL NOT NULL, tall_mm REAL NOT NULL, count INTEGER NOT NULL, outline TEXT NOT NULL,"
    " name TEXT NOT NULL, place TEXT NOT NULL);"
    "CREATE TABLE cutter (name TEXT PRIMARY KEY, value REAL NOT NULL);",
    // 6: the printer
    "CREATE TABLE printer (name TEXT PRIMARY KEY, value REAL NOT NULL);",
    // 7: methods
    "CREATE TABLE methods (kind TEXT NOT NULL, name TEXT NOT NULL, value REAL NOT NULL,"
    " PRIMARY KEY (kind, name));",
    // 8: supplies, and the log of what was made
    "CREATE TABLE supplies (id TEXT PRIMARY KEY, name TEXT NOT NULL COLLATE NOCASE,"
    " kind TEXT NOT NULL, colour TEXT NOT NULL, method TEXT NOT NULL, price REAL NOT NULL,"
    " low REAL NOT NULL, lot TEXT NOT NULL, thinning TEXT NOT NULL, notes TEXT NOT NULL,"
    " gone INTEGER NOT NULL);"
    "CREATE TABLE supply_events (id INTEGER PRIMARY KEY, supply TEXT NOT NULL REFERENCES supplies,"
    " kind TEXT NOT NULL, at TEXT NOT NULL, amount REAL NOT NULL, paid REAL NOT NULL);"
    "CREATE TABLE entries (order_id TEXT NOT NULL, cup_id TEXT NOT NULL, name TEXT NOT NULL,"
    " order_name TEXT NOT NULL, blank TEXT NOT NULL, made TEXT NOT NULL, begun TEXT,"
    " finished TEXT, done INTEGER NOT NULL, steps INTEGER NOT NULL,"
    " worked_min REAL NOT NULL DEFAULT 0, last TEXT NOT NULL DEFAULT '',"
    " whom TEXT NOT NULL DEFAULT '', price REAL, faults TEXT NOT NULL DEFAULT '',"
    " notes TEXT NOT NULL DEFAULT '', PRIMARY KEY (order_id, cup_id));"
    "CREATE TABLE entry_orders (order_id TEXT NOT NULL, cup_id TEXT NOT NULL, text TEXT NOT NULL,"
    " PRIMARY KEY (order_id, cup_id));"
    "CREATE TABLE work (order_id TEXT NOT NULL, cup_id TEXT NOT NULL, step TEXT NOT NULL,"
    " words TEXT NOT NULL, kind TEXT NOT NULL, at TEXT NOT NULL, took_min REAL NOT NULL,"
    " usual_min REAL NOT NULL, PRIMARY KEY (order_id, cup_id, step));"
    "CREATE TABLE uses (order_id TEXT NOT NULL, cup_id TEXT NOT NULL, step TEXT NOT NULL,"
    " supply TEXT NOT NULL, at TEXT NOT NULL, amount REAL NOT NULL, over_mm2 REAL,"
    " PRIMARY KEY (order_id, cup_id, step, supply));"
    "CREATE TABLE cut_parts (id INTEGER PRIMARY KEY, order_id TEXT NOT NULL, cup_id TEXT NOT NULL,"
    " purpose TEXT NOT NULL, title TEXT NOT NULL, at TEXT NOT NULL, file TEXT NOT NULL,"
    " svg TEXT NOT NULL, film INTEGER NOT NULL, film_name TEXT NOT NULL, area_mm2 REAL NOT NULL,"
    " UNIQUE (order_id, cup_id, purpose, title));"
    "CREATE TABLE photos (id INTEGER PRIMARY KEY, order_id TEXT NOT NULL, cup_id TEXT NOT NULL,"
    " file TEXT NOT NULL, caption TEXT NOT NULL, taken TEXT NOT NULL);"
    "CREATE INDEX photos_of ON photos (order_id, cup_id);"
    "CREATE TABLE left_out (observation TEXT PRIMARY KEY);",
    // 9: what came of film that was taken
    "CREATE TABLE films_taken (id INTEGER PRIMARY KEY, words TEXT NOT NULL, at TEXT NOT NULL,"
    " parts_mm2 REAL NOT NULL, taken_mm2 REAL NOT NULL);",
    // 10: what a step was done with, how long is usually waited after it, what was wrong with it
    "ALTER TABLE work ADD COLUMN method TEXT NOT NULL DEFAULT '';"
    "ALTER TABLE work ADD COLUMN wait_min REAL NOT NULL DEFAULT 0;"
    "ALTER TABLE work ADD COLUMN faults TEXT NOT NULL DEFAULT '';"};

}  // namespace

void bringUp(Database& database, int from, int to) {
  for (int version = from; version < to; ++version) {
    database.run(steps[static_cast<std::size_t>(version)]);
  }
  database.run(("PRAGMA user_version = " + std::to_string(to)).c_str());
}

}  // namespace avrelt
