import { ALL_USES, usesIn } from '../envelope/use-set';
import { DOCUMENT_KINDS, latestSighting } from '../records/document';
import { addDays } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, lift, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;
const ABROAD = usesIn({ range: ['abroad'] });

/** How old a sighting of a paper and a reading of the meter may be. */
export interface Freshness { readonly sightingDays: number; readonly readingDays: number }

/** Papers were seen aboard, and the meter was read, not too long ago. */
export const staleRecords = rule({
  id: 'stale-records',
  title: 'Fresh sightings and readings',
  source,
  explanation: 'A paper that was aboard half a year ago may not be now, and a meter that nobody read for weeks may hide flights. After the club’s number of days they have to be looked at again.',
  judge: ({ documents, meters, place }, { sightingDays, readingDays }: Freshness) => {
    const constraints: Constraint[] = [];
    for (const kind of DOCUMENT_KINDS) {
      const document = latestSighting(documents, kind);
      if (document === null || (document.kind === 'cabin-tank-record' && document.tankFitted === false)) continue;
      const seenOn = civilDateAt(document.happenedAt, place.zone);
      constraints.push(constraint({
        key: `sighting.${kind}`, certainty: 'unknown', source, reason: { code: 'document-stale', document: kind, seenOn, days: sightingDays }, records: [document.id], closes: kind === 'radio-licence' ? ABROAD : ALL_USES,
        begins: from(endOfDay(addDays(seenOn, sightingDays), place.zone)), lifts: [lift('record-sighting', ANYBODY, kind)], condition: true,
      }));
    }
    const service = meters['time-in-service'];
    if (service.state === 'known') {
      const readOn = civilDateAt(service.readAt, place.zone);
      constraints.push(constraint({
        key: 'reading', certainty: 'unknown', source, reason: { code: 'meter-reading-stale', readOn, days: readingDays }, records: [service.from], closes: ALL_USES,
        begins: from(endOfDay(addDays(readOn, readingDays), place.zone)), lifts: [lift('record-meter-reading', ANYBODY, 'time-in-service')], condition: true,
      }));
    }
    return result(constraints);
  },
});
