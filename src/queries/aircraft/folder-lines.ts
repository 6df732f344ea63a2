import type { AircraftFacts } from '@/core/records/facts';
import type { InspectionKind } from '@/core/records/maintenance/inspection';
import type { ZoneId } from '@/core/time/zone';
import type { FlownFlight } from '@/db/flights/flight-records';
import { storedDate } from '@/db/kernel/checked-values';
import type { LogbookEntry } from '@/db/maintenance/logbook';
import type { StoredReading } from '@/db/meters/readings';
import { signedText } from '@/explain/for-reader';
import { meterText, momentText, readingText } from '@/explain/formats';
import { logbookWording } from '@/explain/logbook-words';
import { shownText } from '@/explain/meter-asks';
import { INSPECTION_NAMES, METER_NAMES_IN_WORDS } from '@/explain/names';
import { dateText, sentenceCase } from '@/explain/wording';

/** A flight as a line of a list. */
export const flightLine = (flight: FlownFlight, zone: ZoneId) => ({
  id: flight.id,
  left: momentText(flight.leftAt, zone),
  person: flight.personName,
  out: flight.returned === null,
  figures: flight.readings
    .map(
      ({ dial, name, shown }) =>
        `${name} ${shown} → ${flight.returned?.readings.find((one) => one.dial === dial)?.shown ?? '…'}`,
    )
    .join(' · '),
  landings: flight.returned?.landings ?? null,
  billed: flight.returned?.billed == null ? '' : shownText('h', flight.returned.billed),
  report: flight.returned?.report.kind === 'words' ? flight.returned.report.words : null,
});

/** A reading as a line of a list. @param dials the names of the dials, by their ids */
export const readingLine = (reading: StoredReading, dials: ReadonlyMap<string, string>, zone: ZoneId) => ({
  id: reading.id,
  when: momentText(reading.happenedAt, zone),
  name:
    (reading.dialId === null ? undefined : dials.get(reading.dialId))
    ?? sentenceCase(METER_NAMES_IN_WORDS[reading.meter]),
  shown: reading.basis === 'read' ? reading.entered : `≈ ${reading.entered}`,
  stands: `${METER_NAMES_IN_WORDS[reading.meter]} ${meterText(reading.meter, reading.value)}`,
});

function titleOf(entry: LogbookEntry, { items, ads }: Pick<AircraftFacts, 'items' | 'ads'>): string {
  switch (entry.kind) {
    case 'inspection':
      return sentenceCase(INSPECTION_NAMES[entry.what as InspectionKind]);
    case 'done':
      return items?.find(({ id }) => id === entry.what)?.name ?? 'Item';
    case 'compliance':
      return `AD ${ads?.find(({ id }) => id === entry.what)?.number ?? ''}`;
    case 'fuel-cleared':
      return 'Fuel or oil dealt with';
    case 'list-cleared':
      return 'List of an inspection cleared';
    case 'work':
      return 'Work';
    case 'work-approval':
      return 'Work approved for return to service';
    case 'check-flight':
      return 'Check flight';
    case 'independent-inspection':
      return 'Second inspection of flight controls';
  }
}

const OUTCOMES: Readonly<Record<string, string>> = {
  'discrepancies-listed': 'not approved; a list was given',
  approved: 'approved',
  'as-it-should': 'it flew as it should',
  'not-as-it-should': 'it did not fly as it should',
};

/** An entry of the maintenance record as a line of a list. @param showsNumbers whether the reader may see the numbers of certificates */
export const workLine = (
  entry: LogbookEntry,
  facts: Pick<AircraftFacts, 'items' | 'ads'>,
  showsNumbers: boolean,
) => ({
  id: entry.id,
  kind: entry.kind,
  on: dateText(storedDate(entry.on)),
  sortKey: entry.on,
  description: entry.description ?? '',
  reading: entry.reading === null ? '' : readingText(entry.reading),
  signed: signedText(entry.signed, showsNumbers),
  title: titleOf(entry, facts),
  outcome: OUTCOMES[entry.outcome ?? ''] ?? '',
  wording: logbookWording({
    title: titleOf(entry, facts),
    kind: entry.kind,
    on: dateText(storedDate(entry.on)),
    timeInService: entry.reading === null ? null : readingText(entry.reading),
    description: entry.description ?? '',
    details: entry.details,
    needsCheckFlight: entry.needsCheckFlight === true,
    approved: entry.outcome !== 'discrepancies-listed' && entry.outcome !== 'not-as-it-should',
    signed: signedText(entry.signed, showsNumbers),
  }),
});
