// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

namespace avrelt {

/// The declarations of a style: property to value, both without blanks round them.
using Declarations = std::map<std::string, std::string, std::less<>>;

/// "fill: none; stroke: #000".
Declarations declarationsIn(std::string_view text);

/// The rules of a style sheet that name an element, a class or an id, alone ("path", ".line",
/// "#edge") or several with commas between; other selectors say nothing here.
class StyleSheet {
 public:
  void add(std::string_view text);
  /// What is declared for an element, the more exact last: by name, by class, by id.
  Declarations of(std::string_view element, std::string_view classes, std::string_view id) const;
  /// Whether there were more selectors than are taken; the first 10 000 are.
  bool tooMany() const { return tooMany_; }

 private:
  /// By selector what is declared for it, in order; selectors of one rule have its declarations in
  /// common.
  std::map<std::string, std::vector<std::shared_ptr<const Declarations>>, std::less<>> rules_;
  std::size_t selectors_ = 0;
  bool tooMany_ = false;
};

}  // namespace avrelt
