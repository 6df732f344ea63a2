import { byId, compareTexts } from '@/core/order';
import { CERTIFICATE_KINDS, type Signature } from '@/core/records/club/certificate';
import { hoursFromSeconds, type Hours } from '@/core/quantities/hours';
import type { CivilDate } from '@/core/time/civil-date';
import { exactlyOneOf, storedDate } from '../kernel/checked-values';
import type { ClubTransaction } from '../kernel/connection';
import { storedBody } from '../aircraft/other-bodies';
import { othersOfKind } from '../aircraft/other-records';

/** A line of an aircraft's maintenance record. */
export interface LogbookEntry {
  readonly id: string;
  readonly kind: 'inspection' | 'done' | 'compliance' | 'list-cleared' | 'fuel-cleared';
  /** The kind of inspection, or the id of the item, AD or inspection. */
  readonly what: string;
  readonly on: CivilDate;
  readonly reading: Hours | null;
  readonly description: string | null;
  readonly outcome: string | null;
  readonly signed: Signature | null;
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
    ...(
      await tx
        .selectFrom('aircraft_record')
        .select(['record_id', 'body'])
        .where('aircraft_id', '=', aircraftId)
        .where('kind', '=', 'list-cleared')
        .execute()
    ).map(({ record_id: id, body }): LogbookEntry => {
      const cleared = storedBody('list-cleared', body, id);
      return {
        id,
        kind: 'list-cleared',
        what: cleared.inspection,
        on: cleared.on,
        reading: null,
        description: cleared.description,
        outcome: null,
        signed: cleared.by,
      };
    }),
    ...(
      await tx
        .selectFrom('aircraft_record')
        .select(['record_id', 'body'])
        .where('aircraft_id', '=', aircraftId)
        .where('kind', '=', 'fuel-cleared')
        .execute()
    ).map(({ record_id: id, body }): LogbookEntry => {
      const cleared = storedBody('fuel-cleared', body, id);
      return {
        id,
        kind: 'fuel-cleared',
        what: 'fuel',
        on: cleared.on,
        reading: null,
        description: cleared.description,
        outcome: null,
        signed: cleared.by,
      };
    }),
  ];
  return [...inspections, ...others].sort((a, b) => compareTexts(b.on, a.on) || byId(a, b)).slice(0, most);
}
