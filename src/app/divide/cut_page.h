// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>
#include <utility>
#include <vector>

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
  QLayout* cutButtons();
  QLayout* choices();
  QLayout* numbers();
  QWidget* counter();
  QWidget* leftOver();
  QWidget* tapeWays();
  LengthField* field(const QString& label, Member member,
                     const std::function<WrittenLength*(Cut&)>& of);
  LengthField* angle(const QString& label, Member member, const std::function<CupAngle*(Cut&)>& of);
  void refresh();
  void readList();
  void showNumbers(const Cut* cut);
  void showCount(const Cut* cut, bool spaced);
  void showList(const Cut* cut);
  void showOffTape(const CupPlan& plan, const Cut& cut, const Zone& zone);
  void showRun(const RingCut& cut);

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
  LengthField* deep_ = nullptr;
  LengthField* low_ = nullptr;
  /// Every number of a cut that is one member of its kind.
  std::vector<std::pair<LengthField*, std::function<WrittenLength*(Cut&)>>> lengths_;
  std::vector<std::pair<LengthField*, std::function<CupAngle*(Cut&)>>> angles_;
};

}  // namespace avrelt
