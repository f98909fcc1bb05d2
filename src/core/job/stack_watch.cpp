// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "craft/flood.h"
#include "job/plan.h"

namespace avrelt {
namespace {

/// Whether a layer stays and is not seen through.
bool hides(const Layer& layer) {
  return layer.kind != LayerKind::peekaboo && layer.kind != LayerKind::knockOut &&
         layer.material != PartMaterial::clear && matterOf(layer.material) != Matter::comesOff;
}

/// What opaque layers of sets hide of a zone, by the largest of each place: nearly, as those of two
/// places may lie on each other. And the set that hides most of it.
struct HiddenBySets {
  Area area;
  Area most;
  int set = 0;
};
std::map<std::string, HiddenBySets> hiddenBySets(const CupPlan& plan) {
  std::map<std::string, HiddenBySets> hidden;
  for (const SetPlan& set : plan.sets) {
    const DecalSet& chosen = plan.of->sets[static_cast<std::size_t>(set.set)];
    std::map<std::string, Area> own;
    for (const PlacePlan& place : set.places) {
      if (place.room.zone.empty()) continue;
      Area most;
      const std::vector<LayerPlan>& layers = set.makes[place.make].layers;
      for (std::size_t i = 0; i < layers.size(); ++i) {
        if (hides(chosen.layers[i])) most = std::max(most, layers[i].area);
      }
      Area& sum = own[place.room.zone];
      sum = sum + most;
    }
    for (const auto& [zone, area] : own) {
      HiddenBySets& all = hidden[zone];
      all.area = all.area + area;
      if (area <= all.most) continue;
      all.most = area;
      all.set = set.set;
    }
  }
  return hidden;
}

/// What a list of things is called where one would do: the first, and how many more.
Sentence firstOf(const std::vector<const StackItem*>& items) {
  if (items.size() == 1) return items.front()->name;
  return {"%1 and %2 more", {Phrase(items.front()->name), static_cast<long>(items.size()) - 1}};
}

std::vector<std::string> idsOf(const std::vector<const StackItem*>& items) {
  std::vector<std::string> ids;
  ids.reserve(items.size());
  for (const StackItem* item : items) ids.push_back(item->id);
  return ids;
}

class StackWatch {
 public:
  explicit StackWatch(const CupPlan& plan) : plan_(plan), cup_(*plan.of) {}

  std::vector<Watch> operator()() {
    stencils();
    rough();
    laidHidden();
    glitterHidden();
    liquidHidden();
    layers();
    patterns();
    clearOverEdges();
    floods();
    return std::move(watches_);
  }

 private:
  using Items = std::vector<const StackItem*>;

  void tell(Rule rule, Where where, Sentence words, std::vector<std::string> items, Mend mend,
            std::optional<WatchLevel> level = {}) {
    watches_.push_back({rule, level.value_or(entryOf(rule).level), std::move(where),
                        std::move(words), std::move(items), std::move(mend)});
  }

  const DecalSet& setOf(const StackItem& item) const {
    return cup_.sets[static_cast<std::size_t>(plan_.sets[static_cast<std::size_t>(item.set)].set)];
  }
  const Layer& layerOf(const StackItem& item) const {
    return setOf(item).layers[static_cast<std::size_t>(item.layer)];
  }
  bool isStencil(const StackItem& item) const {
    return item.layer >= 0 && layerOf(item).kind == LayerKind::peekaboo;
  }
  /// Whether it is a thing that stays where it is laid.
  static bool stays(const StackItem& item) { return item.kind == StackKind::laid && !item.lifted; }
  /// Whether it covers all of the zones it lies on, and is not seen through.
  static bool covers(const StackItem& item) {
    if (item.clear || item.lifted) return false;
    if (item.kind == StackKind::coat) return item.matter != Matter::resin;
    if (item.kind == StackKind::finish) return true;
    return item.kind == StackKind::laid &&
           (item.thing == LaidKind::film || item.thing == LaidKind::wrap ||
            item.thing == LaidKind::pattern);
  }

  /// Where something is told of the thing of an item.
  static Where whereOf(const StackItem& item) {
    if (item.thing == LaidKind::wrap && item.kind == StackKind::laid) return Member::wrapOver;
    return Member::stack;
  }

