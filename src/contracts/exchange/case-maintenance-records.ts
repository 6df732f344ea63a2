// Records of the case format about maintenance: items, ADs, deferrals, work, permits, releases.
import { z } from 'zod';
import { SIGNED_WORK } from '../../core/records/club/certificate';
import { REPAIR_CATEGORIES, TRIAGE_DECISIONS } from '../../core/records/findings/discrepancy';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { ITEM_BASES, ITEM_KINDS } from '../../core/records/maintenance/maintenance-item';
import { PREVENTIVE_TASKS, type PreventiveTask } from '../../core/records/maintenance/preventive-maintenance';
import { HOUR_METERS } from '../../core/records/meters/meters';
import { dateSchema, hoursSchema, registrationSchema, textSchema } from '../kernel/scalars';
import {
  cap,
  idKey,
  interval,
  intervalSchema,
  noExpiry,
  part,
  readingsThen,
  recordedAt,
  signature,
  uses,
  whole,
  yesNo,
} from './case-parts';

/** Which equipment was exchanged. */
const exchanged = z
  .array(z.enum(EQUIPMENT_KINDS))
  .max(10)
  .optional()
  .describe(
    'equipment that was exchanged for another unit: what is on record of the old one says nothing of it; absent states that none was',
  );
/** Which item of preventive maintenance. */
export const preventive = z
  .enum(PREVENTIVE_TASKS as [PreventiveTask, ...PreventiveTask[]])
  .optional()
  .describe(
    'the item of preventive maintenance that it is, by its number in 14 CFR part 43 appendix A(c): an entitled pilot returns it to service; absent states that it is none',
  );
const adInterval = z
  .strictObject({
    ...interval,
    whichever: z
      .enum(['first', 'later'])
      .optional()
      .describe('whether the first or the later of all that is given decides; absent is first'),
  })
  .describe('how long it counts');
const doing = {
  recordedAt,
  completedOn: dateSchema.describe('day on which it was done: when it happened'),
  readings: readingsThen,
  excessOnFreeUses: z
    .boolean()
    .optional()
    .describe(
      'true where the excess was flown on uses that need no such limit, so that it is not taken off; absent takes it off',
    ),
  signedBy: signature.optional().describe('who signed; absent or incomplete, and it does not count'),
};
export const item = z
  .strictObject({
    recordedAt,
    name: textSchema(120).describe('what it is, for people'),
    kind: z.enum(ITEM_KINDS).describe('decides its source'),
    interval: intervalSchema.optional(),
    until: noExpiry.optional().describe('date printed on it, or no-expiry'),
    uses,
    overrun: z
      .strictObject({ meter: z.enum(HOUR_METERS).describe('meter'), by: hoursSchema.describe('hours') })
      .optional()
      .describe('how far it may be flown past on the way to the workshop; absent states not at all'),
    excess: z
      .enum(['taken-off', 'not-taken-off'])
      .optional()
      .describe('whether an excess is taken off the next interval; absent takes it off'),
    signedAs: z
      .enum(SIGNED_WORK)
      .optional()
      .describe('what it is signed as, which decides who may; absent is return-to-service'),
    basis: z
      .enum(ITEM_BASES)
      .optional()
      .describe(
        'what makes an overhaul binding; absent counts as recommended, and then it is told and closes nothing',
      ),
    oilLife: z
      .strictObject({
        leaded: hoursSchema.describe('hours of engine time on leaded fuel alone'),
        unleaded: hoursSchema.describe('hours on unleaded alone'),
      })
      .optional()
      .describe('for an oil change: its life by the fuel burnt'),
    done: z
      .record(idKey, z.strictObject(doing))
      .optional()
      .describe('when it was done, by id; none states that it never was'),
  })
  .describe('a life limit, service, check or dated thing');
