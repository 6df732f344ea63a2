import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { factSchema } from '@/contracts/aircraft/aircraft-entry';
import { deferSchema, type DeferInput } from '@/contracts/findings/defer';
import { findingSchema } from '@/contracts/findings/report-finding';
import type { Json } from '@/contracts/kernel/merge-patch';
import { addDays, civilDate } from '@/core/time/civil-date';
import { addSeconds, instantText } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { inClub } from '@/db/kernel/club-transaction';
import { facts } from '@/queries/aircraft/facts';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { deferralView } from '@/queries/findings/deferral';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { enterFact } from '../aircraft/enter-fact';
import { defer } from './defer';
import { reportFinding } from './report-finding';

let club: Awaited<ReturnType<typeof testClub>>;
type Role = Parameters<typeof club.actor>[0];

const LIGHT = {
  fitted: true,
  typeCertification: false,
  equipmentList: 'no',
  kindsOfOperation: 'no',
};
const equipment = (items: Json = { 'landing-light': LIGHT }) => ({
  equipment: {
    list: { happenedAt: '2026-11-01T12:00:00Z', recordedAt: '2026-11-01T12:00:00Z', items },
  },
});

/** Reports a finding at a step, just as its list names it. */
async function found(step: string, station: string, asListed = true): Promise<string> {
  const findingId = randomUUID();
  good(
    await reportFinding(
      club.ports,
      club.actor('renter'),
      findingSchema.parse({
        findingId,
        aircraftId: club.aircraftId,
        station,
        side: null,
        step,
        asListed,
        what: 'Landing light is out',
        looks: 'looks-small',
        foundAt: instantText(club.ports.now()),
      }),
    ),
  );
  return findingId;
}
const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
const page = async (role: Role = 'mechanic') => {
  const shown = await inTx((tx) => aircraftPage(tx, club.actor(role), 'N02TB', club.ports.now()));
  if (shown === null) throw new Error('no page');
  return shown;
};
const view = (finding: string, role: Role = 'mechanic') =>
  inTx((tx) => deferralView(tx, club.actor(role), finding, club.ports.now()));
const sign = async (discrepancyId: string, change: Partial<DeferInput> = {}, role: Role = 'mechanic') =>
  defer(
    club.ports,
    club.actor(role),
    deferSchema.parse({
      deferralId: randomUUID(),
      discrepancyId,
      aircraftId: club.aircraftId,
      seenRevision: (await page()).revision,
      deferredOn: civilDateAt(club.ports.now(), club.place.zone),
      action: 'deactivated',
      placarded: true,
      entered: 'entered',
      description: 'Lamp taken out of its socket',
      until: null,
      untilTimeInService: null,
      listed: null,
      certificateId: club.certificateOf(role),
      password: PASSWORD,
      ...change,
    }),
  );

describe('deferring an inoperative item', () => {
  let light: string;
  beforeEach(async () => {
    club = await testClub(equipment());
    light = await found('K065', 'power-on');
  });

  it('shows who asks for it and what stays closed, then opens the rest; the placard says so', async () => {
    expect((await page()).verdict).toBe('Grounded');
    const before = await view(light);
    expect(before?.refusal).toBeNull();
    expect(before?.questions.filter(({ isAskedFor }) => isAskedFor).map(({ source }) => source)).toEqual([
      '91.213(d)(2)(iii)',
    ]);
    expect(before?.verdict).toEqual({ now: 'Grounded', then: 'Restricted' });
    good(await sign(light));
    expect((await page()).verdict).toBe('Restricted');
    const after = await view(light);
    expect(after?.deferred?.placard.slice(0, 2)).toEqual(['INOPERATIVE', 'Landing light is out']);
    expect(after?.deferred?.logbook).toContain('in accordance with 14 CFR 91.213(d)');
    expect(after?.deferred?.logbook).toContain('AP-1');
    expect((await view(light, 'renter'))?.deferred?.logbook).not.toContain('AP-1');
  });
  it('holds to its own last day', async () => {
    const today = civilDateAt(club.ports.now(), club.place.zone);
    good(await sign(light, { until: addDays(today, 3) }));
    club.ports.at = addSeconds(club.ports.at, 4 * 86_400);
    const shown = await page();
    expect(shown.reasons.map(({ headline }) => headline).join(' ')).toMatch(/defer/iu);
    expect(shown.verdict).toBe('Grounded');
  });
  it('is not prolonged by deferring it once more', async () => {
    good(await sign(light));
    expect(bad(await sign(light)).message).toContain('not prolonged');
    expect((await view(light))?.refusal).toContain('not prolonged');
  });
  it('is signed by a pilot’s or a mechanic’s certificate, of people who may, with their own password', async () => {
    expect(bad(await sign(light, {}, 'renter')).code).toBe('not-entitled');
    expect(bad(await sign(light, { password: 'wrong' })).message).toContain('password');
    expect(bad(await sign(light, { certificateId: club.certificateOf('renter') })).code).toBe('not-entitled');
    good(await sign(light, {}, 'instructor'));
  });
  it.each<[string, Partial<DeferInput>, string]>([
    ['a day to come', { deferredOn: '2026-12-24' }, 'deferredOn'],
    ['a day before it was found', { deferredOn: '2026-11-01' }, 'deferredOn'],
    ['an end that is over', { until: '2026-11-01' }, 'until'],
    ['removed, and no maintenance', { action: 'removed', entered: 'not-maintenance' }, 'deferredOn'],
    ['a category without a list', { listed: { category: 'C', days: null } }, 'listed'],
  ])('refuses %s', async (_, change, path) => {
    const refused = bad(await sign(light, change));
    expect('problems' in refused ? refused.problems.map((one) => one.path) : []).toContain(path);
    expect((await page()).verdict).toBe('Grounded');
  });
  it('has no way round its placard', () => {
    expect(
      deferSchema.safeParse({ placarded: false }).error?.issues.some(({ path }) => path[0] === 'placarded'),
    ).toBe(true);
  });
  it('the aircraft’s page offers it to who may sign, and tells everybody where it stands', async () => {
    const of = async (role: Role) => (await page(role)).findings.find(({ id }) => id === light)?.defer;
    expect((await of('mechanic'))?.certificates).toHaveLength(1);
    expect(await of('renter')).toEqual({ certificates: [] });
  });
});

