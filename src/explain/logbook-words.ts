import type { WorkDetails } from '../core/records/maintenance/work-details';

/** An entry as it is read out of the record, in words. */
export interface EntryInWords {
  readonly title: string;
  readonly kind: string;
  readonly on: string;
  /** With its unit; null where the entry has none. */
  readonly timeInService: string | null;
  readonly description: string;
  readonly details: WorkDetails | null;
  /** True for work after which a check flight is flown before the aircraft carries anybody else. */
  readonly needsCheckFlight: boolean;
  readonly approved: boolean;
  readonly signed: string;
}

const LOGBOOKS: Readonly<Record<WorkDetails['logbook'], string>> = {
  airframe: 'Airframe',
  engine: 'Engine',
  propeller: 'Propeller',
};

/** How each kind of entry ends above its signature; what is not named approves the work that it describes. */
const CLOSING: Readonly<Record<string, string>> = {
  'check-flight': 'Flown and logged by:',
  'independent-inspection': 'Inspected independently of the person who did the work:',
};

const sentence = (text: string): string => {
  const trimmed = text.trim();
  return trimmed === '' || /[.!?]$/u.test(trimmed) ? trimmed : `${trimmed}.`;
};

/**
 * An entry of the maintenance record as it is usually written into the paper logbook: day and total time, what was done and by which data, parts with
 * their serial numbers, the statement, and who signs by which certificate. Source of its elements: 14 CFR 43.9(a) and 43.11(a) (from memory); the words
 * are common practice, no source.
 */
export function logbookWording(entry: EntryInWords): string {
  const { details } = entry;
  const head = [
    entry.on,
    ...(details === null ? [] : [LOGBOOKS[details.logbook]]),
    ...(entry.timeInService === null ? [] : [`Total time in service ${entry.timeInService}`]),
  ].join('. ');
  const parts = (details?.parts ?? []).map(({ name, number, serialOff, serialOn }) =>
    [
      name,
      ...(number === null ? [] : [`part no. ${number}`]),
      ...(serialOff === null ? [] : [`serial off ${serialOff}`]),
      ...(serialOn === null ? [] : [`serial on ${serialOn}`]),
    ].join(', '),
  );
  const body = [
    sentence(entry.description === '' ? entry.title : entry.description),
    ...(details?.references == null ? [] : [sentence(`Done in accordance with ${details.references}`)]),
    ...(parts.length === 0 ? [] : [sentence(`Parts changed: ${parts.join('; ')}`)]),
    ...(details?.form == null ? [] : [sentence(`Described on form ${details.form}`)]),
  ].join(' ');
  const closing =
    CLOSING[entry.kind]
    ?? (entry.approved
      ? 'Approved for return to service with respect to the work described above.'
      : 'Not approved for return to service.');
  // Source: 14 CFR 91.407(b) (from memory).
  const flight = entry.needsCheckFlight
    ? 'To be flown by a rated pilot with nobody aboard but required crew, and the flight logged, before it carries passengers.\n'
    : '';
  return `${head}.\n${body}\n${flight}${closing}\n${entry.signed}`;
}
