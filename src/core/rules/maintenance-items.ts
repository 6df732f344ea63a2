import { POSITIONING } from '../envelope/ordinary';
import {
  ALL_USES,
  difference,
  intersection,
  isEmpty,
  NO_USES,
  union,
  usesInAny,
  type UseSet,
} from '../envelope/use-set';
import { burntLife } from '../records/meters/oil-life';
import type { KnownFacts } from '../records/facts';
import { nextDue } from '../records/maintenance/interval';
import {
  countingDone,
  isRecommended,
  type ItemKind,
  type MaintenanceItem,
} from '../records/maintenance/maintenance-item';
import type { Meter } from '../records/meters/meters';
import {
  atReading,
  constraint,
  remedy,
  MECHANICS,
  PILOT_OR_MECHANIC,
  RECORD_KEEPER,
  type Constraint,
  type Source,
} from './parts/constraint';
import { closesAfter, closesAt, remediesAt, type DueParts } from './parts/due';
import { meterTroubles } from './parts/meter';
import { result, rule } from './parts/rule';
import { unsignedWork } from './parts/unsigned-work';

const limitations = { kind: 'regulation', citation: '14 CFR 91.403(c)' } as const;
const documents = { kind: 'approved-documents' } as const;
const policy = { kind: 'club-policy' } as const;

const SOURCES: Readonly<Record<ItemKind, Source>> = {
  'life-limit': limitations,
  overhaul: documents,
  service: documents,
  'component-check': documents,
  'oil-change': documents,
  'safety-equipment': policy,
  'club-document': policy,
};

function judgeOne(
  item: MaintenanceItem,
  facts: KnownFacts,
  meters: Map<Meter, UseSet>,
): readonly Constraint[] {
  const { id, name, kind, interval, overrun } = item;
  const closes = usesInAny(item.uses);
  const done = countingDone(item.done, item.signedAs, facts.place.zone, facts.authority);
  const last = done.at(-1);
  const by = item.signedAs === 'service' ? PILOT_OR_MECHANIC : MECHANICS;
  const remedies = [remedy(kind === 'life-limit' ? 'replace-part' : 'complete-item', by, id)];
  const source = SOURCES[kind];
  const parts: DueParts = {
    key: id,
    source,
    records: last === undefined ? [id] : [id, last.id],
    closes,
    remedies,
    permitMayCover: true,
  };
  const constraints: Constraint[] = [];
  const zone = facts.place.zone;
  const counts = (meter: Meter) => {
    meters.set(meter, union(meters.get(meter) ?? NO_USES, closes));
  };
  if (item.until !== null && item.until !== 'no-expiry')
    constraints.push(
      closesAfter(
        item.until,
        zone,
        { code: 'item-expires', name, kind, lastDay: item.until, printed: true },
        parts,
      ),
    );
  const repeats =
    interval.months !== null
    || interval.monthsToTheDay !== null
    || interval.days !== null
    || interval.meters.length > 0
    || item.oilLife !== null;
  if (!repeats) {
    if (item.until === null)
      constraints.push(
        constraint({
          ...parts,
          certainty: 'unknown',
          reason: { code: 'item-history-unknown', name, kind },
          remedies: [remedy('record-item-history', RECORD_KEEPER, id)],
        }),
      );
    return constraints;
  }
  if (last === undefined) {
    // What was done and not signed closes by itself, and counts once it is signed.
    if (unsignedWork(item.done, name, item.signedAs, facts).length > 0) return constraints;
    // Unknown history is a constraint: when it was last done, or put in, decides everything.
    return [
      ...constraints,
      constraint({
        ...parts,
        certainty: 'unknown',
        reason: { code: 'item-history-unknown', name, kind },
        remedies: [...remedies, remedy('record-item-history', RECORD_KEEPER, id)],
      }),
    ];
  }
  // A new part starts afresh: what the old one ran over is not taken off it.
  const takesOff = item.excess === 'taken-off' && kind !== 'life-limit';
  const due = nextDue(done, interval, takesOff ? Number.POSITIVE_INFINITY : 0);
  if (due.lastDay !== null)
    constraints.push(
      closesAfter(
        due.lastDay,
        zone,
        { code: 'item-expires', name, kind, lastDay: due.lastDay, printed: false },
        parts,
      ),
    );
  for (const meter of due.unknownMeters)
    constraints.push(
      constraint({
        ...parts,
        key: `${id}.${meter}`,
        certainty: 'unknown',
        reason: { code: 'item-reading-unknown', name, meter },
        remedies: [remedy('record-item-history', RECORD_KEEPER, id), ...remedies],
      }),
    );
  for (const { meter, at, takenOff } of due.meters) {
    counts(meter);
    const reason = { code: 'item-due', name, kind, meter, dueAt: at, takenOff } as const;
    if (overrun?.meter !== meter) {
      constraints.push(closesAt(facts, meter, at, reason, parts));
      continue;
    }
    // May be flown past on the way to the workshop, and only there.
    constraints.push(
      closesAt(facts, meter, at, reason, { ...parts, closes: difference(closes, POSITIONING) }),
    );
    const positioning = intersection(closes, POSITIONING);
    if (!isEmpty(positioning))
      constraints.push(
        constraint({
          ...parts,
          key: `${id}.${meter}.overrun`,
          certainty: 'failed',
          closes: positioning,
          remedies: remediesAt(facts, meter, at + overrun.by, remedies),
          reason: { code: 'item-overrun-ends', name, meter, dueAt: at, overrunTo: at + overrun.by },
          begins: atReading(meter, at + overrun.by),
        }),
      );
  }
  if (item.oilLife !== null) {
    counts('engine');
    const state = burntLife(last, item.oilLife, facts.fuelStretches, facts.meters.engine);
    if (state === null)
      constraints.push(
        constraint({
          ...parts,
          key: `${id}.oil`,
          certainty: 'unknown',
          reason: { code: 'item-reading-unknown', name, meter: 'engine' },
          remedies: [remedy('record-item-history', RECORD_KEEPER, id), ...remedies],
        }),
      );
    else
      constraints.push(
        closesAt(
          facts,
          'engine',
          state.dueAt,
          { code: 'oil-change-due', name, ...state },
          { ...parts, key: `${id}.oil` },
        ),
      );
  }
  return constraints;
}

