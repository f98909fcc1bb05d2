// SPDX-License-Identifier: GPL-3.0-or-later
#include "decal/set_plan.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>
#include <set>
#include <tuple>

#include "decal/layers_as_cut.h"
#include "decal/place_relief.h"

namespace avrelt {
namespace {

/// Whether a layer is not cut apart at lines: what comes off again, and rings round it.
bool staysWhole(const DecalSet& set, std::size_t layer) {
  const LayerKind kind = set.layers[layer].kind;
  if (kind == LayerKind::peekaboo || kind == LayerKind::knockOut) return true;
  return kind == LayerKind::ring &&
         std::any_of(set.layers.begin(), set.layers.end(),
                     [](const Layer& other) { return other.kind == LayerKind::peekaboo; });
}

/// How much wider or narrower parts may be cut than a place would have them, for places to share
/// one cut.
constexpr double alikeEnough = 0.005;

/// What of a set its shapes depend on.
DecalSet shapedBy(DecalSet set) {
  set.places.clear();
  set.kept.clear();
  for (Layer& layer : set.layers) {
    layer.kept.clear();
    layer.film.clear();
    layer.spares = 0;
    layer.id.clear();
    layer.sees.reset();
    layer.mirrored.reset();
    layer.material = {};
    layer.print = {};
  }
  set.anchor = {};
  set.allowGrowth = true;
  set.flush = false;
  set.parted = false;
  set.relief = false;
  set.shrinkPercent = 0;
  return set;
}

/// The layer that the others are matched to: what is seen of the artwork, or what is laid first.
std::size_t firstOf(const std::vector<Layer>& layers) {
  for (const LayerKind kind : {LayerKind::decal, LayerKind::colour, LayerKind::peekaboo}) {
    for (std::size_t i = 0; i < layers.size(); ++i) {
      if (layers[i].kind == kind) return i;
    }
  }
  return layers.empty() ? 0 : layers.size() - 1;
}

Stand inRow(const Row& row, Length up) {
  return {{}, row.id, {}, 0, {Angle(), up}, row.turn, row.follows, 100};
}

/// One of a row's line as it lies on its ground.
Footprint itemOf(const SetShape& made, Stand stand, Point anchor, const Wall& wall) {
  stand.follows = curveOf(stand, anchor, wall) != 0;
  const Development ground = groundOf(stand, anchor, wall);
  return {EdgeTree(mapped(made.outer, standing(stand, anchor, ground))), stand.anchor, ground};
}

/// The sets of a row's line so far up at a share of their size: offsets and laps stay.
RowItems itemsAt(const Row& row, Length up, const std::vector<const DecalSet*>& sets,
                 const Wall& wall, double share) {
  std::vector<Footprint> items;
  for (const DecalSet* one : sets) {
    DecalSet set = shapedBy(*one);
    set.size.length = set.size.length * share;
    set.anchor = one->anchor;
    const Stand stand = inRow(row, up);
    SetShape made = unmeasuredShapeOf(set);
    const Point anchor = anchorOf(set, made);
    const double curve = curveOf(stand, anchor, wall);
    if (curve != 0) {
      set.turn = set.turn + row.turn;
      made = unmeasuredShapeOf(set, curve);
    }
    items.push_back(itemOf(made, stand, anchor, wall));
  }
  return RowItems(wall, std::move(items));
}

}  // namespace

const PlacePlan* SetPlan::placeCalled(const std::string& wanted) const {
  const auto found = std::find_if(places.begin(), places.end(),
                                  [&](const PlacePlan& place) { return place.id == wanted; });
  return found == places.end() ? nullptr : &*found;
}

std::optional<double> largestShare(const Row& row, const std::vector<DecalSet>& sets,
                                   const Wall& wall) {
  std::vector<const DecalSet*> found;
  for (const std::string& id : row.sets) {
    for (const DecalSet& set : sets) {
      if (set.id == id && set.art) found.push_back(&set);
    }
  }
  if (found.empty() || !row.count) return std::nullopt;
  std::optional<double> least;
  for (int line = 0; line < row.lines; ++line) {
    const Length up = row.up.length + row.apart.length * line;
    const std::optional<double> share = largestFor(
        [&](double s) { return itemsAt(row, up, found, wall, s); }, *row.count, row.gap.length);
    if (!share) return std::nullopt;
    least = std::min(least.value_or(*share), *share);
  }
  return least;
}

/// One run of the planner.
class SetPlanner::Work {
 public:
  Work(SetPlanner& planner, const std::vector<DecalSet>& sets, const std::vector<Row>& rows,
       const std::vector<Scatter>& scatters, const DressedWall& wall)
      : planner_(planner), sets_(sets), rows_(rows), scatters_(scatters), wall_(wall) {}