  void stencils() {
    for (std::size_t i = 0; i < plan_.stack.size(); ++i) {
      const StackItem& stencil = plan_.stack[i];
      if (!isStencil(stencil)) continue;
      std::set<std::string> bare;
      int lifted = stencil.after;  // coats by then
      for (const std::string& zone : stencil.zones) {
        const std::optional<std::size_t> cover = coverOf(plan_, i, zone);
        if (!cover) {
          bare.insert(zone);
        } else {
          const StackItem& over = plan_.stack[*cover];
          lifted = std::max(lifted, over.kind == StackKind::coat ? over.after + 1 : over.after);
        }
      }
      if (!bare.empty()) {
        uncovered(i, bare);
      } else {
        ringsOf(stencil, lifted);
        laidOn(i, lifted);
      }
    }
  }

  void uncovered(std::size_t at, const std::set<std::string>& bare) {
    const StackItem& stencil = plan_.stack[at];
    const auto next = plan_.stack.begin() + static_cast<std::ptrdiff_t>(at) + 1;
    const auto coat = std::find_if(next, plan_.stack.end(), [](const StackItem& item) {
      return item.kind == StackKind::coat;
    });
    const bool flooded = coat != plan_.stack.end() && coat->matter == Matter::resin;
    const bool filled = std::all_of(bare.begin(), bare.end(), [&](const std::string& id) {
      return std::any_of(next, plan_.stack.end(), [&](const StackItem& item) {
        return item.kind == StackKind::finish && item.id == id;
      });
    });
    const auto paint = std::find_if(next, plan_.stack.end(), [](const StackItem& item) {
      return item.kind == StackKind::coat && item.matter != Matter::resin;
    });
    const auto over = std::find_if(plan_.stack.begin(), plan_.stack.end(), [&](const auto& item) {
      return item.kind == StackKind::over && item.set == stencil.set;
    });
    Mend mend{MendKind::paintOver, {setOf(stencil).id}};
    if (over != plan_.stack.end()) {
      // What goes over the set goes on once.
      mend = {MendKind::layLater, {stencil.id}, over->after};
    } else if (filled && plan_.laidAfter > stencil.after) {
      mend = {MendKind::layLater, {stencil.id}, plan_.laidAfter};
    } else if (paint != plan_.stack.end() && paint->after > stencil.after) {
      mend = {MendKind::layLater, {stencil.id}, paint->after};
    }
    tell(Rule::stencilUncovered, whereOf(stencil),
         flooded ? Sentence{"Resin floods the %1 before anything has hidden it: it would be locked "
                            "in. Lay it later, or choose what goes over it.",
                            {Phrase(stencil.name)}}
                 : Sentence{"Nothing goes over the %1 before it is lifted. Lay it under what fills "
                            "its zone, or choose what goes over it.",
                            {Phrase(stencil.name)}},
         {stencil.id}, std::move(mend));
  }

  void ringsOf(const StackItem& stencil, int lifted) {
    for (const StackItem& item : plan_.stack) {
      if (item.set != stencil.set || item.layer < 0 || item.after >= lifted) continue;
      if (layerOf(item).kind != LayerKind::ring) continue;
      tell(Rule::ringTooEarly, whereOf(item),
           {"The %1 is laid before the stencil is lifted that it goes round. Lay it later.",
            {Phrase(item.name)}},
           {item.id}, {MendKind::layLater, {item.id}, lifted});
    }
  }

  /// What would come off with a stencil: all that stays and is laid on it before it is lifted.
  void laidOn(std::size_t at, int lifted) {
    const StackItem& stencil = plan_.stack[at];
    std::set<std::string> told;
    for (const std::string& zone : stencil.zones) {
      const std::optional<std::size_t> cover = coverOf(plan_, at, zone);
      for (std::size_t i = at + 1; cover && i < *cover; ++i) {
        const StackItem& item = plan_.stack[i];
        const bool ring =
            item.set == stencil.set && item.layer >= 0 && layerOf(item).kind == LayerKind::ring;
        if (!stays(item) || ring || !item.zones.contains(zone)) continue;
        if (!told.insert(item.id).second) continue;
        tell(Rule::laidOnStencil, whereOf(item),
             {"The %1 is laid while the %2 is on, and would come off with it. Lay it later.",
              {Phrase(item.name), Phrase(stencil.name)}},
             {item.id}, {MendKind::layLater, {item.id}, lifted});
      }
    }
  }

