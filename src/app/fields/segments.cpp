// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fields/segments.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace avrelt {

namespace {

std::vector<Segments::Choice> numbered(const QStringList& words) {
  std::vector<Segments::Choice> choices;
  choices.reserve(static_cast<std::size_t>(words.size()));
  for (const QString& one : words) choices.push_back({static_cast<int>(choices.size()), one});
  return choices;
}

}  // namespace

Segments::Segments(const QString& name, const QStringList& choices, QWidget* parent)
    : Segments(name, numbered(choices), parent) {}

Segments::Segments(const QString& name, const std::vector<Choice>& choices, QWidget* parent)
    : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(0);
  group_.setExclusive(true);
  for (const Choice& choice : choices) {
    auto* button = new QPushButton(choice.words);
    button->setCheckable(true);
    button->setProperty("segment", true);
    button->setProperty("place", &choice == &choices.front()  ? "first"
                                 : &choice == &choices.back() ? "last"
                                                              : "middle");
    button->setAccessibleName(name + QStringLiteral(": ") + choice.words);
    group_.addButton(button, choice.id);
    row->addWidget(button);
  }
  setAccessibleName(name);
  setFocusProxy(group_.buttons().value(0));
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

#include "moc_segments.cpp"
