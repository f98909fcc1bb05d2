// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include "decal/shapes.h"

namespace avrelt {

/// A shape on the shelf: one drawn for this program, or one the maker has kept.
struct ShapeChoice {
  std::string key;  ///< its id, or where the shop keeps it
  Artwork artwork;
  QString found;  ///< the words it is found by
  bool own = false;
};

/// The shelf of shapes, to be looked through and searched.
class ShapeDialog : public QDialog {
  Q_OBJECT

 public:
  /// `remove` takes one of the maker's own off the shelf.
  ShapeDialog(std::vector<ShapeChoice> shapes, std::function<void(const std::string&)> remove,
              QWidget* parent = nullptr);

  QLineEdit& search() { return *search_; }
  QListWidget& list() { return *list_; }
  QPushButton& takeButton() { return *take_; }
  /// The one chosen; nothing for none.
  const ShapeChoice* chosen() const;

 private:
  void fill();

  std::vector<ShapeChoice> shapes_;
  std::function<void(const std::string&)> removeOwn_;
  QLineEdit* search_ = nullptr;
  QListWidget* list_ = nullptr;
  QPushButton* take_ = nullptr;
  QPushButton* remove_ = nullptr;
};

/// The shapes that come with the program.
std::vector<ShapeChoice> shippedShapes();

}  // namespace avrelt
