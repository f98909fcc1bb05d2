// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/logbook.h"

#include <iterator>
#include <random>
#include <sstream>

#include "files/disk.h"
#include "shop/database.h"
#include "shop/supply_rows.h"
#include "shop/words_wanted.h"

namespace avrelt {
namespace {

void bindTime(Statement& statement, const std::optional<CivilTime>& time) {
  if (time) {
    statement.bind(civilText(*time));
  } else {
    statement.bindNothing();
  }
}

std::optional<StepKind> kindCalled(const std::string& name) {
  for (std::size_t i = 0; i < stepKinds; ++i) {
    if (name == stepName(static_cast<StepKind>(i))) return static_cast<StepKind>(i);
  }
  return std::nullopt;
}

/// Faults as they are written, with blanks between; their names have none.
std::string inOneLine(const std::vector<std::string>& words) {
  std::string text;
  for (const std::string& word : words) text += (text.empty() ? "" : " ") + word;
  return text;
}

std::vector<std::string> wordsOf(const std::string& text) {
  std::istringstream words(text);
  return {std::istream_iterator<std::string>(words), {}};
}

/// A row of step, words, kind, at, took, usual, method, wait, faults, from a column on; nothing
/// where it was spoilt.
std::optional<LoggedStep> stepFrom(const Statement& row, int from) {
  const std::optional<StepKind> kind = kindCalled(row.text(from + 2));
  const std::optional<CivilTime> at = parseCivil(row.text(from + 3));
  if (!kind || !at) return std::nullopt;
  return LoggedStep{row.text(from),
                    row.text(from + 1),
                    *kind,
                    *at,
                    Duration::minutes(row.number(from + 4)),
                    Duration::minutes(row.number(from + 5)),
                    {},
                    methodNamed(row.text(from + 6)),
                    Duration::minutes(row.number(from + 7)),
                    wordsOf(row.text(from + 8))};
}

/// An entry says how long its steps were worked at, and when anything was done or cut last, so that
/// a search need not look at them.
void sumUp(Database& database, const LogKey& key) {
  Statement sum(database,
                "UPDATE entries SET worked_min = (SELECT coalesce(sum(took_min), 0) FROM work"
                " WHERE order_id = ?1 AND cup_id = ?2), last = (SELECT coalesce(max(at), '') FROM"
                " (SELECT at FROM work WHERE order_id = ?1 AND cup_id = ?2 UNION ALL"
                " SELECT at FROM cut_parts WHERE order_id = ?1 AND cup_id = ?2))"
                " WHERE order_id = ?1 AND cup_id = ?2");
  sum.bind(key.order).bind(key.cup).step();
}

Sentence notThere() {
  return {"This cup is not in the log any more.", {}};
}

}  // namespace

std::optional<Sentence> Logbook::record(const LogEntry& entry, const std::string& orderText,
                                        const std::vector<LoggedStep>& steps) {
  if (entry.key.order.empty() || entry.key.cup.empty()) {
    return Sentence{"What has no id cannot be logged. Save the order and open it again.", {}};
  }
  database_->begin();
  {
    Statement put(*database_,
                  "INSERT INTO entries (order_id, cup_id, name, order_name, blank, made, begun,"
                  " finished, done, steps, price) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"
                  " ON CONFLICT (order_id, cup_id) DO UPDATE SET name = excluded.name,"
                  " order_name = excluded.order_name, blank = excluded.blank,"
                  " made = excluded.made, begun = excluded.begun, finished = excluded.finished,"
                  " done = excluded.done, steps = excluded.steps");
    put.bind(entry.key.order).bind(entry.key.cup).bind(entry.name).bind(entry.order);
    put.bind(entry.blank).bind(entry.made);
    bindTime(put, entry.begun);
    bindTime(put, entry.finished);
    put.bind(static_cast<long long>(entry.done)).bind(static_cast<long long>(entry.steps));
    // What was asked in a quote, to begin with.
    if (entry.notes.price) {
      put.bind(entry.notes.price->value());
    } else {
      put.bindNothing();
    }
    put.step();
    Statement text(*database_,
                   "INSERT INTO entry_orders (order_id, cup_id, text) VALUES (?, ?, ?)"
                   " ON CONFLICT (order_id, cup_id) DO UPDATE SET text = excluded.text");
    text.bind(entry.key.order).bind(entry.key.cup).bind(orderText).step();
  }
  for (const LoggedStep& step : steps) {
    Statement put(*database_,
                  "INSERT INTO work (order_id, cup_id, step, words, kind, at, took_min, usual_min,"
                  " method, wait_min, faults) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"
                  " ON CONFLICT (order_id, cup_id, step) DO UPDATE SET words = excluded.words,"
                  " kind = excluded.kind, at = excluded.at, took_min = excluded.took_min,"
                  " usual_min = excluded.usual_min, method = excluded.method,"
                  " wait_min = excluded.wait_min, faults = excluded.faults");
    put.bind(entry.key.order).bind(entry.key.cup).bind(step.step).bind(step.words);
    put.bind(stepName(step.kind)).bind(civilText(step.at)).bind(step.took.minutes());
    put.bind(step.usual.minutes()).bind(step.method ? methodName(*step.method) : "");
    put.bind(step.usualWait.minutes()).bind(inOneLine(step.faults)).step();
    Statement gone(*database_, "DELETE FROM uses WHERE order_id = ? AND cup_id = ? AND step = ?");
    gone.bind(entry.key.order).bind(entry.key.cup).bind(step.step).step();
    for (const SupplyUse& use : step.uses) {
      Statement used(*database_,
                     "INSERT INTO uses (order_id, cup_id, step, supply, at, amount, over_mm2)"
                     " VALUES (?, ?, ?, ?, ?, ?, ?)");
      used.bind(entry.key.order).bind(entry.key.cup).bind(step.step).bind(use.supply);
      used.bind(civilText(use.at)).bind(use.amount.units());
      if (use.over) {
        used.bind(use.over->mm2());
      } else {
        used.bindNothing();
      }
      used.step();
    }
  }
  sumUp(*database_, entry.key);
  return database_->end();
}

std::optional<Sentence> Logbook::forgetStep(const LogKey& key, const std::string& step) {
  database_->begin();
  for (const char* sql : {"DELETE FROM work WHERE order_id = ? AND cup_id = ? AND step = ?",
                          "DELETE FROM uses WHERE order_id = ? AND cup_id = ? AND step = ?"}) {
    Statement gone(*database_, sql);
    gone.bind(key.order).bind(key.cup).bind(step).step();
  }
  sumUp(*database_, key);
  return database_->end();
}

std::optional<Sentence> Logbook::note(const LogKey& key, const LogNotes& notes) {
  if (notes.price && !(notes.price->value() >= 0)) {
    return Sentence{"A price is from 0 on.", {}};
  }
  database_->begin();
  bool there = false;
  {
    Statement put(*database_,
                  "UPDATE entries SET whom = ?, price = ?, faults = ?, notes = ?"
                  " WHERE order_id = ? AND cup_id = ? RETURNING 1");
    put.bind(notes.whom);
    if (notes.price) {
      put.bind(notes.price->value());
    } else {
      put.bindNothing();
    }
    put.bind(notes.faults).bind(notes.notes).bind(key.order).bind(key.cup);
    there = put.step();
    if (there) put.step();
  }
  if (std::optional<Sentence> trouble = database_->end()) return trouble;
  if (!there) return notThere();
  return std::nullopt;
}

std::optional<Sentence> Logbook::remove(const LogKey& key) {
  const auto photos = photosOf(key);
  if (!photos) return photos.error();
  database_->begin();
  for (const char* sql : {"DELETE FROM entries WHERE order_id = ? AND cup_id = ?",
                          "DELETE FROM entry_orders WHERE order_id = ? AND cup_id = ?",
                          "DELETE FROM work WHERE order_id = ? AND cup_id = ?",
                          "DELETE FROM cut_parts WHERE order_id = ? AND cup_id = ?",
                          "DELETE FROM photos WHERE order_id = ? AND cup_id = ?"}) {
    Statement gone(*database_, sql);
    gone.bind(key.order).bind(key.cup).step();
  }
  if (std::optional<Sentence> trouble = database_->end()) return trouble;
  std::error_code ignored;
  for (const LogPhoto& photo : *photos) std::filesystem::remove(fileOf(photo), ignored);
  return std::nullopt;
}

tl::expected<std::vector<LogEntry>, Sentence> Logbook::find(const std::string& wanted) {
  const std::vector<std::string> patterns = patternsOf(wanted);
  std::string sql =
      "SELECT order_id, cup_id, name, order_name, blank, made, begun, finished, done, steps, whom,"
      " price, faults, notes, worked_min FROM entries";
  for (std::size_t i = 0; i < patterns.size(); ++i) {
    sql += i == 0 ? " WHERE" : " AND";
    sql +=
        " (name || ' ' || order_name || ' ' || blank || ' ' || made || ' ' || whom || ' ' || faults"
        " || ' ' || notes) LIKE ? ESCAPE '\\'";
  }
  sql += " ORDER BY last DESC, begun DESC, name COLLATE NOCASE, cup_id";
  std::vector<LogEntry> found;
  {
    Statement rows(*database_, sql.c_str());
    for (const std::string& pattern : patterns) rows.bind(pattern);
    while (rows.step()) {
      LogEntry entry;
      entry.key = {rows.text(0), rows.text(1)};
      entry.name = rows.text(2);
      entry.order = rows.text(3);
      entry.blank = rows.text(4);
      entry.made = rows.text(5);
      entry.begun = parseCivil(rows.text(6));
      entry.finished = parseCivil(rows.text(7));
      entry.done = static_cast<int>(rows.whole(8));
      entry.steps = static_cast<int>(rows.whole(9));
      entry.notes.whom = rows.text(10);
      if (!rows.nothing(11)) entry.notes.price = Money::of(rows.number(11));
      entry.notes.faults = rows.text(12);
      entry.notes.notes = rows.text(13);
      entry.worked = Duration::minutes(rows.number(14));
      found.push_back(std::move(entry));
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return found;
}

tl::expected<std::string, Sentence> Logbook::orderText(const LogKey& key) {
  std::string text;
  bool there = false;
  {
    Statement row(*database_, "SELECT text FROM entry_orders WHERE order_id = ? AND cup_id = ?");
    row.bind(key.order).bind(key.cup);
    there = row.step();
    if (there) text = row.text(0);
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  if (!there) return tl::unexpected(notThere());
  return text;
}

tl::expected<std::vector<LoggedStep>, Sentence> Logbook::stepsOf(const LogKey& key) {
  std::vector<LoggedStep> steps;
  {
    Statement rows(*database_,
                   "SELECT step, words, kind, at, took_min, usual_min, method, wait_min, faults"
                   " FROM work"
                   " WHERE order_id = ? AND cup_id = ? ORDER BY at, rowid");
    rows.bind(key.order).bind(key.cup);
    while (rows.step()) {
      if (auto step = stepFrom(rows, 0)) steps.push_back(std::move(*step));
    }
    Statement uses(*database_,
                   "SELECT u.step, u.supply, u.at, u.amount, u.over_mm2, s.kind FROM uses u"
                   " JOIN supplies s ON s.id = u.supply"
                   " WHERE u.order_id = ? AND u.cup_id = ? ORDER BY u.rowid");
    uses.bind(key.order).bind(key.cup);
    while (uses.step()) {
      const auto use = useFrom(uses, 1);
      for (LoggedStep& step : steps) {
        if (use && step.step == uses.text(0)) step.uses.push_back(*use);
      }
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return steps;
}

tl::expected<std::map<LogKey, Logbook::Taken>, Sentence> Logbook::allTaken() {
  std::map<LogKey, Taken> all;
  {
    Statement uses(
        *database_,
        "SELECT u.order_id, u.cup_id, u.supply, u.at, u.amount, u.over_mm2, s.kind FROM uses u"
        " JOIN supplies s ON s.id = u.supply");
    while (uses.step()) {
      if (auto use = useFrom(uses, 2)) {
        all[{uses.text(0), uses.text(1)}].uses.push_back(std::move(*use));
      }
    }
    Statement cuts(*database_, "SELECT order_id, cup_id, film, film_name, area_mm2 FROM cut_parts");
    while (cuts.step()) {
      all[{cuts.text(0), cuts.text(1)}].films.push_back(
          {cuts.whole(2), cuts.text(3), Area::mm2(cuts.number(4))});
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return all;
}

tl::expected<std::vector<StepWork>, Sentence> Logbook::allWork() {
  std::vector<StepWork> all;
  {
    Statement rows(*database_,
                   "SELECT w.step, w.words, w.kind, w.at, w.took_min, w.usual_min, w.method,"
                   " w.wait_min, w.faults, w.order_id, w.cup_id, coalesce(e.name, '') FROM work w "
                   "LEFT JOIN entries e"
                   " ON e.order_id = w.order_id AND e.cup_id = w.cup_id ORDER BY w.at, w.rowid");
    while (rows.step()) {
      const auto step = stepFrom(rows, 0);
      if (!step) continue;
      const std::string name = rows.text(11);
      const std::string cup = rows.text(9) + "/" + rows.text(10);
      all.push_back({cup + "/" + step->step, name.empty() ? step->words : name + ": " + step->words,
                     step->kind, step->at, step->took, step->usual, cup, step->method,
                     step->usualWait, step->faults, name});
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return all;
}

std::optional<Sentence> Logbook::keepCut(const LogKey& key, const CutKept& cut) {
  database_->begin();
  {
    Statement put(*database_,
                  "INSERT INTO cut_parts (order_id, cup_id, purpose, title, at, file, svg, film,"
                  " film_name, area_mm2) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)"
                  " ON CONFLICT (order_id, cup_id, purpose, title) DO UPDATE SET at = excluded.at,"
                  " file = excluded.file, svg = excluded.svg, film = excluded.film,"
                  " film_name = excluded.film_name, area_mm2 = excluded.area_mm2");
    put.bind(key.order).bind(key.cup).bind(cut.purpose).bind(cut.title).bind(civilText(cut.at));
    put.bind(cut.file).bind(cut.svg).bind(cut.film.film).bind(cut.film.name);
    put.bind(cut.film.area.mm2()).step();
  }
  sumUp(*database_, key);
  return database_->end();
}

namespace {

CutKept cutFrom(const Statement& row) {
  CutKept cut;
  cut.key = row.whole(0);
  cut.purpose = row.text(1);
  cut.title = row.text(2);
  cut.at = parseCivil(row.text(3)).value_or(CivilTime());
  cut.file = row.text(4);
  cut.film = {row.whole(5), row.text(6), Area::mm2(row.number(7))};
  return cut;
}

}  // namespace

tl::expected<std::vector<CutKept>, Sentence> Logbook::cutsOf(const LogKey& key) {
  std::vector<CutKept> cuts;
  {
    Statement rows(*database_,
                   "SELECT id, purpose, title, at, file, film, film_name, area_mm2 FROM cut_parts"
                   " WHERE order_id = ? AND cup_id = ? ORDER BY at, id");
    rows.bind(key.order).bind(key.cup);
    while (rows.step()) cuts.push_back(cutFrom(rows));
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return cuts;
}

tl::expected<CutKept, Sentence> Logbook::cut(long long key) {
  CutKept cut;
  bool there = false;
  {
    Statement row(*database_,
                  "SELECT id, purpose, title, at, file, film, film_name, area_mm2, svg"
                  " FROM cut_parts WHERE id = ?");
    row.bind(key);
    there = row.step();
    if (there) {
      cut = cutFrom(row);
      cut.svg = row.text(8);
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  if (!there) return tl::unexpected(Sentence{"These parts are not in the log any more.", {}});
  return cut;
}

std::optional<Sentence> Logbook::forgetCut(const LogKey& key, const std::string& purpose,
                                           const std::string& title) {
  database_->begin();
  {
    Statement gone(*database_,
                   "DELETE FROM cut_parts WHERE order_id = ? AND cup_id = ? AND purpose = ?"
                   " AND title = ?");
    gone.bind(key.order).bind(key.cup).bind(purpose).bind(title).step();
  }
  return database_->end();
}

tl::expected<long long, Sentence> Logbook::addPhoto(const LogKey& key, const std::string& jpeg,
                                                    const std::string& caption, CivilTime taken) {
  std::error_code error;
  std::filesystem::create_directories(photos_, error);
  std::random_device chance;
  static constexpr std::string_view digits = "0123456789abcdef";
  std::string file;
  constexpr int letters = 16;
  for (int i = 0; i < letters; ++i) file += digits[chance() % digits.size()];
  file += ".jpg";
  if (std::optional<Sentence> fault = writeFile(photos_ / file, jpeg)) {
    return tl::unexpected(*fault);
  }
  database_->begin();
  long long made = 0;
  {
    Statement add(*database_,
                  "INSERT INTO photos (order_id, cup_id, file, caption, taken)"
                  " SELECT ?, ?, ?, ?, ? WHERE EXISTS"
                  " (SELECT 1 FROM entries WHERE order_id = ? AND cup_id = ?) RETURNING id");
    add.bind(key.order).bind(key.cup).bind(file).bind(caption).bind(civilText(taken));
    add.bind(key.order).bind(key.cup);
    if (add.step()) {
      made = add.whole(0);
      add.step();
    }
  }
  std::optional<Sentence> trouble = database_->end();
  if (!trouble && made == 0) trouble = notThere();
  if (trouble) {
    std::filesystem::remove(photos_ / file, error);
    return tl::unexpected(*trouble);
  }
  return made;
}

tl::expected<std::vector<LogPhoto>, Sentence> Logbook::photosOf(const LogKey& key) {
  std::vector<LogPhoto> photos;
  {
    Statement rows(*database_,
                   "SELECT id, file, caption, taken FROM photos WHERE order_id = ? AND cup_id = ?"
                   " ORDER BY taken, id");
    rows.bind(key.order).bind(key.cup);
    while (rows.step()) {
      const std::string file = rows.text(1);
      // A name that leads out of the folder is none of ours.
      if (std::filesystem::path(file).filename().string() != file) continue;
      photos.push_back(
          {rows.whole(0), file, rows.text(2), parseCivil(rows.text(3)).value_or(CivilTime())});
    }
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return photos;
}

std::optional<Sentence> Logbook::removePhoto(long long key) {
  database_->begin();
  std::string file;
  {
    Statement gone(*database_, "DELETE FROM photos WHERE id = ? RETURNING file");
    gone.bind(key);
    if (gone.step()) {
      file = gone.text(0);
      gone.step();
    }
  }
  if (std::optional<Sentence> trouble = database_->end()) return trouble;
  std::error_code ignored;
  if (!file.empty() && std::filesystem::path(file).filename().string() == file) {
    std::filesystem::remove(photos_ / file, ignored);
  }
  return std::nullopt;
}

tl::expected<std::set<std::string>, Sentence> Logbook::leftOut() {
  std::set<std::string> out;
  {
    Statement rows(*database_, "SELECT observation FROM left_out");
    while (rows.step()) out.insert(rows.text(0));
  }
  if (std::optional<Sentence> trouble = database_->trouble()) return tl::unexpected(*trouble);
  return out;
}

std::optional<Sentence> Logbook::leaveOut(const std::string& observation, bool out) {
  database_->begin();
  {
    Statement put(*database_, out ? "INSERT OR IGNORE INTO left_out (observation) VALUES (?)"
                                  : "DELETE FROM left_out WHERE observation = ?");
    put.bind(observation).step();
  }
  return database_->end();
}

}  // namespace avrelt
