import type { FlightDraftInput } from '@/contracts/flights/plan';
import type { Crew, Purpose, Range, Rules } from '@/core/envelope/dimensions';
import { type PlaceText, placesOf } from './places-fields';

export interface Fields {
  readonly aircraftId: string;
  readonly person: string;
  /** The member who was chosen; null for a guest, and for a name that was typed. */
  readonly personId: string | null;
  readonly date: string;
  readonly starts: string;
  readonly ends: string;
  readonly airborne: string;
  readonly purpose: Purpose;
  readonly crew: Crew;
  readonly rules: Rules;
  readonly range: Range;
  readonly passengers: boolean;
  readonly transponder: boolean;
  readonly broadcast: boolean;
  readonly water: boolean;
  readonly vor: boolean;
  readonly database: boolean;
  readonly persons: string;
  readonly landings: string;
  readonly fuel: string;
  readonly altitude: string;
  readonly alternate: string;
  readonly withoutTransponder: boolean;
  readonly withoutAdsb: boolean;
  readonly excepted: boolean;
  readonly near: boolean;
  readonly places: readonly PlaceText[];
  readonly tows: number | null;
}

export const CREWS: Readonly<Record<Crew, string>> = {
  'rated-pilot': 'rated pilot',
  dual: 'with an instructor',
  'student-solo': 'student alone',
};
export const nameOfRange = (range: Range) => range.replaceAll('-', ' ');
export const ANSWERS = {
  yes: 'This flight can go.',
  'yes-after': 'This flight can go after a step.',
  no: 'This flight cannot go.',
  unclear: '',
} as const;
const whole = (text: string, digits = 3) =>
  /^\d+$/.test(text.trim()) && text.trim().length <= digits ? Number(text.trim()) : null;
export const shown = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(value);
export const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;

/** `930` and `9:30` as `09:30`: typed in a few keys. */
export function clockFrom(text: string): string {
  const digits = /^(\d{1,2}):?(\d{2})$/.exec(text.trim());
  return digits === null ? text : `${(digits[1] ?? '').padStart(2, '0')}:${digits[2] ?? ''}`;
}

export function draftOf(fields: Fields): FlightDraftInput {
  const words = fields.airborne.trim();
  return {
    aircraftId: fields.aircraftId,
    person: fields.person.trim() === '' ? 'not named yet' : fields.person.trim(),
    personId: fields.personId,
    starts: { date: fields.date, clock: clockFrom(fields.starts) },
    endsClock: clockFrom(fields.ends),
    airborne: words === '' ? null : Number(words),
    purpose: fields.purpose,
    crew: fields.crew,
    rules: fields.rules,
    range: fields.range,
    passengers: fields.passengers,
    transponderAirspace: fields.transponder,
    adsbAirspace: fields.broadcast,
    beyondGlide: fields.water,
    reliesOnVor: fields.vor,
    reliesOnDatabase: fields.database,
    persons: whole(fields.persons),
    landings: whole(fields.landings),
    towLaunches: fields.tows,
    fuelPlanned: fields.fuel.trim() === '' ? null : fields.fuel.trim(),
    places: placesOf(fields.places) ?? [],
    altitudeFeet: whole(fields.altitude, 5),
    alternateMinutes: whole(fields.alternate),
    exceptedAirspace: fields.excepted,
    trainingWithin50Miles: fields.near,
    authorisedWithout: [
      ...(fields.withoutTransponder ? ['transponder' as const] : []),
      ...(fields.withoutAdsb ? ['ads-b-out' as const] : []),
    ],
  };
}
