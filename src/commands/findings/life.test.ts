// Acts of everybody on the findings of one aircraft, legal and illegal, several at once, against the steps that a finding may take.
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deferSchema } from '@/contracts/findings/defer';
import { findingSchema } from '@/contracts/findings/report-finding';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { triageSchema } from '@/contracts/findings/triage';
import { authorityFor } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import { isFindingStep, stateOfFinding, type FindingState } from '@/core/records/findings/life';
import { authorityOf } from '@/core/rules/register';
import { addSeconds } from '@/core/time/instant';
import { loadAircraft } from '@/db/aircraft/aircraft-facts';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { good, PASSWORD, testClub } from '@/testing/database';
import { plannedFlight, wallTime } from '@/testing/planned-flight';
import { NO_EFFECTS } from '@/testing/work';
import { NOTHING_TO_REPORT } from '@/testing/entries';
import { addDial } from '../meters/dials';
import { checkIn } from '../flights/check-in';
import { releaseAndLeave } from '@/testing/flight-release';
import type { Outcome } from '../kernel/command';
import { defer } from './defer';
import { reportFinding } from './report-finding';
import { returnToService } from './return-to-service';
import { triageFinding } from './triage';

/** So many sequences are tried; `GROVAL_MODEL_RUNS` asks for more. */
const RUNS = Number(process.env['GROVAL_MODEL_RUNS'] ?? 20);
const ROLES = ['mechanic', 'instructor', 'dispatcher', 'renter', 'student', 'safety-officer'] as const;
type Role = (typeof ROLES)[number];
const LIGHT = { fitted: true, typeCertification: false, equipmentList: 'no', kindsOfOperation: 'no' };
const EQUIPMENT = {
  equipment: {
    list: {
      happenedAt: '2026-11-01T12:00:00Z',
      recordedAt: '2026-11-01T12:00:00Z',
      items: { 'landing-light': LIGHT },
    },
  },
};
/** What is found: it grounds, an instructor judges it, or it is a lamp that may be deferred. */
const FOUND = {
  grounds: {
    station: 'wing',
    side: 'left',
    step: null,
    asListed: false,
    what: 'Dent',
    looks: 'would-not-fly',
  },
  judged: { station: 'wing', side: 'left', step: null, asListed: false, what: 'Mark', looks: 'looks-small' },
  lamp: {
    station: 'power-on',
    side: null,
    step: 'K065',
    asListed: true,
    what: 'Lamp out',
    looks: 'looks-small',
  },
} as const;

const act = fc.record({
  kind: fc.constantFrom(
    'report',
    'stays',
    'grounds',
    'watch',
    'same-as',
    'defer',
    'return',
    'return',
    'leave',
    'leave',
  ),
  role: fc.constantFrom<Role>(...ROLES, 'mechanic', 'instructor'),
  found: fc.constantFrom(...(Object.keys(FOUND) as (keyof typeof FOUND)[])),
  which: fc.nat({ max: 4 }),
  other: fc.nat({ max: 4 }),
  work: fc.constantFrom('repaired', 'no-fault-found', 'serviced', 'judged-acceptable'),
  /** By which wrong thing it is signed, if any. */
  wrong: fc.constantFrom('nothing', 'nothing', 'nothing', 'password', 'certificate'),
});
type Act = typeof act extends fc.Arbitrary<infer A> ? A : never;

interface Done {
  readonly act: Act;
  readonly finding: string;
  readonly other: string | null;
  readonly outcome: Outcome<{ readonly revision: number }>;
}
const LEDGER = {
  report: 'report-finding',
  stays: 'triage-finding',
  grounds: 'triage-finding',
  watch: 'triage-finding',
  'same-as': 'triage-finding',
  defer: 'defer-finding',
  return: 'return-to-service',
  leave: 'check-out',
} as const;

