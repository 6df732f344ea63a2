import { ALL_USES } from '../envelope/use-set';
import { signatureFaults } from '../records/club/certificate';
import type { KnownFacts } from '../records/facts';
import { latestReleases, type MaintenanceRelease } from '../records/maintenance/work-entry';
import { civilDateAt, endOfDay } from '../time/zone';
import { uncoveredCategory } from './parts/category';
import {
  ANYBODY,
  atReading,
  constraint,
  from,
  remedy,
  type Constraint,
  type Entitled,
} from './parts/constraint';
import { meterTroubles } from './parts/meter';
import { each, result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: 'CAR 1988 regs 43, 45 to 47' } as const;
const maintainers: Entitled = { kind: 'certificate', anyOf: ['licensed-engineer', 'repair-station'] };
const issue = remedy('issue-maintenance-release', maintainers);

function required(release: MaintenanceRelease, { place, authority }: KnownFacts): readonly Constraint[] {
  return release.required.flatMap(({ id, what, by, at, certified }): readonly Constraint[] => {
    if (
      certified !== null
      && certified.on <= civilDateAt(certified.recordedAt, place.zone)
      && signatureFaults(certified.by, 'return-to-service', certified.on, authority).length === 0
    )
      return [];
    const made = {
      source,
      records: [release.id],
      closes: ALL_USES,
      remedies: [remedy('complete-item', maintainers, id)],
      permitMayCover: true,
      certainty: 'failed',
    } as const;
    const reason = { code: 'release-work-due', what, lastDay: by, dueAt: at } as const;
    if (by === null && at === null) return [constraint({ ...made, key: `required.${id}`, reason })];
    return [
      ...(by === null
        ? []
        : [
            constraint({
              ...made,
              key: `required.${id}.date`,
              reason,
              begins: from(endOfDay(by, place.zone)),
            }),
          ]),
      ...(at === null
        ? []
        : [
            constraint({
              ...made,
              key: `required.${id}.hours`,
              reason,
              begins: atReading('time-in-service', at),
            }),
          ]),
    ];
  });
}

/** What one release says. */
function judgeOne(
  release: MaintenanceRelease | null,
  facts: KnownFacts,
  missing: string[],
): readonly Constraint[] {
  const made = (given: Pick<Constraint, 'key' | 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
    constraint({
      source,
      records: release === null ? [] : [release.id],
      closes: ALL_USES,
      permitMayCover: true,
      ...given,
    });
  if (release === null) {
    missing.push('releases');
    return [
      made({ key: 'release', certainty: 'unknown', reason: { code: 'release-missing' }, remedies: [issue] }),
    ];
  }
  const lacks = [
    ...(release.issuedOn === null ? ['day of issue'] : []),
    ...(release.issuedAt === null ? ['time in service at issue'] : []),
    ...(release.expiresOn === null ? ['expiry date'] : []),
    ...(release.expiresAt === null ? ['expiry hours'] : []),
    ...(release.registrationShown === null ? ['registration'] : []),
    ...(release.standing === null ? ['whether it is in force'] : []),
    ...(release.aboard === true ? [] : ['carried aboard']),
    ...(release.issuedOn === null
    || signatureFaults(release.signedBy, 'maintenance-release', release.issuedOn, facts.authority).length > 0
      ? ['a signature that counts']
      : []),
    ...(release.issuedOn !== null && release.issuedOn > civilDateAt(release.recordedAt, facts.place.zone)
      ? ['a day of issue that is not ahead of its record']
      : []),
  ];
  const constraints: Constraint[] = [];
  if (lacks.length > 0) {
    missing.push(`releases.${release.id}`);
    constraints.push(
      made({
        key: 'complete',
        certainty: release.aboard === false ? 'failed' : 'unknown',
        reason: { code: 'release-incomplete', lacks },
        remedies: [remedy('check-document', ANYBODY, 'maintenance-release'), issue],
      }),
    );
  }
  const { registration } = facts.aircraft;
  if (release.registrationShown !== null && release.registrationShown !== registration)
    constraints.push(
      made({
        key: 'identity',
        certainty: 'failed',
        reason: { code: 'release-of-another-aircraft', shown: release.registrationShown, registration },
        remedies: [remedy('fetch-the-right-document', ANYBODY, 'maintenance-release'), issue],
      }),
    );
  if (release.standing === 'suspended' || release.standing === 'cancelled')
    constraints.push(
      made({
        key: 'standing',
        certainty: 'failed',
        reason: { code: 'release-not-in-force', standing: release.standing },
        remedies: [issue],
      }),
    );
  if (release.expiresOn !== null)
    constraints.push(
      made({
        key: 'date',
        certainty: 'failed',
        reason: { code: 'release-expires', lastDay: release.expiresOn },
        begins: from(endOfDay(release.expiresOn, facts.place.zone)),
        remedies: [issue],
      }),
    );
  if (release.expiresAt !== null)
    constraints.push(
      made({
        key: 'hours',
        certainty: 'failed',
        reason: { code: 'release-due', dueAt: release.expiresAt },
        begins: atReading('time-in-service', release.expiresAt),
        remedies: [issue],
      }),
    );
  return [...constraints, ...required(release, facts)];
}

/** The maintenance release: issued, of this aircraft, aboard, in force by date and by hours, and nothing on its list overdue. */
export const maintenanceRelease = rule({
  id: 'maintenance-release',
  title: 'Maintenance release',
  source,
  explanation:
    'An aircraft flies on a maintenance release that was issued for it and is carried on board. It expires on the printed date or at the printed hours, whichever comes first, to the day and not to the month’s end; there is no allowance for flying on to the workshop. Suspended, cancelled, or with required maintenance overdue, it is not in force.',
  judge: (facts) => {
    const closed = uncoveredCategory(facts.aircraft.category, ['standard'], source, ALL_USES);
    if (closed !== null)
      return result([closed], facts.aircraft.category === null ? ['aircraft.category'] : []);
    const latest: readonly (MaintenanceRelease | null)[] = latestReleases(facts.releases, facts.place.zone);
    const missing: string[] = [];
    const constraints = each(latest.length === 0 ? [null] : latest, (release) =>
      judgeOne(release, facts, missing),
    );
    const meter = meterTroubles(facts, ['time-in-service'], source, ALL_USES);
    return result([...constraints, ...meter.constraints], [...missing, ...meter.missing]);
  },
});
