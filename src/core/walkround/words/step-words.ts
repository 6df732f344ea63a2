/**
 * A step in words: what to do, what is right, why, and the one caution that matters; an empty caution is none.
 * `{tank}`, `{drain}`, `{blade}`, `{tab}` and `{propeller}` stand for what this aircraft has.
 */
export type StepWords = readonly [code: string, title: string, right: string, why: string, caution: string];
