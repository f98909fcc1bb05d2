// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>

#include "app/fields/length_field.h"
#include "app/fields/segments.h"
#include "app/order/picture_edits.h"
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
  std::optional<QString> addFrom(const QString& path);
  PictureChoice choice() const;

  QListWidget& list() { return *list_; }
  Segments& repeat() { return *repeat_; }
  QCheckBox& bent() { return *bent_; }
  LengthField& wide() { return *wide_; }
  PrintCanvas& canvas() { return *canvas_; }
  QLabel& words() { return *words_; }
  QPushButton& takeButton() { return *take_; }
  QPushButton& removeButton() { return *remove_; }

 private:
  void askForPicture();
  void removePicture();
  void fillList(const std::string& chosen);
  void refresh();
  std::optional<PictureLie> lie() const;

  Unit unit_;
  Wall wall_;
  Zone zone_;
  /// The order's and those that were added, with how many other films show each.
  struct Known {
    SharedPicture picture;
    bool isNew = false;
    int elsewhere = 0;
  };
  std::vector<Known> known_;
  std::vector<std::string> removed_;
  int added_ = 0;
  ZonePicture picture_;
  QListWidget* list_ = nullptr;
  QPushButton* remove_ = nullptr;
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
