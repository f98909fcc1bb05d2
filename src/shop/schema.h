// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace avrelt {

class Database;

/// Brings the tables of a shop from one version, 0 for an empty file, to a later one, and notes it.
/// Within a transaction of the caller's.
void bringUp(Database& database, int from, int to);

}  // namespace avrelt
