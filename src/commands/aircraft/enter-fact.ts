import type { FactEntry } from '@/contracts/aircraft/aircraft-entry';
import { boxOf } from '@/contracts/exchange/case-boxes';
import {
  clubDocumentOf,
  databaseOf,
  equipmentOf,
  eltOf,
  particularsOf,
  vorCheckOf,
  riggingOf,
  ropeOf,
  minimumListOf,
} from '@/contracts/exchange/case-aircraft';
import { adOf, itemOf } from '@/contracts/exchange/case-maintenance';
import type { EquipmentList } from '@/core/records/aircraft/equipment';
import { latestOf } from '@/core/records/facts';
import type { Plain } from '@/core/decision/canonical';
import type { CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt, startOfDay, type ZoneId } from '@/core/time/zone';
import { findDescription, insertDescription } from '@/db/aircraft/descriptions';
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import { readRampData } from '@/db/walkround/plan-aircraft';
import { type OtherRecord } from '@/db/aircraft/other-kinds';
import { changeAircraft, laterThan, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial, requireAct } from '../kernel/permissions';

/** When something of a day happened: now where it is today, otherwise at the start of that day, which is the strict reading. */
function momentOf(on: CivilDate | undefined, now: Instant, zone: ZoneId): Instant {
  const today = civilDateAt(now, zone);
  if (on === undefined || on === today) return now;
  if (on > today)
    throw new Refused({
      code: 'invalid',
      message: 'This day has not come yet. Enter what was seen or done, not what is planned.',
      problems: [{ path: 'fact.on', message: 'is in the future' }],
    });
  return startOfDay(on, zone);
}

/** The moments of an entry that takes another's place: after it where both are of one day, and never after it was written down. */
function replacing(
  replaced: EquipmentList | null,
  at: { readonly happenedAt: Instant; readonly recordedAt: Instant },
  zone: ZoneId,
): { readonly happenedAt: Instant; readonly recordedAt: Instant } {
  if (replaced === null || civilDateAt(replaced.happenedAt, zone) !== civilDateAt(at.happenedAt, zone))
    return at;
  const happenedAt = laterThan(replaced.happenedAt, at.happenedAt);
  return { happenedAt, recordedAt: happenedAt > at.recordedAt ? happenedAt : at.recordedAt };
}

/** The fact as a record of the kinds that are kept whole; null for the description, which has a table of its own. */
function recordOf(
  { factId: id, fact }: FactEntry,
  recordedAt: Instant,
  zone: ZoneId,
  replaced: EquipmentList | null,
): OtherRecord | null {
  const seen = (on: CivilDate | undefined) => ({ happenedAt: momentOf(on, recordedAt, zone), recordedAt });
  switch (fact.kind) {
    case 'description':
      return null;
    // A list that takes another's place comes after it, also where both are of one day: otherwise they would be of one moment, and the
    // stricter would hold.
    case 'equipment': {
      const at = replacing(replaced, seen(fact.on), zone);
      return { id, kind: 'equipment', ...at, body: equipmentOf(id, { ...fact.list, ...at }) };
    }
    case 'item':
      return {
        id,
        kind: 'item',
        happenedAt: recordedAt,
        recordedAt,
        body: itemOf(id, { ...fact.item, recordedAt }),
      };
    case 'ad':
      return {
        id,
        kind: 'ad',
        happenedAt: recordedAt,
        recordedAt,
        body: adOf(id, { ...fact.ad, recordedAt }),
      };
    case 'complete':
      return { id, kind: 'stated', happenedAt: recordedAt, recordedAt, body: { what: fact.list } };
    case 'elt': {
      const at = seen(fact.on);
      return { id, kind: 'elt', ...at, body: eltOf(id, { ...fact.elt, ...at }) };
    }
    case 'vor-check': {
      const at = seen(fact.on);
      return { id, kind: 'vor-check', ...at, body: vorCheckOf(id, { ...fact.check, ...at }) };
    }
    case 'database': {
      const at = seen(fact.on);
      return { id, kind: 'database', ...at, body: databaseOf(id, { ...fact.database, ...at }) };
    }
    case 'rigging': {
      const at = seen(fact.on);
      return { id, kind: 'rigging', ...at, body: riggingOf(id, { ...fact.rigging, ...at }) };
    }
    case 'tow-rope': {
      const at = seen(fact.on);
      return { id, kind: 'tow-rope', ...at, body: ropeOf(id, { ...fact.rope, ...at }) };
    }
    case 'minimum-equipment-list': {
      const at = { happenedAt: recordedAt, recordedAt };
      return { id, kind: 'minimum-equipment-list', ...at, body: minimumListOf(id, { ...fact.list, ...at }) };
    }
    case 'ramp-data':
      return {
        id,
        kind: 'ramp-data',
        happenedAt: recordedAt,
        recordedAt,
        body: { id, recordedAt, ...fact.data },
      };
    case 'club-document': {
      const at = seen(fact.on);
      return { id, kind: 'club-document', ...at, body: clubDocumentOf(id, { ...fact.paper, ...at }) };
    }
    default: {
      const missing: never = fact;
      throw new RangeError(`no such fact: ${JSON.stringify(missing)}`);
    }
  }
}

