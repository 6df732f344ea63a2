import { chronicDefects, type Chronic, type ChronicBecause } from '@/core/records/findings/chronic';
import { addSeconds, type Instant } from '@/core/time/instant';
import type { ZoneId } from '@/core/time/zone';
import { listAircraft } from '@/db/aircraft/aircraft-documents';
import { readClub } from '@/db/club/clubs';
import { readFlownSince, readOccurrences } from '@/db/findings/occurrences';
import type { ClubTransaction } from '@/db/kernel/connection';
import { CHRONIC_METHOD, describeChronic, describePart } from '@/explain/chronic';
import { momentText } from '@/explain/formats';

/** Events in 100 hours in service, with the interval. */
interface RateShown {
  readonly rate: number;
  readonly low: number;
  readonly high: number;
}

/** A defect that comes again and again on one aircraft. */
export interface ChronicRow {
  readonly id: string;
  readonly registration: string;
  readonly typeName: string;
  readonly part: string;
  readonly because: readonly ChronicBecause[];
  readonly says: readonly string[];
  readonly here: RateShown | null;
  readonly others: RateShown | null;
  /** Each time, the newest first. */
  readonly times: readonly {
    readonly id: string;
    readonly when: string;
    readonly what: string;
    readonly returned: string | null;
  }[];
}

/** What keeps coming back, the surest first. */
export interface ChronicList {
  readonly now: Instant;
  readonly zone: string;
  readonly method: string;
  readonly rows: readonly ChronicRow[];
}

/** The window: a year. */
const WINDOW_S = 365 * 86_400;
const PER = 100 * 3600;

const shown = (rate: Chronic['rate']): RateShown | null =>
  rate === null ? null : { rate: rate.rate * PER, low: rate.low * PER, high: rate.high * PER };

function rowOf(
  chronic: Chronic,
  { registration, typeName }: { readonly registration: string; readonly typeName: string },
  zone: ZoneId,
): ChronicRow {
  const { aircraftId, part, times, because } = chronic;
  return {
    id: `${aircraftId}/${part}`,
    registration,
    typeName,
    part: describePart(part),
    because,
    says: describeChronic(chronic),
    here: shown(chronic.rate),
    others: shown(chronic.others),
    times: times.toReversed().map(({ id, at, what, returned }) => ({
      id,
      when: momentText(at, zone),
      what,
      returned: returned === null || returned.work === null ? null : momentText(returned.at, zone),
    })),
  };
}

/** Reads the club's chronic defects of the last year. */
export async function readChronicList(
  tx: ClubTransaction,
  clubId: string,
  now: Instant,
): Promise<ChronicList> {
  const { zone } = (await readClub(tx, clubId)).place;
  const since = addSeconds(now, -WINDOW_S);
  const names = new Map(
    (await listAircraft(tx)).map((one) => [
      one.aircraft_id,
      { registration: one.registration, typeName: one.type_name },
    ]),
  );
  const chronic = chronicDefects(await readOccurrences(tx, since), await readFlownSince(tx, since), zone);
  return {
    now,
    zone,
    method: CHRONIC_METHOD,
    rows: chronic.flatMap((one) => {
      const name = names.get(one.aircraftId);
      return name === undefined ? [] : [rowOf(one, name, zone)];
    }),
  };
}
