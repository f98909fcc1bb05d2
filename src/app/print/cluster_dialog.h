// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QImage>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

#include "app/fields/length_field.h"
#include "app/fields/swatches.h"
#include "app/look/painting.h"
#include "decal/cluster.h"
#include "shape/picture.h"

namespace avrelt {

/// A cluster as it will be printed, on the colour of the bench where it is bare.
class ClusterView : public Canvas {
  Q_OBJECT

 public:
  explicit ClusterView(QWidget* parent = nullptr);
  void show(const QImage& image);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  QImage image_;
};

/// Artworks of the order thrown over each other till they cover a picture, which is then printed as
/// any other.
class ClusterDialog : public QDialog {
  Q_OBJECT

 public:
  ClusterDialog(Unit unit, std::vector<SharedArt> artworks, QWidget* parent = nullptr);

  /// The picture; why there is none, in words.
  tl::expected<KeptPicture, Sentence> picture() const;

  QListWidget& list() { return *list_; }
  QListWidget& colours() { return *colours_; }
  LengthField& wide() { return *wide_; }
  LengthField& motif() { return *motif_; }
  QCheckBox& clear() { return *clear_; }
  QPushButton& againButton() { return *again_; }
  QPushButton& takeButton() { return *take_; }
  QLabel& words() { return *words_; }
  const ClusterPlan& plan() const { return plan_; }

 private:
  void refresh();

  Unit unit_;
  std::vector<SharedArt> artworks_;
  Cluster cluster_;
  ClusterPlan plan_;
  QListWidget* list_ = nullptr;
  ClusterView* view_ = nullptr;
  LengthField* wide_ = nullptr;
  LengthField* tall_ = nullptr;
  LengthField* motif_ = nullptr;
  QSpinBox* turns_ = nullptr;
  QCheckBox* clear_ = nullptr;
  QListWidget* colours_ = nullptr;
  Swatches* ground_ = nullptr;
  QPushButton* again_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
