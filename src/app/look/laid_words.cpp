// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/laid_words.h"

#include <algorithm>
#include <QFontMetricsF>
#include <QTextLayout>
#include <utility>

namespace avrelt {
namespace {

/// Views write in a dozen fonts at the most, and a pattern has no more than some thousand labels.
constexpr qsizetype fontsKept = 32;
constexpr qsizetype wordsKept = 8192;

using Texts = QHash<QString, LaidWords>;

std::shared_ptr<Texts> textsIn(const QFont& font) {
  static QHash<QFont, std::shared_ptr<Texts>> all;
  const auto found = all.find(font);
  if (found != all.end()) return *found;
  if (all.size() >= fontsKept) all.clear();
  return *all.insert(font, std::make_shared<Texts>());
}

LaidWords laidIn(const QFont& font, const QString& words) {
  QTextLayout layout(words, font);
  layout.beginLayout();
  const QTextLine line = layout.createLine();
  layout.endLayout();
  if (!line.isValid()) return {};
  return {layout.glyphRuns(), line.naturalTextWidth(), line.height(), line.ascent(),
          QFontMetricsF(font).capHeight()};
}

}  // namespace

LaidOut::LaidOut(const QFont& font) : font_(font), texts_(textsIn(font)) {}

const LaidWords& LaidOut::operator()(const QString& words) const {
  const auto found = texts_->find(words);
  if (found != texts_->end()) return *found;
  if (texts_->size() >= wordsKept) texts_->clear();
  return *texts_->insert(words, laidIn(font_, words));
}

void ManyWords::add(QPointF centre, const QString& words, const QColor& colour) {
  const LaidWords& laid = laidOut_(words);
  const QPointF start = centre - QPointF(laid.width, laid.height) / 2;
  for (const QGlyphRun& run : laid.runs) {
    auto with = std::find_if(letters_.begin(), letters_.end(), [&](const Letters& letters) {
      return letters.colour == colour && letters.face == run.rawFont();
    });
    if (with == letters_.end()) {
      with = letters_.insert(letters_.end(), {colour, run.rawFont(), {}, {}});
    }
    with->glyphs += run.glyphIndexes();
    for (const QPointF& place : run.positions()) with->places.push_back(start + place);
  }
}

void ManyWords::draw(QPainter& painter) const {
  for (const Letters& letters : letters_) {
    QGlyphRun run;
    run.setRawFont(letters.face);
    run.setGlyphIndexes(letters.glyphs);
    run.setPositions(letters.places);
    painter.setPen(letters.colour);
    painter.drawGlyphRun({}, run);
  }
}

}  // namespace avrelt
