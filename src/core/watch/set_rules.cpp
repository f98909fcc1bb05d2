// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/set_rules.h"

#include <algorithm>
#include <cmath>

#include "decal/print_cover.h"
#include "sheet/decal_parts.h"
#include "watch/picture_rules.h"

namespace avrelt {
namespace {

/// Hundreds of loose islands are trouble: common practice, no published source.
constexpr int manyParts = 200;
/// Less is the rounding of outlines.
constexpr Length rounding = Length::mm(0.01);

class SetRules {
 public:
  SetRules(const DecalSet& set, const SetPlan& plan, std::vector<Watch>& watches)
      : set_(set), plan_(plan), watches_(watches) {}

  void operator()() {
    if (plan_.gone) {
      return put(
          Rule::setNoArt, WatchLevel::stop, Member::setArtwork,
          {"The artwork of a set (%1) is not in the order any more. Give the set another, or "
           "remove it.",
           {plan_.artwork}});
    }
    if (set_.layers.empty()) {
      return put(Rule::setNoLayers, WatchLevel::warn, Member::layers,
                 {"“%1” has no layers, so nothing is cut of it. Add one.", {plan_.name}});
    }
    layers();
    blade();
  }

 private:
  void put(Rule rule, WatchLevel level, Member member, Sentence sentence) {
    watches_.push_back({rule, level, Where(member, plan_.id), std::move(sentence)});
  }
  void put(Rule rule, WatchLevel level, const Layer& layer, Member member, Sentence sentence) {
    watches_.push_back({rule, level, Where(member, layer.id), std::move(sentence)});
  }

  void layers() {
    for (std::size_t i = 0; i < plan_.layers().size(); ++i) {
      const LayerPlan& layer = plan_.layers()[i];
      const Sentence name = layerWords(set_, i);
      const Layer& made = set_.layers[i];
      if (layer.odd) {
        put(Rule::setOddLayer, WatchLevel::stop, made, Member::layerMirrored,
            {layer.mirrored
                 ? "%1 of “%2” is cut mirrored while the blade sees its front: laid, it does not "
                   "match the others. Cut it as the blade sees it."
                 : "%1 of “%2” is not cut mirrored while the blade sees its back: laid, it does "
                   "not "
                   "match the others. Cut it as the blade sees it.",
             {Phrase(name), plan_.name}});
      }
      print(i);
      if (!layer.nothing) continue;
      if (layer.kind == LayerKind::colour) {
        put(Rule::setColourGone, WatchLevel::warn, made, Member::layerSource,
            {"“%1” shows nothing of the colour %2. Remove that layer, or take its colours anew.",
             {plan_.name, set_.layers[i].source}});
      } else {
        put(Rule::setNothingLeft, WatchLevel::warn, made, Member::layerOffset,
            {"%1 of “%2” comes to nothing at %3. Give it another offset, or make the set larger.",
             {Phrase(name), plan_.name, set_.layers[i].offset.length}});
      }
    }
  }

