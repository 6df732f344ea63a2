import { createHash } from 'node:crypto';

/** Ids that are the same for the same seed: UUIDs made from a hash of seed and name. */
export function idsFrom(seed: number): (name: string) => string {
  return (name) => {
    const hex = createHash('sha256').update(`${seed}/${name}`).digest('hex');
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-5${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
  };
}
