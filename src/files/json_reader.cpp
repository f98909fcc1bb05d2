// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/json_reader.h"

#include <algorithm>
#include <iterator>

namespace avrelt {
namespace {

constexpr std::size_t deepest = 64;
constexpr std::size_t mostMembers = 2000;    ///< of one object
constexpr std::size_t mostThings = 500'000;  ///< objects, lists and members in all

/// Walks the text and counts lines as the parser takes them.
class CountedText {
 public:
  using iterator_category = std::input_iterator_tag;
  using value_type = char;
  using difference_type = std::ptrdiff_t;
  using pointer = const char*;
  using reference = const char&;

  CountedText(const char* at, int* line) : at_(at), line_(line) {}
  reference operator*() const { return *at_; }
  CountedText& operator++() {
    if (*at_ == '\n') ++*line_;
    ++at_;
    return *this;
  }
  bool operator==(const CountedText& other) const { return at_ == other.at_; }

 private:
  const char* at_;
  int* line_;
};

/// Builds the value while it notes lines. A member's line is that of its name: a number is only
/// known to have ended once the parser has looked past it.
class Builder : public nlohmann::json_sax<Json> {
 public:
  Builder(std::string_view text, const int* line) : text_(text), line_(line) {}

  ReadJson result;
  std::optional<ReadFault> fault;

  bool null() override { return add(nullptr); }
  bool boolean(bool value) override { return add(value); }
  bool number_integer(number_integer_t value) override { return add(value); }
  bool number_unsigned(number_unsigned_t value) override { return add(value); }
  bool number_float(number_float_t value, const string_t& /*unused*/) override {
    return add(value);
  }
  bool string(string_t& value) override { return add(std::move(value)); }
  bool binary(binary_t& /*unused*/) override { return false; }

  bool start_object(std::size_t /*unused*/) override { return open(Json::object()); }
  bool start_array(std::size_t /*unused*/) override { return open(Json::array()); }
  bool end_object() override { return shut(); }
  bool end_array() override { return shut(); }

  bool key(string_t& name) override {
    Level& level = levels_.back();
    level.member = name;
    if (level.value->size() >= mostMembers) {
      return tooMuch(
          {"There are more than %1 members in one pair of braces here; an order needs a "
           "few dozen. Take out what does not belong.",
           {static_cast<long>(mostMembers)}});
    }
    if (!note(path())) return false;
    if (level.value->contains(name)) {
      fault = ReadFault{*line_, path(), {"“%1” stands twice here. Keep one of the two.", {name}}};
      return false;
    }
    return true;
  }

  bool parse_error(std::size_t position, const std::string& token,
                   const nlohmann::detail::exception& error) override {
    if (error.id == 406) {  // a number no double holds
      fault = ReadFault{*line_, path(), {"The number %1 is too large to be meant.", {token}}};
      return false;
    }
    const std::size_t read = std::min(position, text_.size());
    // The parser stops one past the character it cannot use.
    const auto lines = std::count(
        text_.begin(), text_.begin() + static_cast<std::ptrdiff_t>(read > 0 ? read - 1 : 0), '\n');
    const bool ended = position > text_.size() ||
                       text_.find_first_not_of(" \t\r\n", read) == std::string_view::npos;
    Sentence sentence =
        text_.find_first_not_of(" \t\r\n") == std::string_view::npos
            ? Sentence{"The file is empty.", {}}
        : ended ? Sentence{"The file ends in the middle, as if it had been cut off. Take an older "
                           "copy, or add what is missing.",
                           {}}
                : Sentence{"This is not JSON from here on. A comma, a quote or a bracket is "
                           "missing or too many.",
                           {}};
    fault = ReadFault{static_cast<int>(lines) + 1, path(), std::move(sentence)};
    return false;
  }

 private:
  struct Level {
    Json* value;
    std::string path;
    std::string member;
  };

  std::string path() const {
    if (levels_.empty()) return {};
    const Level& level = levels_.back();
    if (level.value->is_array()) {
      return level.path + "[" + std::to_string(level.value->size()) + "]";
    }
    if (level.member.empty()) return level.path;
    return level.path.empty() ? level.member : level.path + "." + level.member;
  }

  template <typename Value>
  Json* put(Value&& value) {
    if (levels_.empty()) {
      result.root = std::forward<Value>(value);
      return &result.root;
    }
    Level& level = levels_.back();
    if (level.value->is_array()) {
      level.value->push_back(std::forward<Value>(value));
      return &level.value->back();
    }
    Json& member = (*level.value)[level.member];
    member = std::forward<Value>(value);
    return &member;
  }

  template <typename Value>
  bool add(Value&& value) {
    put(std::forward<Value>(value));
    return true;
  }

  bool open(Json empty) {
    const std::string where = path();
    if (levels_.size() >= deepest) {
      fault = ReadFault{*line_,
                        where.substr(0, 40),
                        {"The file nests deeper than %1 levels; an order needs six.",
                         {static_cast<long>(deepest)}}};
      return false;
    }
    if (!note(where)) return false;
    Json* opened = put(std::move(empty));
    levels_.push_back({opened, where, {}});
    return true;
  }

  bool shut() {
    levels_.pop_back();
    return true;
  }

  /// Remembers the line a thing stands on, as long as there are not too many.
  bool note(const std::string& where) {
    if (++things_ > mostThings) {
      return tooMuch(
          {"There is more in this file than any order holds, from here on over %1 "
           "things. Is it another kind of file?",
           {static_cast<long>(mostThings)}});
    }
    result.lines.note(where, *line_);
    return true;
  }

  bool tooMuch(Sentence sentence) {
    fault = ReadFault{*line_, path().substr(0, 60), std::move(sentence)};
    return false;
  }

  std::string_view text_;
  const int* line_;
  std::vector<Level> levels_;
  std::size_t things_ = 0;
};

}  // namespace

tl::expected<ReadJson, ReadFault> readJson(std::string_view text) {
  int line = 1;
  Builder builder(text, &line);
  const char* const begin = text.data();
  const bool read =
      Json::sax_parse(CountedText(begin, &line), CountedText(begin + text.size(), &line), &builder);
  if (builder.fault) return tl::unexpected(std::move(*builder.fault));
  if (!read) return tl::unexpected(ReadFault{line, {}, {"This is not JSON.", {}}});
  return std::move(builder.result);
}

}  // namespace avrelt
