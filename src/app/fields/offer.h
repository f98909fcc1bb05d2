// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QString>
#include <vector>

#include "app/fields/segments.h"

namespace avrelt {

/// One of a few values to choose from, and the words for it. Lists and segments that are made of
/// such carry the values: in what order they stand there means nothing.
template <typename Value>
struct Offer {
  Value value;
  QString words;
};

template <typename Value>
void offer(QComboBox& box, const std::vector<Offer<Value>>& offers) {
  for (const Offer<Value>& one : offers) box.addItem(one.words, static_cast<int>(one.value));
}

/// None is shown where it is not offered.
template <typename Value>
void showChosen(QComboBox& box, Value value) {
  box.setCurrentIndex(box.findData(static_cast<int>(value)));
}

template <typename Value>
Value chosenIn(const QComboBox& box) {
  return static_cast<Value>(box.currentData().toInt());
}

/// Calls with what somebody chooses.
template <typename Value, typename Call>
void onChosen(QComboBox& box, QObject* context, Call call) {
  QObject::connect(&box, &QComboBox::activated, context,
                   [&box, call](int at) { call(static_cast<Value>(box.itemData(at).toInt())); });
}

template <typename Value>
Segments* segmentsOf(const QString& name, const std::vector<Offer<Value>>& offers) {
  std::vector<Segments::Choice> choices;
  choices.reserve(offers.size());
  for (const Offer<Value>& one : offers)
    choices.push_back({static_cast<int>(one.value), one.words});
  return new Segments(name, choices);
}

template <typename Value>
void showChosen(Segments& segments, Value value) {
  segments.show(static_cast<int>(value));
}

template <typename Value, typename Call>
void onChosen(Segments& segments, QObject* context, Call call) {
  QObject::connect(&segments, &Segments::picked, context,
                   [call](int choice) { call(static_cast<Value>(choice)); });
}

template <typename Value>
QAbstractButton* buttonOf(const Segments& segments, Value value) {
  return segments.button(static_cast<int>(value));
}

}  // namespace avrelt