  /// What is laid on glitter, stage by stage.
  void rough() {
    SurfaceUp surface(plan_);
    std::map<int, Items> byStage;
    std::map<int, Roughness> worst;
    std::map<int, bool> byCoat;
    for (const StackItem& item : plan_.stack) {
      const bool taped = item.kind == StackKind::finish && plan_.divided.zones.size() > 1;
      const bool film =
          item.kind == StackKind::laid && craftOf(item.matter).wantsSmooth && !isKnockOut(item);
      const bool onCoat =
          item.after > 0 &&
          cup_.buildUp.coats[static_cast<std::size_t>(item.after - 1)].kind == CoatKind::glitter;
      if (item.kind == StackKind::coat) {
        surface.put(item);
        continue;
      }
      const Roughness below = surface.below(item);
      if ((film && below != Roughness::smooth) || (taped && onCoat)) {
        byStage[item.after].push_back(&item);
        worst[item.after] = std::max(worst[item.after], below);
        byCoat[item.after] = onCoat;
      }
      surface.put(item);
    }
    for (const auto& [after, items] : byStage) {
      Mend mend{MendKind::coatBetween, {}, after, floodFor(plan_.bare.area(), worst[after])};
      if (!byCoat[after]) mend.of = idsOf(items);
      tell(Rule::laidOnRough, Member::stack,
           {"Laid on rough glitter: %1. It shows through, and edges do not hold. Put a coat of "
            "resin between, and sand it smooth.",
            {Phrase(firstOf(items))}},
           idsOf(items), std::move(mend));
    }
  }

  bool isKnockOut(const StackItem& item) const {
    return item.layer >= 0 && layerOf(item).kind == LayerKind::knockOut;
  }

  /// Whether a stencil lies between two of the stack that is lifted from under the upper one: what
  /// is below it shows where it was.
  bool stencilBetween(std::size_t below, std::size_t above) const {
    for (std::size_t i = below; i < above; ++i) {
      if (!isStencil(plan_.stack[i])) continue;
      const std::set<std::string>& zones = plan_.stack[i].zones;
      const bool lifted = std::any_of(zones.begin(), zones.end(), [&](const std::string& zone) {
        return coverOf(plan_, i, zone) == above;
      });
      if (lifted) return true;
    }
    return false;
  }

  /// Film, decals and stripes under what covers their zones.
  void laidHidden() {
    for (std::size_t i = 0; i < plan_.stack.size(); ++i) {
      const StackItem& over = plan_.stack[i];
      if (!covers(over)) continue;
      const std::set<std::string>& zones = over.zones;
      Items below;
      int first = over.after;
      for (std::size_t k = 0; k < i; ++k) {
        const StackItem& item = plan_.stack[k];
        if (!stays(item) || item.clear) continue;
        if (over.kind != StackKind::laid && stencilBetween(k, i)) continue;
        // The film all round is what others lie on.
        if (item.thing == LaidKind::wrap) continue;
        const std::set<std::string>& own = item.zones;
        const bool under = std::any_of(
            own.begin(), own.end(), [&](const std::string& zone) { return zones.contains(zone); });
        // A pattern lies within its zone as a film of it does: neither is put on the other.
        if (!under || (item.thing != LaidKind::layer && over.kind == StackKind::laid &&
                       over.thing != LaidKind::wrap && item.after == over.after)) {
          continue;
        }
        below.push_back(&item);
        first = std::min(first, item.after);
      }
      if (below.empty()) continue;
      const bool wrap = over.kind == StackKind::laid && over.thing == LaidKind::wrap;
      const int later = over.kind == StackKind::coat ? over.after + 1 : over.after;
      tell(Rule::stackHidesLaid, whereOf(over),
           wrap ? Sentence{"Film over everything hides what lies below it: %1. Put the film "
                           "under.",
                           {Phrase(firstOf(below))}}
                : Sentence{"The %1 hides what lies below it: %2. Lay that later.",
                           {Phrase(over.name), Phrase(firstOf(below))}},
           {over.id},
           wrap ? Mend{MendKind::filmUnder, {}, first}
                : Mend{MendKind::layLater, idsOf(below), later});
    }
  }

