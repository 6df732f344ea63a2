// Records of the case format about flights and the ramp: who has it, meters, fuel, oil, what was measured.
import { z } from 'zod';
import { CLOSED_USES } from '../../core/records/findings/discrepancy';
import {
  ANNOUNCEMENTS,
  FUEL_GRADES,
  SAMPLE_RESULTS,
  WALKED_FOR,
} from '../../core/records/walkround/measurement';
import { COUNTERS, HOUR_METERS } from '../../core/records/meters/meters';
import { ACTS } from '../../core/rules/parts/constraint';
import { dateSchema, hoursSchema, instantSchema, textSchema } from '../kernel/scalars';
import {
  cap,
  happenedAt,
  idKey,
  recordedAt,
  signature,
  uses,
  volumeSchema,
  which,
  whole,
} from './case-parts';
import { measured, quantity, unit } from './case-aircraft-records';

export const fuelStretch = z
  .strictObject({
    recordedAt,
    from: hoursSchema.describe('engine time at its start, h'),
    to: hoursSchema.describe('engine time at its end, h'),
    grade: z.enum(['leaded', 'unleaded']).optional().describe('absent counts as leaded'),
  })
  .describe('a stretch of engine time with the grade of fuel burnt');
export const flightOut = z
  .strictObject({
    happenedAt,
    recordedAt,
    by: textSchema(120).optional().describe('who has the aircraft'),
    airborne: hoursSchema
      .optional()
      .describe(
        'planned time in the air, h; counts until somebody reads the meters; absent takes the whole time until it came back',
      ),
    returned: z
      .strictObject({ recordedAt, at: instantSchema.describe('when it came back') })
      .optional()
      .describe('absent while it is out'),
  })
  .describe('a flight that left');
export const strike = z
  .strictObject({ recordedAt, record: idKey.describe('id of the entry that was struck out') })
  .describe('an entry that was struck out');
export const dispatchRestriction = z
  .strictObject({
    happenedAt,
    recordedAt,
    by: textSchema(120).describe('who'),
    why: textSchema(400).describe('reason'),
    uses,
    cap: cap.optional().describe('hold to a number instead of closing'),
    until: instantSchema.optional().describe('when it ends by itself'),
    withdrawn: z.strictObject({ recordedAt }).optional().describe('when it was taken back'),
  })
  .describe('what somebody on duty closed beyond the records');
const fuelCleared = z
  .strictObject({ recordedAt, on: dateSchema.describe('day'), by: signature.describe('mechanic') })
  .describe('that a mechanic dealt with fuel that was suspect');
export const ramp = z
  .strictObject({
    measurements: z
      .record(
        idKey,
        z
          .strictObject({
            happenedAt,
            recordedAt,
            quantity,
            which,
            unit,
            value: z.number().min(0).describe('the value in its unit, at most three decimals'),
          })
          .transform((given, context) => ({
            ...given,
            value: measured(given, given.value, 'value', context) ?? 0,
          })),
      )
      .optional()
      .describe('what was measured, by id'),
    samples: z
      .record(
        idKey,
        z.strictObject({
          happenedAt,
          recordedAt,
          result: z.enum(SAMPLE_RESULTS).optional().describe('absent is unknown'),
          drain: textSchema(40)
            .optional()
            .describe(
              'the drain by its name, or every where each drain was sampled and showed the same; absent is unknown: its fault may be any drain’s, its good none’s',
            ),
          cleared: fuelCleared.optional(),
        }),
      )
      .optional()
      .describe('fuel samples by id'),
    uplifts: z
      .record(
        idKey,
        z.strictObject({
          happenedAt,
          recordedAt,
          what: z.enum(['fuel', 'oil']).describe('what was put in'),
          added: volumeSchema,
          grade: z.enum(FUEL_GRADES).optional().describe('grade of fuel; absent is unknown'),
          timeInService: hoursSchema.optional().describe('time in service then, h'),
          cleared: fuelCleared.optional(),
        }),
      )
      .optional()
      .describe('fuel and oil put in, by id'),
    walkRound: z
      .union([
        z.literal('none'),
        z.strictObject({
          happenedAt,
          recordedAt,
          by: textSchema(80).describe('who does it'),
          left: z.number().int().min(0).describe('steps that nobody has answered yet'),
          unseen: z
            .array(
              z.strictObject({
                key: idKey.describe('the step'),
                title: textSchema(120).describe('what is looked at'),
                place: textSchema(80).describe('where on the aircraft'),
                closes: z
                  .array(z.enum(CLOSED_USES))
                  .optional()
                  .describe('uses that it keeps unavailable; absent is all'),
              }),
            )
            .optional()
            .describe('steps that nobody saw, or only in part; absent states that there are none'),
          signedAt: instantSchema.optional().describe('when it was signed; absent states that it is not'),
          covers: z
            .array(z.enum(WALKED_FOR))
            .optional()
            .describe(
              'what its steps were enough for, beside a flight by day under visual rules; absent is nothing more',
            ),
        }),
      ])
      .optional()
      .describe(
        'the walk-round on the phone since the last flight; none states that there is none though one is asked for; absent is no part of the question',
      ),
    announced: z
      .record(
        idKey,
        z.strictObject({
          happenedAt,
          recordedAt,
          act: z.enum(ANNOUNCEMENTS).describe('what is to be done'),
          which: textSchema(40).optional().describe('which tank, drain or wheel; what is fetched'),
          amount: volumeSchema.optional().describe('how much'),
          by: textSchema(80).describe('who announced it'),
        }),
      )
      .optional()
      .describe('what was announced on the ramp and is not done yet, by id; absent states none'),
  })
  .describe(
    'what was found on the ramp. Absent states that the walk-round is not part of the question, and the answer says so; given, what it leaves out is unknown',
  );
export const reading = z.discriminatedUnion('meter', [
  z.strictObject({
    meter: z
      .enum(HOUR_METERS)
      .describe('an hour meter, on the airframe’s, engine’s or propeller’s own basis'),
    happenedAt,
    recordedAt,
    value: hoursSchema.describe('h, at most two decimals'),
  }),
  z.strictObject({
    meter: z.enum(COUNTERS).describe('a counter'),
    happenedAt,
    recordedAt,
    value: whole('count'),
  }),
]);
export const estimate = z
  .strictObject({
    act: z.enum(ACTS).describe('the act'),
    on: textSchema(120).optional().describe('what it is done to; absent is any'),
    minutes: whole('minutes out of service'),
    cost: z.number().min(0).max(10_000_000).describe('cost, at most two decimals'),
  })
  .describe('what an act takes; an act without one takes what is usual, which is an estimate of ours');
