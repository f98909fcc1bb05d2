// SPDX-License-Identifier: GPL-3.0-or-later
#include "shape/path_text.h"

#include <array>
#include <charconv>
#include <cmath>

namespace avrelt {
namespace {

constexpr double farthest = 1e6;
constexpr std::size_t mostPoints = 1'000'000;

bool isDigit(char c) {
  return c >= '0' && c <= '9';
}
bool isBlank(char c) {
  return c == ' ' || c == '\t' || c == '\n' || c == '\r' || c == '\f';
}

std::size_t numbersOf(char command) {
  switch (command) {
    case 'm':
    case 'l':
    case 't':
      return 2;
    case 'h':
    case 'v':
      return 1;
    case 'c':
      return 6;
    case 's':
    case 'q':
      return 4;
    case 'a':
      return 7;
    default:
      return 0;
  }
}

/// Draws one command after the other; remembers what smooth curves lean on.
class Drawer {
 public:
  explicit Drawer(Pen& pen) : pen_(pen) {}

  void draw(char command, bool relative, const std::array<double, 7>& n) {
    const Point base = relative ? pen_.at() : Point{0, 0};
    const auto at = [&](std::size_t i) { return base + Point{n[i], n[i + 1]}; };
    char kind = 0;
    switch (command) {
      case 'm':
        pen_.moveTo(at(0));
        break;
      case 'l':
        pen_.lineTo(at(0));
        break;
      case 'h':
        pen_.lineTo({base.x + n[0], pen_.at().y});
        break;
      case 'v':
        pen_.lineTo({pen_.at().x, base.y + n[0]});
        break;
      case 'c':
        handle_ = at(2);
        pen_.cubicTo(at(0), at(2), at(4));
        kind = 'c';
        break;
      case 's': {
        const Point first = reflected('c');
        handle_ = at(0);
        pen_.cubicTo(first, at(0), at(2));
        kind = 'c';
        break;
      }
      case 'q':
        handle_ = at(0);
        pen_.quadraticTo(at(0), at(2));
        kind = 'q';
        break;
      case 't':
        handle_ = reflected('q');
        pen_.quadraticTo(handle_, at(0));
        kind = 'q';
        break;
      case 'a':
        pen_.arcTo(n[0], n[1], Angle::degrees(std::remainder(n[2], 360)), n[3] != 0, n[4] != 0,
                   at(5));
        break;
      default:
        pen_.close();
        break;
    }
    last_ = kind;
  }

 private:
  Point reflected(char kind) const { return last_ == kind ? 2 * pen_.at() - handle_ : pen_.at(); }

  Pen& pen_;
  Point handle_;
  char last_ = 0;
};

}  // namespace

void skipBlanks(std::string_view& text) {
  bool comma = false;
  while (!text.empty() && (isBlank(text.front()) || (text.front() == ',' && !comma))) {
    comma = comma || text.front() == ',';
    text.remove_prefix(1);
  }
}

std::optional<double> takeNumber(std::string_view& text) {
  std::size_t from = !text.empty() && text.front() == '+' ? 1 : 0;
  const std::size_t sign = from == 0 && !text.empty() && text.front() == '-' ? 1 : from;
  // "inf" and "nan" are numbers to the library, not to SVG.
  const bool begins = sign < text.size() &&
                      (isDigit(text[sign]) ||
                       (text[sign] == '.' && sign + 1 < text.size() && isDigit(text[sign + 1])));
  if (!begins) return std::nullopt;
  double number = 0;
  const auto [end, error] = std::from_chars(text.data() + from, text.data() + text.size(), number);
  if (error != std::errc()) return std::nullopt;
  text.remove_prefix(static_cast<std::size_t>(end - text.data()));
  return number;
}

Checked<bool> drawPath(std::string_view text, Pen& pen) {
  const std::string_view whole = text;
  const auto place = [&] { return static_cast<long>(whole.size() - text.size()) + 1; };
  const auto wrong = [&](std::string words) { return refuse({}, std::move(words), {place()}); };
  Drawer drawer(pen);
  char command = 0;
  bool relative = false;
  for (skipBlanks(text); !text.empty(); skipBlanks(text)) {
    const char letter = text.front();
    const char lower = letter >= 'A' && letter <= 'Z' ? static_cast<char>(letter + 32) : letter;
    if (lower == 'z' || numbersOf(lower) > 0) {
      if (command == 0 && lower != 'm') {
        return wrong("A path begins with a move, M; at character %1 it does not.");
      }
      command = lower;
      relative = letter == lower;
      text.remove_prefix(1);
      skipBlanks(text);
    } else if (command == 0 || command == 'z') {
      return wrong("A command of path data, such as M or L, is wanted at character %1.");
    } else if (command == 'm') {
      command = 'l';  // more places after a move are lines
    }
    std::array<double, 7> numbers{};
    for (std::size_t i = 0; i < numbersOf(command); ++i) {
      skipBlanks(text);
      // The two flags of an arc may stand without a blank: "00".
      if (command == 'a' && (i == 3 || i == 4)) {
        if (text.empty() || (text.front() != '0' && text.front() != '1')) {
          return wrong("A flag, 0 or 1, is wanted at character %1.");
        }
        numbers[i] = text.front() - '0';
        text.remove_prefix(1);
        continue;
      }
      const std::optional<double> number = takeNumber(text);
      if (!number) return wrong("A number is wanted at character %1.");
      if (std::abs(*number) > farthest) {
        return wrong("The number before character %1 is beyond a million.");
      }
      numbers[i] = *number;
    }
    drawer.draw(command, relative, numbers);
    if (pen.points() > mostPoints) {
      return refuse({}, "The path comes to more than %1 points. Simplify it.",
                    {static_cast<long>(mostPoints)});
    }
  }
  return true;
}

}  // namespace avrelt
