// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QHash>
#include <QListWidget>
#include <QStyledItemDelegate>
#include <vector>

namespace avrelt {

/// How tall lines of text are in a list that breaks them. Each is measured once and kept: a list
/// asks for all of them whenever it is laid out, and styles have them measured several times.
class LineDelegate : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;

  QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

 private:
  /// What was measured for items of one font and width. A list asks for two widths in turn, with
  /// its bar and without, and styles for two fonts.
  struct Measured {
    QFont font;
    int room = 0;  ///< for the item
    int wide = 0;  ///< that text is broken at
    int one = 0;   ///< how tall an item of one line is
    int more = 0;  ///< each further one
    QHash<QString, int> lines{};
  };
  Measured& measured(const QStyleOptionViewItem& option, int room) const;

  mutable std::vector<Measured> measured_;
};

/// Shows these lines in a list, touching only those that changed: a list laid out anew at every
/// step of a drag is what the hand would feel.
void showLines(QListWidget& list, const QStringList& lines);

}  // namespace avrelt
