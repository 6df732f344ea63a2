import type { Particulars } from '../../core/records/aircraft/aircraft';
import type { AircraftDocument } from '../../core/records/documents/document';
import type { EquipmentItem, EquipmentKind, EquipmentList } from '../../core/records/aircraft/equipment';
import type { Database, Elt, VorCheck } from '../../core/records/aircraft/elt';
import type { MinimumEquipmentList } from '../../core/records/aircraft/minimum-list';
import type { ClubDocument, TowRope } from '../../core/records/flights/movement';
import type { Rigging } from '../../core/records/aircraft/rigging';
import type { CaseFile } from './case-file';
import { type In, type Optional, boxes, grams, known, signatureOf } from './case-basics';
import { askedOf } from './case-maintenance';

export function documentOf(id: string, given: In<'documents'>): AircraftDocument {
  const base = {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    aboard: known(given.aboard),
    legible: known(given.legible),
  };
  switch (given.kind) {
    case 'airworthiness-certificate':
      return {
        ...base,
        kind: given.kind,
        registrationShown: known(given.registrationShown),
        displayed: known(given.displayed),
      };
    case 'registration-certificate':
      return {
        ...base,
        kind: given.kind,
        registrationShown: known(given.registrationShown),
        issuedOn: known(given.issuedOn),
        printedExpiry: known(given.printedExpiry),
        temporary: given.temporary ?? false,
        ended: known(given.ended),
      };
    case 'operating-limitations':
      return {
        ...base,
        kind: given.kind,
        form: known(given.form),
        revision: known(given.revision),
        serialShown: known(given.serialShown),
        placards: known(given.placards),
      };
    case 'weight-and-balance':
      return { ...base, kind: given.kind, datedOn: known(given.datedOn) };
    case 'radio-licence':
      return { ...base, kind: given.kind };
    case 'cabin-tank-form-337':
      return { ...base, kind: given.kind, tankFitted: known(given.tankFitted) };
    default: {
      const missing: never = given;
      throw new RangeError(`no such document: ${JSON.stringify(missing)}`);
    }
  }
}

/** An equipment list. */
export function equipmentOf(id: string, given: In<'equipment'>): EquipmentList {
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    approved: known(given.approved),
    items: (
      Object.entries(given.items) as [EquipmentKind, In<'equipment'>['items'][EquipmentKind]][]
    ).flatMap(([kind, line]): readonly EquipmentItem[] => {
      if (line === undefined) return [];
      if (typeof line === 'string')
        return [
          {
            kind,
            fitted: line === 'fitted',
            typeCertification: null,
            equipmentList: null,
            kindsOfOperation: null,
            expiresOn: null,
          },
        ];
      return [
        {
          kind,
          fitted: known(line.fitted),
          typeCertification: known(line.typeCertification),
          equipmentList: askedOf(line.equipmentList),
          kindsOfOperation: askedOf(line.kindsOfOperation),
          expiresOn: known(line.expiresOn),
        },
      ];
    }),
  };
}

/** A minimum equipment list; what the list leaves out of an item is none. */
export function minimumListOf(id: string, given: In<'minimumLists'>): MinimumEquipmentList {
  const { happenedAt, recordedAt, revision, approvedOn, items } = given;
  return {
    id,
    happenedAt,
    recordedAt,
    revision,
    approvedOn,
    items: items.map(({ code, name, equipment, category, days, installed, required, ...texts }) => ({
      code,
      name,
      equipment,
      category: category ?? null,
      days: days ?? null,
      installed,
      required,
      operations: texts.operations ?? '',
      maintenance: texts.maintenance ?? '',
      closes: texts.closes ?? [],
    })),
  };
}

export function ropeOf(id: string, given: In<'towRopes'>): TowRope {
  const link = (value: Optional<number | 'none'>) => (value === 'none' ? value : grams(value));
  return {
    id,
    happenedAt: given.happenedAt,
    recordedAt: given.recordedAt,
    strength: grams(given.strength),
    sound: known(given.sound),
    gliderLink: link(given.gliderLink),
    tugLink: link(given.tugLink),
    gliderWeight: grams(given.gliderWeight),
  };
}

/** The ELT. */
export function eltOf(id: string, one: In<'elts'>): Elt {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    state: known(one.state),
    batteryReplaceBy: known(one.batteryReplaceBy),
    usedSeconds: one.usedMinutes === undefined ? null : Math.ceil(one.usedMinutes * 60),
    removedOn: known(one.removedOn),
    removalEntered: known(one.removalEntered),
    removalPlacarded: known(one.removalPlacarded),
    noHazard: signatureOf(one.noHazard),
  };
}

/** A VOR check: a tenth of a degree more rather than less. */
export function vorCheckOf(id: string, one: In<'vorChecks'>): VorCheck {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    method: known(one.method),
    error: one.errorDegrees === undefined ? null : Math.ceil(one.errorDegrees * 10 - 1e-9),
    place: known(one.place),
    signedBy: known(one.signedBy),
  };
}

/** A database aboard. */
export function databaseOf(id: string, one: In<'databases'>): Database {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    content: one.content,
    effectiveOn: known(one.effectiveOn),
    lastDay: known(one.lastDay),
  };
}

/** Insurance or a club document. */
export function clubDocumentOf(id: string, one: In<'clubDocuments'>): ClubDocument {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    kind: one.kind,
    name: one.name,
    validUntil: known(one.validUntil),
    uses: boxes(one.uses),
  };
}

/** That a glider was rigged or derigged. */
export function riggingOf(id: string, one: In<'riggings'>): Rigging {
  return {
    id,
    happenedAt: one.happenedAt,
    recordedAt: one.recordedAt,
    state: one.state,
    assemblyCheckedBy: known(one.assemblyCheckedBy),
    controlsCheckedBy: known(one.controlsCheckedBy),
    toolsComplete: known(one.toolsComplete),
  };
}

/** What rules ask of the aircraft as built. */
export function particularsOf(
  given: Omit<CaseFile['aircraft'], 'registration' | 'category' | 'firstFlownOn' | 'approvedFor'>,
): Particulars {
  const { fuel } = given;
  return {
    serialNumber: known(given.serialNumber),
    manufacturedOn: known(given.manufacturedOn),
    certificatedOn: known(given.certificatedOn),
    seats: known(given.seats),
    engine: known(given.engine),
    gear: known(given.gear),
    aircraftClass: known(given.aircraftClass),
    fuses: known(given.fuses),
    programme: known(given.programme),
    ifrNavigation: known(given.ifrNavigation),
    manualRevision: known(given.manualRevision),
    minimumEquipmentList: known(given.minimumEquipmentList),
    fuel:
      fuel === undefined
        ? null
        : {
            burnPerHour: known(fuel.burnPerHour),
            minimum: known(fuel.minimum),
            tanks: fuel.tanks,
            drains: known(fuel.drains),
            grades: known(fuel.grades),
          },
    ...(given.keptRigged === undefined ? {} : { keptRigged: given.keptRigged }),
    ...(given.engineDrivenElectrical === undefined
      ? {}
      : { engineDrivenElectrical: given.engineDrivenElectrical }),
    ...(given.authorised === undefined ? {} : { authorised: given.authorised }),
    measured: (given.measured ?? []).map(
      ({ quantity, which, min, max, open, uses, remedy, everyFlight }) => ({
        quantity,
        which: known(which),
        min,
        max,
        open: open ?? false,
        uses: boxes(uses),
        remedy,
        everyFlight: everyFlight ?? false,
      }),
    ),
  };
}
