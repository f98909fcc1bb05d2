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
    for (std::size_t i = 0; i < of_.rows.size(); ++i) {
      ofSets("row_waits", "rows", i, of_.rows[i].sets,
             "A row waits for a set that is not there, and goes round without it. Bring the set "
             "back, or take it out of the row.");
    }
    for (std::size_t i = 0; i < of_.scatters.size(); ++i) ofScatter(i);
    return std::move(watches_);
  }

 private:
  void put(const char* rule, WatchLevel level, std::string field, Sentence sentence) {
    watches_.push_back({rule, level, std::move(field), std::move(sentence)});
  }

  void ofStripes() {
    const std::vector<Stripe>& stripes = of_.division.stripes;
    for (std::size_t i = 0; i < stripes.size(); ++i) {
      if (lineAt(of_.divided, stripes[i].of, stripes[i].line) != nullptr) continue;
      put("stripe_waits", WatchLevel::warn, "divide.stripes[" + std::to_string(i) + "].line",
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
    put("edge_waits", WatchLevel::note, "divide.body",
        {"An edge of zone %1’s film waits for a line that is not cut. Cut the line again, or set "
         "the film’s edges anew.",
         {zone.letter}});
  }

  void ofSets(const char* rule, const std::string& list, std::size_t index,
              const std::vector<std::string>& sets, const char* words) {
    const auto gone = std::count_if(sets.begin(), sets.end(), [&](const std::string& id) {
      return std::none_of(of_.sets.begin(), of_.sets.end(),
                          [&](const DecalSet& set) { return set.id == id; });
    });
    // Of a row of nothing at all its own rule speaks.
    if (gone == 0 || gone == static_cast<std::ptrdiff_t>(sets.size())) return;
    put(rule, WatchLevel::note, list + "[" + std::to_string(index) + "].sets", {words, {}});
  }

  void ofScatter(std::size_t index) {
    const Scatter& scatter = of_.scatters[index];
    const std::string field = "scatters[" + std::to_string(index) + "].";
    ofSets("scatter_waits", "scatters", index, scatter.sets,
           "A scatter waits for a set that is not there, and throws the others. Bring the set "
           "back, or take it out of the scatter.");
    const auto isThere = [&](const auto& all, const std::string& id) {
      return std::any_of(all.begin(), all.end(), [&](const auto& one) { return one.id == id; });
    };
    const bool any = std::any_of(scatter.sets.begin(), scatter.sets.end(),
                                 [&](const std::string& id) { return isThere(of_.sets, id); });
    if (!any) {
      put("scatter_waits", WatchLevel::warn, field + "sets",
          {"A scatter has no set to throw. Give it one, or remove the scatter.", {}});
    }
    if (scatter.zone.empty() || isThere(of_.divided.zones, scatter.zone)) return;
    put("scatter_zone_waits", WatchLevel::warn, field + "zone",
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
