// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QLabel>
#include <QPushButton>

#include "app/fields/length_field.h"
#include "app/fields/segments.h"
#include "app/print/picture_list.h"
#include "app/print/print_canvas.h"

namespace avrelt {

/// The picture a zone's film is printed with: one of the order's or a new one, and how it lies, as
/// it is seen on the zone rolled out.
class PrintDialog : public QDialog {
  Q_OBJECT

 public:
  PrintDialog(const Document& document, const Wall& wall, const Zone& zone, const Finish& finish,
              QWidget* parent = nullptr);

  /// Takes a picture file; why not, in words.
  std::optional<QString> addFrom(const QString& path) { return pictures_->addFrom(path); }
  PictureChoice choice() const;

  QListWidget& list() { return pictures_->list(); }
  Segments& repeat() { return *repeat_; }
  QCheckBox& bent() { return *bent_; }
  LengthField& wide() { return *wide_; }
  PrintCanvas& canvas() { return *canvas_; }
  QLabel& words() { return *words_; }
  QPushButton& takeButton() { return *take_; }
  QPushButton& removeButton() { return pictures_->removeButton(); }

 private:
  void refresh();
  std::optional<PictureLie> lie() const;

  Unit unit_;
  Wall wall_;
  Zone zone_;
  ZonePicture picture_;
  PictureList* pictures_ = nullptr;
  PrintCanvas* canvas_ = nullptr;
  Segments* repeat_ = nullptr;
  QCheckBox* bent_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* at_ = nullptr;
  LengthField* up_ = nullptr;
  LengthField* turn_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