/** What is only recommended is told when it is due, and closes nothing; in Australia, where we are less sure, it closes. */
function recommendedOr(
  item: MaintenanceItem,
  facts: KnownFacts,
  meters: Map<Meter, UseSet>,
): readonly Constraint[] {
  if (!isRecommended(item) || facts.authority === 'au') return judgeOne(item, facts, meters);
  return judgeOne(item, facts, new Map()).map((one) => ({ ...one, closes: NO_USES, notice: true }));
}

/** Life-limited parts, overhauls, services, checks, the oil change, and safety equipment with dates: whichever limit comes first. */
export const maintenanceItems = rule({
  id: 'maintenance-items',
  title: 'Life limits, services and dated items',
  source: documents,
  explanation:
    'Life-limited parts, services and dated equipment hold by calendar months, days, hours, landings or cycles, whichever comes first, for the uses that need them. Which ones there are must be on record; one whose history is not known counts as overdue. An overhaul is recommended, and only told, unless the airworthiness limitations, an AD, an approved programme or the club make it binding. A limit may be exceeded only on the way to the workshop, and the excess is taken off the next interval.',
  judge: (facts) => {
    if (facts.items === null) {
      return result(
        [
          constraint({
            key: 'list',
            certainty: 'unknown',
            source: limitations,
            reason: { code: 'items-unknown' },
            closes: ALL_USES,
            remedies: [remedy('record-items', MECHANICS)],
          }),
        ],
        ['items'],
      );
    }
    const meters = new Map<Meter, UseSet>();
    const constraints = facts.items.flatMap((item) => [
      ...recommendedOr(item, facts, meters),
      ...unsignedWork(item.done, item.name, item.signedAs, facts),
    ]);
    const troubles = [...meters].map(([meter, closes]) => meterTroubles(facts, [meter], documents, closes));
    return result(
      [...constraints, ...troubles.flatMap((trouble) => trouble.constraints)],
      [
        ...constraints
          .filter(({ certainty, notice }) => certainty === 'unknown' && !notice)
          .map(({ key }) => `items.${key}`),
        ...troubles.flatMap((trouble) => trouble.missing),
      ],
    );
  },
});