/** One club with the findings that its acts have made. */
async function makeWorld() {
  const club = await testClub(EQUIPMENT);
  const findings: string[] = [];
  const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
  const states = async (): Promise<ReadonlyMap<string, FindingState>> => {
    const [stored] = await inTx((tx) => loadAircraft(tx, club.place, club.aircraftId, true));
    if (stored === undefined) throw new Error('no aircraft');
    const packs = authorityOf(club.packs);
    const known = knownAt(stored.facts, presentFor(stored.facts, club.ports.now()), packs);
    const authority = authorityFor(packs, stored.facts.aircraft);
    return new Map(
      known.discrepancies.map((one) => [one.id, stateOfFinding(one, club.place.zone, authority)]),
    );
  };
  const page = async () => {
    const shown = await inTx((tx) => aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()));
    if (shown === null) throw new Error('no page');
    return shown;
  };
  const rows = () =>
    inTx(async (tx) => {
      const [{ n } = { n: '0' }] = await tx
        .selectFrom('discrepancy')
        .select((of) => of.fn.countAll<string>().as('n'))
        .execute();
      const [{ m } = { m: '0' }] = await tx
        .selectFrom('aircraft_record')
        .select((of) => of.fn.countAll<string>().as('m'))
        .execute();
      return Number(n) + Number(m);
    });
  // The meter that flights are read by: it shows what the aircraft has in service.
  const dial = randomUUID();
  let hours = await inTx(async (tx) => {
    const { most } = await tx
      .selectFrom('meter_reading')
      .select((select) => select.fn.max('value_s').as('most'))
      .where('meter', '=', 'time-in-service')
      .executeTakeFirstOrThrow();
    return Number(most) / 3600;
  });
  const shown = () => [{ dial, shown: hours.toFixed(1) }];
  good(
    await addDial(club.ports, club.actor('mechanic'), {
      dialId: dial,
      aircraftId: club.aircraftId,
      seenRevision: (await page()).revision,
      name: 'Hour meter',
      unit: 'h',
      bills: true,
      counts: [{ meter: 'time-in-service', standsAt: hours.toFixed(1) }],
      shows: hours.toFixed(1),
      wrapsAt: null,
    }),
  );
  let flight: { readonly id: string; readonly out: boolean } | null = null;
  /** A flight that may leave now: the one that was planned, or another where that one has left and is back. */
  const ready = async (): Promise<void> => {
    if (flight?.out === true) {
      hours += 0.1;
      good(
        await checkIn(club.ports, club.actor('dispatcher'), {
          flightId: flight.id,
          aircraftId: club.aircraftId,
          at: wallTime(club.ports.now(), club.place.zone),
          readings: shown(),
          accepted: [],
          ...NOTHING_TO_REPORT,
        }),
      );
    }
    if (flight === null || flight.out) flight = { id: await plannedFlight(club), out: false };
  };
  const leave = async (role: Role, seenRevision: number) => {
    const flightId = flight?.id ?? randomUUID();
    const outcome = await releaseAndLeave(club.ports, club.actor(role), {
      flightId,
      aircraftId: club.aircraftId,
      seenRevision,
      readings: shown(),
      accepted: [],
      fuelAboard: [],
      oilAboard: null,
      remarks: null,
    });
    if (outcome.ok) flight = { id: flightId, out: true };
    return outcome;
  };
  const run = async (of: Act, seenRevision: number): Promise<Done> => {
    const actor = club.actor(of.role);
    const finding =
      of.kind === 'report' || of.kind === 'leave'
        ? randomUUID()
        : (findings[of.which % findings.length] ?? randomUUID());
    const other = of.kind === 'same-as' ? (findings[of.other % findings.length] ?? randomUUID()) : null;
    const signature = {
      certificateId: of.wrong === 'certificate' ? randomUUID() : club.certificateOf(of.role),
      password: of.wrong === 'password' ? 'wrong' : PASSWORD,
    };
    const base = { aircraftId: club.aircraftId, discrepancyId: finding };
    const send = async (): Promise<Outcome<{ readonly revision: number }>> => {
      switch (of.kind) {
        case 'report':
          return reportFinding(
            club.ports,
            actor,
            findingSchema.parse({
              findingId: finding,
              aircraftId: club.aircraftId,
              ...FOUND[of.found],
              foundAt: '2026-11-24T12:00:00Z',
            }),
          );
        case 'defer':
          return defer(
            club.ports,
            actor,
            deferSchema.parse({
              ...base,
              ...signature,
              deferralId: randomUUID(),
              seenRevision,
              deferredOn: '2026-11-24',
              action: 'deactivated',
              placarded: true,
              entered: 'entered',
              description: 'Breaker pulled',
              until: null,
              untilTimeInService: null,
              listed: null,
            }),
          );
        case 'return':
          return returnToService(
            club.ports,
            actor,
            returnToServiceSchema.parse({
              discrepancyId: finding,
              ...signature,
              rectificationId: randomUUID(),
              workId: randomUUID(),
              seenRevision,
              work: of.work,
              description: 'Done.',
              completedOn: '2026-11-24',
              effects: of.work === 'repaired' ? NO_EFFECTS : null,
            }),
          );
        case 'leave':
          return leave(of.role, seenRevision);
        case 'stays':
        case 'grounds':
        case 'watch':
        case 'same-as':
          return triageFinding(
            club.ports,
            actor,
            triageSchema.parse({
              ...base,
              triageId: randomUUID(),
              decision: of.kind,
              note: 'Looked at',
              ...(of.kind === 'watch'
                ? { ...signature, seenRevision, recheckBy: '2026-12-24', recheckAt: null, correctBy: null }
                : {}),
              ...(of.kind === 'same-as' ? { seenRevision, sameAs: other } : {}),
            }),
          );
      }
    };
    const outcome = await send();
    if (outcome.ok && of.kind === 'report') findings.push(finding);
    return { act: of, finding, other, outcome };
  };
  return { club, findings, states, page, rows, run, ready };
}

