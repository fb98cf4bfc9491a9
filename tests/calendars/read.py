"""Reads calendars with two readers of Debian's that know nothing of Pulpit, and tells when somebody is busy by each.

In: JSON, `{"zone", "from", "to", "calendars": [base64 of a file]}`; out: JSON, for each file `{"icalendar": [[start, end]], "khal": [...]}` in
seconds since 1970, or a text that says why the reader could not read it.
"""

import base64
import datetime as dt
import json
import logging
import os
import sys
import tempfile
import warnings

import icalendar
import pytz
import recurring_ical_events
from khal.icalendar import split_ics
from khal.khalendar import CalendarCollection

logging.disable(logging.CRITICAL)
warnings.simplefilter("ignore")

asked = json.load(sys.stdin)
zone = pytz.timezone(asked["zone"])
FROM = dt.datetime.fromtimestamp(asked["from"], pytz.UTC)
TO = dt.datetime.fromtimestamp(asked["to"], pytz.UTC)


def seconds(time):
    if not isinstance(time, dt.datetime):
        time = dt.datetime.combine(time, dt.time())
    if time.tzinfo is None:
        time = zone.localize(time)
    return int(time.timestamp())


def within(times):
    return sorted({(s, e) for s, e in times if e > s and s < asked["to"] and e > asked["from"]})


def is_free(event):
    return event.get("STATUS") == "CANCELLED" or event.get("TRANSP") == "TRANSPARENT"


def by_icalendar(file):
    calendar = icalendar.Calendar.from_ical(file)
    times = []
    for event in recurring_ical_events.of(calendar).between(FROM, TO):
        if not is_free(event):
            start, end = event["DTSTART"].dt, event["DTEND"].dt
            # A date without an end is one day; the library leaves that to whoever asks.
            if not isinstance(start, dt.datetime) and end == start:
                end += dt.timedelta(days=1)
            times.append((seconds(start), seconds(end)))
    for block in calendar.walk("VFREEBUSY"):
        lists = block.get("FREEBUSY", [])
        for periods in lists if isinstance(lists, list) else [lists]:
            if periods.params.get("FBTYPE") == "FREE":
                continue
            for period in getattr(periods, "dts", [periods]):
                times.append((seconds(period.start), seconds(period.end)))
    return within(times)


def by_khal(file):
    locale = {
        "local_timezone": zone,
        "default_timezone": zone,
        "timeformat": "%H:%M",
        "dateformat": "%Y-%m-%d",
        "longdateformat": "%Y-%m-%d",
        "datetimeformat": "%Y-%m-%d %H:%M",
        "longdatetimeformat": "%Y-%m-%d %H:%M",
        "unicode_symbols": True,
        "firstweekday": 0,
        "weeknumbers": False,
    }
    with tempfile.TemporaryDirectory() as folder:
        calendars = {"c": {"name": "c", "path": folder + "/c", "ctype": "calendar", "readonly": False, "color": "", "priority": 10}}
        os.mkdir(folder + "/c")
        for n, item in enumerate(split_ics(file.decode("utf-8"))):
            with open(f"{folder}/c/{n}.ics", "w", encoding="utf-8") as out:
                out.write(item)
        collection = CalendarCollection(calendars, dbpath=":memory:", locale=locale)
        collection.update_db()
        times = []
        for event in list(collection.get_localized(FROM, TO)):
            if not is_free(event._vevents[event.ref]):
                times.append((seconds(event.start_local), seconds(event.end_local)))
        for event in list(collection.get_floating(FROM.astimezone(zone).replace(tzinfo=None), TO.astimezone(zone).replace(tzinfo=None))):
            if not is_free(event._vevents[event.ref]):
                end = event.end + dt.timedelta(days=1) if event.allday else event.end
                times.append((seconds(event.start), seconds(end)))
    return within(times)


def read(reader, file):
    try:
        return reader(file)
    except Exception as error:  # What a reader cannot read is told, whatever it throws.
        return f"{type(error).__name__}: {error}"[:200]


answer = []
for text in asked["calendars"]:
    file = base64.b64decode(text)
    answer.append({"icalendar": read(by_icalendar, file), "khal": read(by_khal, file)})
json.dump(answer, sys.stdout)
