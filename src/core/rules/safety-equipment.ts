import { ALL_USES, usesIn, type UseSet } from '../envelope/use-set';
import { lineOf, type EquipmentKind } from '../records/aircraft/equipment';
import type { KnownFacts } from '../records/facts';
import { endOfDay } from '../time/zone';
import { ANYBODY, constraint, from, remedy, MECHANICS, type Constraint } from './parts/constraint';
import { inoperative } from './parts/inoperative';
import { result, rule } from './parts/rule';

const source = { kind: 'club-policy' } as const;

/** What an aircraft without a piece of safety equipment may still do, from the loosest to the strictest. */
export const SAFETY_EQUIPMENT = ['not-asked', 'no-passengers-without', 'no-flight-without'] as const;
type Asked = (typeof SAFETY_EQUIPMENT)[number];

const PASSENGERS = usesIn({ passengers: ['aboard'] });

interface Judged {
  readonly constraints: readonly Constraint[];
  readonly missing: readonly string[];
}

/** There, in date, and working: a deferred one does not work. */
function judgeOne(facts: KnownFacts, kind: EquipmentKind, asked: Asked): Judged {
  if (asked === 'not-asked') return { constraints: [], missing: [] };
  const closes: UseSet = asked === 'no-flight-without' ? ALL_USES : PASSENGERS;
  const found = inoperative(facts, kind).map(({ id, what }) =>
    constraint({
      key: `${kind}.${id}`,
      certainty: 'failed',
      source,
      reason: { code: 'equipment-inoperative', equipment: kind, what, list: 'club' },
      records: [id],
      closes,
      remedies: [remedy('repair-and-return-to-service', MECHANICS, id)],
    }),
  );
  const listed = onList(facts, kind, closes);
  return { constraints: [...found, ...listed.constraints], missing: listed.missing };
}

function onList({ equipmentList, place }: KnownFacts, kind: EquipmentKind, closes: UseSet): Judged {
  const item = lineOf(equipmentList, kind);
  const made = (given: Pick<Constraint, 'certainty' | 'reason' | 'remedies'> & Partial<Constraint>) =>
    constraint({
      key: kind,
      source,
      records: equipmentList === null ? [] : [equipmentList.id],
      closes,
      ...given,
    });
  const put = remedy('install-equipment', ANYBODY, kind);
  if (item?.fitted == null)
    return {
      constraints: [
        made({
          certainty: 'unknown',
          reason: { code: 'equipment-unknown', equipment: kind, list: 'club' },
          remedies: [remedy('record-equipment', ANYBODY)],
        }),
      ],
      missing: [`equipment.${kind}`],
    };
  if (!item.fitted)
    return {
      constraints: [
        made({
          certainty: 'failed',
          reason: { code: 'equipment-not-fitted', equipment: kind, list: 'club' },
          remedies: [put],
        }),
      ],
      missing: [],
    };
  if (item.expiresOn === 'no-expiry') return { constraints: [], missing: [] };
  if (item.expiresOn === null)
    return {
      constraints: [
        made({
          certainty: 'unknown',
          reason: { code: 'equipment-date-unknown', equipment: kind },
          remedies: [remedy('record-equipment', ANYBODY)],
        }),
      ],
      missing: [`equipment.${kind}.expiresOn`],
    };
  return {
    constraints: [
      made({
        certainty: 'failed',
        reason: { code: 'equipment-expires', equipment: kind, lastDay: item.expiresOn },
        begins: from(endOfDay(item.expiresOn, place.zone)),
        remedies: [remedy('service-measured-item', MECHANICS, kind)],
      }),
    ],
    missing: [],
  };
}

/** Extinguisher and carbon-monoxide detector, aboard and in date, as far as the club asks for them. */
export const safetyEquipment = rule({
  id: 'safety-equipment',
  title: 'Safety equipment',
  source,
  explanation:
    'A club may ask for a charged fire extinguisher and a carbon-monoxide detector within their dates, for flights with passengers or for every flight. Schools differ; the strictest is the default.',
  judge: (
    facts,
    {
      monoxideDetector,
      fireExtinguisher,
    }: { readonly monoxideDetector: Asked; readonly fireExtinguisher: Asked },
  ) => {
    const both = [
      judgeOne(facts, 'monoxide-detector', monoxideDetector),
      judgeOne(facts, 'fire-extinguisher', fireExtinguisher),
    ];
    return result(
      both.flatMap(({ constraints }) => constraints),
      both.flatMap(({ missing }) => missing),
    );
  },
});
