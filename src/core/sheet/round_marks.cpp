// SPDX-License-Identifier: GPL-3.0-or-later
#include "sheet/round_marks.h"

#include <algorithm>

namespace avrelt {

const std::vector<RoundMark>& roundMarks() {
  static const std::vector<RoundMark> marks{
      {CupAngle::degrees(0), GuideKind::front, {"front", {}}},
      {CupAngle::degrees(90), GuideKind::quarter, {"right", {}}},
      {CupAngle::degrees(180), GuideKind::quarter, {"back", {}}},
      {CupAngle::degrees(-90), GuideKind::quarter, {"left", {}}},
  };
  return marks;
}

bool onSeam(const WrapLayout& layout, CupAngle onCup) {
  return abs((onCup - layout.seamAt()).wrapped()) < Angle::degrees(0.01);
}

Length letterHeight(std::size_t characters, Length width, Length tallest) {
  constexpr double widthPerHeight = 0.58;
  constexpr Length unreadable = Length::mm(0.9);
  const double count = static_cast<double>(std::max<std::size_t>(characters, 1));
  const Length fitting = std::min(tallest, width / (count * widthPerHeight));
  return fitting < unreadable ? Length() : fitting;
}

}  // namespace avrelt
