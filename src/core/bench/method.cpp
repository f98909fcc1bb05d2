// SPDX-License-Identifier: GPL-3.0-or-later
#include "bench/method.h"

namespace avrelt {
namespace {

constexpr Duration min(double minutes) {
  return Duration::minutes(minutes);
}
constexpr Duration hours(double count) {
  return Duration::minutes(count * 60);
}

}  // namespace

const char* methodName(MethodKind kind) {
  static constexpr std::array<const char*, methodKinds> names{
      "resin",    "fast_resin", "brush_glue", "wet_paint",   "spray_clear", "tacky_glue",
      "uv_resin", "sealer",     "paint",      "spray_paint", "ink",         "dip"};
  return names[static_cast<std::size_t>(kind)];
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
       min(15)});
  put({MethodKind::fastResin,
       {min(0), min(5)},
       {min(0), min(5)},
       {hours(2)},
       hours(4),
       hours(12),
       false,
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
}

}  // namespace avrelt
