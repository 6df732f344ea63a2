import { readCardAddress } from '@/contracts/releases/card-address';
import { STRANGERS } from '@/db/kernel/club-share';
import { inClub } from '@/db/kernel/club-transaction';
import { publicCard, type PublicCard } from '@/queries/releases/flight-release';
import { runtime } from '@/server/runtime';

/** The card behind an address; null for every address that is not that of a card, whatever is wrong with it. */
export async function cardBehind(text: string): Promise<PublicCard | null> {
  const address = readCardAddress(text);
  if (address === null) return null;
  const { db, ports } = runtime();
  return inClub(db, address.clubId, (tx) => publicCard(tx, address, ports.now()), STRANGERS);
}
