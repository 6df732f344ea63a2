import { byId } from '../../order';
import type { FullBox } from '../../envelope/dimensions';
import type { CivilDate } from '../../time/civil-date';
import type { RecordBase } from '../record';

/** Instruments and equipment that a list may ask for. */
export const EQUIPMENT_KINDS = [
  'airspeed-indicator',
  'altimeter',
  'magnetic-direction-indicator',
  'tachometer',
  'oil-pressure-gauge',
  'coolant-temperature-gauge',
  'oil-temperature-gauge',
  'manifold-pressure-gauge',
  'fuel-gauge',
  'gear-position-indicator',
  'anticollision-lights',
  'flotation',
  'pyrotechnic-signal',
  'safety-belts',
  'front-shoulder-harnesses',
  'all-seat-harnesses',
  'position-lights',
  'landing-light',
  'electrical-source',
  'spare-fuses',
  'two-way-radio',
  'ifr-navigation',
  'rate-of-turn',
  'slip-skid',
  'sensitive-altimeter',
  'clock',
  'generator',
  'artificial-horizon',
  'directional-gyro',
  'transponder',
  'ads-b-out',
  'vor-receiver',
  'satellite-navigator',
  'tow-hook',
  'stall-warning',
  'pitot-heat',
  'fire-extinguisher',
  'monoxide-detector',
  'exhaust-gas-gauge',
  'instrument-lights',
  'alternate-static',
  'elt',
  'avionics-fan',
  'warning-lights',
  'ice-lights',
  'static-wicks',
  'outside-air-thermometer',
  'tow-rope',
  'other',
] as const;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];

/** Whether a document of the aircraft asks for an item: for no use, for every use, or for those in the boxes. Null is not known. */
export type AskedFor = 'no' | 'always' | readonly FullBox[] | null;

/** One line of the aircraft's equipment list. */
export interface EquipmentItem {
  readonly kind: EquipmentKind;
  readonly fitted: boolean | null;
  /** Part of the type certification for day VFR. */
  readonly typeCertification: boolean | null;
  /** Asked for by the aircraft's own equipment list. */
  readonly equipmentList: AskedFor;
  /** Asked for by its kinds-of-operation list. */
  readonly kindsOfOperation: AskedFor;
  /** For items with a date: a charge, a pack. 'no-expiry' states that it has none. */
  readonly expiresOn: CivilDate | 'no-expiry' | null;
}

/** The equipment list as somebody compared it with the aircraft. What it does not name is not known. */
export interface EquipmentList extends RecordBase {
  /** True where it was compared with a list that the authority or the maker approved. Absent in old records. */
  readonly approved?: boolean | null;
  readonly items: readonly EquipmentItem[];
}

/** The line of a kind, or null where the list does not name it. */
export function lineOf(list: EquipmentList | null, kind: EquipmentKind): EquipmentItem | null {
  return list?.items.find((item) => item.kind === kind) ?? null;
}

const earlier = (a: EquipmentItem['expiresOn'], b: EquipmentItem['expiresOn']): EquipmentItem['expiresOn'] =>
  a === null || b === null ? null : a === 'no-expiry' ? b : b === 'no-expiry' ? a : a < b ? a : b;
const more = (a: AskedFor, b: AskedFor): AskedFor =>
  a === null || b === null
    ? null
    : a === 'always' || b === 'always'
      ? 'always'
      : a === 'no'
        ? b
        : b === 'no'
          ? a
          : [...a, ...b];

function stricterLine(a: EquipmentItem, b: EquipmentItem): EquipmentItem {
  return {
    kind: a.kind,
    fitted:
      a.fitted === false || b.fitted === false ? false : a.fitted === null || b.fitted === null ? null : true,
    typeCertification:
      a.typeCertification === false && b.typeCertification === false
        ? false
        : a.typeCertification === null || b.typeCertification === null
          ? null
          : true,
    equipmentList: more(a.equipmentList, b.equipmentList),
    kindsOfOperation: more(a.kindsOfOperation, b.kindsOfOperation),
    expiresOn: earlier(a.expiresOn, b.expiresOn),
  };
}

/** Of several lists of one moment, one that says of each kind what the strictest of them says: what one of them does not name is not known. */
export function strictestList(lists: readonly EquipmentList[]): EquipmentList | null {
  const [first, ...others] = [...lists].sort(byId);
  if (first === undefined || others.length === 0) return first ?? null;
  return others.reduce(
    (all, list): EquipmentList => ({
      ...all,
      approved: all.approved === true && list.approved === true,
      items: all.items.flatMap((item) => {
        const other = lineOf(list, item.kind);
        return other === null ? [] : [stricterLine(item, other)];
      }),
    }),
    first,
  );
}
