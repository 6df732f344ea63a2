import { z } from 'zod';
import { LOOKS } from '../../core/walkround/classify';
import { STEP_CODE } from '../../core/walkround/plan-kinds';
import { STATIONS } from '../../core/walkround/steps';
import { idSchema, instantSchema, textSchema } from '../kernel/scalars';

const stations = STATIONS.map(({ id }) => id) as [string, ...string[]];

/** What the phone sends. The id is made on the phone, so that sending twice reports once. */
export const findingSchema = z.strictObject({
  findingId: idSchema('expected the finding’s own id'),
  aircraftId: idSchema('expected an aircraft'),
  station: z.enum(stations, 'choose where on the aircraft it is'),
  side: z.enum(['left', 'right']).nullable(),
  step: z.string().regex(STEP_CODE, 'choose what it is').nullable(),
  /** True when it is just what the list says is usually wrong there; false for anything else, which is judged more strictly. */
  asListed: z.boolean(),
  what: textSchema(1000),
  looks: z.enum(LOOKS, 'say how bad it looks to you'),
  foundAt: instantSchema,
});

/** A checked finding. */
export type Finding = z.output<typeof findingSchema>;
/** The same before checking, as the phone holds it. */
export type FindingInput = z.input<typeof findingSchema>;
