import { CATALOGUE } from '@/core/walkround/catalogue';
import type { Method } from '@/core/walkround/method';
import type { ClubTransaction } from '@/db/kernel/connection';
import { readMethod } from '@/db/walkround/method';

/** How the school walks round, as its page shows it. */
export interface SchoolMethodView {
  readonly number: number;
  readonly required: boolean;
  readonly method: Method;
  /** The steps of the list by code, with their words. */
  readonly steps: readonly { readonly code: string; readonly title: string; readonly station: string }[];
}

/** How the school walks round. */
export async function schoolMethod(tx: ClubTransaction): Promise<SchoolMethodView> {
  return {
    ...(await readMethod(tx)),
    steps: CATALOGUE.map(({ code, title, station }) => ({ code, title, station })),
  };
}
