/** What is done to an aircraft or its records. Each has its sentence in the aircraft's history. */
export const AIRCRAFT_ACTS = [
  'accept-mark',
  'announce',
  'answer-walk-round',
  'begin-walk-round',
  'give-up-walk-round',
  'record-announced',
  'sign-walk-round',
  'take-apart',
  'defer-finding',
  'restrict-dispatch',
  'withdraw-restriction',
  'add-meter',
  'add-photo',
  'attribute-unlogged',
  'box-readings',
  'cancel-flight',
  'change-release',
  'check-documents',
  'check-in',
  'check-out',
  'clear-list',
  'clear-fuel',
  'correct-reading',
  'enter-fact',
  'exchange-meter',
  'fit-box',
  'flight-moved-away',
  'import-rows',
  'issue-release',
  'load-folder',
  'load-records',
  'move-flight',
  'plan-flight',
  'read-meters',
  'record-entry',
  'remove-box',
  'report-finding',
  'return-to-service',
  'sign-daily-inspection',
  'strike',
  'vouch',
] as const;

/** What is done to the club, its people and what lets them in; a change of the club is told of every aircraft that it decides again. */
export const CLUB_ACTS = [
  'accept-admission',
  'admit-person',
  'change-club',
  'change-roles',
  'end-certificate',
  'enter-certificate',
  'found-club',
  'join',
  'make-calendar-address',
  'make-link',
  'new-password',
  'revoke-calendar-address',
  'revoke-link',
  'set-walk-round-method',
  'take-charge',
] as const;

/** Everything that the ledger tells of. A new one needs its sentence in `explain/history.ts`. */
export const LEDGER_ACTS = [...AIRCRAFT_ACTS, ...CLUB_ACTS] as const;
export type AircraftAct = (typeof AIRCRAFT_ACTS)[number] | 'change-club' | 'set-walk-round-method';
export type ClubAct = (typeof CLUB_ACTS)[number];
export type LedgerAct = (typeof LEDGER_ACTS)[number];
