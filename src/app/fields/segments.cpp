// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/segments.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace avrelt {

Segments::Segments(const QString& name, const QStringList& choices, QWidget* parent)
    : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  group_.setExclusive(true);
  for (int i = 0; i < choices.size(); ++i) {
    auto* button = new QPushButton(choices[i]);
    button->setCheckable(true);
    button->setProperty("segment", true);
    button->setProperty("place", i == 0 ? "first" : i + 1 == choices.size() ? "last" : "middle");
    button->setAccessibleName(name + QStringLiteral(": ") + choices[i]);
    group_.addButton(button, i);
    row->addWidget(button);
  }
  setAccessibleName(name);
  setFocusProxy(group_.button(0));
  connect(&group_, &QButtonGroup::idClicked, this, &Segments::picked);
}

void Segments::show(int choice) {
  if (QAbstractButton* button = group_.button(choice)) {
    button->setChecked(true);
    setFocusProxy(button);
    return;
  }
  group_.setExclusive(false);
  for (QAbstractButton* button : group_.buttons()) button->setChecked(false);
  group_.setExclusive(true);
}

}  // namespace avrelt
