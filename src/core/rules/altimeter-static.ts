import { usesIn } from '../envelope/use-set';
import { mayBeSignedBy } from '../records/club/certificate';
import { countingInspections, type Inspection } from '../records/maintenance/inspection';
import {
  constraint,
  DISPATCHER,
  MECHANICS,
  remedy,
  type Act,
  type Constraint,
  type Entitled,
} from './parts/constraint';
import { datedInspection } from './parts/dated-inspection';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.411' } as const;
const altitude = { kind: 'regulation', citation: '14 CFR 91.411(d)' } as const;
const MONTHS = 24;
const IFR = usesIn({ rules: ['ifr'] });
const station: Entitled = { kind: 'certificate', anyOf: ['repair-station'] };

/** Altimeter, static system and altitude reporting, tested within 24 calendar months for instrument flight, and after the static system was opened. */
export const altimeterStatic = rule({
  id: 'altimeter-static',
  title: 'Altimeter and static test',
  source,
  explanation:
    'For instrument flight the static system, the altimeters and the altitude reporting must have been tested within 24 calendar months, and tested again after the static system was opened or the altitude reporting was worked on. No instrument flight goes above the altitude to which the altimeter was tested. Visual flight needs none of it. An airframe mechanic may test the static system; the rest is a repair station’s.',
  judge: (facts) => {
    const { constraints, missing } = datedInspection(facts, {
      kind: 'altimeter-static',
      months: MONTHS,
      source,
      closes: IFR,
      act: 'test-altimeter-static',
      by: station,
    });
    const more: Constraint[] = [];
    // The test of altitude reporting is the same under 91.411(a)(3) and 91.413(b): either entry has it.
    const opened =
      countingInspections(
        facts.inspections,
        ['altimeter-static', 'static-system'],
        facts.place.zone,
        facts.authority,
      ).at(-1) ?? null;
    const reporting =
      countingInspections(
        facts.inspections,
        ['altimeter-static', 'transponder'],
        facts.place.zone,
        facts.authority,
      ).at(-1) ?? null;
    for (const { id, completedOn, staticOpened, altitudeReportingTouched, description } of facts.work) {
      const since = (test: Inspection | null) =>
        test !== null && completedOn !== null && test.completedOn >= completedOn;
      const made = (
        key: string,
        effect: 'static-system' | 'altitude-reporting',
        unknown: boolean,
        act: Act,
        by: Entitled,
      ) =>
        constraint({
          key,
          certainty: unknown ? 'unknown' : 'failed',
          source,
          records: [id],
          closes: IFR,
          permitMayCover: true,
          remedies: [...(unknown ? [remedy('release-after-work', MECHANICS, id)] : []), remedy(act, by)],
          reason:
            unknown || completedOn === null
              ? { code: 'work-effect-unknown', description: description ?? '', effect }
              : { code: 'test-needed-after-work', kind: 'altimeter-static', workedOn: completedOn },
        });
      if (staticOpened !== false && !since(opened))
        more.push(
          made(`opened-${id}`, 'static-system', staticOpened === null, 'test-static-system', {
            kind: 'certificate',
            anyOf: mayBeSignedBy('static-test', facts.authority),
          }),
        );
      if (altitudeReportingTouched !== false && !since(reporting))
        more.push(
          made(
            `reporting-${id}`,
            'altitude-reporting',
            altitudeReportingTouched === null,
            'test-altimeter-static',
            station,
          ),
        );
    }
    return result([...constraints, ...more], missing);
  },
  judgeFlight: (facts, _, { rules, altitudeFeet: planned }, needs) => {
    if (rules === 'vfr') return [];
    const tests = countingInspections(
      facts.inspections,
      ['altimeter-static'],
      facts.place.zone,
      facts.authority,
    );
    const last = tests.at(-1);
    // Without a test that counts the aircraft is closed for instrument flight anyway. A test of the static system alone says nothing of the altimeter.
    if (last === undefined) return [];
    const latest = tests.filter(({ completedOn }) => completedOn === last.completedOn);
    const made = { source: altitude, closes: needs, records: latest.map(({ id }) => id) };
    const tested = latest.reduce<number | null>(
      (lowest, { testedToFeet: feet }) => (lowest === null || feet === null ? null : Math.min(lowest, feet)),
      Number.POSITIVE_INFINITY,
    );
    if (tested === null)
      return [
        constraint({
          ...made,
          key: 'tested',
          certainty: 'unknown',
          reason: { code: 'altitude-tested-unknown' },
          remedies: [remedy('complete-inspection-entry', station, 'altimeter-static')],
        }),
      ];
    if (planned === null)
      return [
        constraint({
          ...made,
          key: 'altitude',
          certainty: 'unknown',
          reason: { code: 'flight-leaves-open', what: 'altitude' },
          remedies: [remedy('state-for-flight', DISPATCHER, 'altitudeFeet')],
          condition: true,
        }),
      ];
    if (planned <= tested) return [];
    return [
      constraint({
        ...made,
        key: 'altitude',
        certainty: 'failed',
        reason: { code: 'altitude-over-tested', planned, tested },
        remedies: [
          remedy('change-flight', DISPATCHER, 'altitudeFeet'),
          remedy('test-altimeter-static', station),
        ],
        condition: true,
      }),
    ];
  },
});
