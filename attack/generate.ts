import { z } from 'zod';
import type { Random } from './random';
import type { World } from './world';

/** A schema as JSON Schema says it, as far as this reads it. */
interface Shape {
  readonly type?: string | readonly string[];
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly allOf?: readonly Shape[];
  readonly format?: string;
  readonly pattern?: string;
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly items?: Shape;
  readonly additionalProperties?: Shape | boolean;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minItems?: number;
  readonly maxLength?: number;
  readonly examples?: readonly unknown[];
}

const shapes = new WeakMap<z.ZodType, Shape>();

/** What a schema takes in, read from the schema itself: a new field is attacked without anybody remembering it. */
function shapeOf(schema: z.ZodType): Shape {
  const known = shapes.get(schema);
  if (known !== undefined) return known;
  const shape = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape;
  shapes.set(schema, shape);
  return shape;
}

const WORDS = [
  'Checked',
  'Nose wheel',
  'Öl',
  'x',
  'Left main tyre worn',
  '12.5',
  '=1+1',
  "O'Brien; drop table club",
  '4150.3',
];

function text(shape: Shape, field: string, random: Random): string {
  const [example] = shape.examples ?? [];
  if (shape.format === 'email' || field === 'email') return `a${random.below(1e9)}@example.org`;
  if (shape.format === 'date') return '2026-11-28';
  if (shape.format === 'date-time') return '2026-11-28T12:00:00Z';
  // Passwords of the demo stay as they are, or nobody could go on.
  if (field === 'current') return 'not-the-password';
  if (field === 'password') return random.chance(0.5) ? 'tern-bay-demo' : 'not-the-password';
  if (field === 'clock' || field === 'endsClock' || field === 'starts')
    return random.pick(['09:00', '18:30']);
  if (field === 'shown' || field === 'shows' || field === 'standsAt')
    return random.pick(['4150.3', '0.0', '1290']);
  if (field === 'secret') return random.uuid().replaceAll('-', '').repeat(2);
  if (typeof example === 'string') return example;
  return random.pick(WORDS).slice(0, shape.maxLength ?? 200);
}

/** A value that a schema may well take. @param field its name, by which ids are known */
export function plausible(shape: Shape, field: string, world: World, random: Random): unknown {
  if (shape.const !== undefined) return shape.const;
  if (shape.enum !== undefined) return random.pick(shape.enum);
  const choices = shape.anyOf ?? shape.oneOf;
  if (choices !== undefined) return plausible(random.pick(choices), field, world, random);
  if (shape.allOf?.[0] !== undefined) return plausible(shape.allOf[0], field, world, random);
  const type = Array.isArray(shape.type) ? random.pick(shape.type as readonly string[]) : shape.type;
  if (shape.format === 'uuid' || field === 'personId') {
    const known = world.ids[field] ?? [];
    return known.length > 0 && random.chance(0.8) ? random.pick(known) : random.uuid();
  }
  switch (type ?? 'any') {
    case 'string':
      return text(shape, field, random);
    case 'boolean':
      return random.chance(0.5);
    case 'integer':
      return field === 'seenRevision'
        ? random.pick(world.aircraft).revision
        : Math.max(shape.minimum ?? 0, Math.min(shape.maximum ?? 10, random.below(10)));
    case 'number':
      return Math.max(
        shape.minimum ?? 0,
        Math.min(shape.maximum ?? 1000, Math.round(random.next() * 1000) / 10),
      );
    case 'array':
      return Array.from({ length: Math.max(shape.minItems ?? 0, random.below(3)) }, () =>
        plausible(shape.items ?? {}, field, world, random),
      );
    case 'object': {
      const required = new Set(shape.required ?? []);
      return Object.fromEntries(
        Object.entries(shape.properties ?? {})
          .filter(([name]) => required.has(name) || random.chance(0.5))
          .map(([name, inner]) => [name, plausible(inner, name, world, random)]),
      );
    }
    case 'null':
      return null;
    default:
      return random.pick(['x', 1, true, null]);
  }
}

/** The body that a route may well take. */
export const plausibleBody = (schema: z.ZodType, world: World, random: Random): unknown =>
  plausible(shapeOf(schema), '', world, random);

type Change = (value: unknown, path: readonly string[]) => unknown;

