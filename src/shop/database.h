// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <tl/expected.hpp>

#include "measure/sentence.h"

struct sqlite3;
struct sqlite3_stmt;

namespace avrelt {

class Database;

/// One statement, prepared: bind in order, step through its rows, read columns in order.
class Statement {
 public:
  Statement(Database& database, const char* sql);
  ~Statement();
  Statement(const Statement&) = delete;
  Statement& operator=(const Statement&) = delete;

  Statement& bind(std::string_view text);
  Statement& bindBytes(std::string_view bytes);
  Statement& bind(double value);
  Statement& bind(long long value);
  Statement& bindNothing();

  /// True with a row to read, false at the end or on a failure, which the database remembers.
  bool step();
  std::string text(int column) const;
  double number(int column) const;
  long long whole(int column) const;
  bool nothing(int column) const;
  /// As it is kept, whatever its column was declared as.
  bool isWhole(int column) const;
  bool isNumber(int column) const;

 private:
  Database& database_;
  sqlite3_stmt* statement_ = nullptr;
  int bound_ = 0;
};

/// A SQLite file, and what went wrong with it in a maker's words. After a failure every further
/// call does nothing, so that a chain of them is looked at once, at its end.
class Database {
 public:
  enum class Use { looking, writing };
  /// Opens the file. To write, it is made where there is none, and its folder too; to look, not a
  /// byte of it is changed.
  Database(const std::filesystem::path& file, Use use);
  ~Database();
  Database(const Database&) = delete;
  Database& operator=(const Database&) = delete;

  void run(const char* sql);
  /// Several changes as one: all of them or, where any failed, none.
  void begin() { run("BEGIN IMMEDIATE"); }
  /// Ends it; what went wrong, if anything did. The next chain starts clean.
  std::optional<Sentence> end();
  /// Whether it was a row that does not go with the others, and not the disk or the file.
  bool refusedRow() const;
  /// What went wrong since the last look, where nothing was begun.
  std::optional<Sentence> trouble();

 private:
  friend class Statement;
  void note(int code);

  std::string name_;
  sqlite3* handle_ = nullptr;
  int failed_ = 0;
};

}  // namespace avrelt
