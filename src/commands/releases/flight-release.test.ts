import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { decideKept, decisionText, replay } from '@/core/decision/replay';
import { findRelease, releaseEvidence, releasesOfFlight } from '@/db/releases/flight-releases';
import { dispatchFlight } from '@/queries/flights/dispatch';
import { publicCard } from '@/queries/releases/flight-release';
import { replayedRelease } from '@/queries/releases/replayed';
import { aircraftPage } from '@/queries/aircraft/aircraft-page';
import { bad, good } from '@/testing/database';
import {
  block,
  club,
  comeBack,
  fitBlock,
  freshDesk,
  inTx,
  later,
  leave,
  planned,
  revision,
  start,
  text,
  useClub,
} from '@/testing/dispatch';
import { newNick } from '@/testing/entries';
import { release } from '@/testing/flight-release';
import { plannedFlight } from '@/testing/planned-flight';
import { addSeconds } from '@/core/time/instant';
import { checkOut } from '../flights/check-out';
import { cancelFlight } from '../flights/planning';
import { restrict, withdrawRestriction } from '../flights/dispatch-restriction';
import { reportFinding } from '../findings/report-finding';
import { withdrawRelease } from './release-flight';

type Role = Parameters<typeof club.actor>[0];
const sign = (flightId: string, change: Parameters<typeof release>[3] = {}, role: Role = 'dispatcher') =>
  release(club.ports, club.actor(role), flightId, change);
const page = async (flightId: string) => {
  const shown = await inTx((tx) => dispatchFlight(tx, club.clubId, flightId, club.ports.now()));
  if (shown === null) throw new Error('no such flight');
  return shown.release;
};
const close = (closes: readonly 'night'[] = [], restrictionId = randomUUID()) =>
  restrict(club.ports, club.actor('instructor'), {
    restrictionId,
    aircraftId: club.aircraftId,
    why: 'rough running reported by telephone',
    closes: [...closes],
    until: null,
  });

beforeEach(freshDesk);

