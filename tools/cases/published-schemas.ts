import { z } from 'zod';
import { caseFieldsPage, rulesPage } from './pages';
import { permissionsPage } from './permissions-page';
import { caseSchema } from '../../src/contracts/exchange/case-file';
import { clubArchiveSchema } from '../../src/contracts/exchange/club-archive';
import { clubPackSchema } from '../../src/contracts/club/club-pack';
import {
  decisionSchema,
  diffSchema,
  refusalSchema,
  timelineSchema,
} from '../../src/contracts/exchange/decision-file';

/* The pages are written with the schemas: both say what the code reads. */
const jsonSchema = (schema: z.ZodType, io: 'input' | 'output') =>
  z.toJSONSchema(schema, { io, target: 'draft-2020-12', unrepresentable: 'any' });

/** A case as it stands in a file: whole, or what it changes of another. */
function caseFileSchema() {
  const { $schema, description, ...whole } = jsonSchema(caseSchema, 'input');
  return {
    $schema,
    title: 'Groval case',
    description,
    anyOf: [
      { $ref: '#/$defs/whole' },
      { $ref: '#/$defs/extending' },
      {
        type: 'array',
        items: { anyOf: [{ $ref: '#/$defs/whole' }, { $ref: '#/$defs/extending' }] },
        description: 'a list of cases gets a list of answers, in order',
      },
    ],
    $defs: {
      whole,
      extending: {
        type: 'object',
        required: ['extends'],
        properties: {
          extends: {
            type: 'string',
            minLength: 1,
            description:
              'the bare name of a shipped case such as clean-trainer, or a path to a case file (with a slash or ending in .json), from the folder of the file that names it',
          },
        },
        description:
          'What is changed of the case that it extends, as a JSON Merge Patch (RFC 7396): objects are merged, null removes, anything else replaces. The result must be a whole case.',
      },
    },
  };
}

function decisionFileSchema() {
  const { $schema, description, ...decision } = jsonSchema(decisionSchema, 'output');
  const refusal = Object.fromEntries(
    Object.entries(jsonSchema(refusalSchema, 'output')).filter(([key]) => key !== '$schema'),
  );
  return {
    $schema,
    title: 'Groval decision',
    description,
    anyOf: [
      { $ref: '#/$defs/decision' },
      { type: 'array', items: { anyOf: [{ $ref: '#/$defs/decision' }, { $ref: '#/$defs/refusal' }] } },
    ],
    $defs: { decision, refusal },
  };
}

/** The published schemas with the files that they belong in. */
export function SCHEMAS(): readonly { readonly file: string; readonly text: string }[] {
  const text = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
  return [
    { file: 'docs/case.schema.json', text: text(caseFileSchema()) },
    { file: 'docs/decision.schema.json', text: text(decisionFileSchema()) },
    {
      file: 'docs/timeline.schema.json',
      text: text({ title: 'Groval timeline', ...jsonSchema(timelineSchema, 'output') }),
    },
    {
      file: 'docs/diff.schema.json',
      text: text({ title: 'Groval diff', ...jsonSchema(diffSchema, 'output') }),
    },
    {
      file: 'docs/club-archive.schema.json',
      text: text({ title: 'Groval club archive', ...jsonSchema(clubArchiveSchema, 'input') }),
    },
    {
      file: 'docs/club-pack.schema.json',
      text: text({ title: 'Groval club pack', ...jsonSchema(clubPackSchema, 'input') }),
    },
    { file: 'docs/case-fields.md', text: caseFieldsPage() },
    { file: 'docs/rules.md', text: rulesPage() },
    { file: 'docs/permissions.md', text: permissionsPage() },
  ];
}
