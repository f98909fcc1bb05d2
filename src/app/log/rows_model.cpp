// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/log/rows_model.h"

#include <algorithm>
#include <QPixmap>

#include "app/look/theme.h"

namespace avrelt {
namespace {

/// Numbers before and after each other, words as people sort them.
int compared(const QVariant& a, const QVariant& b) {
  const auto isNumber = [](const QVariant& key) {
    return key.typeId() == QMetaType::Double || key.typeId() == QMetaType::LongLong;
  };
  if (isNumber(a) || isNumber(b)) {
    const double left = a.toDouble();
    const double right = b.toDouble();
    return left < right ? -1 : left > right ? 1 : 0;
  }
  return QString::localeAwareCompare(a.toString(), b.toString());
}

}  // namespace

RowsModel::RowsModel(const QStringList& titles, QObject* parent)
    : QAbstractTableModel(parent), titles_(titles) {}

void RowsModel::setRows(std::vector<Row> rows) {
  beginResetModel();
  rows_ = std::move(rows);
  arrange();
  endResetModel();
}

int RowsModel::indexAt(int row) const {
  return row < 0 || row >= static_cast<int>(rows_.size())
             ? -1
             : rows_[static_cast<std::size_t>(row)].index;
}

int RowsModel::rowOf(int index) const {
  for (std::size_t i = 0; i < rows_.size(); ++i) {
    if (rows_[i].index == index) return static_cast<int>(i);
  }
  return -1;
}

int RowsModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int RowsModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(titles_.size());
}

QVariant RowsModel::data(const QModelIndex& at, int role) const {
  if (!at.isValid() || at.row() >= static_cast<int>(rows_.size())) return {};
  const Row& row = rows_[static_cast<std::size_t>(at.row())];
  const bool number = row.keys.value(at.column()).typeId() == QMetaType::Double;
  switch (role) {
    case Qt::DisplayRole:
    case Qt::ToolTipRole:
      return row.cells.value(at.column());
    case Qt::TextAlignmentRole:
      return QVariant(Qt::AlignVCenter | (number ? Qt::AlignRight : Qt::AlignLeft));
    case Qt::ForegroundRole:
      return row.marked ? QVariant(theme().warn) : QVariant();
    case Qt::DecorationRole: {
      if (at.column() != 0 || row.colour.isEmpty()) return {};
      QPixmap pot(12, 12);
      pot.fill(QColor(row.colour));
      return pot;
    }
    default:
      return {};
  }
}

QVariant RowsModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (orientation != Qt::Horizontal) return {};
  if (role == Qt::DisplayRole) return titles_.value(section);
  if (role == Qt::TextAlignmentRole) {
    const bool number =
        !rows_.empty() && rows_.front().keys.value(section).typeId() == QMetaType::Double;
    return QVariant(Qt::AlignVCenter | (number ? Qt::AlignRight : Qt::AlignLeft));
  }
  return {};
}

void RowsModel::sort(int column, Qt::SortOrder order) {
  column_ = column;
  order_ = order;
  beginResetModel();
  arrange();
  endResetModel();
}

void RowsModel::arrange() {
  if (column_ < 0) return;
  const auto keyOf = [&](const Row& row) {
    const QVariant key = row.keys.value(column_);
    return key.isValid() ? key : QVariant(row.cells.value(column_));
  };
  std::stable_sort(rows_.begin(), rows_.end(), [&](const Row& a, const Row& b) {
    const int way = compared(keyOf(a), keyOf(b));
    return order_ == Qt::AscendingOrder ? way < 0 : way > 0;
  });
}

}  // namespace avrelt

#include "moc_rows_model.cpp"
