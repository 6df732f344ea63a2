// What is done to each aircraft of the demo at intervals: an overhaul and an AD.
import { hours, hoursFromSeconds, type Hours } from '../src/core/quantities/hours';
import type { AirworthinessDirective } from '../src/core/records/maintenance/ad';
import type { MaintenanceItem } from '../src/core/records/maintenance/maintenance-item';
import type { Signature } from '../src/core/records/club/certificate';
import { addDays, civilDate, type CivilDate } from '../src/core/time/civil-date';
import { hourOfDay, type Place } from '../src/core/time/sun';
import { civilDateAt } from '../src/core/time/zone';
import type { OtherRecord } from '../src/db/aircraft/other-kinds';
import type { DemoAircraft } from './fleet';
import type { History } from './history';

const workshop: Signature = {
  name: 'Cape Reach Workshop',
  certificate: {
    kind: 'repair-station',
    number: 'RS-0417',
    validFrom: civilDate('2009-04-01'),
    validUntil: 'no-expiry',
  },
};

/**
 * The items and ADs of an aircraft, with what was done of them.
 * @param days how many days ago it joined the club, and when its records were last gone through
 */
export function servicesOf(
  { registration, category, inspectedAt, typeName }: DemoAircraft,
  today: CivilDate,
  place: Place,
  id: (name: string) => string,
  { inspections, readings }: History,
  { joined, recent }: { readonly joined: number; readonly recent: number },
): readonly OtherRecord[] {
  const written = (daysAgo: number) => hourOfDay(addDays(today, -daysAgo), 10.2, place);
  // Done together with the last hundred-hour inspection, whose day and meter the aircraft's past knows.
  const doneOn =
    inspections.find(({ timeInService }) => timeInService === hours(inspectedAt))?.completedOn
    ?? addDays(today, -recent);
  const doneAt = hourOfDay(doneOn, 20.2, place);
  const signed = (value: Hours) => ({
    readings: [{ meter: 'time-in-service' as const, value }],
    excessOnFreeUses: false,
    signedBy: workshop,
  });
  const inspected = signed(hours(inspectedAt));
  // What was done when the aircraft came to the club; and later with every third hundred-hour inspection, the newest of them included.
  const [first] = readings;
  const atFirst = {
    recordedAt: written(joined),
    completedOn: first === undefined ? doneOn : civilDateAt(first.happenedAt, place.zone),
    ...signed(first === undefined ? hours('0') : hoursFromSeconds(first.value)),
  };
  const hundreds = inspections.filter(({ kind }) => kind === 'hundred-hour').toReversed();
  const since = hundreds.flatMap(({ completedOn, timeInService }, at) =>
    at % 3 === 0 && timeInService !== null && timeInService !== hours(inspectedAt)
      ? [
          {
            recordedAt: hourOfDay(completedOn, 20.2, place),
            completedOn,
            ...signed(timeInService),
          },
        ]
      : [],
  );
  const ad: AirworthinessDirective = {
    id: id(`${registration}/ad`),
    recordedAt: written(joined),
    number: '2024-07-11',
    title: 'Look at the rear wing attachment for loose rivets',
    applies: true,
    effectiveOn: civilDate('2024-04-12'),
    initial: {
      months: null,
      monthsToTheDay: null,
      days: null,
      meters: [{ meter: 'time-in-service', every: hours('25') }],
    },
    readingsThen: [],
    noFerry: false,
    equipment: [],
    methods: [
      {
        id: 'look',
        name: 'Look with a mirror and a light',
        repeats: {
          months: null,
          monthsToTheDay: null,
          days: null,
          meters: [{ meter: 'time-in-service', every: hours('500') }],
        },
      },
    ],
    done: [{ id: id(`${registration}/ad/joined`), method: 'look', ...atFirst }],
  };
  const complied = [...since, { recordedAt: doneAt, completedOn: doneOn, ...inspected }].map(
    (done, at, all): OtherRecord => {
      const own = id(`${registration}/ad/done${at === all.length - 1 ? '' : `/${done.completedOn}`}`);
      return {
        id: own,
        happenedAt: done.recordedAt,
        recordedAt: done.recordedAt,
        kind: 'compliance',
        body: {
          ad: ad.id,
          done: { id: own, method: 'look', ...done },
          description: 'Looked, no loose rivet found.',
        },
      };
    },
  );
  const service = (
    name: string,
    kind: MaintenanceItem['kind'],
    every: string,
    months: number | null,
  ): MaintenanceItem => ({
    id: id(`${registration}/item/${name}`),
    recordedAt: written(joined),
    name,
    kind,
    interval: {
      months,
      monthsToTheDay: null,
      days: null,
      meters: [{ meter: 'time-in-service', every: hours(every) }],
    },
    until: null,
    uses: null,
    overrun: null,
    excess: 'not-taken-off',
    signedAs: 'return-to-service',
    oilLife: null,
    done: [{ id: id(`${registration}/item/${name}/joined`), ...atFirst }],
  });
  const overhauled = (item: MaintenanceItem): OtherRecord => ({
    id: id(`${registration}/item/${item.name}/done`),
    happenedAt: doneAt,
    recordedAt: doneAt,
    kind: 'done',
    body: {
      item: item.id,
      done: {
        id: id(`${registration}/item/${item.name}/done`),
        recordedAt: doneAt,
        completedOn: doneOn,
        ...inspected,
      },
      description: 'Overhauled.',
    },
  });
  const low = typeName.startsWith('Quorin');
  const items = category === 'glider' ? [] : [service('Propeller overhaul', 'overhaul', '2000', 72)];
  return [
    ...items.flatMap((item): readonly OtherRecord[] => [
      {
        id: item.id,
        happenedAt: item.recordedAt,
        recordedAt: item.recordedAt,
        kind: 'item',
        body: item,
      },
      overhauled(item),
    ]),
    ...(low
      ? [
          { id: ad.id, happenedAt: ad.recordedAt, recordedAt: ad.recordedAt, kind: 'ad' as const, body: ad },
          ...complied,
        ]
      : []),
  ];
}
