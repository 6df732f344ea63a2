import { z } from 'zod';
import { NOT_CHECKED } from '../../core/decision/decision';
import { DIMENSION_NAMES, DIMENSIONS } from '../../core/envelope/dimensions';
import { METER_NAMES, type Meter } from '../../core/records/meters/meters';
import { AUTHORISED_WITHOUT } from '../../core/records/flights/planned-flight';
import { ACTS } from '../../core/rules/parts/constraint';
import { LIGHT } from '../../core/time/sun';

const box = z
  .strictObject(
    Object.fromEntries(
      DIMENSION_NAMES.map((name) => [
        name,
        z.array(z.enum(DIMENSIONS[name] as readonly [string, ...string[]])).min(1),
      ]),
    ),
  )
  .describe('uses that have one of the listed values in every dimension');
const boxes = z.array(box).describe('disjoint boxes; a use is in the set if it is in one of them');
const instant = z.string().describe('ISO 8601, UTC');
const source = z.strictObject({
  kind: z.enum(['regulation', 'club-policy', 'common-practice', 'approved-documents']),
  text: z.string().describe('the published place, or what stands in for one'),
});
const pane = z
  .enum(['open', 'partly', 'closed', 'absent'])
  .describe('open: every use behind it that the aircraft has is open; absent: the aircraft never had one');
const meter = z.enum(METER_NAMES as [Meter, ...Meter[]]);
const verdict = z.enum(['Released', 'Restricted', 'Grounded']);
const answer = z.enum(['yes', 'yes-after', 'no']);
const cap = z
  .strictObject({
    quantity: z.enum(['persons', 'load', 'fuel']),
    bound: z.enum(['at-most', 'at-least']),
    value: z.number().describe('persons, grams, or picolitres'),
    own: z.number().nullable().describe('the aircraft’s own figure, where it is on record'),
    words: z.string(),
  })
  .describe('a number that the uses are held to instead of being closed');
const meters = z
  .strictObject(Object.fromEntries(METER_NAMES.map((name) => [name, z.number().nullable()])))
  .describe('hours, two decimals, or counts; null where the records do not agree or say nothing');

const constraint = z.strictObject({
  id: z.string().describe('stable: the rule’s id, a slash, and what of it'),
  rule: z.string(),
  pack: z.string(),
  source,
  certainty: z.enum(['failed', 'unknown']).describe('unknown closes exactly what failing would close'),
  condition: z.boolean().describe('true for a step to be done before a flight'),
  headline: z.string(),
  meaning: z.string(),
  reason: z
    .looseObject({ code: z.string() })
    .describe(
      'the code and the values that were compared; hours are whole seconds, volumes picolitres, dates YYYY-MM-DD',
    ),
  records: z.array(z.string()).describe('ids of the records it rests on'),
  closes: boxes,
  begins: z
    .union([
      z.strictObject({ kind: z.literal('recorded') }),
      z.strictObject({ kind: z.literal('instant'), at: instant }),
      z.strictObject({ kind: z.literal('meter'), meter, at: z.number().describe('hours, or a count') }),
    ])
    .describe('from when it bites'),
  notBefore: instant
    .nullable()
    .describe('for one that begins at a reading: it bites at the later of that and this moment'),
  ends: instant.nullable().describe('when it ends by itself; null: only a remedy ends it'),
  cap: cap.nullable(),
  permitMayCover: z.boolean().describe('a special flight permit may cover it'),
  remedies: z.array(
    z.strictObject({
      act: z.enum(ACTS),
      on: z.string().nullable().describe('what it is done to'),
      words: z.string(),
      by: z.string().describe('who is entitled'),
      leaves: boxes.describe('uses that stay closed after it'),
    }),
  ),
});

const limit = z.strictObject({
  currency: z.enum(['time', 'hours', 'count']),
  meter: meter.nullable(),
  at: z.union([instant, z.number().describe('hours, or a count')]),
  left: z.number().describe('seconds, hours or a count, by leftUnit; never rounded up'),
  leftUnit: z.enum(['s', 'h', 'count']),
  leftText: z.string(),
  constraint,
});

const exceedance = z.strictObject({
  constraint: z.string(),
  currency: z.enum(['time', 'hours', 'count']),
  condition: z.boolean().describe('true where a step before the flight is enough'),
  meter: meter.nullable(),
  by: z.number(),
  byUnit: z.enum(['s', 'h', 'count']),
  words: z.string(),
});

const plans = z
  .strictObject({
    withoutRemedy: z.array(z.string()).describe('constraints that no act clears: then there is no remedy'),
    plans: z
      .array(
        z.strictObject({
          minutes: z.int(),
          cost: z.number(),
          words: z.string(),
          acts: z.array(
            z.strictObject({
              act: z.enum(ACTS),
              on: z.string().nullable(),
              words: z.string(),
              by: z.string(),
              minutes: z.int(),
              cost: z.number(),
              remedies: z.array(z.string()).describe('constraints that it clears'),
            }),
          ),
        }),
      )
      .max(5)
      .describe(
        'the smallest set of acts first, then up to four next-best: by time out of service, cost, number of acts',
      ),
  })
  .nullable();

const told = z.strictObject({ id: z.string(), headline: z.string() });

