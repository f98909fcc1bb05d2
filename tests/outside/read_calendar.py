# SPDX-License-Identifier: GPL-3.0-or-later
# Tells what icalendar finds in a file, a line an event: start, end, summary, alarms, id.
import sys

from icalendar import Calendar

with open(sys.argv[1], "rb") as file:
    calendar = Calendar.from_ical(file.read())
assert calendar["VERSION"] == "2.0"
for event in calendar.walk("VEVENT"):
    start = event.decoded("DTSTART")
    end = event.decoded("DTEND")
    # Of the wall clock, wherever it is read.
    assert start.tzinfo is None and end.tzinfo is None
    alarms = [one for one in event.subcomponents if one.name == "VALARM"]
    summary = str(event["SUMMARY"]).replace("\n", " ")
    print(start.strftime("%Y-%m-%dT%H:%M"), end.strftime("%Y-%m-%dT%H:%M"), summary, len(alarms),
          event["UID"], sep="\t")
