import type { TakenApart } from '@/contracts/walkround/walkround';
import { isGlider } from '@/core/records/aircraft/aircraft';
import type { Rigging } from '@/core/records/aircraft/rigging';
import { instantText, type Instant } from '@/core/time/instant';
import { onServerClock } from '@/core/walkround/phone-clock';
import { standingAnswers } from '@/core/walkround/walk';
import { findOther, insertOthers } from '@/db/aircraft/other-records';
import type { OtherRecord } from '@/db/aircraft/other-kinds';
import type { StoredWalkround } from '@/db/walkround/walkrounds';
import { changeAircraft } from '../kernel/change-aircraft';
import { Refused, refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';

type RiggingRecord = Extract<OtherRecord, { kind: 'rigging' }>;

/** That a glider is in pieces: whatever was checked before says nothing any more. */
export const apart = (id: string, happenedAt: Instant, recordedAt: Instant): RiggingRecord => ({
  id,
  kind: 'rigging',
  happenedAt,
  recordedAt,
  body: {
    id,
    happenedAt,
    recordedAt,
    state: 'derigged',
    assemblyCheckedBy: null,
    controlsCheckedBy: null,
    toolsComplete: null,
  },
});

/** The steps that the rule asks for; the rest of the list leads up to them. */
const ASSEMBLY = ['R07', 'R08', 'K235'] as const;
const CONTROLS = ['K236', 'K237'] as const;
const TOOLS = 'K244';

/**
 * What a signed rigging says: each check by who signed, where every step of it was fine; what was found or
 * not seen leaves it open. The controls are held by a helper: where nobody is named, nobody held them.
 */
export function riggingOf(
  id: string,
  { plan, events, by, personId }: Pick<StoredWalkround, 'plan' | 'events' | 'by' | 'personId'>,
  helper: string | null,
  happenedAt: Instant,
  recordedAt: Instant,
): RiggingRecord {
  const standing = standingAnswers(events);
  // What somebody else called fine is not what the signer saw.
  const own = standingAnswers(events.filter((event) => event.personId === personId));
  const isFine = (code: string): boolean => {
    const steps = plan.steps.filter((step) => step.code === code);
    return (
      steps.length > 0
      && steps.every(({ key }) => standing.get(key)?.answer === 'fine' && own.get(key)?.answer === 'fine')
    );
  };
  return {
    id,
    kind: 'rigging',
    happenedAt,
    recordedAt,
    body: {
      id,
      happenedAt,
      recordedAt,
      state: 'rigged',
      assemblyCheckedBy: ASSEMBLY.every(isFine) ? by : null,
      controlsCheckedBy: helper !== null && CONTROLS.every(isFine) ? `${by} with ${helper}` : null,
      toolsComplete: isFine(TOOLS) ? true : standing.get(TOOLS)?.answer === 'found' ? false : null,
    },
  };
}

/**
 * Looks that nobody took the glider apart, or began to rig it, since a list was begun: the list says nothing about what came after.
 * @throws Refused where somebody did
 */
export function requireStillTogether(
  riggings: readonly Rigging[],
  { begunAt }: Pick<StoredWalkround, 'begunAt'>,
): void {
  if (riggings.some(({ state, happenedAt }) => state === 'derigged' && happenedAt > begunAt))
    throw new Refused({
      code: 'invalid',
      message:
        'Since this list was begun somebody took the glider apart, or began to rig it too. Go through the list again, from its first step.',
      problems: [],
    });
}

/** Records that a glider was taken apart: any member may, since it only makes it unavailable. */
export async function takeApart(
  ports: Ports,
  actor: Actor,
  entry: TakenApart,
): Promise<Outcome<{ readonly recordId: string; readonly revision: number }>> {
  const denied = denial(actor, 'record-taken-apart');
  if (denied !== null) return refused(denied);
  const { recordId, aircraftId } = entry;
  return changeAircraft(
    ports,
    actor,
    aircraftId,
    'take-apart',
    null,
    async ({ tx, stored, recordedAt }) => {
      if (!isGlider(stored.facts.aircraft))
        throw new Refused({
          code: 'invalid',
          message: 'Only a glider is taken apart between flights. Report what you found instead.',
          problems: [{ path: 'aircraftId', message: 'is no glider' }],
        });
      const record = apart(recordId, onServerClock(entry.at, entry.sentAt, recordedAt), recordedAt);
      await insertOthers(tx, actor.clubId, aircraftId, actor.personId, [record]);
      return { value: { recordId }, ledger: { id: recordId, at: instantText(record.happenedAt) } };
    },
    {
      request: entry,
      found: async (tx) => ((await findOther(tx, recordId))?.aircraftId === aircraftId ? { recordId } : null),
    },
  );
}
