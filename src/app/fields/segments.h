// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QButtonGroup>
#include <QStringList>
#include <QWidget>
#include <vector>

namespace avrelt {

/// A choice of a few words side by side, one of them taken. Arrow keys move along it.
class Segments : public QWidget {
  Q_OBJECT

 public:
  /// `name` is read out before the choice: "Measured".
  /// Choices that are told by their number, from 0.
  Segments(const QString& name, const QStringList& choices, QWidget* parent = nullptr);
  struct Choice {
    int id;
    QString words;
  };
  Segments(const QString& name, const std::vector<Choice>& choices, QWidget* parent = nullptr);

  int chosen() const { return group_.checkedId(); }
  /// Shows a choice without telling anyone; none where there is no such choice.
  void show(int choice);
  QAbstractButton* button(int choice) const { return group_.button(choice); }

 signals:
  void picked(int choice);

 private:
  QButtonGroup group_;
};

}  // namespace avrelt
