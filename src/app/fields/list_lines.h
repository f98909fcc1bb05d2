// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListWidget>
#include <QSignalBlocker>

namespace avrelt {

/// Shows these lines in a list, touching only those that changed: a list laid out anew at every
/// step of a drag is what the hand would feel.
inline void showLines(QListWidget& list, const QStringList& lines) {
  while (list.count() > lines.size()) delete list.takeItem(list.count() - 1);
  for (int i = 0; i < lines.size(); ++i) {
    if (i == list.count()) {
      list.addItem(lines[i]);
    } else if (list.item(i)->text() != lines[i]) {
      if (list.uniformItemSizes()) {
        // None of them moves: told of the change, the view would lay out and paint all of them.
        const QSignalBlocker quiet(list.model());
        list.item(i)->setText(lines[i]);
        list.viewport()->update(list.visualItemRect(list.item(i)));
      } else {
        list.item(i)->setText(lines[i]);
      }
    }
  }
}

}  // namespace avrelt
