// SPDX-License-Identifier: GPL-3.0-or-later
#include "shop/shelf_csv.h"

#include <csv.h>

#include <algorithm>
#include <array>
#include <map>

#include "measure/tape.h"
#include "measure/utf8.h"
#include "shop/csv_text.h"

namespace avrelt {
namespace {

constexpr std::size_t mostFaults = 50;

constexpr std::array<const char*, 9> columnNames{
    "name", "capacity", "notes", "height_along", "joined", "fillet", "at", "around", "across"};
enum Column { name, capacity, notes, heightAlong, joined, fillet, at, around, across, columns };

struct CsvRow {
  int line = 0;
  std::vector<std::string> cells;
};

/// The table as libcsv takes it apart. Quoted line feeds count, so that lines are those of the
/// file.
struct Parsed {
  std::vector<CsvRow> rows;
  CsvRow row;
  int line = 1;
  int ending = 0;  ///< the last character that ended a row
};

void onCell(void* bytes, std::size_t size, void* into) {
  auto& parsed = *static_cast<Parsed*>(into);
  if (parsed.row.cells.empty()) parsed.row.line = parsed.line;
  std::string cell(static_cast<const char*>(bytes), size);
  parsed.line += static_cast<int>(std::count(cell.begin(), cell.end(), '\n'));
  parsed.row.cells.push_back(std::move(cell));
}

void onRow(int ending, void* into) {
  auto& parsed = *static_cast<Parsed*>(into);
  // A carriage return and the line feed behind it end one line, though two rows.
  const bool second = parsed.ending == '\r' && ending == '\n' && parsed.row.cells.empty();
  parsed.ending = second ? 0 : ending;
  if (second) return;
  parsed.rows.push_back(std::move(parsed.row));
  parsed.row = {};
  ++parsed.line;
}

char delimiterOf(std::string_view text) {
  const std::string_view first = text.substr(0, text.find('\n'));
  char best = ',';
  long most = 0;
  for (const char candidate : {',', ';', '\t'}) {
    const long count = std::count(first.begin(), first.end(), candidate);
    if (count > most) {
      most = count;
      best = candidate;
    }
  }
  return best;
}

std::vector<CsvRow> parse(std::string_view text) {
  csv_parser parser;
  if (csv_init(&parser, CSV_APPEND_NULL | CSV_REPALL_NL) != 0) return {};
  csv_set_delim(&parser, static_cast<unsigned char>(delimiterOf(text)));
  Parsed parsed;
  csv_parse(&parser, text.data(), text.size(), onCell, onRow, &parsed);
  csv_fini(&parser, onCell, onRow, &parsed);
  csv_free(&parser);
  return std::move(parsed.rows);
}

/// The line with the first byte that is no UTF-8; 0 where all of it is.
int lineNotUtf8(std::string_view text) {
  int line = 1;
  while (!text.empty()) {
    const std::size_t length = characterLength(text);
    if (length == 0) return line;
    if (text.front() == '\n') ++line;
    text.remove_prefix(length);
  }
  return 0;
}

std::string lower(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(), [](char c) {
    return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c == ' ' ? '_' : c;
  });
  return text;
}

class Reader {
 public:
  explicit Reader(std::vector<CsvRow> rows) : rows_(std::move(rows)) {}

  tl::expected<std::vector<ShelfBlank>, ReadFaults> read() {
    // Blank lines say nothing.
    std::erase_if(rows_, [](const CsvRow& row) {
      return std::all_of(row.cells.begin(), row.cells.end(),
                         [](const std::string& cell) { return cell.empty(); });
    });
    if (rows_.empty()) {
      fault(0, "", {"The table is empty. Its first row names the columns: name, at, around.", {}});
    } else {
      readHeader();
    }
    for (std::size_t i = 1; faults_.size() < mostFaults && found_ && i < rows_.size(); ++i) {
      readRow(rows_[i]);
    }
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    return std::move(blanks_);
  }

 private:
  void fault(int line, const char* field, Sentence sentence) {
    faults_.push_back({line, field, std::move(sentence)});
  }

  void readHeader() {
    place_.fill(-1);
    const CsvRow& header = rows_.front();
    for (std::size_t i = 0; i < header.cells.size(); ++i) {
      const std::string cell = lower(header.cells[i]);
      for (std::size_t column = 0; column < columnNames.size(); ++column) {
        if (cell == columnNames[column]) place_[column] = static_cast<int>(i);
      }
    }
    for (const Column wanted : {name, at}) {
      if (place_[wanted] < 0) {
        fault(header.line, columnNames[wanted],
              {"The column “%1” is missing. The first row has to name it.",
               {std::string(columnNames[wanted])}});
      }
    }
    if (place_[around] < 0 && place_[across] < 0) {
      fault(header.line, "around",
            {"Neither “around” nor “across” is among the columns. One of them has to be.", {}});
    }
    found_ = faults_.empty();
  }

  std::string cell(const CsvRow& row, Column column) const {
    const int at = place_[column];
    if (at < 0 || static_cast<std::size_t>(at) >= row.cells.size()) return {};
    const std::string& text = row.cells[static_cast<std::size_t>(at)];
    // The apostrophe it was written with, to be a text to a spreadsheet.
    return !text.empty() && text[0] == '\'' && looksLikeFormula(text) ? text.substr(1) : text;
  }

