// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractTableModel>
#include <QColor>
#include <QStringList>
#include <QVariant>
#include <vector>

namespace avrelt {

/// Rows of words under titles, sorted by any column, by what the words stand for.
class RowsModel : public QAbstractTableModel {
  Q_OBJECT

 public:
  struct Row {
    QStringList cells;
    /// What each is sorted by, by its words where there is none. Numbers stand to the right, times,
    /// which are long long, do not.
    QVariantList keys;
    int index = 0;     ///< whose it is
    QString colour{};  ///< of a pot before the first cell
    bool marked = false;
  };

  explicit RowsModel(const QStringList& titles, QObject* parent = nullptr);

  void setRows(std::vector<Row> rows);
  /// Whose a row is; −1 for none.
  int indexAt(int row) const;
  /// Where that one stands; −1 where it does not.
  int rowOf(int index) const;
  const std::vector<Row>& rows() const { return rows_; }

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& at, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  void sort(int column, Qt::SortOrder order) override;

 private:
  void arrange();

  QStringList titles_;
  std::vector<Row> rows_;
  int column_ = -1;
  Qt::SortOrder order_ = Qt::AscendingOrder;
};

}  // namespace avrelt
