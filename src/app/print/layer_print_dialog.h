// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QPushButton>
#include <QTimer>

#include "app/fields/length_field.h"
#include "app/fields/segments.h"
#include "app/print/layer_print_canvas.h"
#include "app/print/picture_list.h"

namespace avrelt {

/// The picture a layer is printed with before it is cut: one of the order's or a new one, how it
/// lies, what it leaves bare, and how that is closed.
class LayerPrintDialog : public QDialog {
  Q_OBJECT

 public:
  /// `shapes` is all that is cut of the layer, in the set's plane; the first is shown.
  LayerPrintDialog(const Document& document, const QString& title, const Layer& layer,
                   std::vector<Polygon> shapes, QWidget* parent = nullptr);

  /// Takes a picture file; why not, in words.
  std::optional<QString> addFrom(const QString& path) { return pictures_->addFrom(path); }
  LayerPrintChoice choice() const;

  PictureList& pictures() { return *pictures_; }
  Segments& repeat() { return *repeat_; }
  LengthField& wide() { return *wide_; }
  LengthField& right() { return *right_; }
  LengthField& turn() { return *turn_; }
  LayerPrintCanvas& canvas() { return *canvas_; }
  QLabel& words() { return *words_; }
  QPushButton& moveButton() { return *move_; }
  QPushButton& growButton() { return *grow_; }
  QPushButton& takeButton() { return *take_; }
  QPushButton& noneButton() { return *none_; }

 private:
  /// It moved or made larger so that less is bare.
  enum class Close { move, grow };
  void close(Close how);
  void refresh();
  void lookOn();
  LayerPrint lies() const;
  void say(const QString& words);

  Unit unit_;
  std::vector<Polygon> shapes_;
  LayerPrint print_;
  bool taken_ = true;  ///< else the layer shall have no picture
  QTimer others_;
  std::size_t next_ = 1;
  PrintCover worst_;  ///< of those that were looked at
  Area shownBare_;
  PictureList* pictures_ = nullptr;
  LayerPrintCanvas* canvas_ = nullptr;
  Segments* repeat_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* right_ = nullptr;
  LengthField* up_ = nullptr;
  LengthField* turn_ = nullptr;
  QPushButton* move_ = nullptr;
  QPushButton* grow_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
  QPushButton* none_ = nullptr;
};

}  // namespace avrelt
