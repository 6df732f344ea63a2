import { ALL_USES, usesIn } from '../envelope/use-set';
import { DOCUMENT_KINDS, latestDocumentCheck } from '../records/documents/document';
import { addDays } from '../time/civil-date';
import { civilDateAt, endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, remedy, type Constraint } from './parts/constraint';
import { result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;
const ABROAD = usesIn({ range: ['abroad'] });

/** How old a document check and a reading of the meter may be. */
export interface Freshness {
  readonly documentCheckDays: number;
  readonly readingDays: number;
}

/** Documents were seen aboard, and the meter was read, not too long ago. */
export const staleRecords = rule({
  id: 'stale-records',
  title: 'Document checks and meter readings in date',
  source,
  explanation:
    'A document that was on board half a year ago may not be now, and a meter that nobody read for weeks may hide flights. After the club’s number of days they are checked again.',
  judge: ({ documents, meters, place }, { documentCheckDays, readingDays }: Freshness) => {
    const constraints: Constraint[] = [];
    for (const kind of DOCUMENT_KINDS) {
      const document = latestDocumentCheck(documents, kind);
      if (document === null || (document.kind === 'cabin-tank-form-337' && document.tankFitted === false))
        continue;
      const seenOn = civilDateAt(document.happenedAt, place.zone);
      constraints.push(
        constraint({
          key: `document-check.${kind}`,
          certainty: 'unknown',
          source,
          reason: { code: 'document-stale', document: kind, seenOn, days: documentCheckDays },
          records: [document.id],
          closes: kind === 'radio-licence' ? ABROAD : ALL_USES,
          begins: from(endOfDay(addDays(seenOn, documentCheckDays), place.zone)),
          remedies: [remedy('check-document', ANYBODY, kind)],
          condition: true,
        }),
      );
    }
    const service = meters['time-in-service'];
    if (service.state === 'known') {
      const readOn = civilDateAt(service.readAt, place.zone);
      constraints.push(
        constraint({
          key: 'reading',
          certainty: 'unknown',
          source,
          reason: { code: 'meter-reading-stale', readOn, days: readingDays },
          records: [service.from],
          closes: ALL_USES,
          begins: from(endOfDay(addDays(readOn, readingDays), place.zone)),
          remedies: [remedy('record-meter-reading', ANYBODY, 'time-in-service')],
          condition: true,
        }),
      );
    }
    return result(constraints);
  },
});
