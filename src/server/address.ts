/** The header in which our own server says where a request comes from. It drops what a client put there; see tools/server.mjs. */
export const ADDRESS_HEADER = 'x-groval-address';

/** The network address of the person who asks, as our own server saw it; null where another server stands in between that does not tell. */
export function addressOf(request: Request): string | null {
  return request.headers.get(ADDRESS_HEADER);
}
