import type { ReleaseFlight, WithdrawRelease } from '@/contracts/releases/flight-release';
import { ENGINE_VERSION } from '@/core/decision/decide';
import { canonicalInputs } from '@/core/decision/inputs';
import { againstMeasured } from '@/core/decision/measured-at-desk';
import { decideKept, decisionText } from '@/core/decision/replay';
import { asReleased } from '@/core/metering/leaving';
import { knownAt, presentFor } from '@/core/records/facts';
import { authorityOf } from '@/core/rules/register';
import type { ReleaseEnd } from '@/core/decision/flight-release';
import { civilDateAt } from '@/core/time/zone';
import { instantText, type Instant } from '@/core/time/instant';
import type { ClubTransaction } from '@/db/kernel/connection';
import { findFlight, openFlights } from '@/db/flights/flights';
import { findPlanned } from '@/db/flights/planned-flights';
import { endReleaseOnce, findRelease, insertRelease, releasesOfFlight } from '@/db/releases/flight-releases';
import { readPlanMarks } from '@/db/walkround/plan-aircraft';
import { tellReasons } from '@/explain/constraint';
import { tellFlight } from '@/explain/flight';
import { dateText } from '@/explain/wording';
import { whyOver } from '@/explain/flight-release';
import { momentText } from '@/explain/formats';
import { releaseOf } from '@/explain/release-card';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { passwordRefusal } from '../kernel/signing';
import { fuelText, measuredOf, oilText } from '../flights/measured';

const hex = (ports: Ports, text: string): string =>
  Buffer.from(ports.sha256(Buffer.from(text, 'utf8'))).toString('hex');

/** What was measured at the desk, as the card says it. */
const measuredWords = ({ fuelAboard, oilAboard }: ReleaseFlight): readonly string[] => {
  const [fuel, oil] = [fuelText(fuelAboard), oilText(oilAboard)];
  return [
    ...(fuel === null ? [] : [`Fuel ${fuel}, measured at the desk`]),
    ...(oil === null ? [] : [`Oil ${oil}, measured at the desk`]),
  ];
};

/** Ends a release that goes on, while its aircraft is locked. @throws Refused where it has ended meanwhile */
async function endThis(
  tx: ClubTransaction,
  actor: Actor,
  releaseId: string,
  end: { readonly why: ReleaseEnd; readonly words: readonly string[]; readonly at: Instant },
): Promise<void> {
  const outcome = await endReleaseOnce(tx, actor.clubId, releaseId, { ...end, by: actor.personId });
  if (outcome === 'there-already')
    throw new Refused({
      code: 'invalid',
      message: 'This release has ended meanwhile. Open the dispatch page again.',
      problems: [],
    });
}

/**
 * Signs the release of an aircraft for one planned flight: decided on what is on record at this moment, which is
 * kept word for word with the
 * decision, the versions and their hashes. Each restriction was read back by the pilot; the aircraft's records are
 * those that the signer saw.
 * An earlier release for the flight is replaced. It opens nothing: what the records close stays closed.
 */
