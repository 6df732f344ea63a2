/** Numbers that look random and are the same for the same seed (mulberry32). */
export class Random {
  private state: number;

  constructor(readonly seed: number) {
    this.state = seed >>> 0;
  }

  /** From 0 to less than 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = this.state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }

  /** A whole number from 0 to less than `below`. */
  below(below: number): number {
    return Math.floor(this.next() * below);
  }

  pick<T>(list: readonly T[]): T {
    const found = list[this.below(list.length)];
    if (found === undefined) throw new Error('nothing to pick from');
    return found;
  }

  chance(part: number): boolean {
    return this.next() < part;
  }

  /** A version 4 UUID. */
  uuid(): string {
    const digits = Array.from({ length: 32 }, (_, at) =>
      at === 12 ? '4' : at === 16 ? this.pick(['8', '9', 'a', 'b']) : this.below(16).toString(16),
    ).join('');
    return digits.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
  }
}
