import { ALL_USES } from '../envelope/use-set';
import { result, rule } from './parts/rule';
import { transponderTests, type LAPSED_TRANSPONDER } from './parts/transponder';

const source = { kind: 'club-policy' } as const;

/** The club's stricter reading of a lapsed transponder test. */
export const lapsedTransponder = rule({
  id: 'lapsed-transponder',
  title: 'No flight with a lapsed transponder test',
  source,
  explanation:
    'A transponder whose test has lapsed must not be used (14 CFR 91.413). What 91.215(c) wants on in controlled airspace is a transponder that is maintained under 91.413, so the text lets an aircraft fly with a lapsed one switched off, outside the airspace that needs one. By club policy it stays on the ground until it is tested; a club may choose the regulation’s own reading.',
  judge: (
    facts,
    { lapsedTransponder: how }: { readonly lapsedTransponder: (typeof LAPSED_TRANSPONDER)[number] },
  ) => (how === 'switched-off' ? result([]) : transponderTests(facts, source, ALL_USES)),
});
