// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "divide/divide.h"

namespace avrelt {

enum class StripeKind { tape, film };

/// Where the ends of a stripe that goes all round meet: at the seam as all others, or under another
/// stripe that crosses it, or at a V's point.
enum class StripeJoin { seam, hidden };

/// A stripe laid on a cut line, over the join of two zones.
struct Stripe {
  std::string id{};
  std::string of;  ///< the id of the cut the line is of
  int line = 0;    ///< among that cut's lines
  StripeKind kind = StripeKind::film;
  WrittenLength width{Length::mm(3), "3 mm"};
  WrittenLength overlap{Length::mm(3), "3 mm"};
  StripeJoin join = StripeJoin::seam;
  /// Ends edge to edge: laid over each other, scored through both, both offcuts lifted.
  bool butt = false;
  std::optional<int> spares;       ///< left out: by the rule of `cutList`
  std::string colour = "#E9C46A";  ///< #RRGGBB
  std::string kept{};

  friend bool operator==(const Stripe&, const Stripe&) = default;
};

/// A stripe worked out: its line's true length, and how it is laid.
struct StripePlan {
  int stripe = 0;  ///< which of the document's
  std::string id;  ///< the stripe's
  std::string line;
  StripeKind kind = StripeKind::film;
  std::string colour;
  Length width;
  Length length;  ///< of the line on the cup, and the overlap
  std::optional<int> spares;
  /// Where stripes lie on each other, the wider below: 0 the lowest.
  int layer = 0;
  bool closed = false;  ///< goes all round, so that its ends meet
  StripeJoin join = StripeJoin::seam;
  std::string joinUnder;  ///< the line that hides the join; empty where none does
  Sentence laying;        ///< how, in words
};

/// The body a stripe is laid on, by the stripe's id.
using StripeBody = std::function<const Body&(const std::string& stripe)>;

/// Stripes in the order they are laid: those that go round before those that cross them and can
/// hide their joins, wider below narrower on the same line.
///
/// Each is as long as its line is on the body it is laid on, where `bodyOf` tells one for its id.
/// One on a line that is not there waits: it is no part of the plan, and comes back with its line.
///
/// Refused, naming the member ("stripes[2].width"): a width of nothing or over 50 mm, an overlap as
/// long as the line, more than 100 spares.
CheckedAll<std::vector<StripePlan>> planStripes(const std::vector<Stripe>& stripes,
                                                const Divided& divided,
                                                const StripeBody& bodyOf = {});

/// Strips of one size to be cut or torn together.
struct StripCut {
  StripeKind kind = StripeKind::film;
  Length width;
  Length length;
  std::vector<std::string> lines;    ///< that they are laid on
  std::vector<std::string> stripes;  ///< ids of the stripes they are for
  int copies = 0;
  int spares = 0;

  int count() const { return copies + spares; }
};

/// What is cut for stripes, like sizes together, the longest first. Where the maker gives no number
/// of spares, half as many again are cut: common practice, no published source.
std::vector<StripCut> cutList(const std::vector<StripePlan>& stripes);

/// A line by its cut's id and its place among that cut's lines; nothing where there is none.
const DivideLine* lineAt(const Divided& divided, const std::string& cut, int line);

}  // namespace avrelt
