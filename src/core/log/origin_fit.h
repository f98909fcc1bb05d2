// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

namespace avrelt {

/// One observation of what grows in step with something else: twice as much of one, twice as much
/// of the other.
struct FitPoint {
  double x = 0;
  double y = 0;
};

/// A line through the origin, and how sure it is. Numbers without units: what they are of is up to
/// who asks.
struct OriginFit {
  double slope = 0;
  double error = 0;    ///< standard error of the slope
  double low = 0;      ///< where the slope lies in 95 of 100 cases, from …
  double high = 0;     ///< … to
  double scatter = 0;  ///< standard deviation of the points about the line
  std::size_t count = 0;
};

/// Least squares: Σxy / Σx². Points with x of nothing or less are left out. The interval is
/// Student's with one less than there are points; of one point it is unbounded.
OriginFit plainFit(const std::vector<FitPoint>& points);

/// The same where single points may be far off: Huber's M-estimate (P. J. Huber, Robust
/// Statistics, 1981; k = 1.345 scatters, which are 1.4826 times the middle of the distances) found
/// by weights put anew, from the middle of all slopes on.
OriginFit robustFit(const std::vector<FitPoint>& points);

/// Of x times, y: the share of all together, and E. B. Wilson's interval for it (Journal of the
/// American Statistical Association 22, 1927), which holds for few and for none too. No slope
/// where there is no x.
OriginFit shareFit(const std::vector<FitPoint>& points);

/// Which points are odd: their modified z-score beyond 3.5 (B. Iglewicz and D. C. Hoaglin, How to
/// Detect and Handle Outliers, 1993), of the logarithms of y / x, so that half and double are
/// equally far. None of fewer than 4.
std::vector<bool> oddOnes(const std::vector<FitPoint>& points);

}  // namespace avrelt
