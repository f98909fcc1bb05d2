// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>
#include <QLabel>
#include <QString>

#include "bench/method.h"

namespace avrelt {

/// What a dry run runs at.
inline constexpr int dryRunSpeed = 60;

/// Words that break into lines.
inline QLabel* wordsLabel(const char* role) {
  auto* label = new QLabel;
  label->setWordWrap(true);
  label->setProperty("role", role);
  return label;
}

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
      break;
  }
  return QCoreApplication::translate("MethodsDialog", "Dip");
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
  const QString kind = part.name == "glitter" ? tr("Glitter") : tr("Paint");
  return of.isEmpty() ? kind : tr("%1, %2").arg(kind, of);
}

/// "7.9 ml".
inline QString amount(double value, const QString& unit) {
  return QStringLiteral("%1 %2").arg(value, 0, 'f', value < 10 ? 1 : 0).arg(unit);
}

}  // namespace avrelt