export const ad = z
  .strictObject({
    recordedAt,
    number: textSchema(60).describe('its number'),
    title: textSchema(200).describe('what it is about'),
    applies: yesNo('applies to this aircraft'),
    effectiveOn: dateSchema.optional().describe('day on which it took effect; absent is unknown'),
    initial: adInterval
      .optional()
      .describe('first limit after it took effect; absent means before further flight'),
    component: z
      .strictObject({
        name: textSchema(120).describe('the part'),
        meter: z.enum(HOUR_METERS).describe('the meter that runs with it'),
        limit: hoursSchema.describe('hours of the part by which it is first complied with'),
        hoursThen: hoursSchema
          .optional()
          .describe('hours that the part had when it was put in; absent is unknown'),
        readingThen: hoursSchema.optional().describe('what the meter showed then; absent is unknown'),
      })
      .optional()
      .describe('a limit on the hours of a part, beside initial; absent states none'),
    readingsThen,
    noFerry: yesNo('forbids the ferry flight on a special permit'),
    equipment: z
      .array(z.enum(EQUIPMENT_KINDS))
      .optional()
      .describe(
        'instruments and equipment that it wants in working order; an empty list states none; absent is unknown, and then it may be any that is inoperative',
      ),
    methods: z
      .record(
        idKey,
        z.strictObject({
          name: textSchema(200).describe('what is done'),
          repeats: adInterval.optional().describe('how long it holds; absent ends the AD for good'),
          pilotMaySign: z
            .boolean()
            .optional()
            .describe('the AD itself lets a pilot do and sign it; absent states that it does not'),
        }),
      )
      .describe('ways to comply, by id'),
    done: z
      .record(
        idKey,
        z.strictObject({
          ...doing,
          method: idKey.optional().describe('id of the method used; absent or unknown does not count'),
        }),
      )
      .optional()
      .describe('compliances by id'),
  })
  .describe('an airworthiness directive');
export const deferral = z
  .strictObject({
    recordedAt,
    deferredOn: dateSchema.optional().describe('day of record'),
    action: z.enum(['removed', 'deactivated']).optional().describe('what was done to the item'),
    placarded: yesNo('placarded Inoperative'),
    entered: z
      .union([z.boolean(), z.literal('not-maintenance')])
      .optional()
      .describe(
        'entered in the maintenance record, or the stated value that it was no maintenance; absent is unknown',
      ),
    noHazard: signature
      .optional()
      .describe('determination by a rated pilot or mechanic that it is no hazard'),
    until: dateSchema.optional().describe('latest date; absent sets none of its own'),
    untilTimeInService: hoursSchema.optional().describe('latest time in service, h'),
    closes: z.array(part).optional().describe('uses that it closes beyond what the rules do'),
    cap: cap.optional().describe('a number that flights are held to'),
    listed: z
      .strictObject({
        category: z
          .enum(
            Object.keys(REPAIR_CATEGORIES) as [
              keyof typeof REPAIR_CATEGORIES,
              ...(keyof typeof REPAIR_CATEGORIES)[],
            ],
          )
          .optional()
          .describe('repair category; absent where the list gives the item none'),
        days: whole('days, for category A', 3660).optional(),
        item: textSchema(40).optional().describe('the item’s number on the list'),
      })
      .optional()
      .describe('under an approved minimum equipment list'),
  })
  .describe('an inoperative item left open; incomplete, and it is not lawful');
export const watch = z
  .strictObject({
    recheckBy: dateSchema.optional().describe('re-checked by this day'),
    recheckAt: hoursSchema.optional().describe('re-checked by this time in service, h'),
    correctBy: dateSchema.optional().describe('corrected by this day'),
  })
  .describe('when a watched thing is re-checked');
