// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tl/expected.hpp>

#include "job/sheets.h"
#include "measure/sentence.h"

namespace avrelt {

/// What is printed on one sheet of film that is printed first. Refused in words: a picture that
/// cannot be read, no memory for so many dots.
tl::expected<Picture, Sentence> printOfSheet(const SheetPlan& sheets, const FilmSheets& film,
                                             std::size_t sheet, const DotsOfPicture& dotsOf);

/// A print as a PDF of one page, the whole sheet at true size; empty where there is no memory for
/// it.
std::string printPdf(const Picture& print, Length wide, Length tall, const std::string& title);

}  // namespace avrelt