  CheckedAll<Dressed> operator()() {
    check();
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    for (std::size_t i = 0; i < sets_.size(); ++i) begin(i);
    for (std::size_t i = 0; i < sets_.size(); ++i) {
      for (std::size_t k = 0; k < sets_[i].places.size(); ++k) {
        const Place& place = sets_[i].places[k];
        stand(i, standOf(place, static_cast<int>(k)));
      }
    }
    for (std::size_t i = 0; i < rows_.size(); ++i) addRow(i);
    for (const Scatter& scatter : scatters_) addScatter(scatter);
    if (!faults_.empty()) return tl::unexpected(std::move(faults_));
    forgetOthers();
    finish();
    return std::move(dressed_);
  }

 private:
  void check() {
    const auto take = [&](Faults faults) {
      for (Fault& fault : faults) faults_.push_back(std::move(fault));
    };
    std::size_t places = 0;
    for (const DecalSet& set : sets_) {
      take(setFaults(set));
      places += set.places.size();
    }
    for (const Row& row : rows_) take(rowFaults(row));
    for (const Scatter& scatter : scatters_) {
      take(scatterFaults(scatter));
      places += scatter.items.size();
    }
    placed_ = places;
    if (places > mostPlaces)
      tooMany(scatters_.empty() ? Where(Member::places, sets_.back().id)
                                : Where(Member::scatterCount, scatters_.front().id));
  }
  void tooMany(Where where) {
    faults_.push_back({std::move(where),
                       {"The cup has %1 places for sets, and takes up to %2. Remove some, or take "
                        "fewer in rows and scatters.",
                        {static_cast<long>(placed_), static_cast<long>(mostPlaces)}}});
  }

  std::shared_ptr<const SetShape> shape(std::size_t i, double curve, Angle turn,
                                        double percent = 100) {
    KeptSet& kept = planner_.sets_[sets_[i].id];
    for (const KeptShape& one : kept.shapes) {
      if (one.curve == curve && one.turn == turn.radians() && one.percent == percent) {
        used_.insert(one.made.get());
        return one.made;
      }
    }
    DecalSet set = kept.set;
    set.turn = set.turn + turn;
    set.size.length = set.size.length * (percent / 100);
    auto made = std::make_shared<const SetShape>(shapeOf(set, curve));
    kept.shapes.push_back({curve, turn.radians(), percent, made});
    used_.insert(made.get());
    return made;
  }
  /// One that is bent is turned before it is bent; a straight one as it is laid.
  std::shared_ptr<const SetShape> shape(std::size_t i, const Stand& stand) {
    const double curve = curveOf(stand, dressed_.sets[i].anchor);
    return shape(i, curve, curve == 0 ? Angle() : stand.turn, stand.percent);
  }
  double curveOf(const Stand& stand, Point anchor) const {
    return avrelt::curveOf(stand, anchor, wall_.wall);
  }

  Length top() const { return wall_.wall.body.wall(); }

  void begin(std::size_t i) {
    const DecalSet& set = sets_[i];
    DecalSet shaped = shapedBy(set);
    KeptSet& kept = planner_.sets_[set.id];
    if (kept.set != shaped) kept = {std::move(shaped), {}};
    SetPlan plan;
    plan.id = set.id;
    plan.set = static_cast<int>(i);
    plan.artwork = set.artwork;
    plan.name = set.art ? set.art->name : set.artwork;
    plan.gone = !set.art;
    plan.made = shape(i, 0, {});
    plan.scale = plan.made->scale;
    plan.box = plan.made->box;
    plan.own = plan.made->own;
    plan.turned = set.turn;
    plan.anchor = anchorOf(set, *plan.made);
    dressed_.sets.push_back(std::move(plan));
  }

