import type { BoundRule } from './packs/pack';
import { clubPolicy, type ClubPolicyParameters } from './packs/club-policy';
import { usPart91 } from './packs/us-part91';

/** Every rule pack by id. */
export const PACKS = { 'us-part91': usPart91, 'club-policy': clubPolicy } as const;

/** An authority's pack: exactly one decides an aircraft. */
export interface AuthorityChoice { readonly id: 'us-part91' }
/** A club's pack, with its choices. */
export interface ClubChoice { readonly id: 'club-policy'; readonly parameters: ClubPolicyParameters }

/** Which rules decide an aircraft. */
export interface PackChoices {
  readonly authority: AuthorityChoice;
  readonly club: ClubChoice | null;
}

/** A rule as it stands in a chosen pack. */
export interface ChosenRule { readonly pack: keyof typeof PACKS; readonly rule: BoundRule }

/** A club's choice stays the same object for many aircraft. */
const chosenBefore = new WeakMap<PackChoices, readonly ChosenRule[]>();

/** The rules of the chosen packs, in their published order. */
export function chosenRules(packs: PackChoices): readonly ChosenRule[] {
  let rules = chosenBefore.get(packs);
  if (rules === undefined) { rules = chooseRules(packs); chosenBefore.set(packs, rules); }
  return rules;
}

function chooseRules({ authority, club }: PackChoices): readonly ChosenRule[] {
  const own = PACKS[authority.id].rules().map((rule) => ({ pack: authority.id, rule }));
  const added = club === null ? [] : PACKS[club.id].rules(club.parameters).map((rule) => ({ pack: club.id, rule }));
  return [...own, ...added];
}
