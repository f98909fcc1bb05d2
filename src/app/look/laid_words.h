// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <QColor>
#include <QFont>
#include <QGlyphRun>
#include <QHash>
#include <QPainter>
#include <vector>

namespace avrelt {

/// Words as they lie on one line in a font, from its top left. All in px.
struct LaidWords {
  QList<QGlyphRun> runs;
  double width = 0;
  double height = 0;
  double ascent = 0;
  double capHeight = 0;
};

/// Words laid out in a font once: the same few hundred are drawn at every step of a drag. For the
/// thread of the window.
class LaidOut {
 public:
  explicit LaidOut(const QFont& font);

  /// Holds till others are asked for.
  const LaidWords& operator()(const QString& words) const;

 private:
  QFont font_;
  std::shared_ptr<QHash<QString, LaidWords>> texts_;
};

/// Words in many places, drawn in one go: hundreds of them take a quarter of the time they take one
/// by one. Those of one colour are drawn together, in the order in which the colours first came.
class ManyWords {
 public:
  explicit ManyWords(const QFont& font) : laidOut_(font) {}

  /// How wide they are.
  double widthOf(const QString& words) const { return laidOut_(words).width; }
  void add(QPointF centre, const QString& words, const QColor& colour);
  void draw(QPainter& painter) const;

 private:
  /// Letters of one face and colour.
  struct Letters {
    QColor colour;
    QRawFont face;
    QList<quint32> glyphs;
    QList<QPointF> places;
  };

  LaidOut laidOut_;
  std::vector<Letters> letters_;
};

}  // namespace avrelt
