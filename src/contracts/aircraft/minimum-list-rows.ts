import type { z } from 'zod';
import type { MinimumItem } from '../../core/records/aircraft/minimum-list';
import { minimumItem } from '../exchange/case-aircraft-records';

/** An item as a form or a file has it. */
export type MinimumItemInput = z.input<typeof minimumItem>;

/** An item on record as a form has it. */
export function minimumItemInput(item: MinimumItem): MinimumItemInput {
  const { code, name, equipment, category, days, installed, required, operations, maintenance, closes } =
    item;
  return {
    code,
    name,
    equipment: [...equipment],
    category: category ?? undefined,
    days: days ?? undefined,
    installed,
    required,
    operations: operations === '' ? undefined : operations,
    maintenance: maintenance === '' ? undefined : maintenance,
    closes: closes.length === 0 ? undefined : [...closes],
  };
}

/** The columns of a file, in their order. Several kinds or uses in one cell stand apart by semicolons. */
export const MINIMUM_LIST_COLUMNS = [
  'item',
  'name',
  'equipment',
  'category',
  'days',
  'installed',
  'required',
  'operations',
  'maintenance',
  'closes',
] as const;
type Column = (typeof MINIMUM_LIST_COLUMNS)[number];

/** What a row says, or everything that is wrong with it. */
export type ReadRow =
  | { readonly ok: true; readonly item: MinimumItemInput }
  | { readonly ok: false; readonly problems: readonly string[] };

const several = (text: string): string[] =>
  text
    .split(';')
    .map((part) => part.trim().toLowerCase())
    .filter((part) => part !== '');
/** A number that is none goes on as it is, so that the schema says what it expected. */
const whole = (text: string): number | undefined => (text === '' ? undefined : Number(text));

/** Reads one row of a minimum equipment list from a file. */
export function readMinimumRow(row: Readonly<Partial<Record<Column, string>>>): ReadRow {
  const cell = (name: Column): string => (row[name] ?? '').trim();
  const closes = several(cell('closes'));
  const text = (name: Column) => (cell(name) === '' ? undefined : cell(name));
  const read = minimumItem.safeParse({
    code: cell('item'),
    name: cell('name'),
    equipment: several(cell('equipment')),
    category: text('category')?.toUpperCase(),
    days: whole(cell('days')),
    installed: whole(cell('installed')),
    required: whole(cell('required')),
    operations: text('operations'),
    maintenance: text('maintenance'),
    closes: closes.length === 0 ? undefined : closes,
  });
  if (read.success) return { ok: true, item: read.data };
  return {
    ok: false,
    problems: read.error.issues.map(({ path, message }) => {
      const [field = ''] = path.map(String);
      return `${field === 'code' ? 'item' : field}: ${message}`;
    }),
  };
}
