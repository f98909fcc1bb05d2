// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <set>
#include <string>
#include <vector>

#include "job/plan.h"
#include "job/steps.h"

/// A maker who reads the steps of a cup aloud and shakes the head: written from how the work is
/// done by hand, not from how the program reckons. Common practice, no published source; the
/// figures are those the trade gives for common resins, glues and paints.
namespace avrelt::cups {

class SecondEyes {
 public:
  SecondEyes(const CupPlan& plan, const std::vector<Step>& steps, bool sealPrints = true)
      : plan_(plan), cup_(*plan.of), steps_(steps), sealPrints_(sealPrints) {
    for (const Zone& zone : plan.divided.zones) zones_[zone.id];
    for (const Fill& fill : cup_.fills) fillZones_[fill.id] = fill.zone;
  }

  /// What is wrong, in words; empty where nothing is.
  std::vector<std::string> operator()() {
    for (at_ = 0; at_ < steps_.size(); ++at_) {
      look(steps_[at_]);
      now_ += steps_[at_].handsOn.minutes() + steps_[at_].wait.least.minutes();
      if (steps_[at_].wait.most && *steps_[at_].wait.most < steps_[at_].wait.least) {
        wrong("waits longer than it may");
      }
    }
    for (const auto& [id, down] : down_) wrong("stencil " + id + " is never lifted");
    everythingDone();
    return std::move(wrong_);
  }

 private:
  struct OnZone {
    bool rough = false;
    bool inkOpen = false;  ///< not sealed
    bool uvOpen = false;   ///< not cured
    bool taped = false;
    bool done = false;             ///< filled or laid: has to be kept clean
    bool covered = false;          ///< since something was done
    std::set<std::string> film{};  ///< that stays, and shows
  };
  struct Stencil {
    std::set<std::string> zones;
    std::set<std::string> hidden;
  };
  enum class Is { flood, paintCoat, glitterCoat, other };

  void wrong(const std::string& what) {
    wrong_.push_back((at_ < steps_.size() ? steps_[at_].id : std::string("the end")) + ": " + what);
  }

  const Coat* coatOf(const Step& step) const {
    for (const Coat& coat : cup_.buildUp.coats) {
      for (const std::string& id : step.of) {
        if (coat.id == id) return &coat;
      }
    }
    return nullptr;
  }
  const Layer* layerOf(const Step& step, const DecalSet** of = nullptr) const {
    for (const DecalSet& set : cup_.sets) {
      for (const Layer& layer : set.layers) {
        if (step.of.empty() || layer.id != step.of.front()) continue;
        if (of != nullptr) *of = &set;
        return &layer;
      }
    }
    return nullptr;
  }

  /// The zones a step is done in.
  std::set<std::string> zonesOf(const Step& step) const {
    std::set<std::string> zones;
    for (const std::string& id : step.of) {
      if (zones_.contains(id)) zones.insert(id);
      if (const auto fill = fillZones_.find(id); fill != fillZones_.end()) {
        zones.insert(fill->second);
      }
      for (const SetPlan& set : plan_.sets) {
        const bool its = std::any_of(set.layers().begin(), set.layers().end(),
                                     [&](const LayerPlan& layer) { return layer.id == id; });
        if (!its) continue;
        for (const PlacePlan& place : set.places) {
          if (!place.room.zone.empty()) zones.insert(place.room.zone);
        }
      }
    }
    if (step.kind == StepKind::wrap || step.kind == StepKind::coat) {
      for (const auto& [id, zone] : zones_) zones.insert(id);
    }
    return zones;
  }

  static bool takes(const Step& step, MixKind kind) {
    return std::any_of(step.mix.parts.begin(), step.mix.parts.end(),
                       [&](const MixPart& part) { return part.kind == kind; });
  }
  static bool takesResin(const Step& step) {
    return takes(step, MixKind::partA) || takes(step, MixKind::resin);
  }