  void glitterHidden() {
    const auto glitters = [&](const Zone& zone) { return inGlitter(zone, plan_); };
    const bool any = std::any_of(plan_.divided.zones.begin(), plan_.divided.zones.end(), glitters);
    if (isWrapped(cup_) && cup_.wrap.over == WrapOver::printed && any) {
      tell(Rule::stackHidesGlitter, Member::wrapOver,
           {"Printed film over everything hides all the glitter below it. Take clear "
            "film, or leave the glitter out.",
            {}},
           {wrapThing}, {MendKind::clearFilm});
    } else {
      hiddenBySetsTold(glitters);
    }
    coatsHidden();
  }

  template <typename Glitters>
  void hiddenBySetsTold(const Glitters& glitters) {
    const std::map<std::string, HiddenBySets> hidden = hiddenBySets(plan_);
    for (const Zone& zone : plan_.divided.zones) {
      const auto covered = hidden.find(zone.id);
      if (covered == hidden.end() || !glitters(zone)) continue;
      const double share = std::min(1.0, covered->second.area.mm2() / zone.area.mm2());
      if (share < hiddenMuch) continue;
      watches_.push_back(
          {Rule::stackHidesGlitter,
           WatchLevel::note,
           Where(Member::layers, cup_.sets[static_cast<std::size_t>(covered->second.set)].id),
           {"Film of sets hides about %1 % of the glitter in zone %2. Paint is "
            "cheaper below it, or knock it out of the glitter.",
            {std::lround(share * 100), zone.letter}}});
    }
  }

  /// Coats of glitter that nothing is ever seen of.
  void coatsHidden() {
    for (std::size_t i = 0; i < plan_.stack.size(); ++i) {
      const StackItem& glitter = plan_.stack[i];
      if (glitter.kind != StackKind::coat || glitter.matter != Matter::glitter) continue;
      std::set<std::string> seen = glitter.zones;
      const StackItem* over = nullptr;
      for (std::size_t k = i + 1; k < plan_.stack.size() && !seen.empty(); ++k) {
        const StackItem& item = plan_.stack[k];
        // Glitter on glitter makes it denser; cells leave what is between them.
        const bool denser = item.kind == StackKind::coat && item.matter == Matter::glitter;
        const bool cells = item.kind == StackKind::laid && item.thing == LaidKind::pattern;
        if (!covers(item) || denser || cells || stencilBetween(i, k)) continue;
        for (const std::string& zone : item.zones) seen.erase(zone);
        over = &item;
      }
      if (over == nullptr || !seen.empty()) continue;
      const bool wrap = over->kind == StackKind::laid && over->thing == LaidKind::wrap;
      tell(
          Rule::stackHidesGlitter, wrap ? Where(Member::wrapOver) : Where(Member::stack),
          wrap || over->kind == StackKind::coat
              ? Sentence{"Coat %1 is glitter, and nothing of it is seen: it lies under the %2. "
                         "Leave one of the two out.",
                         {long{glitter.after} + 1, Phrase(over->name)}}
              : Sentence{"Coat %1 is glitter, and nothing of it is seen: what fills the zones lies "
                         "over all of it. Leave it out, or let some of it show.",
                         {long{glitter.after} + 1}},
          {glitter.id},
          wrap ? Mend{MendKind::noFilmRound} : Mend{MendKind::leaveCoatOut, {glitter.id}},
          WatchLevel::note);
    }
  }

