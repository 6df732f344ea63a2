import { describe, expect, it } from 'vitest';
import { hours } from '../src/core/quantities/hours';
import type { AirworthinessDirective } from '../src/core/records/maintenance/ad';
import { hourInterval } from '../src/core/records/maintenance/hour-interval';
import { countingInspections, inspectionFaults } from '../src/core/records/maintenance/inspection';
import type { MaintenanceItem } from '../src/core/records/maintenance/maintenance-item';
import { standingsOf } from '../src/core/records/meters/meter-reading';
import { addDays, civilDate } from '../src/core/time/civil-date';
import { stepOf } from '../src/core/walkround/classify';
import { FLEET } from './fleet';
import { fitOutOf } from './fit-out';
import { historyOf } from './history';
import { idsFrom } from './identity';
import { PEOPLE, SISTER_PEOPLE } from './people';
import { randomFrom } from './random';
import { TERN_BAY } from './tern-bay';

const id = idsFrom(1);
const DAYS = ['2026-11-24', '2027-02-28', '2028-02-29', '2027-01-01'].map(civilDate);

describe('the demo’s world', () => {
  it('has a fleet of at least 14, of registrations that no authority issues', () => {
    expect(FLEET.length).toBeGreaterThanOrEqual(14);
    expect(new Set(FLEET.map(({ registration }) => registration)).size).toBe(FLEET.length);
    for (const { registration } of FLEET) expect(registration).toMatch(/^N0\d[A-Z]{2}$/);
  });
  it('has one person for each role, under an address that reaches nobody', () => {
    expect(PEOPLE.map(({ role }) => role).sort()).toEqual([
      'administrator',
      'dispatcher',
      'instructor',
      'mechanic',
      'renter',
      'safety-officer',
      'student',
    ]);
    for (const { email } of [...PEOPLE, ...SISTER_PEOPLE]) expect(email).toMatch(/@ternbay\.example$/);
  });
  it('names only steps of the walk-round list', () => {
    for (const { findings } of FLEET)
      for (const { step } of findings) expect([step, stepOf(step) !== undefined]).toEqual([step, true]);
  });
  it('is the same for the same seed, and another for another', () => {
    const take = (seed: number) => {
      const random = randomFrom(seed);
      return Array.from({ length: 5 }, random);
    };
    expect(take(7)).toEqual(take(7));
    expect(take(7)).not.toEqual(take(8));
    for (const value of take(7)) expect(value >= 0 && value < 1).toBe(true);
    expect(id('a')).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}$/);
  });
});

describe('an aircraft’s past', () => {
  it.each(FLEET.map((aircraft, at) => [aircraft.registration, aircraft, at] as const))(
    '%s agrees with itself and with the fleet’s list, on any day',
    (_, aircraft, at) => {
      for (const today of DAYS) {
        const { readings, inspections } = historyOf(aircraft, today, TERN_BAY, at, id);
        expect(historyOf(aircraft, today, TERN_BAY, at, id).readings).toEqual(readings);
        expect(readings.length).toBeGreaterThan(200);
        const others = fitOutOf(aircraft, today, TERN_BAY, at, id, { inspections, readings });
        const bodies = (kind: 'item' | 'ad') =>
          others.filter((one) => one.kind === kind).map(({ body }) => body);
        const items = bodies('item') as unknown as readonly MaintenanceItem[];
        const ads = bodies('ad') as unknown as readonly AirworthinessDirective[];
        expect(items.length).toBe(aircraft.category === 'glider' ? 0 : 1);
        expect(
          standingsOf({ readings, inspections, items, ads, ramp: null }, TERN_BAY.zone)['time-in-service'],
        ).toMatchObject({ state: 'known', value: hours(aircraft.hours) });
        for (const inspection of inspections)
          expect([inspection.id, inspectionFaults(inspection, TERN_BAY.zone, 'us')]).toEqual([
            inspection.id,
            [],
          ]);
        for (const { happenedAt, recordedAt } of readings) expect(happenedAt <= recordedAt).toBe(true);
        if (aircraft.category !== 'standard') continue;
        const due = hourInterval(
          countingInspections(inspections, ['hundred-hour', 'annual'], TERN_BAY.zone, 'us'),
          hours('100'),
        );
        expect([today, due?.dueAt, due?.takenOff]).toEqual([
          today,
          hours(aircraft.inspectedAt) + hours('100'),
          0,
        ]);
        expect(inspections.every(({ completedOn }) => completedOn <= addDays(today, -1))).toBe(true);
      }
    },
  );
});
