import { byId, compareTexts } from '@/core/order';
import { CERTIFICATE_KINDS, type Signature } from '@/core/records/club/certificate';
import { hoursFromSeconds, type Hours } from '@/core/quantities/hours';
import type { WorkDetails } from '@/core/records/maintenance/work-details';
import type { WorkEntry } from '@/core/records/maintenance/work-entry';
import type { CivilDate } from '@/core/time/civil-date';
import { exactlyOneOf, storedDate } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { storedBody } from '../aircraft/other-bodies';
import type { OtherKind } from '../aircraft/other-kinds';
import { othersOfKind } from '../aircraft/other-records';

/** What a line of the maintenance record is of. */
export type LogbookEntryKind =
  | 'inspection'
  | 'done'
  | 'compliance'
  | 'list-cleared'
  | 'fuel-cleared'
  | 'work'
  | 'work-approval'
  | 'check-flight'
  | 'independent-inspection';

/** A line of an aircraft's maintenance record. */
export interface LogbookEntry {
  readonly id: string;
  readonly kind: LogbookEntryKind;
  /** The kind of inspection, or the id of the item, AD or inspection. */
  readonly what: string;
  readonly on: CivilDate;
  readonly reading: Hours | null;
  readonly description: string | null;
  readonly outcome: string | null;
  readonly signed: Signature | null;
  /** What an entry of work says besides; null where it says nothing. */
  readonly details: WorkDetails | null;
  /** True for work that may have changed how it flies, unless tests on the ground showed that it did not. */
  readonly needsCheckFlight?: boolean;
}

/** The bodies of one kind, each with its id. */
async function bodiesOf<K extends OtherKind>(tx: ClubTransaction, aircraftId: string, kind: K) {
  const rows = await tx
    .selectFrom('aircraft_record')
    .select(['record_id', 'body'])
    .where('aircraft_id', '=', aircraftId)
    .where('kind', '=', kind)
    .execute();
  return rows.map(({ record_id: id, body }) => ({ id, body: storedBody(kind, body, id) }));
}

const checkFlightAfter = ({
  mayChangeFlight,
  groundTestsConclusive,
}: Pick<WorkEntry, 'mayChangeFlight' | 'groundTestsConclusive'>): Pick<LogbookEntry, 'needsCheckFlight'> => ({
  needsCheckFlight: mayChangeFlight === true && groundTestsConclusive !== true,
});

/** Work, what approved it, and what was flown and inspected after it. Work that is begun and not signed yet is no entry. */
async function workEntries(tx: ClubTransaction, aircraftId: string): Promise<readonly LogbookEntry[]> {
  const line = (
    kind: LogbookEntryKind,
    id: string,
    entry: Pick<LogbookEntry, 'on' | 'description' | 'signed' | 'needsCheckFlight'> & {
      readonly details?: WorkDetails | undefined;
    },
    outcome: string | null = null,
  ): LogbookEntry => ({
    ...entry,
    id,
    kind,
    what: kind,
    reading: entry.details?.timeInService ?? null,
    outcome,
    details: entry.details ?? null,
  });
  return [
    ...(await bodiesOf(tx, aircraftId, 'work')).flatMap(
      ({ id, body: { completedOn: on, signedBy: signed, description, details, ...effects } }) =>
        on === null || signed === null
          ? []
          : [line('work', id, { on, description, signed, details, ...checkFlightAfter(effects) })],
    ),
    ...(await bodiesOf(tx, aircraftId, 'work-approval')).map(
      ({ id, body: { completedOn: on, signedBy: signed, description, details, ...effects } }) =>
        line('work-approval', id, { on, description, signed, details, ...checkFlightAfter(effects) }),
    ),
    ...(await bodiesOf(tx, aircraftId, 'check-flight')).map(
      ({ id, body: { on, pilot, description, asItShould } }) =>
        line(
          'check-flight',
          id,
          { on, description, signed: pilot },
          asItShould ? 'as-it-should' : 'not-as-it-should',
        ),
    ),
    ...(await bodiesOf(tx, aircraftId, 'independent-inspection')).map(
      ({ id, body: { on, by, description } }) =>
        line('independent-inspection', id, { on, description, signed: by }),
    ),
  ];
}

