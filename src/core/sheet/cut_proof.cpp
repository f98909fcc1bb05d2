// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/cut_proof.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

#include "shape/polygon.h"
#include "shape/segment.h"

namespace avrelt {
namespace {

using Outline = std::vector<Point>;
constexpr double farOff = std::numeric_limits<double>::infinity();
/// A shape is taken for the planned one while it lies within this of it.
constexpr double near = 1.0;
/// Lines are looked at so finely.
constexpr double proofStep = 0.5;

/// An outline in runs of sides with a box each, for asking how far a place lies from it.
class Line {
 public:
  explicit Line(const Outline& outline) : outline_(outline) {
    for (std::size_t from = 0; from < outline.size(); from += run) {
      Box box;
      for (std::size_t i = from; i <= std::min(from + run, outline.size()); ++i) {
        box.add(outline[i % outline.size()]);
      }
      boxes_.push_back(box);
    }
  }

  double away(Point p) const {
    double least = farOff;
    for (std::size_t b = 0; b < boxes_.size(); ++b) {
      const Box& box = boxes_[b];
      const double dx = std::max({box.low.x - p.x, p.x - box.high.x, 0.0});
      const double dy = std::max({box.low.y - p.y, p.y - box.high.y, 0.0});
      if (dx * dx + dy * dy >= least) continue;
      for (std::size_t i = b * run; i < std::min((b + 1) * run, outline_.size()); ++i) {
        least =
            std::min(least, squareDistance(p, outline_[i], outline_[(i + 1) % outline_.size()]));
      }
    }
    return std::sqrt(least);
  }

 private:
  static constexpr std::size_t run = 16;
  const Outline& outline_;
  std::vector<Box> boxes_;
};

/// The farthest any place of one outline lies from the other.
double farthest(const Outline& from, const Outline& to) {
  const Line line(to);
  double most = 0;
  for (std::size_t i = 0; i < from.size(); ++i) {
    const Point a = from[i];
    const Point b = from[(i + 1) % from.size()];
    const int parts = std::max(1, static_cast<int>(std::ceil(norm(b - a) / proofStep)));
    for (int k = 0; k < parts; ++k)
      most = std::max(most, line.away(a + (b - a) * (1.0 * k / parts)));
  }
  return most;
}

double apart(const Outline& a, const Outline& b) {
  return std::max(farthest(a, b), farthest(b, a));
}

double areaOf(const Outline& outline) {
  return std::abs(signedArea(outline));
}

struct Known {
  Outline outline;
  Box box;
  double area = 0;
};

std::vector<Known> known(std::vector<Outline> outlines) {
  std::vector<Known> all;
  all.reserve(outlines.size());
  for (Outline& outline : outlines) {
    const Box box = boundsOf(Polygon{outline});
    const double area = areaOf(outline);
    all.push_back({std::move(outline), box, area});
  }
  return all;
}

/// Which cut shape each planned one is, and how far off.
struct Match {
  std::vector<std::optional<std::size_t>> cut;
  std::vector<double> off;
  std::size_t found = 0;
  double worst = 0;

