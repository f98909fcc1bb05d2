// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/sentence.h"

#include <cmath>

#include "measure/tape.h"

namespace avrelt {
namespace {

using Translate = std::function<std::string(const std::string&)>;
using LengthWords = std::string (*)(Length length, Unit unit);

std::string said(const Sentence& sentence, Unit unit, const Translate& translate,
                 LengthWords lengths);

struct Speaker {
  Unit unit;
  const Translate& translate;
  LengthWords lengths;
  std::string operator()(const std::string& text) const { return text; }
  std::string operator()(Length length) const { return lengths(length, unit); }
  std::string operator()(Angle angle) const { return angleText(angle); }
  std::string operator()(CupAngle angle) const { return angleText(angle); }
  std::string operator()(Duration duration) const { return timeText(duration); }
  std::string operator()(long count) const { return std::to_string(count); }
  std::string operator()(const Phrase& phrase) const {
    return said(*phrase.said, unit, translate, lengths);
  }
};

std::string said(const Sentence& sentence, Unit unit, const Translate& translate,
                 LengthWords lengths) {
  const std::string translatedPattern = translate(sentence.pattern);
  const std::vector<Sentence::Part>& parts = sentence.parts;
  std::string text;
  for (std::size_t i = 0; i < translatedPattern.size(); ++i) {
    const char next = i + 1 < translatedPattern.size() ? translatedPattern[i + 1] : '\0';
    if (translatedPattern[i] == '%' && next >= '1' && next <= '9') {
      const auto place = static_cast<std::size_t>(next - '1');
      if (place < parts.size()) text += std::visit(Speaker{unit, translate, lengths}, parts[place]);
      ++i;
    } else {
      text += translatedPattern[i];
    }
  }
  return text;
}

const Translate untranslated = [](const std::string& pattern) { return pattern; };

}  // namespace

Phrase::Phrase(const Sentence& sentence) : said(std::make_shared<const Sentence>(sentence)) {}

bool operator==(const Phrase& a, const Phrase& b) {
  return *a.said == *b.said;
}

std::string numberText(double number, int decimals) {
  // A number prints like one of millimetres, without the unit.
  std::string text = decimalText(Length::mm(number), Unit::mm, decimals);
  text.resize(text.size() - 3);
  return text;
}

std::string angleText(Angle angle) {
  return numberText(angle.degrees(), 1) + "°";
}

std::string inWords(const Sentence& sentence, Unit unit, const Translate& translate) {
  return said(sentence, unit, translate, plainText);
}

std::string inWords(const Sentence& sentence, Unit unit) {
  return said(sentence, unit, untranslated, plainText);
}

std::string wordsOnPaper(const Sentence& sentence, Unit unit) {
  return said(sentence, unit, untranslated, tapeText);
}

}  // namespace avrelt
