// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <map>
#include <optional>
#include <set>
#include <string>
#include <tl/expected.hpp>
#include <vector>

#include "log/cost.h"
#include "log/learning.h"

namespace avrelt {

class Database;

/// Of which cup of which order something was logged, by ids that last.
struct LogKey {
  std::string order;
  std::string cup;

  friend auto operator<=>(const LogKey&, const LogKey&) = default;
};

/// What a maker says of a cup that was made; nobody else knows it.
struct LogNotes {
  std::string whom;              ///< it was made for
  std::optional<Money> price{};  ///< it was sold for
  std::string faults;            ///< seen, and what was tried
  std::string notes;

  friend bool operator==(const LogNotes&, const LogNotes&) = default;
};

/// A cup in the log: written by working at it.
struct LogEntry {
  LogKey key;
  std::string name;
  std::string order;  ///< what the order is called
  std::string blank;
  std::string made;  ///< coats, colours, glitters, in words: what is searched too
  std::optional<CivilTime> begun{};
  std::optional<CivilTime> finished{};
  int done = 0;  ///< steps
  int steps = 0;
  LogNotes notes{};
  Duration worked{};  ///< all its steps together

  friend bool operator==(const LogEntry&, const LogEntry&) = default;
};

/// A step that was done, as it is logged.
struct LoggedStep {
  std::string step;
  std::string words;
  StepKind kind = StepKind::clean;
  CivilTime at;
  Duration took;
  Duration usual;
  std::vector<SupplyUse> uses{};
  std::optional<MethodKind> method{};
  Duration usualWait{};
  std::vector<std::string> faults{};  ///< by the names looks know them by

  friend bool operator==(const LoggedStep&, const LoggedStep&) = default;
};

/// Parts as they were cut: the drawing that was sent, to be cut again at just that size.
struct CutKept {
  long long key = 0;
  std::string purpose;
  std::string title;
  CivilTime at;
  std::string file;  ///< what the drawing is called
  std::string svg;   ///< empty where a list is asked for
  FilmUse film{};

  friend bool operator==(const CutKept&, const CutKept&) = default;
};

struct LogPhoto {
  long long key = 0;
  std::string file;  ///< in the shop's folder of photos
  std::string caption;
  CivilTime taken;
};

/// What was made, with what, for whom, for how much. Part of a shop, and lives no longer than it.
/// Every change is one transaction; failures come back in words and change nothing.
class Logbook {
 public:
  /// Photos are kept as files in a folder of their own.
  Logbook(Database& database, std::filesystem::path photos)
      : database_(&database), photos_(std::move(photos)) {}

  /// Writes how a cup stands and its order as it is now, all that is in `entry` but the maker's
  /// notes, which are kept (of a cup not logged yet the price is taken); and steps that were done,
  /// those there before under the same id included.
  std::optional<Sentence> record(const LogEntry& entry, const std::string& orderText,
                                 const std::vector<LoggedStep>& steps);
  /// A step that was taken back, and what it had used.
  std::optional<Sentence> forgetStep(const LogKey& key, const std::string& step);
  std::optional<Sentence> note(const LogKey& key, const LogNotes& notes);
  /// Takes a cup out of the log, its photos too. What it used stays used.
  std::optional<Sentence> remove(const LogKey& key);

  /// Those that have every word of `wanted` in their name, order, blank, what they were made with,
  /// for whom, and notes, capitals or not; the one worked at last first.
  tl::expected<std::vector<LogEntry>, Sentence> find(const std::string& wanted);
  tl::expected<std::string, Sentence> orderText(const LogKey& key);
  /// In the order they were done.
  tl::expected<std::vector<LoggedStep>, Sentence> stepsOf(const LogKey& key);
  /// What went into every cup, for summing up.
  struct Taken {
    std::vector<SupplyUse> uses;
    std::vector<FilmUse> films;
  };
  tl::expected<std::map<LogKey, Taken>, Sentence> allTaken();
  /// All that was ever done, for learning.
  tl::expected<std::vector<StepWork>, Sentence> allWork();

  /// What was cut for a cup, the newest of the same parts in the place of the one before.
  std::optional<Sentence> keepCut(const LogKey& key, const CutKept& cut);
  /// Without their drawings.
  tl::expected<std::vector<CutKept>, Sentence> cutsOf(const LogKey& key);
  tl::expected<CutKept, Sentence> cut(long long key);
  /// Parts that were said not to be cut after all.
  std::optional<Sentence> forgetCut(const LogKey& key, const std::string& purpose,
                                    const std::string& title);

  /// Keeps a photo, a JPEG file's bytes, and tells its key.
  tl::expected<long long, Sentence> addPhoto(const LogKey& key, const std::string& jpeg,
                                             const std::string& caption, CivilTime taken);
  tl::expected<std::vector<LogPhoto>, Sentence> photosOf(const LogKey& key);
  std::optional<Sentence> removePhoto(long long key);
  /// Where it is; the file may be gone.
  std::filesystem::path fileOf(const LogPhoto& photo) const { return photos_ / photo.file; }

  /// Observations the maker leaves out of a figure, by their keys.
  tl::expected<std::set<std::string>, Sentence> leftOut();
  std::optional<Sentence> leaveOut(const std::string& observation, bool out);

 private:
  Database* database_;
  std::filesystem::path photos_;
};

}  // namespace avrelt
