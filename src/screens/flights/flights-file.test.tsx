import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { DayPlan } from '@/queries/flights/plan';
import { show } from '@/testing/render';
import { FlightsFile } from './flights-file';

const ID = '00000000-0000-4000-8000-00000000000b';
const plan = {
  date: '2026-11-24',
  today: '2026-11-24',
  now: Date.parse('2026-11-24T12:00:00Z'),
  zone: 'America/Halifax',
  field: 'Tern Bay',
  people: [{ personId: 'p', name: 'Pia Okoro' }],
  places: [],
  aircraft: [
    { aircraftId: ID, registration: 'N02TB', typeName: 'Quorin 160', verdict: 'Released', purposes: [] },
  ],
  flights: [],
} as unknown as DayPlan;
const TABLE = 'flight\nN02TB 3 dec 10-11:30 okoro lesson 1.2h\nN02TB 4 dec 10-11 okoro\n';
const calendar = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'PRODID:-//test//',
  'BEGIN:VEVENT',
  'UID:one',
  'SUMMARY:N02TB okoro solo',
  'DTSTART:20261203T140000Z',
  'DTEND:20261203T150000Z',
  'END:VEVENT',
  'END:VCALENDAR',
].join('\r\n');

/** Chooses a file, and plans what is clear of it. */
async function broughtIn(name: string, text: string) {
  const planned: {
    readonly flightId: string;
    readonly flight: { readonly starts: { readonly date: string } };
  }[] = [];
  const shown = show(<FlightsFile plan={plan} onClose={() => undefined} />, {
    '/api/flights': (body) => {
      planned.push(body as (typeof planned)[number]);
      return { status: 200, body: {} };
    },
  });
  const choose = () =>
    shown.person.upload(screen.getByLabelText('A calendar or a table'), new File([text], name));
  await choose();
  return { ...shown, planned, choose };
}

describe('flights of a file', () => {
  it('are shown first; only what is clear is planned', async () => {
    const { person, planned } = await broughtIn('plan.csv', TABLE);
    expect(await screen.findByText('Clear: it will be planned.')).toBeTruthy();
    expect(screen.getByText('What for? Say lesson, solo, rental, hire or tow.')).toBeTruthy();
    expect(planned).toEqual([]);
    await person.click(screen.getByRole('button', { name: 'Plan it' }));
    expect(await screen.findByText('Planned.')).toBeTruthy();
    expect(planned).toMatchObject([
      {
        replaces: null,
        flight: {
          aircraftId: ID,
          person: 'Pia Okoro',
          personId: 'p',
          starts: { date: '2026-12-03', clock: '10:00' },
          endsClock: '11:30',
          airborne: 1.2,
          crew: 'dual',
        },
      },
    ]);
  });
  it('brought in again are the same flights', async () => {
    const { person, planned, choose } = await broughtIn('plan.ics', calendar);
    await person.click(await screen.findByRole('button', { name: 'Plan it' }));
    await screen.findByText('Planned.');
    await choose();
    await person.click(await screen.findByRole('button', { name: 'Plan it' }));
    await waitFor(() => {
      expect(planned).toHaveLength(2);
    });
    expect(planned[0]?.flightId).toBe(planned[1]?.flightId);
    expect(planned[0]?.flightId).toMatch(
      /^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/u,
    );
  });
  it('of a file that is none are said to be none', async () => {
    await broughtIn('plan.ics', 'BEGIN:VCALENDAR\nnonsense');
    expect(await screen.findByRole('alert')).toHaveProperty(
      'textContent',
      'This is no calendar: it could not be read as iCalendar.',
    );
  });
});
