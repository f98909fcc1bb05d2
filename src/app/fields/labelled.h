// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QVBoxLayout>
#include <QWidget>

namespace avrelt {

/// Words that break into lines.
inline QLabel* wordsLabel(const char* role) {
  auto* label = new QLabel;
  label->setWordWrap(true);
  label->setProperty("role", role);
  return label;
}

/// A field with its label above it, as number fields have it.
inline QWidget* labelled(const QString& words, QWidget* field, QLabel** made = nullptr) {
  auto* box = new QWidget;
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(2);
  auto* label = new QLabel(words);
  label->setProperty("role", "label");
  label->setBuddy(field);
  if (field->accessibleName().isEmpty()) field->setAccessibleName(words);
  column->addWidget(label);
  column->addWidget(field);
  column->addStretch();
  if (made != nullptr) *made = label;
  return box;
}

}  // namespace avrelt
