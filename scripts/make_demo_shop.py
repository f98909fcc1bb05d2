#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""make_demo_shop.py AVRELT: writes data/demo/Brackwater shop.zip, the made-up workshop's log of two
years: supplies, cups, hours, counts, all by chance, the same every time."""
import copy
import datetime
import json
import pathlib
import random
import sqlite3
import subprocess
import sys
import tempfile

root = pathlib.Path(__file__).resolve().parent.parent
demo = root / "data" / "demo"
avrelt = pathlib.Path(sys.argv[1]).resolve()
chance = random.Random(20261128)
sheets = random.Random(20261129)
looks = random.Random(20261130)
start = datetime.datetime(2025, 2, 3, 18, 0)

SUPPLIES = [  # id, name, kind, colour, method, price of 100, low, lot, thinning
    ("s-night", "Night glitter", "glitter", "#26314F", "", 9.5, 40, "N-14", ""),
    ("s-brass", "Brass glitter", "glitter", "#B08A3C", "", 9.5, 40, "B-3", ""),
    ("s-mirror", "Mirror glitter", "glitter", "#C9D2D6", "", 12.0, 40, "M-9", ""),
    ("s-steel", "Steel glitter", "glitter", "#7C8891", "", 9.5, 40, "S-2", ""),
    ("s-sky", "Sky glitter", "glitter", "#6FA3C7", "", 9.5, 40, "K-5", ""),
    ("s-tail", "Comet tail glitter", "glitter", "#E9DDB8", "", 11.0, 40, "C-1", ""),
    ("s-deepsky", "Deep sky glitter", "glitter", "#1E3A5C", "", 9.5, 40, "D-8", ""),
    ("s-clear", "Slow clear resin", "resin", "", "resin", 3.2, 300, "R-21", ""),
    ("s-quick", "Quick clear resin", "resin", "", "fast_resin", 4.1, 200, "Q-6", ""),
    ("s-white", "White base paint", "paint", "#F2F0EA", "paint", 2.4, 100, "", "with water, 10 : 1"),
    ("s-ink", "Dusk ink", "ink", "#3F2C48", "ink", 18.0, 10, "", ""),
    ("s-tack", "Tacky glue", "glue", "", "tacky_glue", 3.0, 60, "", "with water, 60 : 40"),
    ("s-seal", "Brush-on sealer", "sealer", "", "sealer", 5.5, 80, "", ""),
    ("s-tape3", "Stretch tape, 3 mm", "tape", "", "", 0.22, 10000, "", ""),
]
NAMES = ["Mirror", "Comet", "Dome", "Phases", "Moon"]
GLITTERS = {"Mirror": ["s-night", "s-brass", "s-mirror", "s-steel", "s-sky"],
            "Comet": ["s-tail", "s-deepsky"], "Dome": ["s-night", "s-sky"],
            "Phases": ["s-night"], "Moon": ["s-steel", "s-mirror"]}
CM2 = {"Mirror": 450, "Comet": 300, "Dome": 360, "Phases": 520, "Moon": 560}
WHOM = ["", "", "the observatory", "night-school class", "choir", "reading room", "the ferry crew",
        "the museum shop", "a wedding", "the lock keeper"]
FAULTS = ["", "", "", "a bubble by the rim; sanded, one thin coat more", "streaks in the sealer",
          "tape pulled late, edge touched up", "seam 1 mm open, hidden under the stripe"]
STEPS = [  # kind, words, usual minutes, pace here
    ("clean", "Sand the cup with fine paper, wash it, dry it, and do not touch the wall again.", 12, 0.92),
    ("mark", "Mark the front at rim and base with a pencil, and the height of every line.", 4, 1.3),
    ("tape", "Tape round the line, its lower edge on the line.", 4, 1.1),
    ("glitter", "Shake the glitter over it until nothing wet shows; catch what falls.", 6, 1.0),
    ("pull", "Pull the tape while what holds the glitter is wet.", 2, 1.0),
    ("coat", "Flood the cup on the turner with 20 ml of resin. Warm the bubbles out at once, and again after 15 to 20 minutes.", 15, 1.34),
    ("film", "Lay the film: front to the front mark, from the middle out.", 12, 1.2),
    ("base", "Lay the base disc, its front to the front mark.", 3, 1.0),
    ("coat", "The last coat: flood the cup on the turner with 20 ml of resin.", 15, 1.34),
    ("rim", "Clean the rim down to bare steel, and lift off whatever ran over it.", 6, 0.95),
]
METHODS = {"glitter": "tacky_glue", "coat": "resin"}
RESIN_WAIT = 300  # minutes to whatever goes over it, as is usual
GROWTH = 0.46  # of the resin that is poured, what stays here; 0.40 is guessed
GRAMS_PER_CM2 = 0.031  # what goes here; 0.025 is reckoned


def text(time):
    return time.strftime("%Y-%m-%dT%H:%M")


def alone(order, name):
    cup = copy.deepcopy(next(c for c in order["cups"] if c["name"] == name))
    said = json.dumps(cup)
    one = {k: v for k, v in order.items() if k not in ("cups", "artworks", "pictures")}
    one["cups"] = [cup]
    used = lambda thing: '"' + thing["id"] + '"' in said
    one["artworks"] = [a for a in order.get("artworks", []) if used(a)]
    one["pictures"] = [p for p in order.get("pictures", []) if used(p)]
    return one


with tempfile.TemporaryDirectory() as folder:
    shop = pathlib.Path(folder) / "shop.sqlite"
    subprocess.run([avrelt, "log", "--shop", shop], check=False)
    base = sqlite3.connect(shop)
    order = json.loads((demo / "Brackwater open night.avrelt").read_text())
    singles = {name: alone(order, name) for name in NAMES}
    base.execute("INSERT INTO rates VALUES ('money.per_hour', 18), ('money.per_cup', 1.5),"
                 " ('money.waste', 0.2), ('money.factor', 1.8), ('money.round_to', 1)")
    for at, film in enumerate([("Horizon, permanent", "permanent_film", "#3F2C48", 14),
                               ("Gold, permanent", "permanent_film", "#E8B64A", 16),
                               ("Stencil film", "stencil_film", "", 6)], 1):
        base.execute("INSERT INTO films VALUES (?, ?, ?, ?, 0, 0, ?, '')",
                     (at, film[0], film[1], film[2], film[3]))
        base.execute("INSERT INTO film_stock (film, shape, wide_mm, tall_mm, count, outline, name,"
                     " place) VALUES (?, 'sheet', 305, 305, 6, '', '', 'drawer 2')", (at,))
    base.execute("INSERT INTO film_stock (film, shape, wide_mm, tall_mm, count, outline, name,"
                 " place) VALUES (1, 'offcut', 180, 92, 1, '', '', 'box of offcuts')")
    there = {}
    for s in SUPPLIES:
        base.execute("INSERT INTO supplies VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, '', 0)", s)
        amount = {"glitter": 450, "resin": 4000, "tape": 60000}.get(s[2], 500)
        there[s[0]] = amount
        base.execute("INSERT INTO supply_events (supply, kind, at, amount, paid) VALUES"
                     " (?, 'counted', ?, ?, 0)", (s[0], text(start), amount))
    time = start
    number = 0
    last = datetime.datetime(2026, 11, 20)
    counted = start
    while time < last:
        number += 1
        name = NAMES[number % 5] if number % 7 else chance.choice(NAMES)
        oid, cid = "o-past-%02d" % (number // 2), "cup-%d" % (number % 2 + 1)
        finished = time + datetime.timedelta(days=3) < last
        steps = STEPS if finished else STEPS[:5]
        at = time
        grams = {}
        for i, (kind, words, usual, pace) in enumerate(steps):
            took = usual * pace * chance.uniform(0.8, 1.25)
            if number == 12 and kind == "coat":
                took *= 4  # somebody rang
            if i == 5:  # poured by day, so that the film goes on in the evening
                at = (at + datetime.timedelta(days=1)).replace(hour=11, minute=looks.randrange(50))
            at += datetime.timedelta(minutes=took)
            if i in (4, 7):
                at += datetime.timedelta(days=1)
            if i == 6:  # the film goes on when the coat under it has set
                at += datetime.timedelta(minutes=RESIN_WAIT * looks.uniform(1.02, 1.45))
            step = "%s-%d" % (kind, i)
            wrong = ""
            if kind == "coat" and looks.random() < 0.14:
                wrong = looks.choice(["bubbles", "bubbles", "bare_spots", "ridges"])
            if kind == "film" and looks.random() < 0.2:
                wrong = "creases"
            base.execute("INSERT INTO work VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                         (oid, cid, step, words, kind, text(at), round(took), usual,
                          METHODS.get(kind, ""), RESIN_WAIT if kind == "coat" and i == 5 else 0,
                          wrong))
            uses = {}
            if kind == "glitter":
                for g in GLITTERS[name]:
                    cm2 = CM2[name] / len(GLITTERS[name]) * 2
                    uses[g] = (cm2 * 0.025, cm2 * 100)
                    there[g] -= cm2 * GRAMS_PER_CM2 * chance.uniform(0.9, 1.1)
            if kind == "coat":
                uses["s-clear"] = (20 / 0.9, None)
                there["s-clear"] -= 20 / 0.9
            for supply, (amount, over) in uses.items():
                base.execute("INSERT INTO uses VALUES (?, ?, ?, ?, ?, ?, ?)",
                             (oid, cid, step, supply, text(at), amount, over))
        made = ", ".join(s[1] for s in SUPPLIES if s[0] in GLITTERS[name]) + ", resin 20 ml"
        sold = finished and chance.random() < 0.7
        single = copy.deepcopy(singles[name])
        single["id"] = oid
        single["cups"][0]["id"] = cid
        base.execute("INSERT INTO entries (order_id, cup_id, name, order_name, blank, made, begun,"
                     " finished, done, steps, whom, price, faults) VALUES"
                     " (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                     (oid, cid, name + " %d" % number,
                      time.strftime("%B ") + chance.choice(["open night", "market", "orders"]),
                      single["cups"][0]["blank"]["name"], made, text(time),
                      text(at) if finished else None, len(steps), len(STEPS),
                      chance.choice(WHOM), chance.choice([48, 52, 55, 58, 64]) if sold else None,
                      chance.choice(FAULTS)))
        base.execute("INSERT INTO entry_orders VALUES (?, ?, ?)",
                     (oid, cid, json.dumps(single, ensure_ascii=False)))
        if finished and name == "Comet":
            svg = ('<svg xmlns="http://www.w3.org/2000/svg" width="180mm" height="92mm"'
                   ' viewBox="0 0 180 92"><path d="M4 88 A 300 300 0 0 1 176 88 L 168 12'
                   ' A 260 260 0 0 0 12 12 Z" fill="none" stroke="#000" stroke-width="0.1"/></svg>\n')
            base.execute("INSERT INTO cut_parts (order_id, cup_id, purpose, title, at, file, svg,"
                         " film, film_name, area_mm2) VALUES (?, ?, 'film', 'Film, zone C', ?,"
                         " 'comet-film.svg', ?, 1, 'Horizon, permanent', 12900)",
                         (oid, cid, text(time), svg))
        if finished and number % 3 == 0:
            # A sheet of 300 by 600 mm, and what of it was kept; once nothing, of one for a word.
            parts = sheets.uniform(40000, 120000)
            taken = 180000 if number == 24 else parts * sheets.uniform(1.28, 1.48)
            base.execute("INSERT INTO films_taken (words, at, parts_mm2, taken_mm2) VALUES"
                         " (?, ?, ?, ?)",
                         (sheets.choice(["Horizon, permanent", "Lock gold", "Stencil film"]) +
                          ", " + name + " %d" % number, text(time),
                          round(9000 if number == 24 else parts), round(taken)))
        time += datetime.timedelta(days=chance.choice([9, 11, 13, 16, 21]))
        if (time - counted).days > 120:
            counted = time
            for s in SUPPLIES:
                if s[2] not in ("glitter", "resin"):
                    continue
                base.execute("INSERT INTO supply_events (supply, kind, at, amount, paid) VALUES"
                             " (?, 'counted', ?, ?, 0)", (s[0], text(time), round(there[s[0]], 1)))
                if there[s[0]] < (200 if s[2] == "glitter" else 900):
                    more = 250 if s[2] == "glitter" else 2000
                    there[s[0]] += more
                    base.execute("INSERT INTO supply_events (supply, kind, at, amount, paid)"
                                 " VALUES (?, 'bought', ?, ?, ?)",
                                 (s[0], text(time + datetime.timedelta(hours=20)), more,
                                  more * s[5] / 100))
    # Cups measured again under their coats.
    if not base.execute("SELECT count(*) FROM blanks").fetchone()[0]:
        raise SystemExit("The shop has no blanks to measure.")
    blank = base.execute("SELECT id FROM blanks ORDER BY id").fetchone()[0]
    for i in range(14):
        poured = looks.uniform(0.35, 1.3)
        thick = poured * GROWTH * looks.uniform(0.93, 1.07) * (2 if i == 9 else 1)
        base.execute("INSERT INTO measurements (blank, taken, stage, at_mm, around_mm,"
                     " thickness_mm, resin, fine, medium, chunky, paint)"
                     " VALUES (?, ?, 'resin', 150, 240, ?, ?, 0, 0, 0, 0)",
                     (blank, text(start + datetime.timedelta(days=45 * i))[:10], round(thick, 4),
                      round(poured, 4)))
    # One supply that is short for the order on the bench.
    base.execute("INSERT INTO supply_events (supply, kind, at, amount, paid) VALUES"
                 " ('s-tail', 'counted', '2026-11-25T18:00', 3.5, 0)")
    base.execute("UPDATE entries SET (worked_min, last) = (SELECT sum(took_min), max(at) FROM work w"
                 " WHERE w.order_id = entries.order_id AND w.cup_id = entries.cup_id)")
    base.commit()
    base.close()
    archive = demo / "Brackwater shop.zip"
    subprocess.run([avrelt, "shop", "export", archive, "--shop", shop], check=True)
    print(archive, archive.stat().st_size, "bytes,", number, "cups")
