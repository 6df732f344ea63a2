import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { certificateSchema } from '@/contracts/club/people';
import { factSchema } from '@/contracts/aircraft/aircraft-entry';
import { newEntrySchema } from '@/contracts/maintenance/new-entry';
import { addSeconds } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { entryPreview } from '@/queries/maintenance/entry-preview';
import { bad, good, PASSWORD, testClub } from '@/testing/database';
import { NO_EFFECTS } from '@/testing/work';
import { enterCertificate } from '../club/members';
import { enterFact } from '../aircraft/enter-fact';
import { recordEntry } from './record-entry';

let club: Awaited<ReturnType<typeof testClub>>;
const AD = randomUUID();
const page = async () => {
  const shown = await inClub(club.ports.db, club.clubId, (tx) =>
    aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()),
  );
  if (shown === null) throw new Error('no page');
  return shown;
};
const enterAd = async (ad = randomUUID()) => {
  const fact = {
    kind: 'ad',
    ad: {
      number: '2026-09-09',
      title: 'Elevator bolts',
      applies: true,
      noFerry: false,
      equipment: [],
      methods: { look: { name: 'Replaced', pilotMaySign: true } },
    },
  };
  good(
    await enterFact(
      club.ports,
      club.actor('mechanic'),
      factSchema.parse({ factId: ad, aircraftId: club.aircraftId, fact }),
    ),
  );
  club.ports.at = addSeconds(club.ports.at, 60);
  return ad;
};
const entry = async (ad: string, change: object = {}) => ({
  entryId: randomUUID(),
  aircraftId: club.aircraftId,
  seenRevision: (await page()).revision,
  draft: { of: 'ad', ad, method: 'look', completedOn: '2026-11-24', readings: [] },
  description: 'Elevator bolts replaced',
  effects: NO_EFFECTS,
  signer: { by: 'own-certificate', certificateId: club.certificateOf('mechanic') },
  aboveMeter: false,
  password: PASSWORD,
  ...change,
});
const CONTROLS = { ...NO_EFFECTS, mayChangeFlight: true, groundTestsConclusive: false, flightControls: true };
const sign = async (ad: string, change: object = {}) =>
  recordEntry(club.ports, club.actor('mechanic'), newEntrySchema.parse(await entry(ad, change)));

describe('what the work on an AD may have changed', () => {
  beforeEach(async () => {
    club = await testClub();
  });
  it('is nothing: the AD is complied with and nothing waits', async () => {
    good(await sign(await enterAd()));
    expect((await page()).work.open).toEqual([]);
    expect((await page()).verdict).toBe('Released');
  });
  it('is how it flies: the aircraft waits for the check flight, as after any other work', async () => {
    const ad = await enterAd();
    good(await sign(ad, { effects: CONTROLS }));
    const { open } = (await page()).work;
    expect(open).toMatchObject([{ description: 'Elevator bolts replaced' }]);
    expect((await page()).verdict).not.toBe('Released');
  });
  it('is told before anybody signs', async () => {
    const { aircraftId, draft } = newEntrySchema.parse(await entry(await enterAd()));
    const preview = (effects: typeof CONTROLS | typeof NO_EFFECTS) =>
      inClub(club.ports.db, club.clubId, (tx) =>
        entryPreview(tx, club.clubId, { aircraftId, draft, effects }, club.ports.now()),
      );
    expect(await preview(NO_EFFECTS)).toMatchObject({ verdict: { after: 'Released' }, waits: [] });
    const told = await preview(CONTROLS);
    expect(told?.verdict.after).not.toBe('Released');
    expect(told?.waits.join(' ')).toMatch(/check flight/u);
  });
  it('is written once, however often it is sent', async () => {
    const sent = newEntrySchema.parse(await entry(await enterAd(), { effects: CONTROLS }));
    good(await recordEntry(club.ports, club.actor('mechanic'), sent));
    good(await recordEntry(club.ports, club.actor('mechanic'), sent));
    expect((await page()).work.open).toHaveLength(1);
  });
  it('is nothing that a pilot signs for, even where the AD lets a pilot look', async () => {
    const ad = await enterAd();
    const certificateId = randomUUID();
    good(
      await enterCertificate(
        club.ports,
        club.actor('administrator'),
        certificateSchema.parse({
          certificateId,
          personId: club.actor('instructor').personId,
          kind: 'pilot',
          number: 'P-77',
          validFrom: '2015-06-01',
          validUntil: 'no-expiry',
        }),
      ),
    );
    const look = async (effects: object) =>
      recordEntry(
        club.ports,
        club.actor('instructor'),
        newEntrySchema.parse(
          await entry(ad, {
            effects,
            signer: { by: 'own-certificate', certificateId },
          }),
        ),
      );
    expect(bad(await look(CONTROLS)).message).toMatch(/certificate/u);
    good(await look(NO_EFFECTS));
    expect((await page()).work.open).toEqual([]);
  });
});

describe('who signs', () => {
  const parse = (change: object) =>
    newEntrySchema.safeParse({
      entryId: randomUUID(),
      aircraftId: randomUUID(),
      seenRevision: 1,
      draft: { of: 'ad', ad: AD, method: 'look', completedOn: '2026-11-24', readings: [] },
      description: 'x',
      signer: { by: 'own-certificate', certificateId: randomUUID() },
      aboveMeter: false,
      password: PASSWORD,
      ...change,
    });
  const COPY = {
    by: 'copied-from-logbook',
    name: 'Somebody',
    kind: 'inspection-authorisation',
    number: 'AP-1',
    validFrom: '2020-01-01',
    validUntil: 'no-expiry',
  };
  const INSPECTION = {
    of: 'inspection',
    kind: 'annual',
    completedOn: '2026-11-24',
    timeInService: null,
    outcome: 'approved',
    excess: null,
    testedToFeet: null,
  };
  it.each([
    ['for an AD by their own certificate says it', { effects: NO_EFFECTS }, true],
    ['and may not be silent', {}, false],
    ['a copy does not say it', { signer: COPY }, true],
    ['and nobody says it for who signed there', { signer: COPY, effects: NO_EFFECTS }, false],
    ['an inspection changes nothing by itself', { draft: INSPECTION }, true],
    ['so it does not say it', { draft: INSPECTION, effects: NO_EFFECTS }, false],
  ])('%s', (_, change, isTaken) => {
    expect(parse(change).success).toBe(isTaken);
  });
});
