import type { Act, Entitled, Remedy, Source } from '../core/rules/parts/constraint';
import { list } from './wording';
import {
  CERTIFICATE_NAMES,
  DOCUMENT_NAMES,
  EQUIPMENT_NAMES,
  INSPECTION_NAMES,
  METER_NAMES_IN_WORDS,
  QUANTITY_NAMES_IN_WORDS,
} from './names';

/** Acts, in the imperative, as the start of a sentence. */
export const ACT_NAMES: Readonly<Record<Act, string>> = {
  'put-document-aboard': 'Put the document on board and record the check',
  'check-document': 'Check that the document is on board and record what you see',
  'display-certificate': 'Display the certificate where it can be seen and record the check',
  'replace-document': 'Get a readable replacement',
  'fetch-the-right-document': 'Fetch this aircraft’s own document and record the check',
  'update-document': 'Bring the document up to date and record the check',
  'renew-registration': 'Renew the registration',
  'record-registration-dates': 'Record the dates printed on the certificate',
  'register-new-owner': 'Register the aircraft to its new owner',
  'record-first-flight-date': 'Record the date of the first flight',
  'record-particulars': 'Record it in the aircraft data',
  'complete-annual': 'Complete and sign the annual inspection',
  'complete-condition-inspection': 'Complete and sign the condition inspection',
  'clear-inspection-list': 'Clear and sign every item of the list of discrepancies',
  'complete-hundred-hour': 'Complete and sign the 100-hour inspection',
  'complete-inspection-entry': 'Complete the entry of the inspection',
  'record-excess-reason': 'Record why the last interval was exceeded',
  'record-meter-reading': 'Read the meter and record it',
  'correct-meter-reading': 'Find the wrong meter reading and correct it',
  'correct-record': 'Correct the record',
  'say-landings':
    'Find out how many landings or launches the unlogged time had, and record them with the meters: until then the most that are possible count',
  'repair-and-return-to-service': 'Repair and return to service',
  'service-and-record': 'Service it and record it',
  'instructor-judges': 'Have an instructor judge it and record the judgement',
  'complete-repair-entry': 'Complete the entry of the repair',
  'defer-item': 'Remove or deactivate it, placard it, record it and have it determined to be no hazard',
  'record-approved-uses': 'Record what the aircraft is approved and fitted for',
  'record-category': 'Record the certification category',
  'use-covered-category': 'Have it decided outside this program; its category has no rules here yet',
  'inspect-elt': 'Inspect the ELT and sign',
  'replace-elt-battery': 'Replace the ELT battery, mark the new date and record it',
  'reinstall-elt': 'Install a working ELT and record it',
  'deactivate-elt': 'Deactivate the ELT, placard it, record it and have it determined to be no hazard',
  'record-elt-removal': 'Complete the record of the ELT’s removal and put up the placard',
  'record-elt': 'Look at the ELT and record what it shows',
  'test-altimeter-static': 'Test the altimeter and static system and sign',
  'test-static-system': 'Test the static system and sign',
  'test-transponder': 'Test the transponder and sign',
  'check-vor': 'Do the VOR check and record place, bearing error and name',
  'update-database': 'Load the current database and record its dates',
  'comply-with-ad': 'Comply with the AD and sign',
  'record-ads': 'Go through the ADs and record which apply',
  'complete-item': 'Complete it and sign',
  'record-item-history': 'Find the record of when it was last done and record it',
  'record-items': 'Record the life-limited parts and services of this aircraft, or that there are none',
  'replace-part': 'Replace the part and record it',
  'install-equipment': 'Install it and record it in the equipment list',
  'record-equipment': 'Compare the equipment list with the aircraft and record it',
  'release-after-work': 'Complete the entry and approve the aircraft for return to service',
  'fly-check-flight': 'Fly the check flight with nobody on board but the crew, and log it',
  'inspect-independently': 'Have a second person inspect the flight controls and sign',
  'add-oil': 'Add oil, measure again and record both',
  'remove-oil': 'Drain oil to the maximum, measure again and record it',
  'add-fuel': 'Refuel, dip again and sample',
  measure: 'Measure it and record the value',
  'remove-fuel': 'Drain fuel until it is within the limit, dip again and record it',
  'sample-fuel': 'Sample every drain and record what it shows',
  'do-walk-round': 'Do the walk-round on the phone and sign it',
  'finish-walk-round': 'Finish the walk-round and sign it',
  'look-at-step': 'Look at it and record it',
  'do-announced': 'Do it and record it with the amount',
  'deal-with-suspect-fuel': 'Find the cause, deal with the fuel and sign',
  'complete-work-entry': 'Have the work signed by an entitled person',
  'service-measured-item': 'Correct it, measure again and record it',
  'have-trend-looked-at': 'Have a mechanic look at the oil consumption and record the judgement',
  'issue-maintenance-release': 'Issue a new maintenance release',
  'sign-daily-inspection': 'Do the daily inspection and sign it',
  'renew-club-document': 'Renew it and record the new date',
  'withdraw-dispatch-restriction': 'Withdraw the dispatch restriction',
  'record-return': 'Check the aircraft in, or record its loss',
  'record-rigging':
    'Rig the glider, check its critical assemblies and its controls, count the tools, and record who did',
  'state-for-flight': 'State it for this flight',
  'change-flight': 'Change the flight so that it fits',
  'obtain-atc-authorisation':
    'Get air traffic control’s authorisation for this flight: where it is inoperative at any time, for the flight to the destination or to where it is repaired; where none is fitted ask at least one hour before',
  'obtain-special-flight-permit':
    'Get a special flight permit and a mechanic’s statement that the flight is safe',
  'replace-tow-rope': 'Use a rope and links that fit, and record them',
};

