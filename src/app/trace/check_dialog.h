// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

#include "app/fields/length_field.h"
#include "app/trace/check_canvas.h"
#include "app/trace/photo_dialog.h"

namespace avrelt {

/// Holding a photo of the taped or dressed cup against its plan: where tape and decals should be is
/// drawn over it, and a place asked about is told as the tape measure has it.
class CheckDialog : public PhotoDialog {
  Q_OBJECT

 public:
  CheckDialog(const CupPlan& plan, QWidget* parent = nullptr);

  CheckCanvas& canvas() { return *canvas_; }
  QLabel& words() { return *wordsLabel(); }
  QLabel& askedWords() { return *asked_; }
  LengthField& distance() { return *distance_; }

 private:
  void refresh();
  QString askedIs(const PhotoSight::Place& place) const;

  CheckCanvas* canvas_ = nullptr;
  LengthField* distance_ = nullptr;
  QLabel* asked_ = nullptr;
};

}  // namespace avrelt