export async function releaseFlight(
  ports: Ports,
  actor: Actor,
  entry: ReleaseFlight,
): Promise<Outcome<{ readonly releaseId: string; readonly revision: number }>> {
  const denied = denial(actor, 'release-flight');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const { releaseId, flightId, aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'release-flight',
    entry.seenRevision,
    async ({ tx, club, stored, registration, recordedAt }) => {
      const planned = await findPlanned(tx, flightId);
      if (planned?.aircraftId !== aircraftId)
        throw new Refused({
          code: 'not-found',
          message:
            'This flight is not planned for this aircraft. It may have been moved or cancelled; open the dispatch page again.',
        });
      if ((await findFlight(tx, flightId)) !== undefined)
        throw new Refused({
          code: 'invalid',
          message: 'This flight has left already: a release is signed before it leaves.',
          problems: [],
        });
      const day = civilDateAt(planned.flight.starts, club.place.zone);
      if (day > civilDateAt(recordedAt, club.place.zone))
        throw new Refused({
          code: 'invalid',
          message: `A release is signed on the day of the flight, on what is known then: ${dateText(day)}.`,
          problems: [{ path: 'flightId', message: 'is on a later day' }],
        });
      const [out] = await openFlights(tx, aircraftId);
      if (out !== undefined)
        throw new Refused({
          code: 'invalid',
          message: `${registration} is out with ${out.personName} since ${momentText(out.leftAt, club.place.zone)}. Check that flight in first.`,
          problems: [],
        });
      const { facts, typeName } = stored;
      const present = presentFor(facts, recordedAt);
      const flight = asReleased(planned.flight, present);
      const inputs = canonicalInputs({ facts, packs: club.packs, flight, wanted: null, asOf: present });
      // Decided from what is kept, so that the same is decided from it later, byte for byte.
      const decision = decideKept(inputs);
      const { against } = againstMeasured(facts, club.packs, flight, measuredOf(entry, facts), present);
      const made = releaseOf(decision, knownAt(facts, present, authorityOf(club.packs)), flight, {
        typeName,
        person: planned.personName,
        by: actor.name,
        measured: measuredWords(entry),
        compare: (await readPlanMarks(tx, stored)).map(
          ({ what, size }) => `${what}${size === null ? '' : `, ${size}`}`,
        ),
      });
      if (made === null || against.length > 0) {
        const why = [
          decision.flight === null ? '' : tellFlight(decision.flight, decision, club.place.zone),
          ...tellReasons(against).map(({ headline, meaning }) => `${headline} ${meaning}`.trim()),
        ]
          .filter((text) => text !== '')
          .join(' ');
        throw new Refused({
          code: 'invalid',
          message: `${registration} cannot be released for this flight. ${why}`,
          problems: [{ path: 'flightId', message: why }],
        });
      }
      const unread = made.card.restrictions.filter(({ key }) => !entry.readBack.includes(key));
      if (unread.length > 0)
        throw new Refused({
          code: 'invalid',
          message: `Not signed: the pilot has not read back ${unread.length === 1 ? 'one restriction' : `${unread.length} restrictions`}. ${unread.map(({ words }) => words).join(' ')}`,
          problems: unread.map(({ key, words }) => ({ path: `readBack.${key}`, message: words })),
        });
      const text = decisionText(decision);
      const [before] = await releasesOfFlight(tx, flightId);
      if (before !== undefined && before.end === null)
        await endThis(tx, actor, before.id, { why: 'replaced', words: [], at: recordedAt });
      const inputsHash = hex(ports, inputs);
      const decisionHash = hex(ports, text);
      await insertRelease(tx, actor.clubId, {
        id: releaseId,
        aircraftId,
        flightId,
        revision: stored.revision,
        signedBy: actor.name,
        givenTo: planned.personName,
        engine: ENGINE_VERSION,
        ...made,
        secret: `${ports.newId()}${ports.newId()}`.replaceAll('-', ''),
        inputs,
        inputsHash,
        decision: text,
        decisionHash,
        recordedAt,
        recordedBy: actor.personId,
      });
      return {
        value: { releaseId },
        ledger: {
          id: releaseId,
          flight: flightId,
          person: planned.personName,
          verdict: decision.verdict,
          restrictions: made.card.restrictions.map(({ words }) => words),
          until: instantText(made.terms.until),
          engine: ENGINE_VERSION,
          inputsHash,
          decisionHash,
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await findRelease(tx, releaseId))?.recordedBy === actor.personId ? { releaseId } : null,
    },
  );
}

/** Takes a release back before its flight has left. It only ever closes. */
export async function withdrawRelease(
  ports: Ports,
  actor: Actor,
  entry: WithdrawRelease,
): Promise<Outcome<{ readonly releaseId: string; readonly revision: number }>> {
  const denied = denial(actor, 'withdraw-release');
  if (denied !== null) return refused(denied);
  const { releaseId, aircraftId, why } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'withdraw-release',
    null,
    async ({ tx, club, recordedAt }) => {
      const release = await findRelease(tx, releaseId);
      if (release?.aircraftId !== aircraftId)
        throw new Refused({
          code: 'not-found',
          message: 'The aircraft has no such release. Open the dispatch page again.',
        });
      const over = whyOver(release, recordedAt, club.place.zone);
      if (over !== null)
        throw new Refused({
          code: 'invalid',
          message: `This release holds no longer. ${over}`,
          problems: [],
        });
      await endThis(tx, actor, releaseId, { why: 'withdrawn', words: [why], at: recordedAt });
      return { value: { releaseId }, ledger: { id: releaseId, flight: release.flightId, why } };
    },
  );
}
