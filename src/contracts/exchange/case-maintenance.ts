import { METER_NAMES, type Meter } from '../../core/records/meters/meters';
import type { ReadingThen } from '../../core/records/maintenance/interval';
import type { AirworthinessDirective } from '../../core/records/maintenance/ad';
import type { Deferral, Discrepancy, Watch } from '../../core/records/findings/discrepancy';
import type { EquipmentItem, EquipmentKind } from '../../core/records/aircraft/equipment';
import type { Inspection } from '../../core/records/maintenance/inspection';
import type { Interval } from '../../core/records/maintenance/interval';
import type { MaintenanceItem } from '../../core/records/maintenance/maintenance-item';
import type { FlightPermit, MaintenanceRelease, WorkEntry } from '../../core/records/maintenance/work-entry';
import { boxOf } from './case-boxes';
import { type In, boxes, known, listed, signatureOf, signed } from './case-basics';

function readingsOf(given: In<'ads'>['readingsThen']): readonly ReadingThen[] {
  return METER_NAMES.flatMap((meter) => {
    const value =
      (given?.hours as Partial<Record<Meter, number>> | undefined)?.[meter]
      ?? (given?.counts as Partial<Record<Meter, number>> | undefined)?.[meter];
    return value === undefined ? [] : [{ meter, value }];
  });
}

export function inspectionOf(id: string, given: In<'inspections'>): Inspection {
  return {
    id,
    kind: given.kind,
    completedOn: given.completedOn,
    recordedAt: given.recordedAt,
    timeInService: known(given.timeInService),
    outcome: known(given.outcome),
    listCleared:
      given.listCleared === undefined
        ? null
        : {
            on: given.listCleared.on,
            by: signed(given.listCleared.by),
            ...(given.listCleared.recordedAt === undefined
              ? {}
              : { recordedAt: given.listCleared.recordedAt }),
          },
    signedBy: signatureOf(given.signedBy),
    excess: known(given.excess),
    testedToFeet: known(given.testedToFeet),
  };
}

function deferralOf(id: string, given: NonNullable<In<'discrepancies'>['deferral']>): Deferral {
  return {
    id,
    recordedAt: given.recordedAt,
    deferredOn: known(given.deferredOn),
    action: known(given.action),
    placarded: known(given.placarded),
    entered: known(given.entered),
    noHazard: signatureOf(given.noHazard),
    until: known(given.until),
    untilTimeInService: known(given.untilTimeInService),
    closes: boxes(given.closes) ?? [],
    cap: known(given.cap),
    listed:
      given.listed === undefined
        ? null
        : {
            category: known(given.listed.category),
            days: known(given.listed.days),
            ...(given.listed.item === undefined ? {} : { item: given.listed.item }),
          },
  };
}

function watchOf(given: In<'discrepancies'>['watch']): Watch | null {
  return given === undefined
    ? null
    : {
        recheckBy: known(given.recheckBy),
        recheckAt: known(given.recheckAt),
        correctBy: known(given.correctBy),
      };
}

export function discrepancyOf(id: string, given: In<'discrepancies'>): Discrepancy {
  const { rectification: done, deferral, watch } = given;
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    what: given.what,
    where: known(given.where),
    foundBy: known(given.foundBy),
    classification: known(given.classification),
    closesUses: given.closesUses ?? [],
    equipment: given.equipment ?? [],
    knownMark: known(given.knownMark),
    rectification:
      done === undefined
        ? null
        : {
            id: `${id}.rectification`,
            recordedAt: done.recordedAt,
            work: known(done.work),
            description: known(done.description),
            completedOn: known(done.completedOn),
            signedBy: signatureOf(done.signedBy),
            major: done.major ?? false,
            preventive: known(done.preventive),
          },
    deferral: deferral === undefined ? null : deferralOf(`${id}.deferral`, deferral),
    watch: watchOf(watch),
    ...(given.triage === undefined
      ? {}
      : {
          triage: listed(given.triage, (triageId, one) => ({
            id: triageId,
            recordedAt: one.recordedAt,
            decision: one.decision,
            signedBy: signatureOf(one.signedBy),
            watch: watchOf(one.watch),
            sameAs: known(one.sameAs),
          })),
        }),
  };
}

function intervalOf(given: In<'ads'>['initial']): Interval {
  return {
    ...(given?.whichever === undefined ? {} : { whichever: given.whichever }),
    months: known(given?.months),
    monthsToTheDay: known(given?.monthsToTheDay),
    days: known(given?.days),
    meters: [...(given?.hours ?? []), ...(given?.counts ?? [])],
  };
}

