// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/fields/list_lines.h"
#include "rules/catalogue.h"

namespace avrelt {

/// One item of the stack as it is listed.
struct StackRow {
  QString name;
  QString of;          ///< what it is of: "film, opaque"
  QColor colour;       ///< as it looks
  bool off = false;    ///< peeled back
  QString conflict{};  ///< what may not be so, and what a press does about it
  WatchLevel level = WatchLevel::note;

  /// As it is read out.
  QString whole() const;
};

/// Paints the rows of the stack: a swatch, the name, what it is of, and below it, where the stack
/// does not hold, what is wrong and what a press does about it.
class StackRows : public LineDelegate {
  Q_OBJECT

 public:
  explicit StackRows(QListWidget& list);

  /// Shows these, touching only what changed.
  void show(const std::vector<StackRow>& rows);

  QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
  void paint(QPainter* painter, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override;

 signals:
  /// The words of a conflict were pressed.
  void pressed(int row);

 protected:
  bool editorEvent(QEvent* event, QAbstractItemModel* model, const QStyleOptionViewItem& option,
                   const QModelIndex& index) override;

 private:
  QListWidget& list_;
  std::vector<StackRow> rows_;
};

}  // namespace avrelt
