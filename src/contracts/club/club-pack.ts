import { z } from 'zod';
import { CATEGORIES } from '../../core/records/aircraft/aircraft';
import { EQUIPMENT_KINDS } from '../../core/records/aircraft/equipment';
import { clubPolicy, policyFrom, type ClubPolicyParameters } from '../../core/rules/packs/club-policy';
import type { OwnRule } from '../../core/rules/packs/own-rules';
import { parameterFault, type ParameterSpec } from '../../core/rules/packs/pack';
import { ACTS } from '../../core/rules/parts/constraint';
import type { ClubChoice, PackChoices } from '../../core/rules/register';
import { boxOf } from '../exchange/case-boxes';
import { cap, idKey, uses } from '../exchange/case-parts';
import { registrationSchema, textSchema } from '../kernel/scalars';

/** Version of the club pack format. */
export const CLUB_PACK_VERSION = 2;

/** A schema for one parameter: refuses a value that is looser than what holds without the club, and says why. */
function parameterSchema(spec: ParameterSpec) {
  const about = `${spec.title}. ${spec.about} ${spec.kind === 'word' ? `From the loosest to the strictest: ${spec.values.join(', ')}; absent takes the strictest.` : `Whole ${spec.unit}; ${spec.stricter} is stricter; absent takes ${spec.usual}.`}`;
  const base =
    spec.kind === 'word' ? z.string().meta({ enum: [...spec.values] }) : z.number().meta({ type: 'integer' });
  return (base as z.ZodType<string | number>)
    .superRefine((value, context) => {
      const fault = parameterFault(spec, value);
      if (fault !== null) context.addIssue({ code: 'custom', message: fault });
    })
    .optional()
    .describe(about);
}

/** Every parameter of a pack, each optional. */
export function parametersSchema(specs: Readonly<Record<string, ParameterSpec>>) {
  return z.strictObject(
    Object.fromEntries(Object.entries(specs).map(([name, spec]) => [name, parameterSchema(spec)])),
  );
}

const demand = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('never').describe('closes the uses, always') }),
  z.strictObject({ kind: z.literal('hold-to').describe('holds the uses to a number'), to: cap }),
  z.strictObject({
    kind: z.literal('equipment').describe('asks for equipment that no list asks for'),
    equipment: z.enum(EQUIPMENT_KINDS).describe('which'),
  }),
  z.strictObject({
    kind: z.literal('club-document').describe('asks for a club document in force'),
    name: textSchema(120).describe('its name among the club documents'),
  }),
  z.strictObject({
    kind: z.literal('item-within-days').describe('asks that an item was done within so many days'),
    name: textSchema(120).describe('its name among the items'),
    days: z.int().min(1).max(3660).describe('days'),
  }),
]);

const ownRule = z
  .strictObject({
    id: idKey.describe('your name for the rule'),
    title: textSchema(120).describe('in a few words'),
    explanation: textSchema(1000).describe('in plain words, for a student'),
    registrations: z
      .array(registrationSchema)
      .min(1)
      .optional()
      .describe('the aircraft that it is for; absent means all'),
    categories: z
      .array(z.enum(CATEGORIES))
      .min(1)
      .optional()
      .describe('the categories that it is for; absent means all'),
    uses,
    demand: demand.describe('what it asks for; a rule can only close uses or hold them to a number'),
  })
  .describe('a rule that the club adds');

/** What acts take in this club. */
export const estimatesSchema = z
  .array(
    z.strictObject({
      act: z.enum(ACTS).describe('the act'),
      minutes: z.int('expected whole minutes').min(0).max(1_000_000).describe('minutes out of service'),
      cost: z
        .number()
        .min(0)
        .max(1_000_000)
        .refine(
          (cost) => Math.abs(Math.round(cost * 100) - cost * 100) < 1e-6,
          'expected at most two decimals',
        )
        .describe('cost, at most two decimals'),
    }),
  )
  .max(ACTS.length)
  .refine((all) => new Set(all.map(({ act }) => act)).size === all.length, 'expected each act once')
  .describe(
    'what acts take in this club; an act without one takes what is usual. They order remedies and never decide',
  );

/** Estimates as packs hold them: nothing where the club has said nothing. */
export function clubEstimates(
  given: z.output<typeof estimatesSchema> | undefined,
): Pick<PackChoices, 'estimates'> {
  return given === undefined || given.length === 0
    ? {}
    : { estimates: given.map(({ act, minutes, cost }) => ({ act, minutes, cents: Math.round(cost * 100) })) };
}

/** A club's pack: its choices, none looser than what holds without it, and rules of its own. */
export const clubPackSchema = z
  .strictObject({
    format: z.literal('groval-club-pack').describe('names this format'),
    version: z.literal(CLUB_PACK_VERSION).describe('version of the format'),
    id: idKey.describe('the club’s name for its pack'),
    edition: textSchema(40).describe('the club’s own version of it; part of every decision'),
    title: textSchema(120).describe('title for people'),
    parameters: parametersSchema(clubPolicy.parameters).optional().describe('the club’s choices'),
    estimates: estimatesSchema.optional(),
    rules: z
      .array(ownRule)
      .max(200)
      .refine(
        (rules) => new Set(rules.map(({ id }) => id)).size === rules.length,
        'expected each rule to have an id of its own',
      )
      .optional()
      .describe('rules that the club adds'),
  })
  .describe(
    'A club’s rule pack. It only restricts: a value looser than what holds without the club is refused, and a rule can only close uses or hold them to a number.',
  );

/** A checked club pack. */
export type ClubPackFile = z.output<typeof clubPackSchema>;

/** The club's choices with what was left out filled in: words at their strictest, numbers as usual. */
export function clubParameters(
  given: Readonly<Record<string, string | number | undefined>> | undefined,
): ClubPolicyParameters {
  const policy = policyFrom(given ?? {});
  if ('fault' in policy) throw new RangeError(`${policy.parameter}: ${policy.fault}`);
  return policy;
}

/** A club pack as the register takes it. */
export function clubChoice(pack: ClubPackFile): ClubChoice {
  return {
    id: 'club-policy',
    parameters: clubParameters(pack.parameters),
    own: {
      id: pack.id,
      version: pack.edition,
      title: pack.title,
      rules: (pack.rules ?? []).map((rule): OwnRule => ({
        id: rule.id,
        title: rule.title,
        explanation: rule.explanation,
        registrations: rule.registrations ?? null,
        categories: rule.categories ?? null,
        uses: rule.uses === undefined ? null : rule.uses.map(boxOf),
        demand: rule.demand.kind === 'hold-to' ? { kind: 'hold-to', ...rule.demand.to } : rule.demand,
      })),
    },
  };
}
