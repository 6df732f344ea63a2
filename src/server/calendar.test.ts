import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { calendarText } from './calendar';

const days = [
  {
    uid: 'a/annual-inspection/annual',
    date: '2027-03-31',
    summary: 'N02TB: last day of annual',
    description:
      'The annual ends; it was completed on 12 Mar 2026, and holds to the end of the month. Signs: inspector, or repair station.\nAsk the “workshop”.',
  },
  { uid: 'a/leap', date: '2028-02-29', summary: 'N03TB: last day of transponder', description: '' },
  { uid: 'b/change', date: '2026-11-01', summary: 'The day on which the clock is set back', description: '' },
  { uid: 'c/end', date: '2026-12-31', summary: `A long line ${'– and longer '.repeat(12)}`, description: '' },
];

describe('what is due as a calendar', () => {
  const text = calendarText({
    name: 'Tern Bay Flying Club: due',
    host: 'groval.example',
    now: Date.UTC(2026, 10, 24, 13),
    days,
  });
  // Source: RFC 5545. A second library reads what was written.
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
  it('a second library reads every entry with its day and words', () => {
    expect(
      events.map((event) => [
        event.uid,
        event.startDate.isDate,
        event.startDate.toString(),
        event.summary,
        event.description,
      ]),
    ).toEqual(
      days.map(({ uid, date, summary, description }) => [
        `${uid}@groval.example`,
        true,
        date,
        summary,
        description,
      ]),
    );
  });
  it('says its version and what made it, in lines of at most 75 bytes ended by CR LF', () => {
    expect([calendar.getFirstPropertyValue('version'), calendar.getFirstPropertyValue('prodid')]).toEqual([
      '2.0',
      '//Groval//what is due//EN'.replace(/^/, '-'),
    ]);
    const lines = text.split('\r\n');
    for (const line of lines) expect([line, Buffer.byteLength(line) <= 75]).toEqual([line, true]);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });
  it('an entry keeps its name from one reading to the next, so that calendars update it', () => {
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(days.length);
  });
  it('is the same in whatever zone the server runs', () => {
    const before = process.env['TZ'];
    try {
      for (const zone of ['Pacific/Auckland', 'America/Los_Angeles', 'UTC']) {
        process.env['TZ'] = zone;
        expect([
          zone,
          calendarText({
            name: 'Tern Bay Flying Club: due',
            host: 'groval.example',
            now: Date.UTC(2026, 10, 24, 13),
            days,
          }),
        ]).toEqual([zone, text]);
      }
    } finally {
      process.env['TZ'] = before;
    }
  });
  it('nothing due is an empty calendar', () => {
    expect(
      new ICAL.Component(
        ICAL.parse(calendarText({ name: 'x', host: 'h', now: 0, days: [] })) as unknown[],
      ).getAllSubcomponents('vevent'),
    ).toEqual([]);
  });
});