const workApproval = z.strictObject({
  recordedAt,
  completedOn: dateSchema.describe('day of completion'),
  description: textSchema(4000).describe('what was done'),
  signedBy: signature,
  major: z.boolean().describe('a major repair or alteration'),
  mayChangeFlight: z.boolean().describe('could have changed the flight characteristics appreciably'),
  groundTestsConclusive: yesNo('ground tests showed conclusively that it did not'),
  flightControls: z.boolean().describe('work on flight controls'),
  staticOpened: z.boolean().describe('the static system was opened'),
  altitudeReportingTouched: z.boolean().describe('could let the transponder report a wrong altitude'),
  weightChanged: z.boolean().describe('weighed, or equipment changed'),
  exchanged,
});
export const work = z
  .strictObject({
    recordedAt,
    completedOn: dateSchema.optional().describe('day of completion'),
    description: textSchema(4000).optional().describe('what was done'),
    signedBy: signature.optional(),
    major: z
      .boolean()
      .optional()
      .describe(
        'a major repair or alteration, which an inspection authorisation or a repair station approves; absent states that it was none',
      ),
    preventive,
    mayChangeFlight: yesNo('could have changed the flight characteristics appreciably'),
    groundTestsConclusive: yesNo('ground tests showed conclusively that it did not'),
    checkFlight: z
      .strictObject({
        recordedAt,
        on: dateSchema.describe('day'),
        pilot: signature.describe('who flew it'),
        logged: yesNo('logged in the record'),
      })
      .optional()
      .describe('the check flight after it'),
    flightControls: yesNo('work on flight controls'),
    independentInspection: z
      .strictObject({
        recordedAt,
        on: dateSchema.describe('day'),
        by: signature.describe('the second person'),
      })
      .optional()
      .describe('second inspection of flight controls'),
    staticOpened: yesNo('the static system was opened'),
    altitudeReportingTouched: yesNo('could let the transponder report a wrong altitude'),
    weightChanged: yesNo('weighed, or equipment changed'),
    exchanged,
    approvals: z.record(idKey, workApproval).optional().describe('later entries about the same work, by id'),
  })
  .describe('maintenance work with what it may have changed');
export const permit = z
  .strictObject({
    recordedAt,
    number: textSchema(60).optional().describe('its number'),
    registrationShown: registrationSchema.optional().describe('registration on it'),
    validFrom: dateSchema.optional().describe('first day'),
    validUntil: dateSchema.optional().describe('last day'),
    uses: z
      .array(part)
      .optional()
      .describe(
        'what it allows, within flights to the workshop without passengers; absent allows all of those',
      ),
    untilTimeInService: hoursSchema.optional().describe('time in service at which it ends, h'),
    aboard: yesNo('aboard'),
    safeForFlight: z
      .strictObject({ on: dateSchema.describe('day'), by: signature.describe('mechanic') })
      .optional()
      .describe('statement that the aircraft is safe for this flight'),
  })
  .describe('a special flight permit; incomplete, and it opens nothing');
export const release = z
  .strictObject({
    recordedAt,
    registrationShown: registrationSchema.optional().describe('registration on it'),
    issuedOn: dateSchema.optional().describe('day of issue'),
    issuedAt: hoursSchema.optional().describe('time in service at issue, h'),
    expiresOn: dateSchema.optional().describe('printed expiry date, to the day'),
    expiresAt: hoursSchema.optional().describe('printed expiry hours'),
    signedBy: signature.optional(),
    aboard: yesNo('carried aboard'),
    standing: z.enum(['in-force', 'suspended', 'cancelled']).optional().describe('absent is unknown'),
    required: z
      .record(
        idKey,
        z.strictObject({
          what: textSchema(200).describe('work'),
          by: dateSchema.optional().describe('latest day'),
          at: hoursSchema.optional().describe('latest time in service, h'),
          certified: z
            .strictObject({ recordedAt, on: dateSchema.describe('day'), by: signature.describe('who') })
            .optional()
            .describe('when and by whom it was done'),
        }),
      )
      .optional()
      .describe('its part one: maintenance required before it expires'),
  })
  .describe('an Australian maintenance release');
export const dailyInspection = z
  .strictObject({ recordedAt, on: dateSchema.describe('day that it is for'), signedBy: signature.optional() })
  .describe('a daily inspection');

/** What people decided about a finding who looked at it. */
export const triages = z.record(
  idKey,
  z.strictObject({
    recordedAt,
    decision: z
      .enum(TRIAGE_DECISIONS)
      .describe(
        'it stays as it is classed, it grounds until a mechanic has dealt with it, it is watched, or it is the same as another',
      ),
    signedBy: signature
      .optional()
      .describe('who decided to watch it; the other decisions make nothing available'),
    watch: watch.optional(),
    sameAs: idKey.optional().describe('the finding of this aircraft that it is the same as'),
  }),
);
