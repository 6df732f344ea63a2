import { PLAN_KINDS } from '../core/walkround/plan-kinds';
import { PLAN_NAMES } from './walkround';
import { ANNOUNCEMENTS } from '../core/records/walkround/measurement';
import { announcedWords } from './walkround';
import { CERTIFICATE_KINDS } from '../core/records/club/certificate';
import { DOCUMENT_KINDS } from '../core/records/documents/document';
import type { LedgerAct } from '../core/records/ledger-act';
import { placeOnAircraft } from '../core/walkround/place';
import { parseCivilDate } from '../core/time/civil-date';
import { dateText, list, sentenceCase } from './wording';
import { CERTIFICATE_NAMES, DOCUMENT_NAMES } from './names';

const WORK_NAMES: Readonly<Record<string, string>> = {
  repaired: 'repaired',
  'no-fault-found': 'looked, and found no fault',
  serviced: 'corrected',
  'judged-acceptable': 'judged acceptable',
};

/** What was done about a finding, in words. */
export function workName(work: string): string {
  return WORK_NAMES[work] ?? work;
}

const text = (record: Readonly<Record<string, unknown>>, key: string): string =>
  typeof record[key] === 'string' ? record[key] : '';

function countsText(entry: Readonly<Record<string, unknown>>): string {
  const count = (key: string, one: string, many: string) =>
    typeof entry[key] === 'number' && entry[key] > 0
      ? [`${entry[key]} ${entry[key] === 1 ? one : many}`]
      : [];
  return (
    list([
      ...count('documents', 'document check', 'document checks'),
      ...count('inspections', 'inspection', 'inspections'),
      ...count('readings', 'meter reading', 'meter readings'),
      ...count('meters', 'meter', 'meters'),
      ...count('flights', 'flight', 'flights'),
      ...count('others', 'other record', 'other records'),
    ]) || 'none'
  );
}

function missingPapers(entry: Readonly<Record<string, unknown>>): string {
  const papers = Array.isArray(entry['documents'])
    ? (entry['documents'] as readonly Readonly<Record<string, unknown>>[])
    : [];
  const missing = papers
    .filter((paper) => paper['aboard'] === false && text(paper, 'kind') !== 'cabin-tank-form-337')
    .flatMap((paper) => {
      const kind = DOCUMENT_KINDS.find((known) => known === text(paper, 'kind'));
      return kind === undefined ? [] : [DOCUMENT_NAMES[kind]];
    });
  return missing.length === 0 ? '' : `; not there: ${list(missing)}`;
}

/** The number of a certificate behind a comma; nothing for readers from whom it is kept. */
const numberOf = (certificate: Readonly<Record<string, unknown>>): string =>
  text(certificate, 'number') === '' ? '' : `, ${text(certificate, 'number')}`;

const lengthOf = (value: unknown): number => (Array.isArray(value) ? value.length : 0);

function figuresText(entry: Readonly<Record<string, unknown>>): string {
  const readings = Array.isArray(entry['readings'])
    ? (entry['readings'] as readonly Readonly<Record<string, unknown>>[])
    : [];
  return readings.length === 0
    ? ''
    : `; ${list(readings.map((one) => `${text(one, 'name')} ${text(one, 'shown')}`))}`;
}

const dayOf = (entry: Readonly<Record<string, unknown>>, key: string): string => {
  const on = parseCivilDate(text(entry, key));
  return on === undefined ? '' : dateText(on);
};

const FACTS: Readonly<Record<string, string>> = {
  description: 'put on record what it is and may be used for',
  equipment: 'put its equipment list on record',
  elt: 'put its ELT on record',
  'vor-check': 'put a VOR check on record',
  database: 'put a database on record',
  rigging: 'put its rigging on record',
  'tow-rope': 'put its tow rope on record',
  'minimum-equipment-list': 'put its minimum equipment list on record',
  'ramp-data': 'put on record what its walk-round rests on',
};

function factText(entry: Readonly<Record<string, unknown>>): string {
  const fact = (entry['fact'] ?? {}) as Readonly<Record<string, unknown>>;
  switch (text(entry, 'kind')) {
    case 'item':
      return `put an item on record: ${text(fact, 'name')}`;
    case 'ad':
      return `put an AD on record: ${text(fact, 'number')}, ${text(fact, 'title')}`;
    case 'club-document':
      return `put a document on record: ${text(fact, 'name')}`;
    case 'complete':
      return `said that its list of ${text(fact, 'what')} is complete`;
    default:
      return FACTS[text(entry, 'kind')] ?? 'put a fact on record';
  }
}

