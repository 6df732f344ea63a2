import { decide } from '@/core/decision/decide';
import { may } from '@/contracts/kernel/permissions';
import { idSchema } from '@/contracts/kernel/scalars';
import { ALL_USES, isEmpty, sameUses } from '@/core/envelope/use-set';
import { authorityFor } from '@/core/records/club/certificate';
import { knownAt, presentFor } from '@/core/records/facts';
import {
  deferralFaults,
  isDeferrable,
  type Deferral,
  type Discrepancy,
} from '@/core/records/findings/discrepancy';
import {
  asksForIt,
  deferralPath,
  type AnsweredQuestion,
  type DeferralPath,
  type ListedItem,
} from '@/core/rules/deferral-path';
import { lastDayOf } from '@/core/rules/inoperative-equipment';
import { authorityOf, lessonsOf } from '@/core/rules/register';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';
import { readClub } from '@/db/club/clubs';
import { findDiscrepancy } from '@/db/findings/discrepancies';
import type { ClubTransaction } from '@/db/kernel/connection';
import { NO_DEFERRAL_WORDS, QUESTION_WORDS } from '@/explain/deferral';
import { CERTIFICATE_NAMES, EQUIPMENT_NAMES } from '@/explain/names';
import { usesText } from '@/explain/uses-text';
import { dateText, sentenceCase } from '@/explain/wording';
import { keptFacts } from '../kernel/kept-facts';

/** The way of deferring one finding, as it is shown before anybody signs. */
export interface DeferralView {
  readonly registration: string;
  readonly aircraftId: string;
  readonly what: string;
  readonly where: string;
  readonly foundOn: string;
  /** Why it cannot be deferred; null where it may be. */
  readonly refusal: string | null;
  readonly questions: readonly {
    readonly item: string;
    readonly asks: string;
    readonly answer: string;
    readonly isAskedFor: boolean;
    readonly source: string;
  }[];
  /** What stays closed once it is deferred, in words. */
  readonly leaves: string;
  /** The aircraft's verdict now, and once it is deferred. */
  readonly verdict: { readonly now: string; readonly then: string };
  /** True where an approved minimum equipment list decides. */
  readonly byList: boolean;
  /** The items of the list under which it may be deferred; null where no list is on record. */
  readonly items: readonly ListedItem[] | null;
  /** The deferral that counts; null where there is none. */
  readonly deferred: {
    readonly placard: readonly string[];
    readonly logbook: string;
    readonly lastDay: string | null;
  } | null;
}

const sentence = (text: string): string => sentenceCase(text.replace(/[.\s]+$/u, ''));

/** What stands on the placard, line by line. */
export function placardLines(
  { what }: Pick<Discrepancy, 'what'>,
  { deferredOn, action }: Pick<Deferral, 'deferredOn' | 'action'>,
  leaves: string,
): readonly string[] {
  return [
    'INOPERATIVE',
    sentence(what),
    leaves,
    `${action ?? 'deferred'}${deferredOn === null ? '' : ` ${dateText(deferredOn)}`}`,
  ];
}

/** The entry for the paper logbook, in the trade's usual form. Source of the elements: 14 CFR 43.9(a) and 91.213(d)(3) (from memory). */
function logbookText(
  { what }: Discrepancy,
  { action, deferredOn, noHazard, listed, entered }: Deferral,
  rule: string,
  showsNumbers: boolean,
): string {
  const certificate = noHazard?.certificate;
  return [
    `${deferredOn === null ? '' : `${dateText(deferredOn)}: `}${sentence(what)}. Item ${action ?? 'deferred'} and placarded “INOPERATIVE” in accordance with ${listed === null ? rule : `the approved minimum equipment list${listed.item === undefined ? '' : `, item ${listed.item}`}${listed.category === null ? '' : `, category ${listed.category}`}`}.`,
    'Determined not to be a hazard to the aircraft.',
    ...(entered === 'not-maintenance' ? ['No maintenance was involved.'] : []),
    `${noHazard?.name ?? ''}${certificate == null ? '' : `, ${CERTIFICATE_NAMES[certificate.kind]} ${showsNumbers ? (certificate.number ?? '') : ''}`}`,
  ]
    .join(' ')
    .trim();
}

/** Source of the same way in Australia (from memory, less certain). */
const IN_AUSTRALIA = 'CAR 1988 regs 37 and 49';

/** An answer in words. What nobody put on record counts as asked for by every flight; an operating rule is known. */
function answerText(one: AnsweredQuestion): string {
  if (!asksForIt(one)) return 'No';
  return one.asks !== 'operating-rule' && sameUses(ALL_USES, one.closes)
    ? 'Yes, or not on record: for every flight'
    : `Yes, ${usesText(one.closes)}`;
}

