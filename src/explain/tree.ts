import type { DecidedConstraint, Decision } from '../core/decision/decision';
import type { WaysOut } from '../core/decision/ways-out';
import type { ZoneId } from '../core/time/zone';
import { capText, list, momentText, sentenceCase } from './formats';
import { tellFlight } from './flight';
import { leftText, limitName } from './limits';
import { ACT_NAMES, entitledText, sourceText } from './lifts';
import { AUTHORISED_NAMES, NOT_CHECKED_NAMES } from './names';
import { tellDecided } from './reasons';
import { availabilityText } from './window-text';
import { ADVICE, waysDocument, type DecisionWays } from './decision-document';

/** One line of an explanation, with what stands behind it: from the verdict down to the records. */
export interface Explained {
  readonly kind: 'verdict' | 'open' | 'flight' | 'wanted' | 'constraint' | 'meaning' | 'source' | 'record' | 'lift' | 'limit' | 'way' | 'notice' | 'not-checked' | 'advice' | 'heading';
  readonly text: string;
  readonly children: readonly Explained[];
}

const node = (kind: Explained['kind'], text: string, children: readonly Explained[] = []): Explained => ({ kind, text, children });

function constraintNode(constraint: DecidedConstraint, where: 'in-force' | 'ahead'): Explained {
  const { headline, meaning } = tellDecided(constraint, where);
  return node('constraint', headline, [
    node('meaning', meaning),
    node('source', `Rule: ${constraint.rule} of ${constraint.pack}; source: ${sourceText(constraint.source)}${constraint.certainty === 'unknown' ? '; not known, which closes what failing would close' : ''}.`),
    ...constraint.records.map((record) => node('record', `Rests on record ${record}.`)),
    ...constraint.lifts.map(({ act, by, leaves }) => node('lift', `${ACT_NAMES[act]}: ${entitledText(by)}${leaves === null ? '' : '; some uses stay closed after it'}.`)),
  ]);
}

function waysNode(title: string, ways: WaysOut | null): readonly Explained[] {
  const document = waysDocument(ways);
  if (document === null) return [];
  if (document.withoutLift.length > 0) return [node('heading', `${title}: no act opens it.`, document.withoutLift.map((id) => node('way', `Nothing lifts ${id}.`)))];
  return document.ways.length === 0 ? [] : [node('heading', `${title}:`, document.ways.map(({ words }, at) => node('way', `${at === 0 ? 'Smallest way' : `Next best ${at}`}: ${words}`)))];
}

/** What a permit covers, in words: what was on record when it was issued, and nothing found, done or removed since. */
function permitText(covers: readonly string[], { constraints }: Decision): string {
  const told = constraints.filter(({ id }) => covers.includes(id)).map((one) => tellDecided(one, 'in-force').headline);
  return `It covers what was on record when it was issued${told.length === 0 ? '.' : `: ${[...new Set(told)].join(' ')}`} Whatever was found, done or removed since is not covered.`;
}

const ANSWERS = { yes: 'Yes.', 'yes-after': 'Yes, after what follows.', no: 'No.' } as const;

/** The whole explanation of a decision as a tree, in the order in which people act on it. */
export function explain(decision: Decision, zone: ZoneId, ways: DecisionWays): Explained {
  const { flight, wanted } = decision;
  return node('verdict', `${decision.registration} is ${decision.verdict} as of ${momentText(decision.asOf, zone)}.`, [
    node('open', availabilityText(decision.open, decision.full)),
    ...(decision.availability === 'here' ? [] : [node('open', decision.availability === 'out' ? 'It is out: a flight has not been checked in.' : 'Two flights of it are open, which cannot be.')]),
    ...decision.caps.map((cap) => node('open', `${sentenceCase(capText(cap))}.`)),
    ...decision.reliefs.map(({ permit, until, covers }) => node('open', `Special flight permit ${permit} opens the flight to the workshop until ${momentText(until, zone)}. ${permitText(covers, decision)}`)),
    ...(flight === null ? [] : [node('flight', `Flight ${flight.flight}: ${ANSWERS[flight.answer]} ${tellFlight(flight, decision, zone)}`.trim(), [
      ...(flight.authorisedWithout.length === 0 ? [] : [node('flight', `Air traffic control has authorised it to fly without ${list(flight.authorisedWithout.map((one) => AUTHORISED_NAMES[one]), 'and')}.`)]),
      ...flight.light.map(({ place, light, sun }) => node('flight', `Light at ${place}: ${light.join(', ')}${sun.sunset === null ? '' : `; sunset ${momentText(sun.sunset, zone)}`}${sun.nightfall === null ? '' : `, night from ${momentText(sun.nightfall, zone)}`}.`)),
      ...flight.own.map((one) => constraintNode(one, 'in-force')), ...flight.outruns.map(({ constraint }) => constraintNode(constraint, 'ahead')), ...waysNode('To make it possible', ways.flight),
    ])]),
    ...(wanted === null ? [] : [node('wanted', `The wanted uses: ${ANSWERS[wanted.answer]}`, waysNode('To open them', ways.wanted))]),
    ...(decision.constraints.length === 0 ? [node('heading', 'Nothing on record stands against it.')] : [node('heading', 'In force:', decision.constraints.map((one) => constraintNode(one, 'in-force')))]),
    ...(decision.notices.length === 0 ? [] : [node('heading', 'Told, though it closes nothing:', decision.notices.map((one) => node('notice', `${tellDecided(one, 'in-force').headline} ${tellDecided(one, 'in-force').meaning}`)))]),
    // A regulation and the club's own rule may end at the same reading: said once.
    ...(decision.limits.length === 0 ? [] : [node('heading', 'Ahead:', [...new Set(decision.limits.map((limit) => `${leftText(limit)} to ${limitName(limit.constraint)}. ${tellDecided(limit.constraint, 'ahead').headline}`))].map((text) => node('limit', text)))]),
    ...waysNode('To release it', ways.release),
    node('not-checked', `Not checked: ${decision.notChecked.map((what) => NOT_CHECKED_NAMES[what]).join('; ')}.`),
    node('advice', ADVICE),
  ]);
}

/** The same content as lines of text, indented by depth, in a stable order. */
export function sentences(tree: Explained, depth = 0): readonly string[] {
  return [`${'  '.repeat(depth)}${tree.text}`, ...tree.children.flatMap((child) => sentences(child, depth + 1))];
}
