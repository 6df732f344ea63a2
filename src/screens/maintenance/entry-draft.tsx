import type { InspectionKind } from '@/core/records/maintenance/inspection';
import type { EffectFields } from './work-effects';
import type { Folder } from '@/queries/aircraft/folder-view';

export interface Fields {
  readonly what: string;
  readonly completedOn: string;
  readonly reading: string;
  readonly outcome: 'approved' | 'discrepancies-listed';
  readonly excess: string;
  readonly feet: string;
  readonly method: string;
  readonly description: string;
  /** Items of a list, one on a line. */
  readonly list: string;
  readonly by: string;
  readonly name: string;
  readonly kind: string;
  readonly number: string;
  readonly from: string;
  readonly until: string;
  readonly above: boolean;
  readonly effects: EffectFields;
  readonly password: string;
}

/** What the record of an inspection says. Source of what it must contain: 14 CFR 43.11(a) (from memory); the wording is ours. */
export const wording = (name: string, approved: boolean): string =>
  approved
    ? `${name} carried out in accordance with the aircraft’s programme; found airworthy and approved for return to service.`
    : `${name} carried out; not approved for return to service. A dated list of discrepancies was given to the owner.`;

export const COPIED = 'copied';

/** The choice of what was done, as one list: `inspection/annual`, `item/…`, `ad/…`. */
export function choices({ sign }: Folder) {
  return [
    ...sign.inspections.map((one) => ({
      value: `inspection/${one.kind}`,
      name: one.name,
      signs: one.signs,
      certificates: one.certificates,
      meters: ['time-in-service' as const],
      methods: [],
    })),
    ...sign.items.map((one) => ({
      value: `item/${one.id}`,
      name: one.name,
      signs: one.signs,
      certificates: one.certificates,
      meters: one.meters,
      methods: [],
    })),
    ...sign.ads.map((one) => ({
      value: `ad/${one.id}`,
      name: `AD ${one.name}`,
      signs: one.signs,
      certificates: one.certificates,
      meters: one.meters,
      methods: one.methods,
    })),
  ];
}

/** The signer's certificates for a choice: where there are several methods, those of the method. */
export const signersOf = (
  choice: ReturnType<typeof choices>[number] | undefined,
  method: string,
): ReturnType<typeof choices>[number]['certificates'] =>
  choice?.methods.find(({ id }) => id === method)?.certificates ?? choice?.certificates ?? [];

export function draftOf(fields: Fields, meters: readonly string[]) {
  const [of, id] = fields.what.split('/');
  const reading = fields.reading.trim();
  const readings = reading === '' ? [] : meters.slice(0, 1).map((meter) => ({ meter, shown: reading }));
  if (of === 'inspection')
    return {
      of,
      kind: id as InspectionKind,
      completedOn: fields.completedOn,
      timeInService: reading === '' ? null : Number(reading),
      outcome: fields.outcome,
      excess: fields.excess === '' ? null : fields.excess,
      testedToFeet: /^\d{1,5}$/.test(fields.feet) ? Number(fields.feet) : null,
    };
  if (of === 'item')
    return {
      of,
      item: id ?? '',
      completedOn: fields.completedOn,
      readings,
      excessOnFreeUses: fields.excess === 'flown-on-uses-without-the-limit',
    };
  return { of: 'ad', ad: id ?? '', method: fields.method, completedOn: fields.completedOn, readings };
}
