// The application's own connection to a migrated database, for tests only. tools/test.mjs makes it and sets DATABASE_URL.
import { createHash, randomUUID } from 'node:crypto';
import type { Actor, Outcome, Ports, Refusal } from '@/commands/kernel/command';
import { foundClub } from '@/commands/club/found-club';
import { loadFolder } from '@/commands/kernel/load-folder';
import { NO_RECORDS } from '@/commands/kernel/load-records';
import type { Certificate } from '@/core/records/club/certificate';
import { civilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { openDatabase, openPool, type Database } from '@/db/kernel/connection';
import type { Json } from '@/contracts/kernel/merge-patch';
import { cleanCase } from './clean-case';
import { othersOf } from '../../tools/cases/other-records';

/** A variable that tools/test.mjs sets. */
export function given(name: string): string {
  const value = process.env[name];
  if (value === undefined || value === '')
    throw new Error(`${name} is not set: start these tests by npm test, or npm test -- --only database`);
  return value;
}

// Shared by all files that one worker runs, and ended with it.
const pool = openPool(given('DATABASE_URL'), 12);
const db = openDatabase(pool);

/** The password of everybody in tests. */
export const PASSWORD = 'right-password';

/** Ports with a clock that a test sets, and one password for everybody. */
export function testPorts(start: Instant, database: Database = db): Ports & { at: Instant } {
  const ports = {
    at: start,
    db: database,
    now: (): Instant => ports.at,
    newId: randomUUID,
    sha256: (bytes: Uint8Array) => createHash('sha256').update(bytes).digest(),
    checkPassword: (_: string, password: string) =>
      Promise.resolve(password === PASSWORD ? ('right' as const) : ('wrong' as const)),
    hashPassword: (password: string) => Promise.resolve(`hash of ${password}`),
    whyNoPush: () => null as string | null,
    reencodePhoto: (bytes: Uint8Array) =>
      Promise.resolve(bytes.length === 0 ? null : { bytes, width: 4, height: 3 }),
  };
  return ports;
}

/** The value of an outcome that must be good. */
export function good<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(`refused: ${JSON.stringify(outcome.refusal)}`);
  return outcome.value;
}

/** The refusal of an outcome that must be one. */
export function bad<T>(outcome: Outcome<T>): Refusal {
  if (outcome.ok) throw new Error(`not refused: ${JSON.stringify(outcome.value)}`);
  return outcome.refusal;
}

const lasting = (kind: Certificate['kind'], number: string): Certificate => ({
  kind,
  number,
  validFrom: civilDate('2015-06-01'),
  validUntil: 'no-expiry',
});

/** A club of this test's own, with one aircraft whose folder is the clean case's with some of it changed, and one person a role. */
export async function testClub(change: Json = {}, database: Database = db) {
  const { facts, packs, asOf } = cleanCase(change);
  const ports = testPorts(asOf, database);
  const clubId = randomUUID();
  const aircraftId = randomUUID();
  const roles = [
    'dispatcher',
    'renter',
    'student',
    'instructor',
    'mechanic',
    'safety-officer',
    'administrator',
  ] as const;
  const certificates = {
    administrator: [],
    mechanic: [
      packs.authority.id === 'us-part91'
        ? lasting('mechanic-airframe-powerplant', 'AP-1')
        : lasting('licensed-engineer', 'L-1'),
    ],
    instructor: [lasting('flight-instructor', 'FI-1')],
    renter: [lasting('pilot', 'P-1')],
    student: [lasting('student-pilot', 'S-1')],
    dispatcher: [],
    'safety-officer': [],
  };
  const ids = Object.fromEntries(
    roles.map((role) => [role, { person: `${role}-${clubId}`, certificate: randomUUID() }]),
  ) as Record<(typeof roles)[number], { person: string; certificate: string }>;
  good(
    await foundClub(ports, {
      clubId,
      name: 'Test club',
      place: facts.place,
      packs,
      members: roles.map((role) => ({
        personId: ids[role].person,
        name: `The ${role}`,
        roles: [role],
        certificates: certificates[role].map((certificate) => ({
          ...certificate,
          certificateId: ids[role].certificate,
        })),
      })),
    }),
  );
  const actor = (role: (typeof roles)[number]): Actor => ({
    personId: ids[role].person,
    name: `The ${role}`,
    clubId,
    roles: [role],
  });
  const uuid = <R extends { readonly id: string }>(record: R): R => ({ ...record, id: randomUUID() });
  good(
    await loadFolder(ports, actor('dispatcher'), {
      aircraftId,
      registration: facts.aircraft.registration,
      typeName: 'Quorin 160',
      category: facts.aircraft.category,
      firstFlownOn: facts.aircraft.firstFlownOn,
      approvedFor: facts.aircraft.approvedFor,
      features: null,
      particulars: facts.aircraft.particulars,
      ...NO_RECORDS,
      documents: facts.documents.map((document) => ({ ...uuid(document), keptWhere: 'pouch' })),
      inspections: facts.inspections.map(uuid),
      readings: facts.readings.map(uuid),
      others: othersOf(facts, randomUUID),
    }),
  );
  return {
    ports,
    clubId,
    aircraftId,
    place: facts.place,
    packs,
    actor,
    certificateOf: (role: (typeof roles)[number]) => ids[role].certificate,
  };
}
