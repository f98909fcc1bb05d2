// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>
#include <QString>

#include "bench/method.h"
#include "bench/step.h"

namespace avrelt {

/// What a dry run runs at.
inline constexpr int dryRunSpeed = 60;

/// "Fast resin".
inline QString methodWords(MethodKind kind) {
  switch (kind) {
    case MethodKind::resin:
      return QCoreApplication::translate("MethodsDialog", "Resin");
    case MethodKind::fastResin:
      return QCoreApplication::translate("MethodsDialog", "Fast resin");
    case MethodKind::brushGlue:
      return QCoreApplication::translate("MethodsDialog", "Brush-on glue");
    case MethodKind::wetPaint:
      return QCoreApplication::translate("MethodsDialog", "Into wet paint");
    case MethodKind::sprayClear:
      return QCoreApplication::translate("MethodsDialog", "Spray clear");
    case MethodKind::tackyGlue:
      return QCoreApplication::translate("MethodsDialog", "Tacky glue");
    case MethodKind::uvResin:
      return QCoreApplication::translate("MethodsDialog", "UV resin");
    case MethodKind::sealer:
      return QCoreApplication::translate("MethodsDialog", "Sealer");
    case MethodKind::paint:
      return QCoreApplication::translate("MethodsDialog", "Brushed paint");
    case MethodKind::sprayPaint:
      return QCoreApplication::translate("MethodsDialog", "Spray paint");
    case MethodKind::ink:
      return QCoreApplication::translate("MethodsDialog", "Ink");
    case MethodKind::dip:
      return QCoreApplication::translate("MethodsDialog", "Dip");
    case MethodKind::heatFilm:
      return QCoreApplication::translate("MethodsDialog", "Heat-applied film");
    case MethodKind::waterPrint:
      return QCoreApplication::translate("MethodsDialog", "Water-release print");
    case MethodKind::foil:
      return QCoreApplication::translate("MethodsDialog", "Foil");
    case MethodKind::soapResist:
      break;
  }
  return QCoreApplication::translate("MethodsDialog", "Soap resist");
}

/// "Part A", "Fast resin, part A", "Glitter, night".
inline QString partName(const MixPart& part) {
  const auto tr = [](const char* text) {
    return QCoreApplication::translate("BenchStation", text);
  };
  QString of = QString::fromStdString(part.of);
  for (const Method& method : Methods().all) {
    if (part.of == methodName(method.kind)) of = methodWords(method.kind);
  }
  if (part.name == "part_a") return of.isEmpty() ? tr("Part A") : tr("%1, part A").arg(of);
  if (part.name == "part_b") return of.isEmpty() ? tr("Part B") : tr("%1, part B").arg(of);
  if (part.name == "resin") return of.isEmpty() ? tr("Resin") : of;
  if (part.name == "water") return tr("Distilled water");
  if (part.name == "glycerin") return tr("Glycerin");
  const QString kind = part.name == "glitter" ? tr("Glitter") : tr("Paint");
  return of.isEmpty() ? kind : tr("%1, %2").arg(kind, of);
}

/// "7.9 ml".
inline QString amount(double value, const QString& unit) {
  return QStringLiteral("%1 %2").arg(value, 0, 'f', value < 10 ? 1 : 0).arg(unit);
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
    case StepKind::cure:
      return QCoreApplication::translate("BenchStation", "Finishing");
  }
  return {};
}

}  // namespace avrelt