  void look(const Step& step) {
    if (takesResin(step) && !takesUv(step)) resinEnds_ = now_ + step.handsOn.minutes();
    switch (step.kind) {
      case StepKind::coat:
        if (takesResin(step)) {
          flood(step);
        } else {
          hideAll(step, takes(step, MixKind::glitter));
        }
        break;
      case StepKind::sand:
        glossy_ = false;
        break;
      case StepKind::mark:
        marked_ = true;
        break;
      case StepKind::cover:
        for (auto& [id, zone] : zones_) {
          if (!zonesOf(step).contains(id)) zone.covered = true;
        }
        break;
      case StepKind::tape:
        dry();
        for (const std::string& id : zonesOf(step)) zones_[id].taped = true;
        if (!step.id.starts_with("lip-") && glossy_) wrong("tape on resin that is not sanded");
        break;
      case StepKind::paint:
        fillZones(step, false);
        break;
      case StepKind::stick:
        if (takesUv(step)) openUv(step);
        break;
      case StepKind::glitter:
        if (takesUv(step)) openUv(step);
        fillZones(step, true);
        break;
      case StepKind::pull:
        for (const std::string& id : zonesOf(step)) zones_[id].taped = false;
        break;
      case StepKind::lamp:
        for (const std::string& id : zonesOf(step)) {
          if (zones_[id].taped) wrong("tape is on under the lamp");
          zones_[id].uvOpen = false;
        }
        break;
      case StepKind::seal:
        for (const std::string& id : zonesOf(step)) zones_[id].inkOpen = false;
        for (const std::string& id : step.of) {
          prints_.erase(id);
          if (id == wrapThing) prints_.erase(wrapThing);
        }
        break;
      case StepKind::pattern:
      case StepKind::film:
      case StepKind::stripe:
      case StepKind::decal:
      case StepKind::wrap:
      case StepKind::stencil:
        lay(step);
        break;
      case StepKind::ring:
        ring(step);
        break;
      case StepKind::peel:
        lift(step);
        break;
      case StepKind::rim:
        if (now_ < resinEnds_ + 8 * 60 - 1e-6) wrong("handled before 8 h");
        break;
      case StepKind::cure:
        if (now_ < resinEnds_ + 12 * 60 - 1e-6) wrong("handed over before 12 h");
        break;
      default:
        break;
    }
  }

  static bool takesUv(const Step& step) {
    return step.method && *step.method == MethodKind::uvResin;
  }
  void openUv(const Step& step) {
    for (const std::string& id : zonesOf(step)) zones_[id].uvOpen = true;
  }

  void dry() {
    for (const auto& [id, zone] : zones_) {
      if (zone.uvOpen) wrong("UV resin is wet still");
    }
  }

  void flood(const Step& step) {
    dry();
    for (const auto& [id, down] : down_) wrong("floods stencil " + id);
    if (glossy_) wrong("floods resin that is not sanded");
    for (auto& [id, zone] : zones_) {
      if (zone.inkOpen) wrong("floods ink");
      zone.rough = false;
      zone.covered = false;
    }
    if (sealPrints_ && !prints_.empty()) wrong("floods prints: " + *prints_.begin());
    if (paintEnds_ && now_ < *paintEnds_ + 2 * 60 - 1e-6) wrong("floods paint within 2 h");
    const bool warmed = at_ + 1 < steps_.size() && steps_[at_ + 1].kind == StepKind::warm;
    if (!warmed || step.wait.least.minutes() != 15 || step.wait.most->minutes() != 20) {
      wrong("is not warmed again after 15 to 20 min");
    } else if (step.holds < step.handsOn + step.wait.least) {
      wrong("does not turn while it sets");
    }
    const double ml = takes(step, MixKind::partA) ? mlOf(step) : 0;
    if (ml < 4) wrong("next to no resin");
    glossy_ = true;
  }
  static double mlOf(const Step& step) {
    double sum = 0;
    for (const MixPart& part : step.mix.parts) sum += part.volume ? part.volume->ml() : 0;
    return sum;
  }

  /// A coat of paint or glitter over everything.
  void hideAll(const Step& step, bool glitter) {
    dry();
    if (glossy_) wrong("on resin that is not sanded");
    const bool first = step.id.ends_with("-first") || step.id.ends_with("-back");
    if (!glitter) paintEnds_ = now_ + step.handsOn.minutes();
    for (auto& [id, zone] : zones_) {
      if (!zone.film.empty() && down_.empty() && !first) {
        wrong("hides " + *zone.film.begin());
      }
      zone.rough = zone.rough || glitter;
      zone.done = false;  // what it was shows no more
    }
    for (auto& [id, down] : down_) down.hidden = down.zones;
    marked_ = false;
  }