/** What a fact takes the place of; null where it is the first word on it, or stands beside others. */
async function takesPlaceOf(
  { tx, stored: { aircraftId, features, facts } }: Changing,
  { fact }: FactEntry,
): Promise<string | null> {
  // What it has was said with the aircraft itself.
  if (fact.kind === 'ramp-data')
    return (await readRampData(tx, aircraftId))?.id ?? (features === null ? null : aircraftId);
  if (fact.kind === 'equipment') return latestOf(facts.equipment)?.id ?? null;
  if (fact.kind === 'minimum-equipment-list') return latestOf(facts.minimumLists)?.id ?? null;
  if (fact.kind !== 'description') return null;
  return facts.descriptions.at(-1)?.id ?? (facts.aircraft.approvedFor === null ? null : aircraftId);
}

/**
 * Enters one fact that decisions rest on. The first word on how an aircraft is built and equipped is any record keeper's; replacing it
 * is the mechanic's or the administrator's, and only of what they had before their eyes. What was said before stays on record.
 */
export function enterFact(
  ports: Ports,
  actor: Actor,
  entry: FactEntry,
): Promise<Outcome<{ readonly factId: string; readonly revision: number }>> {
  const denied = denial(actor, 'enter-fact');
  if (denied !== null) return Promise.resolve(refused(denied));
  const { factId, aircraftId, fact } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'enter-fact',
    null,
    async (changing) => {
      const { tx, club, recordedAt } = changing;
      const before = await takesPlaceOf(changing, entry);
      if (before !== null) requireAct(actor, 'replace-fact');
      if ('instead' in fact && fact.instead !== before)
        throw new Refused({
          code: 'invalid',
          message:
            'Somebody put another one on record since you opened this. Nothing was recorded; what you wrote is kept. Look at it in another window; put on record once more, yours takes its place.',
          problems: [{ path: 'fact.instead', message: 'is not the latest' }],
        });
      if (fact.kind === 'ramp-data') {
        const tanks = changing.stored.facts.aircraft.particulars.fuel?.tanks ?? [];
        const strange = fact.data.dips.findIndex(({ tank }) => !tanks.some(({ id }) => id === tank));
        if (strange !== -1)
          throw new Refused({
            code: 'invalid',
            message: `This aircraft has no tank '${fact.data.dips[strange]?.tank ?? ''}': ${tanks.length === 0 ? 'enter its tanks first' : `it has ${tanks.map(({ id }) => id).join(', ')}`}.`,
            problems: [{ path: `fact.data.dips.${strange}.tank`, message: 'is no tank of it' }],
          });
      }
      const approves =
        fact.kind === 'minimum-equipment-list' || (fact.kind === 'equipment' && fact.list.approved === true);
      if (approves && !actor.roles.some((role) => role === 'mechanic' || role === 'administrator'))
        throw new Refused({
          code: 'not-entitled',
          message:
            fact.kind === 'equipment'
              ? 'Only a mechanic or the administrator says that the aircraft was compared with an approved list. Save the list without that.'
              : 'Only a mechanic or the administrator enters a minimum equipment list. Ask one of them.',
        });
      const replaced = fact.kind === 'equipment' ? latestOf(changing.stored.facts.equipment) : null;
      const record = recordOf(entry, recordedAt, club.place.zone, replaced);
      if (record !== null) await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [record]);
      else if (fact.kind === 'description') {
        const { category, firstFlownOn, approvedFor, ...built } = fact.description;
        await insertDescription(tx, actor.clubId, aircraftId, actor.personId, {
          id: factId,
          recordedAt: laterThan(changing.stored.facts.descriptions.at(-1)?.recordedAt ?? null, recordedAt),
          category: category ?? null,
          firstFlownOn: firstFlownOn ?? null,
          approvedFor: approvedFor?.map(boxOf) ?? null,
          particulars: particularsOf(built),
        });
      }
      return {
        value: { factId },
        ledger: {
          id: factId,
          kind: fact.kind,
          fact: JSON.parse(JSON.stringify(record?.body ?? fact)) as Plain,
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findOther(tx, factId))?.aircraftId === aircraftId || (await findDescription(tx, factId))
          ? { factId }
          : null,
    },
  );
}
