import type { Authority } from '../records/club/certificate';
import { auMaintenanceRelease } from './packs/au-maintenance-release';
import { clubPolicy, type ClubPolicyParameters } from './packs/club-policy';
import { ownRule, type OwnRule } from './packs/own-rules';
import type { BoundRule } from './packs/pack';
import type { Act } from './parts/constraint';
import type { Lessons } from './parts/for-hire';
import { usPart91, type UsPart91Parameters } from './packs/us-part91';

/** Every rule pack by id. */
export const PACKS = {
  'us-part91': usPart91,
  'au-maintenance-release': auMaintenanceRelease,
  'club-policy': clubPolicy,
} as const;

/** An authority's pack: exactly one decides an aircraft. */
export type AuthorityChoice =
  | { readonly id: 'us-part91'; readonly parameters: UsPart91Parameters }
  | { readonly id: 'au-maintenance-release' };

/** A club's pack, with its choices and the rules that it adds. */
export interface ClubChoice {
  readonly id: 'club-policy';
  readonly parameters: ClubPolicyParameters;
  readonly own: OwnPack | null;
}

/** Rules that a club wrote itself, as data. */
export interface OwnPack {
  readonly id: string;
  readonly version: string;
  readonly title: string;
  readonly rules: readonly OwnRule[];
}

/** What the club says that an act takes: whole minutes out of service, and whole cents. It orders remedies and never decides. */
export interface ClubEstimate {
  readonly act: Act;
  readonly minutes: number;
  readonly cents: number;
}

/** Which rules decide an aircraft. */
export interface PackChoices {
  readonly authority: AuthorityChoice;
  readonly club: ClubChoice | null;
  /** Absent: the club has said nothing, and what is usual holds. */
  readonly estimates?: readonly ClubEstimate[];
}

/** Whose certificates count under a choice of packs. */
export function authorityOf({ authority }: Pick<PackChoices, 'authority'>): Authority {
  return authority.id === 'au-maintenance-release' ? 'au' : 'us';
}

/** What lessons are under a choice of packs; where an authority's pack leaves no choice, the strictest. */
export function lessonsOf({ authority }: Pick<PackChoices, 'authority'>): Lessons {
  return authority.id === 'us-part91' ? authority.parameters.lessons : 'lessons-are-for-hire';
}

/** A rule as it stands in a chosen pack. */
export interface ChosenRule {
  readonly pack: string;
  readonly rule: BoundRule;
}

/** The packs of a choice with their versions, for every record of a decision. */
export function packVersions({
  authority,
  club,
}: PackChoices): readonly { readonly id: string; readonly version: string }[] {
  return [
    { id: authority.id, version: PACKS[authority.id].version },
    ...(club === null ? [] : [{ id: club.id, version: PACKS[club.id].version }]),
    ...(club?.own == null ? [] : [{ id: club.own.id, version: club.own.version }]),
  ];
}

/** A club's choice stays the same object for many aircraft. */
const chosenBefore = new WeakMap<PackChoices, readonly ChosenRule[]>();

/** The rules of the chosen packs, in their published order. */
export function chosenRules(packs: PackChoices): readonly ChosenRule[] {
  let rules = chosenBefore.get(packs);
  if (rules === undefined) {
    rules = chooseRules(packs);
    chosenBefore.set(packs, rules);
  }
  return rules;
}

function chooseRules({ authority, club }: PackChoices): readonly ChosenRule[] {
  const own =
    authority.id === 'us-part91'
      ? PACKS['us-part91'].rules(authority.parameters)
      : PACKS['au-maintenance-release'].rules();
  const added = club === null ? [] : PACKS[club.id].rules(club.parameters);
  const written = club?.own == null ? [] : club.own.rules.map(ownRule);
  return [
    ...own.map((rule) => ({ pack: authority.id, rule })),
    ...added.map((rule) => ({ pack: 'club-policy', rule })),
    ...written.map((rule) => ({ pack: club?.own?.id ?? 'club-policy', rule })),
  ];
}
