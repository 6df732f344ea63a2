import type { SightingRound } from '@/contracts/sighting';
import type { AircraftDocument } from '@/core/records/document';
import { instantText, type Instant } from '@/core/time/instant';
import { sightingExists } from '@/db/aircraft-papers';
import { insertSightings } from '@/db/folder-rows';
import { changeAircraft } from './change-aircraft';
import { refused, type Actor, type Outcome, type Ports } from './command';

type Seen = SightingRound['sightings'][number];

/** A sighting as the core knows it: of each kind only what such a paper has. */
export function documentOf(seen: Seen, happenedAt: Instant, recordedAt: Instant): AircraftDocument {
  const base = { id: seen.sightingId, happenedAt, recordedAt, aboard: seen.aboard, legible: seen.aboard ? seen.legible : null };
  switch (seen.kind) {
    case 'airworthiness-certificate': return { ...base, kind: seen.kind, registrationShown: seen.registrationShown, displayed: seen.displayed };
    case 'registration-certificate': return { ...base, kind: seen.kind, registrationShown: seen.registrationShown, issuedOn: seen.issuedOn, printedExpiry: seen.printedExpiry, ended: null };
    case 'operating-limitations': return { ...base, kind: seen.kind, form: seen.form, revision: seen.revision, serialShown: seen.serialShown, placards: seen.placards };
    case 'weight-and-balance': return { ...base, kind: seen.kind, datedOn: seen.datedOn };
    case 'radio-licence': return { ...base, kind: seen.kind };
    case 'cabin-tank-record': return { ...base, kind: seen.kind, tankFitted: seen.tankFitted };
    default: {
      const missing: never = seen.kind;
      throw new RangeError(`no such paper: ${String(missing)}`);
    }
  }
}

/**
 * Records what somebody saw of an aircraft's papers in one pass. Any member with a role may: it only says what is there. What is missing
 * or belongs to another aircraft closes its uses at once.
 */
export async function sightPapers(ports: Ports, actor: Actor, round: SightingRound): Promise<Outcome<{ readonly revision: number }>> {
  if (actor.roles.length === 0) return refused({ code: 'not-entitled', message: 'You have no role in this club. Ask the dispatcher.' });
  const { aircraftId, seenAt, sightings } = round;
  return changeAircraft(ports, actor, aircraftId, 'sight-papers', null, async ({ tx, recordedAt }) => {
    // A phone whose clock runs ahead gets the time of entry.
    const happenedAt = seenAt > recordedAt ? recordedAt : seenAt;
    await insertSightings(tx, actor.clubId, aircraftId, actor.personId, sightings.map((seen) => ({ ...documentOf(seen, happenedAt, recordedAt), keptWhere: seen.keptWhere, number: seen.number })));
    return { value: {}, ledger: { ids: sightings.map(({ sightingId }) => sightingId), seenAt: instantText(happenedAt), papers: sightings.map(({ kind, aboard, registrationShown, serialShown }) => ({ kind, aboard, registrationShown, serialShown })) } };
  }, { request: round, found: async (tx) => { for (const { sightingId } of sightings) if (await sightingExists(tx, sightingId)) return {}; return null; } });
}
