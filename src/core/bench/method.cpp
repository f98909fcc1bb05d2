// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/method.h"

#include <algorithm>
#include <cmath>

#include "measure/minutes.h"

namespace avrelt {
namespace {
constexpr Duration hours(double count) {
  return Duration::minutes(count * 60);
}

}  // namespace

const char* methodName(MethodKind kind) {
  static constexpr std::array<const char*, methodKinds> names{
      "resin",     "fast_resin",  "brush_glue", "wet_paint",   "spray_clear", "tacky_glue",
      "uv_resin",  "sealer",      "paint",      "spray_paint", "ink",         "dip",
      "heat_film", "water_print", "foil",       "soap_resist"};
  return names[static_cast<std::size_t>(kind)];
}

Sentence methodTitle(MethodKind kind) {
  constexpr std::array<const char*, methodKinds> titles{"Resin",
                                                        "Fast resin",
                                                        "Brush-on glue",
                                                        "Into wet paint",
                                                        "Spray clear",
                                                        "Tacky glue",
                                                        "UV resin",
                                                        "Sealer",
                                                        "Brushed paint",
                                                        "Spray paint",
                                                        "Ink",
                                                        "Dip",
                                                        "Heat-applied film",
                                                        "Water-release print",
                                                        "Foil",
                                                        "Soap resist"};
  return {titles[static_cast<std::size_t>(kind)], {}};
}

std::optional<MethodKind> methodNamed(const std::string& name) {
  for (std::size_t i = 0; i < methodKinds; ++i) {
    if (name == methodName(static_cast<MethodKind>(i))) return static_cast<MethodKind>(i);
  }
  return std::nullopt;
}

MethodKind methodOf(Stick stick) {
  switch (stick) {
    case Stick::resin:
      return MethodKind::resin;
    case Stick::brushGlue:
      return MethodKind::brushGlue;
    case Stick::wetPaint:
      return MethodKind::wetPaint;
    case Stick::sprayClear:
      return MethodKind::sprayClear;
    case Stick::tackyGlue:
      return MethodKind::tackyGlue;
    case Stick::uvResin:
      break;
  }
  return MethodKind::uvResin;
}

Methods::Methods() {
  const auto put = [this](Method method) { of(method.kind) = method; };
  // Kind; into it; tape off; next; handle; cure; last; hands-on.
  put({MethodKind::resin,
       {min(0), min(10)},
       {min(0), min(10)},
       {hours(5)},
       hours(8),
       hours(12),
       true,
       min(12),
       min(25)});
  put({MethodKind::fastResin,
       {min(0), min(5)},
       {min(0), min(5)},
       {hours(2)},
       hours(4),
       hours(12),
       false,
       min(12),
       min(12)});
  put({MethodKind::brushGlue,
       {min(0), min(5)},
       {min(0), min(15)},
       {hours(1.5)},
       hours(1.5),
       hours(2),
       true,
       min(8)});
  put({MethodKind::wetPaint,
       {min(0), min(3)},
       {min(0), min(15)},
       {hours(1)},
       hours(1),
       hours(2),
       true,
       min(6)});
  put({MethodKind::sprayClear,
       {min(0), min(1)},
       {min(0), min(15)},
       {min(20)},
       min(30),
       hours(8),
       true,
       min(5)});
  put({MethodKind::tackyGlue,
       {min(20), hours(2)},
       {min(0), min(30)},
       {min(30)},
       min(30),
       hours(1),
       true,
       min(8)});
  put({MethodKind::uvResin,
       {min(0), min(10)},
       {min(0), min(10)},
       {min(5)},
       min(5),
       min(5),
       true,
       min(10)});
  // It comes ready to use.
  of(MethodKind::uvResin).mixing.partB = 0;
  put({MethodKind::sealer, {}, {}, {min(45)}, min(45), hours(2), true, min(5)});
  put({MethodKind::paint, {}, {min(20), hours(2)}, {min(45)}, min(45), hours(2), true, min(8)});
  put({MethodKind::sprayPaint,
       {},
       {min(20), hours(2)},
       {hours(10)},
       hours(1),
       hours(12),
       true,
       min(5)});
  put({MethodKind::ink, {}, {min(15), hours(2)}, {min(45)}, hours(1), hours(2), true, min(10)});
  put({MethodKind::dip, {}, {min(15), hours(2)}, {hours(2)}, hours(2), hours(12), true, min(10)});
  // It cools before its carrier comes off.
  put({MethodKind::heatFilm, {}, {}, {min(10)}, min(10), hours(24), true, min(6)});
  // Water has to leave before anything closes it in.
  put({MethodKind::waterPrint, {}, {}, {hours(10)}, hours(10), hours(24), false, min(15)});
  // Its glue is tacky first.
  put({MethodKind::foil, {min(15), hours(1)}, {}, {hours(1)}, hours(1), hours(12), false, min(15)});
  // Painted over, it is washed out once that is dry.
  put({MethodKind::soapResist, {min(10)}, {}, {min(45)}, min(45), hours(2), false, min(10)});
  // Brush-on glue is touch-dry in 5 min, and two thin coats of clear go on 15 to 30 min apart:
  // common practice. What sets has set by the time the next goes on.
  for (Method& method : all) method.touch = method.next.least;
  for (const MethodKind kind : {MethodKind::brushGlue, MethodKind::tackyGlue, MethodKind::paint}) {
    of(kind).touch = min(5);
  }
  for (const MethodKind kind : {MethodKind::wetPaint, MethodKind::ink, MethodKind::dip}) {
    of(kind).touch = min(15);
  }
  of(MethodKind::sprayPaint).touch = min(20);
  of(MethodKind::sprayClear).touch = min(20);
}

const std::vector<MethodFigure>& methodFigures() {
  constexpr double year = 525'600;
  const auto mostOf = [](const Wait& wait) { return wait.most ? wait.most->minutes() : -1; };
  static const auto most = mostOf;
  static const auto setMost = [](Wait& wait, double value) {
    wait.most = value < 0 ? std::nullopt : std::optional(min(value));
  };
  using M = const Method&;
  static const std::vector<MethodFigure> figures{
      {"hands_on", 0, year, false, [](M m) { return m.handsOn.minutes(); },
       [](Method& m, double v) { m.handsOn = min(v); }},
      {"working", 0, year, true, [](M m) { return m.working.minutes(); },
       [](Method& m, double v) { m.working = min(v); }},
      {"open_least", 0, year, false, [](M m) { return m.open.least.minutes(); },
       [](Method& m, double v) { m.open.least = min(v); }},
      {"open_most", -1, year, false, [](M m) { return most(m.open); },
       [](Method& m, double v) { setMost(m.open, v); }},
      {"pull_least", 0, year, false, [](M m) { return m.pull.least.minutes(); },
       [](Method& m, double v) { m.pull.least = min(v); }},
      {"pull_most", -1, year, false, [](M m) { return most(m.pull); },
       [](Method& m, double v) { setMost(m.pull, v); }},
      {"next_least", 0, year, false, [](M m) { return m.next.least.minutes(); },
       [](Method& m, double v) { m.next.least = min(v); }},
      {"next_most", -1, year, false, [](M m) { return most(m.next); },
       [](Method& m, double v) { setMost(m.next, v); }},
      {"touch", 0, year, false, [](M m) { return m.touch.minutes(); },
       [](Method& m, double v) { m.touch = min(v); }},
      {"handle", 0, year, false, [](M m) { return m.handle.minutes(); },
       [](Method& m, double v) { m.handle = min(v); }},
      {"cure", 0, year, false, [](M m) { return m.cure.minutes(); },
       [](Method& m, double v) { m.cure = min(v); }},
      {"may_be_last", 0, 1, true, [](M m) { return m.mayBeLast ? 1.0 : 0.0; },
       [](Method& m, double v) { m.mayBeLast = v > 0; }},
      {"part_b", 0, 10, true, [](M m) { return m.mixing.partB; },
       [](Method& m, double v) { m.mixing.partB = v; }},
      {"g_per_ml_a", 0.1, 10, true, [](M m) { return m.mixing.gramsPerMlA; },
       [](Method& m, double v) { m.mixing.gramsPerMlA = v; }},
      {"g_per_ml_b", 0.1, 10, true, [](M m) { return m.mixing.gramsPerMlB; },
       [](Method& m, double v) { m.mixing.gramsPerMlB = v; }},
      {"lost", 0, 0.9, true, [](M m) { return m.mixing.lost; },
       [](Method& m, double v) { m.mixing.lost = v; }},
  };
  return figures;
}

std::optional<Sentence> faultOf(const Method& method) {
  for (const MethodFigure& figure : methodFigures()) {
    const double value = figure.get(method);
    // Written so that what is no number fails.
    if (!(value >= figure.least && value <= figure.most)) {
      return Sentence{"“%1” of “%2” has to be from %3 to %4.",
                      {figure.name, methodName(method.kind), numberText(figure.least, 1),
                       numberText(figure.most, 1)}};
    }
  }
  for (const Wait* wait : {&method.open, &method.pull, &method.next}) {
    if (wait->most && *wait->most < wait->least) {
      return Sentence{"A longest wait of “%1” is shorter than the least. Put one of the two right.",
                      {methodName(method.kind)}};
    }
  }
  return std::nullopt;
}

Methods methodsAt(const Methods& methods, std::optional<Temperature> warmth) {
  if (!warmth) return methods;
  constexpr double usual = 21;
  constexpr double halves = 10;
  const double factor = std::exp2((usual - warmth->celsius()) / halves);
  Methods at = methods;
  for (const MethodKind kind : {MethodKind::resin, MethodKind::fastResin}) {
    Method& method = at.of(kind);
    for (Wait* wait : {&method.open, &method.pull, &method.next}) {
      if (factor > 1) {
        const Duration room = wait->most ? *wait->most - wait->least : Duration();
        wait->least = wait->least * factor;
        if (wait->most) wait->most = std::max(*wait->most, wait->least + room);
      } else if (wait->most) {
        wait->most = std::max(wait->least, *wait->most * factor);
      }
    }
    if (factor > 1) {
      method.handle = method.handle * factor;
      method.touch = method.touch * factor;
      method.cure = method.cure * factor;
    } else {
      method.working = method.working * factor;
    }
  }
  return at;
}

}  // namespace avrelt