function everywhere(value: unknown, change: Change, path: readonly string[] = []): unknown {
  if (Array.isArray(value)) return value.map((one, at) => everywhere(one, change, [...path, String(at)]));
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).map(([key, inner]) => [key, everywhere(inner, change, [...path, key])]),
    );
  return change(value, path);
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** One way to make a body hostile. */
export interface Mutation {
  readonly name: string;
  /** Whether the server may still take it. */
  readonly mayPass: boolean;
  /** The body that is sent instead; null where this mutation has nothing to change in it. */
  readonly apply: (body: unknown, random: Random, other: World) => string | null;
}

/** The same body with something changed; null where nothing was there to be changed. */
function changed(body: unknown, change: Change): string | null {
  const before = JSON.stringify(body);
  const after = JSON.stringify(everywhere(body, change));
  return before === after ? null : after;
}

/** Changes one leaf, chosen by chance. */
function oneLeaf(
  body: unknown,
  random: Random,
  wanted: (value: unknown) => boolean,
  change: (value: unknown) => unknown,
): string | null {
  const leaves: string[] = [];
  everywhere(body, (value, path) => {
    if (wanted(value)) leaves.push(path.join('/'));
    return value;
  });
  if (leaves.length === 0) return null;
  const chosen = random.pick(leaves);
  return changed(body, (value, path) => (path.join('/') === chosen ? change(value) : value));
}

const isText = (value: unknown): boolean => typeof value === 'string' && !UUID.test(value);
const isNumber = (value: unknown): boolean => typeof value === 'number';

export const MUTATIONS: readonly Mutation[] = [
  { name: 'plausible', mayPass: true, apply: (body) => JSON.stringify(body) },
  {
    name: 'another club’s ids',
    mayPass: false,
    apply: (body, random, other) =>
      changed(body, (value, path) => {
        const known = other.ids[path.findLast((name) => !/^\d+$/.test(name)) ?? ''] ?? [];
        return typeof value === 'string' && UUID.test(value) && known.length > 0 ? random.pick(known) : value;
      }),
  },
  {
    name: 'upper-case ids',
    mayPass: true,
    apply: (body) =>
      changed(body, (value) => (typeof value === 'string' && UUID.test(value) ? value.toUpperCase() : value)),
  },
  {
    name: 'NUL in a text',
    mayPass: false,
    apply: (body, random) => oneLeaf(body, random, isText, (value) => `${String(value)}\u0000`),
  },
  {
    name: 'half a surrogate pair',
    mayPass: false,
    apply: (body, random) => oneLeaf(body, random, isText, (value) => `${String(value)}\uD800`),
  },
  {
    name: '2^31',
    mayPass: true,
    apply: (body, random) => oneLeaf(body, random, isNumber, () => 2_147_483_648),
  },
  {
    name: 'a negative number',
    mayPass: true,
    apply: (body, random) => oneLeaf(body, random, isNumber, () => -1),
  },
  { name: '1e308', mayPass: true, apply: (body, random) => oneLeaf(body, random, isNumber, () => 1e308) },
  {
    name: 'a number for a text',
    mayPass: true,
    apply: (body, random) =>
      oneLeaf(
        body,
        random,
        (value) => typeof value === 'string',
        () => 7,
      ),
  },
  {
    name: 'null',
    mayPass: true,
    apply: (body, random) =>
      oneLeaf(
        body,
        random,
        () => true,
        () => null,
      ),
  },
  {
    name: 'a long text',
    mayPass: true,
    apply: (body, random) => oneLeaf(body, random, isText, () => 'ä'.repeat(20_000)),
  },
  {
    name: 'a field too many',
    mayPass: false,
    apply: (body) =>
      typeof body === 'object' && body !== null && !Array.isArray(body)
        ? JSON.stringify({ ...body, isAdministrator: true })
        : null,
  },
  {
    name: 'a field missing',
    mayPass: true,
    apply: (body, random) => {
      if (typeof body !== 'object' || body === null) return null;
      const names = Object.keys(body);
      if (names.length === 0) return null;
      const gone = random.pick(names);
      return JSON.stringify(Object.fromEntries(Object.entries(body).filter(([name]) => name !== gone)));
    },
  },
  {
    name: '__proto__',
    mayPass: false,
    apply: (body) => `{"__proto__":{"roles":["administrator"]},${JSON.stringify(body).slice(1)}`,
  },
  { name: 'no JSON', mayPass: false, apply: () => '{"a":' },
  { name: 'nothing', mayPass: false, apply: () => '' },
  { name: 'a list', mayPass: false, apply: () => '[]' },
  { name: 'deep nesting', mayPass: false, apply: () => `${'['.repeat(5000)}${']'.repeat(5000)}` },
  { name: 'bytes that are no UTF-8', mayPass: false, apply: () => '\uDC80' },
];