/** Where a finding may stand after accepted acts, in the order in which they were recorded. */
function reachable(
  start: FindingState | 'nothing',
  finding: string,
  done: readonly Done[],
): ReadonlySet<string> {
  let states = new Set<FindingState | 'nothing'>([start]);
  for (const { act: of, finding: about } of done) {
    const next = new Set<FindingState | 'nothing'>();
    for (const from of states) {
      // What is done about another finding moves this one only where it is held to be the same.
      if (about !== finding) {
        next.add(from);
        if (from !== 'same-as-another') continue;
      }
      for (const to of [
        'reported',
        'decided',
        'grounded',
        'watched',
        'deferred',
        'same-as-another',
        'closed',
      ] as const)
        if (isFindingStep(LEDGER[of.kind], from, to)) next.add(to);
    }
    states = next;
  }
  return states;
}

describe('the life of a finding', () => {
  it(
    'takes no step that there is not, is closed by nobody who may not, and holds the aircraft until it is',
    async () => {
      const counts = { acts: 0, accepted: 0, refused: 0, left: 0 };
      const steps = new Set<string>();
      await fc.assert(
        fc.asyncProperty(
          fc.array(fc.array(act, { minLength: 1, maxLength: 4 }), { minLength: 3, maxLength: 7 }),
          fc.subarray(['grounds', 'judged', 'lamp'] as const),
          async (batches, at) => {
            const world = await makeWorld();
            const first = {
              kind: 'report',
              role: 'student',
              which: 0,
              other: 0,
              work: 'repaired',
              wrong: 'nothing',
            } as const;
            // With nothing found it leaves, and comes back.
            await world.ready();
            const { revision: clean } = await world.page();
            const left = await world.run(
              { ...first, kind: 'leave', role: 'dispatcher', found: 'lamp' },
              clean,
            );
            expect(left.outcome).toMatchObject({ ok: true });
            world.club.ports.at = addSeconds(world.club.ports.at, 600);
            const grounding = new Set<string>();
            for (const found of at) {
              const { finding } = await world.run({ ...first, found }, 1);
              if (found === 'grounds') grounding.add(finding);
            }
            world.club.ports.at = addSeconds(world.club.ports.at, 60);

            let [before, rows] = [await world.states(), await world.rows()];
            for (const batch of batches) {
              await world.ready();
              const { revision } = await world.page();
              const done = await Promise.all(batch.map((of) => world.run(of, revision)));
              world.club.ports.at = addSeconds(world.club.ports.at, 60);
              const accepted = done
                .flatMap((one) => (one.outcome.ok ? [{ ...one, at: one.outcome.value.revision }] : []))
                .sort((a, b) => a.at - b.at);
              counts.acts += done.length;
              counts.accepted += accepted.length;
              counts.refused += done.length - accepted.length;
              for (const { outcome } of done)
                if (!outcome.ok) expect(outcome.refusal.message).toMatch(/^[A-Z“].*[.!?]$/u);
              // Nothing wrongly signed is accepted, and nobody without a role for it.
              for (const { act: of, finding, other } of accepted) {
                if (of.kind !== 'report') expect(['mechanic', 'instructor', 'dispatcher']).toContain(of.role);
                if (of.kind === 'leave') {
                  counts.left += 1;
                  // What is held to be the same as another, or is closed, stands for nothing by itself.
                  const stands = [...grounding].filter(
                    (id) => !['same-as-another', 'closed'].includes(before.get(id) ?? ''),
                  );
                  expect(stands, 'nothing leaves that is grounded').toEqual([]);
                  expect(of.role, 'only the desk lets an aircraft leave').not.toBe('mechanic');
                }
                if (of.kind === 'watch' || of.kind === 'defer' || of.kind === 'return')
                  expect([of.wrong, of.role === 'dispatcher']).toEqual(['nothing', false]);
                if (of.kind === 'return' && of.role === 'instructor')
                  expect(['serviced', 'judged-acceptable']).toContain(of.work);
                if (of.kind === 'report' && of.found === 'grounds') grounding.add(finding);
                if (of.kind === 'grounds') grounding.add(finding);
                if (of.kind === 'return' || of.kind === 'watch') {
                  if (grounding.has(finding)) expect(of.role).toBe('mechanic');
                  grounding.delete(finding);
                }
                if (of.kind === 'same-as' && other !== null && !grounding.has(other))
                  grounding.delete(finding);
              }
              const after = await world.states();
              for (const [finding, state] of after)
                steps.add(`${before.get(finding) ?? 'nothing'} → ${state}`);
              for (const [finding, state] of after)
                expect([...reachable(before.get(finding) ?? 'nothing', finding, accepted)]).toContain(state);
              // What is held to be the same as another may be closed with it: only what stands by itself is sure to ground.
              const surely = [...grounding].filter(
                (id) => after.get(id) !== 'same-as-another' && after.get(id) !== 'closed',
              );
              if (surely.length > 0) expect((await world.page()).verdict).toBe('Grounded');
              for (const id of surely) expect(['watched', 'deferred']).not.toContain(after.get(id));
              const now = await world.rows();
              expect(now).toBeGreaterThanOrEqual(
                rows + accepted.filter(({ act: of }) => of.kind !== 'return' && of.kind !== 'leave').length,
              );
              [before, rows] = [after, now];
            }
          },
        ),
        { numRuns: RUNS },
      );
      console.log(
        `${RUNS} sequences: ${counts.acts} acts, ${counts.accepted} accepted, ${counts.refused} refused, ${counts.left} left in between; ${[...steps].sort().join(', ')}`,
      );
      expect(counts.accepted).toBeGreaterThan(RUNS);
      expect(counts.refused).toBeGreaterThan(RUNS);
    },
    20 * 60_000,
  );
});
