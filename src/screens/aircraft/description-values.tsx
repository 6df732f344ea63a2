import { type DescriptionInput, describedAs } from '@/contracts/aircraft/aircraft-entry';
import { VOLUME_UNITS, type VolumeUnit } from '@/core/quantities/volume';
import type { Quantity } from '@/core/records/walkround/measurement';
import type { Facts } from '@/queries/aircraft/facts';
import { figure, said } from './use-fact';
import type { TickedBox } from './uses-words';

type Measured = NonNullable<DescriptionInput['measured']>[number];
interface Limit {
  readonly quantity: Quantity;
  readonly which: string;
  readonly unit: string;
  readonly min: string;
  readonly max: string;
  readonly open: boolean;
  readonly uses: Measured['uses'];
  readonly remedy: Measured['remedy'];
  readonly everyFlight: boolean;
}
export interface Fields {
  readonly category: string;
  readonly firstFlownOn: string;
  readonly serialNumber: string;
  readonly manufacturedOn: string;
  readonly certificatedOn: string;
  readonly seats: string;
  readonly engine: '' | 'none' | 'air' | 'liquid';
  readonly altitude: boolean;
  readonly gear: string;
  readonly programme: string;
  readonly ifrNavigation: string;
  readonly aircraftClass: string;
  readonly fuses: '' | 'yes' | 'no';
  readonly electrical: '' | 'yes' | 'no';
  readonly keptRigged: '' | 'yes' | 'no';
  readonly night: boolean;
  readonly instruments: boolean;
  readonly drains: string;
  readonly grades: readonly string[];
  readonly manualRevision: string;
  readonly minimumEquipmentList: string;
  readonly burn: string;
  readonly burnUnit: VolumeUnit;
  readonly minimum: string;
  readonly minimumUnit: VolumeUnit;
  readonly tanks: readonly { readonly id: string; readonly usable: string; readonly unit: VolumeUnit }[];
  readonly measured: readonly Limit[];
  readonly boxes: readonly TickedBox[];
}

export const UNITS = Object.keys(VOLUME_UNITS) as readonly VolumeUnit[];
const text = (value: string | number | undefined): string => (value === undefined ? '' : String(value));
export const NAVIGATION = {
  'vor-only': 'VOR only',
  'satellite-only': 'satellites only',
  either: 'either of the two',
} as const;
export const REMEDIES = {
  'top-up': 'top it up, a step before flight',
  service: 'service, a step before flight',
  mechanic: 'a mechanic',
} as const;

const yesOrNo = (value: boolean | undefined) => (value === undefined ? '' : value ? 'yes' : 'no');
const toldYes = (value: '' | 'yes' | 'no') => (value === '' ? undefined : value === 'yes');

export function fieldsOf(aircraft: Facts['aircraft']): Fields {
  const known = describedAs(aircraft);
  const { engine, fuel, measured, approvedFor } = known;
  return {
    category: text(known.category),
    firstFlownOn: text(known.firstFlownOn),
    serialNumber: text(known.serialNumber),
    manufacturedOn: text(known.manufacturedOn),
    certificatedOn: text(known.certificatedOn),
    seats: text(known.seats),
    engine: engine === undefined ? '' : engine === 'none' ? 'none' : engine.cooling,
    altitude: engine !== undefined && engine !== 'none' && engine.altitude,
    gear: text(known.gear),
    programme: text(known.programme),
    ifrNavigation: text(known.ifrNavigation),
    manualRevision: text(known.manualRevision),
    aircraftClass: text(known.aircraftClass),
    fuses: yesOrNo(known.fuses),
    electrical: yesOrNo(known.engineDrivenElectrical),
    keptRigged: yesOrNo(known.keptRigged),
    night: known.authorised?.includes('night') ?? false,
    instruments: known.authorised?.includes('instruments') ?? false,
    drains: (fuel?.drains ?? []).join(', '),
    grades: fuel?.grades ?? [],
    minimumEquipmentList: text(known.minimumEquipmentList),
    burn: text(fuel?.burnPerHour?.amount),
    burnUnit: fuel?.burnPerHour?.unit ?? 'US gal',
    minimum: text(fuel?.minimum?.amount),
    minimumUnit: fuel?.minimum?.unit ?? 'US gal',
    tanks: (fuel?.tanks ?? []).map(({ id, usable }) => ({
      id,
      usable: text(usable.amount),
      unit: usable.unit,
    })),
    measured: (measured ?? []).map((one) => ({
      quantity: one.quantity,
      which: one.which ?? '',
      unit: one.unit,
      min: text(one.min),
      max: text(one.max),
      open: one.open ?? false,
      uses: one.uses,
      remedy: one.remedy,
      everyFlight: one.everyFlight ?? false,
    })),
    // Nobody has said: nothing is ticked before somebody does.
    boxes: approvedFor === undefined ? [] : (approvedFor as unknown as readonly TickedBox[]),
  };
}

/** The form as it is sent: what was left empty is not known. */
export function described(fields: Fields): DescriptionInput {
  const drains = fields.drains
    .split(',')
    .map((drain) => drain.trim())
    .filter((drain) => drain !== '');
  const authorised = [...(fields.night ? ['night'] : []), ...(fields.instruments ? ['instruments'] : [])];
  const fuel =
    fields.burn.trim() === ''
    && fields.minimum.trim() === ''
    && fields.tanks.length === 0
    && drains.length === 0
    && fields.grades.length === 0
      ? undefined
      : {
          drains: drains.length === 0 ? undefined : drains,
          grades: fields.grades.length === 0 ? undefined : [...fields.grades],
          burnPerHour:
            fields.burn.trim() === ''
              ? undefined
              : { amount: figure(fields.burn) ?? 0, unit: fields.burnUnit },
          minimum:
            fields.minimum.trim() === ''
              ? undefined
              : { amount: figure(fields.minimum) ?? 0, unit: fields.minimumUnit },
          tanks: fields.tanks.map(({ id, usable, unit }) => ({
            id,
            usable: { amount: figure(usable) ?? Number.NaN, unit },
          })),
        };
  const chosen = {
    category: said(fields.category),
    firstFlownOn: said(fields.firstFlownOn),
    serialNumber: said(fields.serialNumber),
    manufacturedOn: said(fields.manufacturedOn),
    certificatedOn: said(fields.certificatedOn),
    seats: figure(fields.seats),
    engine:
      fields.engine === ''
        ? undefined
        : fields.engine === 'none'
          ? 'none'
          : { cooling: fields.engine, altitude: fields.altitude },
    gear: said(fields.gear),
    programme: said(fields.programme),
    ifrNavigation: said(fields.ifrNavigation),
    manualRevision: said(fields.manualRevision),
    aircraftClass: said(fields.aircraftClass),
    fuses: toldYes(fields.fuses),
    engineDrivenElectrical: toldYes(fields.electrical),
    keptRigged: toldYes(fields.keptRigged),
    authorised: authorised.length === 0 ? undefined : authorised,
    minimumEquipmentList: said(fields.minimumEquipmentList),
    fuel,
    measured: fields.measured.map(({ which, min, max, ...one }) => ({
      ...one,
      which: said(which),
      min: figure(min),
      max: figure(max),
    })),
    approvedFor: fields.boxes.length === 0 ? undefined : fields.boxes,
  };
  // The server checks every value; what the choices offer is what it knows.
  return chosen as unknown as DescriptionInput;
}
export const decimal = { htmlInput: { inputMode: 'decimal', className: 'figure' } } as const;
