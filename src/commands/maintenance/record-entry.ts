import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import type { Plain } from '@/core/decision/canonical';
import { decimalHours } from '@/core/quantities/hours';
import { authorityFor, signatureFaults } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import type { Meter } from '@/core/records/meters/meters';
import {
  entryFaults,
  entryOf,
  withEntry,
  workOf,
  type EntryDraft,
  type NewEntry,
} from '@/core/records/maintenance/new-entry';
import { authorityOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertInspections } from '@/db/aircraft/folder-rows';
import { entryExists, insertOthers } from '@/db/aircraft/other-records';
import { meterText } from '@/explain/formats';
import { sentenceCase } from '@/explain/wording';
import { METER_NAMES_IN_WORDS } from '@/explain/names';
import { changeAircraft, type Changing } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { passwordRefusal, requireNoFaults, signatureBy } from '../kernel/signing';
import { enterEffects } from './entry-effects';
import { plain } from './record-work';
import { takeOverList } from './inspection-list';
import { keepStretchOfEntry } from '../meters/unlogged';

/** The readings that a draft states. */
function readingsOf(draft: EntryDraft): readonly { readonly meter: Meter; readonly value: number }[] {
  return draft.of === 'inspection'
    ? draft.timeInService === null
      ? []
      : [{ meter: 'time-in-service', value: draft.timeInService }]
    : draft.readings;
}

/**
 * A reading of an entry beside everything else on record: what contradicts is refused, and what is above the meter is asked, since
 * a slip of the hand there would carry the next limit away.
 */
function checkReadings(
  { stored, club, recordedAt }: Changing,
  entry: NewEntry,
  draft: EntryDraft,
  aboveMeter: boolean,
): void {
  const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
  const before = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authority).accounted;
  const facts = withEntry(stored.facts, entry);
  const after = knownAt(facts, presentFor(facts, recordedAt), authority).accounted;
  for (const { meter, value } of readingsOf(draft)) {
    const [then, now] = [before[meter], after[meter]];
    const name = METER_NAMES_IN_WORDS[meter];
    if (then.state === 'known' && now.state === 'contradiction') {
      const other = now.earlier === entry.record.id ? now.laterValue : now.earlierValue;
      throw new Refused({
        code: 'invalid',
        message: `${sentenceCase(name)} ${meterText(meter, value)} on that day contradicts ${meterText(meter, other)} on record. Correct one of them; nothing was signed.`,
        problems: [{ path: 'draft.timeInService', message: 'contradicts the meter' }],
      });
    }
    if (then.state === 'known' && value > then.value && !aboveMeter) {
      throw new Refused({
        code: 'invalid',
        message: `${sentenceCase(name)} ${meterText(meter, value)} is more than ${meterText(meter, then.value)}, which is on record. Read the meter again, then say so; nothing was signed.`,
        problems: [{ path: 'aboveMeter', message: 'more than the meter' }],
      });
    }
  }
}

/** What the ledger keeps of a draft. */
const told = (draft: EntryDraft): Plain => draft as unknown as Plain;

/**
 * Records an inspection, an item or an AD's compliance with its signature: by a certificate of the signer's own, or copied from
 * the paper logbook. A copy opens nothing until a mechanic or the administrator vouches for it; one that refuses the aircraft closes at
 * once. Refused unless everything that the record legally needs is there, the person who signed is
 * entitled, and the readings agree with the meters. Source: 14 CFR 43.9, 43.11 and 43.7 (from memory).
 */
