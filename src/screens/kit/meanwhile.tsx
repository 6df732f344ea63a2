'use client';

import { z } from 'zod';
import { LEDGER_ACTS } from '@/core/records/ledger-act';
import { describeHistory } from '@/explain/history';

/** What somebody who looked earlier has missed. What cannot be read is left out: the refusal beside it is what counts. */
const changedSchema = z
  .array(z.object({ act: z.enum(LEDGER_ACTS), actorName: z.string(), record: z.unknown() }))
  .catch([]);

/** What others did meanwhile, a line each. */
export function Meanwhile({ changes }: { readonly changes: readonly unknown[] }) {
  return (
    <ul>
      {changedSchema.parse(changes).map((change, at) => (
        <li key={at}>
          {change.actorName} {describeHistory(change.act, change.record)}
        </li>
      ))}
    </ul>
  );
}
