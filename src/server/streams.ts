const KEY = Symbol.for('groval.streams');
interface Streams {
  readonly open: Set<() => void>;
  ending: boolean;
}
type Holder = { [KEY]: Streams | undefined };

function streams(): Streams {
  const holder = globalThis as unknown as Holder;
  return (holder[KEY] ??= { open: new Set(), ending: false });
}

/**
 * Remembers how to end a stream that would otherwise stay open. Answers the function that forgets it.
 * While the process is ending a stream is ended at once: a screen that comes back on an old connection must not hold it up.
 */
export function rememberStream(end: () => void): () => void {
  const { open, ending } = streams();
  if (ending) {
    end();
    return () => {
      /* ended already */
    };
  }
  open.add(end);
  return () => {
    open.delete(end);
  };
}

/** Ends every open stream, and each that still comes. */
export function endStreams(): void {
  const all = streams();
  all.ending = true;
  for (const end of [...all.open]) end();
  all.open.clear();
}

/** Screens that one person has open at a time: a desk, a wall, a phone and some more. */
const MAX_STREAMS_EACH = 8;

/** Open streams by person: where somebody opens one too many, their oldest ends; others' never suffer. */
export class StreamShares {
  private readonly open = new Map<string, (() => void)[]>();

  /** Adds a stream. Answers the function that removes it. */
  add(personId: string, end: () => void): () => void {
    const own = this.open.get(personId) ?? [];
    this.open.set(personId, own);
    own.push(end);
    if (own.length > MAX_STREAMS_EACH) own.shift()?.();
    return () => {
      const at = own.indexOf(end);
      if (at >= 0) own.splice(at, 1);
      if (own.length === 0 && this.open.get(personId) === own) this.open.delete(personId);
    };
  }

  /** How many streams a person has open. */
  count(personId: string): number {
    return this.open.get(personId)?.length ?? 0;
  }
}
