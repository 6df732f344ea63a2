import type { Reason, ReasonCode } from '../../core/rules/parts/reason';
import type { DiscountedEntry } from '../../core/records/maintenance/inspection';
import { dateText, list } from '../wording';
import { FAULT_NAMES, INSPECTION_NAMES } from '../names';

type Fault = keyof typeof FAULT_NAMES;

/** A reason in words: the headline first, then what it means. */
export interface ReasonWords {
  readonly headline: string;
  readonly meaning: string;
}

/** Whether the constraint bites now or lies ahead: 'ended' against 'ends'. 'unsure': it may have begun, nobody can tell. */
export type Tense = 'in-force' | 'ahead' | 'unsure';

type Teller<C extends ReasonCode> = (reason: Extract<Reason, { code: C }>, tense: Tense) => ReasonWords;

/** Tellers of some codes: a code without its own does not compile. */
export type Tellers<C extends ReasonCode> = { readonly [K in C]: Teller<K> };

/** A headline and its meaning. */
export const words = (headline: string, meaning: string): ReasonWords => ({ headline, meaning });
/** 'ends', 'ended', or 'ends … ; whether that has come is not known'. */
export const ends = (tense: Tense): string => (tense === 'in-force' ? 'ended' : 'ends');
/** What is said where nobody can tell whether a limit has come. */
export const unsure = (tense: Tense): string =>
  tense === 'unsure' ? '; whether that has come is not known' : '';
export const UNSEEN = 'A document that nobody has seen counts as missing.';

/** Entries that do not count, each with what is wrong with it. */
export function discountedText(entries: readonly DiscountedEntry[]): string {
  return entries
    .map(
      ({ kind, completedOn, faults }) =>
        ` The ${INSPECTION_NAMES[kind]} of ${dateText(completedOn)} does not count: ${faultsText(faults)}.`,
    )
    .join('');
}

/** What is wrong with an entry, as one list: what it lacks is said together. */
export function faultsText(faults: readonly Fault[]): string {
  const lacks = 'the entry lacks ';
  const named = faults.map((fault) => FAULT_NAMES[fault]);
  const missing = named.filter((name) => name.startsWith(lacks)).map((name) => name.slice(lacks.length));
  return list([
    ...(missing.length === 0 ? [] : [`${lacks}${list(missing)}`]),
    ...named.filter((name) => !name.startsWith(lacks)),
  ]);
}
