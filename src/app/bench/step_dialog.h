// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>

#include "bench/step.h"
#include "measure/length.h"

namespace avrelt {

/// One step, opened: why it stands there, what it takes, what happens when what follows comes now
/// or later; its times, and a note. Of an own step also what to do.
class StepDialog : public QDialog {
  Q_OBJECT

 public:
  StepDialog(const Step& step, Unit unit, QWidget* parent = nullptr);

  /// Offers to take an own step's times from how something behaves in the shop.
  void offer(const Methods& methods);
  /// Says more, below why it is done.
  void addWords(const QString& words);
  QString words() const;
  Duration handsOn() const;
  Wait wait() const;
  QString note() const;

 private:
  void refresh();

  Step step_;
  Unit unit_;
  QLineEdit* words_ = nullptr;
  QSpinBox* handsOn_ = nullptr;
  QSpinBox* least_ = nullptr;
  QCheckBox* hurries_ = nullptr;
  QSpinBox* most_ = nullptr;
  QLineEdit* note_ = nullptr;
  QSpinBox* asked_ = nullptr;
  QLabel* answer_ = nullptr;
  QPushButton* take_ = nullptr;
};

/// What is not right after a step, and what is done about it.
class LookDialog : public QDialog {
  Q_OBJECT

 public:
  LookDialog(const Step& step, const struct Look& look, Unit unit, QWidget* parent = nullptr);

  /// Which of the remedies was taken.
  std::size_t chosen() const { return chosen_; }
  void choose(std::size_t remedy);

 private:
  std::size_t chosen_ = 0;
};

}  // namespace avrelt
