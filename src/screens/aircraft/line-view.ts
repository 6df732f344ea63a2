import type { Line, LineRow } from '@/queries/aircraft/line';

/** Which aircraft the Line shows. */
export const SHOWN = ['all', 'needs', 'Grounded', 'Restricted', 'Released', 'out'] as const;
export type Shown = (typeof SHOWN)[number];

/** How somebody looks at the Line: which aircraft, of which type, in which order. */
export interface LineView {
  readonly show: Shown;
  readonly order: 'registration' | 'need';
  /** Null shows every type. */
  readonly type: string | null;
}

/** Everything, by registration. */
export const EVERYTHING: LineView = { show: 'all', order: 'registration', type: null };

/** The view that an address or what was kept says; what it does not say, or says wrongly, is as in `EVERYTHING`. */
export function viewFrom(text: string): LineView {
  const said = new URLSearchParams(text);
  const show = SHOWN.find((one) => one === said.get('show')) ?? EVERYTHING.show;
  const order = said.get('order') === 'need' ? 'need' : EVERYTHING.order;
  const type = said.get('type');
  return { show, order, type: type === null || type === '' ? null : type };
}

/** A view as an address has it; empty for everything. */
export function textOf({ show, order, type }: LineView): string {
  return new URLSearchParams({
    ...(show === 'all' ? {} : { show }),
    ...(order === 'registration' ? {} : { order }),
    ...(type === null ? {} : { type }),
  }).toString();
}

/** True where somebody has to do something about an aircraft today: one of its flights cannot go as it is, or it is out and was due back. */
export function needsSomebody(row: LineRow, now: number): boolean {
  return (
    row.flights.some(({ answer }) => answer === 'no' || answer === 'yes-after')
    || (row.out !== null && row.flights.some(({ answer, ends }) => answer === 'past' && ends < now))
  );
}

/**
 * How urgent an aircraft is, the least number first: flights of today that cannot go, then those that wait for a step, by their start;
 * then what is out; then by verdict; then by what is left to the next limit in hours.
 */
function urgency(row: LineRow, now: number): readonly [number, number] {
  const first = (answer: 'no' | 'yes-after') =>
    Math.min(...row.flights.filter((flight) => flight.answer === answer).map(({ starts }) => starts));
  const refused = first('no');
  if (refused !== Number.POSITIVE_INFINITY) return [0, refused];
  const waiting = first('yes-after');
  if (waiting !== Number.POSITIVE_INFINITY) return [1, waiting];
  if (row.out !== null) return [needsSomebody(row, now) ? 1 : 2, now];
  const verdict = { Grounded: 3, Restricted: 4, Released: 5 }[row.verdict];
  return [verdict, row.secondsLeft ?? Number.MAX_SAFE_INTEGER];
}

const isShown = (row: LineRow, show: Shown, now: number): boolean =>
  show === 'all'
  || (show === 'needs' ? needsSomebody(row, now) : show === 'out' ? row.out !== null : row.verdict === show);

/** The rows of a view, in its order. Rows of which nothing is known yet are never hidden. */
export function rowsOf(
  line: Pick<Line, 'rows'>,
  view: LineView,
  now: number,
  unknown: (row: LineRow) => boolean = () => false,
): readonly LineRow[] {
  const rows = line.rows.filter(
    (row) =>
      (view.type === null || row.typeName === view.type) && (unknown(row) || isShown(row, view.show, now)),
  );
  if (view.order === 'registration') return rows;
  return rows
    .map((row) => ({ row, urgency: urgency(row, now) }))
    .toSorted((a, b) => a.urgency[0] - b.urgency[0] || a.urgency[1] - b.urgency[1])
    .map(({ row }) => row);
}

/** How many aircraft each choice would show, of the type that is chosen. */
export function countsOf(
  line: Pick<Line, 'rows'>,
  type: string | null,
  now: number,
): Readonly<Record<Shown, number>> {
  const rows = line.rows.filter((row) => type === null || row.typeName === type);
  return Object.fromEntries(
    SHOWN.map((show) => [show, rows.filter((row) => isShown(row, show, now)).length]),
  ) as Record<Shown, number>;
}