describe('what cannot be deferred', () => {
  it('is what nobody may leave open, with why', async () => {
    club = await testClub(equipment());
    const other = await found('K065', 'power-on', false);
    expect((await view(other))?.refusal).toContain('cannot be deferred');
    expect(bad(await sign(other)).message).toContain('cannot be deferred');
  });
  it('an item that nobody has put on record is asked for by everything', async () => {
    club = await testClub(equipment({ 'landing-light': null }));
    const light = await found('K065', 'power-on');
    const shown = await view(light);
    expect(shown?.questions.filter(({ isAskedFor }) => isAskedFor).length).toBeGreaterThan(2);
    expect(shown?.verdict.then).toBe('Grounded');
  });
  it('is nothing that the club does not have', async () => {
    club = await testClub(equipment());
    expect(await view(randomUUID())).toBeNull();
    expect(await view('no-id')).toBeNull();
    expect(bad(await sign(randomUUID())).code).toBe('not-found');
  });
});

describe('under an approved minimum equipment list', () => {
  it('its category is asked for, and its days run from the day of discovery', async () => {
    club = await testClub({ ...equipment(), aircraft: { minimumEquipmentList: 'approved' } });
    const light = await found('K065', 'power-on');
    expect(bad(await sign(light)).message).toContain('approved minimum equipment list');
    expect(bad(await sign(light, { listed: { category: 'A', days: null } })).message).toContain('Category A');
    club.ports.at = addSeconds(club.ports.at, 2 * 86_400);
    good(await sign(light, { listed: { category: 'B', days: null } }));
    const foundOn = civilDate('2026-11-24');
    expect((await view(light))?.deferred?.lastDay).toContain(String(Number(addDays(foundOn, 3).slice(-2))));
    club.ports.at = addSeconds(club.ports.at, 2 * 86_400);
    expect((await page()).verdict).toBe('Grounded');
    const late = await found('K065', 'power-on');
    club.ports.at = addSeconds(club.ports.at, 5 * 86_400);
    expect(bad(await sign(late, { listed: { category: 'B', days: null } })).message).toContain('ran out on');
  });
  it('once it is on record gives the item its category, its days and its number', async () => {
    club = await testClub({ ...equipment(), aircraft: { minimumEquipmentList: 'approved' } });
    const light = await found('K065', 'power-on');
    const item = {
      code: '33-42',
      name: 'Landing light',
      equipment: ['landing-light'],
      category: 'B',
      installed: 1,
      required: 0,
      operations: 'No landing by night',
    };
    const latest = async () =>
      (await inTx((tx) => facts(tx, club.actor('mechanic'), 'N02TB', club.ports.now())))?.minimumListId
      ?? null;
    const enter = (items: readonly object[], role: Role, instead: string | null = null) =>
      enterFact(
        club.ports,
        club.actor(role),
        factSchema.parse({
          factId: randomUUID(),
          aircraftId: club.aircraftId,
          fact: {
            kind: 'minimum-equipment-list',
            instead,
            list: { revision: '3', approvedOn: '2026-01-02', items },
          },
        }),
      );
    expect(bad(await enter([item], 'dispatcher')).message).toContain('Only a mechanic or the administrator');
    good(await enter([{ ...item, required: 1 }], 'mechanic'));
    expect((await view(light))?.refusal).toContain('fewer would work');
    const id = (await inTx((tx) => facts(tx, club.actor('mechanic'), 'N02TB', club.ports.now())))?.minimumList
      ?.id;
    club.ports.at = addSeconds(club.ports.at, 60);
    expect(bad(await enter([item], 'mechanic')).message).toContain('since you opened this');
    good(await enter([item], 'mechanic', id));
    expect(await view(light)).toMatchObject({ refusal: null, items: [{ code: '33-42', enoughWork: true }] });
    expect(bad(await sign(light, { listed: { category: 'D', days: null } })).message).toContain(
      'Choose it from the list',
    );
    // What the list says counts, whatever was sent beside the item's number.
    good(await sign(light, { listed: { item: '33-42', category: 'D', days: null } }));
    const after = await view(light);
    expect(after?.deferred?.logbook).toContain('item 33-42, category B');
    expect(after?.deferred?.lastDay).toContain('27');
    expect((await page()).notices.map(({ headline }) => headline).join(' ')).toContain('No landing by night');
    // Withdrawn, it is none; and another one may take its place.
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await enter([], 'mechanic', await latest()));
    expect((await page()).verdict).toBe('Grounded');
    club.ports.at = addSeconds(club.ports.at, 60);
    good(await enter([item], 'mechanic', await latest()));
    expect((await view(light))?.deferred?.logbook).toContain('item 33-42');
  });
});
