// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The zone in hand: what may be done with it, and the numbers of the cut that made it.
class CutPage : public QWidget {
  Q_OBJECT

 public:
  CutPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QPushButton& action(CutKind kind) { return *actions_.at(static_cast<std::size_t>(kind)); }
  QPushButton& uncutButton() { return *uncut_; }
  QLineEdit& list() { return *list_; }
  QSpinBox& count() { return *count_; }
  Segments& by() { return *by_; }
  Segments& shape() { return *shape_; }
  QString runWords() const { return run_->text(); }

 signals:
  void said(const QString& sentence);

 private:
  void refresh();
  void readList();
  void showOffTape(const CupPlan& plan, const Cut& cut, const Zone& zone);
  void showRun(const Cut& cut);
  LengthField* field(const QString& label, const char* member,
                     const std::function<WrittenLength&(Cut&)>& of);
  LengthField* angle(const QString& label, const char* member,
                     const std::function<Angle&(Cut&)>& of);

  Order& order_;
  FieldSet& fields_;
  std::vector<QPushButton*> actions_;
  QPushButton* uncut_ = nullptr;
  QLabel* made_ = nullptr;
  Segments* by_ = nullptr;
  Segments* end_ = nullptr;
  Segments* leftover_ = nullptr;
  QWidget* over_ = nullptr;    ///< round it
  Segments* shape_ = nullptr;  ///< of a wave
  QLabel* run_ = nullptr;
  LengthField* tape_ = nullptr;
  LengthField* spacer_ = nullptr;
  QWidget* onTape_ = nullptr;
  QLabel* off_ = nullptr;
  QWidget* counted_ = nullptr;
  QSpinBox* count_ = nullptr;
  QLabel* countLabel_ = nullptr;
  QLineEdit* list_ = nullptr;
  QLabel* listLabel_ = nullptr;
  LengthField* at_ = nullptr;
  LengthField* to_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* deep_ = nullptr;
  LengthField* low_ = nullptr;
  LengthField* high_ = nullptr;
  LengthField* swing_ = nullptr;
};

}  // namespace avrelt
