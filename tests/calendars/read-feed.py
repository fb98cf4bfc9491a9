"""What two programs that are not ours read in a calendar of ours: each entry's UID, beginning and end in UTC, words and alarms.

vobject makes every zone of the rules in the file itself; icalendar takes them by their names.
"""
import json
import sys
from datetime import timezone

import icalendar
import vobject

text = sys.stdin.buffer.read().decode()


def utc(moment):
    return moment.astimezone(timezone.utc).strftime("%Y-%m-%dT%H:%M:%SZ")


def by_vobject():
    for event in vobject.readOne(text).vevent_list:
        start = event.dtstart.value
        yield {
            "uid": event.uid.value,
            "from": utc(start),
            "to": utc(start.astimezone(timezone.utc) + event.duration.value),
            "summary": event.summary.value,
            "description": event.description.value,
            "alarms": [-int(a.trigger.value.total_seconds() // 60) for a in getattr(event, "valarm_list", [])],
            "takesTime": event.transp.value == "OPAQUE",
        }


def by_icalendar():
    for event in icalendar.Calendar.from_ical(text).walk("VEVENT"):
        start = event["DTSTART"].dt
        yield {
            "uid": str(event["UID"]),
            "from": utc(start),
            "to": utc(start.astimezone(timezone.utc) + event["DURATION"].dt),
            "summary": str(event["SUMMARY"]),
            "description": str(event["DESCRIPTION"]),
            "alarms": [-int(a["TRIGGER"].dt.total_seconds() // 60) for a in event.walk("VALARM")],
            "takesTime": str(event["TRANSP"]) == "OPAQUE",
        }


json.dump({"vobject": list(by_vobject()), "icalendar": list(by_icalendar())}, sys.stdout)