  std::optional<WrittenLength> length(const CsvRow& row, Column column) {
    const std::string text = cell(row, column);
    if (text.empty()) return std::nullopt;
    Checked<WrittenLength> read = writtenSize(text, Unit::mm);
    if (read) return std::move(*read);
    fault(row.line, columnNames[column], read.error().sentence);
    return std::nullopt;
  }

  template <typename Choice>
  void choice(const CsvRow& row, Column column,
              const std::array<std::pair<const char*, Choice>, 2>& of, Choice& target) {
    const std::string text = lower(cell(row, column));
    if (text.empty()) return;
    for (const auto& [word, meaning] : of) {
      if (text == word) {
        target = meaning;
        return;
      }
    }
    fault(row.line, columnNames[column],
          {"Here %1 or %2 is wanted.", {std::string(of[0].first), std::string(of[1].first)}});
  }

  void readRow(const CsvRow& row) {
    const std::string called = cell(row, name);
    if (called.empty()) {
      fault(row.line, "name",
            {"The row has no name. Repeat the blank's name in each of its rows.", {}});
      return;
    }
    const auto known = index_.find(lower(called));
    const bool first = known == index_.end();
    if (first) {
      index_[lower(called)] = blanks_.size();
      blanks_.emplace_back();
      blanks_.back().blank.name = called;
    }
    ShelfBlank& shelved = first ? blanks_.back() : blanks_[known->second];
    if (first) readOnce(row, shelved);
    Station station;
    const std::optional<WrittenLength> height = length(row, at);
    if (height) {
      station.at = *height;
    } else if (cell(row, at).empty()) {
      fault(row.line, "at", {"The row has no height. Give it in “at”, 0 for the base edge.", {}});
    }
    std::optional<WrittenLength> round = length(row, around);
    std::optional<WrittenLength> wide = length(row, across);
    if (round && wide) {
      fault(row.line, "across",
            {"The row has both “around” and “across”. Keep the one measured.", {}});
    }
    if (wide) station.girthIs = Girth::across;
    station.girth = wide ? std::move(wide) : std::move(round);
    shelved.blank.stations.push_back(std::move(station));
  }

  void readOnce(const CsvRow& row, ShelfBlank& shelved) {
    shelved.notes = cell(row, notes);
    choice<HeightAlong>(row, heightAlong,
                        {{{"wall", HeightAlong::wall}, {"plumb", HeightAlong::plumb}}},
                        shelved.blank.heightAlong);
    choice<Joined>(row, joined, {{{"straight", Joined::straight}, {"smooth", Joined::smooth}}},
                   shelved.blank.joined);
    if (std::optional<WrittenLength> read = length(row, fillet)) shelved.blank.fillet = *read;
    const std::string holds = cell(row, capacity);
    if (holds.empty()) return;
    const Checked<Volume> read = parseVolume(holds);
    if (read) {
      shelved.capacity = *read;
    } else {
      fault(row.line, "capacity", read.error().sentence);
    }
  }

  std::vector<CsvRow> rows_;
  std::array<int, columns> place_{};
  bool found_ = false;
  std::vector<ShelfBlank> blanks_;
  std::map<std::string, std::size_t> index_;
  ReadFaults faults_;
};

std::string lengthCell(const WrittenLength& length) {
  if (!length.text.empty()) return length.text;
  return decimalText(length.length, Unit::mm, 6);
}

}  // namespace

tl::expected<std::vector<ShelfBlank>, ReadFaults> readShelfCsv(std::string_view text) {
  constexpr std::string_view mark = "\xEF\xBB\xBF";
  if (text.substr(0, mark.size()) == mark) text.remove_prefix(mark.size());
  if (const int line = lineNotUtf8(text); line != 0) {
    return tl::unexpected(ReadFaults{
        {line,
         {},
         {"The table is not written in UTF-8. Save it again as “CSV UTF-8” and bring that in.",
          {}}}});
  }
  return Reader(parse(text)).read();
}

std::string writeShelfCsv(const std::vector<ShelfBlank>& blanks) {
  std::string csv;
  for (std::size_t i = 0; i < columnNames.size(); ++i) {
    csv += (i == 0 ? "" : ",") + std::string(columnNames[i]);
  }
  csv += "\r\n";
  for (const ShelfBlank& shelved : blanks) {
    const Blank& blank = shelved.blank;
    for (const Station& station : blank.stations) {
      const std::string girth = station.girth ? lengthCell(*station.girth) : std::string();
      const bool round = station.girthIs == Girth::around;
      const std::array<std::string, columns> cells{
          blank.name,
          shelved.capacity ? volumeText(*shelved.capacity) : std::string(),
          shelved.notes,
          blank.heightAlong == HeightAlong::wall ? "wall" : "plumb",
          blank.joined == Joined::straight ? "straight" : "smooth",
          blank.fillet.length > Length() ? lengthCell(blank.fillet) : std::string(),
          lengthCell(station.at),
          round ? girth : std::string(),
          round ? std::string() : girth};
      for (std::size_t i = 0; i < cells.size(); ++i) csv += (i == 0 ? "" : ",") + csvCell(cells[i]);
      csv += "\r\n";
    }
  }
  return csv;
}

}  // namespace avrelt