  /// The picture a layer is printed with.
  void print(std::size_t i) {
    const Layer& layer = set_.layers[i];
    const LayerPrint& print = layer.print;
    if (layer.material != PartMaterial::printable || print.id.empty()) return;
    const Phrase name(layerWords(set_, i));
    if (!print.picture) {
      return put(Rule::layerPictureGone, WatchLevel::warn, layer, Member::layerPrint,
                 {"The picture on a layer of “%2” (%1) is not in the order any more, so its colour "
                  "is printed. Choose another.",
                  {name, plan_.name}});
    }
    const Faults faults = faultsOf(print);
    for (const Fault& fault : faults) {
      put(Rule::layerPictureRefused, WatchLevel::warn, layer, fault.where.member, fault.sentence);
    }
    if (!faults.empty()) return;
    const double dots = dotsPerInch(print);
    if (dots < coarseUnder) {
      put(Rule::layerPictureCoarse, WatchLevel::note, layer, Member::layerPrint,
          {"At %3 wide the picture on a layer of “%2” (%1) has %4 dots to the inch, and they will "
           "be seen. Take a larger picture, or make it smaller.",
           {name, plan_.name, print.wide.length, std::lround(dots)}});
    }
    if (print.tiled) return;
    const Polygon field = fieldOf(print);
    double share = 0;
    for (const Polygon& shape : printedShapes(plan_, i)) {
      share = std::max(share, signedArea(shape - field) / std::max(signedArea(shape), 1e-9));
    }
    if (share < 0.001) return;
    put(Rule::layerPictureShort, WatchLevel::warn, layer, Member::layerPrint,
        {"The picture on a layer of “%2” (%1) does not reach over all of it: %3 % stays bare. Move "
         "or enlarge it, or take it side by side.",
         {name, plan_.name, numberText(std::max(0.1, share * 100), 1)}});
  }

  void blade() {
    const BladeFit& fit = plan_.fit();
    const Length limit = set_.limit.length;
    const auto least = [&](Sentence sentence) {
      if (plan_.made->leastSize && *plan_.made->leastSize > set_.size.length) {
        sentence.pattern += set_.byHeight ? " From %4 tall on nothing in it is thin."
                                          : " From %4 wide on nothing in it is thin.";
        sentence.parts.emplace_back(*plan_.made->leastSize);
      }
      return sentence;
    };
    if (fit.stroke && fit.stroke->width < limit - rounding) {
      put(Rule::setThinStroke, WatchLevel::warn, Member::setLimit,
          least({"The thinnest stroke of “%1” is %2, under %3: it tears when it is weeded. Thicken "
                 "it or make the set larger.",
                 {plan_.name, fit.stroke->width, limit}}));
    }
    if (fit.gap && fit.gap->width < limit - rounding) {
      put(Rule::setThinGap, WatchLevel::note, Member::setLimit,
          least(
              {"The thinnest gap in “%1” is %2, under %3: it is hard to weed. Make the set larger "
               "or its openings wider.",
               {plan_.name, fit.gap->width, limit}}));
    }
    if (fit.parts + fit.openings > manyParts) {
      put(Rule::setManyParts, WatchLevel::warn, Member::setDrop,
          {"“%1” comes in %2 parts with %3 openings to be picked out. Drop its specks, or take a "
           "simpler artwork.",
           {plan_.name, static_cast<long>(fit.parts), static_cast<long>(fit.openings)}});
    }
    if (plan_.made->dropped > 0) {
      put(Rule::setSpecks, WatchLevel::note, Member::setDrop,
          {plan_.made->dropped == 1 ? "1 speck of “%1” is left out, as asked for."
                                    : "%2 specks of “%1” are left out, as asked for.",
           {plan_.name, static_cast<long>(plan_.made->dropped)}});
    }
  }

  const DecalSet& set_;
  const SetPlan& plan_;
  std::vector<Watch>& watches_;
};

}  // namespace

std::vector<Watch> watchSets(const std::vector<DecalSet>& sets, const std::vector<SetPlan>& plans) {
  std::vector<Watch> watches;
  for (const SetPlan& plan : plans) {
    SetRules(sets[static_cast<std::size_t>(plan.set)], plan, watches)();
  }
  return watches;
}

std::vector<Watch> watchCutLayers(const std::vector<CutLayer>& cut, Length size) {
  std::vector<Watch> watches;
  for (const CutLayer& layer : cut) {
    if (abs(layer.size - size) <= rounding) continue;
    watches.push_back({Rule::setCutOtherwise,
                       WatchLevel::stop,
                       {},
                       {"The %1 is cut for a set of %2, which now is %3: they do not match. Cut it "
                        "again, or make the set that size again.",
                        {Phrase(layer.name), layer.size, size}}});
  }
  return watches;
}

}  // namespace avrelt
