// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QWidget>

namespace avrelt {

/// What Return does where something is asked.
enum class OnReturn { leaves, acts };

/// Asks before something goes: whether the button that is called as the act was pressed. Escape
/// leaves all as it is, and so does Return, but where undo brings it back.
bool confirmed(QWidget* over, const QString& title, const QString& question, const QString& act,
               OnReturn onReturn = OnReturn::leaves);

}  // namespace avrelt
