// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QUndoCommand>

#include "app/order/order.h"

namespace avrelt {

/// One step of the history: the document before and after, what is the same of it kept once. A
/// whole one cannot be half undone.
class DocumentChange : public QUndoCommand {
 public:
  DocumentChange(Order& order, const QString& text, Snapshot before, Snapshot after,
                 const QString& key, int epoch, bool goesOn);

  int id() const override { return 1; }
  bool mergeWith(const QUndoCommand* other) override;
  void undo() override;
  void redo() override;

 private:
  Order& order_;
  Snapshot before_;
  Snapshot after_;
  QString key_;
  int epoch_;
  bool goesOn_;  ///< one more step of the change before
};

}  // namespace avrelt
