import PQueue from 'p-queue';

/** So much is waiting already that more would only wait longer. */
export class TooBusy extends Error {
  constructor() {
    super('too much of this is waiting already');
  }
}

/** Work that is dear: so much of it at once, beside the event loop, and so much waiting; more is refused. */
export class Bounded {
  private readonly queue: PQueue;

  /** @param atOnce how much is done at the same time @param maxWaiting how much waits at most */
  constructor(
    atOnce: number,
    private readonly maxWaiting: number,
  ) {
    this.queue = new PQueue({ concurrency: atOnce });
  }

  /** True where nothing more would be taken. */
  get full(): boolean {
    return this.queue.size >= this.maxWaiting;
  }

  /** Does the work in its turn. @throws TooBusy where too much is waiting */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.full) throw new TooBusy();
    // The queue's own type lets a result be missing, which is for work that is given up; none is here.
    return (await this.queue.add(work)) as T;
  }
}

/** How many of something each may have at the same time. */
export class Shares {
  private readonly taken = new Map<string, number>();

  constructor(
    private readonly each: number,
    private readonly altogether: number,
  ) {}

  /** Takes one; the function that gives it back, once. Null where this one, or everybody together, has all that there are. */
  take(of: string): (() => void) | null {
    const own = this.taken.get(of) ?? 0;
    if (
      own >= this.each
      || [...this.taken.values()].reduce((sum, count) => sum + count, 0) >= this.altogether
    )
      return null;
    this.taken.set(of, own + 1);
    let open = true;
    return () => {
      if (!open) return;
      open = false;
      const left = (this.taken.get(of) ?? 1) - 1;
      if (left === 0) this.taken.delete(of);
      else this.taken.set(of, left);
    };
  }
}

/** Imports and exports: a share of the person and a share of their club, both or neither. */
export class TransferShares {
  constructor(
    private readonly people: Shares,
    private readonly clubs: Shares,
  ) {}

  /** Takes one for somebody; what gives it back, or null where they or their club have all that they may. */
  take(personId: string, clubId: string): (() => void) | null {
    const ofPerson = this.people.take(personId);
    if (ofPerson === null) return null;
    const ofClub = this.clubs.take(clubId);
    if (ofClub === null) {
      ofPerson();
      return null;
    }
    return () => {
      ofPerson();
      ofClub();
    };
  }
}
