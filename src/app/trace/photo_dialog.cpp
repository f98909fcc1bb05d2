// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/trace/photo_dialog.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QPushButton>

#include "app/fields/on_screen.h"
#include "app/fields/scrolled.h"
#include "app/trace/photo.h"

namespace avrelt {

void PhotoDialog::lay(PhotoCanvas* canvas, const QString& how) {
  canvas_ = canvas;
  openAt(*this, {1040, 680});
  auto* row = new QHBoxLayout(this);
  row->setSpacing(14);
  row->addWidget(canvas_, 1);
  auto* side = new QWidget;
  side->setFixedWidth(290);
  column_ = new QVBoxLayout(side);
  column_->setContentsMargins(0, 0, 0, 0);
  column_->setSpacing(8);
  auto* open = new QPushButton(tr("Load a photo…"));
  column_->addWidget(open);
  auto* howWords = new QLabel(how);
  howWords->setWordWrap(true);
  column_->addWidget(howWords);
  words_ = new QLabel;
  words_->setWordWrap(true);
  words_->setProperty("role", "label");
  row->addWidget(scrolledColumn(side));
  connect(open, &QPushButton::clicked, this, &PhotoDialog::ask);
}

std::optional<Sentence> PhotoDialog::load(const QString& path) {
  tl::expected<QImage, Sentence> photo = readPhoto(path);
  if (!photo) {
    words_->setText(say(photo.error(), unit_));
    return photo.error();
  }
  loaded_ = true;
  canvas_->show(*photo);
  canvas_->setFocus(Qt::OtherFocusReason);
  return std::nullopt;
}

void PhotoDialog::ask() {
  const QString path = QFileDialog::getOpenFileName(
      this, tr("Load a photo"), {}, tr("Pictures (*.jpg *.jpeg *.png *.bmp *.gif);;All files (*)"));
  if (!path.isEmpty()) load(path);
}

}  // namespace avrelt

#include "moc_photo_dialog.cpp"
