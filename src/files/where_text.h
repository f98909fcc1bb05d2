// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "job/document.h"
#include "measure/where.h"

namespace avrelt {

/// How a member is written within its thing: "finish.edge_by" of a zone, "wrap.overlap" of a cup;
/// "[#]" stands for its number in a list. Empty for a thing as a whole.
std::string_view textOf(Member member);

/// Where in a file something stands, counted from the cup: "sets[2].layers[0].print". Of a thing
/// that is not there, the list it would be in.
std::string pathOf(const Where& where, const Cup& cup);
/// The same counted from the order: "cups[0].sets[2].layers[0].print".
std::string pathOf(const Where& where, const Document& document);

/// Where ids of a cup are told twice: the path of the second, counted from the cup, and of the
/// first.
struct TwiceTold {
  std::string path;
  std::string id;
  std::string first;
};
std::optional<TwiceTold> idTwice(const Cup& cup);

}  // namespace avrelt
