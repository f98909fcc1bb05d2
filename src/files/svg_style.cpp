// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg_style.h"

namespace avrelt {
namespace {

constexpr std::string_view blanks = " \t\r\n\f";
constexpr std::size_t mostSelectors = 10'000;

std::string_view trimmed(std::string_view text) {
  const std::size_t from = text.find_first_not_of(blanks);
  if (from == std::string_view::npos) return {};
  return text.substr(from, text.find_last_not_of(blanks) - from + 1);
}

/// Calls with each part of a text between separators.
template <typename Call>
void split(std::string_view text, std::string_view separators, const Call& call) {
  while (!text.empty()) {
    const std::size_t end = text.find_first_of(separators);
    const std::string_view part = trimmed(text.substr(0, end));
    if (!part.empty()) call(part);
    if (end == std::string_view::npos) return;
    text.remove_prefix(end + 1);
  }
}

std::string withoutComments(std::string_view text) {
  std::string rest;
  while (!text.empty()) {
    const std::size_t from = text.find("/*");
    rest += text.substr(0, from);
    if (from == std::string_view::npos) break;
    const std::size_t end = text.find("*/", from + 2);
    if (end == std::string_view::npos) break;
    text.remove_prefix(end + 2);
  }
  return rest;
}

}  // namespace

Declarations declarationsIn(std::string_view text) {
  Declarations found;
  split(text, ";", [&](std::string_view part) {
    const std::size_t colon = part.find(':');
    if (colon == std::string_view::npos) return;
    std::string_view value = trimmed(part.substr(colon + 1));
    if (const std::size_t bang = value.find('!'); bang != std::string_view::npos) {
      value = trimmed(value.substr(0, bang));
    }
    found.insert_or_assign(std::string(trimmed(part.substr(0, colon))), std::string(value));
  });
  return found;
}

void StyleSheet::add(std::string_view text) {
  const std::string plain = withoutComments(text);
  std::string_view rest = plain;
  while (!tooMany_) {
    const std::size_t open = rest.find('{');
    if (open == std::string_view::npos) return;
    const std::size_t close = rest.find('}', open);
    const std::string_view inside =
        rest.substr(open + 1, close == std::string_view::npos ? close : close - open - 1);
    const auto declared = std::make_shared<const Declarations>(declarationsIn(inside));
    split(rest.substr(0, open), ",", [&](std::string_view selector) {
      tooMany_ = tooMany_ || ++selectors_ > mostSelectors;
      if (!tooMany_) rules_[std::string(selector)].push_back(declared);
    });
    if (close == std::string_view::npos) return;
    rest.remove_prefix(close + 1);
  }
}

Declarations StyleSheet::of(std::string_view element, std::string_view classes,
                            std::string_view id) const {
  Declarations all;
  if (rules_.empty()) return all;
  const auto take = [&](std::string_view selector) {
    const auto found = rules_.find(selector);
    if (found == rules_.end()) return;
    for (const auto& rule : found->second) {
      for (const auto& [name, value] : *rule) all.insert_or_assign(name, value);
    }
  };
  take("*");
  take(element);
  split(classes, blanks, [&](std::string_view one) { take("." + std::string(one)); });
  if (!id.empty()) take("#" + std::string(id));
  return all;
}

}  // namespace avrelt
