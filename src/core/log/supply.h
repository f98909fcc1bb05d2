// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>
#include <vector>

#include "bench/civil_time.h"
#include "bench/step.h"
#include "log/amount.h"
#include "measure/money.h"
#include "pattern/fill.h"

namespace avrelt {

/// What is mixed, shaken, brushed or laid, but film.
enum class SupplyKind { resin, glitter, paint, ink, glue, sealer, tape, other };
inline constexpr std::size_t supplyKinds = 8;
/// "resin", "glitter" …: as files write it.
const char* supplyKindName(SupplyKind kind);
std::optional<SupplyKind> supplyKindOf(std::string_view name);
/// Glitter by weight, tape by length, all else by volume.
MeasuredBy measuredBy(SupplyKind kind);

/// Something the shop uses up. Designs refer to it by its id.
struct Supply {
  std::string id;  ///< lasting, and no other shop's
  std::string name;
  SupplyKind kind = SupplyKind::glitter;
  std::string colour;                  ///< #RRGGBB; empty where it has none
  std::optional<MethodKind> method{};  ///< that it is what is put on by
  Money price{};                       ///< of 100 g, 100 ml or a metre; 0 where it is not known
  Amount low{};                        ///< with less than this it is to be bought
  std::string lot;                     ///< of the one in use
  std::string thinning;                ///< how much of what goes into it, in the maker's words
  std::string notes;
  bool gone = false;  ///< taken from the shelf; past orders still know it

  MeasuredBy by() const { return measuredBy(kind); }
  Money priceOf(const Amount& amount) const;
  friend bool operator==(const Supply&, const Supply&) = default;
};
/// Why a supply cannot be so, by its field: "name", "colour", "price", "low".
std::optional<Fault> faultOf(const Supply& supply);

/// What was counted there, or came in.
struct SupplyEvent {
  enum class Kind { counted, bought } kind = Kind::counted;
  long long key = 0;  ///< the shop's
  std::string supply;
  CivilTime at;
  Amount amount;
  Money paid{};

  friend bool operator==(const SupplyEvent&, const SupplyEvent&) = default;
};

/// What a step that was done took of it.
struct SupplyUse {
  std::string supply;
  CivilTime at;
  Amount amount;
  std::optional<Area> over{};  ///< the area it was reckoned for, times coats, where it goes by that

  friend bool operator==(const SupplyUse&, const SupplyUse&) = default;
};

/// The supplies of a shop, and what became of them.
struct SupplyShelf {
  std::vector<Supply> supplies;
  std::vector<SupplyEvent> events;
  std::vector<SupplyUse> uses;

  /// Also one that is gone.
  const Supply* called(const std::string& id) const;
  /// The one in use for a method: of those that are for it the first by name with some left, else
  /// the first.
  const Supply* forMethod(MethodKind method) const;
};

/// How a supply stands: the last count, and what came in and was used since.
struct SupplyLevel {
  Amount there;     ///< below nothing, where more was used than there should have been
  Amount reserved;  ///< by what is planned and not done
  bool counted = false;
  std::optional<CivilTime> lastCounted{};
  bool low = false;        ///< less than its maker wants
  bool empty = false;      ///< below nothing: it is to be counted
  bool tooLittle = false;  ///< for what is planned

  Amount left() const { return there - reserved; }
};
SupplyLevel levelOf(const SupplyShelf& shelf, const Supply& supply, const Amount& reserved);

/// What a step takes, by supplies; what goes by none the shop knows is told apart.
struct StepUse {
  std::vector<SupplyUse> of;
  std::vector<MixPart> unknown;
};
/// Reckons what steps take of the supplies of a shelf. Both parts of a resin are one supply, the
/// one in use for its method. Paint without a supply of its own is not guessed at.
class UseReckoning {
 public:
  /// Both outlive it.
  UseReckoning(const SupplyShelf& shelf, const FillRates& rates);
  StepUse operator()(const Step& step, CivilTime at) const;

 private:
  const SupplyShelf* shelf_;
  const FillRates* rates_;
  std::array<const Supply*, methodKinds> forMethod_{};
};

}  // namespace avrelt
