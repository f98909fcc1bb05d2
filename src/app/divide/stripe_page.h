// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The stripes that cover cut lines, and what is cut for them.
class StripePage : public QWidget {
  Q_OBJECT

 public:
  StripePage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QListWidget& list() { return *list_; }
  QPushButton& layButton() { return *lay_; }
  Segments& kind() { return *kind_; }
  Segments& join() { return *join_; }
  QSpinBox& spares() { return *spares_; }
  QLineEdit& tapes() { return *tapes_; }
  QString cutWords() const { return cut_->text(); }

 private:
  void connectFields();
  /// The stripe in hand; nothing for none.
  const Stripe* inHand() const;
  std::string lineInHand(const CupPlan& plan) const;
  void change(const QString& key, const std::function<void(Stripe&)>& change);
  LengthField* field(FieldSet& fields, const QString& label, Member member,
                     WrittenLength Stripe::*length);
  void readTapes();
  void refresh();
  void refreshList(const CupPlan& plan);

  Order& order_;
  QListWidget* list_ = nullptr;
  QPushButton* lay_ = nullptr;
  QPushButton* take_ = nullptr;
  QPushButton* colour_ = nullptr;
  Segments* kind_ = nullptr;
  Segments* join_ = nullptr;
  QCheckBox* butt_ = nullptr;
  LengthField* width_ = nullptr;
  LengthField* overlap_ = nullptr;
  QLabel* sparesLabel_ = nullptr;
  QSpinBox* spares_ = nullptr;
  QLabel* tapesLabel_ = nullptr;
  QLineEdit* tapes_ = nullptr;
  QLabel* cut_ = nullptr;
  bool filling_ = false;
};

}  // namespace avrelt
