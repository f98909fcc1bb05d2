// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "job/plan.h"

namespace avrelt {

/// One cup of an order with all of the order's that it uses: artworks, pictures, unit, paper,
/// choices for the bench. What is done at it, cut and noted goes with it.
Document alone(const Document& order, std::size_t cup);

/// An order with the same choices, of which nothing is done or cut yet, and that no log knows: it
/// and its cups have no ids, its work no times.
Document likeOf(const Document& order);

/// A cup to be made once more: an order of its own, and what is otherwise than it was.
struct Again {
  Document order;
  std::vector<Sentence> changed;
};

/// The first cup of a past order, with the same choices, nothing of it done or cut yet. On another
/// blank, what was measured under coats is let go, as it was of the old cup, and what comes out
/// otherwise is told: girths and heights, cells, layers that no longer lie as they did, warnings
/// that are new. Where it cannot be planned so, the faults are among them, and the order is made
/// all the same, to be put right. It has no id yet.
Again againOf(const Document& past, const std::optional<Blank>& other, const Stock& stock = {});

}  // namespace avrelt
