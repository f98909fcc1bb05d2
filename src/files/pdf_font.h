// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "files/pdf_face.h"
#include "files/pdf_objects.h"

namespace avrelt {

/// Tells a document of the shipped face, as much of it as is used, in the dictionary set where it
/// is used: a composite font whose codes are the face's own glyphs (ISO 32000-1, 9.7), and which
/// letters they stand for, so that words can be found and copied.
void tellFont(PdfObjects& objects, PdfObjects::Object font, const PdfFace::Used& used);

}  // namespace avrelt
