// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <functional>
#include <future>
#include <memory>
#include <QCoreApplication>
#include <QString>
#include <QThreadPool>
#include <QWidget>
#include <tl/expected.hpp>
#include <utility>

namespace avrelt {

/// How far work beside the window has come, and whether it is still wanted.
struct Going {
  std::atomic<bool> stopped{false};
  std::atomic<int> done{0};
  std::atomic<int> all{0};  ///< 0 where that is not known

  /// Says how far it is; false where it is not wanted any more.
  bool tell(std::size_t doneNow, std::size_t allNow) {
    done = static_cast<int>(doneNow);
    all = static_cast<int>(allNow);
    return !stopped;
  }
};

/// Waits till `ready` says so; from a tenth of a second on with what is done in words, how far it
/// is, and a way to stop, while the window is painted as ever. False where it was stopped.
bool waitBeside(QWidget* window, const QString& what, Going& going,
                const std::function<bool(int milliseconds)>& ready);

/// Does work that may take long on a thread of its own. `work(going)` must hold all it needs by
/// value: where it is stopped nobody waits for it. Why there is nothing, in words, where it was
/// stopped or failed.
template <typename Work>
auto beside(QWidget* window, const QString& what, Work work)
    -> tl::expected<decltype(work(std::declval<Going&>())), QString> {
  using Result = decltype(work(std::declval<Going&>()));
  auto going = std::make_shared<Going>();
  auto promise = std::make_shared<std::promise<Result>>();
  std::future<Result> result = promise->get_future();
  QThreadPool::globalInstance()->start([going, promise, work = std::move(work)]() mutable {
    try {
      promise->set_value(work(*going));
    } catch (...) {
      promise->set_exception(std::current_exception());
    }
  });
  const bool finished = waitBeside(window, what, *going, [&result](int milliseconds) {
    return result.wait_for(std::chrono::milliseconds(milliseconds)) == std::future_status::ready;
  });
  if (!finished) return tl::unexpected(QCoreApplication::translate("Beside", "Stopped."));
  try {
    return result.get();
  } catch (const std::exception& fallen) {
    return tl::unexpected(QCoreApplication::translate("Beside", "It could not be done (%1).")
                              .arg(QString::fromLocal8Bit(fallen.what())));
  }
}

}  // namespace avrelt
