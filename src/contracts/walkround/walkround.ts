import { z } from 'zod';
import { FUEL_GRADES, ANNOUNCEMENTS, SAMPLE_RESULTS } from '../../core/records/walkround/measurement';
import { DIRECTIONS, STARTS } from '../../core/walkround/method';
import { PLAN_KINDS } from '../../core/walkround/plan-kinds';
import { NOT_SEEN_BECAUSE, STEP_ANSWERS } from '../../core/walkround/walk';
import { idSchema, instantSchema, MAX_INTEGER, textSchema } from '../kernel/scalars';

/** So many things that happened on a walk-round are sent at once. */
export const MAX_EVENTS = 200;

/** A step by its key in the plan. */
const stepKey = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9.-]{0,63}$/, 'expected a step of the plan')
  .describe('a step of the plan');
/** An amount as somebody typed it, point or comma, with at most three decimals. */
const amount = z
  .string()
  .transform((text) => text.trim().replace(',', '.'))
  .pipe(
    z.string().regex(/^\d{1,7}(\.\d{1,3})?$/, 'expected a figure with at most three decimals, such as 9.5'),
  );
const unit = z.string().min(1).max(20);

/** What the phone's clock says as it sends: what it says of earlier moments is put right by the difference. Absent where the sender has no clock of its own. */
const sentAt = instantSchema.optional();

/**
 * A walk-round or another list is begun. Its id is made on the phone, so that sending twice begins once. A page of before there were
 * other lists names none.
 */
export const beginWalkroundSchema = z.strictObject({
  walkroundId: idSchema('expected the walk-round’s own id'),
  aircraftId: idSchema('expected an aircraft'),
  flightId: idSchema().nullable(),
  kind: z.enum(PLAN_KINDS).default('walk-round'),
  begunAt: instantSchema,
  sentAt,
});

/** What was measured at a step. */
const measured = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('figure'), amount, unit }),
  z.strictObject({ kind: z.literal('sample'), result: z.enum(SAMPLE_RESULTS, 'say what the cup shows') }),
]);
const happened = { eventId: idSchema(), number: z.int().min(0).max(100_000), at: instantSchema };
const event = z.discriminatedUnion('kind', [
  z.strictObject({
    ...happened,
    kind: z.literal('answer'),
    key: stepKey,
    answer: z.enum(STEP_ANSWERS, 'say fine, found or not seen'),
    because: z.enum(NOT_SEEN_BECAUSE).nullable(),
    took: z.int().min(0).max(MAX_INTEGER),
    findingId: idSchema().nullable(),
    measured: measured.nullable(),
  }),
  z.strictObject({ ...happened, kind: z.literal('interrupted') }),
]);

/** What happened on a walk-round since the last time. Each has an id of its own. */
export const walkroundEventsSchema = z.strictObject({
  walkroundId: idSchema('expected a walk-round'),
  aircraftId: idSchema('expected an aircraft'),
  events: z.array(event).min(1).max(MAX_EVENTS),
  sentAt,
});

/** The person who did it signs; or the desk gives it up. */
export const endWalkroundSchema = z.strictObject({
  walkroundId: idSchema('expected a walk-round'),
  aircraftId: idSchema('expected an aircraft'),
  how: z.enum(['signed', 'given-up']),
  /** Who held the surfaces of a glider against the controls; null where nobody did. Absent for other lists. */
  helper: textSchema(80).nullable().optional(),
  at: instantSchema,
  sentAt,
});

/** A glider was taken apart. */
export const takenApartSchema = z.strictObject({
  recordId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  at: instantSchema,
  sentAt,
});

/** Something to be done before the flight, announced on the ramp. */
export const announceSchema = z.strictObject({
  announcedId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  act: z.enum(ANNOUNCEMENTS, 'choose what is to be done'),
  which: textSchema(40).nullable(),
  amount: z.strictObject({ amount, unit }).nullable(),
  at: instantSchema,
});

/** It was done, with how much; null where it has no amount. */
export const announcedDoneSchema = z.strictObject({
  doneId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  announcedId: idSchema(),
  amount: z.strictObject({ amount, unit }).nullable(),
  grade: z.enum(FUEL_GRADES).nullable(),
  at: instantSchema,
});

/** How the school walks round. */
export const methodSchema = z.strictObject({
  changeId: idSchema(),
  /** Which change was seen; 0 where nobody has said anything yet. */
  seen: z.int().min(0).max(MAX_INTEGER),
  required: z.boolean(),
  method: z.strictObject({
    laps: z.enum(['electrical-first', 'one']),
    start: z.enum(STARTS),
    direction: z.enum(DIRECTIONS),
    samples: z.enum(['at-each-tank', 'at-the-end']),
    tieDowns: z.enum(['at-their-place', 'last']),
    mode: z.enum(['read-and-do', 'do-then-verify']),
    between: z.enum(['whole-list', 'short-list']),
    batteryMinutes: z.int().min(1).max(60).nullable(),
    interruptedAfter: z.int().min(10).max(3600),
    clearFuelBack: z.boolean(),
    drum: textSchema(200).nullable(),
    order: z
      .array(z.string().regex(/^K\d{3}(\.(left|right))?$/, 'expected a step, with its side'))
      .max(756)
      .readonly()
      .nullable(),
  }),
});

export type BeginWalkround = z.output<typeof beginWalkroundSchema>;
export type WalkroundEvents = z.output<typeof walkroundEventsSchema>;
export type WalkroundEventInput = z.input<typeof walkroundEventsSchema>['events'][number];
export type EndWalkround = z.output<typeof endWalkroundSchema>;
export type TakenApart = z.output<typeof takenApartSchema>;
export type Announce = z.output<typeof announceSchema>;
export type AnnouncedDone = z.output<typeof announcedDoneSchema>;
export type MethodChange = z.output<typeof methodSchema>;
