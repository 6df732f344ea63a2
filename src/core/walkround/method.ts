/** Where the walk begins and which way round it goes, seen from above. Common practice, no source: schools differ, and the handbook's order comes first. */
export const STARTS = ['left-wing', 'tail', 'right-wing', 'nose'] as const;
export const DIRECTIONS = ['anticlockwise', 'clockwise'] as const;

/** A school's own way of walking round. Common practice, no source; where schools differ it is a choice here (see docs/decisions). */
export interface Method {
  /** Lights and pitot heat looked at in a lap of their own with the power on, or by the way of the one lap. */
  readonly laps: 'electrical-first' | 'one';
  readonly start: (typeof STARTS)[number];
  readonly direction: (typeof DIRECTIONS)[number];
  readonly samples: 'at-each-tank' | 'at-the-end';
  readonly tieDowns: 'at-their-place' | 'last';
  /** `read-and-do` asks step by step; `do-then-verify` lists a station's steps at its end, each with its own answer. */
  readonly mode: 'read-and-do' | 'do-then-verify';
  /** Whether a later flight of the day asks for the short list; the first of the day and the first after fuelling never do. */
  readonly between: 'whole-list' | 'short-list';
  /** Minutes with the power on after which a reminder comes; null gives none. */
  readonly batteryMinutes: number | null;
  /** Away for longer than so many seconds counts as an interruption. */
  readonly interruptedAfter: number;
  /** Whether a clear sample may go back into the tank through a strainer. */
  readonly clearFuelBack: boolean;
  /** Where this field's drum for used fuel stands; null where nobody has said. */
  readonly drum: string | null;
  /**
   * A school's own order of steps: codes, with `.left` or `.right` for one of two sides; null is the order of the list.
   * Checked by `orderFaults`.
   */
  readonly order: readonly string[] | null;
}

/** What is usual, on the careful side. */
export const USUAL_METHOD: Method = {
  laps: 'electrical-first',
  start: 'left-wing',
  direction: 'anticlockwise',
  samples: 'at-each-tank',
  tieDowns: 'last',
  mode: 'read-and-do',
  between: 'whole-list',
  batteryMinutes: 4,
  interruptedAfter: 180,
  clearFuelBack: false,
  drum: null,
  order: null,
};
