// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "divide/division.h"
#include "watch/watch.h"

namespace avrelt {

/// What a division risks. Rules, common practice with no published source but for the strain, which
/// is computed:
///
/// - `tape_puckers`: tape of the width in use is strained beyond paper, or beyond stretchy tape, on
/// a
///   ring of this taper; how wide still lies flat is said.
/// - `light_before_dark`, `film_before_glitter`: the maker's own order runs against the usual one.
/// - `turn_of_none`: the maker's order names a zone that is not there.
/// - `thin_stripe`: a stripe under 0.5 mm; was ten times that meant?
/// - `line_at_edge`: a line nearer than 1/8 in to rim or base, where nothing decorative goes.
/// - `stripe_over_edge`: a stripe that goes round and covers some of that 1/8 in.
/// - `tape_not_owned`: a tape stripe of a width the maker has no tape of.
/// - `stripe_twice`: two stripes as wide as each other on one line.
/// - `join_shows`: a join that was to be hidden, and no stripe crosses to hide it.
std::vector<Watch> watchDivision(const Division& division, const Divided& divided,
                                 const std::vector<StripePlan>& stripes, const Body& body);

}  // namespace avrelt
