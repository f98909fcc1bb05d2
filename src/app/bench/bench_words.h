// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCoreApplication>
#include <QLabel>
#include <QString>

#include "bench/mix.h"

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

/// "Part A", "Glitter, night".
inline QString partName(const MixPart& part) {
  if (part.name == "part_a") return QCoreApplication::translate("BenchStation", "Part A");
  if (part.name == "part_b") return QCoreApplication::translate("BenchStation", "Part B");
  if (part.name == "resin") return QCoreApplication::translate("BenchStation", "Resin");
  const QString kind = part.name == "glitter"
                           ? QCoreApplication::translate("BenchStation", "Glitter")
                           : QCoreApplication::translate("BenchStation", "Paint");
  return part.of.empty() ? kind
                         : QCoreApplication::translate("BenchStation", "%1, %2")
                               .arg(kind, QString::fromStdString(part.of));
}

/// "7.9 ml".
inline QString amount(double value, const QString& unit) {
  return QStringLiteral("%1 %2").arg(value, 0, 'f', value < 10 ? 1 : 0).arg(unit);
}

}  // namespace avrelt
