/** An answer that is written piece by piece as it is made: the person who reads slowly slows the making. */
export function streamed(
  make: (write: (text: string) => Promise<void>) => Promise<void>,
  headers: Readonly<Record<string, string>>,
): Response {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const writer = writable.getWriter();
  const encoder = new TextEncoder();
  void make(async (text) => {
    await writer.ready;
    await writer.write(encoder.encode(text));
  }).then(
    () => writer.close(),
    async (error: unknown) => {
      await writer.abort(error).catch(() => undefined);
    },
  );
  return new Response(readable, { headers: { 'cache-control': 'no-store', ...headers } });
}
