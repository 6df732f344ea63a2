import { z } from 'zod';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { touchedByExchange } from '../../core/records/aircraft/exchange';
import { PREVENTIVE_TASKS, type PreventiveTask } from '../../core/records/maintenance/preventive-maintenance';
import { LOGBOOKS } from '../../core/records/maintenance/work-details';
import { dateSchema, hoursSchema, idSchema, revisionSchema, textSchema } from '../kernel/scalars';

const answered = (question: string) => z.boolean(question);
const signature = {
  certificateId: idSchema('choose the certificate that you sign by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
};
const about = {
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
};

/** What the work may have changed. Each is answered by the person who signs: what nobody says counts as possible, and closes. */
export const workEffectsSchema = z
  .strictObject({
    mayChangeFlight: answered('say whether it could have changed how the aircraft flies'),
    /** Null where nothing can have changed. */
    groundTestsConclusive: z.boolean().nullable(),
    flightControls: answered('say whether flight controls were worked on'),
    staticOpened: answered('say whether the static system was opened'),
    altitudeReportingTouched: answered('say whether the reported altitude may have changed'),
    weightChanged: answered('say whether weight or balance changed'),
    /** Equipment that was exchanged for another unit; absent where none was. */
    exchanged: z.array(z.enum(EQUIPMENT_KINDS)).min(1).max(10, 'at most 10 in one entry').optional(),
  })
  .refine(
    ({ mayChangeFlight, groundTestsConclusive }) => mayChangeFlight === (groundTestsConclusive !== null),
    {
      path: ['groundTestsConclusive'],
      message: 'say whether tests on the ground showed that nothing changed',
    },
  )
  .refine(
    ({ exchanged = [], staticOpened, altitudeReportingTouched }) => {
      const touched = touchedByExchange(exchanged);
      return (
        (staticOpened || !touched.staticOpened)
        && (altitudeReportingTouched || !touched.altitudeReportingTouched)
      );
    },
    {
      path: ['exchanged'],
      message:
        'exchanging an altimeter or an airspeed indicator opens the static system, and a transponder may change the altitude that it reports: tick that too',
    },
  );
export type WorkEffectsGiven = z.output<typeof workEffectsSchema>;

/** What the entry says beside what the rules ask of it. */
export const workDetailsSchema = z.strictObject({
  logbook: z.enum(LOGBOOKS, 'choose the logbook'),
  references: textSchema(1000).nullable(),
  parts: z
    .array(
      z.strictObject({
        name: textSchema(120),
        number: textSchema(60).nullable(),
        serialOff: textSchema(60).nullable(),
        serialOn: textSchema(60).nullable(),
      }),
    )
    .max(20, 'at most 20 parts in one entry'),
  timeInService: hoursSchema.nullable(),
  form: textSchema(120).nullable(),
});

const done = {
  on: dateSchema,
  description: textSchema(4000),
  effects: workEffectsSchema,
  major: answered('say whether it is a major repair or alteration'),
  details: workDetailsSchema,
};
const hasItsForm = ({
  major,
  details,
}: {
  readonly major: boolean;
  readonly details: { readonly form: string | null };
}) => !major || details.form !== null;
const FORM_WANTED = {
  path: ['details', 'form'],
  message: 'name the form that describes the major repair or alteration',
};

/** Work that is begun: from here on the aircraft waits for the entry that approves it. */
export const beginWorkSchema = z.strictObject({
  workId: idSchema(),
  aircraftId: about.aircraftId,
  description: textSchema(4000),
});
export type BeginWork = z.output<typeof beginWorkSchema>;

/** Work that is done and approved for return to service. Source of its elements: 14 CFR 43.9(a) (from memory). */
export const recordWorkSchema = z
  .strictObject({
    workId: idSchema(),
    ...about,
    ...done,
    /** The item of preventive maintenance that a pilot signs for; null where it is none. */
    preventive: z.enum(PREVENTIVE_TASKS as [PreventiveTask, ...PreventiveTask[]]).nullable(),
    ...signature,
  })
  .refine(hasItsForm, FORM_WANTED)
  .refine(({ major, preventive }) => !(major && preventive !== null), {
    path: ['major'],
    message: 'preventive maintenance is no major repair or alteration',
  });
export type RecordWork = z.output<typeof recordWorkSchema>;

/** The entry that approves work which is on record. */
export const approveWorkSchema = z
  .strictObject({
    approvalId: idSchema(),
    workId: idSchema('expected the work'),
    ...about,
    ...done,
    ...signature,
  })
  .refine(hasItsForm, FORM_WANTED);
export type ApproveWork = z.output<typeof approveWorkSchema>;

/** A check flight as it was flown and logged. What was not as it should be becomes a finding. Source: 14 CFR 91.407(b) (from memory). */
export const checkFlightSchema = z.strictObject({
  checkFlightId: idSchema(),
  workId: idSchema('expected the work'),
  ...about,
  on: dateSchema,
  /** The flight as it was checked out and taken back; null where it is not on record here. */
  flightId: idSchema('choose the flight, or say that it is not on record here').nullable(),
  result: z.enum(['as-it-should', 'not-as-it-should'], 'say how it flew'),
  description: textSchema(1000),
  ...signature,
});
export type CheckFlightEntry = z.output<typeof checkFlightSchema>;

/** The second inspection of flight controls, by somebody who did not do the work. */
export const independentInspectionSchema = z.strictObject({
  inspectionId: idSchema(),
  workId: idSchema('expected the work'),
  ...about,
  on: dateSchema,
  description: textSchema(1000),
  ...signature,
});
export type IndependentInspectionEntry = z.output<typeof independentInspectionSchema>;
