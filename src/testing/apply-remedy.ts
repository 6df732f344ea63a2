// What doing an act leaves on record, for tests that ask whether a constraint's clears really remove it.
import type { DecidedConstraint } from '@/core/decision/decision';
import { DIMENSIONS } from '@/core/envelope/dimensions';
import { hoursFromSeconds } from '@/core/quantities/hours';
import type { Authority, CertificateKind, Signature } from '@/core/records/club/certificate';
import type { Discrepancy, Rectification } from '@/core/records/findings/discrepancy';
import type { AircraftDocument } from '@/core/records/documents/document';
import { EQUIPMENT_KINDS, type EquipmentItem } from '@/core/records/aircraft/equipment';
import { knownAt, latestOf, type AircraftFacts } from '@/core/records/facts';
import type { Inspection, InspectionKind } from '@/core/records/maintenance/inspection';
import type { Doing } from '@/core/records/maintenance/interval';
import type { ItemDone } from '@/core/records/maintenance/maintenance-item';
import { METER_NAMES, isHourMeter, type Meter } from '@/core/records/meters/meters';
import type { MeterReading } from '@/core/records/meters/meter-reading';
import type { Remedy } from '@/core/rules/parts/constraint';
import { addDays, addYears, civilDate, type CivilDate } from '@/core/time/civil-date';
import type { Instant } from '@/core/time/instant';
import { civilDateAt } from '@/core/time/zone';

const signedBy = (kind: CertificateKind): Signature => ({
  name: 'Somebody Else',
  certificate: { kind, number: 'X-1', validFrom: civilDate('1990-01-01'), validUntil: 'no-expiry' },
});

/** Acts that change nothing on record, or belong to one flight: not for this test. */
export const NOT_APPLIED: readonly Remedy['act'][] = [
  'use-covered-category',
  'state-for-flight',
  'change-flight',
  'obtain-atc-authorisation',
  'obtain-special-flight-permit',
];

const replace = <T extends { readonly id: string }>(
  list: readonly T[],
  id: string | null,
  change: (one: T) => T,
): readonly T[] => list.map((one) => (one.id === id ? change(one) : one));

