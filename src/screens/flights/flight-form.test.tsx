import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { DayPlan, DraftAnswer } from '@/queries/flights/plan';
import { show } from '@/testing/render';
import FlightForm from './flight-form';

const AIRCRAFT = [
  ['00000000-0000-4000-8000-00000000000a', 'N01TB', 'Grounded'],
  ['00000000-0000-4000-8000-00000000000b', 'N02TB', 'Released'],
] as const;
const plan = {
  date: '2026-11-24',
  today: '2026-11-24',
  zone: 'America/Halifax',
  people: [],
  places: [],
  aircraft: AIRCRAFT.map(([aircraftId, registration, verdict]) => ({
    aircraftId,
    registration,
    typeName: 'Quorin 160',
    verdict,
    purposes: ['private-rental'],
  })),
  flights: [],
} as unknown as DayPlan;
const told = (answer: DraftAnswer['answer'], words: string): DraftAnswer =>
  ({
    answer,
    words,
    clashes: [],
    against: [],
    fleet: [],
  }) as unknown as DraftAnswer;

interface Draft {
  readonly flight: { readonly starts: { readonly clock: string }; readonly endsClock: string };
}
/** Opens the form and types a flight from nine to half past ten. */
async function typed(answer: (draft: Draft) => { readonly status: number; readonly body: unknown }) {
  const log: string[] = [];
  const shown = show(
    <FlightForm
      plan={plan}
      moving={null}
      sent={null}
      onlyFor={null}
      onDone={() => {
        log.push('closed');
      }}
    />,
    { '/api/flights/preview': (body) => answer(body as Draft) },
  );
  await shown.person.type(screen.getByLabelText('From'), '0900');
  await shown.person.type(screen.getByLabelText('To'), '1030');
  await shown.person.tab();
  return { ...shown, log };
}

describe('a flight while it is typed', () => {
  it('begins with an aircraft that is released', () => {
    show(<FlightForm plan={plan} moving={null} sent={null} onlyFor={null} onDone={() => undefined} />);
    expect(screen.getByRole('combobox', { name: 'Aircraft' }).textContent).toContain('N02TB');
  });
  it('is asked about once typing pauses, not at each stroke', async () => {
    const { sent } = await typed(() => ({ status: 200, body: told('yes', 'Nothing keeps it.') }));
    expect(await screen.findByText('This flight can go.')).toBeTruthy();
    expect(sent.length).toBeLessThanOrEqual(2);
    expect(sent.at(-1)?.body).toMatchObject({ flight: { starts: { clock: '09:00' }, endsClock: '10:30' } });
  });
  it('an answer is never shown for another flight than the one that it was asked for', async () => {
    let release: () => void = () => undefined;
    const { person } = await typed(({ flight }) => ({
      status: 200,
      body:
        flight.endsClock === '10:30' ? told('yes', 'Nothing keeps it.') : told('no', 'It is past a limit.'),
    }));
    await screen.findByText('This flight can go.');
    // From now on answers take their time.
    const soon = globalThis.fetch;
    globalThis.fetch = (...given) =>
      new Promise((resolve) => {
        release = () => {
          resolve(soon(...given));
        };
      });
    await person.clear(screen.getByLabelText('To'));
    await person.type(screen.getByLabelText('To'), '2230');
    await person.tab();
    await waitFor(() => {
      expect(screen.getByRole('status').textContent).toBe('Asking …');
    });
    expect(screen.queryByText('This flight can go.')).toBeNull();
    await waitFor(() => {
      release();
      expect(screen.queryByText('This flight cannot go.')).toBeTruthy();
    });
  });
  it('no answer is said to be none, with why', async () => {
    await typed(() => ({
      status: 503,
      body: { error: { code: 'busy', message: 'The club is busy. Try again.', problems: [] } },
    }));
    expect((await screen.findByText(/There is no answer:/)).textContent).toContain('The club is busy.');
  });
  it('Escape closes a form in which nothing was typed, and no other', async () => {
    const { person, log } = await typed(() => ({ status: 200, body: told('yes', '') }));
    await person.keyboard('{Escape}');
    expect(log).toEqual([]);
    expect((screen.getByLabelText('From') as HTMLInputElement).value).toBe('09:00');
  });
});

