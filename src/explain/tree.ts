import type { Decision, FlightAnswer } from '../core/decision/decision';
import type { RemedyPlans } from '../core/decision/remedy-plans';
import type { ZoneId } from '../core/time/zone';
import { capText, momentText } from './formats';
import { list, sentenceCase } from './wording';
import { asOne, byReason, type OneReason } from './constraint';
import { tellFlight } from './flight';
import { leftText, limitName } from './limits';
import { ACT_NAMES, entitledText, sourceText } from './remedies';
import { AUTHORISED_NAMES, NOT_CHECKED_NAMES } from './names';
import { tellDecided } from './reasons';
import { availabilityText } from './window-text';
import { ADVICE, plansDocument, type DecisionPlans } from './decision-document';

/** One line of an explanation, with what stands behind it: from the verdict down to the records. */
export interface Explained {
  readonly kind:
    | 'verdict'
    | 'open'
    | 'flight'
    | 'wanted'
    | 'constraint'
    | 'meaning'
    | 'source'
    | 'record'
    | 'remedy'
    | 'limit'
    | 'plan'
    | 'notice'
    | 'not-checked'
    | 'advice'
    | 'heading';
  readonly text: string;
  readonly children: readonly Explained[];
}

const node = (kind: Explained['kind'], text: string, children: readonly Explained[] = []): Explained => ({
  kind,
  text,
  children,
});

function constraintNode(group: OneReason, where: 'in-force' | 'ahead'): Explained {
  const one = asOne(group);
  const { headline, meaning } = tellDecided(one, where);
  const remedies = group.flatMap((constraint) =>
    constraint.remedies.map(
      ({ act, by, leaves }) =>
        `${ACT_NAMES[act]} – ${entitledText(by)}${leaves === null ? '' : '; not all uses are available after it'}.`,
    ),
  );
  return node('constraint', headline, [
    node('meaning', meaning),
    ...[
      ...new Set(
        group.map(
          ({ rule, pack, source, certainty }) =>
            `Rule: ${rule} of ${pack}; source: ${sourceText(source)}.${certainty === 'unknown' ? ' No record: treated as not complied with.' : ''}`,
        ),
      ),
    ].map((text) => node('source', text)),
    ...one.records.map((record) => node('record', `Rests on record ${record}.`)),
    ...[...new Set(remedies)].map((remedy) => node('remedy', remedy)),
  ]);
}

function plansNode(
  title: string,
  plans: RemedyPlans | null,
  { constraints }: Pick<Decision, 'constraints'>,
): readonly Explained[] {
  const document = plansDocument(plans);
  if (document === null) return [];
  const headlines = [
    ...new Set(
      document.withoutRemedy.map((id) => {
        const one = constraints.find((other) => other.id === id);
        return one === undefined ? id : tellDecided(one, 'in-force').headline;
      }),
    ),
  ];
  if (headlines.length > 0)
    return [
      node(
        'heading',
        `${title}: not possible.`,
        headlines.map((headline) => node('plan', headline)),
      ),
    ];
  return document.plans.length === 0
    ? []
    : [
        node(
          'heading',
          `${title}:`,
          document.plans.map(({ words }, at) =>
            node('plan', `${at === 0 ? 'Shortest' : `Alternative ${at}`}: ${words}`),
          ),
        ),
      ];
}

/** What a permit covers, in words: what was on record when it was issued, and nothing found, done or removed since. */
function permitText(covers: readonly string[], { constraints }: Decision): string {
  const told = constraints
    .filter(({ id }) => covers.includes(id))
    .map((one) => tellDecided(one, 'in-force').headline);
  return `It covers what was on record when it was issued${told.length === 0 ? '.' : `: ${[...new Set(told)].join(' ')}`} Whatever was found, done or removed since is not covered, and the operating rules stay: lights from sunset, instruments, airspace.`;
}

const ANSWERS = { yes: 'Yes.', 'yes-after': 'Yes, after what follows.', no: 'No.' } as const;