describe('the release of an aircraft for a flight', () => {
  it('keeps what it was decided from, and decides the same from it again, byte for byte', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    const evidence = await inTx((tx) => releaseEvidence(tx, releaseId));
    if (evidence === undefined) throw new Error('nothing was kept');
    const hash = (words: string) =>
      Buffer.from(club.ports.sha256(Buffer.from(words, 'utf8'))).toString('hex');
    expect(hash(evidence.inputs)).toBe(evidence.inputs_hash);
    expect(hash(evidence.decision)).toBe(evidence.decision_hash);
    expect(decisionText(decideKept(evidence.inputs))).toBe(evidence.decision);
    expect(replay(evidence.inputs, evidence.decision)).toMatchObject({ same: true, parts: [], versions: [] });
    expect(await inTx((tx) => replayedRelease(tx, releaseId, hash))).toEqual({
      same: true,
      words: 'The same, byte for byte.',
      inputsHash: evidence.inputs_hash,
    });
    expect(await inTx((tx) => replayedRelease(tx, releaseId, () => 'another'))).toMatchObject({
      same: false,
      words: expect.stringContaining('somebody changed it') as string,
    });
    expect(await inTx((tx) => replayedRelease(tx, randomUUID(), hash))).toBeNull();
  });

  it('says for whom, by whom, on what and until when', async () => {
    const flight = await planned();
    good(await sign(flight));
    const { signed } = await page(flight);
    expect(signed).toMatchObject({
      over: null,
      isVoid: false,
      card: {
        registration: 'N02TB',
        verdict: 'Released',
        flight: { person: 'R. Dane' },
        signed: { by: club.actor('dispatcher').name },
      },
    });
    expect(signed?.card.documents.length).toBeGreaterThan(0);
    expect(signed?.card.limits.length).toBeGreaterThan(0);
  });

  it('is what a flight leaves with: without one it stays', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    good(
      await withdrawRelease(club.ports, club.actor('dispatcher'), {
        aircraftId: club.aircraftId,
        releaseId,
        why: 'he does not fly today',
      }),
    );
    const refusal = bad(
      await checkOut(club.ports, club.actor('dispatcher'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial: block, shown: text(start) }],
        accepted: [],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    expect(refusal.message).toContain('Its release for this flight holds no longer');
    expect(refusal.message).toContain('he does not fly today');
  });

  it('is not signed for a flight that may not go, by somebody who may not, or with a wrong password', async () => {
    const flight = await planned();
    good(await close());
    expect(bad(await sign(flight))).toMatchObject({
      code: 'invalid',
      message: expect.stringContaining('cannot be released for this flight') as string,
    });
    const other = await planned({}, 'P. Okoro');
    expect(bad(await sign(other, {}, 'renter'))).toMatchObject({ code: 'not-entitled' });
    expect(bad(await sign(other, { password: 'guessed' }))).toMatchObject({ code: 'invalid' });
    expect(await inTx((tx) => releasesOfFlight(tx, flight))).toEqual([]);
  });

  it('is not signed on facts that are older than the newest record', async () => {
    const flight = await planned();
    const seenRevision = await revision();
    good(await close(['night']));
    expect(bad(await sign(flight, { seenRevision }))).toMatchObject({ code: 'conflict' });
  });

  it('is signed on the day of the flight, and not before', async () => {
    const flight = await plannedFlight(club, {}, { starts: addSeconds(club.ports.now(), 24 * 3600) });
    expect(bad(await sign(flight)).message).toContain('signed on the day of the flight');
  });

  it('is not ended by a limit that was known to come, where the flight does not need what it closes', async () => {
    await useClub({
      packs: [
        { id: 'us-part91', parameters: { trainingUnder: 'part-61' } },
        {
          id: 'club-policy',
          parameters: { hundredHourCovers: 'hire-and-lessons', documentCheckDays: 400, readingDays: 400 },
        },
      ],
    });
    await fitBlock();
    const flight = await planned();
    good(await sign(flight));
    const shown = text(start + 60 * 3600);
    // Hours that nobody wrote down end the hundred hours; a private rental may go on without the inspection here.
    good(
      await checkOut(club.ports, club.actor('dispatcher'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        seenRevision: await revision(),
        readings: [{ dial: block, shown }],
        accepted: [`gap/${block}/${shown}`],
        fuelAboard: [],
        oilAboard: null,
        remarks: null,
      }),
    );
    expect((await page(flight)).signed).toMatchObject({ over: null, card: { verdict: 'Released' } });
  });

  it('names each restriction, and the pilot reads all of them back', async () => {
    const flight = await planned();
    good(await close(['night']));
    const refusal = bad(await sign(flight, { readBack: [] }));
    expect(refusal).toMatchObject({ code: 'invalid' });
    expect(refusal.message).toContain('Rough running');
    good(await sign(flight));
    expect((await page(flight)).signed?.card).toMatchObject({ verdict: 'Restricted' });
    expect((await page(flight)).signed?.card.restrictions.map(({ words }) => words).join()).toContain(
      'Rough running',
    );
  });

  it('is void in the moment in which something new comes up, and stays void when that is over', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    later(60);
    const restrictionId = randomUUID();
    good(await close(['night'], restrictionId));
    const { end } = (await inTx((tx) => findRelease(tx, releaseId))) ?? {};
    expect(end).toMatchObject({ why: 'void', at: club.ports.now() });
    expect(end?.words.join()).toContain('Rough running');
    expect((await page(flight)).signed).toMatchObject({ isVoid: true });
    later(60);
    good(
      await withdrawRestriction(club.ports, club.actor('dispatcher'), {
        withdrawalId: randomUUID(),
        restrictionId,
        aircraftId: club.aircraftId,
        why: 'looked at, nothing found',
      }),
    );
    expect((await page(flight)).signed).toMatchObject({ isVoid: true });
    const shown = await inTx((tx) => aircraftPage(tx, club.actor('dispatcher'), 'N02TB', club.ports.now()));
    expect(JSON.stringify(shown)).toContain('A release that was signed before became void by this.');
    good(await sign(flight));
    expect((await page(flight)).signed).toMatchObject({ over: null });
  });

  it('is void by what a renter finds on the ramp, and not by what closes nothing', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    const ended = async () => (await inTx((tx) => findRelease(tx, releaseId)))?.end?.why ?? null;
    await planned({}, 'P. Okoro');
    expect(await ended()).toBeNull();
    good(await reportFinding(club.ports, club.actor('renter'), newNick(club)));
    expect(await ended()).toBe('void');
  });

  it('is void for a flight that is in the air, too, and ends when it is back', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    good(await leave(flight, text(start), { seenRevision: await revision() }));
    const state = async () => (await inTx((tx) => findRelease(tx, releaseId)))?.end?.why ?? null;
    const last = async () =>
      (await inTx((tx) => releasesOfFlight(tx, flight))).find(({ id }) => id !== releaseId);
    expect([await state(), (await last())?.end]).toEqual(['replaced', null]);
    later(600);
    good(await close());
    expect((await last())?.end?.why).toBe('void');
    const other = await planned({}, 'P. Okoro');
    later(3000);
    good(await comeBack(flight, text(start + 3600)));
    expect((await last())?.end?.why).toBe('void');
    expect(bad(await sign(other)).code).toBe('invalid');
  });

  it('is void once the aircraft has left for another flight: what was measured for it is past', async () => {
    const [first, second] = [await planned(), await planned({}, 'P. Okoro')];
    const { releaseId } = good(await sign(second));
    later(60);
    good(await leave(first, text(start), { seenRevision: await revision() }));
    expect((await inTx((tx) => findRelease(tx, releaseId)))?.end).toMatchObject({
      why: 'void',
      words: ['The aircraft has left for another flight since.'],
    });
  });

  it('ends when its flight is cancelled', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    good(
      await cancelFlight(club.ports, club.actor('dispatcher'), {
        flightId: flight,
        aircraftId: club.aircraftId,
        why: 'weather',
      }),
    );
    expect((await inTx((tx) => findRelease(tx, releaseId)))?.end?.why).toBe('cancelled');
  });

  it('ends by itself at the first limit, at the latest with the day', async () => {
    const flight = await planned();
    good(await sign(flight));
    later(26 * 3600);
    expect((await page(flight)).signed?.over).toMatch(/^It ended /u);
  });

  it('shows its card to who has the whole address, and to nobody else', async () => {
    const flight = await planned();
    const { releaseId } = good(await sign(flight));
    const stored = await inTx((tx) => findRelease(tx, releaseId));
    const look = (secret: string, id = releaseId) =>
      inTx((tx) => publicCard(tx, { clubId: club.clubId, releaseId: id, secret }, club.ports.now()));
    expect(await look(stored?.secret ?? '')).toMatchObject({ over: null, card: { registration: 'N02TB' } });
    expect(await look('0'.repeat(64))).toBeNull();
    expect(await look(stored?.secret ?? '', randomUUID())).toBeNull();
  });
});
