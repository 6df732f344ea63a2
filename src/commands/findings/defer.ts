import type { Defer } from '@/contracts/findings/defer';
import { authorityFor, signatureFaults } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import { deferralFaults, type Deferral, type ListedDeferral } from '@/core/records/findings/discrepancy';
import { deferralPath, type DeferralPath } from '@/core/rules/deferral-path';
import { lastDayOf } from '@/core/rules/inoperative-equipment';
import { listFaults } from '@/core/rules/parts/minimum-list';
import { authorityOf, lessonsOf } from '@/core/rules/register';
import { civilDateAt } from '@/core/time/zone';
import { insertOthers } from '@/db/aircraft/other-records';
import { NO_DEFERRAL_WORDS } from '@/explain/deferral';
import { dateText } from '@/explain/wording';
import { Refused, type Actor, type Outcome, type Ports } from '../kernel/command';
import { enterOnce } from '../kernel/enter-once';
import { certificateOr, ownCertificate, requireNoFaults } from '../kernel/signing';

const invalid = (message: string, path: string): Refused =>
  new Refused({ code: 'invalid', message, problems: [{ path, message }] });

/** What the aircraft's list gives the item. @throws Refused where it does not fit what the aircraft has */
function listedBy({ listed }: Defer, { byList, items }: DeferralPath): ListedDeferral | null {
  if (!byList) {
    if (listed === null) return null;
    throw invalid('This aircraft has no approved minimum equipment list on record.', 'listed');
  }
  if (listed === null)
    throw invalid(
      'This aircraft has an approved minimum equipment list: say which item of it this is. What does not stand on it is repaired.',
      'listed',
    );
  if (items !== null) {
    const item = items.find(({ code }) => code === listed.item);
    if (item === undefined)
      throw invalid(
        'This item does not stand on the minimum equipment list. Choose it from the list.',
        'listed',
      );
    if (!item.enoughWork)
      throw invalid(
        `The list asks for ${item.required} of ${item.installed}: fewer would work. It is repaired.`,
        'listed',
      );
    return { category: item.category, days: item.days, item: item.code };
  }
  const { category, days } = listed;
  if (category === null) throw invalid('Give the item’s repair category from the list.', 'listed');
  if (category === 'A' && days === null)
    throw invalid('Category A has a number of days of its own on the list. Enter it.', 'listed');
  return { category, days: category === 'A' ? days : null };
}

/**
 * Defers an inoperative item by the way of 14 CFR 91.213(d), or by the aircraft's approved minimum equipment
 * list (from memory): removed or deactivated, placarded, entered, and determined to be no hazard by who
 * signs. Refused where it is not lawful, with why; one that counts already is not prolonged.
 */
export async function defer(
  ports: Ports,
  actor: Actor,
  entry: Defer,
): Promise<Outcome<{ readonly revision: number }>> {
  return enterOnce(
    ports,
    actor,
    'defer-finding',
    entry,
    { id: entry.deferralId, value: {} },
    async ({ tx, club, stored, recordedAt }) => {
      const authority = authorityFor(authorityOf(club.packs), stored.facts.aircraft);
      const known = knownAt(stored.facts, presentFor(stored.facts, recordedAt), authorityOf(club.packs));
      const discrepancy = known.discrepancies.find(({ id }) => id === entry.discrepancyId);
      if (discrepancy === undefined)
        throw new Refused({
          code: 'not-found',
          message: 'This finding is not open. Open the aircraft’s page again.',
        });
      const path = deferralPath(discrepancy, known, lessonsOf(club.packs));
      if (path.refusal !== null) throw invalid(NO_DEFERRAL_WORDS[path.refusal], 'discrepancyId');
      const listed = listedBy(entry, path);
      const certificate = await ownCertificate(tx, actor, entry.certificateId);
      const { zone } = club.place;
      const today = civilDateAt(recordedAt, zone);
      const { deferredOn, action, until, untilTimeInService } = entry;
      if (until !== null && until < today) throw invalid('Its last day is over already.', 'until');
      const deferral: Deferral = {
        id: entry.deferralId,
        recordedAt,
        deferredOn,
        action,
        placarded: entry.placarded,
        entered: entry.entered === 'entered' ? true : 'not-maintenance',
        noHazard: { name: actor.name, certificate },
        until,
        untilTimeInService,
        closes: [],
        cap: null,
        listed,
      };
      const lastDay = lastDayOf(deferral, civilDateAt(discrepancy.happenedAt, zone));
      if (lastDay !== null && lastDay < today)
        throw invalid(
          `The days that the list gives ran out on ${dateText(lastDay)}. It is repaired before the next flight.`,
          'listed',
        );
      requireNoFaults(
        [
          ...deferralFaults(discrepancy, deferral, zone, authority),
          ...signatureFaults(deferral.noHazard, 'no-hazard', today, authority),
          ...listFaults(discrepancy, deferral, known),
        ],
        certificateOr('deferredOn'),
      );
      await insertOthers(tx, actor.clubId, entry.aircraftId, actor.personId, [
        {
          id: entry.deferralId,
          kind: 'deferral',
          happenedAt: recordedAt,
          recordedAt,
          body: { discrepancy: discrepancy.id, deferral },
        },
      ]);
      return {
        id: entry.deferralId,
        what: discrepancy.what,
        action,
        entered: entry.entered,
        description: entry.description,
        deferredOn,
        until,
        untilTimeInService,
        listed: listed === null ? null : { ...listed },
        certificate: { kind: certificate.kind, number: certificate.number },
      };
    },
  );
}
