// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/order/document_change.h"

namespace avrelt {

DocumentChange::DocumentChange(Order& order, const QString& text, Snapshot before, Snapshot after,
                               const QString& key, int epoch, bool goesOn)
    : QUndoCommand(text),
      order_(order),
      before_(std::move(before)),
      after_(std::move(after)),
      key_(key),
      epoch_(epoch),
      goesOn_(goesOn) {}

bool DocumentChange::mergeWith(const QUndoCommand* other) {
  const auto* next = static_cast<const DocumentChange*>(other);
  if (key_.isEmpty() || key_ != next->key_ || epoch_ != next->epoch_) return false;
  after_ = next->after_;
  setText(next->text());
  // Dragged out and back again: nothing was done, and nothing is left to undo.
  setObsolete(before_.sameDocument(after_));
  return true;
}

void DocumentChange::undo() {
  order_.put(before_);
}

void DocumentChange::redo() {
  order_.put(after_, goesOn_);
}

}  // namespace avrelt
