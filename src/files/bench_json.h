// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "bench/choices.h"
#include "files/object_reader.h"

namespace avrelt {

/// The members of an order's `bench` and of a cup's; what this version does not know is kept.
BenchChoices benchChoicesMembers(ObjectReader object);
Json written(const BenchChoices& choices);
CupBench cupBenchMembers(ObjectReader object);
Json written(const CupBench& bench);

}  // namespace avrelt