/** The answer for the planned flight. */
function flightText(flight: FlightAnswer, decision: Decision, zone: ZoneId): string {
  const words = tellFlight(flight, decision, zone);
  return `${flight.flight === 'flight' ? 'The flight' : `Flight ${flight.flight}`}: ${flight.answer === 'yes-after' && words !== '' ? words : `${ANSWERS[flight.answer]} ${words}`.trim()}`;
}

/** The whole explanation of a decision as a tree, in the order in which people act on it. */
export function explain(decision: Decision, zone: ZoneId, plans: DecisionPlans): Explained {
  const { flight, wanted } = decision;
  return node(
    'verdict',
    `${decision.registration} is ${decision.verdict} as of ${momentText(decision.asOf, zone)}.`,
    [
      node('open', availabilityText(decision.open, decision.full)),
      ...(decision.availability === 'here'
        ? []
        : [
            node(
              'open',
              decision.availability === 'out'
                ? 'It is out: a flight has not been checked in.'
                : 'Two flights of it are open, which cannot be.',
            ),
          ]),
      ...decision.caps.map((cap) => node('open', `${sentenceCase(capText(cap))}.`)),
      ...decision.reliefs.map(({ permit, until, covers }) =>
        node(
          'open',
          `Special flight permit ${permit} opens the flight to the workshop until ${momentText(until, zone)}. ${permitText(covers, decision)}`,
        ),
      ),
      ...(flight === null
        ? []
        : [
            node('flight', flightText(flight, decision, zone), [
              ...(flight.authorisedWithout.length === 0
                ? []
                : [
                    node(
                      'flight',
                      `Air traffic control has authorised it to fly without ${list(
                        flight.authorisedWithout.map((one) => AUTHORISED_NAMES[one]),
                        'and',
                      )}.`,
                    ),
                  ]),
              ...flight.light.map(({ place, light, sun }) =>
                node(
                  'flight',
                  `Light at ${place}: ${light.join(', ')}${sun.sunset === null ? '' : `; sunset ${momentText(sun.sunset, zone)}`}${sun.nightfall === null ? '' : `, night from ${momentText(sun.nightfall, zone)}`}.`,
                ),
              ),
              ...byReason(flight.own).map((one) => constraintNode(one, 'in-force')),
              ...byReason(flight.exceedances.map(({ constraint }) => constraint)).map((one) =>
                constraintNode(one, 'ahead'),
              ),
              ...plansNode('To make it possible', plans.flight, decision),
            ]),
          ]),
      ...(wanted === null
        ? []
        : [
            node(
              'wanted',
              `The wanted uses: ${ANSWERS[wanted.answer]}`,
              plansNode('To make them available', plans.wanted, decision),
            ),
          ]),
      ...(decision.constraints.length === 0
        ? [node('heading', 'No reason on record keeps it from flying.')]
        : [
            node(
              'heading',
              'Reasons:',
              byReason(decision.constraints).map((one) => constraintNode(one, 'in-force')),
            ),
          ]),
      ...(decision.notices.length === 0
        ? []
        : [
            node(
              'heading',
              'Noted:',
              decision.notices.map((one) =>
                node(
                  'notice',
                  `${tellDecided(one, 'in-force').headline} ${tellDecided(one, 'in-force').meaning}`,
                ),
              ),
            ),
          ]),
      // A regulation and the club's own rule may end at the same reading: said once.
      ...(decision.limits.length === 0
        ? []
        : [
            node(
              'heading',
              'Ahead:',
              [
                ...new Set(
                  decision.limits.map(
                    (limit) =>
                      `${leftText(limit)} to ${limitName(limit.constraint)}. ${tellDecided(limit.constraint, 'ahead').headline}`,
                  ),
                ),
              ].map((text) => node('limit', text)),
            ),
          ]),
      ...plansNode('To clear it', plans.release, decision),
      node(
        'not-checked',
        `Not checked: ${decision.notChecked.map((what) => NOT_CHECKED_NAMES[what]).join('; ')}.`,
      ),
      node('advice', ADVICE),
    ],
  );
}

/** The same content as lines of text, indented by depth, in a stable order. */
export function sentences(tree: Explained, depth = 0): readonly string[] {
  return [
    `${'  '.repeat(depth)}${tree.text}`,
    ...tree.children.flatMap((child) => sentences(child, depth + 1)),
  ];
}
