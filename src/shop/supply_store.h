// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <tl/expected.hpp>

#include "log/supply.h"

namespace avrelt {

class Database;

/// The supplies a shop has, what was counted and bought of them, and what steps that were done have
/// used. Part of a shop, and lives no longer than it. Every change is one transaction; failures
/// come back in words and change nothing.
class SupplyStore {
 public:
  explicit SupplyStore(Database& database) : database_(&database) {}

  /// By name; those that were taken away too, as past orders refer to them. What was spoilt by hand
  /// is left out.
  tl::expected<SupplyShelf, Sentence> all();
  /// Puts one on the shelf, a new one with no id, and tells its id. Refused where `faultOf` says
  /// why, and under the name of another that is there.
  tl::expected<std::string, Sentence> put(const Supply& supply);
  /// Takes it from the shelf. What used it still knows it.
  std::optional<Sentence> remove(const std::string& id);
  /// Notes what was counted or came in, and tells its key. Refused: amounts below nothing, or by
  /// another measure than the supply's; a supply that is not there.
  tl::expected<long long, Sentence> note(const SupplyEvent& event);
  std::optional<Sentence> forget(long long event);

 private:
  Database* database_;
};

}  // namespace avrelt