  bool betterThan(const Match& other) const {
    if (found != other.found) return found > other.found;
    return worst < other.worst;
  }
};

Match matched(const std::vector<Known>& planned, const std::vector<Known>& cut) {
  Match match;
  match.cut.resize(planned.size());
  match.off.resize(planned.size(), farOff);
  std::vector<bool> taken(cut.size(), false);
  for (std::size_t i = 0; i < planned.size(); ++i) {
    const Box& box = planned[i].box;
    for (std::size_t k = 0; k < cut.size(); ++k) {
      if (taken[k]) continue;
      const Box& other = cut[k].box;
      const double corners =
          std::max({std::abs(box.low.x - other.low.x), std::abs(box.low.y - other.low.y),
                    std::abs(box.high.x - other.high.x), std::abs(box.high.y - other.high.y)});
      if (corners >= std::min(near, match.off[i])) continue;
      match.off[i] = std::min(match.off[i], apart(planned[i].outline, cut[k].outline));
      if (match.off[i] < near) match.cut[i] = k;
    }
    if (!match.cut[i]) continue;
    taken[*match.cut[i]] = true;
    ++match.found;
    match.worst = std::max(match.worst, match.off[i]);
  }
  return match;
}

double median(std::vector<double> values) {
  if (values.empty()) return 0;
  const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
  std::nth_element(values.begin(), middle, values.end());
  return *middle;
}

std::vector<Known> doneTo(const std::vector<Known>& planned, const CutProof::Wrong& wrong,
                          double wide, double tall) {
  std::vector<Outline> outlines;
  for (const Known& one : planned) {
    Outline outline = one.outline;
    for (Point& p : outline) {
      if (wrong.mirrored) p.x = wide - p.x;
      if (wrong.upsideDown) p = {wide - p.x, tall - p.y};
      p = {p.x * wrong.wide + wrong.moved.x, p.y * wrong.tall + wrong.moved.y};
    }
    outlines.push_back(std::move(outline));
  }
  return known(std::move(outlines));
}

using Pairs = std::vector<std::pair<std::size_t, std::size_t>>;

/// What is likely to be each other's, while nothing is known of scale and place: by the order of
/// cutting, or by size.
std::vector<Pairs> likely(const std::vector<Known>& planned, const std::vector<Known>& cut) {
  const std::size_t count = std::min(planned.size(), cut.size());
  Pairs byOrder;
  for (std::size_t i = 0; i < count; ++i) byOrder.emplace_back(i, i);
  Pairs fromEnd;
  for (std::size_t i = 1; i <= count; ++i) {
    fromEnd.emplace_back(planned.size() - i, cut.size() - i);
  }
  const auto bySize = [](const std::vector<Known>& all) {
    std::vector<std::size_t> order(all.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return all[a].area > all[b].area; });
    return order;
  };
  Pairs sized;
  const std::vector<std::size_t> a = bySize(planned);
  const std::vector<std::size_t> b = bySize(cut);
  for (std::size_t i = 0; i < count; ++i) sized.emplace_back(a[i], b[i]);
  return {byOrder, fromEnd, sized};
}

/// The stretch and the shift that take the planned ones to the cut ones, mirrored and turned so.
CutProof::Wrong fitted(const std::vector<Known>& planned, const std::vector<Known>& cut,
                       const Pairs& pairs, bool mirrored, bool upsideDown, double wide,
                       double tall) {
  CutProof::Wrong wrong;
  wrong.mirrored = mirrored;
  wrong.upsideDown = upsideDown;
  // By where they lie, farther apart than they are wide, where there are several; else by size.
  const std::vector<Known> turned = doneTo(planned, wrong, wide, tall);
  const auto stretch = [&](auto along, auto size) {
    double low = farOff;
    double high = -farOff;
    std::size_t first = 0;
    std::size_t last = 0;
    for (std::size_t i = 0; i < pairs.size(); ++i) {
      const double at = along(turned[pairs[i].first].box.centre());
      if (at < low) low = at, first = i;
      if (at > high) high = at, last = i;
    }
    if (high - low > 5) {
      return (along(cut[pairs[last].second].box.centre()) -
              along(cut[pairs[first].second].box.centre())) /
             (high - low);
    }
    std::vector<double> ratios;
    for (const auto& [i, k] : pairs) {
      ratios.push_back(size(cut[k].box) / std::max(size(turned[i].box), 1e-9));
    }
    return median(ratios);
  };
  wrong.wide = stretch([](Point p) { return p.x; }, [](const Box& box) { return box.width(); });
  wrong.tall = stretch([](Point p) { return p.y; }, [](const Box& box) { return box.height(); });
  std::vector<double> x;
  std::vector<double> y;
  for (const auto& [i, k] : pairs) {
    const Point from = turned[i].box.centre();
    const Point to = cut[k].box.centre();
    x.push_back(to.x - from.x * wrong.wide);
    y.push_back(to.y - from.y * wrong.tall);
  }
  wrong.moved = {median(x), median(y)};
  return wrong;
}

/// Where all that was cut from one shape on lies elsewhere, by as much as the first of them.
std::optional<CutProof::Slipped> slipOf(const std::vector<Known>& planned,
                                        const std::vector<Known>& cut, const Match& asPlanned) {
  // As far as they are found in order; the one during which it slipped may not have closed.
  std::size_t well = 0;
  while (well < planned.size() && asPlanned.cut[well] &&
         asPlanned.off[well] <= CutProof::tolerance.mm()) {
    ++well;
  }
  if (well == 0 || well == planned.size() || well >= cut.size()) return std::nullopt;
  for (const std::size_t skipped : {std::size_t{0}, std::size_t{1}}) {
    const std::size_t first = well + skipped;
    if (first >= planned.size()) break;
    for (std::size_t k = well; k < std::min(cut.size(), well + 2); ++k) {
      const Point by = cut[k].box.low - planned[first].box.low;
      if (norm(by) <= CutProof::tolerance.mm()) continue;
      const std::vector<Known> rest(planned.begin() + static_cast<std::ptrdiff_t>(first),
                                    planned.end());
      CutProof::Wrong moved;
      moved.moved = by;
      const Match match = matched(doneTo(rest, moved, 0, 0), cut);
      if (match.found == rest.size() && match.worst <= 2 * CutProof::tolerance.mm()) {
        return CutProof::Slipped{well, by};
      }
    }
  }
  return std::nullopt;
}

}  // namespace