/** The newest entries, newest first; struck out ones are among them. */
export async function logbookOf(
  tx: ClubTransaction,
  aircraftId: string,
  most: number,
): Promise<readonly LogbookEntry[]> {
  const rows = await tx
    .selectFrom('inspection as i')
    .leftJoin('signature as s', (join) =>
      join.onRef('s.club_id', '=', 'i.club_id').onRef('s.signature_id', '=', 'i.signature_id'),
    )
    .select([
      'i.inspection_id',
      'i.kind',
      'i.completed_on',
      'i.time_in_service_s',
      'i.description',
      'i.outcome',
      's.name',
      's.certificate_kind',
      's.certificate_number',
      's.valid_from',
      's.valid_until',
      's.no_expiry',
    ])
    .where('i.aircraft_id', '=', aircraftId)
    .orderBy('i.completed_on', 'desc')
    .orderBy('i.recorded_at', 'desc')
    .orderBy('i.inspection_id')
    .limit(most)
    .execute();
  const inspections = rows.map((row): LogbookEntry => ({
    id: row.inspection_id,
    kind: 'inspection',
    what: row.kind,
    on: storedDate(row.completed_on),
    reading: row.time_in_service_s === null ? null : hoursFromSeconds(row.time_in_service_s),
    description: row.description,
    outcome: row.outcome,
    details: null,
    signed:
      row.name === null || row.certificate_kind === null
        ? null
        : {
            name: row.name,
            certificate: {
              kind: exactlyOneOf(CERTIFICATE_KINDS, row.certificate_kind, 'kind of certificate'),
              number: row.certificate_number,
              validFrom: row.valid_from === null ? null : storedDate(row.valid_from),
              validUntil:
                row.no_expiry === true
                  ? 'no-expiry'
                  : row.valid_until === null
                    ? null
                    : storedDate(row.valid_until),
            },
          },
  }));
  const service = (readings: readonly { readonly meter: string; readonly value: number }[]) => {
    const found = readings.find(({ meter }) => meter === 'time-in-service');
    return found === undefined ? null : hoursFromSeconds(found.value);
  };
  const of = (
    kind: 'done' | 'compliance',
    what: string,
    description: string,
    done: {
      readonly id: string;
      readonly completedOn: CivilDate;
      readonly readings: readonly { readonly meter: string; readonly value: number }[];
      readonly signedBy: Signature | null;
    },
  ): LogbookEntry => ({
    id: done.id,
    kind,
    what,
    on: done.completedOn,
    reading: service(done.readings),
    description,
    outcome: null,
    signed: done.signedBy,
    details: null,
  });
  const cleared = (
    kind: 'list-cleared' | 'fuel-cleared',
    id: string,
    what: string,
    { on, description, by }: { readonly on: CivilDate; readonly description: string; readonly by: Signature },
  ): LogbookEntry => ({
    id,
    kind,
    what,
    on,
    reading: null,
    description,
    outcome: null,
    signed: by,
    details: null,
  });
  const items = await othersOfKind(tx, aircraftId, 'item');
  const ads = await othersOfKind(tx, aircraftId, 'ad');
  const others: readonly LogbookEntry[] = [
    ...items.flatMap(({ id, done }) => done.map((one) => of('done', id, '', one))),
    ...ads.flatMap(({ id, done }) => done.map((one) => of('compliance', id, '', one))),
    ...(await othersOfKind(tx, aircraftId, 'done')).map(({ item, done, description }) =>
      of('done', item, description, done),
    ),
    ...(await othersOfKind(tx, aircraftId, 'compliance')).map(({ ad, done, description }) =>
      of('compliance', ad, description, done),
    ),
    ...(await bodiesOf(tx, aircraftId, 'list-cleared')).map(({ id, body }) =>
      cleared('list-cleared', id, body.inspection, body),
    ),
    ...(await bodiesOf(tx, aircraftId, 'fuel-cleared')).map(({ id, body }) =>
      cleared('fuel-cleared', id, 'fuel', body),
    ),
    ...(await workEntries(tx, aircraftId)),
  ];
  return [...inspections, ...others].sort((a, b) => compareTexts(b.on, a.on) || byId(a, b)).slice(0, most);
}
