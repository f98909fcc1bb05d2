// SPDX-License-Identifier: GPL-3.0-or-later
#include "cup/hand_fronts.h"

namespace avrelt {

std::vector<FacesDrinker> facesDrinker(const std::vector<Feature>& features) {
  std::vector<FacesDrinker> found;
  const Angle quarter = Angle::halfTurn() / 2;
  for (const Feature& feature : features) {
    if (feature.kind == FeatureKind::handle) {
      found.push_back({Hand::right, (feature.at - quarter).wrapped()});
      found.push_back({Hand::left, (feature.at + quarter).wrapped()});
    } else if (feature.kind == FeatureKind::lidMouth) {
      found.push_back({Hand::either, feature.at.wrapped()});
    }
  }
  return found;
}

}  // namespace avrelt
