import type { BoxReadings, FitBox, RemoveBox } from '@/contracts/meters/meter-box';
import { readingOf } from '@/core/metering/slips';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import {
  boxByKey,
  endBoxOnce,
  insertBoxOnce,
  insertBoxReadings,
  readingsUnder,
  type Sent,
} from '@/db/meters/meter-boxes';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** The hash that a box is found by. */
export const boxKeyHash = (sha256: Ports['sha256'], secret: string): Uint8Array =>
  sha256(Buffer.from(`box/${secret}`, 'utf8'));

/**
 * Fits a box to an aircraft: what it shows now is the time in service that is on record now. Its key is told once and kept nowhere.
 * @param chosen a key that the demo's own boxes know; anybody else's is made here
 */
export function fitBox(
  ports: Ports,
  actor: Actor,
  { boxId, aircraftId, seenRevision, name, shows }: FitBox,
  chosen?: string,
): Promise<Outcome<{ readonly key: string; readonly revision: number }>> {
  const denied = denial(actor, 'keep-meters');
  if (denied !== null) return Promise.resolve(refused(denied));
  const secret = chosen ?? `${ports.newId()}${ports.newId()}`.replaceAll('-', '');
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'fit-box',
    seenRevision,
    async ({ tx, club, stored, recordedAt }) => {
      const shown = readingOf(shows, 'h');
      if (shown === undefined)
        throw new Refused({
          code: 'invalid',
          message: 'Write what the box shows, in hours, such as 0.0.',
          problems: [{ path: 'shows', message: 'expected hours such as 0.0' }],
        });
      const service = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs))
        .accounted['time-in-service'];
      if (service.state !== 'known')
        throw new Refused({
          code: 'invalid',
          message:
            'The time in service is not known, so nobody can say what the box’s count means. Enter the meter first.',
          problems: [{ path: 'shows', message: 'the time in service is not known' }],
        });
      if (
        (await insertBoxOnce(tx, actor.clubId, {
          boxId,
          aircraftId,
          name,
          keyHash: boxKeyHash(ports.sha256, secret),
          offset: service.value - shown,
          at: recordedAt,
          by: actor.personId,
        })) === 'there-already'
      )
        throw new Refused({
          code: 'invalid',
          message:
            'This box was fitted already. Load the folder again; take it out and fit it again if its key was lost.',
          problems: [],
        });
      return {
        value: { key: `${actor.clubId}.${secret}` },
        ledger: { id: boxId, name, shows, standsAt: service.value },
      };
    },
  );
}

/** Takes a box out: from then on its key sends nothing more. What it counted stays. */
export function removeBox(
  ports: Ports,
  actor: Actor,
  { boxId, aircraftId, seenRevision, why }: RemoveBox,
): Promise<Outcome<{ readonly boxId: string; readonly revision: number }>> {
  const denied = denial(actor, 'keep-meters');
  if (denied !== null) return Promise.resolve(refused(denied));
  return changeAircraft(ports, actor, aircraftId, 'remove-box', seenRevision, async ({ tx, recordedAt }) => {
    if (
      (await endBoxOnce(tx, actor.clubId, aircraftId, boxId, why, recordedAt, actor.personId)) !== 'written'
    )
      throw new Refused({
        code: 'not-found',
        message: 'There is no such box on this aircraft. Load the folder again.',
      });
    return { value: { boxId }, ledger: { id: boxId, why } };
  });
}

/** What became of what a box sent: every number is told once. */
export interface Taken {
  readonly taken: readonly number[];
  /** Had been taken before, and says the same. */
  readonly repeated: readonly number[];
  /** Says something else than what was taken under its number before: the first stands. */
  readonly refused: readonly { readonly sequence: number; readonly because: string }[];
}

/**
 * Takes readings of a box, in whatever order and however often they come: each stands once, under the box's own number. A late one
 * fills in what happened and changes nothing that is known by now.
 */
export async function takeBoxReadings(
  ports: Ports,
  clubId: string,
  secret: string,
  { readings }: BoxReadings,
): Promise<Outcome<Taken>> {
  const keyHash = boxKeyHash(ports.sha256, secret);
  const box = await inClub(ports.db, clubId, (tx) => boxByKey(tx, keyHash), STRANGERS);
  if (box === undefined)
    return refused({
      code: 'not-entitled',
      message:
        'No box that is fitted has this key. It may have been taken out; fit it again in the aircraft’s folder for a new key.',
    });
  const actor: Actor = { personId: `box:${box.boxId}`, name: box.name, clubId, roles: [] };
  const outcome = await changeAircraft<Taken>(
    ports,
    actor,
    box.aircraftId,
    'box-readings',
    null,
    async ({ tx, recordedAt }) => {
      const known = await readingsUnder(
        tx,
        box.boxId,
        readings.map(({ sequence }) => sequence),
      );
      const fresh = new Map<number, Sent>();
      const repeated: number[] = [];
      const wrong: { sequence: number; because: string }[] = [];
      for (const { sequence, at, totalSeconds: total } of readings) {
        const before = known.get(sequence) ?? fresh.get(sequence)?.total;
        if (before !== undefined) {
          if (before === total) {
            if (!fresh.has(sequence)) repeated.push(sequence);
          } else wrong.push({ sequence, because: `was taken as ${before} s` });
          continue;
        }
        // A clock that runs ahead gets the time at which it came in.
        fresh.set(sequence, {
          sequence,
          total,
          value: box.offset + total,
          at: at > recordedAt ? recordedAt : at,
        });
      }
      const taken = [...fresh.values()].sort((a, b) => a.sequence - b.sequence);
      await insertBoxReadings(tx, clubId, box, taken, recordedAt);
      const value: Taken = {
        taken: taken.map(({ sequence }) => sequence),
        repeated: [...new Set(repeated)],
        refused: wrong,
      };
      const last = taken.at(-1);
      return {
        value,
        ledger: last === undefined ? null : { box: box.boxId, taken: value.taken, total: last.total },
      };
    },
  );
  if (!outcome.ok) return outcome;
  const { taken, repeated, refused: wrong } = outcome.value;
  return { ok: true, value: { taken, repeated, refused: wrong } };
}
