// Two pages that are written by the code: every field of a case, and every rule with the examples that show it.
import { readdirSync, readFileSync } from 'node:fs';
import { z } from 'zod';
import { caseSchema } from '../../src/contracts/exchange/case-file';
import { clubPackSchema } from '../../src/contracts/club/club-pack';
import type { Json } from '../../src/contracts/kernel/merge-patch';
import { questionOf } from '../../src/contracts/exchange/case-facts';
import { decide } from '../../src/core/decision/decide';
import { USUAL_POLICY } from '../../src/core/rules/packs/club-policy';
import type { ParameterSpec } from '../../src/core/rules/packs/pack';
import { chosenRules, PACKS } from '../../src/core/rules/register';
import { sourceText } from '../../src/explain/remedies';
import { readCase, resolved } from './read-case';

const FOLDER = 'examples/cases';

interface Node {
  readonly type?: string;
  readonly description?: string;
  readonly enum?: readonly Json[];
  readonly const?: Json;
  readonly properties?: Readonly<Record<string, Node>>;
  readonly required?: readonly string[];
  readonly items?: Node;
  readonly additionalProperties?: Node | false;
  readonly anyOf?: readonly Node[];
  readonly oneOf?: readonly Node[];
  readonly format?: string;
}

/** Values that the examples give at each place, with `*` for an id or a place in a list. */
function exampleValues(): ReadonlyMap<string, Json> {
  const found = new Map<string, Json>();
  const visit = (value: Json, path: string, paths: ReadonlySet<string>): void => {
    if (path !== '' && !found.has(path)) found.set(path, value);
    if (typeof value !== 'object' || value === null) return;
    for (const [key, below] of Object.entries(value)) {
      const named = path === '' ? key : `${path}.${key}`;
      visit(below as Json, paths.has(named) ? named : `${path}.*`, paths);
    }
  };
  const paths = new Set(
    fieldsOf(z.toJSONSchema(caseSchema, { io: 'input', unrepresentable: 'any' }) as Node, '').map(
      ({ path }) => path,
    ),
  );
  // Whole cases first, then the shorter ones: the clean trainer gives most values.
  for (const name of ['clean-trainer.json', ...readdirSync(FOLDER).filter((one) => one.endsWith('.json'))])
    visit(resolved(JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as Json, FOLDER), '', paths);
  return found;
}

interface Field {
  readonly path: string;
  readonly form: string;
  readonly needed: boolean;
  readonly meaning: string;
}

function formOf(node: Node): string {
  if (node.const !== undefined) return JSON.stringify(node.const);
  if (node.enum !== undefined) return node.enum.map((one) => String(one)).join(' / ');
  const choices = node.anyOf ?? node.oneOf;
  if (choices !== undefined) return [...new Set(choices.map(formOf))].join(' or ');
  if (node.type === 'array') return `list of ${node.items === undefined ? 'values' : formOf(node.items)}`;
  return node.format ?? node.type ?? 'value';
}

/** Every field below a schema. Forms of one thing (documents by kind) are told under the same path. */
function fieldsOf(node: Node, path: string): readonly Field[] {
  const below = [...(node.anyOf ?? []), ...(node.oneOf ?? [])].flatMap((one) => fieldsOf(one, path));
  const own = Object.entries(node.properties ?? {}).flatMap(([name, field]): readonly Field[] => {
    const at = path === '' ? name : `${path}.${name}`;
    return [
      {
        path: at,
        form: formOf(field),
        needed: node.required?.includes(name) ?? false,
        meaning: field.description ?? '',
      },
      ...fieldsOf(field, at),
    ];
  });
  const each =
    typeof node.additionalProperties === 'object' ? fieldsOf(node.additionalProperties, `${path}.*`) : [];
  const items = node.items === undefined ? [] : fieldsOf(node.items, `${path}.*`);
  return [...below, ...own, ...each, ...items];
}

function merged(fields: readonly Field[]): readonly Field[] {
  const byPath = new Map<string, Field>();
  for (const field of fields) {
    const known = byPath.get(field.path);
    if (known === undefined) {
      byPath.set(field.path, field);
      continue;
    }
    const forms = [...new Set([...known.form.split(' or '), field.form])].join(' or ');
    byPath.set(field.path, {
      ...known,
      form: forms,
      meaning: known.meaning.includes(field.meaning) ? known.meaning : `${known.meaning}; ${field.meaning}`,
    });
  }
  return [...byPath.values()];
}

const cell = (text: string) => text.replaceAll('|', '\\|').replaceAll('\n', ' ');

function exampleText(value: Json | undefined): string {
  if (value === undefined) return '';
  const text = JSON.stringify(value);
  return text.length > 70 ? '' : `\`${cell(text)}\``;
}

