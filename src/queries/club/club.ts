import { packsOf, type ClubEntry, type ClubEntryInput } from '@/contracts/club/founding';
import { decide } from '@/core/decision/decide';
import type { Decision } from '@/core/decision/decision';
import { presentFor } from '@/core/records/facts';
import type { Instant } from '@/core/time/instant';
import { loadReadable } from '@/db/aircraft/aircraft-facts';
import { readClub, readClubChanges } from '@/db/club/clubs';
import type { ClubTransaction } from '@/db/kernel/connection';
import { tellConstraint } from '@/explain/constraint';
import { momentText } from '@/explain/formats';

/** What the club says of its field and rules, as its form takes it, and how it came to say so. */
export interface ClubPage {
  /** How often it was changed; 0 as it was founded. */
  readonly changes: number;
  readonly club: ClubEntryInput;
  /** Whether it has added rules of its own, which the form leaves alone. */
  readonly ownRules: number;
  readonly story: readonly { readonly number: number; readonly words: string }[];
}

/** An aircraft that another field or other rules would answer otherwise. */
export interface ClubTrialRow {
  readonly registration: string;
  readonly before: Decision['verdict'];
  readonly after: Decision['verdict'];
  readonly comes: readonly string[];
  readonly goes: readonly string[];
}

/** What a change of the club would change now. */
export interface ClubTrial {
  readonly aircraft: number;
  readonly rows: readonly ClubTrialRow[];
}

/** The club's own page. */
export async function clubPage(tx: ClubTransaction, clubId: string): Promise<ClubPage> {
  const { name, place, packs, changes } = await readClub(tx, clubId);
  return {
    changes,
    ownRules: packs.club?.own?.rules.length ?? 0,
    club: {
      name,
      field: place.name,
      latitude: place.latitude,
      longitude: place.longitude,
      zone: place.zone,
      authority: packs.authority,
      policy: packs.club === null ? null : { ...packs.club.parameters },
      estimates: (packs.estimates ?? []).map(({ act, minutes, cents }) => ({
        act,
        minutes,
        cost: cents / 100,
      })),
    },
    story: (await readClubChanges(tx)).map(({ number, why, at, by }) => ({
      number,
      words: `${momentText(at, place.zone)}, ${by}: ${why}`,
    })),
  };
}

/** Each reason once: the law and the club may close for the same. */
const reasonsOf = (decision: Decision): readonly string[] => [
  ...new Set(decision.constraints.map((constraint) => tellConstraint(constraint, 'in-force').headline)),
];

/** Decides every aircraft as the club would then, beside as it stands. Nothing is written or remembered. */
export async function clubTrial(
  tx: ClubTransaction,
  clubId: string,
  entry: ClubEntry,
  now: Instant,
): Promise<ClubTrial> {
  const { place, packs } = await readClub(tx, clubId);
  const then = {
    place: { name: entry.field, latitude: entry.latitude, longitude: entry.longitude, zone: entry.zone },
    packs: packsOf(entry, packs.club?.own ?? null),
  };
  const fleet = await loadReadable(tx, place, null, 'present');
  const rows = fleet.flatMap(({ facts }): readonly ClubTrialRow[] => {
    const present = presentFor(facts, now);
    const [before, after] = [
      decide(facts, packs, null, present),
      decide({ ...facts, place: then.place }, then.packs, null, present),
    ];
    const [old, fresh] = [reasonsOf(before), reasonsOf(after)];
    const [comes, goes] = [
      fresh.filter((reason) => !old.includes(reason)),
      old.filter((reason) => !fresh.includes(reason)),
    ];
    return before.verdict === after.verdict && comes.length === 0 && goes.length === 0
      ? []
      : [{ registration: before.registration, before: before.verdict, after: after.verdict, comes, goes }];
  });
  return { aircraft: fleet.length, rows };
}
