import type { FullBox } from '../../envelope/dimensions';
import { usesInAny } from '../../envelope/use-set';
import { latestAll } from '../../records/facts';
import { countingDone } from '../../records/maintenance/maintenance-item';
import type { EquipmentKind } from '../../records/aircraft/equipment';
import { lineOf } from '../../records/aircraft/equipment';
import type { Category } from '../../records/aircraft/aircraft';
import { addDays } from '../../time/civil-date';
import { endOfDay } from '../../time/zone';
import {
  ANYBODY,
  constraint,
  DISPATCHER,
  from,
  remedy,
  MECHANICS,
  RECORD_KEEPER,
  type Cap,
  type Constraint,
} from '../parts/constraint';
import { inoperative } from '../parts/inoperative';
import { result, rule } from '../parts/rule';
import { bind, type BoundRule } from './pack';

const source = { kind: 'club-policy' } as const;

/** What a rule that a club wrote itself asks for. Each can only close or hold to a number. */
export type OwnDemand =
  /** Closes the uses, always. */
  | { readonly kind: 'never' }
  /** Holds the uses to a number. */
  | {
      readonly kind: 'hold-to';
      readonly quantity: Cap['quantity'];
      readonly bound: Cap['bound'];
      readonly value: number;
    }
  /** Asks for equipment that no list asks for. */
  | { readonly kind: 'equipment'; readonly equipment: EquipmentKind }
  /** Asks for a club document in force, by name. */
  | { readonly kind: 'club-document'; readonly name: string }
  /** Asks that an item by this name was done within so many days: shorter than its own interval, never longer. */
  | { readonly kind: 'item-within-days'; readonly name: string; readonly days: number };

/** A rule that a club wrote itself. */
export interface OwnRule {
  readonly id: string;
  readonly title: string;
  readonly explanation: string;
  /** The aircraft that it is for; null means all of the club's. */
  readonly registrations: readonly string[] | null;
  readonly categories: readonly Category[] | null;
  /** Uses that it closes or holds; null means every use. */
  readonly uses: readonly FullBox[] | null;
  readonly demand: OwnDemand;
}

/** A club's own rule as one of the engine's. */
export function ownRule(own: OwnRule): BoundRule {
  const { id, title, explanation, demand } = own;
  return bind(
    rule({
      id: `own.${id}`,
      title,
      source,
      explanation,
      judge: (facts) => {
        const { aircraft, place, equipmentList, clubDocuments, items } = facts;
        if (own.registrations?.includes(aircraft.registration) === false) return result([]);
        // A category that is not known may be one that the rule is for.
        if (
          own.categories !== null
          && aircraft.category !== null
          && !own.categories.includes(aircraft.category)
        )
          return result([]);
        const made = (given: Pick<Constraint, 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
          constraint({ key: 'own', source, closes: usesInAny(own.uses), ...given });
        switch (demand.kind) {
          case 'never':
            return result([
              made({
                certainty: 'failed',
                reason: { code: 'restricted', why: title, by: '', cap: null },
                remedies: [],
              }),
            ]);
          case 'hold-to': {
            const cap = { quantity: demand.quantity, bound: demand.bound, value: demand.value };
            return result([
              made({
                certainty: 'failed',
                reason: { code: 'restricted', why: title, by: '', cap },
                cap: { ...cap, own: cap.quantity === 'persons' ? aircraft.particulars.seats : null },
                remedies: [],
              }),
            ]);
          }
          case 'equipment': {
            const item = lineOf(equipmentList, demand.equipment);
            const records = equipmentList === null ? [] : [equipmentList.id];
            // What the club asks for has to work: an item that is deferred does not.
            const found = inoperative(facts, demand.equipment).map(({ id, what }) =>
              made({
                key: `own.${id}`,
                certainty: 'failed',
                reason: { code: 'equipment-inoperative', equipment: demand.equipment, what, list: 'club' },
                records: [id],
                remedies: [remedy('repair-and-return-to-service', MECHANICS, id)],
              }),
            );
            if (item?.fitted === true) return result(found);
            if (item?.fitted === false)
              return result([
                ...found,
                made({
                  certainty: 'failed',
                  reason: { code: 'equipment-not-fitted', equipment: demand.equipment, list: 'club' },
                  records,
                  remedies: [remedy('install-equipment', MECHANICS, demand.equipment)],
                }),
              ]);
            return result(
              [
                ...found,
                made({
                  certainty: 'unknown',
                  reason: { code: 'equipment-unknown', equipment: demand.equipment, list: 'club' },
                  records,
                  remedies: [remedy('record-equipment', ANYBODY)],
                }),
              ],
              [`equipment.${demand.equipment}`],
            );
          }
          case 'club-document': {
            // Of several of one moment the one that holds shortest; one whose date nobody knows holds not at all.
            const [paper = null] = [
              ...latestAll(clubDocuments.filter(({ name }) => name === demand.name)),
            ].sort((a, b) => ((a.validUntil ?? '') < (b.validUntil ?? '') ? -1 : 1));
            const renew = remedy('renew-club-document', RECORD_KEEPER, `club/${demand.name}`);
            if (paper?.validUntil == null)
              return result(
                [
                  made({
                    certainty: 'unknown',
                    reason: { code: 'club-document-expiry-unknown', name: demand.name },
                    records: paper === null ? [] : [paper.id],
                    remedies: [renew],
                  }),
                ],
                [`clubDocuments (${demand.name})`],
              );
            if (paper.validUntil === 'no-expiry') return result([]);
            return result([
              made({
                certainty: 'failed',
                reason: { code: 'club-document-expires', name: demand.name, lastDay: paper.validUntil },
                records: [paper.id],
                begins: from(endOfDay(paper.validUntil, place.zone)),
                remedies: [renew],
              }),
            ]);
          }
          case 'item-within-days': {
            const item = items?.find(({ name }) => name === demand.name);
            const last =
              item === undefined
                ? undefined
                : countingDone(item.done, item.signedAs, place.zone, facts.authority).at(-1);
            const remedies = [remedy('complete-item', MECHANICS, item?.id ?? demand.name)];
            if (item === undefined || last === undefined)
              return result(
                [
                  made({
                    certainty: 'unknown',
                    reason: { code: 'item-history-unknown', name: demand.name, kind: 'service' },
                    records: item === undefined ? [] : [item.id],
                    remedies: [
                      ...remedies,
                      remedy('record-item-history', DISPATCHER, item?.id ?? demand.name),
                    ],
                  }),
                ],
                [`items (${demand.name})`],
              );
            const lastDay = addDays(last.completedOn, demand.days);
            return result([
              made({
                certainty: 'failed',
                reason: { code: 'item-expires', name: demand.name, kind: item.kind, lastDay, printed: false },
                records: [item.id, last.id],
                begins: from(endOfDay(lastDay, place.zone)),
                remedies,
              }),
            ]);
          }
          default: {
            const missing: never = demand;
            throw new RangeError(`no such demand: ${JSON.stringify(missing)}`);
          }
        }
      },
    }),
    undefined,
  );
}
