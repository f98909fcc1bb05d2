// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QLabel>

#include "app/fields/length_field.h"
#include "app/trace/check_canvas.h"

namespace avrelt {

/// Holding a photo of the taped or dressed cup against its plan: where tape and decals should be is
/// drawn over it, and a place asked about is told as the tape measure has it.
class CheckDialog : public QDialog {
  Q_OBJECT

 public:
  CheckDialog(const CupPlan& plan, QWidget* parent = nullptr);

  CheckCanvas& canvas() { return *canvas_; }
  QLabel& words() { return *words_; }
  QLabel& askedWords() { return *asked_; }
  LengthField& distance() { return *distance_; }
  /// Reads a photo; the sentence says why not.
  std::optional<Sentence> load(const QString& path);

 private:
  void ask();
  void refresh();
  QString askedIs(WallPoint place) const;

  Unit unit_;
  CheckCanvas* canvas_ = nullptr;
  LengthField* distance_ = nullptr;
  QLabel* words_ = nullptr;
  QLabel* asked_ = nullptr;
  bool loaded_ = false;
};

}  // namespace avrelt
