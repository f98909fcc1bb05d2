// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>
#include <QString>

#include "app/order/phrases.h"
#include "bench/step_words.h"

namespace avrelt {

/// What a dry run runs at.
inline constexpr int dryRunSpeed = 60;

/// "Fast resin".
inline QString methodWords(MethodKind kind) {
  return say(methodTitle(kind), Unit::mm);
}

/// "Fast resin, part A".
inline QString partName(const MixPart& part) {
  return say(nameOf(part), Unit::mm);
}

/// "Coats", "Taping": work of a kind.
inline QString workWords(StepKind kind) {
  switch (kind) {
    case StepKind::clean:
      return QCoreApplication::translate("BenchStation", "Sanding and washing");
    case StepKind::mark:
      return QCoreApplication::translate("BenchStation", "Marking");
    case StepKind::measure:
      return QCoreApplication::translate("BenchStation", "Measuring");
    case StepKind::coat:
      return QCoreApplication::translate("BenchStation", "Coats");
    case StepKind::tape:
      return QCoreApplication::translate("BenchStation", "Taping");
    case StepKind::cover:
      return QCoreApplication::translate("BenchStation", "Covering");
    case StepKind::paint:
      return QCoreApplication::translate("BenchStation", "Painting");
    case StepKind::stick:
      return QCoreApplication::translate("BenchStation", "Brushing on what sticks");
    case StepKind::glitter:
      return QCoreApplication::translate("BenchStation", "Glittering");
    case StepKind::pull:
      return QCoreApplication::translate("BenchStation", "Pulling tape");
    case StepKind::seal:
      return QCoreApplication::translate("BenchStation", "Sealing");
    case StepKind::pattern:
      return QCoreApplication::translate("BenchStation", "Laying templates");
    case StepKind::film:
      return QCoreApplication::translate("BenchStation", "Laying film");
    case StepKind::stencil:
      return QCoreApplication::translate("BenchStation", "Laying stencils");
    case StepKind::peel:
      return QCoreApplication::translate("BenchStation", "Lifting stencils");
    case StepKind::ring:
      return QCoreApplication::translate("BenchStation", "Laying rings");
    case StepKind::decal:
      return QCoreApplication::translate("BenchStation", "Laying decals");
    case StepKind::stripe:
      return QCoreApplication::translate("BenchStation", "Laying stripes");
    case StepKind::wrap:
      return QCoreApplication::translate("BenchStation", "Laying wraps");
    case StepKind::base:
      return QCoreApplication::translate("BenchStation", "Base discs");
    case StepKind::rim:
      return QCoreApplication::translate("BenchStation", "Cleaning rims");
    case StepKind::fill:
      return QCoreApplication::translate("BenchStation", "Filling with liquid");
    case StepKind::sand:
      return QCoreApplication::translate("BenchStation", "Sanding between coats");
    case StepKind::warm:
      return QCoreApplication::translate("BenchStation", "Warming out bubbles");
    case StepKind::lamp:
      return QCoreApplication::translate("BenchStation", "Curing under the lamp");
    case StepKind::cure:
      return QCoreApplication::translate("BenchStation", "Finishing");
  }
  return {};
}

}  // namespace avrelt
