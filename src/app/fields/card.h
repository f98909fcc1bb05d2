// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
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

}  // namespace avrelt
