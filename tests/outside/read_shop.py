# SPDX-License-Identifier: GPL-3.0-or-later
# Tells what Python's own zipfile, json and csv find in an archive of a shop; with a second name,
# writes it again there as a newer program would, by version 99.
import csv
import io
import json
import sys
import zipfile

with zipfile.ZipFile(sys.argv[1]) as archive:
    assert archive.testzip() is None
    names = archive.namelist()
    head = json.loads(archive.read("shop.json"))
    print("version", head["avrelt_shop"])
    entries = [json.loads(line) for line in archive.read("tables/entry_orders.jsonl").splitlines()]
    for entry in entries:
        order = archive.read(entry["text"]["file"]).decode()
        print("order", entry["order_id"], entry["cup_id"], len(order))
    rows = list(csv.reader(io.StringIO(archive.read("log.csv").decode(), newline="")))
    assert len({len(row) for row in rows}) == 1
    print("log", len(rows) - 1, rows[1][0], rows[1][rows[0].index("faults")])
    work = list(csv.reader(io.StringIO(archive.read("work.csv").decode(), newline="")))
    print("work", len(work) - 1, json.dumps(work[1][1]))
    supplies = list(csv.reader(io.StringIO(archive.read("supplies.csv").decode(), newline="")))
    print("supply", supplies[1][0], supplies[1][8])
    print("photos", sum(1 for name in names if name.startswith("photos/")))
    if len(sys.argv) > 2:
        with zipfile.ZipFile(sys.argv[2], "w") as newer:
            for name in names:
                text = archive.read(name)
                newer.writestr(name, b'{"avrelt_shop": 99}' if name == "shop.json" else text)
