/** What an attack counts. Whatever should never happen is told with enough to do it again. */
export class Tally {
  calls = 0;
  accepted = 0;
  refused = 0;
  busy = 0;
  readonly failures: string[] = [];
  readonly wronglyAccepted: string[] = [];
  readonly lost: string[] = [];
  readonly doubled: string[] = [];
  readonly hurt: string[] = [];

  /** Counts one answer of the server. @param may whether it may have been accepted @param what says how to do it again */
  answer(status: number, may: boolean, what: () => string): void {
    this.calls += 1;
    if (status === 503) this.busy += 1;
    else if (status >= 500) this.failures.push(`${status} ${what()}`);
    else if (status < 400) {
      this.accepted += 1;
      if (!may) this.wronglyAccepted.push(`${status} ${what()}`);
    } else this.refused += 1;
  }

  /** True where nothing happened that never should. */
  get isClean(): boolean {
    return [this.failures, this.wronglyAccepted, this.lost, this.doubled, this.hurt].every(
      (list) => list.length === 0,
    );
  }

  /** One line for people and for a test. */
  get line(): string {
    return `${this.calls} calls, ${this.accepted} accepted, ${this.refused} refused, ${this.busy} told to come back; 500s ${this.failures.length}, wrongly accepted ${this.wronglyAccepted.length}, lost ${this.lost.length}, doubled ${this.doubled.length}, hurt ${this.hurt.length}`;
  }
}