/** A maintenance item. */
export function itemOf(id: string, given: In<'items'>): MaintenanceItem {
  return {
    id,
    recordedAt: given.recordedAt,
    name: given.name,
    kind: given.kind,
    interval: intervalOf(given.interval),
    until: known(given.until),
    uses: boxes(given.uses),
    overrun: known(given.overrun),
    excess: given.excess ?? 'taken-off',
    signedAs: given.signedAs ?? 'return-to-service',
    oilLife: known(given.oilLife),
    basis: known(given.basis),
    done: listed(given.done, (doneId, one) => ({
      id: doneId,
      recordedAt: one.recordedAt,
      completedOn: one.completedOn,
      readings: readingsOf(one.readings),
      excessOnFreeUses: one.excessOnFreeUses ?? false,
      signedBy: signatureOf(one.signedBy),
    })),
  };
}

/** An AD. */
export function adOf(id: string, given: In<'ads'>): AirworthinessDirective {
  return {
    id,
    recordedAt: given.recordedAt,
    number: given.number,
    title: given.title,
    applies: known(given.applies),
    effectiveOn: known(given.effectiveOn),
    initial: intervalOf(given.initial),
    component:
      given.component === undefined
        ? null
        : {
            ...given.component,
            hoursThen: known(given.component.hoursThen),
            readingThen: known(given.component.readingThen),
          },
    readingsThen: readingsOf(given.readingsThen),
    noFerry: known(given.noFerry),
    equipment: known(given.equipment),
    methods: listed(given.methods, (methodId, { name, repeats, pilotMaySign }) => ({
      id: methodId,
      name,
      repeats: repeats === undefined ? null : intervalOf(repeats),
      pilotMaySign: pilotMaySign ?? false,
    })),
    done: listed(given.done, (doneId, one) => ({
      id: doneId,
      recordedAt: one.recordedAt,
      completedOn: one.completedOn,
      readings: readingsOf(one.readings),
      excessOnFreeUses: one.excessOnFreeUses ?? false,
      signedBy: signatureOf(one.signedBy),
      method: known(one.method),
    })),
  };
}

type GivenAsked = Extract<
  In<'equipment'>['items'][EquipmentKind],
  { readonly fitted?: unknown }
>['equipmentList'];
export const askedOf = (given: GivenAsked): EquipmentItem['equipmentList'] =>
  given === undefined ? null : typeof given === 'string' ? given : given.map(boxOf);

export function workOf(id: string, given: In<'work'>): WorkEntry {
  const { checkFlight, independentInspection } = given;
  return {
    id,
    recordedAt: given.recordedAt,
    completedOn: known(given.completedOn),
    description: known(given.description),
    signedBy: signatureOf(given.signedBy),
    major: given.major ?? false,
    preventive: known(given.preventive),
    mayChangeFlight: known(given.mayChangeFlight),
    groundTestsConclusive: known(given.groundTestsConclusive),
    checkFlight:
      checkFlight === undefined
        ? null
        : {
            recordedAt: checkFlight.recordedAt,
            on: checkFlight.on,
            pilot: signed(checkFlight.pilot),
            logged: known(checkFlight.logged),
          },
    flightControls: known(given.flightControls),
    independentInspection:
      independentInspection === undefined
        ? null
        : {
            recordedAt: independentInspection.recordedAt,
            on: independentInspection.on,
            by: signed(independentInspection.by),
          },
    staticOpened: known(given.staticOpened),
    altitudeReportingTouched: known(given.altitudeReportingTouched),
    weightChanged: known(given.weightChanged),
    ...(given.exchanged === undefined ? {} : { exchanged: given.exchanged }),
    ...(given.approvals === undefined
      ? {}
      : {
          approvals: listed(given.approvals, (approvalId, one) => ({
            ...one,
            id: approvalId,
            signedBy: signed(one.signedBy),
            groundTestsConclusive: known(one.groundTestsConclusive),
          })),
        }),
  };
}

export function permitOf(id: string, given: In<'permits'>): FlightPermit {
  return {
    id,
    recordedAt: given.recordedAt,
    number: known(given.number),
    registrationShown: known(given.registrationShown),
    validFrom: known(given.validFrom),
    validUntil: known(given.validUntil),
    uses: boxes(given.uses) ?? [boxOf({})],
    untilTimeInService: known(given.untilTimeInService),
    aboard: known(given.aboard),
    safeForFlight:
      given.safeForFlight === undefined
        ? null
        : { on: given.safeForFlight.on, by: signed(given.safeForFlight.by) },
  };
}

export function releaseOf(id: string, given: In<'releases'>): MaintenanceRelease {
  return {
    id,
    recordedAt: given.recordedAt,
    registrationShown: known(given.registrationShown),
    issuedOn: known(given.issuedOn),
    issuedAt: known(given.issuedAt),
    expiresOn: known(given.expiresOn),
    expiresAt: known(given.expiresAt),
    signedBy: signatureOf(given.signedBy),
    aboard: known(given.aboard),
    standing: known(given.standing),
    required: listed(given.required, (requiredId, one) => ({
      id: requiredId,
      what: one.what,
      by: known(one.by),
      at: known(one.at),
      certified:
        one.certified === undefined
          ? null
          : { recordedAt: one.certified.recordedAt, on: one.certified.on, by: signed(one.certified.by) },
    })),
  };
}
