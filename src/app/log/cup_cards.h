// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QWidget>

#include "app/fields/pages.h"
#include "app/log/log_board.h"

namespace avrelt {

/// The cup picked in the log: what it is, what was done and cut, its photos; for whom and for how
/// much; and what can be done with it.
class CupCards : public QWidget {
  Q_OBJECT

 public:
  /// Files are first offered to go into what `folder` says.
  CupCards(LogBoard& board, std::function<QString()> folder, QWidget* parent = nullptr);

  enum Middle { stepsPage, cutPage, photosPage };
  enum Right { notesPage, costPage };
  Pages& middle() { return *middle_; }
  Pages& right() { return *right_; }
  QListWidget& cutList() { return *cuts_; }
  QListWidget& photoList() { return *photos_; }
  QListWidget& stepList() { return *steps_; }
  QLineEdit& whom() { return *whom_; }
  QLineEdit& price() { return *price_; }
  QPlainTextEdit& faults() { return *faults_; }
  QLabel& title() { return *title_; }
  QLabel& costWords() { return *cost_; }

  /// Asks on what blank, and begins an order of it.
  void makeAgain();
  void openAsItWas();
  /// Holds it against another cup of those found.
  void compare();
  /// Asks where, and saves the drawing picked, as it was cut.
  void cutAgain();
  /// Why not, in words.
  std::optional<QString> saveCut(long long key, const QString& path);
  void addPhoto();
  std::optional<QString> addPhotoFrom(const QString& path);
  void removePhoto();
  void showPhoto();
  void saveCard();
  std::optional<QString> saveCardTo(const QString& path);
  void saveTag();
  std::optional<QString> saveTagTo(const QString& path);
  void removeEntry();
  void keepNotes();

 signals:
  void said(const QString& words);
  /// An order is to be put on the bench.
  void orderMade(const Document& order);

 private:
  QWidget* cupCard();
  QWidget* middleCard();
  QWidget* rightCard();
  void refresh();
  void refreshCost();

  LogBoard& board_;
  std::function<QString()> folder_;
  std::optional<LogKey> shown_;
  QLabel* title_ = nullptr;
  QLabel* words_ = nullptr;
  QLabel* made_ = nullptr;
  Pages* middle_ = nullptr;
  Pages* right_ = nullptr;
  QListWidget* steps_ = nullptr;
  QListWidget* cuts_ = nullptr;
  QListWidget* photos_ = nullptr;
  QLineEdit* whom_ = nullptr;
  QLineEdit* price_ = nullptr;
  QPlainTextEdit* faults_ = nullptr;
  QLabel* cost_ = nullptr;
  QLabel* suggested_ = nullptr;
  std::vector<QPushButton*> ofCup_;
  QPushButton* ofCut_ = nullptr;
  QPushButton* removePhoto_ = nullptr;
  QPushButton* openPhoto_ = nullptr;
};

}  // namespace avrelt