/** The published form of a decision. */
export const decisionSchema = z
  .strictObject({
    format: z.literal('groval-decision'),
    version: z.literal(4),
    engine: z.string(),
    inputsHash: z
      .string()
      .nullable()
      .describe(
        'SHA-256 over the canonical text of all inputs, pack versions and engine version, hexadecimal',
      ),
    packs: z.array(z.strictObject({ id: z.string(), version: z.string() })),
    parameters: z
      .record(z.string(), z.union([z.string(), z.number()]))
      .describe('what the packs were asked with'),
    registration: z.string(),
    asOf: instant,
    verdict,
    availability: z
      .enum(['here', 'out', 'contradicts'])
      .describe('whether the aircraft is there; it is not the verdict'),
    window: z.strictObject({
      panes: z.strictObject({ 'day-vfr': pane, 'night-vfr': pane, 'day-ifr': pane, 'night-ifr': pane }),
      sills: z.strictObject({ rental: pane, lesson: pane, hire: pane, tow: pane }),
      text: z.string(),
    }),
    open: boxes.describe('uses open now, as disjoint boxes'),
    full: boxes.describe('uses that the aircraft has at all'),
    caps: z.array(cap),
    permits: z
      .array(
        z.strictObject({ permit: z.string(), opens: boxes, until: instant, covers: z.array(z.string()) }),
      )
      .describe('special flight permits in force'),
    meters,
    rules: z.array(
      z.strictObject({
        id: z.string(),
        title: z.string(),
        pack: z.string(),
        source,
        explanation: z.string(),
        answer: z
          .enum(['met', 'closes', 'unknown', 'not-asked'])
          .describe('not-asked: what it looks at was not given'),
        constraints: z.array(z.string()),
        missing: z.array(z.string()).describe('facts that the rule needed and did not get'),
      }),
    ),
    constraints: z.array(constraint).describe('in force now, strictest first'),
    notices: z
      .array(constraint)
      .describe(
        'worth telling though it closes nothing: an item lawfully deferred, a recommended overhaul that is due',
      ),
    conditions: z
      .array(z.strictObject({ constraint: z.string(), words: z.string() }))
      .describe('steps to be done before a flight'),
    limits: z.array(limit).describe('ahead: hours, then counts, then time, nearest first'),
    firstLimit: z
      .strictObject({
        time: limit.nullable(),
        hours: limit.nullable(),
        landings: limit.nullable().describe('landings, cycles or tow launches'),
      })
      .describe('nearest in each currency; steps before a flight are not counted'),
    flight: z
      .strictObject({
        id: z.string(),
        answer,
        needs: boxes,
        closedBy: z.array(z.string()),
        authorisedWithout: z
          .array(z.enum(AUTHORISED_WITHOUT))
          .describe('what air traffic control has authorised it to fly without'),
        notApproved: z.boolean(),
        timesContradict: z.boolean(),
        own: z.array(constraint).describe('what is asked of this flight alone'),
        exceedances: z.array(exceedance),
        light: z
          .array(
            z.strictObject({
              place: z.string(),
              light: z.array(z.enum(LIGHT)),
              date: z.string(),
              dawn: instant.nullable(),
              sunrise: instant.nullable(),
              sunset: instant.nullable(),
              nightfall: instant.nullable(),
            }),
          )
          .describe(
            'the light that it meets at each place, with the sun’s moments of that day; null where there is none',
          ),
        remedyPlans: plans,
      })
      .nullable(),
    wanted: z
      .strictObject({
        answer,
        uses: boxes,
        closedBy: z.array(z.string()),
        notApproved: z.boolean(),
        remedyPlans: plans,
      })
      .nullable(),
    toRelease: plans.describe('what would release the aircraft; null where it is released'),
    notChecked: z.array(z.strictObject({ what: z.enum(NOT_CHECKED), words: z.string() })),
    holdsUntil: instant.nullable().describe('when this answer changes by itself'),
    advice: z.string(),
  })
  .describe('A decision: whether the aircraft may go, for what, why, until when, and what would change it.');

/** The published form of a timeline. */
export const timelineSchema = z
  .strictObject({
    format: z.literal('groval-timeline'),
    version: z.literal(2),
    registration: z.string(),
    from: instant,
    until: instant,
    changes: z
      .array(
        z.strictObject({
          at: instant,
          verdict,
          open: boxes,
          began: z.array(told),
          ended: z.array(told),
          flight: z.string().nullable().describe('the planned flight whose end changed it'),
          words: z.string(),
        }),
      )
      .describe('the exact moments at which verdict or envelope change'),
    flights: z
      .array(
        z.strictObject({
          flight: z.string(),
          starts: instant,
          notApproved: z.boolean(),
          closedBy: z.array(told).describe('closed when it starts'),
          exceedances: z.array(exceedance),
        }),
      )
      .describe('each planned flight, every earlier one flown'),
    meters,
  })
  .describe('A timeline: how verdict and envelope go on, every planned flight flown in order.');

/** The published form of a diff. */
export const diffSchema = z
  .strictObject({
    format: z.literal('groval-diff'),
    version: z.literal(2),
    same: z.boolean(),
    registration: z.strictObject({ before: z.string(), after: z.string() }),
    verdict: z.strictObject({ before: verdict, after: verdict }),
    opened: boxes,
    closed: boxes,
    began: z.array(constraint),
    ended: z.array(constraint),
    altered: z.array(z.strictObject({ before: constraint, after: constraint })),
    limits: z.array(
      z.strictObject({
        id: z.string(),
        before: z.union([instant, z.number()]).nullable(),
        after: z.union([instant, z.number()]).nullable(),
      }),
    ),
    meters: z.array(z.strictObject({ meter, before: z.number().nullable(), after: z.number().nullable() })),
    otherRules: z.boolean().describe('engine or packs differ'),
    words: z.array(z.string()),
  })
  .describe('What changed between two decisions.');

/** What stands in place of a decision in a list of cases when a case was refused. */
export const refusalSchema = z.strictObject({
  error: z.strictObject({
    message: z.string(),
    problems: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  }),
});
