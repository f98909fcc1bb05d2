// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>
#include <QVBoxLayout>

#include "app/order/phrases.h"
#include "app/trace/photo_canvas.h"

namespace avrelt {

/// A photo with its handles on the left, and a column beside it that begins with how to load one
/// and how to put the handles.
class PhotoDialog : public QDialog {
  Q_OBJECT

 public:
  /// Reads a photo; the sentence says why not.
  std::optional<Sentence> load(const QString& path);

 protected:
  PhotoDialog(Unit unit, QWidget* parent) : QDialog(parent), unit_(unit) {}
  /// Lays out the photo and the beginning of the column.
  void lay(PhotoCanvas* canvas, const QString& how);

  Unit unit() const { return unit_; }
  bool isLoaded() const { return loaded_; }
  QVBoxLayout* column() { return column_; }
  /// Where it is said what there is, or why there is nothing.
  QLabel* wordsLabel() { return words_; }

 private:
  void ask();

  Unit unit_;
  PhotoCanvas* canvas_ = nullptr;
  QVBoxLayout* column_ = nullptr;
  QLabel* words_ = nullptr;
  bool loaded_ = false;
};

}  // namespace avrelt
