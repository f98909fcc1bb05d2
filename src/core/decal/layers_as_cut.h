// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "decal/set_plan.h"

namespace avrelt {

/// How the layers of a set are cut for some of its places.
struct CutAs {
  Transform fromSet;           ///< the set's plane to the one its shape was turned and sized in
  Angle turn;                  ///< that the places lie at, where growth has to know it
  std::vector<double> across;  ///< how much wider each layer is cut for coats below it
  /// What of each layer lies in which zone, and how it is cut in; empty where none is.
  std::vector<std::vector<ZoneShare>> shares;
  std::vector<Relief> reliefs;
};

/// The layers of a set as they are cut, the topmost first: as they look, under one map each.
std::vector<LayerPlan> layersAsCut(const DecalSet& set, const SetShape& made, const CutAs& as);

}  // namespace avrelt