/** Who may do it, as the end of a sentence. */
export function entitledText(by: Entitled): string {
  switch (by.kind) {
    case 'certificate':
      return list(
        by.anyOf.map((kind) => CERTIFICATE_NAMES[kind]),
        'or',
      );
    case 'owner':
      return 'the owner';
    case 'dispatcher':
      return 'a dispatcher';
    case 'pilot-in-command':
      return 'the pilot in command';
    case 'anybody-at-the-aircraft':
      return 'anybody at the aircraft';
    case 'record-keeper':
      return 'a record keeper';
    default: {
      const missing: never = by;
      throw new RangeError(`nobody is entitled: ${JSON.stringify(missing)}`);
    }
  }
}

/** Where a rule comes from, in small print. */
export function sourceText(source: Source): string {
  switch (source.kind) {
    case 'regulation':
      return source.citation;
    case 'club-policy':
      return 'club policy';
    case 'common-practice':
      return 'common practice';
    case 'approved-documents':
      return 'the aircraft’s approved documents';
    default: {
      const missing: never = source;
      throw new RangeError(`no such source: ${JSON.stringify(missing)}`);
    }
  }
}

/** What a flight can say or change about itself. */
const OF_A_FLIGHT: Readonly<Record<string, string>> = {
  persons: 'how many people fly',
  load: 'its load',
  fuel: 'its fuel',
  altitudeFeet: 'its altitude',
  trainingWithin50Miles: 'that it is training within 50 NM',
  exceptedAirspace: 'that it stays in airspace that 91.215(b) excepts',
  reliesOnVor: 'that it does not rely on VOR',
  reliesOnDatabase: 'that it does not rely on the database',
  landings: 'its landings',
  'tow-launches': 'its tows',
  alternate: 'its alternate',
  toAlternate: 'how far its alternate is',
  transponder: 'without transponder',
  'ads-b-out': 'without ADS-B Out',
  'transponder and ads-b-out': 'without transponder and ADS-B Out',
};
const NAMED: Readonly<Record<string, string>> = {
  ...INSPECTION_NAMES,
  ...METER_NAMES_IN_WORDS,
  ...QUANTITY_NAMES_IN_WORDS,
  ...EQUIPMENT_NAMES,
  ...DOCUMENT_NAMES,
  ...OF_A_FLIGHT,
  'maintenance-release': 'maintenance release',
};

/** What an act is done to, in words; empty for a record, whose id says nothing to a person. */
export function onText(act: Act, on: string | null): string {
  if (on === null) return '';
  // Of an item of equipment or of a flight the same word says two things.
  if (act === 'obtain-atc-authorisation' || act === 'state-for-flight' || act === 'change-flight')
    return OF_A_FLIGHT[on] ?? '';
  const [quantity = '', which] = on.split(' ');
  return (
    NAMED[on]
    ?? (which === undefined || NAMED[quantity] === undefined
      ? which === undefined
        ? ''
        : on
      : `${NAMED[quantity]}, ${which}`)
  );
}

/** Acts in words, with who does them where that is said; the same act on several things is said once. */
export function actsText(acts: readonly (Pick<Remedy, 'act' | 'on'> & { readonly by?: Entitled })[]): string {
  const groups = new Map<
    string,
    { readonly act: Act; readonly by: string; readonly on: readonly string[] }
  >();
  for (const { act, on, by: whom } of acts) {
    const by = whom === undefined ? '' : ` – ${entitledText(whom)}`;
    const known = groups.get(`${act}${by}`)?.on ?? [];
    const thing = onText(act, on);
    groups.set(`${act}${by}`, {
      act,
      by,
      on: thing === '' || known.includes(thing) ? known : [...known, thing],
    });
  }
  return [...groups.values()]
    .map(({ act, by, on }) => `${ACT_NAMES[act]}${on.length === 0 ? '' : ` (${on.join('; ')})`}${by}`)
    .join('; ');
}
