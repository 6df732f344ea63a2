import { z } from 'zod';

/** How far back the safety page looks, in days. */
export const SAFETY_DAYS = [30, 90, 365] as const;
export type SafetyDays = (typeof SAFETY_DAYS)[number];
/** So many aircraft are calculated for one answer: each of them is decided again for every entry of the time. */
export const MOST_AIRCRAFT = 4;

const days = z
  .enum(SAFETY_DAYS.map(String) as [string, ...string[]])
  .transform((text) => Number(text) as SafetyDays)
  .default(90);

/** What the safety page asks for. */
export const safetySchema = z.strictObject({ days });

/** Which of the aircraft: from where on, in the order of registrations. */
export const safetyFleetSchema = z.strictObject({
  days,
  from: z
    .string()
    .regex(/^\d{1,5}$/)
    .transform(Number)
    .default(0),
});