/** The facts after the act was done and recorded at `now`, as somebody entitled would leave them. */
export function applyRemedy(
  facts: AircraftFacts,
  { act, on }: Remedy,
  constraint: DecidedConstraint,
  now: Instant,
  authority: Authority,
): AircraftFacts {
  const by = (kind: CertificateKind) =>
    signedBy(
      authority === 'au' && (kind === 'mechanic-airframe-powerplant' || kind === 'inspection-authorisation')
        ? 'licensed-engineer'
        : kind,
    );
  const zone = facts.place.zone;
  const today = civilDateAt(now, zone);
  const dated = { happenedAt: now, recordedAt: now };
  const id = 'applied';
  const { aircraft } = facts;
  const known = knownAt(facts, now, authority);
  const highest = (meter: Meter): number =>
    Math.max(
      0,
      ...facts.readings.filter((one) => one.meter === meter).map(({ value }) => value),
      ...(meter === 'time-in-service'
        ? facts.inspections.map(({ timeInService }) => timeInService ?? 0)
        : []),
    );
  // At most what was read on that day or later.
  const readBy = (day: CivilDate): number =>
    Math.min(
      highest('time-in-service'),
      ...facts.inspections
        .filter(({ completedOn, timeInService }) => completedOn >= day && timeInService !== null)
        .map(({ timeInService }) => timeInService ?? 0),
    );
  const readings = METER_NAMES.map((meter) => ({ meter, value: highest(meter) }));
  const inspect = (kind: InspectionKind): AircraftFacts => {
    const signedBy = by(
      kind === 'hundred-hour' || kind === 'condition' || kind === 'elt'
        ? 'mechanic-airframe-powerplant'
        : 'repair-station',
    );
    const entry: Inspection = {
      id,
      kind,
      completedOn: today,
      recordedAt: now,
      timeInService: hoursFromSeconds(highest('time-in-service')),
      outcome: 'approved',
      listCleared: null,
      signedBy,
      excess: null,
      testedToFeet: 20_000,
    };
    return { ...facts, inspections: [...facts.inspections, entry] };
  };
  const see = (kind: string | null): AircraftFacts => {
    const last = facts.documents.filter((document) => document.kind === 'registration-certificate').at(-1);
    const base = { id, ...dated, aboard: true, legible: true };
    const { manualRevision, serialNumber } = aircraft.particulars;
    const seen: readonly AircraftDocument[] = [
      {
        ...base,
        kind: 'airworthiness-certificate',
        registrationShown: aircraft.registration,
        displayed: true,
      },
      {
        ...base,
        kind: 'registration-certificate',
        registrationShown: aircraft.registration,
        issuedOn: last?.kind === 'registration-certificate' ? last.issuedOn : null,
        printedExpiry: last?.kind === 'registration-certificate' ? last.printedExpiry : null,
        ended: null,
      },
      {
        ...base,
        kind: 'operating-limitations',
        form: 'flight-manual',
        revision: manualRevision,
        serialShown: serialNumber,
        placards: true,
      },
      { ...base, kind: 'weight-and-balance', datedOn: today },
      { ...base, kind: 'radio-licence' },
      { ...base, kind: 'cabin-tank-form-337', tankFitted: false },
    ];
    const releases =
      kind === 'maintenance-release'
        ? facts.releases.map((one) => ({
            ...one,
            aboard: true,
            registrationShown: aircraft.registration,
            standing: one.standing ?? ('in-force' as const),
          }))
        : facts.releases;
    return {
      ...facts,
      releases,
      documents: [...facts.documents, ...seen.filter((document) => document.kind === kind)],
    };
  };
  const register = (): AircraftFacts => ({
    ...facts,
    documents: [
      ...facts.documents,
      {
        id,
        ...dated,
        kind: 'registration-certificate',
        aboard: true,
        legible: true,
        registrationShown: aircraft.registration,
        issuedOn: today,
        printedExpiry: addYears(today, 6),
        ended: null,
      },
    ],
  });
  const rectify =
    (work: NonNullable<Rectification['work']>, kind: CertificateKind) =>
    (one: Discrepancy): Discrepancy => ({
      ...one,
      rectification: {
        id,
        recordedAt: now,
        work,
        description: 'Done.',
        completedOn: today,
        signedBy: by(kind),
      },
    });
  const finding = (work: NonNullable<Rectification['work']>, kind: CertificateKind): AircraftFacts => ({
    ...facts,
    discrepancies: replace(facts.discrepancies, on, rectify(work, kind)),
  });
  const ramp = facts.ramp ?? { measurements: [], samples: [], uplifts: [] };
  const doneOf = {
    id,
    recordedAt: now,
    completedOn: today,
    readings,
    excessOnFreeUses: false,
    signedBy: by('repair-station'),
  };
  const measureAll = (): AircraftFacts => ({
    ...facts,
    ramp: {
      ...ramp,
      samples: [...ramp.samples, { id, ...dated, result: 'clean', drain: 'every', cleared: null }],
      measurements: [
        ...ramp.measurements,
        ...aircraft.particulars.measured.map((limit, at) => ({
          id: `${id}-${at}`,
          ...dated,
          quantity: limit.quantity,
          which: limit.which,
          value:
            limit.quantity === 'oil'
              ? Math.max(
                  ...aircraft.particulars.measured
                    .filter(({ quantity }) => quantity === 'oil')
                    .map(({ min }) => min ?? 0),
                )
              : (limit.min ?? 0) + (limit.open ? 1 : 0),
        })),
        ...(aircraft.particulars.fuel?.tanks ?? []).flatMap(({ id: tank, usable }) =>
          (['fuel-dip', 'fuel-gauge'] as const).map((quantity) => ({
            id: `${id}-${quantity}-${tank}`,
            ...dated,
            quantity,
            which: tank,
            value: usable,
          })),
        ),
      ],
    },
  });
  const equip = (): AircraftFacts => {
    const before = latestOf(facts.equipment)?.items ?? [];
    const items = EQUIPMENT_KINDS.map((kind): EquipmentItem => ({
      kind,
      typeCertification: false,
      equipmentList: 'no',
      kindsOfOperation: 'no',
      ...before.find((one) => one.kind === kind),
      fitted: true,
      expiresOn: addYears(today, 2),
    }));
    return { ...facts, equipment: [...facts.equipment, { id, ...dated, approved: true, items }] };
  };

  switch (act) {
    case 'put-document-aboard':
    case 'check-document':
    case 'display-certificate':
    case 'replace-document':
    case 'fetch-the-right-document':
    case 'update-document':
      return see(on);
    case 'renew-registration':
    case 'record-registration-dates':
    case 'register-new-owner':
      return register();
    case 'record-first-flight-date':
      return { ...facts, aircraft: { ...aircraft, firstFlownOn: civilDate('1970-01-01') } };
    case 'record-particulars':
      return {
        ...see('operating-limitations'),
        aircraft: {
          ...aircraft,
          particulars: {
            ...aircraft.particulars,
            serialNumber: aircraft.particulars.serialNumber ?? 'TB',
            manualRevision: aircraft.particulars.manualRevision ?? 'none',
            manufacturedOn: civilDate('1970-01-01'),
            certificatedOn: civilDate('1970-01-01'),
            engine: 'none',
            gear: 'fixed',
            fuses: aircraft.particulars.fuses ?? false,
            ifrNavigation: aircraft.particulars.ifrNavigation ?? 'either',
          },
        },
      };
    case 'complete-annual':
      return inspect('annual');
    case 'complete-condition-inspection':
      return inspect('condition');
    case 'complete-hundred-hour':
      return inspect('hundred-hour');
    case 'inspect-elt':
      return inspect('elt');
    case 'test-altimeter-static':
      return inspect('altimeter-static');
    case 'test-static-system':
      return inspect('static-system');
    case 'test-transponder':
      return inspect('transponder');
    case 'clear-inspection-list':
      return {
        ...facts,
        inspections: facts.inspections.map((one) =>
          one.outcome === 'discrepancies-listed'
            ? { ...one, recordedAt: now, listCleared: { on: today, by: by('mechanic-airframe-powerplant') } }
            : one,
        ),
      };
    case 'complete-inspection-entry':
      return {
        ...facts,
        inspections: facts.inspections.map((one) =>
          one.kind === on || on === 'hundred-hour'
            ? {
                ...one,
                timeInService: one.timeInService ?? hoursFromSeconds(readBy(one.completedOn)),
                outcome: one.outcome ?? 'approved',
                signedBy: by('repair-station'),
              }
            : one,
        ),
      };
    case 'record-excess-reason':
      return {
        ...facts,
        inspections: facts.inspections.map((one) => ({
          ...one,
          excess: 'flown-on-uses-without-the-limit' as const,
        })),
      };
    case 'record-meter-reading':
    case 'correct-meter-reading': {
      const meter = METER_NAMES.find((one) => one === on) ?? 'time-in-service';
      const value = highest(meter);
      const one = (
        isHourMeter(meter)
          ? { id, meter, value: hoursFromSeconds(value), ...dated }
          : { id, meter, value, ...dated }
      ) as MeterReading;
      // Correcting takes the wrong record out: the later edition of the records holds only the right one.
      // Where it was a reading beside something done, it was read too high there: at most what was read next.
      const next = (day: CivilDate) =>
        Math.min(
          value,
          ...facts.inspections
            .filter(({ completedOn }) => meter === 'time-in-service' && completedOn >= day)
            .map(({ timeInService }) => timeInService ?? value),
        );
      const put = <D extends Doing>(done: readonly D[]): readonly D[] =>
        act === 'record-meter-reading'
          ? done
          : done.map((entry) => ({
              ...entry,
              readings: entry.readings.map((then) =>
                then.meter === meter
                  ? { ...then, value: Math.min(then.value, next(entry.completedOn)) }
                  : then,
              ),
            }));
      return {
        ...facts,
        readings: [
          ...facts.readings.filter((reading) => act === 'record-meter-reading' || reading.meter !== meter),
          one,
        ],
        items: facts.items?.map((item) => ({ ...item, done: put(item.done) })) ?? null,
        ads: facts.ads?.map((ad) => ({ ...ad, done: put(ad.done) })) ?? null,
      };
    }
    case 'correct-record':
      return {
        ...facts,
        discrepancies: facts.discrepancies.map((one) => {
          const later = <T extends { readonly recordedAt: Instant }>(entry: T | null) =>
            entry === null
              ? null
              : { ...entry, recordedAt: Math.max(entry.recordedAt, one.happenedAt) as Instant };
          return { ...one, rectification: later(one.rectification), deferral: later(one.deferral) };
        }),
        documents: facts.documents.map((one) => ({
          ...one,
          happenedAt: Math.min(one.happenedAt, one.recordedAt) as Instant,
        })),
        equipment: facts.equipment.map((one) => ({
          ...one,
          happenedAt: Math.min(one.happenedAt, one.recordedAt) as Instant,
        })),
        flightsOut: facts.flightsOut.map((one) => ({
          ...one,
          returned:
            one.returned === null
              ? { recordedAt: now, at: now }
              : {
                  ...one.returned,
                  at: Math.max(one.happenedAt, Math.min(one.returned.at, one.returned.recordedAt)) as Instant,
                },
        })),
      };
    case 'repair-and-return-to-service':
    case 'have-trend-looked-at':
      return act === 'have-trend-looked-at'
        ? { ...facts, ramp: { ...ramp, uplifts: [] } }
        : on !== null && facts.discrepancies.some((one) => one.id === on)
          ? finding('repaired', 'mechanic-airframe-powerplant')
          : measureAll();
    case 'complete-repair-entry':
      return finding('repaired', 'mechanic-airframe-powerplant');
    case 'service-and-record':
      return finding('serviced', 'pilot');
    case 'instructor-judges':
      return finding('judged-acceptable', 'flight-instructor');
    case 'defer-item':
      return {
        ...facts,
        discrepancies: replace(facts.discrepancies, on, (one) => ({
          ...one,
          deferral: {
            id,
            recordedAt: now,
            deferredOn: today,
            action: 'deactivated',
            placarded: true,
            entered: 'not-maintenance',
            noHazard: by('pilot'),
            until: null,
            untilTimeInService: null,
            closes: [],
            cap: null,
            listed:
              aircraft.particulars.minimumEquipmentList === 'approved' ? { category: 'C', days: null } : null,
          },
        })),
      };
    case 'record-approved-uses':
      return { ...facts, aircraft: { ...aircraft, approvedFor: [DIMENSIONS] } };
    case 'record-category':
      return { ...facts, aircraft: { ...aircraft, category: 'standard' } };
    case 'replace-elt-battery':
    case 'record-elt':
    case 'reinstall-elt':
    case 'record-elt-removal':
      return {
        ...facts,
        elts: [
          ...facts.elts,
          {
            id,
            ...dated,
            state: 'fitted',
            batteryReplaceBy: addYears(today, 2),
            usedSeconds: 0,
            removedOn: null,
            removalEntered: null,
            removalPlacarded: null,
          },
        ],
      };
    case 'deactivate-elt':
      return {
        ...facts,
        elts: [
          ...facts.elts,
          {
            id,
            ...dated,
            state: 'deactivated',
            batteryReplaceBy: null,
            usedSeconds: null,
            removedOn: today,
            removalEntered: true,
            removalPlacarded: true,
            noHazard: by('pilot'),
          },
        ],
      };
    case 'check-vor':
      return {
        ...facts,
        vorChecks: [
          ...facts.vorChecks,
          { id, ...dated, method: 'dual', error: 10, place: 'field', signedBy: 'Somebody' },
        ],
      };
    case 'update-database':
      return {
        ...facts,
        databases: [
          ...facts.databases,
          { id, ...dated, content: 'navigation', effectiveOn: today, lastDay: null },
        ],
      };
    case 'comply-with-ad':
      return {
        ...facts,
        ads: replace(facts.ads ?? [], on, (one) => ({
          ...one,
          done: [...one.done, { ...doneOf, method: one.methods[0]?.id ?? null }],
        })),
      };
    case 'record-ads':
      return { ...facts, ads: replace(facts.ads ?? [], on, (one) => ({ ...one, applies: false })) };
    case 'complete-item':
    case 'record-item-history':
    case 'replace-part': {
      const items = (facts.items ?? []).map((one) =>
        one.id === on
          ? {
              ...one,
              until: one.until === null || one.until === 'no-expiry' ? one.until : addYears(today, 2),
              ...(one.until === null && one.done.length === 0 ? { until: 'no-expiry' as const } : {}),
              done: [...one.done, doneOf],
            }
          : one,
      );
      return {
        ...facts,
        items,
        releases: facts.releases.map((release) => ({
          ...release,
          required: release.required.map((one) =>
            one.id === on
              ? { ...one, certified: { recordedAt: now, on: today, by: by('licensed-engineer') } }
              : one,
          ),
        })),
        work: replace(facts.work, on, (one) => ({ ...one, mayChangeFlight: false })),
      };
    }
    case 'record-items':
      if (on !== null)
        return {
          ...facts,
          items: replace(facts.items ?? [], on, (one) => ({
            ...one,
            interval: { ...one.interval, months: 12 },
          })),
        };
      return {
        ...facts,
        items: [
          ...(facts.items ?? []),
          {
            id,
            recordedAt: now,
            name: 'Segment',
            kind: 'service',
            interval: { months: 12, monthsToTheDay: null, days: null, meters: [] },
            until: null,
            uses: null,
            overrun: null,
            excess: 'taken-off',
            signedAs: 'progressive-segment',
            oilLife: null,
            done: [doneOf],
          },
        ],
      };
    case 'install-equipment':
    case 'record-equipment':
      return equip();
    case 'release-after-work':
      return {
        ...facts,
        work: replace(facts.work, on, (one) => ({
          ...one,
          recordedAt: now,
          completedOn: one.completedOn ?? today,
          description: one.description ?? 'Done.',
          signedBy: by('repair-station'),
          mayChangeFlight: one.mayChangeFlight ?? false,
          flightControls: one.flightControls ?? false,
          staticOpened: one.staticOpened ?? false,
          altitudeReportingTouched: one.altitudeReportingTouched ?? false,
          weightChanged: one.weightChanged ?? false,
          groundTestsConclusive: true,
        })),
      };
    case 'fly-check-flight':
      return {
        ...facts,
        work: replace(facts.work, on, (one) => ({
          ...one,
          checkFlight: { recordedAt: now, on: today, pilot: by('pilot'), logged: true },
        })),
      };
    case 'inspect-independently':
      return {
        ...facts,
        work: replace(facts.work, on, (one) => ({
          ...one,
          independentInspection: { recordedAt: now, on: today, by: by('licensed-engineer') },
        })),
      };
    case 'add-oil':
    case 'remove-oil':
    case 'add-fuel':
    case 'remove-fuel':
    case 'measure':
    case 'sample-fuel':
      return measureAll();
    case 'do-walk-round':
    case 'finish-walk-round':
      return {
        ...facts,
        ramp: {
          ...ramp,
          walkround: {
            id,
            ...dated,
            by: 'somebody',
            left: 0,
            unseen: ramp.walkround?.unseen ?? [],
            signedAt: now,
            covers: ['night', 'ifr'],
          },
        },
      };
    case 'look-at-step':
      return {
        ...facts,
        ramp: {
          ...ramp,
          ...(ramp.walkround == null
            ? {}
            : {
                walkround: {
                  ...ramp.walkround,
                  unseen: ramp.walkround.unseen.filter(({ title, place }) => `${title} (${place})` !== on),
                },
              }),
        },
      };
    case 'do-announced':
      return {
        ...facts,
        ramp: { ...ramp, announced: (ramp.announced ?? []).filter((one) => one.id !== on) },
      };
    case 'service-measured-item':
      return { ...measureAll(), equipment: equip().equipment };
    case 'issue-maintenance-release':
      return {
        ...facts,
        releases: [
          ...facts.releases.map((one) => ({ ...one, issuedOn: one.issuedOn ?? addDays(today, -1) })),
          {
            id,
            recordedAt: now,
            registrationShown: aircraft.registration,
            issuedOn: today,
            issuedAt: hoursFromSeconds(highest('time-in-service')),
            expiresOn: addYears(today, 1),
            expiresAt: hoursFromSeconds(highest('time-in-service') + 360_000),
            signedBy: by('licensed-engineer'),
            aboard: true,
            standing: 'in-force',
            required: [],
          },
        ],
      };
    case 'deal-with-suspect-fuel': {
      const cleared = { recordedAt: now, on: today, by: by('repair-station') };
      const cleaned = measureAll();
      return {
        ...cleaned,
        ramp:
          cleaned.ramp === null
            ? null
            : {
                ...cleaned.ramp,
                samples: cleaned.ramp.samples.map((one) => ({ ...one, cleared })),
                uplifts: cleaned.ramp.uplifts.map((one) => ({ ...one, cleared })),
              },
      };
    }
    case 'complete-work-entry': {
      const signed = <D extends ItemDone>(done: readonly D[]): readonly D[] =>
        done.map((one) =>
          one.id === on ? { ...one, recordedAt: now, signedBy: by('repair-station') } : one,
        );
      return {
        ...facts,
        items: facts.items?.map((item) => ({ ...item, done: signed(item.done) })) ?? null,
        ads: facts.ads?.map((one) => ({ ...one, done: signed(one.done) })) ?? null,
      };
    }
    case 'sign-daily-inspection':
      return {
        ...facts,
        dailyInspections: [
          ...facts.dailyInspections,
          { id, recordedAt: now, on: today, signedBy: by('pilot') },
        ],
      };
    case 'renew-club-document': {
      const { reason } = constraint;
      const name =
        reason.code === 'club-document-expires' || reason.code === 'club-document-expiry-unknown'
          ? reason.name
          : 'Insurance';
      const before = known.clubDocuments.find((one) => one.name === name);
      return {
        ...facts,
        clubDocuments: [
          ...facts.clubDocuments,
          {
            id,
            ...dated,
            kind: before?.kind ?? (reason.code === 'club-document-missing' ? 'insurance' : 'club'),
            name,
            validUntil: addYears(today, 1),
            uses: before?.uses ?? null,
          },
        ],
      };
    }
    case 'withdraw-dispatch-restriction':
      return {
        ...facts,
        dispatchRestrictions: replace(facts.dispatchRestrictions, on, (one) => ({
          ...one,
          withdrawn: { recordedAt: now },
        })),
      };
    case 'say-landings':
      return {
        ...facts,
        unlogged: facts.unlogged.map((one) => ({ ...one, said: one.said ?? { recordedAt: now } })),
      };
    case 'record-rigging':
      return {
        ...facts,
        riggings: [
          ...facts.riggings,
          {
            id,
            ...dated,
            state: 'rigged',
            assemblyCheckedBy: 'Somebody',
            controlsCheckedBy: 'Somebody',
            toolsComplete: true,
          },
        ],
      };
    case 'record-return':
      return {
        ...facts,
        flightsOut: facts.flightsOut.map((one) => ({
          ...one,
          returned: one.returned ?? { recordedAt: now, at: now },
        })),
      };
    case 'replace-tow-rope':
      return {
        ...facts,
        towRopes: [
          ...facts.towRopes,
          {
            id,
            ...dated,
            strength: 1000,
            sound: true,
            gliderLink: 'none',
            tugLink: 'none',
            gliderWeight: 1000,
          },
        ],
      };
    case 'use-covered-category':
    case 'state-for-flight':
    case 'change-flight':
    case 'obtain-atc-authorisation':
    case 'obtain-special-flight-permit':
      return facts;
    default: {
      const missing: never = act;
      throw new RangeError(`no such act: ${String(missing)}`);
    }
  }
}
