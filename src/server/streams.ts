const KEY = Symbol.for('groval.streams');
type Holder = { [KEY]: Set<() => void> | undefined };

function open(): Set<() => void> {
  const holder = globalThis as unknown as Holder;
  return holder[KEY] ??= new Set();
}

/** Remembers how to end a stream that would otherwise stay open. Answers the function that forgets it. */
export function rememberStream(end: () => void): () => void {
  open().add(end);
  return () => { open().delete(end); };
}

/** Ends every open stream. */
export function endStreams(): void {
  for (const end of [...open()]) end();
}