  void fillZones(const Step& step, bool glitter) {
    const std::set<std::string> own = zonesOf(step);
    const bool cells = ofFill(step);
    // A dry undercoat flies nowhere.
    for (const auto& [id, zone] : zones_) {
      if (!own.contains(id) && zone.done && !zone.covered) {
        wrong("zone " + id + " is done and not covered");
      }
    }
    for (const std::string& id : own) {
      OnZone& zone = zones_[id];
      if (!cells && !zone.film.empty() && !anyDownIn(id)) {
        wrong("fills over " + *zone.film.begin());
      }
      zone.rough = zone.rough || glitter;
      if (takes(step, MixKind::ink)) zone.inkOpen = true;
      zone.done = true;
      for (auto& [stencil, down] : down_) {
        if (!cells && down.zones.contains(id)) down.hidden.insert(id);
      }
    }
    if (!glitter && takes(step, MixKind::paint)) paintEnds_ = now_ + step.handsOn.minutes();
    for (auto& [id, zone] : zones_) {
      if (own.contains(id)) zone.covered = false;
    }
    if (!cells) marked_ = false;
  }
  bool ofFill(const Step& step) const {
    return std::any_of(step.of.begin(), step.of.end(),
                       [&](const std::string& id) { return fillZones_.contains(id); });
  }
  bool anyDownIn(const std::string& zone) const {
    return std::any_of(down_.begin(), down_.end(),
                       [&](const auto& one) { return one.second.zones.contains(zone); });
  }

  void lay(const Step& step) {
    if (step.id == "liquid-band" || step.kind == StepKind::stripe) {
      if (step.id == "liquid-band") return;
    }
    dry();
    const DecalSet* set = nullptr;
    const Layer* layer = layerOf(step, &set);
    if (layer != nullptr && layer->kind == LayerKind::knockOut) return;
    // What goes into a template's gaps and cells lies on what the template kept clean.
    const bool inTemplate = ofFill(step) && step.kind != StepKind::pattern;
    if (glossy_) wrong("laid on resin that is not sanded");
    if (!marked_ && !inTemplate && step.kind != StepKind::stripe) wrong("laid without marks");
    const std::set<std::string> zones = zonesOf(step);
    for (const std::string& id : zones) {
      const bool rough = step.kind != StepKind::wrap && !inTemplate && zones_[id].rough;
      if (rough) wrong("laid on rough glitter of " + id);
      if (anyDownIn(id) && step.kind != StepKind::stencil) wrong("laid on a stencil");
    }
    if (step.kind == StepKind::wrap && glitterUnder()) wrong("laid on rough glitter");
    if (step.kind == StepKind::stencil) {
      down_[step.of.front()] = {zones, {}};
      return;
    }
    heat(step, layer, zones);
    const bool clear = step.kind == StepKind::wrap && cup_.wrap.over == WrapOver::clear;
    if (step.kind == StepKind::wrap) {
      for (auto& [id, zone] : zones_) {
        if (!clear && !zone.film.empty()) wrong("hides " + *zone.film.begin());
        zone.rough = false;
        zone.done = clear && zone.done;
      }
      marked_ = false;
    } else if (step.kind == StepKind::film && !inTemplate) {
      for (const std::string& id : zones) {
        if (!zones_[id].film.empty()) wrong("hides " + *zones_[id].film.begin());
        zones_[id].rough = false;
        zones_[id].done = true;
        zones_[id].covered = false;
      }
    } else if (step.kind == StepKind::pattern) {
      for (const std::string& id : zones) {
        if (!zones_[id].film.empty()) wrong("hides " + *zones_[id].film.begin());
      }
    }
    if (step.kind == StepKind::decal || step.kind == StepKind::film) {
      const bool seenThrough = layer != nullptr && layer->material == PartMaterial::clear;
      for (const std::string& id : zones) {
        if (!inTemplate && !seenThrough) zones_[id].film.insert(step.of.front());
      }
    }
    print(step, layer);
  }

  /// Film all round lies on what every zone is by then.
  bool glitterUnder() const {
    return std::any_of(zones_.begin(), zones_.end(),
                       [](const auto& one) { return one.second.rough; });
  }

  void print(const Step& step, const Layer* layer) {
    const auto printed = [](PartMaterial material) {
      return material == PartMaterial::printed || material == PartMaterial::printable;
    };
    if (layer != nullptr && printed(layer->material)) prints_.insert(layer->id);
    if (step.kind == StepKind::wrap && cup_.wrap.over == WrapOver::printed) {
      prints_.insert(wrapThing);
    }
    if (step.kind == StepKind::film && !step.of.empty()) {
      for (const Zone& zone : plan_.divided.zones) {
        if (zone.id == step.of.front() && zone.finish.printed) prints_.insert(zone.id);
      }
    }
  }

  void heat(const Step& step, const Layer* layer, const std::set<std::string>&) {
    if (layer == nullptr || layer->material != PartMaterial::heatApplied) return;
    if (step.handsOn.minutes() < 6) wrong("heat-applied film is not pressed");
    if (resinEnds_ > 0 && now_ < resinEnds_ + 12 * 60 - 1e-6) {
      wrong("pressed on resin that has not cured");
    }
  }