  /// How much wider each layer is cut at this height for what coats add below it.
  std::vector<double> growth(const DecalSet& set, Length s) const {
    std::vector<double> across;
    const std::size_t first = firstOf(set.layers);
    for (const Layer& layer : set.layers) {
      across.push_back(set.allowGrowth ? wall_.wallOf(layer.id).body.radius(s) /
                                             wall_.wallOf(set.layers[first].id).body.radius(s)
                                       : 1.0);
    }
    return across;
  }

  struct MakeKey {
    const SetShape* made = nullptr;
    Angle turn;
    std::vector<double> across;
    /// Of a place that is parted or cut in, which no other shares a cut with.
    const KeptPlace* own = nullptr;
  };

  /// Brings the set's plane to one that a shape was turned and sized in.
  Transform fromSet(std::size_t i, const SetShape* made) const {
    for (const KeptShape& one : planner_.sets_.at(sets_[i].id).shapes) {
      if (one.made.get() != made) continue;
      const double size = one.percent / 100;
      return turned(Angle::radians(one.turn)) * Transform{size, 0, 0, size, 0, 0};
    }
    return {};
  }

  /// The cut that a place shares with others, or its own.
  std::size_t makeOf(std::size_t i, const std::shared_ptr<const SetShape>& made, Length s,
                     Angle turn, const KeptPlace* own = nullptr) {
    SetPlan& plan = dressed_.sets[i];
    MakeKey key{made.get(), {}, growth(sets_[i], s), own};
    const double half = std::max(made->box.width(), made->box.height()) / 2;
    const bool grows = std::any_of(key.across.begin(), key.across.end(), [&](double across) {
      return std::abs(across - 1) * half > alikeEnough;
    });
    // Growth runs round the cup: for one that lies turned, across it otherwise.
    if (grows) key.turn = turn;
    std::vector<MakeKey>& keys = keys_[i];
    for (std::size_t k = 0; k < keys.size(); ++k) {
      const MakeKey& other = keys[k];
      const bool alike =
          other.made == key.made && other.turn == key.turn && other.own == key.own &&
          std::equal(key.across.begin(), key.across.end(), other.across.begin(),
                     [&](double a, double b) { return std::abs(a - b) * half < alikeEnough; });
      if (alike) return k;
    }
    const Transform plane = fromSet(i, made.get());
    CutAs as{plane, key.turn, key.across, {}, {}};
    if (own != nullptr) as.shares = own->shares;
    if (own != nullptr) as.reliefs = own->reliefs;
    plan.makes.push_back({made, plane, layersAsCut(sets_[i], *made, as), {}});
    keys.push_back(std::move(key));
    return plan.makes.size() - 1;
  }

  void stand(std::size_t i, const Stand& stand) {
    const std::shared_ptr<const SetShape> made = shape(i, stand);
    SetPlan& plan = dressed_.sets[i];
    PlacePlan place;
    place.id = stand.id;
    place.row = stand.row;
    place.scatter = stand.scatter;
    place.percent = stand.percent;
    place.index = stand.index;
    place.anchor = stand.anchor;
    place.turn = stand.turn;
    place.follows = stand.follows;
    place.mark = markOf(wall_.wall, stand.anchor);
    Stand laid = stand;
    // What follows no curve is turned as it is laid.
    laid.follows = curveOf(stand, plan.anchor) != 0;
    // A bent shape's box is not the artwork's.
    const Point anchor =
        laid.follows ? plan.anchor * (stand.percent / 100) : anchorOf(sets_[i], *made);
    KeptPlace& kept = planner_.places_[place.id];
    const bool same = kept.laid && kept.made == made && kept.anchor == stand.anchor &&
                      kept.turn == stand.turn && kept.follows == laid.follows &&
                      kept.wallIs == wall_.wallIs && kept.off == anchor;
    if (!same) {
      kept = {made, stand.anchor, stand.turn, laid.follows, wall_.wallIs, {}, anchor, {}, {}, {}, 0,
              -1};
      kept.laid = std::make_shared<const LaidSet>(laidSet(*made, laid, anchor, wall_.wall));
    }
    if (kept.landmarksAre != wall_.landmarksAre) {
      kept.room = wall_.landmarks.roomOf(*kept.laid, kept.laid->reach);
      kept.landmarksAre = wall_.landmarksAre;
      kept.shares.clear();
    }
    const bool parted = part(sets_[i], laid, anchor, kept);
    const bool relieved = relieve(sets_[i], laid, anchor, kept);
    place.make = makeOf(i, made, std::clamp(stand.anchor.s, Length(), top()),
                        laid.follows ? Angle() : stand.turn, parted || relieved ? &kept : nullptr);
    plan.makes[place.make].places.push_back(place.id);
    place.onGround = standing(laid, anchor, kept.laid->ground) * plan.makes[place.make].fromSet;
    place.laid = kept.laid;
    place.room = kept.room;
    standing_.insert(place.id);
    plan.places.push_back(std::move(place));
  }

