import { ROLES, type Role } from '../club/roles';

/**
 * Who may do what: the only table that says so. Commands ask it, routes and screens ask it, docs/security.md and the hostile runs are
 * made from it.
 * A role permits the act; where something is signed, a certificate besides permits the signature.
 */

/** How an act may make an aircraft available for more than it was. */
export type Opens =
  /** It never does. */
  | 'nothing'
  /** Only by a routine condition: a measurement, a sample, a document that is still on board after its check grew old. */
  | 'routine'
  /** Only by a signature: a certificate that entitles to it, valid on the day. */
  | 'signed'
  /** By a statement of somebody who keeps the records. */
  | 'stated'
  /** Its record waits, and counts once somebody vouches for it. */
  | 'waits';

export interface Permission {
  readonly roles: readonly Role[];
  /** What it is, for people. */
  readonly does: string;
  readonly opens: Opens;
  /** What somebody is told who may not. */
  readonly denied: string;
}

/** Everybody who has a role in the club. */
const EVERYBODY = ROLES;
const NO_ROLE = 'You have no role in this club. Ask the dispatcher.';
const DESK = ['dispatcher', 'instructor'] as const;

export const ACTS = {
  'report-finding': {
    roles: EVERYBODY,
    does: 'report a finding',
    opens: 'nothing',
    denied: 'You have no role in this club. Tell the dispatcher what you found.',
  },
  'manage-own-notices': {
    roles: EVERYBODY,
    does: 'see what they were told, and say how they want to be told',
    opens: 'nothing',
    denied: 'You have no role in this club, so nobody tells you anything. Ask the administrator.',
  },
  'see-sent-mails': {
    roles: ['administrator'],
    does: 'see which mails the club’s people were sent',
    opens: 'nothing',
    denied: 'Only the administrator sees the mails of others.',
  },
  'add-photo': {
    roles: EVERYBODY,
    does: 'add a photo to a finding or a record of their own',
    opens: 'nothing',
    denied: NO_ROLE,
  },
  'check-documents': {
    roles: EVERYBODY,
    does: 'check documents on board: confirm what is still there, say what is not',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'state-documents': {
    roles: ['dispatcher', 'mechanic', 'administrator'],
    does: 'put documents right that were missing, expired or contradicted; enter new dates and numbers',
    opens: 'stated',
    denied:
      'Only a dispatcher, a mechanic or the administrator puts a document right that was missing, expired or another’s.',
  },
  'do-walk-round': {
    roles: EVERYBODY,
    does: 'do a walk-round, answer its steps, measure and sample, announce what is to be done',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'do-run-up': {
    roles: EVERYBODY,
    does: 'do the run-up at the hold and brief passengers by their lists',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'do-rigging': {
    roles: EVERYBODY,
    does: 'rig a glider by its list and answer for it, by a pilot’s or a mechanic’s certificate of their own',
    opens: 'signed',
    denied: NO_ROLE,
  },
  'record-taken-apart': {
    roles: EVERYBODY,
    does: 'say that a glider was taken apart',
    opens: 'nothing',
    denied: NO_ROLE,
  },
  'give-up-walk-round': {
    roles: DESK,
    does: 'give up a walk-round that somebody left',
    opens: 'stated',
    denied: 'Only a dispatcher or an instructor gives a walk-round up. Ask at the desk, or finish it.',
  },
  'record-announced': {
    roles: EVERYBODY,
    does: 'record that what was announced on the ramp is done; oil and air by a pilot, a mechanic or the desk',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'set-walk-round-method': {
    roles: ['administrator', 'instructor'],
    does: 'say how the school walks round, and whether a flight waits for it',
    opens: 'stated',
    denied: 'Only the administrator or an instructor says how the school walks round.',
  },
  'read-meters': {
    roles: EVERYBODY,
    does: 'read the meters of an aircraft that stands',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'see-release': {
    roles: EVERYBODY,
    does: 'say that the maintenance release is on board, or is not',
    opens: 'routine',
    denied: NO_ROLE,
  },
  'sign-daily-inspection': {
    roles: EVERYBODY,
    does: 'sign the daily inspection',
    opens: 'signed',
    denied: NO_ROLE,
  },
  'plan-flight': {
    roles: ['dispatcher', 'instructor', 'renter', 'student'],
    does: 'plan, move and cancel flights of their own',
    opens: 'nothing',
    denied: 'Only dispatchers, instructors, renters and students plan flights. Ask the dispatcher.',
  },
  'plan-flight-of-others': {
    roles: DESK,
    does: 'plan, move and cancel anybody’s flights',
    opens: 'nothing',
    denied: 'This is somebody else’s flight. They move or cancel it themselves, or the desk does; ask there.',
  },
  'release-flight': {
    roles: DESK,
    does: 'sign the release of an aircraft for one flight',
    opens: 'nothing',
    denied: 'Only a dispatcher or an instructor releases an aircraft for a flight. Ask at the desk.',
  },
  'withdraw-release': {
    roles: DESK,
    does: 'withdraw a release',
    opens: 'nothing',
    denied: 'Only a dispatcher or an instructor withdraws a release. Ask at the desk.',
  },
  'check-out': {
    roles: DESK,
    does: 'check an aircraft out',
    opens: 'nothing',
    denied: 'Only a dispatcher or an instructor checks an aircraft out. Ask at the desk.',
  },
  'check-in': {
    roles: DESK,
    does: 'check an aircraft in',
    opens: 'stated',
    denied: 'Only a dispatcher or an instructor checks an aircraft in. Go to the desk.',
  },
  'return-to-service': {
    roles: ['mechanic', 'instructor'],
    does: 'close a finding',
    opens: 'signed',
    denied:
      'Only a mechanic, or an instructor for what instructors judge, can close a finding. Ask one of them.',
  },
  'accept-mark': {
    roles: ['mechanic', 'instructor'],
    does: 'accept a lasting mark',
    opens: 'signed',
    denied: 'Only a mechanic or an instructor accepts a mark. Report it as a finding; they will look.',
  },
  'sign-entry': {
    roles: ['mechanic', 'instructor'],
    does: 'sign maintenance by a certificate of their own',
    opens: 'signed',
    denied: 'Only a mechanic or an instructor signs here. Ask one of them.',
  },
  'copy-entry': {
    roles: ['mechanic', 'dispatcher', 'administrator'],
    does: 'copy an entry from the paper logbook or the paper release',
    opens: 'waits',
    denied:
      'Only a mechanic, a dispatcher or the administrator copies entries from document. Ask one of them.',
  },
  'vouch-for-copy': {
    roles: ['mechanic', 'administrator'],
    does: 'vouch for a copy of a signed entry that somebody else made',
    opens: 'stated',
    denied: 'Only a mechanic or the administrator vouches for a copy. Ask one of them.',
  },
  'defer-finding': {
    roles: ['mechanic', 'instructor', 'dispatcher'],
    does: 'defer an inoperative item, by a pilot’s or a mechanic’s certificate of their own',
    opens: 'signed',
    denied:
      'Only a mechanic, an instructor or a dispatcher who holds a certificate defers an item. Ask one of them.',
  },
  'triage-finding': {
    roles: ['mechanic', 'instructor', 'dispatcher'],
    does: 'decide about a finding: it grounds, is watched (signed by who may judge it), or is the same as another',
    opens: 'signed',
    denied: 'Only a mechanic, an instructor or a dispatcher decides about findings. Ask one of them.',
  },
  'enter-permit': {
    roles: ['mechanic'],
    does: 'enter a special flight permit and sign that the aircraft is safe for its flight',
    opens: 'signed',
    denied: 'Only a mechanic signs that an aircraft is safe for a flight under a special flight permit.',
  },
  'begin-work': {
    roles: ['mechanic', 'instructor', 'dispatcher'],
    does: 'say that work on an aircraft is begun: it is grounded until the work is approved',
    opens: 'nothing',
    denied:
      'Only a mechanic or the desk says that work is begun. Report what you found, and tell one of them.',
  },
  'record-work': {
    roles: ['mechanic', 'instructor', 'dispatcher'],
    does: 'record work that is done and sign it; a pilot signs preventive maintenance alone',
    opens: 'signed',
    denied: 'Only a mechanic records work, or an instructor or dispatcher who holds a certificate for it.',
  },
  'approve-work': {
    roles: ['mechanic'],
    does: 'approve work on record for return to service',
    opens: 'signed',
    denied: 'Only a mechanic approves work for return to service. Ask one of them.',
  },
  'record-check-flight': {
    roles: ['instructor', 'dispatcher', 'mechanic'],
    does: 'record the check flight after work, by a pilot’s certificate of their own',
    opens: 'signed',
    denied:
      'Only the desk, an instructor or a mechanic who holds a pilot’s certificate records a check flight.',
  },
  'inspect-independently': {
    roles: ['mechanic', 'instructor', 'dispatcher'],
    does: 'sign the second inspection of flight controls, which somebody else worked on',
    opens: 'signed',
    denied: 'Only a mechanic or a pilot of the desk signs the second inspection of flight controls.',
  },
  'restrict-dispatch': {
    roles: ['dispatcher', 'instructor', 'mechanic', 'safety-officer'],
    does: 'restrict an aircraft beyond what the records ask, with a reason',
    opens: 'nothing',
    denied: 'Only the desk, a mechanic or the safety officer restricts an aircraft. Tell one of them why.',
  },
  'withdraw-restriction': {
    roles: ['dispatcher'],
    does: 'withdraw a restriction; what the records close stays closed',
    opens: 'stated',
    denied: 'Only a dispatcher withdraws a restriction. Ask at the desk.',
  },
  'clear-list': {
    roles: ['mechanic'],
    does: 'clear the list of an inspection',
    opens: 'signed',
    denied: 'Only a mechanic clears the list of an inspection.',
  },
  'clear-fuel': {
    roles: ['mechanic'],
    does: 'sign that suspect fuel was dealt with',
    opens: 'signed',
    denied: 'Only a mechanic signs that suspect fuel was dealt with. Draining again does not cure it.',
  },
  'sign-release': {
    roles: ['mechanic'],
    does: 'sign a maintenance release, or work on it',
    opens: 'signed',
    denied: 'Only a mechanic signs this; somebody else may copy it from the paper release.',
  },
  'keep-release': {
    roles: ['dispatcher', 'mechanic', 'instructor', 'administrator'],
    does: 'suspend or cancel a maintenance release, add required work',
    opens: 'nothing',
    denied: 'Only a dispatcher, an instructor or a mechanic keeps the maintenance release. Ask one of them.',
  },
  'correct-records': {
    roles: ['dispatcher', 'mechanic'],
    does: 'correct or strike out an entry; what is signed only by who recorded it or could sign it',
    opens: 'stated',
    denied: 'Only a dispatcher or a mechanic corrects the records of an aircraft. Ask one of them.',
  },
  'keep-meters': {
    roles: ['dispatcher', 'mechanic'],
    does: 'enter or exchange a meter, fit or remove a meter recorder',
    opens: 'stated',
    denied: 'Only a dispatcher or a mechanic enters the meters of an aircraft. Ask one of them.',
  },
  'attribute-unlogged': {
    roles: ['dispatcher'],
    does: 'say whose unlogged time is, with its landings',
    opens: 'stated',
    denied: 'Only a dispatcher says whose unlogged time is.',
  },
  'add-aircraft': {
    roles: ['administrator', 'dispatcher'],
    does: 'enter an aircraft',
    opens: 'nothing',
    denied: 'Only the administrator or a dispatcher enters an aircraft.',
  },
  'enter-fact': {
    roles: ['administrator', 'dispatcher', 'mechanic'],
    does: 'enter what an aircraft is and carries for the first time',
    opens: 'stated',
    denied: 'Only a dispatcher, a mechanic or the administrator enters what an aircraft is and carries.',
  },
  'replace-fact': {
    roles: ['administrator', 'mechanic'],
    does: 'replace what is on record of an aircraft and its equipment',
    opens: 'stated',
    denied: 'This is on record already. A mechanic or the administrator replaces it; ask one of them.',
  },
  'import-rows': {
    roles: ['dispatcher'],
    does: 'import lists; signed entries among them are copies and wait',
    opens: 'waits',
    denied: 'Only a dispatcher imports records.',
  },
  'export-lists': {
    roles: EVERYBODY,
    does: 'export lists of aircraft and maintenance',
    opens: 'nothing',
    denied: 'Only members of the club with a role export its records.',
  },
  'export-flights': {
    roles: ['dispatcher', 'instructor', 'administrator', 'safety-officer'],
    does: 'export flights with the names of who flew',
    opens: 'nothing',
    denied: 'Flights with the names of who flew are for the desk, the administrator and the safety officer.',
  },
  'export-club': {
    roles: ['dispatcher', 'safety-officer'],
    does: 'export the whole club',
    opens: 'nothing',
    denied: 'Only a dispatcher or the safety officer exports the whole club.',
  },
  'keep-calendar': {
    roles: ['dispatcher', 'mechanic', 'safety-officer'],
    does: 'make or revoke an address of the calendar',
    opens: 'nothing',
    denied: 'Only a dispatcher, a mechanic or the safety officer makes or revokes such an address.',
  },
  'see-safety': {
    roles: ['instructor', 'safety-officer', 'administrator'],
    does: 'see how available the aircraft were, what kept them from flying, and what was missed',
    opens: 'nothing',
    denied: 'This page is for instructors, the safety officer and the administrator.',
  },
  'see-passed-checks': {
    roles: ['instructor', 'safety-officer'],
    does: 'see which walk-rounds passed the step of something that was found later',
    opens: 'nothing',
    denied: 'Which walk-rounds passed a step is for instructors and the safety officer, to teach from.',
  },
  'see-certificates': {
    roles: ['dispatcher', 'instructor', 'mechanic', 'administrator'],
    does: 'see the numbers of certificates',
    opens: 'nothing',
    denied: 'Numbers of certificates are for the desk, mechanics and the administrator.',
  },
  'manage-people': {
    roles: ['administrator'],
    does: 'admit people, change their roles, enter and end certificates',
    opens: 'stated',
    denied: 'Only the club’s administrator admits people and changes what they may do.',
  },
  'change-club': {
    roles: ['administrator'],
    does: 'change the club’s field and rules',
    opens: 'stated',
    denied: 'Only the club’s administrator changes its field and its rules.',
  },
} as const satisfies Readonly<Record<string, Permission>>;

export type Act = keyof typeof ACTS;
export const ACT_NAMES = Object.keys(ACTS) as readonly Act[];

/** Whether somebody with these roles may do this. */
export function may(roles: readonly string[], act: Act): boolean {
  const allowed: readonly string[] = ACTS[act].roles;
  return roles.some((role) => allowed.includes(role));
}

/**
 * Who may make an aircraft available for more with a record of this kind. Kinds are those of the database: its tables, and the kinds of
 * `aircraft_record`.
 */
export const RECORDS_THAT_OPEN = {
  document_sighting:
    'any member where it confirms what is on record; otherwise a dispatcher, a mechanic or the administrator, at once or by vouching for what a member saw',
  inspection:
    'the person who signs it by their own certificate; a copy once a mechanic or the administrator vouches for it',
  meter_reading: 'any member: reading a meter is a routine condition, and never takes a limit away',
  discrepancy: 'nobody: it only closes',
  rectification: 'the person who signs it by their own certificate',
  strike:
    'a dispatcher or a mechanic; what is signed only by who recorded it or could sign it; what refused the aircraft only by who could sign the opposite',
  aircraft_description: 'the first by a record keeper, a later one by a mechanic or the administrator',
  stated: 'a dispatcher, a mechanic or the administrator',
  equipment: 'the first by a record keeper, a later one by a mechanic or the administrator',
  item: 'nobody: it only asks for something',
  ad: 'nobody: it only asks for something',
  done: 'the person who signs it by their own certificate; a copy once a mechanic or the administrator vouches for it',
  compliance:
    'the person who signs it by their own certificate; a copy once a mechanic or the administrator vouches for it',
  'list-cleared': 'a mechanic by their own certificate',
  release:
    'a mechanic by their own certificate; a copy once a mechanic or the administrator vouches for it; that it is still on board, any member',
  'daily-inspection': 'the person who signs it by their own certificate',
  elt: 'a dispatcher, a mechanic or the administrator',
  'vor-check': 'a dispatcher, a mechanic or the administrator',
  database: 'a dispatcher, a mechanic or the administrator',
  rigging:
    'a dispatcher, a mechanic or the administrator; who rigged it by its list, by their own pilot’s or mechanic’s certificate',
  'club-document': 'a dispatcher, a mechanic or the administrator',
  attribution: 'a dispatcher',
  unlogged: 'nobody: it only brings limits nearer',
  'known-mark': 'nobody: a mark closes no finding',
  uplift: 'the desk, with a check-in; the person who records what was announced',
  'flight-out': 'nobody: it only makes unavailable',
  flight_release: 'nobody: what the records close stays closed',
  flight_release_end: 'nobody: it only ends a release',
  deferral: 'the person who signs it by their own certificate',
  'fuel-stretch': 'nobody on a screen yet: by import of a whole club only',
  work: 'nobody: it only asks for something',
  'work-approval': 'a mechanic by their own certificate',
  triage:
    'who signs that it is watched, by a certificate that its class asks for; otherwise nobody: it only closes',
  'check-flight': 'the pilot who flew it, by their own certificate',
  'independent-inspection': 'the second person, by their own certificate',
  permit: 'a mechanic by their own certificate',
  'dispatch-restriction': 'nobody: it only closes',
  'restriction-withdrawn': 'a dispatcher: what the records close stays closed',
  'tow-rope': 'a dispatcher, a mechanic or the administrator',
  'minimum-equipment-list': 'a mechanic or the administrator',
  measurement: 'any member on a walk-round: measuring is a routine condition',
  sample: 'any member on a walk-round: sampling is a routine condition',
  walkround: 'any member who does it: a routine condition; the desk where it gives one up',
  walkround_event: 'any member who looks: a routine condition',
  walkround_end: 'the person who did it; the desk where it gives one up',
  walkround_method: 'the administrator or an instructor',
  'ramp-data': 'the first by a record keeper, a later one by a mechanic or the administrator',
  announced: 'nobody: it only makes a flight wait',
  'fuel-cleared': 'a mechanic by their own certificate',
  'announced-done': 'any member; oil and air by a pilot, a mechanic or the desk',
  estimate: 'nobody: it only plans',
} as const satisfies Readonly<Record<string, string>>;