/** docs/case-fields.md */
export function caseFieldsPage(): string {
  const examples = exampleValues();
  const fields = merged(
    fieldsOf(z.toJSONSchema(caseSchema, { io: 'input', unrepresentable: 'any' }) as Node, ''),
  );
  const rows = (some: readonly Field[]) =>
    [
      '| field | form | must | meaning, unit | example |',
      '|---|---|---|---|---|',
      ...some.map(
        ({ path, form, needed, meaning }) =>
          `| \`${path}\` | ${cell(form.length > 160 ? `${form.slice(0, 157)}…` : form)} | ${needed ? 'yes' : ''} | ${cell(meaning)} | ${exampleText(examples.get(path))} |`,
      ),
    ].join('\n');
  const sections = new Map<string, Field[]>();
  for (const field of fields) {
    const top = field.path.split('.')[0] ?? '';
    sections.set(top, [...(sections.get(top) ?? []), field]);
  }
  const clubFields = merged(
    fieldsOf(z.toJSONSchema(clubPackSchema, { io: 'input', unrepresentable: 'any' }) as Node, ''),
  );
  return `# Every field of a case

Written by \`npm run schemas\` from the code that reads cases; a test compares. \`*\` stands for an id of your choice, or for a place in a
list. A field without *yes* under *must* may be left out, and then it is **unknown**, unless its meaning says what its absence states.
Numbers with more digits than a field keeps are errors and never rounded: hours have two decimals, amounts three.

${[...sections].map(([top, some]) => `## ${top}\n\n${rows(some)}`).join('\n\n')}

# Every field of a club pack

${rows(clubFields)}
`;
}

function parameterRows(parameters: Readonly<Record<string, ParameterSpec>>): string {
  const rows = Object.entries(parameters).map(([name, spec]) =>
    spec.kind === 'word'
      ? `| \`${name}\` | ${spec.values.join(' < ')} | ${spec.strictest} | ${cell(`${spec.title}. ${spec.about}`)} |`
      : `| \`${name}\` | whole ${spec.unit}, ${spec.stricter} is stricter, ${spec.loosest} at loosest | ${spec.usual} | ${cell(`${spec.title}. ${spec.about}`)} |`,
  );
  return rows.length === 0
    ? 'No parameters.'
    : [
        '| parameter | values, loosest first | when left out | what it settles |',
        '|---|---|---|---|',
        ...rows,
      ].join('\n');
}

/** docs/rules.md */
export function rulesPage(): string {
  const closing = new Map<string, string[]>();
  const seen = new Map<string, string[]>();
  for (const name of readdirSync(FOLDER).filter((one) => one.endsWith('.json'))) {
    const { facts, packs, flight, wanted, asOf } = questionOf(
      readCase(JSON.parse(readFileSync(`${FOLDER}/${name}`, 'utf8')) as Json, FOLDER),
    );
    const decision = decide(facts, packs, flight, asOf, wanted);
    const short = name.replace('.json', '');
    const rules = new Set([
      ...decision.rules
        .filter(({ answer }) => answer === 'closes' || answer === 'unknown')
        .map(({ id }) => id),
      ...(decision.flight?.own ?? []).map(({ rule }) => rule),
      ...(decision.flight?.exceedances ?? []).map(({ constraint }) => constraint.rule),
    ]);
    for (const { id } of decision.rules)
      (rules.has(id) ? closing : seen).set(id, [...((rules.has(id) ? closing : seen).get(id) ?? []), short]);
  }
  const packs = [
    {
      pack: PACKS['us-part91'],
      rules: chosenRules({
        authority: {
          id: 'us-part91',
          parameters: { trainingUnder: 'part-141', lessons: 'lessons-are-for-hire' },
        },
        club: null,
      }),
    },
    {
      pack: PACKS['au-maintenance-release'],
      rules: chosenRules({ authority: { id: 'au-maintenance-release' }, club: null }),
    },
    {
      pack: PACKS['club-policy'],
      rules: chosenRules({
        authority: { id: 'au-maintenance-release' },
        club: { id: 'club-policy', parameters: USUAL_POLICY, own: null },
      }).filter(({ pack }) => pack === 'club-policy'),
    },
  ];
  const some = (names: readonly string[] | undefined, most: number) =>
    (names ?? [])
      .slice(0, most)
      .map((name) => `\`${name}\``)
      .join(', ');
  return `# Every rule

Written by \`npm run schemas\` from the rules themselves; a test compares. The texts were cited from memory: consult the text in force.
Examples stand in \`examples/cases/\`; what each is answered with, in short, in \`examples/answers.json\`.

${packs
  .map(
    ({ pack, rules }) => `## ${pack.title}: \`${pack.id}\`, version ${pack.version}

${parameterRows(pack.parameters)}

${rules
  .map(
    ({ rule }) => `### ${rule.title}: \`${rule.id}\`

${rule.explanation} *Source: ${sourceText(rule.source)}.* Not met in ${some(closing.get(rule.id), 8) || 'no example'}${(closing.get(rule.id)?.length ?? 0) > 8 ? ' and others' : ''}.`,
  )
  .join('\n\n')}`,
  )
  .join('\n\n')}
`;
}