describe('a flight in a line', () => {
  it('goes into the fields, and is planned for each week when it is added', async () => {
    const planned: unknown[] = [];
    const log: string[] = [];
    const { person } = show(
      <FlightForm
        plan={{ ...plan, people: [{ personId: 'p', name: 'Pia Okoro' }] }}
        moving={null}
        sent={null}
        onlyFor={null}
        onDone={() => {
          log.push('closed');
        }}
      />,
      {
        '/api/flights/preview': () => ({ status: 200, body: told('yes', '') }),
        '/api/flights': (body) => {
          planned.push(body);
          return { status: 200, body: {} };
        },
      },
    );
    screen.getByLabelText('In a line').focus();
    await person.paste('N02TB 3 dec 10-11:30 solo okoro 1.2h weekly x3');
    await person.keyboard('{Enter}');
    expect((screen.getByLabelText('From') as HTMLInputElement).value).toBe('10:00');
    // Enter has planned nothing: it goes to the button.
    expect(planned).toEqual([]);
    await person.click(screen.getByRole('button', { name: 'Add all 3' }));
    await waitFor(() => {
      expect(log).toEqual(['closed']);
    });
    expect(planned).toMatchObject(
      ['2026-12-03', '2026-12-10', '2026-12-17'].map((date) => ({
        flight: {
          aircraftId: AIRCRAFT[1][0],
          person: 'Pia Okoro',
          personId: 'p',
          starts: { date, clock: '10:00' },
          endsClock: '11:30',
          airborne: 1.2,
          purpose: 'instruction-school-aircraft',
          crew: 'student-solo',
        },
      })),
    );
    expect(new Set(planned.map((one) => (one as { flightId: string }).flightId)).size).toBe(3);
  });
  it('a week that is refused is said, and the weeks before it are not planned twice', async () => {
    const planned: string[] = [];
    let refuses = true;
    const { person } = show(
      <FlightForm
        plan={plan}
        moving={null}
        sent={null}
        onlyFor={null}
        onDone={() => planned.push('closed')}
      />,
      {
        '/api/flights/preview': () => ({ status: 200, body: told('yes', '') }),
        '/api/flights': (body) => {
          const { date } = (body as { flight: { starts: { date: string } } }).flight.starts;
          if (date === '2026-12-17' && refuses)
            return {
              status: 409,
              body: { error: { code: 'invalid', message: 'The club is closed that day.', problems: [] } },
            };
          planned.push(date);
          return { status: 200, body: {} };
        },
      },
    );
    screen.getByLabelText('In a line').focus();
    await person.paste('N02TB 3 dec 10-11:30 Somebody weekly x3');
    await person.click(screen.getByRole('button', { name: 'Add all 3' }));
    expect(await screen.findByText(/The first 2 flights are planned/)).toBeTruthy();
    expect(screen.getByText(/The club is closed that day/)).toBeTruthy();
    refuses = false;
    await person.click(screen.getByRole('button', { name: 'Add all 3' }));
    await waitFor(() => {
      expect(planned).toEqual(['2026-12-03', '2026-12-10', '2026-12-17', 'closed']);
    });
  });
  it('what is not clear is asked, and says nothing in the fields', async () => {
    const { person } = show(
      <FlightForm plan={plan} moving={null} sent={null} onlyFor={null} onDone={() => undefined} />,
    );
    screen.getByLabelText('In a line').focus();
    await person.paste('N02TB 3/12 10-9');
    expect(screen.getByText(/Write the day with its month in letters/)).toBeTruthy();
  });
});
