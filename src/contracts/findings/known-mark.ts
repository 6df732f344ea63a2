import { z } from 'zod';
import { STATIONS } from '../../core/walkround/steps';
import { idSchema, revisionSchema, textSchema } from '../kernel/scalars';

const stations = STATIONS.map(({ id }) => id) as [string, ...string[]];
const thousandth = z.number('tap the drawing').int().min(0).max(1000);

/** A lasting mark that somebody entitled accepts: what it is, and where on the drawing. */
export const knownMarkSchema = z.strictObject({
  markId: idSchema(),
  aircraftId: idSchema('expected an aircraft'),
  seenRevision: revisionSchema,
  what: textSchema(300),
  /** How large it is, for the next comparison. */
  size: textSchema(80).nullable(),
  station: z.enum(stations, 'choose the part of the aircraft'),
  side: z.enum(['left', 'right']).nullable(),
  /** The step of the walk-round that looks at it; null where none is chosen. */
  step: z
    .string()
    .regex(/^K\d{3}$/, 'choose the step')
    .nullable(),
  x: thousandth,
  y: thousandth,
  certificateId: idSchema('choose the certificate that you judge by'),
  password: z.string().min(1, 'enter your password: it is your signature').max(200),
});
export type NewMark = z.output<typeof knownMarkSchema>;
