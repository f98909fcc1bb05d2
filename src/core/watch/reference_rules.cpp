// SPDX-License-Identifier: GPL-3.0-or-later
#include "watch/reference_rules.h"

#include <algorithm>
#include <string>
#include <utility>

#include "divide/stripes.h"

namespace avrelt {
namespace {

class References {
 public:
  explicit References(const Referring& referring) : of_(referring) {}

  std::vector<Watch> watches() && {
    ofStripes();
    for (const Zone& zone : of_.divided.zones) ofEdges(zone);
    for (const Row& row : of_.rows) {
      ofSets(Rule::rowWaits, {Member::rowSets, row.id}, row.sets,
             "A row waits for a set that is not there, and goes round without it. Bring the set "
             "back, or take it out of the row.");
    }
    for (const Scatter& scatter : of_.scatters) ofScatter(scatter);
    return std::move(watches_);
  }

 private:
  void put(Rule rule, WatchLevel level, Where where, Sentence sentence) {
    watches_.push_back({rule, level, std::move(where), std::move(sentence)});
  }

  void ofStripes() {
    for (const Stripe& stripe : of_.division.stripes) {
      if (lineAt(of_.divided, stripe.of, stripe.line) != nullptr) continue;
      put(Rule::stripeWaits, WatchLevel::warn, Where(Member::stripeLine, stripe.id),
          {"A stripe waits for a line that is not cut. Cut the line again, lay the stripe on "
           "another, or remove it.",
           {}});
    }
  }

  void ofEdges(const Zone& zone) {
    const bool waits = std::any_of(
        zone.finish.edges.begin(), zone.finish.edges.end(),
        [&](const LineEdge& edge) { return lineAt(of_.divided, edge.of, edge.line) == nullptr; });
    if (!waits) return;
    put(Rule::edgeWaits, WatchLevel::note, Where(Member::zone, zone.id),
        {"An edge of zone %1’s film waits for a line that is not cut. Cut the line again, or set "
         "the film’s edges anew.",
         {zone.letter}});
  }

  void ofSets(Rule rule, Where where, const std::vector<std::string>& sets, const char* words) {
    const auto gone = std::count_if(sets.begin(), sets.end(), [&](const std::string& id) {
      return std::none_of(of_.sets.begin(), of_.sets.end(),
                          [&](const DecalSet& set) { return set.id == id; });
    });
    // Of a row of nothing at all its own rule speaks.
    if (gone == 0 || gone == static_cast<std::ptrdiff_t>(sets.size())) return;
    put(rule, WatchLevel::note, std::move(where), {words, {}});
  }

  void ofScatter(const Scatter& scatter) {
    ofSets(Rule::scatterWaits, {Member::scatterSets, scatter.id}, scatter.sets,
           "A scatter waits for a set that is not there, and throws the others. Bring the set "
           "back, or take it out of the scatter.");
    const auto isThere = [&](const auto& all, const std::string& id) {
      return std::any_of(all.begin(), all.end(), [&](const auto& one) { return one.id == id; });
    };
    const bool any = std::any_of(scatter.sets.begin(), scatter.sets.end(),
                                 [&](const std::string& id) { return isThere(of_.sets, id); });
    if (!any) {
      put(Rule::scatterWaits, WatchLevel::warn, Where(Member::scatterSets, scatter.id),
          {"A scatter has no set to throw. Give it one, or remove the scatter.", {}});
    }
    if (scatter.zone.empty() || isThere(of_.divided.zones, scatter.zone)) return;
    put(Rule::scatterZoneWaits, WatchLevel::warn, Where(Member::scatterZone, scatter.id),
        {"A scatter waits for a zone that is not there: what was thrown stays, and no more is. Cut "
         "the wall as it was, or choose another zone.",
         {}});
  }

  const Referring& of_;
  std::vector<Watch> watches_;
};

}  // namespace

std::vector<Watch> watchReferences(const Referring& referring) {
  return References(referring).watches();
}

}  // namespace avrelt
