// Reads iCalendar from standard input with ical.js, and writes what it understood as JSON.
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';

const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, 'utf8')));
for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone);
const events = calendar.getAllSubcomponents('vevent').map((each) => {
  const event = new ICAL.Event(each);
  return {
    uid: event.uid,
    day: event.startDate.toString().slice(0, 10),
    time: event.startDate.isDate ? null : event.startDate.toString().slice(11, 16),
    utc: event.startDate.isDate ? null : event.startDate.toJSDate().toISOString(),
    seconds: event.startDate.isDate ? null : event.duration.toSeconds(),
    title: event.summary,
    text: event.description,
  };
});
process.stdout.write(JSON.stringify(events));
