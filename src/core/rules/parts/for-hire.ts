import type { Purpose } from '../../envelope/dimensions';

/**
 * Whether a lesson in an aircraft that the school provides is a flight for hire, where a list asks something of aircraft operated for
 * hire. The texts do not say it in one word; the second is the stricter.
 */
export const LESSONS = ['lessons-are-not-for-hire', 'lessons-are-for-hire'] as const;
export type Lessons = (typeof LESSONS)[number];

/** The purposes that are for hire: carrying anybody, towing, and lessons where they count. */
export const FOR_HIRE: Readonly<Record<Lessons, readonly Purpose[]>> = {
  'lessons-are-not-for-hire': ['carriage-for-hire', 'glider-towing'],
  'lessons-are-for-hire': ['carriage-for-hire', 'glider-towing', 'instruction-school-aircraft'],
};
