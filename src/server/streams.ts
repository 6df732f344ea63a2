const KEY = Symbol.for('groval.streams');
interface Streams { readonly open: Set<() => void>; ending: boolean }
type Holder = { [KEY]: Streams | undefined };

function streams(): Streams {
  const holder = globalThis as unknown as Holder;
  return holder[KEY] ??= { open: new Set(), ending: false };
}

/**
 * Remembers how to end a stream that would otherwise stay open. Answers the function that forgets it.
 * While the process is ending a stream is ended at once: a screen that comes back on an old connection must not hold it up.
 */
export function rememberStream(end: () => void): () => void {
  const { open, ending } = streams();
  if (ending) { end(); return () => { /* ended already */ }; }
  open.add(end);
  return () => { open.delete(end); };
}

/** Ends every open stream, and each that still comes. */
export function endStreams(): void {
  const all = streams();
  all.ending = true;
  for (const end of [...all.open]) end();
  all.open.clear();
}
