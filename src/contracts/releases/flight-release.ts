import { z } from 'zod';
import { fuelAboardSchema, oilAboardSchema } from '../flights/dispatch';
import { idSchema, revisionSchema, textSchema } from '../kernel/scalars';

/** Signing the release of an aircraft for one flight. */
export const releaseFlightSchema = z.strictObject({
  releaseId: idSchema(),
  flightId: idSchema('choose a planned flight'),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  fuelAboard: fuelAboardSchema,
  oilAboard: oilAboardSchema,
  /** Keys of the restrictions that the pilot read back. */
  readBack: z.array(z.string().max(300)).max(100),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type ReleaseFlight = z.output<typeof releaseFlightSchema>;

/** Taking one back before the flight has left. */
export const withdrawReleaseSchema = z.strictObject({
  aircraftId: idSchema('expected an aircraft'),
  releaseId: idSchema('expected a release'),
  why: textSchema(400),
});
export type WithdrawRelease = z.output<typeof withdrawReleaseSchema>;
