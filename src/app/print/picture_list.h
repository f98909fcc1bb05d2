// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <QListWidget>
#include <QPushButton>
#include <QWidget>

#include "app/order/picture_edits.h"

namespace avrelt {

/// The pictures of an order, one to be taken; new ones come to it, and those nothing shows leave
/// it. The order is not changed before `taking` is given to it.
class PictureList : public QWidget {
  Q_OBJECT

 public:
  /// `taken` is the id of the one that is shown now by what it is chosen for; empty for none.
  PictureList(const Document& document, const std::string& taken, QWidget* parent = nullptr);

  /// Takes a picture file; why not, in words.
  std::optional<QString> addFrom(const QString& path);
  /// Takes a picture that was made here.
  void add(KeptPicture picture);
  /// The one that is taken; nothing for none.
  SharedPicture picture() const;
  PictureTaking taking() const;
  /// Its colour on the whole.
  std::string mean() const;

  QListWidget& list() { return *list_; }
  QPushButton& removeButton() { return *remove_; }
  QPushButton& clusterButton() { return *cluster_; }

 signals:
  void picked();
  /// Something is to be told about a picture.
  void told(const QString& words);

 private:
  void askForPicture();
  void removePicture();
  void fill(const std::string& chosen);

  Unit unit_;
  /// The order's and those that were added, with how many other films show each.
  struct Known {
    SharedPicture picture;
    bool isNew = false;
    int elsewhere = 0;
  };
  std::vector<Known> known_;
  std::vector<std::string> removed_;
  int added_ = 0;
  QListWidget* list_ = nullptr;
  QPushButton* cluster_ = nullptr;
  QPushButton* remove_ = nullptr;
};

}  // namespace avrelt