  void liquidHidden() {
    if (!cup_.liquid) return;
    for (const StackItem& item : plan_.stack) {
      const bool wrap = item.kind == StackKind::laid && item.thing == LaidKind::wrap;
      if (!covers(item) || (item.kind != StackKind::coat && !wrap)) continue;
      tell(Rule::stackHidesLiquid, wrap ? Where(Member::wrapOver) : Where(Member::stack),
           {"The %1 hides what swims between the walls. Leave it out.", {Phrase(item.name)}},
           {item.id}, wrap ? Mend{MendKind::noFilmRound} : Mend{MendKind::leaveCoatOut, {item.id}});
    }
  }

  void layers() {
    for (const StackItem& item : plan_.stack) {
      if (item.layer < 0 || !item.lifted) continue;
      const Layer& layer = layerOf(item);
      if (layer.kind == LayerKind::peekaboo || layer.kind == LayerKind::knockOut) continue;
      tell(Rule::layerComesOff, Where(Member::layers, setOf(item).id),
           {"The %1 is cut from what comes off again, and is to stay. Cut it from film that "
            "stays.",
            {Phrase(item.name)}},
           {item.id}, {MendKind::filmThatStays, {item.id}});
    }
  }

  void patterns() {
    for (const FillPlan& fill : plan_.fills) {
      const Fill& chosen = cup_.fills[static_cast<std::size_t>(fill.fill)];
      const bool held =
          std::any_of(chosen.colours.begin(), chosen.colours.end(), [](const CellColour& one) {
            return one.finish.kind == FinishKind::glitter &&
                   (one.finish.stick == Stick::resin || one.finish.stick == Stick::uvResin);
          });
      if (!held || chosen.cutting.doubleSided) continue;
      tell(Rule::patternHeldLong, Where(Member::colours, fill.id),
           {"Glitter of the pattern in zone %1 is held by resin: colour after colour sets round "
            "the template, whose cells then tear the edges. Brush-on glue is touch-dry in minutes.",
            {fill.letter}},
           {fill.id}, {MendKind::holdByGlue, {fill.id}});
    }
  }

  /// Edges that clear film lies straight on.
  void clearOverEdges() {
    for (const LaidThing& thing : plan_.things) {
      if (thing.kind != LaidKind::wrap || cup_.wrap.over != WrapOver::clear) continue;
      const auto edges =
          std::count_if(plan_.things.begin(), plan_.things.end(), [&](const LaidThing& other) {
            return other.after == thing.after && other.id != thing.id &&
                   other.kind != LaidKind::mask && other.kind != LaidKind::pattern;
          });
      if (edges == 0) continue;
      tell(Rule::stackClearOverEdge, Member::wrapOver,
           {edges == 1 ? "Clear film over everything lies straight on an edge of film, "
                         "where it shows a line of air. Put a coat between."
                       : "Clear film over everything lies straight on the edges of %1 "
                         "films, where it shows lines of air. Put a coat between.",
            {static_cast<long>(edges)}},
           {thing.id},
           {MendKind::coatBetween,
            {thing.id},
            thing.after,
            floodFor(plan_.bare.area(), Roughness::smooth)});
    }
  }

  void floods() {
    SurfaceUp surface(plan_);
    for (const StackItem& item : plan_.stack) {
      if (item.kind == StackKind::coat && item.matter == Matter::resin) {
        const Coat& coat = cup_.buildUp.coats[static_cast<std::size_t>(item.after)];
        const Volume usual = floodFor(plan_.bare.area(), surface.below(item));
        const double share = coat.mixed.ml() / usual.ml();
        if (share <= floodTooThin || share >= floodTooThick) {
          tell(Rule::floodUnusual, Member::stack,
               {share < 1 ? "Coat %1 is %2 of resin, where %3 is usual over what lies below it: it "
                            "would not cover."
                          : "Coat %1 is %2 of resin, where %3 is usual over what lies below it: it "
                            "would run off.",
                {long{item.after} + 1, volumeText(coat.mixed), volumeText(usual)}},
               {item.id}, {MendKind::mixUsual, {item.id}, 0, usual});
        }
      }
      surface.put(item);
    }
  }

  const CupPlan& plan_;
  const Cup& cup_;
  std::vector<Watch> watches_;
};

}  // namespace

std::vector<Watch> watchStack(const CupPlan& plan) {
  return StackWatch(plan)();
}

}  // namespace avrelt
