// SPDX-License-Identifier: GPL-3.0-or-later
#include "files/svg_values.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <map>

#include "shape/path_text.h"

namespace avrelt {

std::optional<double> lengthIn(std::string_view text, double whole) {
  skipBlanks(text);
  const std::optional<double> number = takeNumber(text);
  if (!number || std::abs(*number) > 1e7) return std::nullopt;
  while (!text.empty() && std::isspace(static_cast<unsigned char>(text.back())) != 0) {
    text.remove_suffix(1);
  }
  skipBlanks(text);
  static const std::map<std::string_view, double> units{{"", 1},
                                                        {"px", 1},
                                                        {"mm", pxPerInch / 25.4},
                                                        {"cm", pxPerInch / 2.54},
                                                        {"in", 96},
                                                        {"pt", 96.0 / 72},
                                                        {"pc", 16},
                                                        {"Q", pxPerInch / 101.6},
                                                        {"em", 16},
                                                        {"ex", 8}};
  if (text == "%") return *number / 100 * whole;
  const auto unit = units.find(text);
  if (unit == units.end()) return std::nullopt;
  return *number * unit->second;
}

std::optional<Transform> transformIn(std::string_view text) {
  Transform all;
  for (skipBlanks(text); !text.empty(); skipBlanks(text)) {
    const std::size_t open = text.find('(');
    if (open == std::string_view::npos) return std::nullopt;
    std::string_view name = text.substr(0, open);
    while (!name.empty() && std::isspace(static_cast<unsigned char>(name.back())) != 0) {
      name.remove_suffix(1);
    }
    text.remove_prefix(open + 1);
    std::vector<double> n;
    for (skipBlanks(text); !text.empty() && text.front() != ')'; skipBlanks(text)) {
      const std::optional<double> number = takeNumber(text);
      if (!number || n.size() == 6 || std::abs(*number) > 1e9) return std::nullopt;
      n.push_back(*number);
    }
    if (text.empty()) return std::nullopt;
    text.remove_prefix(1);
    const auto given = [&](std::size_t least, std::size_t most) {
      return n.size() >= least && n.size() <= most;
    };
    const auto turned = [](double degrees) {
      const double angle = std::remainder(degrees, 360) / 180 * M_PI;
      return Transform{std::cos(angle), std::sin(angle), -std::sin(angle), std::cos(angle), 0, 0};
    };
    if (name == "matrix" && given(6, 6)) {
      all = all * Transform{n[0], n[1], n[2], n[3], n[4], n[5]};
    } else if (name == "translate" && given(1, 2)) {
      all = all * Transform{1, 0, 0, 1, n[0], n.size() > 1 ? n[1] : 0};
    } else if (name == "scale" && given(1, 2)) {
      all = all * Transform{n[0], 0, 0, n.size() > 1 ? n[1] : n[0], 0, 0};
    } else if (name == "rotate" && given(1, 1)) {
      all = all * turned(n[0]);
    } else if (name == "rotate" && given(3, 3)) {
      all = all * Transform{1, 0, 0, 1, n[1], n[2]} * turned(n[0]) *
            Transform{1, 0, 0, 1, -n[1], -n[2]};
    } else if (name == "skewX" && given(1, 1)) {
      all = all * Transform{1, 0, std::tan(n[0] / 180 * M_PI), 1, 0, 0};
    } else if (name == "skewY" && given(1, 1)) {
      all = all * Transform{1, std::tan(n[0] / 180 * M_PI), 0, 1, 0, 0};
    } else {
      return std::nullopt;
    }
  }
  return all;
}

std::vector<double> viewBoxIn(std::string_view box) {
  std::vector<double> view;
  for (skipBlanks(box); !box.empty(); skipBlanks(box)) {
    const std::optional<double> number = takeNumber(box);
    if (!number || view.size() == 4) return {};
    view.push_back(*number);
  }
  const bool usable =
      view.size() == 4 && view[2] > 0 && view[3] > 0 && view[2] < 1e7 && view[3] < 1e7;
  return usable ? view : std::vector<double>();
}

Transform fitted(const std::vector<double>& view, double wide, double tall,
                 std::string_view aspect) {
  double sx = wide / view[2];
  double sy = tall / view[3];
  double shareX = 0.5;
  double shareY = 0.5;
  if (aspect.find("none") == std::string_view::npos) {
    const bool slice = aspect.find("slice") != std::string_view::npos;
    sx = sy = slice ? std::max(sx, sy) : std::min(sx, sy);
    const auto share = [&](const char* least, const char* most) {
      if (aspect.find(least) != std::string_view::npos) return 0.0;
      return aspect.find(most) != std::string_view::npos ? 1.0 : 0.5;
    };
    shareX = share("xMin", "xMax");
    shareY = share("YMin", "YMax");
  }
  return {sx,
          0,
          0,
          sy,
          (wide - view[2] * sx) * shareX - view[0] * sx,
          (tall - view[3] * sy) * shareY - view[1] * sy};
}

}  // namespace avrelt
