// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "app/fields/supply_button.h"
#include "app/fields/swatches.h"
#include "app/order/order.h"

namespace avrelt {

/// What fills the zone in hand.
class FinishPage : public QWidget {
  Q_OBJECT

 public:
  FinishPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  Segments& kind() { return *kind_; }
  SupplyButton& supply() { return *supply_; }
  QLineEdit& name() { return *name_; }
  Swatches& swatches() { return *swatches_; }
  QComboBox& way() { return *way_; }
  QComboBox& grain() { return *grain_; }
  QPushButton& onAllButton() { return *onAll_; }
  QPushButton& onSecondButton() { return *onSecond_; }
  Segments& opaque() { return *opaque_; }
  QComboBox& edge() { return *edge_; }
  QComboBox& edgeAt() { return *edgeAt_; }
  QComboBox& patch() { return *patch_; }
  QPushButton& pictureButton() { return *picturesOf_; }

  /// Asks for the picture the film of the zone in hand is printed with.
  void askForPicture();

 private:
  void connectFields();
  void refresh();
  /// The line the edge shown is of, as the order refers to it; nothing for all of them.
  std::optional<LineEdge> lineInHand() const;
  void listLines(const Zone& zone);
  void changeEdge(const QString& text, const QString& key,
                  const std::function<void(FilmEdge& edge, WrittenLength& by)>& change);

  Order& order_;
  Segments* kind_ = nullptr;
  QLabel* nameLabel_ = nullptr;
  QLineEdit* name_ = nullptr;
  SupplyButton* supply_ = nullptr;
  Swatches* swatches_ = nullptr;
  QLabel* stickLabel_ = nullptr;
  QComboBox* stick_ = nullptr;
  QComboBox* grain_ = nullptr;
  QComboBox* way_ = nullptr;           ///< of paint: painted, ink, dip
  Segments* opaque_ = nullptr;         ///< of film
  QPushButton* picturesOf_ = nullptr;  ///< the picture it is printed with
  QComboBox* edgeAt_ = nullptr;        ///< of film: at all its lines, or at one
  QComboBox* edge_ = nullptr;          ///< how far it goes there
  LengthField* edgeBy_ = nullptr;
  QComboBox* patch_ = nullptr;  ///< of film, for a V's point or a seam
  LengthField* patchAcross_ = nullptr;
  QPushButton* onAll_ = nullptr;
  QPushButton* onSecond_ = nullptr;
  QLabel* size_ = nullptr;
};

}  // namespace avrelt
