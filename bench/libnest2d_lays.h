// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>
#include <vector>

/// How many copies of an outline, counter-clockwise in mm, libnest2d puts on the first sheet.
long layByLibnest2d(const std::vector<std::pair<double, double>>& outline, int copies, double wide,
                    double tall, double gap);
