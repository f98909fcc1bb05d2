// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <future>
#include <memory>
#include <QCheckBox>
#include <QDialog>
#include <QImage>
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QSpinBox>
#include <QTimer>

#include "app/fields/segments.h"
#include "app/look/painting.h"
#include "decal/artwork.h"
#include "measure/length.h"

namespace avrelt {

/// A picture before and after it is traced, side by side.
class TraceView : public Canvas {
  Q_OBJECT

 public:
  explicit TraceView(QWidget* parent = nullptr);
  void show(const QImage& before);
  void show(const std::vector<TracedColour>& after);
  /// While another tracing is made, the last is greyed.
  void setWaiting(bool waiting);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  QImage before_;
  std::vector<TracedColour> after_;
  bool waiting_ = false;
};

/// Tracing a picture: before and after beside each other, anew at every change of how, beside the
/// window and only the last wanted.
class PictureDialog : public QDialog {
  Q_OBJECT

 public:
  PictureDialog(Unit unit, QWidget* parent = nullptr);
  ~PictureDialog() override;

  /// Reads a picture; the sentence says why not.
  std::optional<QString> load(const QString& path);
  /// What was traced as an artwork; why not where there is none.
  Checked<Artwork> artwork() const;
  /// Whether the tracing shown is of the settings shown.
  bool settled() const { return !wanted_ && !running_; }

  Segments& mode() { return *mode_; }
  QSpinBox& colours() { return *colours_; }
  QSlider& threshold() { return *threshold_; }
  QCheckBox& invert() { return *invert_; }
  QLabel& words() { return *words_; }
  QPushButton& takeButton() { return *take_; }

 private:
  TraceSetting setting() const;
  void want();
  void start();
  void arrived();

  using Result = Checked<std::vector<TracedColour>>;
  Unit unit_;
  std::string name_;
  double dotsPerInch_ = 300;
  std::shared_ptr<const Picture> picture_;
  Result traced_ = std::vector<TracedColour>();
  TraceSetting tracedBy_;
  bool wanted_ = false;
  bool running_ = false;
  std::future<Result> result_;
  std::shared_ptr<std::atomic<bool>> stop_;
  TraceSetting runningBy_;
  QTimer poll_;
  QString made_;  ///< what was done to the picture as it was read

  TraceView* view_ = nullptr;
  Segments* mode_ = nullptr;
  QSpinBox* colours_ = nullptr;
  QSlider* threshold_ = nullptr;
  QCheckBox* byItself_ = nullptr;
  QCheckBox* invert_ = nullptr;
  QCheckBox* background_ = nullptr;
  QSpinBox* specks_ = nullptr;
  QSlider* smooth_ = nullptr;
  QLabel* words_ = nullptr;
  QPushButton* take_ = nullptr;
};

}  // namespace avrelt
