import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { Bounded } from './bounded';

/** Each takes about a seventh of a second of one core. */
const AT_ONCE = 2;
const MAX_WAITING = 40;

/** Hashing of passwords: so many at once beside the event loop, and so many waiting; more is refused rather than queued without end. */
export class Passwords {
  private readonly work = new Bounded(AT_ONCE, MAX_WAITING);

  /** True where one more would be refused. */
  get full(): boolean {
    return this.work.full;
  }

  /** The hash that a password is kept by. @throws TooBusy */
  hash(password: string): Promise<string> {
    return this.work.run(() => hashPassword(password));
  }

  /** Whether it is the password behind a hash. @throws TooBusy */
  verify(hash: string, password: string): Promise<boolean> {
    return this.work.run(() => verifyPassword({ hash, password }));
  }
}
