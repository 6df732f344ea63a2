/** A sheet of labels in millimetres, upright, from its upper left corner. A single label is a sheet of one. */
export interface LabelSheet {
  readonly name: string;
  readonly page: readonly [width: number, height: number];
  readonly label: readonly [width: number, height: number];
  readonly columns: number;
  readonly rows: number;
  readonly margin: readonly [left: number, top: number];
  /** Between the left edges of two columns, and the upper edges of two rows. */
  readonly step: readonly [across: number, down: number];
}

/** Sizes in which labels are commonly sold; common practice, no source. Measure one sheet before a whole pack is printed. */
export const LABEL_SHEETS = {
  'a4-24': {
    name: 'A4, 24 labels of 70 by 37 mm',
    page: [210, 297],
    label: [70, 37],
    columns: 3,
    rows: 8,
    margin: [0, 0.5],
    step: [70, 37],
  },
  'a4-14': {
    name: 'A4, 14 labels of 99.1 by 38.1 mm',
    page: [210, 297],
    label: [99.1, 38.1],
    columns: 2,
    rows: 7,
    margin: [4.65, 15.15],
    step: [101.6, 38.1],
  },
  'letter-30': {
    name: 'Letter, 30 labels of 2 5/8 by 1 in',
    page: [215.9, 279.4],
    label: [66.675, 25.4],
    columns: 3,
    rows: 10,
    margin: [4.7625, 12.7],
    step: [69.85, 25.4],
  },
  single: {
    name: 'Single labels of 62 by 29 mm',
    page: [62, 29],
    label: [62, 29],
    columns: 1,
    rows: 1,
    margin: [0, 0],
    step: [62, 29],
  },
} as const satisfies Readonly<Record<string, LabelSheet>>;
export type LabelSheetId = keyof typeof LABEL_SHEETS;
export const LABEL_SHEET_IDS = Object.keys(LABEL_SHEETS) as readonly LabelSheetId[];

/** So many labels are made at once at most. */
export const MOST_LABELS = 500;
