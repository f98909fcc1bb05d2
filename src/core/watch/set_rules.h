// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "decal/set_plan.h"
#include "watch/watch.h"

namespace avrelt {

/// What to watch about the sets of a cup. Rules, common practice with no published source where
/// nothing else is said:
///
/// - `set_no_art`: its artwork is not in the order any more; nothing is cut.
/// - `set_no_layers`: it has no layer, so nothing is cut.
/// - `set_odd_layer`: laid as it is cut, a layer does not match the others: it is mirrored alone.
/// - `set_nothing_left`: the offset of a layer leaves nothing of it.
/// - `set_thin_stroke`, `set_thin_gap`: strokes or gaps under the set's limit, which tear or are
/// hard
///   to weed.
/// - `set_many_parts`: more loose parts and openings than anyone weeds gladly.
/// - `set_colour_gone`: a layer of a colour that the artwork does not have.
/// - `set_specks`: specks were left out, as asked for.
/// - `layer_picture_gone`, `layer_picture_refused`: the picture a layer is printed with is not in
///   the order any more, or cannot lie so; its colour is printed.
/// - `layer_picture_coarse`: so few dots to the inch that they are seen.
/// - `layer_picture_short`: it ends on the layer.
std::vector<Watch> watchSets(const std::vector<DecalSet>& sets, const std::vector<SetPlan>& plans);

/// A layer that is cut already, and how large its set was then.
struct CutLayer {
  Sentence name;  ///< "backing of comet"
  Length size;
};
/// `set_cut_otherwise`: layers of one set are cut already for another size than it has now.
std::vector<Watch> watchCutLayers(const std::vector<CutLayer>& cut, Length size);

}  // namespace avrelt
