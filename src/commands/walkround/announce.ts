import type { Announce, AnnouncedDone } from '@/contracts/walkround/walkround';
import { parseMeasure } from '@/core/quantities/measure';
import type { Announced } from '@/core/records/walkround/measurement';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import { readCertificates } from '@/db/club/people';
import type { ClubTransaction } from '@/db/kernel/connection';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

/** Picolitres; null where no amount was said. @throws Refused for a unit that is none of a volume */
function volumeOf(amount: Announce['amount']): number | null {
  if (amount === null) return null;
  const value = parseMeasure(amount.amount, amount.unit, 'pL');
  if (value === undefined)
    throw new Refused({
      code: 'invalid',
      message: `${amount.amount} ${amount.unit} is no amount of fuel or oil. Enter it again.`,
      problems: [{ path: 'amount', message: 'is no amount' }],
    });
  return value;
}

const notAfter = (at: Instant, recordedAt: Instant): Instant => (at > recordedAt ? recordedAt : at);

/** Records that something is to be done before the flight: it waits until somebody records it done. Any member may; it never makes anything available. */
export async function announce(
  ports: Ports,
  actor: Actor,
  entry: Announce,
): Promise<Outcome<{ readonly announcedId: string; readonly revision: number }>> {
  const denied = denial(actor, 'do-walk-round');
  if (denied !== null) return refused(denied);
  const { announcedId: id, aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'announce',
    null,
    async ({ tx, recordedAt }) => {
      const happenedAt = notAfter(entry.at, recordedAt);
      const announced: Announced = {
        id,
        happenedAt,
        recordedAt,
        act: entry.act,
        which: entry.which,
        amount: volumeOf(entry.amount),
        by: actor.name,
      };
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        { id, kind: 'announced', happenedAt, recordedAt, body: announced },
      ]);
      return { value: { announcedId: id }, ledger: { ...announced } };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, id))?.aircraftId === aircraftId ? { announcedId: id } : null,
    },
  );
}

/** Whether somebody may put in oil or air: the desk and mechanics, or the holder of a pilot's or mechanic's certificate in force. */
async function mayService(tx: ClubTransaction, { roles, personId }: Actor, today: string): Promise<boolean> {
  if (roles.some((role) => ['dispatcher', 'instructor', 'mechanic'].includes(role))) return true;
  return (await readCertificates(tx)).some(
    (one) =>
      one.person_id === personId
      && one.ended_because === null
      && one.kind !== 'student-pilot'
      && one.valid_from <= today
      && (one.valid_until === null || one.valid_until >= today),
  );
}

/** Records that what was announced is done, with how much. Fuel and oil go on record as put in, so that dips and samples of before count no more. */
export async function recordAnnounced(
  ports: Ports,
  actor: Actor,
  entry: AnnouncedDone,
): Promise<Outcome<{ readonly doneId: string; readonly revision: number }>> {
  const denied = denial(actor, 'record-announced');
  if (denied !== null) return refused(denied);
  const { doneId: id, aircraftId, announcedId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'record-announced',
    null,
    async ({ tx, club, stored, recordedAt }) => {
      const open = (stored.facts.ramp?.announced ?? []).find((one) => one.id === announcedId);
      if (open === undefined)
        throw new Refused({
          code: 'invalid',
          message: 'This is not open any more: somebody has recorded it done. Load the page and look.',
          problems: [{ path: 'announcedId', message: 'is not open' }],
        });
      const today = civilDateAt(recordedAt, club.place.zone);
      const isService = open.act === 'add-oil' || open.act === 'inflate-tyre';
      if (isService && !(await mayService(tx, actor, today)))
        throw new Refused({
          code: 'not-entitled',
          message:
            'A pilot with a certificate on record, a mechanic or the desk records that. Ask one of them to do it and record it.',
        });
      const liquid = open.act === 'add-oil' ? 'oil' : open.act === 'add-fuel' ? 'fuel' : null;
      const amount = volumeOf(entry.amount);
      if (liquid !== null && amount === null)
        throw new Refused({
          code: 'invalid',
          message: `Say how much ${liquid} was put in; nothing is 0.`,
          problems: [{ path: 'amount', message: 'is missing' }],
        });
      const happenedAt = notAfter(entry.at, recordedAt);
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const service = known.meters['time-in-service'];
      const upliftId = ports.newId();
      const uplift: readonly OtherRecord[] =
        liquid === null || amount === null || amount === 0
          ? []
          : [
              {
                id: upliftId,
                kind: 'uplift',
                happenedAt,
                recordedAt,
                body: {
                  id: upliftId,
                  happenedAt,
                  recordedAt,
                  what: liquid,
                  added: amount,
                  grade: liquid === 'fuel' ? entry.grade : null,
                  timeInService: service.state === 'known' ? service.value : null,
                  cleared: null,
                },
              },
            ];
      const done = { announced: announcedId, recordedAt, amount, by: actor.name };
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [
        { id, kind: 'announced-done', happenedAt, recordedAt, body: done },
        ...uplift,
      ]);
      return {
        value: { doneId: id },
        ledger: {
          id,
          ...done,
          act: open.act,
          which: open.which,
          grade: entry.grade,
          uplift: uplift[0]?.id ?? null,
        },
      };
    },
    {
      request: entry,
      found: async (tx) => ((await findOther(tx, id))?.aircraftId === aircraftId ? { doneId: id } : null),
    },
  );
}
