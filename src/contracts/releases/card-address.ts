import { idSchema } from '../kernel/scalars';

/** Where a card is looked at: its club, its release, and the secret without which nobody finds it. */
export interface CardAddress {
  readonly clubId: string;
  readonly releaseId: string;
  readonly secret: string;
}

/** The address of a card as it stands in its page's. */
export const cardAddress = ({ clubId, releaseId, secret }: CardAddress): string =>
  `${clubId}.${releaseId}.${secret}`;

/** The same read again; null where it is none. */
export function readCardAddress(text: string): CardAddress | null {
  const [club, release, secret, ...more] = text.split('.');
  const [clubId, releaseId] = [idSchema().safeParse(club), idSchema().safeParse(release)];
  return clubId.success
    && releaseId.success
    && secret !== undefined
    && /^[0-9a-f]{64}$/u.test(secret)
    && more.length === 0
    ? { clubId: clubId.data, releaseId: releaseId.data, secret }
    : null;
}