  void ring(const Step& step) {
    const DecalSet* set = nullptr;
    const Layer* layer = layerOf(step, &set);
    if (layer == nullptr) return wrong("a ring of nothing");
    if (step.of.size() > 1) {  // one by one, each as its stencil comes off
      lift(step);
      return;
    }
    for (const Layer& other : set->layers) {
      if (down_.contains(other.id)) wrong("its stencil is on still");
    }
    lay(step);
  }

  void lift(const Step& step) {
    for (const std::string& id : step.of) {
      const auto found = down_.find(id);
      if (found == down_.end()) continue;
      // Those of one zone at a time, where they lie in several.
      const std::set<std::string> zones = found->second.zones;
      bool any = false;
      for (const std::string& zone : zones) {
        if (!found->second.hidden.contains(zone)) continue;
        any = true;
        found->second.zones.erase(zone);
      }
      if (!any) wrong("lifted with nothing over it");
      if (found->second.zones.empty()) down_.erase(found);
      inItsMoment();
    }
    if (ofFill(step)) inItsMoment();
  }

  /// Tape, stencils and lines come off within the time what was put on last lets them.
  void inItsMoment() {
    if (at_ == 0) return;
    // Between the wet step and this only what comes off with it.
    std::size_t before = at_ - 1;
    double waited = steps_[before].wait.least.minutes();
    while (before > 0 &&
           (steps_[before].kind == StepKind::pull || steps_[before].kind == StepKind::peel ||
            steps_[before].kind == StepKind::ring)) {
      if (!steps_[before].wait.most) wrong("may be lifted long after " + steps_[before].id);
      --before;
      waited += steps_[before].wait.least.minutes();
    }
    const Step& wet = steps_[before];
    const bool wetStep =
        wet.kind == StepKind::paint || wet.kind == StepKind::glitter || wet.kind == StepKind::coat;
    if (!wetStep) {
      if (wet.kind == StepKind::film || wet.kind == StepKind::pattern) return;  // nothing was wet
      return wrong("lifted after " + wet.id);
    }
    if (!wet.wait.most) return wrong("may be lifted a day late");
    if (waited > wet.wait.most->minutes() + 1e-9) wrong("is past its moment");
  }

  void everythingDone() {
    std::map<std::string, int> count;
    for (const Step& step : steps_) {
      for (const std::string& id : step.of) ++count[id];
    }
    for (const LaidThing& thing : plan_.things) {
      if (thing.kind == LaidKind::mask) continue;
      const bool paper = thing.kind == LaidKind::layer && isKnockOut(thing.id);
      const bool nowhere = thing.kind == LaidKind::layer && placesOf(thing.id) == 0;
      if (!paper && !nowhere && count[thing.id] == 0) wrong("no step lays " + thing.id);
    }
    for (const FillPlan& fill : plan_.fills) {
      const Fill& chosen = cup_.fills[static_cast<std::size_t>(fill.fill)];
      bool lines = false;
      bool sheet = false;
      for (const Step& step : steps_) {
        const bool its = !step.of.empty() && step.of.front() == fill.id;
        if (its && step.kind == StepKind::stripe) lines = true;
        if (its && step.id.starts_with("sheet-")) sheet = true;
      }
      if (chosen.cutting.lines == LineWork::piece && !lines) wrong("its lines are never laid");
      if (chosen.cutting.lines == LineWork::tape && !lines && !fill.tape.runs.empty()) {
        wrong("its tape is never laid");
      }
      if (chosen.cutting.doubleSided && !sheet) wrong("its double-sided sheet is never laid");
    }
  }
  bool isKnockOut(const std::string& id) const {
    for (const DecalSet& set : cup_.sets) {
      for (const Layer& layer : set.layers) {
        if (layer.id == id) return layer.kind == LayerKind::knockOut;
      }
    }
    return false;
  }
  std::size_t placesOf(const std::string& id) const {
    for (const SetPlan& set : plan_.sets) {
      for (const LayerPlan& layer : set.layers()) {
        if (layer.id == id) return set.places.size();
      }
    }
    return 0;
  }

  const CupPlan& plan_;
  const Cup& cup_;
  const std::vector<Step>& steps_;
  const bool sealPrints_;
  std::map<std::string, OnZone> zones_;
  std::map<std::string, std::string> fillZones_;
  std::map<std::string, Stencil> down_;
  std::set<std::string> prints_;
  std::size_t at_ = 0;
  double now_ = 0;
  double resinEnds_ = 0;
  std::optional<double> paintEnds_;
  bool glossy_ = false;
  bool marked_ = false;
  std::vector<std::string> wrong_;
};

}  // namespace avrelt::cups
