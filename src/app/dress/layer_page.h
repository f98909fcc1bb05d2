// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QMenu>
#include <QPushButton>
#include <QSpinBox>
#include <QWidget>

#include "app/dress/layer_stack.h"
#include "app/fields/field_set.h"
#include "app/fields/pages.h"
#include "app/fields/swatches.h"

namespace avrelt {

/// The layers of the set in hand: their stack, and how the one in hand is made and of what.
class LayerPage : public QWidget {
  Q_OBJECT

 public:
  LayerPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  LayerStack& stack() { return *stack_; }
  QAction* addAction(LayerKind kind) const { return adds_[static_cast<std::size_t>(kind)]; }
  QPushButton& coloursButton() { return *colours_; }
  QPushButton& removeButton() { return *remove_; }
  QComboBox& material() { return *material_; }
  QComboBox& openings() { return *openings_; }
  QComboBox& sees() { return *sees_; }
  QComboBox& mirrored() { return *mirrored_; }
  Segments& corners() { return *corners_; }
  QSpinBox& spares() { return *spares_; }
  QComboBox& over() { return *over_; }
  QPushButton& printButton() { return *print_; }
  LengthField& offset() { return *offset_; }
  enum ShownPages { howMade, ofFilm };
  Pages& pages() { return *pages_; }

 private:
  QWidget* makeHow(FieldSet& fields);
  QWidget* makeFilm();
  LengthField* field(FieldSet& fields, const QString& label, Member member,
                     WrittenLength Layer::*length);
  void change(const QString& text, const QString& key, const std::function<void(Layer&)>& change);
  void changeOver(const QString& text, const std::function<void(std::optional<Finish>&)>& change);
  void askForPicture();
  void refresh();

  Order& order_;
  LayerStack* stack_ = nullptr;
  Pages* pages_ = nullptr;
  QPushButton* add_ = nullptr;
  QPushButton* colours_ = nullptr;
  QPushButton* up_ = nullptr;
  QPushButton* down_ = nullptr;
  QPushButton* remove_ = nullptr;
  std::array<QAction*, 8> adds_{};
  LengthField* offset_ = nullptr;
  LengthField* lap_ = nullptr;
  LengthField* opening_ = nullptr;
  Segments* corners_ = nullptr;
  QComboBox* openings_ = nullptr;
  QWidget* cornersBox_ = nullptr;
  QWidget* openingsBox_ = nullptr;
  QComboBox* over_ = nullptr;  ///< what goes over the stencils of the set
  QWidget* overBox_ = nullptr;
  Swatches* overColour_ = nullptr;
  Swatches* swatches_ = nullptr;
  QPushButton* print_ = nullptr;
  QComboBox* material_ = nullptr;
  QComboBox* sees_ = nullptr;
  QComboBox* mirrored_ = nullptr;
  QSpinBox* spares_ = nullptr;
  QLabel* words_ = nullptr;
  QLabel* filmWords_ = nullptr;
};

}  // namespace avrelt
