// What the tests of folder are made of. For tests only.
import { randomUUID } from 'node:crypto';
import type { DocumentCheckRound } from '@/contracts/documents/document-check';
import type { SignedEntry } from '@/contracts/maintenance/new-entry';
import { hours } from '@/core/quantities/hours';
import { civilDate } from '@/core/time/civil-date';
import { inClub } from '@/db/kernel/club-transaction';
import { folder } from '@/queries/aircraft/folder';
import { line } from '@/queries/aircraft/line';
import { PASSWORD, testClub } from '@/testing/database';
import type { Actor } from '@/commands/kernel/command';
import { recordEntry } from '@/commands/maintenance/record-entry';

export let club: Awaited<ReturnType<typeof testClub>>;
export const inTx = <T>(work: Parameters<typeof inClub<T>>[2]) => inClub(club.ports.db, club.clubId, work);
export const row = async () => (await inTx((tx) => line(tx, club.clubId, club.ports.now(), true))).rows[0];
export const revision = async () => (await row())?.revision ?? 0;
export const folderNow = async (role: Parameters<typeof club.actor>[0] = 'mechanic') => {
  const found = await inTx((tx) => folder(tx, club.actor(role), 'N02TB', club.ports.now()));
  if (found === null) throw new Error('there is no such folder');
  return found;
};
export const due = async (name: string) => (await folderNow()).due.find((one) => one.name === name);
export const hundred = (timeInService: string, change: object = {}): SignedEntry['draft'] =>
  ({
    of: 'inspection',
    kind: 'hundred-hour',
    completedOn: civilDate('2026-11-24'),
    timeInService: hours(timeInService),
    outcome: 'approved',
    excess: null,
    testedToFeet: null,
    ...change,
  }) as SignedEntry['draft'];
export const own = (role: Parameters<typeof club.certificateOf>[0] = 'mechanic') => ({
  by: 'own-certificate' as const,
  certificateId: club.certificateOf(role),
});
export const record = async (
  draft: SignedEntry['draft'],
  change: Partial<SignedEntry> = {},
  actor: Actor = club.actor('mechanic'),
) =>
  recordEntry(club.ports, actor, {
    entryId: randomUUID(),
    aircraftId: club.aircraftId,
    seenRevision: change.seenRevision ?? (await revision()),
    draft,
    description: 'Inspected as the programme says.',
    signer: own(),
    aboveMeter: false,
    password: PASSWORD,
    ...change,
  });
export const paper = (
  kind: DocumentCheckRound['documentChecks'][number]['kind'],
): DocumentCheckRound['documentChecks'][number] => ({
  documentCheckId: randomUUID(),
  kind,
  keptWhere: 'pouch behind the left seat',
  number: null,
  aboard: true,
  legible: true,
  displayed: null,
  registrationShown: null,
  serialShown: null,
  issuedOn: null,
  printedExpiry: null,
  form: null,
  revision: null,
  placards: null,
  datedOn: null,
  tankFitted: null,
  temporary: null,
});
export const round = (documentChecks: DocumentCheckRound['documentChecks']): DocumentCheckRound => ({
  aircraftId: club.aircraftId,
  seenAt: club.ports.now(),
  documentChecks,
});
/** What each test begins with. */
export async function freshClub(): Promise<void> {
  club = await testClub();
}
/** Another club instead of the one that the test began with. */
export async function useClub(...given: Parameters<typeof testClub>): Promise<void> {
  club = await testClub(...given);
}
