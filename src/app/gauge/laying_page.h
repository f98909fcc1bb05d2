// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QWidget>

#include "app/fields/segments.h"
#include "app/gauge/laying_tile.h"
#include "app/order/order.h"

namespace avrelt {

/// How the film is brought onto the wall: which film, and the ways side by side.
class LayingPage : public QWidget {
  Q_OBJECT

 public:
  explicit LayingPage(Order& order, QWidget* parent = nullptr);

  const std::vector<LayingTile*>& tiles() const { return tiles_; }
  Segments& film() { return *film_; }
  void take(std::optional<LayingKind> kind);

 private:
  void refresh();
  void changeFilm(const QString& text, const std::function<void(Film&)>& change,
                  const QString& key = {});

  Order& order_;
  Segments* film_ = nullptr;
  QDoubleSpinBox* bears_ = nullptr;
  QPushButton* recommended_ = nullptr;
  QLabel* runsOff_ = nullptr;
  std::vector<LayingTile*> tiles_;
};

}  // namespace avrelt
