import type { Certificate, Signature } from '../../core/records/club/certificate';
import { boxOf } from './case-boxes';
import type { CaseFile } from './case-file';

export type Optional<T> = T | undefined;
export type RecordLists =
  | 'riggings'
  | 'elts'
  | 'vorChecks'
  | 'databases'
  | 'clubDocuments'
  | 'documents'
  | 'inspections'
  | 'discrepancies'
  | 'meterReadings'
  | 'equipment'
  | 'items'
  | 'ads'
  | 'work'
  | 'permits'
  | 'releases'
  | 'towRopes'
  | 'minimumLists';

export type In<K extends RecordLists> = NonNullable<CaseFile[K]>[string];
type GivenSignature = In<'inspections'>['signedBy'];

/** An absent value is not known. */
export const known = <T>(value: Optional<T>): T | null => value ?? null;
/** Records with their ids. */
export const byId = <T>(records: Optional<Record<string, T>>): readonly [string, T][] =>
  Object.entries(records ?? {});
export const boxes = (given: Optional<readonly Parameters<typeof boxOf>[0][]>) =>
  given === undefined ? null : given.map(boxOf);
export const listed = <T, R>(
  records: Optional<Record<string, T>>,
  map: (id: string, record: T) => R,
): readonly R[] => byId(records).map(([id, record]) => map(id, record));
/** 1 lb = 453.59237 g exactly: in hundred-thousandths of a gram every whole pound is a whole number. */
const PER_POUND = 45_359_237;
export const grams = (pounds: Optional<number>): number | null =>
  pounds === undefined ? null : pounds * PER_POUND;

function certificateOf(given: Optional<NonNullable<GivenSignature>['certificate']>): Certificate | null {
  return given === undefined
    ? null
    : {
        kind: given.kind,
        number: known(given.number),
        validFrom: known(given.validFrom),
        validUntil: known(given.validUntil),
      };
}

export function signatureOf(given: GivenSignature): Signature | null {
  return given === undefined
    ? null
    : { name: known(given.name), certificate: certificateOf(given.certificate) };
}

export const signed = (given: NonNullable<GivenSignature>): Signature => ({
  name: known(given.name),
  certificate: certificateOf(given.certificate),
});