export async function recordEntry(
  ports: Ports,
  actor: Actor,
  entry: SignedEntry,
): Promise<Outcome<{ readonly entryId: string; readonly revision: number }>> {
  const copied = entry.signer.by === 'copied-from-logbook';
  const denied = denial(actor, copied ? 'copy-entry' : 'sign-entry');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  return changeAircraft(
    ports,
    actor,
    entry.aircraftId,
    'record-entry',
    entry.seenRevision,
    async (changing) => {
      const { tx, club, stored, recordedAt } = changing;
      const { signer, draft } = entry;
      const signedBy = await signatureBy(tx, actor, signer);
      const work = workOf(stored.facts, draft);
      if (work === null)
        throw new Refused({
          code: 'not-found',
          message: 'The aircraft has no such item, AD or method. Open its folder again.',
        });
      const made = entryOf(draft, entry.entryId, signedBy, recordedAt);
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      const { zone } = club.place;
      // A signature given here must hold on the day of the work and today; one that is copied, on the day of the work.
      requireNoFaults(
        [
          ...entryFaults(made, work, zone, authority),
          ...(copied ? [] : signatureFaults(signedBy, work, civilDateAt(recordedAt, zone), authority)),
        ],
        (fault) =>
          fault.startsWith('certificate') || fault.startsWith('name')
            ? 'signer'
            : fault.startsWith('time')
              ? 'draft.timeInService'
              : 'draft.completedOn',
      );
      checkReadings(changing, made, draft, entry.aboveMeter);
      await keepStretchOfEntry(ports, actor, changing, {
        entryId: entry.entryId,
        aircraftId: entry.aircraftId,
        readings: readingsOf(draft),
        words: 'as a signed entry has it',
        by: signedBy.name ?? actor.name,
      });
      switch (made.of) {
        case 'inspection':
          await insertInspections(tx, actor.clubId, entry.aircraftId, actor.personId, [
            {
              ...made.record,
              description: entry.description,
              signatureId: ports.newId(),
              signerId: copied ? null : actor.personId,
              clearedSignatureId: null,
              awaitsVouch: copied && made.record.outcome === 'approved',
              entered:
                made.record.timeInService === null
                  ? null
                  : decimalHours(made.record.timeInService, 2, 'down'),
            },
          ]);
          await takeOverList(ports, actor, changing, entry.aircraftId, made.record, entry.list ?? []);
          break;
        case 'item':
          await insertOthers(
            tx,
            actor.clubId,
            entry.aircraftId,
            actor.personId,
            [
              {
                id: entry.entryId,
                kind: 'done',
                happenedAt: recordedAt,
                recordedAt,
                body: { item: made.item, done: made.record, description: entry.description },
              },
            ],
            copied,
          );
          break;
        case 'ad':
          await insertOthers(
            tx,
            actor.clubId,
            entry.aircraftId,
            actor.personId,
            [
              {
                id: entry.entryId,
                kind: 'compliance',
                happenedAt: recordedAt,
                recordedAt,
                body: { ad: made.ad, done: made.record, description: entry.description },
              },
            ],
            copied,
          );
          break;
        default: {
          const missing: never = made;
          throw new RangeError(`no such entry: ${JSON.stringify(missing)}`);
        }
      }
      const workId = await enterEffects(ports, actor, changing, entry, signedBy);
      const name =
        draft.of === 'inspection'
          ? draft.kind
          : draft.of === 'item'
            ? (stored.facts.items?.find(({ id }) => id === draft.item)?.name ?? '')
            : (stored.facts.ads?.find(({ id }) => id === draft.ad)?.number ?? '');
      return {
        value: { entryId: entry.entryId },
        ledger: {
          id: entry.entryId,
          name,
          draft: told(draft),
          description: entry.description,
          list: [...(entry.list ?? [])],
          ...(entry.effects === undefined ? {} : { effects: plain(entry.effects), work: workId }),
          copied,
          signed: {
            name: signedBy.name,
            kind: signedBy.certificate?.kind ?? null,
            number: signedBy.certificate?.number ?? null,
          },
        },
      };
    },
    {
      request: entry,
      found: async (tx) =>
        (await entryExists(tx, entry.entryId, actor.personId)) ? { entryId: entry.entryId } : null,
    },
  );
}
