#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Makes the faces Avrelt ships from Inter (package fonts-inter).

Figures stand in columns in a tape reading, so the tabular figures are made the plain ones, and
what no Latin, Greek or Cyrillic text needs is left out. The licence asks that a changed face carry another name:
"Avrelt Sans". Run it only when the faces are to change; the result is kept beside it.
"""
import pathlib
import sys

from fontTools import subset, ttLib

SOURCE = pathlib.Path("/usr/share/fonts/opentype/inter")
HERE = pathlib.Path(__file__).resolve().parent
RANGES = [(0x20, 0x7E), (0xA0, 0x24F), (0x370, 0x3FF), (0x400, 0x52F), (0x1E00, 0x1EFF),
          (0x2010, 0x2027), (0x2030, 0x203A), (0x2044, 0x2044),
          (0x2150, 0x215E), (0x2190, 0x2193), (0x2212, 0x2212), (0x2215, 0x2215),
          (0x2248, 0x2248), (0x2264, 0x2265), (0x2032, 0x2033)]


def tabular(font: ttLib.TTFont) -> dict[str, str]:
    """Which glyph the face's own feature for tabular figures puts for which."""
    table = font["GSUB"].table
    swaps: dict[str, str] = {}
    for record in table.FeatureList.FeatureRecord:
        if record.FeatureTag != "tnum":
            continue
        for index in record.Feature.LookupListIndex:
            for sub in table.LookupList.Lookup[index].SubTable:
                swaps.update(getattr(sub, "ExtSubTable", sub).mapping)
    return swaps


def make(style: str) -> None:
    font = ttLib.TTFont(SOURCE / f"Inter-{style}.otf")
    swaps = tabular(font)
    for table in font["cmap"].tables:
        for code in map(ord, "0123456789"):
            if code in table.cmap:
                table.cmap[code] = swaps.get(table.cmap[code], table.cmap[code])
    options = subset.Options()
    options.layout_features = ["kern", "mark", "mkmk", "ccmp", "locl"]
    options.name_IDs = ["*"]
    options.hinting = False
    options.desubroutinize = True
    chosen = subset.Subsetter(options)
    chosen.populate(unicodes=[c for low, high in RANGES for c in range(low, high + 1)])
    chosen.subset(font)
    for record in list(font["name"].names):
        if record.nameID in (1, 16):
            record.string = "Avrelt Sans"
        elif record.nameID in (2, 17):
            record.string = style if record.nameID == 17 or style in ("Regular", "Bold") else "Regular"
        elif record.nameID in (3, 4):
            record.string = f"Avrelt Sans {style}"
        elif record.nameID == 6:
            record.string = f"AvreltSans-{style}"
        elif record.nameID in (18, 20, 21, 22, 25):
            font["name"].names.remove(record)
    if style == "SemiBold":
        for record in font["name"].names:
            if record.nameID == 1:
                record.string = "Avrelt Sans SemiBold"
    cff = font["CFF "].cff
    cff.fontNames[0] = f"AvreltSans-{style}"
    top = cff.topDictIndex[0]
    top.FamilyName = "Avrelt Sans"
    top.FullName = f"Avrelt Sans {style}"
    font.save(HERE / f"AvreltSans-{style}.otf")


for wanted in sys.argv[1:] or ["Regular", "SemiBold", "Bold"]:
    make(wanted)
