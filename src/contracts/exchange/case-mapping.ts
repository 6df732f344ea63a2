// From checked case records to the core's types: an absent field becomes null, which is unknown. Decides nothing.
import type { AircraftFacts } from '../../core/records/facts';
import type { MeterReading } from '../../core/records/meters/meter-reading';
import { readingsOfPanel, readingsStruckWith } from './case-meters';
import type { CaseFile } from './case-file';
import {
  clubDocumentOf,
  databaseOf,
  documentOf,
  eltOf,
  equipmentOf,
  riggingOf,
  minimumListOf,
  ropeOf,
  vorCheckOf,
} from './case-aircraft';
import { boxes, byId, known, listed, signatureOf, signed } from './case-basics';
import { adOf, discrepancyOf, inspectionOf, itemOf, permitOf, releaseOf, workOf } from './case-maintenance';

type GivenCleared = NonNullable<NonNullable<CaseFile['ramp']>['samples']>[string]['cleared'];
const clearedOf = (given: GivenCleared) =>
  given === undefined ? null : { recordedAt: given.recordedAt, on: given.on, by: signed(given.by) };

type GivenWalkRound = NonNullable<NonNullable<CaseFile['ramp']>['walkRound']>;
const walkroundOf = (given: GivenWalkRound) =>
  given === 'none'
    ? null
    : {
        id: 'walk-round',
        happenedAt: given.happenedAt,
        recordedAt: given.recordedAt,
        by: given.by,
        left: given.left,
        unseen: (given.unseen ?? []).map(({ closes, ...step }) => ({ ...step, closes: closes ?? [] })),
        signedAt: known(given.signedAt),
        covers: given.covers ?? [],
      };

/** Every record of a case. */
export function recordsOf(given: CaseFile): Omit<AircraftFacts, 'place' | 'aircraft'> {
  const { ramp } = given;
  return {
    descriptions: [],
    boxReadings: [],
    unlogged: [],
    documents: listed(given.documents, documentOf),
    inspections: listed(given.inspections, inspectionOf),
    readings: [
      ...listed(given.meterReadings, (id, record): MeterReading => ({ id, ...record })),
      ...readingsOfPanel(given),
    ],
    discrepancies: listed(given.discrepancies, discrepancyOf),
    equipment: listed(given.equipment, equipmentOf),
    items: given.items === undefined ? null : listed(given.items, itemOf),
    ads: given.ads === undefined ? null : listed(given.ads, adOf),
    elts: listed(given.elts, eltOf),
    vorChecks: listed(given.vorChecks, vorCheckOf),
    databases: listed(given.databases, databaseOf),
    fuelStretches: listed(given.fuelStretches, (id, one) => ({
      id,
      recordedAt: one.recordedAt,
      fromReading: one.from,
      toReading: one.to,
      grade: known(one.grade),
    })),
    work: listed(given.work, workOf),
    permits: listed(given.permits, permitOf),
    releases: listed(given.releases, releaseOf),
    dailyInspections: listed(given.dailyInspections, (id, one) => ({
      id,
      recordedAt: one.recordedAt,
      on: one.on,
      signedBy: signatureOf(one.signedBy),
    })),
    flightsOut: listed(given.flightsOut, (id, one) => ({
      id,
      happenedAt: one.happenedAt,
      recordedAt: one.recordedAt,
      by: known(one.by),
      airborne: known(one.airborne),
      returned: known(one.returned),
    })),
    dispatchRestrictions: listed(given.dispatchRestrictions, (id, one) => ({
      id,
      happenedAt: one.happenedAt,
      recordedAt: one.recordedAt,
      by: one.by,
      why: one.why,
      uses: boxes(one.uses),
      cap: known(one.cap),
      until: known(one.until),
      withdrawn: known(one.withdrawn),
    })),
    clubDocuments: listed(given.clubDocuments, clubDocumentOf),
    towRopes: listed(given.towRopes, ropeOf),
    minimumLists: listed(given.minimumLists, minimumListOf),
    riggings: listed(given.riggings, riggingOf),
    strikes: byId(given.strikes).flatMap(([id, { recordedAt, record }]) =>
      [record, ...readingsStruckWith(given, record)].map((struck, at) => ({
        id: at === 0 ? id : `${id}.${struck}`,
        recordedAt,
        record: struck,
      })),
    ),
    ramp:
      ramp === undefined
        ? null
        : {
            measurements: listed(ramp.measurements, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              quantity: one.quantity,
              which: known(one.which),
              value: one.value,
            })),
            samples: listed(ramp.samples, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              result: known(one.result),
              drain: known(one.drain),
              cleared: clearedOf(one.cleared),
            })),
            uplifts: listed(ramp.uplifts, (id, one) => ({
              id,
              happenedAt: one.happenedAt,
              recordedAt: one.recordedAt,
              what: one.what,
              added: one.added,
              grade: known(one.grade),
              timeInService: known(one.timeInService),
              cleared: clearedOf(one.cleared),
            })),
            ...(ramp.walkRound === undefined ? {} : { walkround: walkroundOf(ramp.walkRound) }),
            ...(ramp.announced === undefined
              ? {}
              : {
                  announced: listed(ramp.announced, (id, one) => ({
                    id,
                    happenedAt: one.happenedAt,
                    recordedAt: one.recordedAt,
                    act: one.act,
                    which: known(one.which),
                    amount: known(one.amount),
                    by: one.by,
                  })),
                }),
          },
    estimates: listed(given.estimates, (_, one) => ({
      act: one.act,
      on: known(one.on),
      minutes: one.minutes,
      cents: Math.round(one.cost * 100),
    })),
  };
}