  /// Of the wall's own flat, on which everything lies where that is a cone.
  const std::vector<ZoneField>& fields() {
    if (planner_.fieldsAre_ != wall_.landmarksAre) {
      planner_.fields_ = zoneFields(wall_.landmarks, wall_.wall.flat);
      planner_.fieldsAre_ = wall_.landmarksAre;
    }
    return planner_.fields_;
  }

  /// Parts a place that lies across lines between zones, where its set asks for it; whether it does
  /// and more than one zone has a share of it.
  bool part(const DecalSet& set, const Stand& laid, Point anchor, KeptPlace& kept) {
    const std::optional<Apart>& line = kept.room.line;
    if (!set.parted || !line || line->apart > Length::mm(1e-3)) {
      kept.shares.clear();
      return false;
    }
    if (kept.shares.empty()) {
      const Development& ground = kept.laid->ground;
      const Transform way = standing(laid, anchor, ground);
      const std::vector<ZoneField> own =
          wall_.wall.body.isCone() ? std::vector<ZoneField>{} : zoneFields(wall_.landmarks, ground);
      for (std::size_t k = 0; k < set.layers.size(); ++k) {
        kept.shares.push_back(staysWhole(set, k)
                                  ? std::vector<ZoneShare>{}
                                  : sharesOf(kept.made->layers[k].shape, way, laid.anchor.theta,
                                             own.empty() ? fields() : own, ground));
      }
    }
    return std::any_of(kept.shares.begin(), kept.shares.end(),
                       [](const std::vector<ZoneShare>& shares) { return shares.size() > 1; });
  }

  /// Cuts a place in where its film would be strained by more than it bears, and its set asks for
  /// that; whether it is.
  bool relieve(const DecalSet& set, const Stand& laid, Point anchor, KeptPlace& kept) const {
    if (!set.relief || wall_.wall.body.isCone()) {
      kept.reliefs.clear();
      return false;
    }
    if (kept.reliefs.empty() || kept.bears != wall_.bears) {
      kept.bears = wall_.bears;
      kept.reliefs = reliefsOf(*kept.made, *kept.laid, laid, anchor, wall_.wall, wall_.bears);
    }
    return std::any_of(kept.reliefs.begin(), kept.reliefs.end(),
                       [](const Relief& relief) { return !relief.cuts.empty(); });
  }

  /// The sets of a row that there is something of, by their index.
  std::vector<std::size_t> setsOf(const Row& row) const {
    std::vector<std::size_t> found;
    for (const std::string& id : row.sets) {
      for (std::size_t i = 0; i < sets_.size(); ++i) {
        if (sets_[i].id == id && !dressed_.sets[i].made->outer.empty()) found.push_back(i);
      }
    }
    return found;
  }

  RowItems itemsOf(const Row& row, const std::vector<std::size_t>& sets, Length up) {
    std::vector<Footprint> items;
    for (const std::size_t i : sets) {
      const Stand stand = inRow(row, up);
      items.push_back(itemOf(*shape(i, stand), stand, dressed_.sets[i].anchor, wall_.wall));
    }
    return RowItems(wall_.wall, std::move(items));
  }

  Stand standOf(const Place& place, int index) const {
    return {
        place.id,      {}, {}, index, {wall_.wall.inFrame(place.at), place.up.length}, place.turn,
        place.follows, 100};
  }

