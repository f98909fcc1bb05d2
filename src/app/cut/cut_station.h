// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAction>
#include <QButtonGroup>
#include <QCheckBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <vector>

#include "app/cut/part_choice.h"
#include "app/cut/sheet_view.h"
#include "app/cut/sheets_bench.h"
#include "app/fields/desk.h"
#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/order/order.h"

namespace avrelt {

/// The station where parts become files: all there is to cut, film by film, what is cut already;
/// the one in hand on paper, and saved; or all of them on sheets (`SheetsBench`).
class CutStation : public Desk {
  Q_OBJECT

 public:
  /// The actions are those of the menu; the buttons here only bring them near.
  CutStation(Order& order, QAction* saveSvg, QAction* savePdf, QAction* saveAll, SheetsBench* bench,
             QWidget* parent = nullptr);

  /// Shows the order's sheets in place of the cup's parts, or these again.
  void showSheets(bool sheets);
  bool sheetsShown() const { return stack_->currentIndex() == 1; }
  SheetsBench& bench() { return *bench_; }

  const std::string& purpose() const { return purpose_; }
  /// The first of the parts for a purpose, or those that are for just these things.
  void choose(const std::string& purpose, const std::vector<std::string>& of = {});
  /// What is chosen, to be saved and printed; nothing where the cup has none of it.
  std::optional<PartSet> set() const;
  /// Ticks what is chosen off as cut, or takes the tick back.
  void toggleCut();
  /// Whether what is chosen is seen among the cup's zones, not on the wrap.
  bool isForZones() const;
  bool goTo(const Where& where) override;

 signals:
  void purposeChosen();
  void sheetsChosen();

 private:
  /// A part in the list and the tick that it is cut.
  struct Row {
    PartChoice* choice;
    QCheckBox* cut;
  };
  void lightUp();
  void refresh();
  void list(const CupPlan& plan);
  void makeRows(const std::vector<PartEntry>& entries);
  std::optional<PartEntry> chosen() const;
  QWidget* partCard();
  QWidget* sheetCard();
  QWidget* filesCard(QAction* saveSvg, QAction* savePdf, QAction* saveAll);

  Order& order_;
  SheetsBench* bench_ = nullptr;
  QStackedWidget* stack_ = nullptr;
  Segments* parts_ = nullptr;
  std::vector<Segments*> switches_;
  FieldSet fields_;
  std::string purpose_ = purpose::wrap;
  std::vector<std::string> of_;
  QVBoxLayout* column_ = nullptr;
  QScrollArea* scroll_ = nullptr;
  /// Arrow keys go from one to the next.
  QButtonGroup* group_ = nullptr;
  /// The parts the rows show.
  std::shared_ptr<PartShelf> listed_;
  std::vector<Row> rows_;
  LengthField* stripAt_ = nullptr;
  LengthField* stripWidth_ = nullptr;
  Segments* paper_ = nullptr;
  SheetView* sheet_ = nullptr;
  Segments* over_ = nullptr;
  QLabel* pages_ = nullptr;
};

}  // namespace avrelt
