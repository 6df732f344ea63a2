import { describe, expect, it } from 'vitest';
import { civilDate } from '@/core/time/civil-date';
import { zone } from '@/core/time/zone';
import { flightsFromCalendar, flightsFromTable } from './flights-from-file';

const HALIFAX = zone('America/Halifax');
const NOW = Date.parse('2026-11-24T12:00:00Z');
const known = {
  today: civilDate('2026-11-24'),
  registrations: ['N02TB', 'N03TB'],
  people: ['Pia Okoro', 'Rolf Dane'],
};
const event = (lines: readonly string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const calendar = (...parts: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//', ...parts, 'END:VCALENDAR'].join('\r\n');
const read = (...parts: readonly string[]) => flightsFromCalendar(calendar(...parts), known, HALIFAX, NOW);

describe('flights of a calendar', () => {
  it.each([
    // 14:00 UTC is ten o'clock at the field in winter. Form of dates and times: RFC 5545, 3.3.5.
    ['in UTC', 'DTSTART:20261201T140000Z', 'DTEND:20261201T153000Z'],
    ['by the field’s own clock', 'DTSTART:20261201T100000', 'DTEND:20261201T113000'],
    [
      'in a zone that is named',
      'DTSTART;TZID=America/New_York:20261201T090000',
      'DTEND;TZID=America/New_York:20261201T103000',
    ],
    ['with its length', 'DTSTART:20261201T140000Z', 'DURATION:PT1H30M'],
  ])('%s', (_, starts, ends) => {
    expect(read(event(['UID:a', 'SUMMARY:N02TB lesson Okoro', starts, ends]))).toMatchObject([
      {
        said: {
          registration: 'N02TB',
          person: 'Pia Okoro',
          purpose: 'instruction-school-aircraft',
          date: '2026-12-01',
          starts: '10:00',
          ends: '11:30',
        },
        unclear: [],
      },
    ]);
  });
  it('that is repeated has each of its times, but those that are taken out', () => {
    const weekly = read(
      event([
        'UID:w',
        'SUMMARY:N02TB rental Dane',
        'DTSTART;TZID=America/Halifax:20261127T100000',
        'DTEND;TZID=America/Halifax:20261127T110000',
        'RRULE:FREQ=WEEKLY;COUNT=4',
        'EXDATE;TZID=America/Halifax:20261211T100000',
      ]),
    );
    expect(weekly.map(({ said }) => [said.date, said.starts])).toEqual([
      ['2026-11-27', '10:00'],
      ['2026-12-04', '10:00'],
      ['2026-12-18', '10:00'],
    ]);
    expect(new Set(weekly.map(({ key }) => key)).size).toBe(3);
  });
  it('takes aircraft and purpose from place and categories, and no name', () => {
    expect(
      read(
        event([
          'UID:p',
          'SUMMARY:Okoro',
          'LOCATION:Tern Bay\\, N03TB',
          'CATEGORIES:solo,blue',
          'DTSTART:20261201T140000Z',
          'DTEND:20261201T150000Z',
        ]),
      )[0],
    ).toMatchObject({
      said: { registration: 'N03TB', crew: 'student-solo', person: 'Pia Okoro' },
      unclear: [],
    });
  });
  it.each([
    [
      'that is over is left out',
      ['SUMMARY:N02TB rental', 'DTSTART:20261101T140000Z', 'DTEND:20261101T150000Z'],
      [],
    ],
    [
      'that is cancelled is left out',
      ['SUMMARY:N02TB rental', 'STATUS:CANCELLED', 'DTSTART:20261201T140000Z', 'DTEND:20261201T150000Z'],
      [],
    ],
    [
      'of a whole day',
      ['SUMMARY:N02TB rental', 'DTSTART;VALUE=DATE:20261201', 'DTEND;VALUE=DATE:20261202'],
      [/whole days/],
    ],
    [
      'of no aircraft',
      ['SUMMARY:Okoro lesson', 'DTSTART:20261201T140000Z', 'DTEND:20261201T150000Z'],
      [/Which aircraft/],
    ],
    [
      'for nothing that is said',
      ['SUMMARY:N02TB Okoro', 'DTSTART:20261201T140000Z', 'DTEND:20261201T150000Z'],
      [/What for/],
    ],
    [
      'in a zone that nobody knows',
      [
        'SUMMARY:N02TB rental',
        'DTSTART;TZID=Mars/Base:20261201T140000',
        'DTEND;TZID=Mars/Base:20261201T150000',
      ],
      [/time zone Mars\/Base is not known/, /time zone/],
    ],
    [
      'that does not end within a day',
      ['SUMMARY:N02TB rental', 'DTSTART:20261201T140000Z', 'DTEND:20261203T150000Z'],
      [/within a day/],
    ],
  ])('%s', (_, lines, unclear) => {
    const found = read(event(['UID:x', ...lines])).flatMap((one) => one.unclear);
    expect(found).toHaveLength(unclear.length);
    for (const [at, words] of unclear.entries()) expect(found[at]).toMatch(words);
  });
  it('is refused where it is none', () => {
    expect(() => flightsFromCalendar('no calendar', known, HALIFAX, NOW)).toThrow('This is no calendar');
  });
});

describe('flights of a table', () => {
  it.each([
    ['aircraft,day,from,to,who,for,air\nN02TB,2026-12-01,10:00,11:30,Okoro,lesson,1.2'],
    ['Flight\nN02TB 1 dec 10-11:30 Okoro lesson 1.2 h'],
    ['Aircraft;Day;From;To;Who;For;Air\nN02TB;1 Dec;1000;1130;pia okoro;lesson;1.2'],
  ])('%s', (text) => {
    expect(flightsFromTable(text, known)).toMatchObject([
      {
        said: {
          registration: 'N02TB',
          person: 'Pia Okoro',
          purpose: 'instruction-school-aircraft',
          date: '2026-12-01',
          starts: '10:00',
          ends: '11:30',
          airborne: '1.2',
        },
        unclear: [],
      },
    ]);
  });
  it('says what is missing, and what no column means', () => {
    expect(flightsFromTable('aircraft,who\nN02TB,Okoro', known)[0]?.unclear).toEqual([
      'What for? Say lesson, solo, rental, hire or tow.',
      'When? A day with its times is needed.',
    ]);
    expect(flightsFromTable('a,b\n1,2', known)[0]?.unclear[0]).toContain('No column is known');
  });
});
