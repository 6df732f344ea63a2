import { ALL_USES } from '../envelope/use-set';
import { result, rule } from './parts/rule';
import { transponderTests, type LAPSED_TRANSPONDER } from './parts/transponder';

const source = { kind: 'club-policy' } as const;

/** The club's stricter reading of a lapsed transponder test. */
export const lapsedTransponder = rule({
  id: 'lapsed-transponder',
  title: 'No flight with a lapsed transponder test',
  source,
  explanation: 'In controlled airspace a fitted transponder has to be on, and a lapsed one must not be used. By club policy the aircraft stays on the ground until it is tested; a club may choose the regulation’s own reading, off and outside that airspace.',
  judge: (facts, { lapsedTransponder: how }: { readonly lapsedTransponder: (typeof LAPSED_TRANSPONDER)[number] }) => (how === 'switched-off' ? result([]) : transponderTests(facts, source, ALL_USES)),
});