function releaseChangeText(entry: Readonly<Record<string, unknown>>): string {
  const why = text(entry, 'why') === '' ? '' : `: ${text(entry, 'why')}`;
  switch (text(entry, 'to')) {
    case 'suspended':
      return `suspended the maintenance release${why}`;
    case 'cancelled':
      return `cancelled the maintenance release${why}`;
    case 'in-force':
      return `signed that the maintenance release is in force again${why}`;
    case 'required':
      return `put work on the maintenance release: ${text(entry, 'what')}`;
    case 'done':
      return `signed work on the maintenance release as done: ${text(entry, 'what')}`;
    default:
      return entry['aboard'] === true
        ? 'saw the maintenance release aboard'
        : 'found the maintenance release not aboard';
  }
}

/** Which list it was, with its article; entries of before there were others name none. */
const planOf = (entry: Readonly<Record<string, unknown>>, article: 'a' | 'the'): string =>
  `${article} ${PLAN_NAMES[PLAN_KINDS.find((kind) => kind === entry['plan']) ?? 'walk-round']}`;

/** How many steps were answered, and what of them was found or not seen. */
function eventsText(entry: Readonly<Record<string, unknown>>): string {
  const events = Array.isArray(entry['events'])
    ? (entry['events'] as readonly Readonly<Record<string, unknown>>[])
    : [];
  const count = (answer: string) => events.filter((event) => event['answer'] === answer).length;
  const told = [
    [count('fine'), 'fine'],
    [count('found'), 'with something found'],
    [count('not-seen') + count('partly-seen'), 'not seen'],
  ] as const;
  const some = told.filter(([number]) => number > 0).map(([number, words]) => `${number} ${words}`);
  return some.length === 0
    ? `was interrupted on ${planOf(entry, 'the')}`
    : `answered steps of ${planOf(entry, 'the')}: ${list(some)}`;
}

/** What was announced, or done of it, from what the ledger keeps. */
/** What was decided about a finding. */
function triageText(entry: Readonly<Record<string, unknown>>): string {
  const found = `“${text(entry, 'found')}”`;
  const note = text(entry, 'note') === '' ? '' : `: ${text(entry, 'note')}`;
  switch (text(entry, 'decision')) {
    case 'grounds':
      return `looked at ${found} and grounded the aircraft until a mechanic has dealt with it${note}`;
    case 'watch':
      return `signed that ${found} is watched${note}`;
    case 'same-as':
      return `held ${found} to be the same as “${text(entry, 'other')}”${note}`;
    default:
      return `looked at ${found}: it stays as it is${note}`;
  }
}

function announcedOf(entry: Readonly<Record<string, unknown>>): string {
  const act = ANNOUNCEMENTS.find((one) => one === text(entry, 'act'));
  return act === undefined
    ? 'something before the flight'
    : announcedWords(
        act,
        text(entry, 'which') || null,
        typeof entry['amount'] === 'number' ? entry['amount'] : null,
      );
}

