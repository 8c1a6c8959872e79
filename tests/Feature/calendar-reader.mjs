// Reads an iCalendar file from standard input with a reader that is not ours, and prints its events as JSON.
import ICAL from 'ical.js';

let text = '';
for await (const chunk of process.stdin) {
    text += chunk;
}
const calendar = new ICAL.Component(ICAL.parse(text));
for (const zone of calendar.getAllSubcomponents('vtimezone')) {
    ICAL.TimezoneService.register(zone);
}
const events = calendar.getAllSubcomponents('vevent').map((one) => {
    const event = new ICAL.Event(one);
    return {uid: event.uid, sequence: event.sequence, status: one.getFirstPropertyValue('status'), summary: event.summary, zone: one.getFirstProperty('dtstart').getParameter('tzid') ?? null, start: event.startDate.toString(), end: event.endDate.toString()};
});
process.stdout.write(JSON.stringify({method: calendar.getFirstPropertyValue('method'), events}));
