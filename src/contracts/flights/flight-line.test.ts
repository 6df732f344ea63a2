import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, civilDate, dayOfWeek } from '@/core/time/civil-date';
import { readFlightLine } from './flight-line';

/** A Tuesday. */
const TODAY = civilDate('2026-11-24');
const known = {
  today: TODAY,
  registrations: ['N02TB', 'N02TG', 'N03TB', 'VH-TB0X1'],
  people: ['Rolf Dane', 'Rita Dane', 'Pia Okoro', 'Sefa Lund'],
};
const read = (text: string) => readFlightLine(text, known);

describe('a flight in a line of text', () => {
  it.each([
    [
      'N02TB tomorrow 10-11:30 lesson Okoro 1.2h',
      {
        registration: 'N02TB',
        date: '2026-11-25',
        starts: '10:00',
        ends: '11:30',
        purpose: 'instruction-school-aircraft',
        crew: 'dual',
        person: 'Pia Okoro',
        airborne: '1.2',
      },
    ],
    [
      'pia okoro solo, 03tb, friday, 1600-1715',
      {
        person: 'Pia Okoro',
        purpose: 'instruction-school-aircraft',
        crew: 'student-solo',
        registration: 'N03TB',
        date: '2026-11-27',
        starts: '16:00',
        ends: '17:15',
      },
    ],
    [
      'rental for R. Dane-Holm 24 dec 9:00 for 90 min 1.25 h air',
      {
        purpose: 'private-rental',
        crew: 'rated-pilot',
        person: 'R. Dane-Holm',
        date: '2026-12-24',
        starts: '09:00',
        ends: '10:30',
        airborne: '1.25',
      },
    ],
    [
      'hire lund ifr 2026-12-01 23:30 to 0:45',
      {
        purpose: 'carriage-for-hire',
        crew: 'rated-pilot',
        person: 'Sefa Lund',
        rules: 'ifr',
        date: '2026-12-01',
        starts: '23:30',
        ends: '00:45',
      },
    ],
    // The day has passed this year: the next one is meant.
    ['3 march 10-11', { date: '2027-03-03', starts: '10:00', ends: '11:00' }],
    ['29 feb 10-11', { starts: '10:00', ends: '11:00' }],
    [
      'lesson solo okoro',
      { purpose: 'instruction-school-aircraft', crew: 'student-solo', person: 'Pia Okoro' },
    ],
    [
      'solo lesson okoro',
      { purpose: 'instruction-school-aircraft', crew: 'student-solo', person: 'Pia Okoro' },
    ],
    ['today 10-11 weekly x4', { date: TODAY, starts: '10:00', ends: '11:00', weeks: 4 }],
    ['weekly for 3 weeks', { weeks: 3 }],
    ['sat 10-11 weekly until 20 dec', { date: '2026-11-28', starts: '10:00', ends: '11:00', weeks: 4 }],
    ['VH-TB0X1 tow', { registration: 'VH-TB0X1', purpose: 'glider-towing', crew: 'rated-pilot' }],
    ['Somebody Else', { person: 'Somebody Else' }],
    ['', {}],
  ])('%s', (text, said) => {
    expect(read(text).said).toEqual(said);
  });

  it.each([
    ['11/24 10-11', 'Write the day with its month in letters'],
    ['24.12. 10-11', 'Write the day with its month in letters'],
    ['tuesday 10-11', 'Today is tuesday'],
    ['2026-02-30', 'There is no day 2026-02-30.'],
    ['31 nov', 'There is no day 31 nov.'],
    ['29 feb', 'There is no day 29 feb.'],
    ['25-26', 'Write from when to when'],
    ['10:75-11', 'Write from when to when'],
    ['10-10', 'Write from when to when'],
    ['10:00 for 0 min', 'Write from when and for how long'],
    ['Dane', 'Who is meant by Dane: Rolf Dane, Rita Dane?'],
    ['r dane', 'Who is meant by r dane: Rolf Dane, Rita Dane?'],
    ['N09TB', 'What does “N09TB” mean? The club has no such aircraft.'],
    ['N02TB N03TB', 'Two aircraft: N02TB and N03TB. Say one.'],
    ['weekly', 'Say how many weeks'],
    ['weekly x40', 'Say how many weeks'],
    ['today weekly until tomorrow', 'That is one flight; 2 to 26 can be repeated.'],
  ])('%s is not guessed', (text, words) => {
    expect(read(text).unclear.join(' ')).toContain(words);
  });

  it('says the same in any order of its parts', () => {
    const parts = ['N02TB', 'tomorrow', '10-11:30', 'lesson', 'okoro', '1.2h', 'ifr', 'weekly x4'];
    const whole = read(parts.join(' '));
    expect(whole.unclear).toEqual([]);
    fc.assert(
      fc.property(fc.shuffledSubarray(parts, { minLength: parts.length }), (shuffled) => {
        expect(read(shuffled.join(' '))).toEqual(whole);
      }),
    );
  });

  it('takes any day by its name: the next one, never today', () => {
    for (let ahead = 1; ahead < 7; ahead += 1) {
      const day = addDays(TODAY, ahead);
      const name = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'][
        dayOfWeek(day) - 1
      ];
      expect(read(`${name ?? ''}`).said.date).toBe(day);
      expect(read(`${name?.slice(0, 3) ?? ''}`).said.date).toBe(day);
    }
  });

  it('is answered whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const { said, unclear } = read(text);
        for (const sentence of unclear) expect(sentence).toMatch(/[.?]$/u);
        if (said.date !== undefined) expect(said.date >= TODAY || /\d{4}-/.test(text)).toBe(true);
      }),
    );
  });
});