/** What was done, by its act. */
function actText(act: LedgerAct, record: unknown): string {
  const entry = (typeof record === 'object' && record !== null ? record : {}) as Readonly<
    Record<string, unknown>
  >;
  switch (act) {
    case 'report-finding':
      return `reported: ${text(entry, 'what')} (${placeOnAircraft(text(entry, 'station'), text(entry, 'side') || null)})`;
    case 'change-club':
      return `changed the club’s field or rules, by which this aircraft is decided: ${text(entry, 'why')}`;
    case 'add-photo':
      return 'added a photo to the finding';
    case 'return-to-service': {
      const certificate = (entry['certificate'] ?? {}) as Readonly<Record<string, unknown>>;
      const kind = CERTIFICATE_KINDS.find((known) => known === text(certificate, 'kind'));
      const on = parseCivilDate(text(entry, 'completedOn'));
      return `${workName(text(entry, 'work'))} “${text(entry, 'found')}”: ${text(entry, 'description').replace(/[.\s]+$/, '')}${on === undefined ? '' : `, completed ${dateText(on)}`}. Signed as ${kind === undefined ? 'holder of a certificate' : CERTIFICATE_NAMES[kind]}${numberOf(certificate)}.`;
    }
    case 'add-meter':
      return `entered the meter ${text(entry, 'name')}, which shows ${text(entry, 'shows')}`;
    case 'exchange-meter':
      return `exchanged the meter ${text(entry, 'name')}: the old one showed ${text(entry, 'lastShown')}, the new one shows ${text(entry, 'firstShown')}. ${sentenceCase(text(entry, 'why'))}`;
    case 'attribute-unlogged':
      return `said that ${text(entry, 'length')} on ${text(entry, 'dial')}, which nobody wrote down, were flown by ${text(entry, 'to')}${typeof entry['landings'] === 'number' ? `, with ${entry['landings']} ${entry['landings'] === 1 ? 'landing' : 'landings'}` : ''}${typeof entry['towLaunches'] === 'number' ? ` and ${entry['towLaunches']} tow ${entry['towLaunches'] === 1 ? 'launch' : 'launches'}` : ''}`;
    case 'read-meters':
      return `read its meters${figuresText(entry)}${lengthOf(entry['unlogged']) === 0 ? '' : '; unlogged time was found'}`;
    case 'release-flight':
      return `released it for the flight of ${text(entry, 'person')}${lengthOf(entry['restrictions']) === 0 ? '' : `; ${lengthOf(entry['restrictions'])} ${lengthOf(entry['restrictions']) === 1 ? 'restriction' : 'restrictions'} read back`}`;
    case 'withdraw-release':
      return `withdrew the release: ${text(entry, 'why')}`;
    case 'check-out':
      return text(entry, 'stays') !== ''
        ? `read its meters for ${text(entry, 'person')}${figuresText(entry)}; unlogged time was found, and the flight could not leave: ${text(entry, 'stays')}`
        : `handed it out to ${text(entry, 'person')}${figuresText(entry)}${lengthOf(entry['unlogged']) === 0 ? '' : '; unlogged time was found'}`;
    case 'check-in':
      return `took it back from ${text(entry, 'person')}${figuresText(entry)}${lengthOf(entry['defects']) === 0 ? '' : '; a defect was found in flight'}. ${text(entry, 'remarks')}`;
    case 'record-entry': {
      const signed = (entry['signed'] ?? {}) as Readonly<Record<string, unknown>>;
      const kind = CERTIFICATE_KINDS.find((known) => known === text(signed, 'kind'));
      return `${entry['copied'] === true ? 'copied from the logbook' : 'signed'}: ${text(entry, 'name')}. ${text(entry, 'description').replace(/[.\s]+$/, '')}. ${entry['copied'] === true ? `Signed there by ${text(signed, 'name')} as` : 'Signed as'} ${kind === undefined ? 'holder of a certificate' : CERTIFICATE_NAMES[kind]}${numberOf(signed)}.`;
    }
    case 'begin-walk-round':
      return `began ${planOf(entry, 'a')} of ${typeof entry['steps'] === 'number' ? entry['steps'] : ''} steps`;
    case 'answer-walk-round':
      return eventsText(entry);
    case 'sign-walk-round':
      return `signed ${planOf(entry, 'the')}${text(entry, 'helper') === '' ? '' : `; ${text(entry, 'helper')} held the surfaces`}`;
    case 'give-up-walk-round':
      return `gave up ${planOf(entry, 'the')} of ${text(entry, 'of')}`;
    case 'defer-finding':
      return `deferred: ${text(entry, 'what')}. ${text(entry, 'description').replace(/[.\s]+$/, '')}; ${text(entry, 'action')}, placarded${dayOf(entry, 'until') === '' ? '' : `, until ${dayOf(entry, 'until')}`}`;
    case 'enter-permit':
      return `entered special flight permit ${text(entry, 'number')}, ${dayOf(entry, 'validFrom')} to ${dayOf(entry, 'validUntil')}, and signed that the aircraft is safe for its flight: ${text(entry, 'conditions')}`;
    case 'triage-finding':
      return triageText(entry);
    case 'begin-work':
      return `said that work is begun: ${text(entry, 'description')}`;
    case 'record-work':
      return `signed for work of ${dayOf(entry, 'on')}: ${text(entry, 'description')}`;
    case 'approve-work':
      return `approved work for return to service, done ${dayOf(entry, 'on')}: ${text(entry, 'description')}`;
    case 'record-check-flight':
      return text(entry, 'result') === 'as-it-should'
        ? `flew the check flight on ${dayOf(entry, 'on')}: ${text(entry, 'description')}`
        : `flew the check flight on ${dayOf(entry, 'on')}, and it did not fly as it should: ${text(entry, 'description')}`;
    case 'inspect-independently':
      return `inspected the flight controls as the second person on ${dayOf(entry, 'on')}: ${text(entry, 'description')}`;
    case 'restrict-dispatch':
      return `restricted it: ${text(entry, 'why')}`;
    case 'withdraw-restriction':
      return `withdrew the restriction of ${text(entry, 'of')} (${text(entry, 'was')}): ${text(entry, 'why')}`;
    case 'take-apart':
      return 'said that it was taken apart';
    case 'announce':
      return `announced: ${announcedOf(entry)}`;
    case 'record-announced':
      return `recorded as done: ${announcedOf(entry)}`;
    case 'set-walk-round-method':
      return 'changed how the school walks round';
    case 'accept-mark':
      return `accepted a mark: ${text(entry, 'what')} (${placeOnAircraft(text(entry, 'station'), text(entry, 'side') || null)})`;
    case 'import-rows':
      return `brought in ${typeof entry['rows'] === 'number' ? entry['rows'] : ''} rows of ${text(entry, 'list')} from ${text(entry, 'file')}`;
    case 'vouch':
      return `vouched for ${lengthOf(entry['records'])} ${lengthOf(entry['records']) === 1 ? 'record' : 'records'} that waited${text(entry, 'note') === '' ? '' : `: ${text(entry, 'note')}`}`;
    case 'clear-fuel':
      return `signed that fuel or oil was dealt with: ${text(entry, 'description')}`;
    case 'clear-list':
      return `cleared the list of an inspection: ${text(entry, 'description')}`;
    case 'strike':
      return `struck out an entry (${text(entry, 'what')}): ${text(entry, 'why')}`;
    case 'correct-reading':
      return `corrected a reading from ${text(entry, 'was')} to ${text(entry, 'is')}: ${text(entry, 'why')}`;
    case 'check-documents':
      return `checked documents${missingPapers(entry)}${lengthOf(entry['waiting']) === 0 ? '' : `; ${lengthOf(entry['waiting'])} wait${lengthOf(entry['waiting']) === 1 ? 's' : ''} for a dispatcher or mechanic`}`;
    case 'move-flight':
      return `moved a flight of ${text(entry, 'person')}`;
    case 'flight-moved-away':
      return `moved a flight of ${text(entry, 'person')} to ${text(entry, 'to')}`;
    case 'cancel-flight':
      return `cancelled a flight of ${text(entry, 'person')}${text(entry, 'why') === '' ? '' : `: ${text(entry, 'why')}`}`;
    case 'plan-flight':
      return `planned a flight for ${text(entry, 'person')}`;
    case 'load-folder':
      return 'brought in the aircraft with its folder';
    case 'load-records':
      return `brought in records: ${countsText(entry)}`;
    case 'fit-box':
      return `fitted the meter recorder ${text(entry, 'name')}`;
    case 'remove-box':
      return `took out a meter recorder: ${text(entry, 'why')}`;
    case 'box-readings':
      return `counted on: ${typeof entry['total'] === 'number' ? (entry['total'] / 3600).toFixed(2) : ''} h by its own count`;
    case 'enter-fact':
      return factText(entry);
    case 'issue-release':
      return `${entry['copied'] === true ? 'copied from paper' : 'signed'} a maintenance release that expires ${dayOf(entry, 'expiresOn')}`;
    case 'change-release':
      return releaseChangeText(entry);
    case 'sign-daily-inspection':
      return `signed the daily inspection of ${dayOf(entry, 'on')}`;
    case 'found-club':
      return `founded the club ${text(entry, 'name')}`.trim();
    case 'take-charge':
      return 'took charge of a club that was brought in by its archive';
    case 'admit-person':
      return `admitted ${text(entry, 'name')}`;
    case 'accept-admission':
    case 'join':
      return 'took up the link and belongs to the club';
    case 'new-password':
      return 'chose a new password by a link';
    case 'make-link':
      return 'made a link';
    case 'revoke-link':
      return 'revoked a link';
    case 'change-roles':
      return 'changed somebody’s roles';
    case 'enter-certificate':
      return 'put a certificate on record';
    case 'end-certificate':
      return `ended a certificate${text(entry, 'why') === '' ? '' : `: ${text(entry, 'why')}`}`;
    case 'make-calendar-address':
      return 'made a calendar address';
    case 'revoke-calendar-address':
      return 'revoked a calendar address';
    default: {
      const missing: never = act;
      throw new RangeError(`no such act: ${String(missing)}`);
    }
  }
}

/** One line of an aircraft's history, from what the ledger keeps of it. */
export function describeHistory(act: LedgerAct, record: unknown): string {
  const ended = (record as { readonly releasesEnded?: readonly { readonly why: string }[] } | null)
    ?.releasesEnded;
  return ended?.some(({ why }) => why === 'void') === true
    ? `${actText(act, record).replace(/\.$/u, '')}. A release that was signed before became void by this.`
    : actText(act, record);
}