bool CutProof::good() const {
  return missing.empty() && others == 0 && thin == 0 && !wrong && !slipped && worst <= tolerance;
}

CutFilm seenFromFace(CutFilm film, const CutJob& job, const Cutter& cutter) {
  if (!cutter.mirrored) return film;
  const auto back = [&](std::vector<Point>& points) {
    for (Point& p : points) p.x = job.wide.mm() - p.x;
  };
  for (CutShape& shape : film.shapes) back(shape.outline);
  for (std::vector<Polyline>* lines : {&film.open, &film.drawn}) {
    for (Polyline& line : *lines) back(line.points);
  }
  return film;
}

CutProof proofOf(const CutJob& job, const Cutter& cutter, const CutFilm& film) {
  CutProof proof;
  std::vector<Outline> outlines;
  CutFilm seen = seenFromFace(film, job, cutter);
  for (CutShape& shape : seen.shapes) {
    outlines.push_back(std::move(shape.outline));
  }
  const std::vector<Known> planned = known(job.shapes());
  const std::vector<Known> cut = known(std::move(outlines));
  proof.planned = planned.size();
  const double wide = job.wide.mm();
  const double tall = job.tall.mm();

  const Match asPlanned = matched(planned, cut);
  Match best = asPlanned;
  std::vector<Known> wanted = planned;
  const bool well = asPlanned.found == std::min(planned.size(), cut.size()) &&
                    asPlanned.worst <= CutProof::tolerance.mm();
  if (!well && !cut.empty()) {
    proof.slipped = slipOf(planned, cut, asPlanned);
    for (const Pairs& pairs : likely(planned, cut)) {
      if (proof.slipped || pairs.empty()) break;
      for (const bool mirrored : {false, true}) {
        for (const bool upsideDown : {false, true}) {
          const CutProof::Wrong wrong =
              fitted(planned, cut, pairs, mirrored, upsideDown, wide, tall);
          if (!(wrong.wide > 0.02 && wrong.wide < 50 && wrong.tall > 0.02 && wrong.tall < 50)) {
            continue;
          }
          std::vector<Known> moved = doneTo(planned, wrong, wide, tall);
          Match match = matched(moved, cut);
          if (!match.betterThan(best)) continue;
          best = std::move(match);
          wanted = std::move(moved);
          proof.wrong = wrong;
        }
      }
      if (best.found == cut.size() && best.worst <= CutProof::tolerance.mm()) break;
    }
  }

  double areaPlanned = 0;
  double areaCut = 0;
  std::vector<bool> taken(cut.size(), false);
  for (std::size_t i = 0; i < planned.size(); ++i) {
    if (!best.cut[i]) {
      if (!proof.slipped || i < proof.slipped->from) proof.missing.push_back(i);
      continue;
    }
    const std::size_t k = *best.cut[i];
    taken[k] = true;
    ++proof.found;
    areaPlanned += planned[i].area;
    areaCut += cut[k].area;
    if (film.shapes[k].passes < cutter.passes) ++proof.thin;
    const double asItLies = proof.wrong ? apart(planned[i].outline, cut[k].outline) : best.off[i];
    proof.worst = std::max(proof.worst, Length::mm(asItLies));
    proof.worstOfSetRight = std::max(proof.worstOfSetRight, Length::mm(best.off[i]));
  }
  if (!proof.slipped) {
    proof.others = static_cast<std::size_t>(std::count(taken.begin(), taken.end(), false));
  }
  proof.areas = areaPlanned > 0 ? areaCut / areaPlanned : 1;
  return proof;
}

