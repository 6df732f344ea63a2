import { union, usesIn } from '../envelope/use-set';
import { rule } from './parts/rule';
import { transponderTests } from './parts/transponder';

const source = { kind: 'regulation', citation: '14 CFR 91.413 and 91.215' } as const;

/** ADS-B Out needs the transponder's altitude too: with the transponder off, both airspaces are closed. */
const AIRSPACE = union(usesIn({ transponderAirspace: ['inside'] }), usesIn({ adsbAirspace: ['inside'] }));

/** The transponder, tested within 24 calendar months before it is used at all, visual flight included. */
export const transponderTest = rule({
  id: 'transponder-test',
  title: 'Transponder test',
  source,
  explanation:
    'A transponder may be used only within 24 calendar months of its test, visually too. After that it stays off, and the aircraft is not available for airspace that needs one. It is tested again after work that could make it report a wrong altitude.',
  judge: (facts) => transponderTests(facts, source, AIRSPACE),
});