  void addScatter(const Scatter& scatter) {
    // The largest first, so that a set's first cut is the one that is shown.
    std::vector<std::size_t> order(scatter.items.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
      return scatter.items[a].percent > scatter.items[b].percent;
    });
    for (const std::size_t k : order) {
      const ScatterItem& item = scatter.items[k];
      Stand one = standOf(item.place, static_cast<int>(k));
      one.scatter = scatter.id;
      one.percent = item.percent;
      for (std::size_t i = 0; i < sets_.size(); ++i) {
        if (sets_[i].id == item.set && sets_[i].art) stand(i, one);
      }
    }
  }

  void addRow(std::size_t index) {
    const Row& row = rows_[index];
    const std::vector<std::size_t> sets = setsOf(row);
    RowPlan plan;
    plan.id = row.id;
    plan.row = static_cast<int>(index);
    plan.lines = row.lines;
    plan.gone = sets.empty();
    if (plan.gone) {
      dressed_.rows.push_back(std::move(plan));
      return;
    }
    KeptRow& kept = planner_.rows_[row.id];
    std::vector<std::shared_ptr<const SetShape>> made;
    std::vector<Anchor> anchors;
    for (const std::size_t i : sets) {
      made.push_back(shape(i, inRow(row, row.up.length)));
      anchors.push_back(sets_[i].anchor);
    }
    if (kept.lines.empty() || kept.row != row || kept.made != made || kept.anchors != anchors ||
        kept.wallIs != wall_.wallIs) {
      kept = {row, made, anchors, wall_.wallIs, std::move(plan), {}};
      solve(row, sets, kept);
    }
    kept.plan.row = static_cast<int>(index);
    for (const RowFit& fit : kept.lines) placed_ += fit.at.size();
    if (placed_ > mostPlaces) return tooMany({Member::rowCount, rows_[index].id});
    place(row, sets, kept.lines);
    dressed_.rows.push_back(kept.plan);
  }

  void solve(const Row& row, const std::vector<std::size_t>& sets, KeptRow& kept) {
    std::vector<RowItems> items;
    std::optional<int> count = row.count;
    for (int line = 0; line < row.lines; ++line) {
      items.push_back(itemsOf(row, sets, row.up.length + row.apart.length * line));
      kept.lines.push_back(fitRow(items.back(), row.count, row.gap.length, row.even));
    }
    const auto tightest = [&] {
      return std::min_element(
          kept.lines.begin(), kept.lines.end(), [](const RowFit& a, const RowFit& b) {
            return std::make_tuple(a.at.size(), a.gap) < std::make_tuple(b.at.size(), b.gap);
          });
    };
    // All lines take as many as the tightest.
    const auto many = static_cast<int>(tightest()->at.size());
    for (std::size_t line = 0; line < kept.lines.size(); ++line) {
      RowFit& fit = kept.lines[line];
      if (static_cast<int>(fit.at.size()) == many || many == 0) continue;
      fit = fitRow(items[line], many, row.gap.length, row.even);
    }
    RowPlan& plan = kept.plan;
    plan.fit = *tightest();
    for (const RowFit& fit : kept.lines) {
      plan.fit.most = std::min(plan.fit.most, fit.most);
      plan.fit.fits = plan.fit.fits && fit.fits;
    }
    const int wanted = count.value_or(many);
    plan.fit.fits = plan.fit.fits && many == wanted && many > 0;
    plan.leftOver = wall_.wall.body.radius(std::clamp(row.up.length, Length(), top())) *
                    plan.fit.left.radians();
    plan.closes = many == 0 || !row.even || many % static_cast<int>(sets.size()) == 0;
    if (plan.fit.fits) return;
    Row asked = row;
    asked.count = std::max(wanted, 1);
    const std::optional<double> share = largestShare(asked, sets_, wall_.wall);
    if (share) plan.fitsAt = sets_[sets.front()].size.length * *share;
  }

  void place(const Row& row, const std::vector<std::size_t>& sets,
             const std::vector<RowFit>& lines) {
    int number = 0;
    for (std::size_t line = 0; line < lines.size(); ++line) {
      const std::vector<Angle>& at = lines[line].at;
      if (at.empty()) continue;
      const Angle between = Angle::turn() - at.back();
      Angle first = wall_.wall.inFrame(row.at);
      if (row.start == RowStart::middle) first = first - at.back() / 2;
      if (row.start == RowStart::gap) first = first + between / 2;
      if (row.start == RowStart::seam) first = -Angle::halfTurn() + between / 2;
      if (row.staggered && line % 2 == 1) {
        first = first + (at.size() > 1 ? at[1] : Angle::turn()) / 2;
      }
      for (std::size_t i = 0; i < at.size(); ++i) {
        Stand one = inRow(row, row.up.length + row.apart.length * static_cast<double>(line));
        one.id = row.id + "-" + std::to_string(++number);
        one.index = number - 1;
        one.anchor.theta = (first + at[i]).wrapped();
        stand(sets[i % sets.size()], one);
      }
    }
  }