std::vector<Sentence> wordsOf(const CutProof& proof) {
  std::vector<Sentence> words;
  const auto count = [](std::size_t n) { return static_cast<long>(n); };
  const auto one = [](std::size_t n, const char* single, const char* several) {
    return n == 1 ? single : several;
  };
  if (proof.good()) {
    words.push_back({"%1 of %2 shapes, %3 off at most. Not scaled, not mirrored.",
                     {count(proof.found), count(proof.planned), proof.worst}});
    return words;
  }
  if (proof.found == 0 && !proof.slipped) {
    words.push_back({"None of the %1 shapes was cut. Look at the cutter and send the sheet again.",
                     {count(proof.planned)}});
  }
  constexpr double sameScale = 0.0005;
  if (proof.wrong) {
    const CutProof::Wrong& wrong = *proof.wrong;
    if (wrong.mirrored) {
      words.push_back(
          {"The film came out mirrored. Turn mirroring off at the cutter, or tick “fed "
           "face down” here if that is how it is fed.",
           {}});
    }
    if (wrong.upsideDown) {
      words.push_back(
          {"The film came out turned by half. Feed it the other way round, or set the "
           "cutter to no turn.",
           {}});
    }
    if (std::abs(wrong.wide - wrong.tall) < sameScale && std::abs(wrong.wide - 1) >= sameScale) {
      words.push_back(
          {"Everything came out %1 times as large as planned. Set the cutter’s scale "
           "to %2 % of what it is now.",
           {numberText(wrong.wide, 4), numberText(100 / wrong.wide, 2)}});
    } else if (std::abs(wrong.wide - 1) >= sameScale || std::abs(wrong.tall - 1) >= sameScale) {
      words.push_back(
          {"Everything came out %1 times as wide and %2 times as tall as planned. Set "
           "the cutter’s scale to %3 % across and %4 % along of what it is now.",
           {numberText(wrong.wide, 4), numberText(wrong.tall, 4), numberText(100 / wrong.wide, 2),
            numberText(100 / wrong.tall, 2)}});
    } else if (!wrong.mirrored && !wrong.upsideDown) {
      words.push_back(
          {"Everything lies %1 across and %2 along from where it was planned. The "
           "shapes are good where they lie on film.",
           {Length::mm(std::abs(wrong.moved.x)), Length::mm(std::abs(wrong.moved.y))}});
    }
  }
  if (proof.slipped) {
    words.push_back(
        {"From shape %1 on everything lies %2 off: the film slipped. Press the rollers "
         "down on both edges, cut slower, and cut the rest again.",
         {count(proof.slipped->from + 1), Length::mm(norm(proof.slipped->by))}});
  }
  if (!proof.missing.empty() && proof.found > 0) {
    words.push_back({one(proof.missing.size(),
                         "%1 of %2 shapes is missing: the film was too short, or cutting stopped. "
                         "Cut it again from what is left.",
                         "%1 of %2 shapes are missing: the film was too short, or cutting stopped. "
                         "Cut them again from what is left."),
                     {count(proof.missing.size()), count(proof.planned)}});
  }
  if (proof.thin > 0) {
    words.push_back({one(proof.thin,
                         "%1 shape was not gone round as often as the cutter was told. Cut it "
                         "through by hand.",
                         "%1 shapes were not gone round as often as the cutter was told. Cut them "
                         "through by hand."),
                     {count(proof.thin)}});
  }
  if (proof.others > 0) {
    words.push_back(
        {one(proof.others, "%1 closed shape lies on the film that is not of this sheet.",
             "%1 closed shapes lie on the film that are not of this sheet."),
         {count(proof.others)}});
  }
  if (words.empty() || proof.worstOfSetRight > CutProof::tolerance) {
    words.push_back(
        {"%1 of %2 shapes, but up to %3 off. Try a slower cut, a fresh blade and the "
         "blade’s offset on a test piece.",
         {count(proof.found), count(proof.planned), proof.worstOfSetRight}});
  }
  return words;
}

}  // namespace avrelt
