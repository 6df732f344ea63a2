import { replay } from '@/core/decision/replay';
import type { ClubTransaction } from '@/db/kernel/connection';
import { releaseEvidence } from '@/db/releases/flight-releases';
import { tellReplay } from '@/explain/replay';

/** A release decided again, beside what was decided. */
export interface ReplayView {
  readonly same: boolean;
  /** What is another now, and which version explains it; what was kept is named where it is not what its hash says. */
  readonly words: string;
  /** SHA-256 of what it was decided from, as the ledger keeps it. */
  readonly inputsHash: string;
}

/**
 * Decides a release again from what it was decided from; null where the club has none such.
 * @param sha256 of a text, in hexadecimal
 */
export async function replayedRelease(
  tx: ClubTransaction,
  releaseId: string,
  sha256: (text: string) => string,
): Promise<ReplayView | null> {
  const kept = await releaseEvidence(tx, releaseId);
  if (kept === undefined) return null;
  const inputsHash = kept.inputs_hash;
  if (sha256(kept.inputs) !== inputsHash || sha256(kept.decision) !== kept.decision_hash)
    return {
      same: false,
      words:
        'What was kept is not what its hash says: somebody changed it. Tell the person who runs the server.',
      inputsHash,
    };
  const answer = replay(kept.inputs, kept.decision);
  return {
    same: answer.same,
    words: answer.same ? 'The same, byte for byte.' : tellReplay(answer),
    inputsHash,
  };
}