/** The way of deferring a finding; null where the club has no such finding. */
export async function deferralView(
  tx: ClubTransaction,
  reader: { readonly clubId: string; readonly roles: readonly string[] },
  findingId: string,
  now: Instant,
): Promise<DeferralView | null> {
  if (!idSchema().safeParse(findingId).success) return null;
  const row = await findDiscrepancy(tx, findingId);
  if (row === undefined) return null;
  const club = await readClub(tx, reader.clubId);
  const [stored] = await keptFacts(tx, club, row.aircraft_id);
  if (stored === undefined) return null;
  const { facts } = stored;
  const { zone } = club.place;
  const present = presentFor(facts, now);
  const known = knownAt(facts, present, authorityOf(club.packs));
  const discrepancy = known.discrepancies.find(({ id }) => id === findingId);
  if (discrepancy === undefined) return null;
  const authority = authorityFor(authorityOf(club.packs), facts.aircraft);
  const path = deferralPath(discrepancy, known, lessonsOf(club.packs));
  const leaves = isEmpty(path.leaves)
    ? 'Nothing stays closed by it.'
    : `Not available ${usesText(path.leaves)}.`;
  const { deferral } = discrepancy;
  const counts = deferral !== null && deferralFaults(discrepancy, deferral, zone, authority).length === 0;
  const foundOn = civilDateAt(discrepancy.happenedAt, zone);
  const last = counts ? lastDayOf(deferral, foundOn) : null;
  return {
    registration: facts.aircraft.registration,
    aircraftId: stored.aircraftId,
    what: discrepancy.what,
    where: discrepancy.where ?? '',
    foundOn: dateText(foundOn),
    refusal: path.refusal === null ? null : NO_DEFERRAL_WORDS[path.refusal],
    questions: path.questions.flatMap((one) =>
      one.asks === 'walk-round'
        ? []
        : [
            {
              item: EQUIPMENT_NAMES[one.equipment],
              asks: QUESTION_WORDS[one.asks].asks,
              answer: answerText(one),
              isAskedFor: asksForIt(one),
              source: authority === 'au' ? IN_AUSTRALIA : QUESTION_WORDS[one.asks].source,
            },
          ],
    ),
    leaves,
    verdict: {
      now: decide(facts, club.packs, null, present).verdict,
      then:
        path.refusal === null && isDeferrable(discrepancy.classification)
          ? decide(
              {
                ...facts,
                discrepancies: facts.discrepancies.map((one) =>
                  one.id === findingId ? { ...one, deferral: supposed(one, path, present, zone) } : one,
                ),
              },
              club.packs,
              null,
              present,
            ).verdict
          : decide(facts, club.packs, null, present).verdict,
    },
    byList: path.byList,
    items: path.items,
    deferred: counts
      ? {
          placard: placardLines(discrepancy, deferral, leaves),
          logbook: logbookText(
            discrepancy,
            deferral,
            authority === 'au' ? IN_AUSTRALIA : '14 CFR 91.213(d)',
            may(reader.roles, 'see-certificates'),
          ),
          lastDay: last === null ? null : dateText(last),
        }
      : null,
  };
}

/** A deferral as it would be if somebody entitled signed it now, to see what it would open. */
function supposed(
  discrepancy: Discrepancy,
  { byList, items }: DeferralPath,
  present: Instant,
  zone: Parameters<typeof civilDateAt>[1],
): Deferral {
  const today = civilDateAt(present, zone);
  const first = items?.find(({ enoughWork }) => enoughWork);
  return {
    id: `${discrepancy.id}/supposed`,
    recordedAt: present,
    deferredOn: today,
    action: 'deactivated',
    placarded: true,
    entered: true,
    noHazard: {
      name: 'Somebody entitled',
      certificate: {
        // A maintenance procedure of the list is a mechanic’s.
        kind: first === undefined || first.maintenance === '' ? 'pilot' : 'mechanic-airframe-powerplant',
        number: '0',
        validFrom: today,
        validUntil: 'no-expiry',
      },
    },
    until: null,
    untilTimeInService: null,
    closes: [],
    cap: null,
    // The first item of the list that would do; without a list on record the longest category: what it gives in truth is seen once it is
    // entered.
    listed: !byList
      ? null
      : first === undefined
        ? { category: 'D', days: null }
        : { category: first.category, days: first.days, item: first.code },
  };
}
