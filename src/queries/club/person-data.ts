import type { Instant } from '@/core/time/instant';
import { instantText } from '@/core/time/instant';
import { storedInstant } from '@/db/kernel/checked-values';
import { readClub } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';

/** Whatever is kept of one person in one club, for themselves to take with them. */
export interface PersonData {
  readonly format: 'groval-person';
  readonly version: 1;
  readonly writtenAt: string;
  readonly club: string;
  readonly person: { readonly id: string; readonly name: string; readonly roles: readonly string[] };
  readonly certificates: readonly {
    readonly kind: string;
    readonly number: string;
    readonly validFrom: string;
    readonly validUntil: string | null;
  }[];
  readonly roleChanges: readonly {
    readonly at: string;
    readonly name: string;
    readonly roles: readonly string[];
  }[];
  readonly plannedFlights: readonly {
    readonly starts: string;
    readonly ends: string;
    readonly person: string;
  }[];
  readonly flights: readonly { readonly left: string; readonly purpose: string | null }[];
  readonly findings: readonly { readonly foundAt: string; readonly what: string }[];
  readonly signatures: readonly {
    readonly at: string;
    readonly certificateKind: string;
    readonly certificateNumber: string;
  }[];
  /** What they were told. */
  readonly notices: readonly { readonly at: string; readonly title: string; readonly body: string }[];
  /** What they did, as the ledger has it. */
  readonly acts: readonly { readonly at: string; readonly act: string; readonly entry: unknown }[];
}

const text = (moment: Date): string => instantText(storedInstant(moment));

/** What is kept of the reader in the club that they work in. Flights are found by their name, as flights are entered by name. */
export async function personData(
  tx: ClubTransaction,
  reader: {
    readonly clubId: string;
    readonly personId: string;
    readonly name: string;
    readonly roles: readonly string[];
  },
  now: Instant,
): Promise<PersonData> {
  const { personId, name } = reader;
  const certificates = await tx
    .selectFrom('certificate')
    .select(['kind', 'number', 'valid_from', 'valid_until'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at')
    .execute();
  const changes = await tx
    .selectFrom('membership_change')
    .select(['display_name', 'roles', 'recorded_at'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at')
    .execute();
  const planned = await tx
    .selectFrom('planned_flight')
    .select(['starts', 'ends', 'person_name'])
    .where((where) =>
      where.or([
        where('person_id', '=', personId),
        where('recorded_by', '=', personId),
        where('person_name', '=', name),
      ]),
    )
    .orderBy('starts')
    .execute();
  const flights = await tx
    .selectFrom('flight')
    .select(['happened_at', 'purpose'])
    .where('person_name', '=', name)
    .orderBy('happened_at')
    .execute();
  const findings = await tx
    .selectFrom('discrepancy')
    .select(['happened_at', 'what'])
    .where('found_by', '=', personId)
    .orderBy('happened_at')
    .execute();
  const signatures = await tx
    .selectFrom('signature')
    .select(['recorded_at', 'certificate_kind', 'certificate_number'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at')
    .execute();
  const notices = await tx
    .selectFrom('notice')
    .select(['recorded_at', 'title', 'body'])
    .where('person_id', '=', personId)
    .orderBy('recorded_at')
    .orderBy('notice_id')
    .execute();
  const acts = await tx
    .selectFrom('ledger')
    .select(['recorded_at', 'act', 'body'])
    .where('actor', '=', personId)
    .orderBy('recorded_at')
    .orderBy('chain')
    .orderBy('seq')
    .execute();
  return {
    format: 'groval-person',
    version: 1,
    writtenAt: instantText(now),
    club: (await readClub(tx, reader.clubId)).name,
    person: { id: personId, name, roles: reader.roles },
    certificates: certificates.map((row) => ({
      kind: row.kind,
      number: row.number,
      validFrom: row.valid_from,
      validUntil: row.valid_until,
    })),
    roleChanges: changes.map((row) => ({
      at: text(row.recorded_at),
      name: row.display_name,
      roles: row.roles,
    })),
    plannedFlights: planned.map((row) => ({
      starts: text(row.starts),
      ends: text(row.ends),
      person: row.person_name,
    })),
    flights: flights.map((row) => ({ left: text(row.happened_at), purpose: row.purpose })),
    findings: findings.map((row) => ({ foundAt: text(row.happened_at), what: row.what })),
    signatures: signatures.map((row) => ({
      at: text(row.recorded_at),
      certificateKind: row.certificate_kind,
      certificateNumber: row.certificate_number,
    })),
    notices: notices.map((row) => ({ at: text(row.recorded_at), title: row.title, body: row.body })),
    acts: acts.map((row) => ({
      at: text(row.recorded_at),
      act: row.act,
      entry: (JSON.parse(row.body) as { readonly record?: unknown }).record ?? null,
    })),
  };
}
