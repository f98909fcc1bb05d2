// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QPlainTextEdit>
#include <QSpinBox>
#include <QTimer>
#include <QWidget>

#include "app/fields/field_set.h"
#include "app/fields/segments.h"
#include "decal/artwork.h"

namespace avrelt {

/// The words of the lettering in hand, and how they are set. What cannot be set is said, and the
/// outlines stay as they were.
class WordsPage : public QWidget {
  Q_OBJECT

 public:
  WordsPage(Order& order, FieldSet& fields, QWidget* parent = nullptr);

  QPlainTextEdit& text() { return *text_; }
  QComboBox& faces() { return *faces_; }
  QLabel& said() { return *words_; }
  QCheckBox& arched() { return *arched_; }
  /// Makes a lettering of a word to begin with and puts the keyboard to it.
  void begin();
  /// Whether letters were typed that the words do not have yet.
  bool waits() const { return typed_.isActive(); }

 private:
  /// Sets the words anew; false where they cannot be set, which is said.
  bool change(const QString& key, const std::function<void(Words&)>& change);
  /// Sets the words as they were typed since.
  void takeTyped();
  const Artwork* inHand() const;
  void refresh();

  Order& order_;
  QPlainTextEdit* text_ = nullptr;
  QComboBox* faces_ = nullptr;
  LengthField* height_ = nullptr;
  Segments* align_ = nullptr;
  QSpinBox* spacing_ = nullptr;
  QSpinBox* lines_ = nullptr;
  QCheckBox* arched_ = nullptr;
  QCheckBox* under_ = nullptr;
  QCheckBox* merged_ = nullptr;
  LengthField* arc_ = nullptr;
  QLabel* words_ = nullptr;
  std::string shown_;  ///< the artwork whose words are being typed
  QTimer typed_;
  bool stays_ = false;     ///< what was typed cannot be set, and stays in the field
  std::string typedInto_;  ///< the artwork that waits for what was typed
  QString fault_;
  bool filling_ = false;
};

}  // namespace avrelt
