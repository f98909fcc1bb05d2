// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/theme.h"

#include <catch2/catch.hpp>
#include <cmath>
#include <QFontInfo>
#include <QFontMetrics>

#include "app/application.h"

using namespace avrelt;

namespace {

// WCAG 2.1, "relative luminance" and "contrast ratio".
double luminance(const QColor& colour) {
  const auto channel = [](double c) {
    return c <= 0.03928 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
  };
  return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) +
         0.0722 * channel(colour.blueF());
}

double contrast(const QColor& a, const QColor& b) {
  const double light = std::max(luminance(a), luminance(b));
  const double dark = std::min(luminance(a), luminance(b));
  return (light + 0.05) / (dark + 0.05);
}

}  // namespace

TEST_CASE("the contrast formula gives the values the guideline states") {
  // WCAG 2.1: black on white is 21 : 1; #767676 on white is the darkest grey named as passing AA.
  CHECK(contrast(Qt::black, Qt::white) == Approx(21));
  CHECK(contrast(QColor("#767676"), Qt::white) >= 4.5);
  CHECK(contrast(QColor("#777777"), Qt::white) < 4.5);
}

TEST_CASE("text passes WCAG AA on every ground it stands on, lines the 3 : 1 of graphics") {
  for (const Theme* t : {&Theme::light(), &Theme::dark()}) {
    INFO((t == &Theme::light() ? "light" : "dark"));
    for (const QColor& ground : {t->ground, t->panel, t->drawer, t->field}) {
      INFO(ground.name().toStdString());
      CHECK(contrast(t->ink, ground) >= 4.5);
      CHECK(contrast(t->muted, ground) >= 4.5);
      CHECK(contrast(t->petrol, ground) >= 4.5);
      CHECK(contrast(t->brass, ground) >= 3);
      CHECK(contrast(t->warn, ground) >= 3);
      CHECK(contrast(t->stop, ground) >= 4.5);
    }
    CHECK(contrast(t->onInk, t->ink) >= 4.5);
    CHECK(contrast(t->tapeTick, t->tape) >= 4.5);
    CHECK(contrast(t->onSlider, t->slider) >= 4.5);
    CHECK(contrast(t->ink, t->film) >= 4.5);
    CHECK(contrast(t->ink, t->metal) >= 4.5);
  }
}

TEST_CASE("the shipped face is the one drawn with, its figures all of one width") {
  application();
  const QFont font = face(17, QFont::DemiBold);
  CHECK(QFontInfo(font).family() == "Avrelt Sans");
  const QFontMetricsF metrics(font);
  for (const char digit : {'0', '1', '4', '7', '8'}) {
    CHECK(metrics.horizontalAdvance(QLatin1Char(digit)) ==
          Approx(metrics.horizontalAdvance(QLatin1Char('0'))).margin(0.05));
  }
}
