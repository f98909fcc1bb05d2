// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include "files/read_fault.h"
#include "job/document.h"

namespace avrelt {

/// A document, and where its fields stand in the text it came from.
struct ReadDocument {
  Document document;
  FieldLines lines;
};

/// Reads an order (`docs/format.md`). All faults are reported at once, each with line and field:
/// broken JSON, a version this program does not know, a member of the wrong kind, a length that is
/// none, two cups of one name. Members not known are kept for `writeDocument`.
///
/// What a length *means* for the cup, a height of zero, say, is for the plan to judge: such a
/// document opens, so that it can be mended.
tl::expected<ReadDocument, ReadFaults> readDocument(std::string_view text);

/// The document as text: two blanks a level, a line feed at the end. The same document gives the
/// same bytes, and reading them gives the same document.
std::string writeDocument(const Document& document);

}  // namespace avrelt
