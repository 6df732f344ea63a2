import type { OwnPassword } from '@/contracts/club/account';
import { setPassword } from '@/db/club/accounts';
import { asPerson } from '@/db/kernel/club-transaction';
import { refused, runCommand, type Outcome, type Ports } from '../kernel/command';

/** Changes one's own password by the one that is known. Every other session of that person ends. It belongs to no club, and stands in no club's ledger. */
export async function changeOwnPassword(
  ports: Ports,
  person: { readonly personId: string; readonly sessionId: string },
  { current, password }: OwnPassword,
): Promise<Outcome<{ readonly changed: true }>> {
  const right = await ports.checkPassword(person.personId, current);
  if (right === 'too-many-tries')
    return refused({
      code: 'too-many-tries',
      message: 'Too many wrong passwords. Wait half a minute, then try again; nothing was changed.',
    });
  if (right === 'wrong')
    return refused({
      code: 'invalid',
      message: 'The password that you have now is not right, so nothing was changed.',
      problems: [{ path: 'current', message: 'is not your password' }],
    });
  const hash = await ports.hashPassword(password);
  return runCommand(async () => {
    await asPerson(ports.db, person.personId, (tx) =>
      setPassword(tx, person.personId, hash, person.sessionId),
    );
    return { changed: true as const };
  });
}
