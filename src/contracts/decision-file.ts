import { z } from 'zod';
import { NOT_CHECKED } from '../core/decision/decision';
import { DIMENSION_NAMES, DIMENSIONS } from '../core/envelope/dimensions';

const box = z.strictObject(Object.fromEntries(DIMENSION_NAMES.map((name) => [name, z.array(z.enum(DIMENSIONS[name] as readonly [string, ...string[]])).min(1)])))
  .describe('uses that have one of the listed values in every dimension');
const boxes = z.array(box).describe('disjoint boxes; a use is in the set if it is in one of them');
const instant = z.string().describe('ISO 8601, UTC');
const source = z.strictObject({ kind: z.enum(['regulation', 'club-policy', 'common-practice']), text: z.string().describe('the published place, or that there is none') });
const pane = z.enum(['open', 'partly', 'closed', 'absent']).describe('open: every use behind it that the aircraft has is open; absent: the aircraft never had one');

const constraint = z.strictObject({
  id: z.string().describe('stable: the rule’s id, a slash, and what of it'),
  rule: z.string(), pack: z.string(), source,
  certainty: z.enum(['failed', 'unknown']).describe('unknown closes exactly what failing would close'),
  condition: z.boolean().describe('true for a step to be done before a flight'),
  headline: z.string(), meaning: z.string(),
  reason: z.looseObject({ code: z.string() }).describe('the code and the values that were compared; hours are whole seconds, dates YYYY-MM-DD'),
  records: z.array(z.string()).describe('ids of the records it rests on'),
  closes: boxes,
  begins: z.union([
    z.strictObject({ kind: z.literal('recorded') }),
    z.strictObject({ kind: z.literal('instant'), at: instant }),
    z.strictObject({ kind: z.literal('hours'), at: z.number().describe('time in service, h') }),
  ]).describe('from when it bites'),
  ends: instant.nullable().describe('when it ends by itself; null: only a lift ends it'),
  lifts: z.array(z.strictObject({ act: z.string(), words: z.string(), by: z.string().describe('who is entitled') })),
});

const limit = z.strictObject({
  currency: z.enum(['time', 'hours']),
  at: z.union([instant, z.number().describe('time in service, h')]),
  left: z.number().describe('seconds or hours in service, by leftUnit; never rounded up'),
  leftUnit: z.enum(['s', 'h']), leftText: z.string(), constraint,
});

const pack = z.union([z.strictObject({ id: z.literal('us-part91') }), z.strictObject({ id: z.literal('club-policy'), parameters: z.record(z.string(), z.string()) })]);

/** The published form of a decision. */
export const decisionSchema = z.strictObject({
  format: z.literal('groval-decision'), version: z.literal(1), engine: z.string(), packs: z.array(pack),
  registration: z.string(), asOf: instant,
  verdict: z.enum(['Released', 'Restricted', 'Grounded']),
  window: z.strictObject({
    panes: z.strictObject({ 'day-vfr': pane, 'night-vfr': pane, 'day-ifr': pane, 'night-ifr': pane }),
    sills: z.strictObject({ rental: pane, lesson: pane, hire: pane, tow: pane }), text: z.string(),
  }),
  open: boxes.describe('uses open now, as disjoint boxes'), full: boxes.describe('uses that the aircraft has at all'),
  timeInService: z.number().nullable().describe('h; null where the records do not agree on it'),
  rules: z.array(z.strictObject({
    id: z.string(), title: z.string(), pack: z.string(), source, explanation: z.string(),
    answer: z.enum(['met', 'closes', 'unknown']), constraints: z.array(z.string()), missing: z.array(z.string()).describe('facts that the rule needed and did not get'),
  })),
  constraints: z.array(constraint).describe('in force now, strictest first'),
  conditions: z.array(z.strictObject({ constraint: z.string(), words: z.string() })).describe('steps to be done before a flight'),
  limits: z.array(limit).describe('ahead, hours before time, nearest first'),
  firstLimit: z.strictObject({ time: limit.nullable(), hours: limit.nullable(), landings: z.null() }),
  flight: z.strictObject({
    id: z.string(), answer: z.enum(['yes', 'yes-after', 'no']), needs: boxes, closedBy: z.array(z.string()), notApproved: z.boolean(), timesContradict: z.boolean(),
    outruns: z.array(z.strictObject({ constraint: z.string(), currency: z.enum(['time', 'hours']), by: z.number(), byUnit: z.enum(['s', 'h']), words: z.string() })),
  }).nullable(),
  notChecked: z.array(z.strictObject({ what: z.enum(NOT_CHECKED), words: z.string() })),
  holdsUntil: instant.nullable().describe('when this answer changes by itself'),
  advice: z.string(),
}).describe('A decision: whether the aircraft may go, for what, why, and until when.');

/** What stands in place of a decision in a list of cases when a case was refused. */
export const refusalSchema = z.strictObject({
  error: z.strictObject({ message: z.string(), problems: z.array(z.strictObject({ path: z.string(), message: z.string() })) }),
});
