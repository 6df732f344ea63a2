import { STATIONS } from '../core/walkround/steps';
import { parseCivilDate } from '../core/time/civil-date';
import { dateText } from './formats';
import { CERTIFICATE_NAMES } from './names';

const WORK_NAMES: Readonly<Record<string, string>> = { repaired: 'repaired', 'no-fault-found': 'looked, and found no fault', serviced: 'put right', 'judged-acceptable': 'judged acceptable' };

/** What was done about a finding, in words. */
export function workName(work: string): string {
  return WORK_NAMES[work] ?? work;
}

/** The name of a place on the aircraft, with its side. */
export function placeName(station: string, side: string | null): string {
  const name = STATIONS.find(({ id }) => id === station)?.name ?? station;
  return side === null ? name : `${side} ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}

const text = (record: Readonly<Record<string, unknown>>, key: string): string => (typeof record[key] === 'string' ? record[key] : '');

/** One line of an aircraft's story, from what the ledger keeps of it. */
export function tellStory(act: string, record: unknown): string {
  const entry = (typeof record === 'object' && record !== null ? record : {}) as Readonly<Record<string, unknown>>;
  switch (act) {
    case 'report-finding': return `reported: ${text(entry, 'what')} (${placeName(text(entry, 'station'), text(entry, 'side') || null)})`;
    case 'add-photo': return 'added a photo to the finding';
    case 'return-to-service': {
      const certificate = (entry['certificate'] ?? {}) as Readonly<Record<string, unknown>>;
      const kind = CERTIFICATE_NAMES[text(certificate, 'kind') as keyof typeof CERTIFICATE_NAMES] ?? '';
      const on = parseCivilDate(text(entry, 'completedOn'));
      return `${workName(text(entry, 'work'))} “${text(entry, 'found')}”: ${text(entry, 'description')}${on === undefined ? '' : `, completed ${dateText(on)}`}. Signed as ${kind}, ${text(certificate, 'number')}.`;
    }
    case 'record-meter-reading': return `read the meter: ${text(entry, 'entered')} h`;
    case 'plan-flight': return `planned a flight for ${text(entry, 'person')}`;
    case 'load-folder': return 'brought in the aircraft with its folder';
    default: return act;
  }
}
