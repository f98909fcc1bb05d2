// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>

namespace avrelt {

/// The colours of the bench. Every pair of text and ground used together passes WCAG 2 AA; a test
/// computes it.
struct Theme {
  QColor ground;  ///< behind the views
  QColor panel;   ///< cards, watch line
  QColor drawer;  ///< behind the cards
  QColor field;   ///< where numbers are typed
  QColor ink;     ///< text, what is measured or cut
  QColor onInk;   ///< text on ink
  QColor muted;   ///< labels
  QColor rule;    ///< hairlines
  QColor petrol;  ///< what is derived
  QColor brass;   ///< what can be dragged, what has the focus
  QColor warn;
  QColor stop;
  QColor tape;
  QColor tapeTick;
  QColor slider;  ///< the present station on the tape
  QColor onSlider;
  QColor metal;  ///< a bare cup
  QColor film;   ///< the wrap

  static const Theme& light();
  static const Theme& dark();
};

/// The one in use.
const Theme& theme();

/// Puts a theme on the whole program: palette, style sheet, face. Call once at start with the
/// application made, and again to switch.
void useTheme(const Theme& theme);

/// Registers the shipped faces. Once, before any text is drawn.
void loadFaces();

/// The face at a size in pixels.
QFont face(int pixels, QFont::Weight weight = QFont::Normal);

/// While it lasts no style sheet holds, where no window is open yet. Widgets put together under one
/// are looked up again at every joint, all of a branch each time it is put on another: that is two
/// thirds of what a window takes to be made.
class WithoutSheet {
 public:
  WithoutSheet();
  ~WithoutSheet();
  WithoutSheet(const WithoutSheet&) = delete;
  WithoutSheet& operator=(const WithoutSheet&) = delete;

 private:
  QString sheet_;
};

}  // namespace avrelt
