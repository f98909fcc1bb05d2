// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>

namespace avrelt {

/// A card of the drawer: a frame with its title, if it has one, to be filled from the top.
inline QFrame* makeCard(const QString& title, QVBoxLayout*& body) {
  auto* card = new QFrame;
  card->setProperty("card", true);
  card->setAccessibleName(title);
  body = new QVBoxLayout(card);
  body->setContentsMargins(14, 10, 14, 12);
  body->setSpacing(8);
  if (title.isEmpty()) return card;
  auto* heading = new QLabel(title);
  heading->setProperty("role", "title");
  body->addWidget(heading);
  return card;
}

/// The row of cards a station is laid out in.
inline QHBoxLayout* makeDrawer(QWidget* station) {
  auto* row = new QHBoxLayout(station);
  row->setContentsMargins(14, 12, 14, 12);
  row->setSpacing(12);
  return row;
}

/// Adds a card with one page in it; gives what may be added to below the page.
inline QVBoxLayout* addCard(QHBoxLayout* drawer, const QString& title, QWidget* page, int stretch) {
  QVBoxLayout* body = nullptr;
  QFrame* card = makeCard(title, body);
  body->addWidget(page, 1);
  drawer->addWidget(card, stretch);
  return body;
}

}  // namespace avrelt
