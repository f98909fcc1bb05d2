// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QSpinBox>

namespace avrelt {

/// A whole number that says where it stops, when more or less is typed or stepped to.
class CountBox : public QSpinBox {
  Q_OBJECT

 public:
  using QSpinBox::QSpinBox;

  void stepBy(int steps) override;

 protected:
  QValidator::State validate(QString& text, int& at) const override;

 private:
  void sayRange() const;
};

}  // namespace avrelt
