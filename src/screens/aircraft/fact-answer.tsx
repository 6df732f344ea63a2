import { SignedTrouble } from '../kit/signed-form';
import type { useFact } from './use-fact';

/** What became of a fact that was sent. */
export function FactAnswer({ trouble, done }: ReturnType<typeof useFact>['answer']) {
  return done ? (
    <p role="status" style={{ margin: 0, fontWeight: 700 }}>
      It is on record.
    </p>
  ) : (
    <SignedTrouble trouble={trouble} />
  );
}
