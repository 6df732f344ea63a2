import { usesIn } from '../envelope/use-set';
import { constraint, lift, type Constraint, type Entitled } from './parts/constraint';
import { datedInspection } from './parts/dated-inspection';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.411' } as const;
const MONTHS = 24;
const IFR = usesIn({ rules: ['ifr'] });
const station: Entitled = { kind: 'certificate', anyOf: ['repair-station'] };

/** Altimeter, static system and altitude reporting, tested within 24 calendar months for instrument flight, and after the static system was opened. */
export const altimeterStatic = rule({
  id: 'altimeter-static',
  title: 'Altimeter and static test',
  source,
  explanation: 'For instrument flight the static system, the altimeters and the altitude reporting must have been tested within 24 calendar months, and tested again after the static system was opened. Visual flight needs neither.',
  judge: (facts) => {
    const { constraints, missing, last } = datedInspection(facts, { kind: 'altimeter-static', months: MONTHS, source, closes: IFR, act: 'test-altimeter-static', by: station });
    const more: Constraint[] = [];
    for (const { id, completedOn, staticOpened, description } of facts.work) {
      if (staticOpened === false || (last !== null && completedOn !== null && last.completedOn >= completedOn)) continue;
      more.push(constraint({
        key: `opened-${id}`, certainty: staticOpened === null ? 'unknown' : 'failed', source, records: [id], closes: IFR, permitMayCover: true, lifts: [lift('test-altimeter-static', station)],
        reason: staticOpened === null || completedOn === null ? { code: 'work-effect-unknown', description: description ?? '', effect: 'static-system' } : { code: 'test-needed-after-work', kind: 'altimeter-static', workedOn: completedOn },
      }));
    }
    return result([...constraints, ...more], missing);
  },
});
