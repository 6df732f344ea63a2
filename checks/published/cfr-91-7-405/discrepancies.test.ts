import { describe, expect, it } from 'vitest';
import { decideClean } from '@/testing/clean-case';
import { source } from './source';

const open = (classification: string | null) =>
  decideClean({
    discrepancies: {
      d: {
        happenedAt: '2026-11-22T12:00:00Z',
        recordedAt: '2026-11-22T12:00:00Z',
        what: 'Fuel streak under the wing',
        classification,
      },
    },
  });

describe(source.section, () => {
  it('91.7(a): not airworthy may not be operated, for any purpose', () => {
    const decision = open('ground-until-mechanic');
    expect(decision.verdict).toBe('Grounded');
    expect(decision.open.every((bits) => bits === 0)).toBe(true);
  });
  it('91.405(a): stays closed until it was repaired, however long ago it was found', () => {
    const old = decideClean({
      discrepancies: {
        d: { happenedAt: '2024-01-01T12:00:00Z', recordedAt: '2024-01-01T12:00:00Z', what: 'Crack' },
      },
    });
    expect(old.verdict).toBe('Grounded');
  });
  it('91.407(a): two conditions, the approval and the entry; work without a signature is neither', () => {
    const decision = decideClean({
      discrepancies: {
        d: {
          happenedAt: '2026-11-22T12:00:00Z',
          recordedAt: '2026-11-22T12:00:00Z',
          what: 'Crack',
          rectification: {
            recordedAt: '2026-11-23T12:00:00Z',
            work: 'repaired',
            description: 'Stop-drilled and patched.',
            completedOn: '2026-11-23',
          },
        },
      },
    });
    expect(decision.verdict).toBe('Grounded');
  });
});

describe(`${source.section}: work that nobody signed`, () => {
  const mechanic = {
    name: 'Tomas Brandl',
    certificate: {
      kind: 'mechanic-airframe-powerplant',
      number: 'AP-1',
      validFrom: '2000-01-01',
      validUntil: 'no-expiry',
    },
  };
  const part = (signedBy: typeof mechanic | null) =>
    decideClean({
      items: {
        hose: {
          recordedAt: '2025-01-01T00:00:00Z',
          name: 'Fuel hose',
          kind: 'life-limit',
          interval: { months: 60 },
          done: {
            first: { recordedAt: '2025-01-01T20:00:00Z', completedOn: '2025-01-01', signedBy: mechanic },
            second: { recordedAt: '2026-11-20T20:00:00Z', completedOn: '2026-11-20', signedBy },
          },
        },
      },
    }).verdict;
  // 91.407(a): nobody may operate an aircraft that has undergone maintenance until it was approved and the entry made, also where the old part was still in time.
  it('a part replaced closes until its entry is signed', () => {
    expect([part(mechanic), part(null)]).toEqual(['Released', 'Grounded']);
  });
  it('so does work that answers no finding', () => {
    const work = (signedBy: typeof mechanic | null) =>
      decideClean({
        work: {
          w: {
            recordedAt: '2026-11-20T20:00:00Z',
            completedOn: '2026-11-20',
            description: 'Cowling off and on',
            signedBy,
            mayChangeFlight: false,
            flightControls: false,
            staticOpened: false,
            altitudeReportingTouched: false,
            weightChanged: false,
          },
        },
      }).verdict;
    expect([work(mechanic), work(null)]).toEqual(['Released', 'Grounded']);
  });
});

describe('91.7(a) and 43.11(b): a refused inspection, whatever kind it was', () => {
  const mechanic = {
    name: 'Tomas Brandl',
    certificate: {
      kind: 'mechanic-airframe-powerplant',
      number: 'AP-1',
      validFrom: '2000-01-01',
      validUntil: 'no-expiry',
    },
  };
  const station = {
    name: 'Cape Reach Workshop',
    certificate: { kind: 'repair-station', number: 'RS-1', validFrom: '2000-01-01', validUntil: 'no-expiry' },
  };
  const refused = (kind: string, more: { readonly [key: string]: string | object } = {}) =>
    decideClean({
      packs: [{ id: 'us-part91' }],
      inspections: {
        r: {
          kind,
          completedOn: '2026-11-20',
          recordedAt: '2026-11-20T20:00:00Z',
          timeInService: 4150,
          outcome: 'discrepancies-listed',
          signedBy: kind === 'hundred-hour' || kind === 'elt' ? mechanic : station,
          ...more,
        },
      },
    });
  it.each(['annual', 'hundred-hour', 'transponder', 'altimeter-static', 'elt'])('%s', (kind) => {
    expect(refused(kind).open.every((bits) => bits === 0)).toBe(true);
    expect(
      refused(kind, { listCleared: { on: '2026-11-21', by: mechanic }, recordedAt: '2026-11-21T20:00:00Z' })
        .verdict,
    ).not.toBe('Grounded');
  });
});
