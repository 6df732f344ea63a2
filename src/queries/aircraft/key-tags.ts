import type { ClubTransaction } from '@/db/kernel/connection';

/**
 * What stands on the key tags of a club's aircraft, in the order of their registrations. @param wanted one of them; null for all @param
 * origin where Groval is opened
 */
export async function tagsOf(
  tx: ClubTransaction,
  wanted: string | null,
  origin: string,
): Promise<
  readonly { readonly registration: string; readonly typeName: string; readonly address: string }[]
> {
  const rows = await tx
    .selectFrom('aircraft')
    .select(['registration', 'type_name'])
    .$if(wanted !== null, (query) => query.where('registration', '=', wanted ?? ''))
    .orderBy('registration')
    .execute();
  return rows.map(({ registration, type_name: typeName }) => ({
    registration,
    typeName,
    address: new URL(`/ramp/${encodeURIComponent(registration)}`, origin).toString(),
  }));
}
