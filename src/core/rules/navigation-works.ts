import { usesIn, type UseSet } from '../envelope/use-set';
import { lineOf, type EquipmentKind } from '../records/aircraft/equipment';
import type { KnownFacts } from '../records/facts';
import type { PlannedFlight } from '../records/flights/planned-flight';
import { ANYBODY, constraint, DISPATCHER, remedy, MECHANICS, type Constraint } from './parts/constraint';
import { inoperative } from './parts/inoperative';
import { result, rule } from './parts/rule';

const source = { kind: 'regulation', citation: '14 CFR 91.205(d)(2) and 91.213(d)(2)(iii)' } as const;
const IFR = usesIn({ rules: ['ifr'] });

/** What navigation rests on, with the word for aircraft that have nothing else and what a flight says of it. */
const RECEIVERS = [
  { kind: 'vor-receiver', only: 'vor-only', says: 'reliesOnVor' },
  { kind: 'satellite-navigator', only: 'satellite-only', says: 'reliesOnDatabase' },
] as const satisfies readonly {
  readonly kind: EquipmentKind;
  readonly only: string;
  readonly says: keyof PlannedFlight;
}[];

/** What keeps a receiver from being relied on: not fitted, not on record, or inoperative, deferred or not. */
function troubles(facts: KnownFacts, kind: EquipmentKind, closes: UseSet): readonly Constraint[] {
  const fitted = lineOf(facts.equipmentList, kind)?.fitted ?? null;
  const records = facts.equipmentList === null ? [] : [facts.equipmentList.id];
  const made = { source, closes, permitMayCover: true } as const;
  const found = inoperative(facts, kind).map(({ id, what }) =>
    constraint({
      ...made,
      key: `${kind}.${id}`,
      certainty: 'failed',
      records: [id],
      reason: { code: 'equipment-inoperative', equipment: kind, what, list: 'navigation' },
      remedies: [remedy('repair-and-return-to-service', MECHANICS, id)],
    }),
  );
  if (fitted === true) return found;
  return [
    ...found,
    constraint({
      ...made,
      key: kind,
      certainty: fitted === null ? 'unknown' : 'failed',
      records,
      reason: {
        code: 'navigation-not-aboard',
        equipment: kind,
        state: fitted === null ? 'unknown' : 'not-fitted',
      },
      remedies: [
        fitted === null ? remedy('record-equipment', ANYBODY) : remedy('install-equipment', MECHANICS, kind),
      ],
    }),
  ];
}

/** Instrument flight relies on receivers that are there and work. */
export const navigationWorks = rule({
  id: 'navigation-works',
  title: 'Navigation equipment in working order',
  source,
  explanation:
    'Instrument flight needs navigation equipment for the route that works: a receiver that is inoperative, also one that is deferred, or that is not fitted, cannot be relied on. An aircraft that can navigate by either of two is not available only for flights that rely on the one that does not work, or do not say.',
  judge: (facts) => {
    const navigation = facts.aircraft.particulars.ifrNavigation;
    // What it rests on is asked by the VOR checks and databases.
    if (navigation === null) return result([]);
    if (navigation !== 'either')
      return result(
        RECEIVERS.filter(({ only }) => only === navigation).flatMap(({ kind }) => troubles(facts, kind, IFR)),
      );
    const each = RECEIVERS.map(({ kind }) => troubles(facts, kind, IFR));
    // With one of them working a flight may rely on that.
    return result(each.some((found) => found.length === 0) ? [] : each.flat());
  },
  judgeFlight: (facts, _, flight, needs) => {
    const navigation = facts.aircraft.particulars.ifrNavigation;
    if (flight.rules === 'vfr' || navigation === null) return [];
    return RECEIVERS.flatMap(({ kind, only, says }): readonly Constraint[] => {
      if (flight[says] === false) return [];
      // An aircraft that has the other alone: only a flight that says it relies on this one is asked.
      if (navigation !== 'either' && (navigation === only || flight[says] !== true)) return [];
      const state = remedy('state-for-flight', DISPATCHER, says);
      if (navigation !== 'either')
        return [
          constraint({
            key: `flight.${kind}`,
            certainty: 'failed',
            source,
            closes: needs,
            reason: { code: 'navigation-not-aboard', equipment: kind, state: 'not-fitted' },
            remedies: [state],
            condition: true,
          }),
        ];
      return troubles(facts, kind, needs).map((one) => ({
        ...one,
        key: `flight.${one.key}`,
        remedies: [...one.remedies, state],
      }));
    });
  },
});