  /// Every set has a cut to be shown, also where it stands nowhere.
  void finish() {
    std::vector<PlacePlan*> all;
    std::vector<PlacePlan*> hidden;
    for (std::size_t i = 0; i < dressed_.sets.size(); ++i) {
      SetPlan& plan = dressed_.sets[i];
      if (plan.makes.empty()) makeOf(i, plan.made, top() / 2, {});
      const bool buried =
          std::any_of(sets_[i].layers.begin(), sets_[i].layers.end(),
                      [](const Layer& layer) { return layer.kind == LayerKind::peekaboo; });
      for (PlacePlan& place : plan.places) {
        all.push_back(&place);
        if (buried) hidden.push_back(&place);
      }
    }
    between(all);
    std::stable_sort(hidden.begin(), hidden.end(), [](const PlacePlan* a, const PlacePlan* b) {
      return std::make_tuple(a->anchor.theta, b->anchor.s) <
             std::make_tuple(b->anchor.theta, a->anchor.s);
    });
    for (std::size_t i = 0; i < hidden.size(); ++i) hidden[i]->number = static_cast<int>(i) + 1;
  }

  /// Of each the nearest other; those are not looked at whose discs lie farther.
  void between(const std::vector<PlacePlan*>& places) const {
    std::vector<std::pair<double, std::size_t>> others;
    for (std::size_t i = 0; i < places.size(); ++i) {
      PlacePlan& one = *places[i];
      if (one.laid->outline.empty()) continue;
      others.clear();
      for (std::size_t k = 0; k < places.size(); ++k) {
        const LaidSet& other = *places[k]->laid;
        if (k == i || other.outline.empty()) continue;
        others.emplace_back(spacingOf(wall_.wall, *one.laid, other).least, k);
      }
      std::sort(others.begin(), others.end());
      for (const auto& [least, k] : others) {
        if (one.room.place && one.room.place->apart.mm() <= least) break;
        Apart apart = apartOn(wall_.wall, *one.laid, *places[k]->laid);
        if (one.room.place && one.room.place->apart <= apart.apart) continue;
        apart.id = places[k]->id;
        one.room.place = std::move(apart);
      }
    }
  }

  /// Keeps what was used this time alone.
  void forgetOthers() {
    std::erase_if(planner_.sets_, [&](const auto& kept) {
      return std::none_of(sets_.begin(), sets_.end(),
                          [&](const DecalSet& set) { return set.id == kept.first; });
    });
    for (auto& [id, kept] : planner_.sets_) {
      std::erase_if(kept.shapes,
                    [&](const KeptShape& one) { return !used_.contains(one.made.get()); });
    }
    std::erase_if(planner_.places_,
                  [&](const auto& kept) { return !standing_.contains(kept.first); });
    std::erase_if(planner_.rows_, [&](const auto& kept) {
      return std::none_of(rows_.begin(), rows_.end(),
                          [&](const Row& row) { return row.id == kept.first; });
    });
  }

  SetPlanner& planner_;
  const std::vector<DecalSet>& sets_;
  const std::vector<Row>& rows_;
  const std::vector<Scatter>& scatters_;
  const DressedWall& wall_;
  Faults faults_;
  Dressed dressed_;
  std::size_t placed_ = 0;
  std::map<std::size_t, std::vector<MakeKey>> keys_;
  std::set<const SetShape*> used_;
  std::set<std::string> standing_;
};

CheckedAll<Dressed> SetPlanner::operator()(const std::vector<DecalSet>& sets,
                                           const std::vector<Row>& rows,
                                           const std::vector<Scatter>& scatters,
                                           const DressedWall& wall) {
  return Work(*this, sets, rows, scatters, wall)();
}

}  // namespace avrelt
