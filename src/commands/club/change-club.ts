import { packsOf, type ClubChange } from '@/contracts/club/founding';
import { canonicalJson, type Plain } from '@/core/decision/canonical';
import {} from '@/db/aircraft/aircraft-facts';
import { lockFleet } from '@/db/kernel/bulk';
import { inClub } from '@/db/kernel/club-transaction';
import { insertClubChange, lockClub, readClub, readClubChanges, type Club } from '@/db/club/clubs';
import { appendToLedger } from '@/db/kernel/ledger';
import { notifyChange } from '@/db/kernel/notify';
import { Refused, refused, runCommand, type Actor, type Outcome, type Ports } from '../kernel/command';
import { denial } from '../kernel/permissions';
import { nextRevision } from '../kernel/next-revision';
import { NOBODY } from '../meters/meter-standing';
import { passwordRefusal } from '../kernel/signing';

/** What decides: two clubs of which this is the same answer everything alike. */
const decisive = ({ name, place, packs }: Pick<Club, 'name' | 'place' | 'packs'>): string =>
  canonicalJson({ name, place, packs } as unknown as Plain);

/**
 * Changes what the club says of its field and rules, signed by its administrator with a reason. Every aircraft is decided by it from
 * now on, so each one's revision rises and its history says why; nothing that is on record is changed.
 */
export async function changeClub(
  ports: Ports,
  actor: Actor,
  entry: ClubChange,
): Promise<Outcome<{ readonly changes: number }>> {
  const denied = denial(actor, 'change-club');
  if (denied !== null) return refused(denied);
  const wrong = await passwordRefusal(ports, actor, entry.password);
  if (wrong !== null) return refused(wrong);
  const recordedAt = ports.now();
  return runCommand(() =>
    inClub(ports.db, actor.clubId, async (tx) => {
      await lockClub(tx, actor.clubId);
      const earlier = await readClubChanges(tx);
      const asked = (before: Club): Club => ({
        clubId: actor.clubId,
        name: entry.club.name,
        place: {
          name: entry.club.field,
          latitude: entry.club.latitude,
          longitude: entry.club.longitude,
          zone: entry.club.zone,
        },
        packs: packsOf(entry.club, before.packs.club?.own ?? null),
        changes: before.changes + 1,
      });
      const same = earlier.find(({ changeId }) => changeId === entry.changeId);
      if (same !== undefined) {
        // The same again is an answer that got lost. Rules that were made stricter since would get lost themselves.
        const stands = await readClub(tx, actor.clubId);
        if (decisive(asked(stands)) === decisive(stands) && same.why === entry.why)
          return { changes: same.number };
        throw new Refused({
          code: 'conflict',
          message:
            'This change was received already as it was before you wrote it differently, or somebody changed the club since. What you changed was not recorded. Load the page, look at what stands, and change what is different.',
          revision: stands.changes,
          changes: [],
        });
      }
      // The person who decides about an aircraft holds it first and reads the club then: nobody decides by both the old rules and the new.
      const fleet = await lockFleet(tx);
      const before = await readClub(tx, actor.clubId);
      if (before.changes !== entry.seen)
        throw new Refused({
          code: 'conflict',
          message: `${earlier[0]?.by ?? 'Somebody'} changed the club while you were writing: ${earlier[0]?.why ?? ''}. Nothing was recorded; what you wrote is kept. See once more what it would change.`,
          revision: before.changes,
          changes: [],
        });
      const own = before.packs.club?.own ?? null;
      if (own !== null && entry.club.policy === null)
        throw new Refused({
          code: 'invalid',
          message: 'The club has added rules of its own, and they stand on its policy. Keep the policy.',
          problems: [{ path: 'club.policy', message: 'is needed by the club’s own rules' }],
        });
      const club = asked(before);
      if (decisive(club) === decisive(before))
        throw new Refused({
          code: 'invalid',
          message: 'Nothing is different from what is on record.',
          problems: [],
        });
      await insertClubChange(tx, club, {
        changeId: entry.changeId,
        why: entry.why,
        at: recordedAt,
        by: actor,
      });
      const record = { number: club.changes, why: entry.why };
      await appendToLedger(
        tx,
        {
          clubId: actor.clubId,
          aircraftId: null,
          revision: null,
          act: 'change-club',
          actor,
          recordedAt,
          record: {
            ...record,
            before: JSON.parse(decisive(before)) as Plain,
            after: JSON.parse(decisive(club)) as Plain,
          },
        },
        ports.sha256,
      );
      // What the meters say on a day hangs on where the day begins, and on whose rules are kept.
      const dayOrRulesMoved =
        before.place.zone !== club.place.zone || before.packs.authority.id !== club.packs.authority.id;
      for (const { aircraftId } of fleet.values()) {
        const { revision, withEnded } = await nextRevision(
          tx,
          actor,
          aircraftId,
          recordedAt,
          dayOrRulesMoved ? NOBODY : null,
        );
        await appendToLedger(
          tx,
          {
            clubId: actor.clubId,
            aircraftId,
            revision,
            act: 'change-club',
            actor,
            recordedAt,
            record: withEnded(record),
          },
          ports.sha256,
        );
        await notifyChange(tx, { club: actor.clubId, aircraft: aircraftId, revision });
      }
      return { changes: club.changes };
    }),
  );
}
