import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { returnToServiceSchema } from '@/contracts/findings/return-to-service';
import { newEntrySchema } from '@/contracts/maintenance/new-entry';
import { civilDate } from '@/core/time/civil-date';
import { addSeconds } from '@/core/time/instant';
import { inClub } from '@/db/kernel/club-transaction';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { bad, good, PASSWORD } from '@/testing/database';
import { club, hundred, record, revision, useClub } from '@/testing/folder';
import { NO_EFFECTS } from '@/testing/work';
import { returnToService } from '../findings/return-to-service';
import { clearList } from './clear-list';

beforeEach(() => useClub());
const ITEMS = ['Left brake disc below its limit', 'Exhaust cracked at the second cylinder'];
const page = async () => {
  const shown = await inClub(club.ports.db, club.clubId, (tx) =>
    aircraftPage(tx, club.actor('mechanic'), 'N02TB', club.ports.now()),
  );
  if (shown === null) throw new Error('no page');
  return shown;
};
const later = () => {
  club.ports.at = addSeconds(club.ports.at, 60);
};
const repair = async (discrepancyId: string) => {
  good(
    await returnToService(
      club.ports,
      club.actor('mechanic'),
      returnToServiceSchema.parse({
        rectificationId: randomUUID(),
        discrepancyId,
        seenRevision: await revision(),
        work: 'repaired',
        description: 'Replaced.',
        completedOn: '2026-11-24',
        effects: NO_EFFECTS,
        workId: randomUUID(),
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
      }),
    ),
  );
  later();
};

/** 14 CFR 43.11(b) (from memory): the owner gets a signed, dated list of what is wrong. */
describe('the list of an inspection that did not approve the aircraft', () => {
  it('is worked off item by item before it is cleared', async () => {
    const inspection = randomUUID();
    good(
      await record(hundred('4150.3', { outcome: 'discrepancies-listed' }), {
        entryId: inspection,
        list: ITEMS,
      }),
    );
    later();
    const open = async () => (await page()).findings.filter(({ done }) => done === null);
    expect((await open()).map(({ what }) => what).sort()).toEqual([...ITEMS].sort());
    expect((await open())[0]?.where).toBe('List of the 100-hour inspection of 24 Nov 2026');
    const clear = async () =>
      clearList(club.ports, club.actor('mechanic'), {
        clearanceId: randomUUID(),
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        inspection,
        on: civilDate('2026-11-24'),
        description: 'Both items corrected.',
        certificateId: club.certificateOf('mechanic'),
        password: PASSWORD,
      });
    expect(bad(await clear()).message).toContain('2 items of the list are still open');
    const [first, second] = await open();
    await repair(first?.id ?? '');
    expect(bad(await clear()).message).toMatch(/^One item of the list is still open: “/u);
    await repair(second?.id ?? '');
    // Each item is closed; the aircraft is not approved before the list is cleared.
    expect((await page()).verdict).not.toBe('Released');
    good(await clear());
    later();
    expect((await page()).verdict).toBe('Released');
  });
  it('is none of an inspection that approved it', () => {
    const parsed = newEntrySchema.safeParse({
      entryId: randomUUID(),
      aircraftId: randomUUID(),
      seenRevision: 1,
      draft: {
        of: 'inspection',
        kind: 'annual',
        completedOn: '2026-11-24',
        timeInService: 4150.3,
        outcome: 'approved',
        excess: null,
        testedToFeet: null,
      },
      description: 'Done.',
      list: ITEMS,
      signer: { by: 'own-certificate', certificateId: randomUUID() },
      aboveMeter: false,
      password: 'x',
    });
    expect(parsed.error?.issues.map(({ path }) => path)).toEqual([['list']]);
  });
});
