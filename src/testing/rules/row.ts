// The rows of the tests of rules. For tests only.
import type { Change } from '../lesson';

/** What is changed of the clean trainer, what is then in force (see said()), and which facts were missed. */
export type Row = readonly [string, Change, readonly string[], (readonly string[])?];
