// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/database.h"

#include <sqlite3.h>

#include <utility>

namespace avrelt {
namespace {

constexpr int patience = 250;  // ms to wait for another program's lock: no key waits longer

Sentence inWordsOf(int code, const std::string& file) {
  switch (code & 0xFF) {
    case SQLITE_BUSY:
    case SQLITE_LOCKED:
      return {
          "The shelf is in use by another program (%1). Close it there and do this again; "
          "nothing was changed.",
          {file}};
    case SQLITE_CORRUPT:
    case SQLITE_NOTADB:
      return {
          "The shelf's file is damaged (%1). It stays as it is: put a copy of it back, or move "
          "it aside for a new shelf. Orders are not touched by this.",
          {file}};
    case SQLITE_FULL:
    case SQLITE_IOERR:
      return {
          "The shelf could not be written; the disk may be full (%1). Make room and do this "
          "again; nothing was changed.",
          {file}};
    case SQLITE_CANTOPEN:
    case SQLITE_PERM:
    case SQLITE_READONLY:
    case SQLITE_AUTH:
      return {"The shelf cannot be opened for writing (%1). Check that its folder is yours.",
              {file}};
    case SQLITE_NOMEM:
      return {"There was not enough memory for the shelf. Close something and do this again.", {}};
    default:
      break;
  }
  return {"The shelf did not answer (%1: %2). Nothing was changed.",
          {file, std::string(sqlite3_errstr(code))}};
}

}  // namespace

Statement::Statement(Database& database, const char* sql) : database_(database) {
  if (database.failed_ != SQLITE_OK) return;
  database.note(sqlite3_prepare_v2(database.handle_, sql, -1, &statement_, nullptr));
}

Statement::~Statement() {
  sqlite3_finalize(statement_);
}

Statement& Statement::bind(std::string_view text) {
  if (statement_ != nullptr) {
    database_.note(sqlite3_bind_text64(statement_, ++bound_, text.data(), text.size(),
                                       SQLITE_TRANSIENT, SQLITE_UTF8));  // NOLINT
  }
  return *this;
}

Statement& Statement::bindBytes(std::string_view bytes) {
  if (statement_ != nullptr) {
    database_.note(sqlite3_bind_blob64(statement_, ++bound_, bytes.data(), bytes.size(),
                                       SQLITE_TRANSIENT));  // NOLINT
  }
  return *this;
}

Statement& Statement::bind(double value) {
  if (statement_ != nullptr) database_.note(sqlite3_bind_double(statement_, ++bound_, value));
  return *this;
}

Statement& Statement::bind(long long value) {
  if (statement_ != nullptr) database_.note(sqlite3_bind_int64(statement_, ++bound_, value));
  return *this;
}

Statement& Statement::bindNothing() {
  if (statement_ != nullptr) database_.note(sqlite3_bind_null(statement_, ++bound_));
  return *this;
}

bool Statement::step() {
  if (statement_ == nullptr || database_.failed_ != SQLITE_OK) return false;
  const int code = sqlite3_step(statement_);
  if (code == SQLITE_ROW) return true;
  if (code != SQLITE_DONE) database_.note(code);
  return false;
}

std::string Statement::text(int column) const {
  const void* bytes = sqlite3_column_blob(statement_, column);
  const int size = sqlite3_column_bytes(statement_, column);
  return bytes == nullptr
             ? std::string()
             : std::string(static_cast<const char*>(bytes), static_cast<std::size_t>(size));
}

double Statement::number(int column) const {
  return sqlite3_column_double(statement_, column);
}

long long Statement::whole(int column) const {
  return sqlite3_column_int64(statement_, column);
}

bool Statement::nothing(int column) const {
  return sqlite3_column_type(statement_, column) == SQLITE_NULL;
}

bool Statement::isWhole(int column) const {
  return sqlite3_column_type(statement_, column) == SQLITE_INTEGER;
}

bool Statement::isNumber(int column) const {
  return isWhole(column) || sqlite3_column_type(statement_, column) == SQLITE_FLOAT;
}

Database::Database(const std::filesystem::path& file, Use use) : name_(file.string()) {
  if (use == Use::writing) {
    std::error_code ignored;
    std::filesystem::create_directories(file.parent_path(), ignored);
  }
  note(sqlite3_open_v2(
      name_.c_str(), &handle_,
      use == Use::looking ? SQLITE_OPEN_READONLY : SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE,
      nullptr));
  if (handle_ != nullptr) {
    sqlite3_extended_result_codes(handle_, 1);
    sqlite3_busy_timeout(handle_, patience);
  }
  run("PRAGMA foreign_keys = ON");
}

Database::~Database() {
  sqlite3_close_v2(handle_);
}

void Database::run(const char* sql) {
  if (failed_ != SQLITE_OK) return;
  note(sqlite3_exec(handle_, sql, nullptr, nullptr, nullptr));
}

std::optional<Sentence> Database::end() {
  if (failed_ == SQLITE_OK) run("COMMIT");
  if (failed_ != SQLITE_OK && handle_ != nullptr && sqlite3_get_autocommit(handle_) == 0) {
    sqlite3_exec(handle_, "ROLLBACK", nullptr, nullptr, nullptr);
  }
  return trouble();
}

bool Database::refusedRow() const {
  const int code = failed_ & 0xFF;
  return code == SQLITE_CONSTRAINT || code == SQLITE_MISMATCH || code == SQLITE_TOOBIG;
}

std::optional<Sentence> Database::trouble() {
  const int code = std::exchange(failed_, SQLITE_OK);
  if (code == SQLITE_OK) return std::nullopt;
  return inWordsOf(code, name_);
}

void Database::note(int code) {
  if (code != SQLITE_OK && failed_ == SQLITE_OK) failed_ = code;
}

}  // namespace avrelt
