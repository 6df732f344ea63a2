import { canonicalJson, type Plain } from '@/core/decision/canonical';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readHistory, requestKnown } from '@/db/kernel/ledger';
import { Refused, type Actor, type Ports } from './command';

/** An entry that may come twice, since an answer can get lost on its way: what was sent, and where to look whether it is there. */
export interface Repeat<T> {
  readonly request: object;
  readonly found: (tx: ClubTransaction) => Promise<T | null>;
}

/** What may differ when the same is sent again: proof and consent, and what the sender had seen by then. */
const MAY_DIFFER = ['password', 'seenRevision', 'accepted', 'seenAt'];

/** SHA-256 of what was sent, in hexadecimal. */
export function requestDigest({ sha256 }: Pick<Ports, 'sha256'>, request: object): string {
  const told = Object.fromEntries(
    Object.entries(request).filter(([name]) => !MAY_DIFFER.includes(name)),
  ) as Plain;
  return Buffer.from(sha256(Buffer.from(canonicalJson(told), 'utf8'))).toString('hex');
}

/** So many entries of an aircraft's history are shown to somebody who changed what was received already. */
const MOST_CHANGES = 20;

/**
 * An entry of this id was received already. The same again is an answer that got lost; anything else would get lost itself if it
 * were answered as received, and with it perhaps what closes the aircraft. @throws Refused for anything else
 */
export async function onlyTheSame(
  tx: ClubTransaction,
  actor: Actor,
  aircraft: { readonly id: string; readonly registration: string; readonly revision: number },
  digest: string,
  seenRevision: number | null,
): Promise<void> {
  if (await requestKnown(tx, aircraft.id, actor.personId, digest)) return;
  throw new Refused({
    code: 'conflict',
    message: `${aircraft.registration}: this was received already as it was before you changed it, and that stands. What you changed was not recorded. Load the page, look at what stands, and enter what is different.`,
    revision: aircraft.revision,
    changes: seenRevision === null ? [] : await readHistory(tx, aircraft.id, MOST_CHANGES, seenRevision),
  });
}
